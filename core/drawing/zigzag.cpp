#include "core/drawing/zigzag.h"

#include <algorithm>
#include <cmath>

namespace drapery {

Point Zigzag::fold(int i) const {
  const double up = std::sqrt(std::max(0.0, panel * panel - across * across));
  return {first.x + i * across, first.y + (i % 2 == 0 ? 0.0 : up)};
}

std::vector<Point> Zigzag::along(int index, double side, double off, double thick,
                                 double share) const {
  const Point a = fold(index), b = fold(index + 1);
  const Point u{(b.x - a.x) / panel, (b.y - a.y) / panel};
  const Point n{-u.y * side, u.x * side};
  const double in = panel * (1 - share) / 2;
  const auto at = [&](double far, double out) {
    return Point{a.x + u.x * far + n.x * out, a.y + u.y * far + n.y * out};
  };
  return {at(in, off), at(panel - in, off), at(panel - in, off + thick), at(in, off + thick)};
}

}  // namespace drapery
