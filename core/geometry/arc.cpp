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

}  // namespace drapery
