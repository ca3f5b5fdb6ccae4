#include "exchange/print_page.h"

#include <QCoreApplication>
#include <QLineF>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "exchange/print_look.h"
#include "paint/dashes.h"
#include "paint/lettering.h"
#include "paint/true_size_painter.h"

namespace drapery {

namespace {

// mm.
constexpr double kBar = 100.0, kInchBar = 4 * 25.4;
constexpr double kBarLine = 0.2, kTick = 2.2, kShortTick = 1.2;
constexpr double kFootText = 2.6;
constexpr double kWordsBesideBars = 108.0;
constexpr double kMapSide = 15.0;
constexpr double kCrop = 5.0;  // length of a crop mark
constexpr double kTileLetters = 11.0;
constexpr double kStrip = 6.0;  // a strip as wide as this has room for words
constexpr double kStickerInside = 3.0;

struct Words {
  Q_DECLARE_TR_FUNCTIONS(Templates)
};

/// "B2": rows are letters, columns numbers.
QString tileName(int row, int column) {
  QString letters;
  for (int rest = row + 1; rest > 0; rest = (rest - 1) / 26)
    letters.prepend(QChar('A' + (rest - 1) % 26));
  return letters + QString::number(column + 1);
}

class SheetPainter {
 public:
  SheetPainter(QPainter& painter, const PrintJob& print, std::size_t sheet,
               const QTransform& toDevice, const PaintStyle& style)
      : painter_(painter),
        print_(print),
        number_(sheet),
        sheet_(print.sheets[sheet]),
        style_(style),
        room_(printRoom(print.paper, print.layout, print.error)),
        letters_(painter, style.perMm) {
    toDevice_ = roomToPaper(print, sheet) * toDevice;
  }

  void paint() {
    painter_.save();
    painter_.setRenderHint(QPainter::Antialiasing);
    for (const PrintPlace& place : sheet_.places) whole(place);
    if (sheet_.tile) tile(*sheet_.tile);
    bars();
    foot();
    painter_.restore();
  }

 private:
  [[nodiscard]] QPointF at(double x, double y) const { return toDevice_.map(QPointF(x, y)); }
  void pen(double mm) {
    painter_.setPen(QPen(style_.palette->ink, std::max(style_.leastWidth, mm * style_.perMm),
                         Qt::SolidLine, Qt::FlatCap));
    painter_.setBrush(Qt::NoBrush);
  }
  void line(double x1, double y1, double x2, double y2) {
    painter_.drawLine(at(x1, y1), at(x2, y2));
  }
  void write(double x, double top, const QString& words, double mm, bool isBold = false) {
    letters_.write(at(x, top), words, mm, style_.palette->ink, isBold);
  }

  [[nodiscard]] TrueSizeLook look() const {
    return {style_,
            [this](const TrueSizeLabel& label) { return labelWords(label, print_.notation); },
            turnWords, TrueSizeLayer::All};
  }

  /// From the thing's own mm to the room's: its box's lower left corner at `to`.
  static QTransform placed(const TrueSize& thing, bool isTurned, const QPointF& to) {
    QTransform transform;
    transform.translate(to.x(), to.y());
    if (isTurned) {
      transform.translate(thing.height.mm(), 0.0);
      transform.rotate(90);
    }
    return transform;
  }

  void whole(const PrintPlace& place) {
    const TrueSize& thing = print_.things[place.thing];
    const QTransform to =
        placed(thing, place.isTurned, QPointF(place.at.x, place.at.y)) * toDevice_;
    paintTrueSize(painter_, thing, to, look());
    if (thing.isSticker) return sticker(place);
    onIt(place.thing, to);
    caption(place.thing, place.at.x,
            place.at.y + (place.isTurned ? thing.width.mm() : thing.height.mm()));
  }

  /// What a strip is, on itself: the words over it are gone once it is cut out.
  void onIt(std::size_t which, const QTransform& to) {
    const TrueSize& thing = print_.things[which];
    const bool isPlain = thing.rule != nullptr && thing.labels.empty() &&
                         thing.drawing.shapes.size() == 1 &&
                         thing.drawing.shapes.front().points.size() == 4;
    const double wide = std::max(thing.width.mm(), thing.height.mm());
    const double high = std::min(thing.width.mm(), thing.height.mm());
    if (!isPlain || high < kStrip) return;
    const TrueSizeWords& words = print_.words[which];
    const QString line = letters_.shortened(words.title + " " + words.figures + " · " + print_.book,
                                            kCaptionLetters, wide - 2 * kStrip);
    letters_.writeMiddle(
        to.map(QPointF(thing.width.mm() / 2, thing.height.mm() / 2)), line, kCaptionLetters,
        style_.palette->ink, false,
        QLineF(to.map(QPointF(0, 0)),
               to.map(thing.width.mm() >= thing.height.mm() ? QPointF(1, 0) : QPointF(0, 1)))
                .angle() *
            -1.0);
  }

  /// Over the thing, from its upper left corner upward.
  void caption(std::size_t which, double left, double top) {
    const TrueSizeWords& words = print_.words[which];
    const QStringList lines =
        letters_.broken(words.says, kCaptionLetters, std::min(kCaptionWide, room_.width()));
    double y = top + kBelowCaption + Lettering::lineHeight(kCaptionTitle) +
               Lettering::lineHeight(kCaptionLetters) * static_cast<double>(lines.size());
    write(left, y, words.title + "  " + words.figures, kCaptionTitle, true);
    y -= Lettering::lineHeight(kCaptionTitle);
    for (const QString& each : lines) {
      write(left, y, each, kCaptionLetters);
      y -= Lettering::lineHeight(kCaptionLetters);
    }
  }

  void sticker(const PrintPlace& place) {
    const TrueSizeWords& words = print_.words[place.thing];
    const TrueSize& thing = print_.things[place.thing];
    const double wide = (place.isTurned ? thing.height : thing.width).mm() - 2 * kStickerInside;
    double y =
        place.at.y + (place.isTurned ? thing.width : thing.height).mm() - kStickerInside * 0.7;
    const auto put = [&](const QString& line, double mm, bool isBold) {
      write(place.at.x + kStickerInside, y, letters_.shortened(line, mm, wide, isBold), mm, isBold);
      y -= Lettering::lineHeight(mm);
    };
    put(words.sticker.value(0), kCaptionTitle, true);
    put(words.sticker.value(1), kCaptionTitle, false);
    for (const QString& line : letters_.broken(words.sticker.value(2), kCaptionLetters, wide))
      put(line, kCaptionLetters, false);
    put(print_.book, kCaptionLetters, false);
  }

  /// What of the thing lies here, where its neighbours begin, and the corners to lay it by.
  void tile(const PrintTile& tile) {
    const TrueSize& thing = print_.things[tile.thing];
    const Box& part = tile.part;
    painter_.save();
    constexpr double kHalfLine = 0.3;
    painter_.setClipRect(
        QRectF(at(-kHalfLine, -kHalfLine), at(part.width() + kHalfLine, part.height() + kHalfLine))
            .normalized(),
        Qt::IntersectClip);
    const QTransform to =
        placed(thing, tile.isTurned, QPointF(-part.left, -part.bottom)) * toDevice_;
    paintTrueSize(painter_, thing, to, look());
    painter_.restore();
    overlaps(tile);
    letters_.writeMiddle(at(0.28 * part.width(), 0.72 * part.height()),
                         tileName(tile.row, tile.column), kTileLetters, style_.palette->hairline,
                         true);
  }

  /// The line to cut or lay the neighbour at is where its own part begins.
  void overlaps(const PrintTile& tile) {
    const double over = print_.layout.overlap, wide = tile.part.width(), high = tile.part.height();
    pen(kBarLine);
    const auto dotted = [&](double x1, double y1, double x2, double y2) {
      drawDashed(painter_, QPolygonF({at(x1, y1), at(x2, y2)}),
                 {0.4 * style_.perMm, 0.8 * style_.perMm});
    };
    if (tile.column + 1 < tile.columns) dotted(wide - over, 0, wide - over, high);
    if (tile.column > 0) dotted(over, 0, over, high);
    if (tile.row + 1 < tile.rows) dotted(0, over, wide, over);
    if (tile.row > 0) dotted(0, high - over, wide, high - over);
    // Crop marks at the corners of what lies here, into its own paper.
    for (const double x : {0.0, wide})
      for (const double y : {0.0, high}) {
        const double inward = x == 0.0 ? kCrop : -kCrop, up = y == 0.0 ? kCrop : -kCrop;
        line(x, y, x + inward, y);
        line(x, y, x, y + up);
      }
    const auto beside = [&](double x, double y, int row, int column) {
      letters_.writeMiddle(at(x, y), tileName(row, column), kFootText, style_.palette->secondInk,
                           true);
    };
    if (tile.column + 1 < tile.columns)
      beside(wide - over / 2, high / 3, tile.row, tile.column + 1);
    if (tile.column > 0) beside(over / 2, high / 3, tile.row, tile.column - 1);
    if (tile.row + 1 < tile.rows) beside(wide / 3, over / 2, tile.row + 1, tile.column);
    if (tile.row > 0) beside(wide / 3, high - over / 2, tile.row - 1, tile.column);
  }

  /// A bar along the foot and one up the side, each in mm and in inches.
  void bars() {
    const double mm = -print_.layout.foot + 9.5, inch = mm - 7.5;
    const double up = room_.width() + 3.2, upInch = room_.width() + 6.4;
    pen(kBarLine);
    line(0, mm, kBar, mm);
    line(0, inch, kInchBar, inch);
    line(up, 0, up, kBar);
    line(upInch, 0, upInch, kInchBar);
    for (int i = 0; i <= 10; ++i) {
      const double tick = i % 10 == 0 ? kTick : kShortTick;
      line(10.0 * i, mm, 10.0 * i, mm + tick);
      line(up, 10.0 * i, up - tick, 10.0 * i);
    }
    for (int i = 0; i <= 16; ++i) {
      const double tick = i % 16 == 0 ? kTick : kShortTick, x = 25.4 * i / 4;
      line(x, inch, x, inch + tick);
      line(upInch, x, upInch + tick, x);
    }
    const double letters = kFootText;
    write(2, mm + 2.0 + Lettering::lineHeight(letters), Words::tr("100 mm: hold a rule against it"),
          letters);
    write(2, inch + 2.0 + Lettering::lineHeight(letters), Words::tr("4 in"), letters);
    letters_.writeMiddle(at((up + upInch) / 2, kInchBar + 10.0), Words::tr("100 mm, 4 in"), letters,
                         style_.palette->ink, false, -90.0);
  }

  void foot() {
    const double left = kWordsBesideBars;
    const bool hasMap = sheet_.tile.has_value();
    const double room = room_.width() + print_.layout.side - left - (hasMap ? kMapSide + 3 : 0);
    double y = -print_.layout.foot + (hasMap ? 20.0 : 18.5);
    const auto put = [&](const QString& words, bool isBold) {
      write(left, y, letters_.shortened(words, kFootText, room, isBold), kFootText, isBold);
      y -= Lettering::lineHeight(kFootText);
    };
    if (hasMap) {
      const TrueSizeWords& words = print_.words[sheet_.tile->thing];
      put(words.title + "  " + words.figures, true);
    }
    put(print_.book, !hasMap);
    QString sheet =
        Words::tr("%1, sheet %2 of %3").arg(print_.date).arg(number_ + 1).arg(print_.sheets.size());
    if (hasMap)
      sheet += ", " + Words::tr("part %1").arg(tileName(sheet_.tile->row, sheet_.tile->column));
    put(sheet, false);
    put(Words::tr("Print at 100 %, not fitted to the paper."), false);
    if (!(print_.error == PrinterError()))
      put(Words::tr("Corrected for %1 alone.").arg(print_.printer), false);
    else if (hasMap)
      put(Words::tr("Lay the parts over one another at the dotted lines."), false);
    else
      put(Words::tr("Ringed lines are cut, dashed ones folded."), false);
    if (hasMap) map(*sheet_.tile);
  }

  /// How the parts lie, with this one dark.
  void map(const PrintTile& tile) {
    const double side = std::min(kMapSide / tile.columns, kMapSide / tile.rows);
    const double right = room_.width() + print_.layout.side;
    const double left = right - side * tile.columns, top = -print_.layout.foot + 18.0;
    pen(kBarLine);
    for (int row = 0; row < tile.rows; ++row)
      for (int column = 0; column < tile.columns; ++column) {
        const bool isHere = row == tile.row && column == tile.column;
        painter_.setBrush(isHere ? style_.palette->secondInk : style_.palette->paper);
        painter_.drawRect(QRectF(at(left + side * column, top - side * row),
                                 at(left + side * (column + 1), top - side * (row + 1)))
                              .normalized());
      }
    painter_.setBrush(Qt::NoBrush);
  }

  QPainter& painter_;
  const PrintJob& print_;
  std::size_t number_;
  const PrintSheet& sheet_;
  const PaintStyle& style_;
  Box room_;
  QTransform toDevice_;
  Lettering letters_;
};

}  // namespace

void paintPrintSheet(QPainter& painter, const PrintJob& print, std::size_t sheet,
                     const QTransform& toDevice, const PaintStyle& style) {
  SheetPainter(painter, print, sheet, toDevice, style).paint();
}

QTransform roomToPaper(const PrintJob& print, std::size_t sheet) {
  const PrintLayout& layout = print.layout;
  QTransform to;
  to.translate(layout.edge,
               print.paperSize(sheet).height() - layout.edge - layout.foot / print.error.along);
  to.scale(1 / print.error.across, -1 / print.error.along);
  return to;
}

PaintStyle trueSizeStyle() { return {&printPalette(), {}, 1.0, 0.0, true}; }

QString turnWords(Turns turns) {
  return turns == Turns::Toward ? Words::tr("fold toward you") : Words::tr("fold away from you");
}

}  // namespace drapery
