#include "paint/piece_words.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

namespace drapery {

namespace {

// mm of the medium.
constexpr double kName = 3.5;     // letters of a piece's name
constexpr double kFigures = 3.2;  // of its size
constexpr double kLeast = 2.2;    // what can still be read
constexpr double kInside = 0.9;   // between letters and edge
constexpr double kLine = 1.3;     // of its letters
constexpr std::array kSmaller{1.0, 0.85, 0.7};
// How much worse it is read: smaller so, turned, the name in two lines.
constexpr std::array kWorseSmaller{0.0, 1.0, 3.0};
constexpr double kWorseTurned = 1.75, kWorseInTwo = 1.2;

/// As it lies on the piece.
QSizeF extentOf(const PieceWords::Written& written) {
  return written.isTurned ? written.extent.transposed() : written.extent;
}

QRectF around(const QPointF& middle, const QSizeF& size) {
  return {middle.x() - size.width() / 2, middle.y() - size.height() / 2, size.width(),
          size.height()};
}

}  // namespace

/// All, the name in two lines, the name alone.
std::vector<PieceWords::Choice> PieceWords::choices(const QStringList& lines) {
  if (lines.isEmpty()) return {};
  const QStringList name = inTwo(lines.front());
  std::vector<Choice> found;
  for (qsizetype count = lines.size(); count > 0; --count) {
    found.push_back({lines.mid(0, count), 1, count});
    if (name.size() > 1) found.push_back({name + lines.mid(1, count - 1), name.size(), count});
  }
  return found;
}

/// As evenly as its words allow; where a dot parts them rather there, and it is gone.
QStringList PieceWords::inTwo(const QString& name) {
  static const QString kDot = " · ";
  constexpr double kRather = 0.8;
  QStringList best{name};
  double least = std::numeric_limits<double>::infinity();
  for (qsizetype at = name.indexOf(' '); at >= 0; at = name.indexOf(' ', at + 1)) {
    const bool isDot = name.mid(at, kDot.size()) == kDot;
    const QStringList parts{name.left(at), name.mid(at + (isDot ? kDot.size() : 1))};
    const double longer =
        double(std::max(parts[0].size(), parts[1].size())) * (isDot ? kRather : 1.0);
    if (longer >= least || parts[0].endsWith(kDot.trimmed())) continue;
    least = longer;
    best = parts;
  }
  return best;
}

double PieceWords::widthOf(const QString& text, double mm, bool isBold) {
  const auto [known, isNew] = widths_.try_emplace({text, mm, isBold}, 0.0);
  if (isNew) known->second = units(lettering_.widthOf(text, mm, isBold));
  return known->second;
}

PieceWords::Written PieceWords::written(const Choice& choice, bool isTurned, double smaller) {
  Written found;
  found.extent = QSizeF(0, 0);
  found.told = choice.told;
  found.isTurned = isTurned;
  for (qsizetype i = 0; i < choice.texts.size(); ++i) {
    const bool isName = i < choice.names;
    const double size = (isName ? kName : kFigures) * smaller * letters_;
    found.lines.push_back({choice.texts[i], size, isName});
    found.extent.rheight() += units(kLine * size);
    found.extent.rwidth() = std::max(found.extent.width(), widthOf(choice.texts[i], size, isName));
  }
  return found;
}

bool PieceWords::fits(const Written& written, const QSizeF& size) const {
  const QSizeF room = written.isTurned ? size.transposed() : size;
  return std::all_of(written.lines.begin(), written.lines.end(),
                     [&](const Line& line) { return line.size >= kLeast * letters_; }) &&
         written.extent.width() <= room.width() - units(2 * kInside) &&
         written.extent.height() <= room.height() - units(kInside);
}

const std::vector<PieceWords::Written>& PieceWords::allOn(const QStringList& lines,
                                                          const QSizeF& size) {
  const auto sixteenths = [](double length) { return qRound(16 * length); };
  const auto [known, isNew] =
      written_.try_emplace({lines, sixteenths(size.width()), sixteenths(size.height())});
  if (!isNew) return known->second;
  std::vector<std::pair<double, Written>> found;
  for (const Choice& choice : choices(lines))
    for (const bool isTurned : {false, true})
      for (std::size_t i = 0; i < kSmaller.size(); ++i) {
        Written each = written(choice, isTurned, kSmaller[i]);
        const double worse = kWorseSmaller[i] + (isTurned ? kWorseTurned : 0.0) +
                             (choice.names > 1 ? kWorseInTwo : 0.0);
        if (fits(each, size)) found.emplace_back(worse, std::move(each));
      }
  std::stable_sort(found.begin(), found.end(), [](const auto& a, const auto& b) {
    return std::pair(-a.second.told, a.first) < std::pair(-b.second.told, b.first);
  });
  for (auto& [worse, each] : found) known->second.push_back(std::move(each));
  return known->second;
}

std::optional<QPointF> PieceWords::freePlace(const Written& written, const QRectF& box,
                                             const std::vector<QRectF>& taken) const {
  if (taken.empty()) return box.center();
  const QSizeF extent = extentOf(written);
  const double inside = units(kInside) / 2;
  const double across = std::max(0.0, (box.width() - extent.width()) / 2 - inside);
  const double along = std::max(0.0, (box.height() - extent.height()) / 2 - inside);
  constexpr std::array kAway{0.0, -0.5, 0.5, -1.0, 1.0};
  std::vector<std::pair<double, QPointF>> places;
  for (const double x : kAway)
    for (const double y : kAway)
      places.emplace_back(std::hypot(x * across, y * along),
                          box.center() + QPointF(x * across, y * along));
  std::stable_sort(places.begin(), places.end(),
                   [](const auto& a, const auto& b) { return a.first < b.first; });
  for (const auto& [away, middle] : places) {
    const QRectF lies = around(middle, extent);
    if (std::none_of(taken.begin(), taken.end(),
                     [&](const QRectF& each) { return each.intersects(lies); }))
      return middle;
  }
  return std::nullopt;
}

std::optional<PieceWords::Written> PieceWords::on(const QStringList& lines, const QRectF& box,
                                                  const std::vector<QRectF>& taken) {
  for (const Written& each : allOn(lines, box.size())) {
    const auto middle = freePlace(each, box, taken);
    if (!middle) continue;
    Written found = each;
    found.middle = *middle;
    return found;
  }
  return std::nullopt;
}

PieceWords::Written PieceWords::mark(const QString& text, const QRectF& box,
                                     const std::vector<QRectF>& taken) {
  Written found;
  for (const double smaller : kSmaller) {
    found = written({{text}, 1, 0}, false, smaller);
    found.middle = freePlace(found, box, taken).value_or(box.center());
    if (fits(found, box.size())) break;
  }
  return found;
}

}  // namespace drapery
