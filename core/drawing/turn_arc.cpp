#include "core/drawing/turn_arc.h"

#include <cmath>
#include <numbers>

namespace drapery {

Point TurnArc::at(double degrees, double part) const {
  const double a = degrees * std::numbers::pi / 180.0;
  return {hinge.x + part * radius * std::cos(a), hinge.y + part * radius * std::sin(a)};
}

void addTurnArc(Sketch& sketch, const TurnArc& arc) {
  constexpr int kStep = 3, kMark = 30;
  std::vector<Point> points;
  for (int far = 0; far <= static_cast<int>(arc.whole); far += kStep)
    points.push_back(arc.at(arc.start + far));
  sketch.add(openShape(LineKind::Extension, std::move(points), {}));
  for (int far = 0; far <= static_cast<int>(arc.whole); far += kMark) {
    const double at = arc.start + far;
    sketch.add(
        openShape(LineKind::Extension, {arc.at(at, far % 90 == 0 ? 0.95 : 0.975), arc.at(at)}, {}));
  }
}

void addStop(Sketch& sketch, const TurnArc& arc, double degrees) {
  sketch.add(openShape(LineKind::Cut, {arc.at(degrees, 0.9), arc.at(degrees)}, {}));
}

void keepRoom(Sketch& sketch, const std::vector<Point>& reached) {
  const Box all = boundsOf(reached);
  for (const Point& corner : {Point{all.left, all.bottom}, Point{all.right, all.top}})
    sketch.add(openShape(LineKind::Extension, {corner, corner}, {}));
}

}  // namespace drapery
