// Letters in mm and dashes that are lines: alike on a screen, on a page and in any program.
#include <gtest/gtest.h>

#include <QBuffer>
#include <QImage>
#include <QPainter>
#include <QSvgGenerator>

#include "paint/dashes.h"
#include "paint/fonts.h"
#include "paint/lettering.h"
#include "paint/palette.h"
#include "paint/set_words.h"
#include "paint/true_size_painter.h"

namespace drapery::test {
namespace {

QImage blank(int width, int height) {
  QImage image(width, height, QImage::Format_RGB32);
  image.fill(Qt::white);
  return image;
}

int darkIn(const QImage& image, const QRect& in) {
  int dark = 0;
  for (int y = in.top(); y <= in.bottom(); ++y)
    for (int x = in.left(); x <= in.right(); ++x)
      dark += image.valid(x, y) && qGray(image.pixel(x, y)) < 128 ? 1 : 0;
  return dark;
}

TEST(Lettering, isAsWideAtEveryScale) {
  QImage image = blank(4, 4);
  QPainter painter(&image);
  const QString words = "Gap spacer 10 mm";
  const double fine = Lettering(painter, 47.2).widthOf(words, 3.2);
  for (const double perMm : {0.5, 1.0, 3.78, 10.0})
    EXPECT_NEAR(Lettering(painter, perMm).widthOf(words, 3.2), fine, 0.12 * fine) << perMm;
  EXPECT_NEAR(Lettering(painter, 20).widthOf(words, 6.4), 2 * fine, 0.03 * fine);
}

TEST(Lettering, linesAreNoWiderThanTheirRoom) {
  QImage image = blank(4, 4);
  QPainter painter(&image);
  const Lettering letters(painter, 20.0);
  const QString words = "Lay it between stiffener and board at either joint, one width for both";
  for (const double room : {25.0, 40.0, 90.0}) {
    const QStringList lines = letters.broken(words, 2.7, room);
    EXPECT_EQ(lines.join(' '), words);
    for (const QString& line : lines) EXPECT_LE(letters.widthOf(line, 2.7), room);
  }
  EXPECT_EQ(letters.broken("unbreakable", 2.7, 1.0), QStringList{"unbreakable"});
  EXPECT_TRUE(letters.broken("", 2.7, 10.0).isEmpty());
  EXPECT_LE(letters.widthOf(letters.shortened(words, 2.7, 30.0), 2.7), 30.0);
}

// Outlined letters cover what letters do.
TEST(Lettering, outlinesLookAlike) {
  QImage plain = blank(400, 80), shapes = blank(400, 80);
  for (auto& [image, isOutlined] : {std::pair<QImage&, bool>{plain, false}, {shapes, true}}) {
    QPainter painter(&image);
    painter.setRenderHint(QPainter::Antialiasing);
    Lettering(painter, 8.0, isOutlined).writeMiddle({200, 40}, "Tide ledger", 4.0, Qt::black);
  }
  const int a = darkIn(plain, plain.rect()), b = darkIn(shapes, shapes.rect());
  EXPECT_GT(a, 200);
  EXPECT_NEAR(a, b, 0.2 * a);
  QBuffer buffer;
  buffer.open(QIODevice::WriteOnly);
  QSvgGenerator svg;
  svg.setOutputDevice(&buffer);
  QPainter painter(&svg);
  Lettering(painter, 8.0, true).writeMiddle({200, 40}, "Tide ledger", 4.0, Qt::black);
  painter.end();
  EXPECT_FALSE(buffer.data().contains("<text"));
}

// A text of several lines is set in as many, one under the other.
TEST(SetWords, linesStandUnderOneAnother) {
  const QFont font = textFont(14.0);
  const int one = wordsHeight(font, "set smaller", 400.0);
  EXPECT_NEAR(wordsHeight(font, "set smaller\nthe title", 400.0), 2 * one, 2);
  QImage image = blank(400, 60);
  QPainter painter(&image);
  painter.setFont(font);
  paintWords(painter, QRectF(0, 0, 400, 60), Qt::AlignLeft | Qt::TextWordWrap, "MM\nMM");
  painter.end();
  EXPECT_GT(darkIn(image, QRect(0, 0, 400, one)), 20);
  EXPECT_GT(darkIn(image, QRect(0, one, 400, one)), 20);
}

TEST(Dashes, areLinesOfTheirOwn) {
  QImage image = blank(100, 9);
  QPainter painter(&image);
  painter.setPen(QPen(Qt::black, 3.0, Qt::SolidLine, Qt::FlatCap));
  drawDashed(painter, QPolygonF(QList<QPointF>{{0, 4}, {100, 4}}), {10.0, 5.0});
  painter.end();
  for (int x = 1; x < 99; ++x) {
    const bool isDash = x % 15 < 10;
    if (x % 15 != 9 && x % 15 != 14 && x % 15 != 0) {
      EXPECT_EQ(qGray(image.pixel(x, 4)) < 128, isDash) << x;
    }
  }
}

/// A fold across the middle of a square of 60 mm, at 4 pixels to the mm.
QImage folded(TrueSizeLayer layer, Turns turns) {
  TrueSize thing;
  thing.drawing.shapes = {closedShape(LineKind::Outline, Matter::None, rectangle(0, 0, 60, 60), {}),
                          openShape(LineKind::Fold, {{30, 0}, {30, 60}}, {})};
  thing.drawing.shapes[1].turns = turns;
  QImage image = blank(260, 260);
  QPainter painter(&image);
  PaintStyle style{&printPalette(), {}, 4.0, 0.7, true};
  paintTrueSize(painter, thing, QTransform(4, 0, 0, -4, 10, 250),
                {style, [](const TrueSizeLabel&) { return QString(); },
                 [](Turns) { return QString("fold away from you"); }, layer});
  return image;
}

// Each layer shows its own lines and no others; cuts are ringed, folds tell which way they turn.
TEST(TrueSizePainting, layersAreApart) {
  const QRect edge(8, 60, 5, 40), fold(128, 20, 5, 60), ring(4, 122, 4, 16);
  const QImage cut = folded(TrueSizeLayer::Cut, Turns::Away);
  EXPECT_GT(darkIn(cut, edge), 30);
  EXPECT_EQ(darkIn(cut, fold), 0);
  const QImage lines = folded(TrueSizeLayer::Fold, Turns::Away);
  EXPECT_EQ(darkIn(lines, edge), 0);
  EXPECT_GT(darkIn(lines, fold), 30);
  const QImage words = folded(TrueSizeLayer::Words, Turns::Away);
  EXPECT_GT(darkIn(words, ring), 2);
  EXPECT_EQ(darkIn(words, edge), 0);
  const QRect arrow(108, 195, 44, 14), word(116, 110, 12, 70);
  EXPECT_GT(darkIn(words, arrow), 10);
  EXPECT_GT(darkIn(words, word), 20);
  const QImage unsaid = folded(TrueSizeLayer::Words, Turns::Unsaid);
  EXPECT_EQ(darkIn(unsaid, word), 0);
  const QImage all = folded(TrueSizeLayer::All, Turns::Toward);
  EXPECT_GT(darkIn(all, edge), 30);
  EXPECT_GT(darkIn(all, fold), 30);
}

TEST(SetWords, aSizeIsNotBrokenAtTheEndOfALine) {
  const auto parts =
      withWholeSizes("640 × 900 mm, ≈3 13/64 × ≈35 7/16 in, grain long, 130 g/m²").split(' ');
  EXPECT_EQ(parts.size(), 5);
  EXPECT_EQ(withWholeSizes("42 m long (45 7/8 yd), tin 2 inside").count(QChar::Nbsp), 3);
}

}  // namespace
}  // namespace drapery::test
