#include "core/geometry/outline.h"

#include <algorithm>
#include <cmath>
#include <cstddef>

namespace drapery {

namespace {

constexpr double kDust = 1e-6;

/// How far b lies from the line through a and c; 0 when it stands on one of them.
double offLine(const Point& a, const Point& b, const Point& c) {
  const double length = std::hypot(c.x - a.x, c.y - a.y);
  if (length < kDust) return std::hypot(b.x - a.x, b.y - a.y);
  return std::abs((c.x - a.x) * (b.y - a.y) - (c.y - a.y) * (b.x - a.x)) / length;
}

bool isNeeded(const std::vector<Point>& points, std::size_t i) {
  const std::size_t n = points.size();
  const Point& before = points[(i + n - 1) % n];
  const Point& after = points[(i + 1) % n];
  const bool standsTwice = std::hypot(points[i].x - before.x, points[i].y - before.y) < kDust;
  return !standsTwice && offLine(before, points[i], after) >= kDust;
}

}  // namespace

std::vector<Point> tidied(std::vector<Point> outline) {
  for (std::size_t i = 0; i < outline.size() && outline.size() > 2;) {
    if (isNeeded(outline, i)) {
      ++i;
      continue;
    }
    outline.erase(outline.begin() + static_cast<std::ptrdiff_t>(i));
    i = i > 0 ? i - 1 : 0;  // its neighbour may now be needless too
  }
  return outline;
}

std::vector<Point> rectangle(double left, double bottom, double right, double top) {
  return {{left, bottom}, {right, bottom}, {right, top}, {left, top}};
}

Box boundsOf(const std::vector<Point>& points) {
  if (points.empty()) return {};
  Box box{points.front().x, points.front().y, points.front().x, points.front().y};
  for (const Point& p : points)
    box = {std::min(box.left, p.x), std::min(box.bottom, p.y), std::max(box.right, p.x),
           std::max(box.top, p.y)};
  return box;
}

std::vector<Point> mirrored(std::vector<Point> outline, double width) {
  for (Point& point : outline) point.x = width - point.x;
  std::reverse(outline.begin(), outline.end());
  return outline;
}

}  // namespace drapery
