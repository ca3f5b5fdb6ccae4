#include "core/geometry/placement.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace drapery {

namespace {

/// Exact for quarter turns, so that a piece turned over lies where it is said to the last digit.
struct Turn {
  double cosine, sine;
  explicit Turn(double degrees) {
    constexpr double kQuarter = 90.0, kHalf = 180.0;
    const double quarters = degrees / kQuarter;
    cosine = std::cos(degrees * std::numbers::pi / kHalf);
    sine = std::sin(degrees * std::numbers::pi / kHalf);
    if (quarters == std::floor(quarters)) {
      cosine = std::round(cosine);
      sine = std::round(sine);
    }
  }
  [[nodiscard]] Point of(const Point& p) const {
    return {cosine * p.x - sine * p.y, sine * p.x + cosine * p.y};
  }
};

std::vector<Point> turned(std::vector<Point> points, const Placement& placement) {
  const Turn turn(placement.turn);
  for (Point& p : points) p = turn.of({placement.isMirrored ? -p.x : p.x, p.y});
  return points;
}

}  // namespace

std::vector<Point> placed(const std::vector<Point>& points, const std::vector<Point>& outline,
                          const Placement& placement) {
  std::vector<Point> lying = turned(points, placement);
  const std::vector<Point> around = turned(outline, placement);
  if (around.empty()) return lying;
  Point corner = around.front();
  for (const Point& p : around) corner = {std::min(corner.x, p.x), std::min(corner.y, p.y)};
  for (Point& p : lying) p = {placement.at.x + (p.x - corner.x), placement.at.y + (p.y - corner.y)};
  return lying;
}

std::vector<Point> placedOutline(const std::vector<Point>& outline, const Placement& placement) {
  std::vector<Point> lying = placed(outline, outline, placement);
  if (placement.isMirrored) std::reverse(lying.begin(), lying.end());
  return lying;
}

}  // namespace drapery
