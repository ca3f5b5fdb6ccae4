#include "core/geometry/hatch.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/geometry/outline.h"

namespace drapery {

namespace {

constexpr double kMostLines = 20000;  // a finer hatch would be a grey, and take for ever

/// Turned so that the lines run along x.
class Turned {
 public:
  Turned(double degrees, Point origin)
      : cosine_(std::cos(degrees * std::numbers::pi / 180)),
        sine_(std::sin(degrees * std::numbers::pi / 180)),
        origin_(origin) {}
  [[nodiscard]] Point in(Point p) const {
    const double x = p.x - origin_.x, y = p.y - origin_.y;
    return {cosine_ * x + sine_ * y, cosine_ * y - sine_ * x};
  }
  [[nodiscard]] Point out(double x, double y) const {
    return {origin_.x + cosine_ * x - sine_ * y, origin_.y + sine_ * x + cosine_ * y};
  }

 private:
  double cosine_, sine_;
  Point origin_;
};

/// Where the line at height y enters and leaves the outline, in order.
void crossings(const std::vector<Point>& outline, double y, std::vector<double>& at) {
  at.clear();
  for (std::size_t i = 0; i < outline.size(); ++i) {
    const Point& a = outline[i];
    const Point& b = outline[(i + 1) % outline.size()];
    if ((a.y <= y) != (b.y <= y)) at.push_back(a.x + (b.x - a.x) * (y - a.y) / (b.y - a.y));
  }
  std::sort(at.begin(), at.end());
}

/// The dashes between two ends.
template <class Add>
void dashes(double from, double to, const HatchLines& lines, const Add& add) {
  if (lines.dash <= 0.0) return add(from, to);
  const double period = lines.dash + lines.gap;
  double begin = lines.start + std::floor((from - lines.start) / period) * period;
  for (; begin < to; begin += period) {
    const double a = std::max(from, begin), b = std::min(to, begin + lines.dash);
    if (a < b) add(a, b);
  }
}

}  // namespace

Segments hatched(const std::vector<Point>& outline, const HatchLines& lines, Point origin,
                 const Box& window) {
  Segments segments;
  if (outline.size() < 3 || lines.spacing <= 0.0) return segments;
  const Turned turned(lines.angle, origin);
  std::vector<Point> shape;
  for (const Point& p : outline) shape.push_back(turned.in(p));
  std::vector<Point> corners;
  for (const Point& p : {Point{window.left, window.bottom}, Point{window.right, window.bottom},
                         Point{window.right, window.top}, Point{window.left, window.top}})
    corners.push_back(turned.in(p));
  const Box box = boundsOf(shape), seen = boundsOf(corners);
  const double low = std::max(box.bottom, seen.bottom), high = std::min(box.top, seen.top);
  if ((high - low) / lines.spacing > kMostLines) return segments;
  std::vector<double> at, sight;
  const double first = lines.shift + std::ceil((low - lines.shift) / lines.spacing) * lines.spacing;
  for (double y = first; y < high; y += lines.spacing) {
    crossings(shape, y, at);
    crossings(corners, y, sight);
    if (sight.size() != 2) continue;
    for (std::size_t i = 0; i + 1 < at.size(); i += 2) {
      const double from = std::max(at[i], sight[0]), to = std::min(at[i + 1], sight[1]);
      if (from < to)
        dashes(from, to, lines, [&](double a, double b) {
          segments.emplace_back(turned.out(a, y), turned.out(b, y));
        });
    }
  }
  return segments;
}

}  // namespace drapery
