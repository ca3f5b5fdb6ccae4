#include "core/geometry/arc.h"

#include <cmath>
#include <limits>

namespace drapery {

namespace {
constexpr double kPi = 3.14159265358979323846;
constexpr double kDegrees = 180.0 / kPi;
const double kNone = std::numeric_limits<double>::quiet_NaN();

bool isSegment(Length span, Length depth) {
  return span > Length() && depth >= Length() && depth.mm() <= span.mm() / 2 * (1 + 1e-12);
}
}  // namespace

Length arcRadius(Length span, Length depth) {
  if (!isSegment(span, depth)) return Length::fromMm(kNone);
  const double half = span.mm() / 2;
  const double rise = depth.mm();
  return Length::fromMm((half * half + rise * rise) / (2 * rise));
}

double arcAngle(Length span, Length depth) {
  if (!isSegment(span, depth)) return kNone;
  return 4 * std::atan2(2 * depth.mm(), span.mm()) * kDegrees;
}

Length arcLength(Length span, Length depth) {
  if (!isSegment(span, depth)) return Length::fromMm(kNone);
  if (depth == Length()) return span;
  return arcRadius(span, depth) * (arcAngle(span, depth) / kDegrees);
}

Length linedArc(Length span, Length depth, Length lining) {
  return arcLength(span, depth) + lining * (arcAngle(span, depth) / kDegrees);
}

Length arcDepth(Length span, double fraction) {
  if (!(span > Length()) || !(fraction >= 0.0 && fraction <= 0.5)) return Length::fromMm(kNone);
  const double halfAngle = fraction * kPi;
  return span / 2 * std::tan(halfAngle / 2);
}

Length depthOfLinedArc(Length span, Length arc, Length lining) {
  constexpr double kMet = 1e-12;
  Length shallow, deep = span / 2;
  const double dust = 1e-9;
  if (!(span > Length()) || !(arc.mm() >= span.mm() - dust) ||
      !(arc.mm() <= linedArc(span, deep, lining).mm() + dust))
    return Length::fromMm(kNone);
  while (deep.mm() - shallow.mm() > kMet * span.mm()) {  // the arc only grows with the depth
    const Length middle = (shallow + deep) / 2;
    if (middle == shallow || middle == deep) break;
    (linedArc(span, middle, lining) < arc ? shallow : deep) = middle;
  }
  return (shallow + deep) / 2;
}

std::vector<Point> arcPoints(Length span, Length depth) {
  const double angle = arcAngle(span, depth);
  if (std::isnan(angle)) return {};
  const double c = span.mm(), r = depth.mm();
  if (r <= 0.0) return {{0.0, c / 2}, {0.0, -c / 2}};
  constexpr double kStep = 3.0;
  const int steps =
      2 * std::max(1, static_cast<int>(std::ceil(angle / (2 * kStep))));  // over the crown
  const double radius = arcRadius(span, depth).mm();
  std::vector<Point> points;
  for (int i = 0; i <= steps; ++i) {
    const double turn = (0.5 - static_cast<double>(i) / steps) * angle * kPi / 180.0;
    points.push_back({(radius - r) - radius * std::cos(turn), radius * std::sin(turn)});
  }
  return points;
}

std::vector<Point> arcPointsOff(Length span, Length depth, Length off) {
  std::vector<Point> arc = arcPoints(span, depth);
  if (depth <= Length()) {
    for (Point& p : arc) p.x -= off.mm();
    return arc;
  }
  const double middle = arcRadius(span, depth).mm() - depth.mm();
  for (Point& p : arc) {
    const double x = p.x - middle, far = std::hypot(x, p.y);
    p = {middle + x * (far + off.mm()) / far, p.y * (far + off.mm()) / far};
  }
  return arc;
}

}  // namespace drapery
