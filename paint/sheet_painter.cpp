#include "paint/sheet_painter.h"

#include <QPainter>
#include <algorithm>
#include <cmath>
#include <map>
#include <optional>

#include "paint/lettering.h"
#include "paint/piece_words.h"

namespace drapery {

namespace {

// mm of the medium.
constexpr double kNumber = 2.9;   // letters of a cut
constexpr double kGround = 0.63;  // around a piece's letters
constexpr double kCutLine = 0.34;
constexpr double kLitLine = 0.75;
constexpr double kPin = 1.1;  // a pin's head

class SheetPainter {
 public:
  SheetPainter(QPainter& painter, const SheetDrawing& sheet, const QTransform& toDevice,
               const SheetLook& look)
      : painter_(painter),
        sheet_(sheet),
        toDevice_(toDevice),
        look_(look),
        colours_(*look.style.palette),
        letters_(painter, look.style.perMm),
        words_(letters_, look.style.perMm, look.letters) {
    if (look_.showsCuts) placeNumbers();
  }

  void paint() {
    paintDrawing(painter_, sheet_.drawing, toDevice_, look_.style);
    painter_.save();
    painter_.setRenderHint(QPainter::Antialiasing);
    for (const Box& left : sheet_.left) offCut(left);
    for (const SheetDrawing::Piece& piece : sheet_.pieces) lettering(piece);
    cuts();
    marks();
    for (const Number& each : numbers_) number(each);
    painter_.restore();
  }
  [[nodiscard]] std::vector<qsizetype> linesTold() {
    std::vector<qsizetype> told;
    for (const SheetDrawing::Piece& piece : sheet_.pieces) {
      const QRectF box = onDevice(piece.box);
      const SheetWords words = look_.words(piece.placement);
      const auto written = words_.on(words.lines, box, takenOf(box, words.isPinned));
      told.push_back(written ? written->told : 0);
    }
    return told;
  }

 private:
  struct Number {
    QRectF tag;
    int number = 0;
  };

  [[nodiscard]] double units(double mm) const { return mm * look_.style.perMm; }
  [[nodiscard]] QRectF onDevice(const Box& box) const {
    return toDevice_.mapRect(
        QRectF(QPointF(box.left, box.bottom), QPointF(box.right, box.top)).normalized());
  }
  [[nodiscard]] QPointF onDevice(const Point& at) const {
    return toDevice_.map(QPointF(at.x, at.y));
  }

  void write(const QPointF& middle, const QString& text, double mm, bool isBold,
             const QColor& colour) {
    letters_.writeMiddle(middle, text, mm, colour, isBold);
  }

  /// What stands on a piece besides its words.
  [[nodiscard]] std::vector<QRectF> takenOf(const QRectF& box, bool isPinned) const {
    std::vector<QRectF> taken;
    for (const Number& each : numbers_)
      if (each.tag.intersects(box)) taken.push_back(each.tag);
    const QRectF pin = pinOf(box);
    if (isPinned && !pin.isEmpty()) taken.push_back(pin);
    return taken;
  }
  void lettering(const SheetDrawing::Piece& piece) {
    const SheetWords words = look_.words(piece.placement);
    const QRectF box = onDevice(piece.box);
    if (words.isPinned) pin(box);
    const std::vector<QRectF> taken = takenOf(box, words.isPinned);
    const QColor& ink = words.waits ? colours_.secondInk : colours_.ink;
    if (const auto written = words_.on(words.lines, box, taken)) return writeLines(*written, ink);
    if (!words.mark.isEmpty()) {
      marks_.emplace_back(words_.mark(words.mark, box, taken), ink);
      return;
    }
    if (const auto written = words_.on(words.lines, box, {})) writeLines(*written, ink);
  }
  /// Over all lines; on strips narrower than a letter one does for those beside it.
  void marks() {
    std::vector<std::pair<QRectF, QString>> done;
    for (const auto& [mark, ink] : marks_) {
      const QString& text = mark.lines.front().text;
      const double edge = units(kGround);
      QRectF place({}, mark.extent + QSizeF(2 * edge, 0));
      place.moveCenter(mark.middle);
      const bool isThere = std::any_of(done.begin(), done.end(), [&](const auto& each) {
        return each.second == text && each.first.intersects(place);
      });
      if (isThere) continue;
      done.emplace_back(place, text);
      writeLines(mark, ink);
    }
  }
  void writeLines(const PieceWords::Written& written, const QColor& ink) {
    const double widest = written.extent.width(), height = written.extent.height();
    painter_.save();
    painter_.translate(written.middle);
    if (written.isTurned) painter_.rotate(-90);
    // The hatch stays off the letters.
    QColor ground = colours_.paper;
    ground.setAlpha(210);
    const double edge = units(kGround);
    painter_.setPen(Qt::NoPen);
    painter_.setBrush(ground);
    painter_.drawRoundedRect(QRectF(-widest / 2 - edge, -height / 2, widest + 2 * edge, height),
                             edge, edge);
    double top = -height / 2;
    for (const PieceWords::Line& line : written.lines) {
      const double share = height * line.size / sizes(written);
      write({0, top + share / 2}, line.text, line.size, line.isName, ink);
      top += share;
    }
    painter_.restore();
  }
  static double sizes(const PieceWords::Written& written) {
    double sum = 0.0;
    for (const PieceWords::Line& line : written.lines) sum += line.size;
    return sum;
  }

  /// In the upper right corner, where no cut begins; empty where there is no room.
  [[nodiscard]] QRectF pinOf(const QRectF& box) const {
    constexpr double kOfStrip = 0.22, kLeastPin = 0.3;  // of its narrow side; of the usual
    const double usual = units(kPin * look_.letters);
    const double radius = std::min(usual, kOfStrip * std::min(box.width(), box.height()));
    if (radius < kLeastPin * usual) return {};
    return {box.right() - 3 * radius, box.top() + radius, 2 * radius, 2 * radius};
  }
  /// A head and its needle.
  void pin(const QRectF& box) {
    const QRectF head = pinOf(box);
    if (head.isEmpty()) return;
    const double reach = 0.8 * head.width();
    painter_.setPen(QPen(colours_.ink, std::max(look_.style.leastWidth, units(0.25))));
    painter_.drawLine(head.center(), head.center() + QPointF(-reach, reach));
    painter_.setBrush(colours_.accent);
    painter_.drawEllipse(head);
  }

  void offCut(const Box& box) {
    painter_.setPen(
        QPen(colours_.note, std::max(look_.style.leastWidth, units(0.3)), Qt::DashLine));
    painter_.setBrush(Qt::NoBrush);
    const double inside = units(0.7);
    painter_.drawRect(onDevice(box).adjusted(inside, inside, -inside, -inside));
  }

  void cuts() {
    if (!look_.showsCuts) return;
    for (const SheetDrawing::Cut& cut : sheet_.cuts) {
      const bool isLit = cut.number == look_.litCut;
      painter_.setPen(QPen(isLit ? colours_.accent : colours_.ink,
                           std::max(look_.style.leastWidth, units(isLit ? kLitLine : kCutLine)),
                           Qt::SolidLine, Qt::FlatCap));
      painter_.drawLine(onDevice(cut.from), onDevice(cut.to));
    }
  }
  void number(const Number& each) {
    const bool isLit = each.number == look_.litCut;
    painter_.setPen(QPen(isLit ? colours_.accent : colours_.secondInk,
                         std::max(look_.style.leastWidth, units(0.22))));
    painter_.setBrush(isLit ? colours_.accent : colours_.paper);
    painter_.drawRoundedRect(each.tag, units(0.8), units(0.8));
    write(each.tag.center(), QString::number(each.number), kNumber * look_.letters, true,
          isLit ? colours_.ground : colours_.ink);
  }

  /// Of short lines first: those have the least choice.
  void placeNumbers() {
    std::vector<SheetDrawing::Cut> byLength = sheet_.cuts;
    const auto length = [](const SheetDrawing::Cut& cut) {
      return std::hypot(cut.to.x - cut.from.x, cut.to.y - cut.from.y);
    };
    std::stable_sort(byLength.begin(), byLength.end(),
                     [&](const auto& a, const auto& b) { return length(a) < length(b); });
    for (const SheetDrawing::Cut& cut : byLength) placeNumber(cut);
  }
  /// Near where its line begins, or farther along it or beyond it where other settings' numbers
  /// are; where one of the same setting is so near there, that one does for both.
  void placeNumber(const SheetDrawing::Cut& cut) {
    const double size = kNumber * look_.letters, half = units(size * 0.72);
    const auto [wide, isNew] = numberWidths_.try_emplace(cut.number, 0.0);
    if (isNew) wide->second = letters_.widthOf(QString::number(cut.number), size, true);
    const double radius = std::max(half, units(wide->second / 2 + 0.5));
    const QPointF from = onDevice(cut.from), to = onDevice(cut.to);
    const double length = std::hypot(to.x() - from.x(), to.y() - from.y());
    if (length < 2.2 * radius) return;
    const auto tagAt = [&](double along) {
      const QPointF at = from + (to - from) * (along / length);
      return QRectF(at.x() - radius, at.y() - half, 2 * radius, 2 * half);
    };
    const double first = std::min(0.5 * length, 1.3 * radius), step = 2.2 * half;
    const double beyond = 1.1 * radius;
    constexpr std::size_t kMostPlaces = 12;  // of thousands of cuts that is enough to look at
    std::vector<double> places;
    for (double along = first; along <= length - first && places.size() < kMostPlaces;
         along += step)
      places.push_back(along);
    places.insert(places.end(), {length + beyond, -beyond});
    QRectF tag = tagAt(first);
    for (const double along : places) {
      const std::vector<int> covered = numbersUnder(tagAt(along));
      if (std::count(covered.begin(), covered.end(), cut.number) > 0) return;
      if (!covered.empty()) continue;
      tag = tagAt(along);
      break;
    }
    numbers_.push_back({tag, cut.number});
  }
  /// Of those that have their place.
  [[nodiscard]] std::vector<int> numbersUnder(const QRectF& tag) const {
    std::vector<int> covered;
    for (const Number& each : numbers_)
      if (each.tag.intersects(tag)) covered.push_back(each.number);
    return covered;
  }

  QPainter& painter_;
  const SheetDrawing& sheet_;
  const QTransform& toDevice_;
  const SheetLook& look_;
  const Palette& colours_;
  Lettering letters_;
  PieceWords words_;
  std::vector<std::pair<PieceWords::Written, QColor>> marks_;  // to stand on pieces
  std::vector<Number> numbers_;                                // of cuts
  std::map<int, double> numberWidths_;
};

}  // namespace

void paintSheet(QPainter& painter, const SheetDrawing& sheet, const QTransform& toDevice,
                const SheetLook& look) {
  SheetPainter(painter, sheet, toDevice, look).paint();
}

std::vector<qsizetype> linesTold(QPainter& painter, const SheetDrawing& sheet,
                                 const QTransform& toDevice, const SheetLook& look) {
  return SheetPainter(painter, sheet, toDevice, look).linesTold();
}

}  // namespace drapery
