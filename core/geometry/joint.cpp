#include "core/geometry/joint.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace drapery {

namespace {

constexpr double kPi = 3.14159265358979323846;
const double kNone = std::numeric_limits<double>::quiet_NaN();

struct Tangent {
  double length;  // from the point to where it touches the rod
  double angle;   // at the rod's centre, from the floor's contact (straight down) to that touch
};

/// The tangent that passes under a circle of radius r standing on the floor, from a point at height
/// `height` and `across` to one side of the centre. Its angle is the point's direction less that of
/// the touch, taken as one: the tangents' formula saves a turn through the cosine.
Tangent tangentUnder(double across, double height, double r) {
  const double rise = height - r;
  const double reach = std::sqrt(std::max(0.0, across * across + rise * rise - r * r));
  const double angle = std::atan2(across * r + rise * reach, across * reach - rise * r);
  return {reach, std::max(0.0, angle)};
}

struct Path {
  double length;
  double slope;  // what it grows by with the set-back
};

/// Slope: an end that moves away by d pulls out d times the cosine of its tangent; a rod that grows
/// with the groove takes up, on each side, its angle less that angle's sine.
Path pathUnderRod(double setback, double edge, double board, double rod) {
  const double climb = std::max(0.0, -edge);  // below the floor: climbs to the spine edge first
  const double start = std::max(0.0, edge);
  const double r = std::min(rod, setback) / 2;
  if (r <= 0.0) return {climb + start + board, 0.0};
  const Tangent from = tangentUnder(setback / 2, start, r);
  const Tangent to = tangentUnder(setback / 2, board, r);
  const double length = climb + from.length + to.length + r * (from.angle + to.angle);
  double slope = (std::cos(from.angle) + std::cos(to.angle)) / 2;
  if (setback < rod)
    slope += (from.angle - std::sin(from.angle) + to.angle - std::sin(to.angle)) / 2;
  return {length, slope};
}

/// The set-back in [0, length] whose path has the length: Newton's steps, kept between bounds that
/// close in, since the slope jumps where the rod begins to fit.
double setbackOfPath(double length, double edge, double board, double rod) {
  constexpr double kMet = 1e-12;
  double low = 0.0, high = length;
  double setback = length / 2;
  for (int i = 0; i < 200; ++i) {
    const Path path = pathUnderRod(setback, edge, board, rod);
    const double excess = path.length - length;
    if (std::abs(excess) < kMet) return setback;
    (excess > 0.0 ? high : low) = setback;
    double next = setback - excess / path.slope;
    if (!(next > low && next < high)) next = (low + high) / 2;
    if (next == setback || high - low < kMet) break;
    setback = next;
  }
  return setback;
}

}  // namespace

Length gapTaut(const Joint& joint) {
  return Length::fromMm(
      std::hypot((joint.setback + joint.stiffener).mm(), (joint.board - joint.edgeHeight).mm()));
}

Length gapToOpen(const Joint& joint) {
  const double j = joint.setback.mm();
  const double t = joint.stiffener.mm();
  const double e = joint.edgeHeight.mm();
  const double b = joint.board.mm();
  return Length::fromMm(std::hypot(j - t, b + e));
}

Length gapFormed(const Joint& joint, Length rod) {
  if (!(joint.setback >= Length()) || !(rod > Length())) return Length::fromMm(kNone);
  return joint.stiffener + Length::fromMm(pathUnderRod(joint.setback.mm(), joint.edgeHeight.mm(),
                                                       joint.board.mm(), rod.mm())
                                              .length);
}

std::vector<Point> formedPath(const Joint& joint, Length rod) {
  const double j = joint.setback.mm();
  const double e = joint.edgeHeight.mm();
  const double b = joint.board.mm();
  if (!(j >= 0.0) || !(rod > Length())) return {};
  std::vector<Point> path{{-joint.stiffener.mm(), e}, {0.0, e}};
  if (e < 0.0) path.push_back({0.0, 0.0});
  const double r = std::min(rod.mm(), j) / 2;
  if (r > 0.0) {
    const double from = tangentUnder(j / 2, std::max(0.0, e), r).angle;
    const double to = tangentUnder(j / 2, b, r).angle;
    constexpr double kStep = kPi / 60;
    const int steps = std::max(1, static_cast<int>(std::ceil((from + to) / kStep)));
    for (int i = 0; i <= steps; ++i) {
      const double angle = -from + (from + to) * i / steps;  // from straight down, toward the board
      path.push_back({j / 2 + r * std::sin(angle), r - r * std::cos(angle)});
    }
  } else {
    path.push_back({0.0, 0.0});
  }
  path.push_back({j, b});
  return path;
}

Length gapPressed(const Joint& joint) {
  if (!(joint.setback >= Length())) return Length::fromMm(kNone);
  return joint.stiffener + Length::fromMm(std::abs(joint.edgeHeight.mm())) + joint.setback +
         joint.board;
}

double openingAngle(const Joint& joint, Length gap) {
  const double j = joint.setback.mm();
  const double t = joint.stiffener.mm();
  const double e = joint.edgeHeight.mm();
  const double b = joint.board.mm();
  const double taut = gapTaut(joint).mm();
  if (!(gap.mm() >= taut - kTautDust.mm())) return std::isnan(taut + gap.mm()) ? kNone : 0.0;
  const double arris = std::hypot(j, b);
  const double start = std::hypot(t, e);
  if (gap.mm() >= arris + start) return 180.0;  // never pulls, whichever way it points
  if (j >= 0.0 && gap.mm() >= gapToOpen(joint).mm() - 1e-9) return 180.0;
  double away = std::atan2(e, -t) - std::atan2(b, j);
  if (away < 0.0 && e < 0.0) away += 2 * kPi;
  // The law of cosines by the half angle, which keeps its figures where the three lie in a line.
  const double less = std::abs(arris - start), more = arris + start;
  const double pull =
      2 * std::atan2(std::sqrt(std::max(0.0, (gap.mm() - less) * (gap.mm() + less))),
                     std::sqrt((more - gap.mm()) * (more + gap.mm())));
  return std::clamp((away + pull) * 180.0 / kPi, 0.0, 180.0);
}

Length setbackForGap(const Joint& joint, Length gap, Length rod) {
  Joint at = joint;
  at.setback = Length();
  const double least = gapFormed(at, rod).mm();
  if (!(gap.mm() >= least - 1e-12)) return Length::fromMm(kNone);
  return Length::fromMm(setbackOfPath((gap - joint.stiffener).mm(), joint.edgeHeight.mm(),
                                      joint.board.mm(), rod.mm()));
}

Length setbackForTautGap(const Joint& joint, Length gap) {
  const double rise = std::abs((joint.board - joint.edgeHeight).mm());
  if (!((gap + kTautDust).mm() >= rise)) return Length::fromMm(kNone);
  const double run = std::sqrt(std::max(0.0, gap.mm() * gap.mm() - rise * rise));
  return Length::fromMm(run) - joint.stiffener;
}

Length aroundEdge(Length board, Length covering) { return board + covering * (kPi / 2); }

}  // namespace drapery
