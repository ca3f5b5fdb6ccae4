#include "paint/sheet_painter.h"

#include <QPainter>
#include <algorithm>
#include <cmath>
#include <map>
#include <optional>
#include <tuple>

#include "paint/lettering.h"

namespace drapery {

namespace {

// mm of the medium.
constexpr double kName = 3.5;     // letters of a piece's name
constexpr double kFigures = 3.2;  // of its size
constexpr double kNumber = 2.9;   // of a cut
constexpr double kLeast = 2.2;    // what can still be read
constexpr double kInside = 0.9;   // between letters and edge
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
        letters_(painter, look.style.perMm) {}

  void paint() {
    paintDrawing(painter_, sheet_.drawing, toDevice_, look_.style);
    painter_.save();
    painter_.setRenderHint(QPainter::Antialiasing);
    for (const Box& left : sheet_.left) offCut(left);
    for (const SheetDrawing::Piece& piece : sheet_.pieces) lettering(piece);
    if (look_.showsCuts) cuts();
    painter_.restore();
  }

 private:
  [[nodiscard]] double units(double mm) const { return mm * look_.style.perMm; }
  [[nodiscard]] QRectF onDevice(const Box& box) const {
    return toDevice_.mapRect(
        QRectF(QPointF(box.left, box.bottom), QPointF(box.right, box.top)).normalized());
  }
  [[nodiscard]] QPointF onDevice(const Point& at) const {
    return toDevice_.map(QPointF(at.x, at.y));
  }

  /// Measured once: hundreds of pieces have the same names and sizes.
  [[nodiscard]] double widthOf(const QString& text, double mm, bool isBold) {
    const auto [known, isNew] = widths_.try_emplace({text, mm, isBold}, 0.0);
    if (isNew) known->second = units(letters_.widthOf(text, mm, isBold));
    return known->second;
  }
  void write(const QPointF& middle, const QString& text, double mm, bool isBold,
             const QColor& colour) {
    letters_.writeMiddle(middle, text, mm, colour, isBold);
  }

  /// What can be written on a piece: so many names, then figures.
  struct Lines {
    QStringList texts;
    qsizetype names = 1;
  };
  struct Written {
    Lines lines;
    bool isTurned = false;
    double smaller = 1.0;
  };
  /// All, the name in two lines, the name alone.
  static std::vector<Lines> choices(const QStringList& lines) {
    if (lines.isEmpty()) return {};
    const QStringList name = inTwo(lines.front());
    std::vector<Lines> found;
    for (qsizetype count = lines.size(); count > 0; --count) {
      const QStringList figures = lines.mid(1, count - 1);
      found.push_back({lines.mid(0, count), 1});
      if (name.size() > 1) found.push_back({name + figures, name.size()});
    }
    return found;
  }
  /// As evenly as its words allow.
  static QStringList inTwo(const QString& name) {
    const auto longer = [&](qsizetype at) { return std::max(at, name.size() - at - 1); };
    qsizetype best = name.indexOf(' ');
    if (best < 0) return {name};
    for (qsizetype at = best; at >= 0; at = name.indexOf(' ', at + 1))
      if (longer(at) < longer(best)) best = at;
    return {name.left(best), name.mid(best + 1)};
  }

  /// Upright where it fits, else turned along a high piece; smaller before a line is left out.
  void lettering(const SheetDrawing::Piece& piece) {
    const SheetWords words = look_.words(piece.placement);
    const QRectF box = onDevice(piece.box);
    if (words.isPinned) pin(box);
    if (const auto& written = writtenOn(words.lines, box.size()))
      writeLines(*written, box, words.waits ? colours_.secondInk : colours_.ink);
  }
  /// Chosen once: hundreds of pieces are alike.
  const std::optional<Written>& writtenOn(const QStringList& lines, const QSizeF& size) {
    const auto sixteenths = [](double length) { return qRound(16 * length); };
    const auto [known, isNew] =
        written_.try_emplace({lines, sixteenths(size.width()), sixteenths(size.height())});
    if (isNew) known->second = choose(lines, size);
    return known->second;
  }
  std::optional<Written> choose(const QStringList& all, const QSizeF& size) {
    for (const Lines& lines : choices(all))
      for (const bool isTurned : {false, true})
        for (const double smaller : {1.0, 0.85, 0.7})
          if (fits(lines, size, isTurned, smaller)) return Written{lines, isTurned, smaller};
    return std::nullopt;
  }
  [[nodiscard]] double sizeOf(const Lines& lines, qsizetype line, double smaller) const {
    return (line < lines.names ? kName : kFigures) * smaller * look_.letters;
  }
  [[nodiscard]] bool fits(const Lines& lines, const QSizeF& size, bool isTurned, double smaller) {
    const double room = isTurned ? size.height() : size.width();
    const double high = isTurned ? size.width() : size.height();
    double height = units(kInside);
    for (qsizetype i = 0; i < lines.texts.size(); ++i) {
      const double letters = sizeOf(lines, i, smaller);
      height += units(letters * 1.3);
      if (letters < kLeast * look_.letters || height > high) return false;
      if (widthOf(lines.texts[i], letters, i < lines.names) > room - units(2 * kInside))
        return false;
    }
    return true;
  }
  void writeLines(const Written& written, const QRectF& box, const QColor& ink) {
    const auto& [lines, isTurned, smaller] = written;
    double height = 0.0, widest = 0.0;
    for (qsizetype i = 0; i < lines.texts.size(); ++i) {
      const double size = sizeOf(lines, i, smaller);
      height += units(size * 1.3);
      widest = std::max(widest, widthOf(lines.texts[i], size, i < lines.names));
    }
    painter_.save();
    painter_.translate(box.center());
    if (isTurned) painter_.rotate(-90);
    // The hatch stays off the letters.
    QColor ground = colours_.paper;
    ground.setAlpha(210);
    const double edge = units(kInside * 0.7);
    painter_.setPen(Qt::NoPen);
    painter_.setBrush(ground);
    painter_.drawRoundedRect(QRectF(-widest / 2 - edge, -height / 2, widest + 2 * edge, height),
                             edge, edge);
    double top = -height / 2;
    for (qsizetype i = 0; i < lines.texts.size(); ++i) {
      const double size = sizeOf(lines, i, smaller), line = units(size * 1.3);
      write({0, top + line / 2}, lines.texts[i], size, i < lines.names, ink);
      top += line;
    }
    painter_.restore();
  }

  /// In the upper right corner, where no cut begins: a head and its needle.
  void pin(const QRectF& box) {
    constexpr double kOfStrip = 0.22, kLeastPin = 0.3;  // of its narrow side; of the usual
    const double usual = units(kPin * look_.letters);
    const double radius = std::min(usual, kOfStrip * std::min(box.width(), box.height()));
    if (radius < kLeastPin * usual) return;
    const QPointF at = box.topRight() + QPointF(-2 * radius, 2 * radius);
    painter_.setPen(QPen(colours_.ink, std::max(look_.style.leastWidth, units(0.25))));
    painter_.drawLine(at, at + QPointF(-1.6 * radius, 1.6 * radius));
    painter_.setBrush(colours_.accent);
    painter_.drawEllipse(at, radius, radius);
  }

  void offCut(const Box& box) {
    painter_.setPen(
        QPen(colours_.note, std::max(look_.style.leastWidth, units(0.3)), Qt::DashLine));
    painter_.setBrush(Qt::NoBrush);
    const double inside = units(0.7);
    painter_.drawRect(onDevice(box).adjusted(inside, inside, -inside, -inside));
  }

  void cuts() {
    for (const SheetDrawing::Cut& cut : sheet_.cuts) {
      const bool isLit = cut.number == look_.litCut;
      painter_.setPen(QPen(isLit ? colours_.accent : colours_.ink,
                           std::max(look_.style.leastWidth, units(isLit ? kLitLine : kCutLine)),
                           Qt::SolidLine, Qt::FlatCap));
      painter_.drawLine(onDevice(cut.from), onDevice(cut.to));
    }
    // Numbers over all lines, of short ones first: those have the least choice.
    std::vector<SheetDrawing::Cut> byLength = sheet_.cuts;
    const auto length = [](const SheetDrawing::Cut& cut) {
      return std::hypot(cut.to.x - cut.from.x, cut.to.y - cut.from.y);
    };
    std::stable_sort(byLength.begin(), byLength.end(),
                     [&](const auto& a, const auto& b) { return length(a) < length(b); });
    for (const SheetDrawing::Cut& cut : byLength) number(cut);
  }

  /// Near where its line begins, or farther along it or beyond it where other settings' numbers
  /// are; where one of the same setting is so near there, that one does for both.
  void number(const SheetDrawing::Cut& cut) {
    const QString text = QString::number(cut.number);
    const bool isLit = cut.number == look_.litCut;
    const double size = kNumber * look_.letters, half = units(size * 0.72);
    const double radius = std::max(half, widthOf(text, size, true) / 2 + units(0.5));
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
    numbers_.emplace_back(tag, cut.number);
    painter_.setPen(QPen(isLit ? colours_.accent : colours_.secondInk,
                         std::max(look_.style.leastWidth, units(0.22))));
    painter_.setBrush(isLit ? colours_.accent : colours_.paper);
    painter_.drawRoundedRect(tag, units(0.8), units(0.8));
    write(tag.center(), text, size, true, isLit ? colours_.ground : colours_.ink);
  }
  /// Of those written already.
  [[nodiscard]] std::vector<int> numbersUnder(const QRectF& tag) const {
    std::vector<int> covered;
    for (const auto& [at, number] : numbers_)
      if (at.intersects(tag)) covered.push_back(number);
    return covered;
  }

  QPainter& painter_;
  const SheetDrawing& sheet_;
  const QTransform& toDevice_;
  const SheetLook& look_;
  const Palette& colours_;
  Lettering letters_;
  std::map<std::tuple<QString, double, bool>, double> widths_;
  std::map<std::tuple<QStringList, int, int>, std::optional<Written>> written_;
  std::vector<std::pair<QRectF, int>> numbers_;  // of cuts, where they are written
};

}  // namespace

void paintSheet(QPainter& painter, const SheetDrawing& sheet, const QTransform& toDevice,
                const SheetLook& look) {
  SheetPainter(painter, sheet, toDevice, look).paint();
}

}  // namespace drapery
