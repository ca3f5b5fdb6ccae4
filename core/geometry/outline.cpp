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

/// Above 0 when c lies to the left of the way from a to b.
double turnOf(const Point& a, const Point& b, const Point& c) {
  return (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
}

bool overlaps(double a, double b, double c, double d) {
  return std::max(std::min(a, b), std::min(c, d)) <= std::min(std::max(a, b), std::max(c, d));
}

/// Two sides that share no corner: whether they have a point in common.
bool meet(const Point& a, const Point& b, const Point& c, const Point& d) {
  if (!overlaps(a.x, b.x, c.x, d.x) || !overlaps(a.y, b.y, c.y, d.y)) return false;
  const double c1 = turnOf(a, b, c), d1 = turnOf(a, b, d), a1 = turnOf(c, d, a),
               b1 = turnOf(c, d, b);
  return c1 * d1 <= 0.0 && a1 * b1 <= 0.0;
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

bool crossesItself(const std::vector<Point>& outline) {
  const std::size_t n = outline.size();
  const auto at = [&](std::size_t i) -> const Point& { return outline[i % n]; };
  for (std::size_t i = 0; i < n; ++i) {
    // Back along the side before it.
    const bool isBack = n > 2 && std::abs(turnOf(at(i), at(i + 1), at(i + 2))) < kDust &&
                        (at(i + 1).x - at(i).x) * (at(i + 2).x - at(i + 1).x) +
                                (at(i + 1).y - at(i).y) * (at(i + 2).y - at(i + 1).y) <
                            0.0;
    if (isBack) return true;
    for (std::size_t k = i + 2; k < n && k < i + n - 1; ++k)
      if (meet(at(i), at(i + 1), at(k), at(k + 1))) return true;
  }
  return false;
}

bool isWithin(const std::vector<Point>& outline, const Box& box) {
  return std::all_of(outline.begin(), outline.end(), [&](const Point& p) {
    return p.x >= box.left - kDust && p.x <= box.right + kDust && p.y >= box.bottom - kDust &&
           p.y <= box.top + kDust;
  });
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

bool isHalfOf(const std::vector<Point>& outline, double width, double height) {
  if (outline.size() < 3 || !(width > 0 && height > 0)) return false;
  const double slack = 1e-6 * (width + height);
  // How far a point is from one diagonal, and from the other, on either side.
  const auto stays = [&](bool isRising, double side) {
    return std::all_of(outline.begin(), outline.end(), [&](const Point& p) {
      const double y = isRising ? p.y : height - p.y;
      return side * (p.x * height - y * width) <= slack * std::max(width, height);
    });
  };
  return stays(true, 1.0) || stays(true, -1.0) || stays(false, 1.0) || stays(false, -1.0);
}

}  // namespace drapery
