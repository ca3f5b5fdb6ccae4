// The painter itself: every kind of line and matter leaves its mark, and a page measures true.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <QImage>
#include <QPainter>
#include <QPdfWriter>
#include <regex>
#include <set>

#include "core/drawing/piece_shapes.h"
#include "exchange/slip_page.h"
#include "paint/drawing_painter.h"
#include "paint/sheet_painter.h"
#include "tests/support/books.h"
#include "tests/support/command.h"

namespace drapery::test {
namespace {

constexpr int kSide = 120;

QImage painted(const Shape& shape, const Palette& palette, const Subject& lit = {}) {
  QImage image(kSide, kSide, QImage::Format_RGB32);
  image.fill(palette.ground);
  QPainter painter(&image);
  PaintStyle style;
  style.palette = &palette;
  style.lit = lit;
  Drawing drawing;
  drawing.shapes = {shape};
  paintDrawing(painter, drawing, QTransform(1, 0, 0, -1, 0, kSide), style);
  return image;
}

std::set<QRgb> coloursOf(const QImage& image) {
  std::set<QRgb> colours;
  for (int y = 0; y < image.height(); ++y)
    for (int x = 0; x < image.width(); ++x) colours.insert(image.pixel(x, y));
  return colours;
}

/// How many pixels are not the ground.
int markedIn(const QImage& image, const Palette& palette) {
  int marked = 0;
  for (int y = 0; y < image.height(); ++y)
    for (int x = 0; x < image.width(); ++x)
      marked += image.pixel(x, y) != palette.ground.rgb() ? 1 : 0;
  return marked;
}

Shape lineOf(LineKind kind) {
  if (kind == LineKind::Hole || kind == LineKind::Hatch)
    return closedShape(kind, Matter::None, rectangle(40, 40, 60, 60), Subject::value("a"));
  Shape shape = openShape(kind, {{20, 60}, {100, 61}}, Subject::value("a"));
  shape.thickness = 2.0;
  return shape;
}

TEST(Painting, everyKindOfLineCanBeSeenAndLit) {
  constexpr LineKind kLines[]{
      LineKind::Hidden, LineKind::Leaf,      LineKind::Section,  LineKind::Cut,    LineKind::Fold,
      LineKind::Crease, LineKind::Hole,      LineKind::Hatch,    LineKind::Thread, LineKind::Break,
      LineKind::Grain,  LineKind::Dimension, LineKind::Extension};
  for (const Palette* palette : {&lightPalette(), &benchPalette()})
    for (const LineKind kind : kLines) {
      const Shape shape = lineOf(kind);
      const QImage plain = painted(shape, *palette);
      EXPECT_GT(markedIn(plain, *palette), 30) << static_cast<int>(kind);
      EXPECT_NE(plain, painted(shape, *palette, Subject::value("a"))) << static_cast<int>(kind);
      EXPECT_EQ(plain, painted(shape, *palette, Subject::part("a"))) << static_cast<int>(kind);
    }
  // A dashed line is broken, a whole one is not; a fold is not drawn like a crease.
  const auto ink = [](LineKind kind) {
    return markedIn(painted(lineOf(kind), lightPalette()), lightPalette());
  };
  EXPECT_LT(ink(LineKind::Hidden), 0.8 * ink(LineKind::Break));
  EXPECT_NE(painted(lineOf(LineKind::Fold), lightPalette()),
            painted(lineOf(LineKind::Crease), lightPalette()));
}

TEST(Painting, everyMatterHasItsOwnFace) {
  std::set<std::set<QRgb>> faces;
  for (const Matter matter : {Matter::Leaves, Matter::Board, Matter::Card, Matter::Cloth,
                              Matter::Rod, Matter::Waste, Matter::None})
    faces.insert(coloursOf(painted(
        closedShape(LineKind::Outline, matter, rectangle(10, 10, 110, 110), {}), lightPalette())));
  EXPECT_EQ(faces.size(), 7U);
  // Hatched: the board's colour and the darker one of its lines.
  const auto board = coloursOf(
      painted(closedShape(LineKind::Outline, Matter::Board, rectangle(10, 10, 110, 110), {}),
              lightPalette()));
  EXPECT_TRUE(board.contains(lightPalette().board.rgb()));
  EXPECT_GT(board.size(), 4U);
  // Unknown ones are only dashed.
  EXPECT_FALSE(coloursOf(painted(closedShape(false, Matter::Board, rectangle(10, 10, 110, 110), {}),
                                 lightPalette()))
                   .contains(lightPalette().board.rgb()));
}

// Outside check, poppler: 100 mm on paper are 1000 dots at 254 to the inch, either way.
TEST(Painting, aPageMeasuresTrue) {
  const TemporaryFolder folder;
  const std::string pdf = folder.path() + "/true.pdf";
  {
    QPdfWriter writer(QString::fromStdString(pdf));
    writer.setPageSize(QPageSize(QPageSize::A4));
    writer.setPageMargins(QMarginsF(0, 0, 0, 0));
    writer.setResolution(1200);
    QPainter painter(&writer);
    painter.scale(1200 / 25.4, 1200 / 25.4);
    Drawing drawing;
    drawing.shapes = {closedShape(LineKind::Outline, Matter::Board, rectangle(0, 0, 100, 150), {})};
    paintDrawing(painter, drawing, QTransform(1, 0, 0, -1, 30, 200), pageStyle(lightPalette()));
  }
  ASSERT_EQ(
      run({"pdftoppm", "-r", "254", "-png", "-singlefile", pdf, folder.path() + "/true"}).code, 0);
  const QImage page(QString::fromStdString(folder.path() + "/true.png"));
  QRect ink;
  for (int y = 0; y < page.height(); ++y)
    for (int x = 0; x < page.width(); ++x)
      if (qGray(page.pixel(x, y)) < 128) ink |= QRect(x, y, 1, 1);
  const double line = 3.7;  // 0.37 mm, half of it outside the edge either way
  EXPECT_NEAR(ink.width(), 1000 + line, 1.5);
  EXPECT_NEAR(ink.height(), 1500 + line, 1.5);
  EXPECT_NEAR(ink.left(), 300 - line / 2, 1.5);
  // The hatch is lines in the file, not a picture.
  EXPECT_EQ(run({"pdfimages", "-list", pdf}).out.find("image "), std::string::npos);
}

/// What is written on a piece, as poppler reads it (outside check).
class WordsOnAPiece {
 public:
  SheetWords words{{"Decorated sheet", "160 x 240 mm"}, {}};
  std::vector<SheetDrawing::Cut> cuts;

  /// Of that size.
  /// @param how pdftotext tells it
  std::string read(double across, double along, const std::vector<std::string>& how = {}) const {
    const TemporaryFolder folder;
    const std::string pdf = folder.path() + "/piece.pdf";
    paint(pdf, across, along);
    std::vector<std::string> command{"pdftotext"};
    command.insert(command.end(), how.begin(), how.end());
    command.insert(command.end(), {pdf, "-"});
    return run(command).out;
  }
  /// How much of its words finds room.
  qsizetype told(double across, double along) const {
    const TemporaryFolder folder;
    return paint(folder.path() + "/piece.pdf", across, along);
  }

 private:
  qsizetype paint(const std::string& pdf, double across, double along) const {
    QPdfWriter writer(QString::fromStdString(pdf));
    writer.setResolution(1200);
    QPainter painter(&writer);
    painter.scale(1200 / 25.4, 1200 / 25.4);
    SheetDrawing sheet;
    sheet.pieces = {{0, {0, 0, across, along}}};
    sheet.cuts = cuts;
    SheetLook look;
    look.style = pageStyle(lightPalette());
    look.words = [this](std::size_t) { return words; };
    const QTransform there(1, 0, 0, -1, 60, 100);
    paintSheet(painter, sheet, there, look);
    return linesTold(painter, sheet, there, look).front();
  }
};

TEST(Painting, aNameThatIsTooLongIsBrokenBeforeItIsLeftOut) {
  using ::testing::StartsWith;
  WordsOnAPiece piece;
  EXPECT_THAT(piece.read(60, 20), StartsWith("Decorated sheet\n160 x 240 mm\n"));
  EXPECT_THAT(piece.read(19, 16), StartsWith("Decorated\nsheet\n160 x 240 mm\n"));
  EXPECT_THAT(piece.read(17, 10), StartsWith("Decorated\nsheet\n\n\f"));
  EXPECT_EQ(piece.read(6, 6), "\f");
  EXPECT_EQ(piece.told(60, 20), 2);
  EXPECT_EQ(piece.told(17, 10), 1);
  EXPECT_EQ(piece.told(6, 6), 0);
  piece.words.mark = "ab";
  EXPECT_THAT(piece.read(6, 6), StartsWith("ab\n"));
  piece.words.lines.front() = "Board · Tern notes";
  EXPECT_THAT(piece.read(19, 16), StartsWith("Board\nTern notes\n160 x 240 mm\n"));
}

/// Of what pdftotext tells with -bbox. Boxes are of whole lines: letters fill three quarters.
std::vector<QRectF> boxesIn(const std::string& told) {
  const std::regex box(R"r(xMin="([0-9.]+)" yMin="([0-9.]+)" xMax="([0-9.]+)" yMax="([0-9.]+)")r");
  std::vector<QRectF> boxes;
  for (std::sregex_iterator at(told.begin(), told.end(), box), end; at != end; ++at) {
    boxes.emplace_back(QPointF(std::stod((*at)[1]), std::stod((*at)[2])),
                       QPointF(std::stod((*at)[3]), std::stod((*at)[4])));
    boxes.back().adjust(0, boxes.back().height() / 8, 0, -boxes.back().height() / 8);
  }
  return boxes;
}

TEST(Painting, wordsOnAPieceStandBesideTheNumbersOfItsCuts) {
  WordsOnAPiece piece;
  for (double across = 24; across < 60; across += 3)
    for (double along = 16; along < 40; along += 6) {
      piece.cuts = {{11, {0, 0}, {0, along}}, {12, {0, 0}, {across, 0}}};
      const std::vector<QRectF> words = boxesIn(piece.read(across, along, {"-bbox"}));
      EXPECT_GT(words.size(), 3U);
      for (std::size_t a = 0; a < words.size(); ++a)
        for (std::size_t b = 0; b < a; ++b)
          EXPECT_FALSE(words[a].intersects(words[b])) << across << " x " << along;
    }
}

TEST(Painting, aPieceIsDrawnAtTheSizeThatItIsCutTo) {
  const Plan plan = planOf(plainJob()).plan;
  for (const PlannedPart& part : plan.parts) {
    const Drawing drawing = pieceDrawing(part);
    const Box box = boundsOf(drawing.shapes.front().points);
    EXPECT_NEAR(box.width(), part.cutWidth.mm(), 1e-9) << part.rule->id;
    EXPECT_NEAR(box.height(), part.cutHeight.mm(), 1e-9) << part.rule->id;
    const bool hasGrain = drawing.shapes.back().line == LineKind::Grain;
    EXPECT_EQ(hasGrain, part.rule->grain != Grain::Any) << part.rule->id;
  }
}

}  // namespace
}  // namespace drapery::test
