#include "core/geometry/turned_cover.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace drapery {

namespace {

constexpr int kRoundings = 3;

double lengthOf(const std::vector<Point>& path) {
  double length = 0.0;
  for (std::size_t i = 1; i < path.size(); ++i)
    length += std::hypot(path[i].x - path[i - 1].x, path[i].y - path[i - 1].y);
  return length;
}

Point between(const Point& a, const Point& b, double part) {
  return {a.x + part * (b.x - a.x), a.y + part * (b.y - a.y)};
}

/// The path drawn towards its own chord: 0 the chord, 1 the path.
std::vector<Point> drawnIn(const std::vector<Point>& path, double part) {
  const double whole = lengthOf(path);
  std::vector<Point> drawn;
  double along = 0.0;
  for (std::size_t i = 0; i < path.size(); ++i) {
    if (i > 0) along += std::hypot(path[i].x - path[i - 1].x, path[i].y - path[i - 1].y);
    const double share = whole > 0.0 ? along / whole : 0.0;
    drawn.push_back(between(between(path.front(), path.back(), share), path[i], part));
  }
  return drawn;
}

/// The part of the way from chord to path at which it is as long as `wanted`: the length only
/// grows.
double partOfLength(const std::vector<Point>& path, double wanted) {
  double low = 0.0, high = 1.0;
  for (int i = 0; i < 60; ++i) {
    const double middle = (low + high) / 2;
    (lengthOf(drawnIn(path, middle)) > wanted ? high : low) = middle;
  }
  return low;
}

/// Corners cut off at a quarter of their sides, the ends kept: shorter, and within the same hull.
std::vector<Point> rounded(std::vector<Point> path) {
  for (int k = 0; k < kRoundings; ++k) {
    std::vector<Point> next{path.front()};
    for (std::size_t i = 1; i < path.size(); ++i) {
      next.push_back(between(path[i - 1], path[i], 0.25));
      next.push_back(between(path[i - 1], path[i], 0.75));
    }
    next.push_back(path.back());
    path = std::move(next);
  }
  return path;
}

}  // namespace

TurnedCover turnedCover(const Joint& joint, Length gap, double turn) {
  TurnedCover cover;
  const double most = openingAngle(joint, gap);
  cover.turn = std::min(turn, most);
  cover.isPulled = turn > most;
  const double a = cover.turn * std::numbers::pi / 180.0;
  const double j = joint.setback.mm(), b = joint.board.mm(), t = joint.stiffener.mm(),
               e = joint.edgeHeight.mm();
  cover.inside = {j * std::cos(a), j * std::sin(a)};
  cover.arris = {j * std::cos(a) - b * std::sin(a), j * std::sin(a) + b * std::cos(a)};
  if (std::isnan(most) || gap < gapTaut(joint) - kTautDust) return cover;
  const std::vector<Point> rubbedDown{{-t, e}, {0.0, e}, {0.0, 0.0}, cover.inside, cover.arris};
  const double part = cover.isPulled ? 0.0 : partOfLength(rubbedDown, gap.mm());
  cover.cloth = rounded(drawnIn(rubbedDown, part));
  return cover;
}

}  // namespace drapery
