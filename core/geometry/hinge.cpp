#include "core/geometry/hinge.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace drapery {

double hingeAngle(double gap, double needed) {
  if (gap >= needed) return 180.0;
  return 2.0 * std::asin(gap / needed) * 180.0 / std::numbers::pi;
}

TurnedHinge turnedHinge(const Hinge& hinge, double turn) {
  constexpr double kDust = 1e-9;
  TurnedHinge turned;
  const double flat = hinge.isPair ? 180.0 : 0.0;
  turned.least = hinge.isPair ? flat - hingeAngle(hinge.gap, hinge.close) : 0.0;
  turned.most = flat + hingeAngle(hinge.gap, hinge.fold);
  turned.turn = std::clamp(turn, turned.least, turned.most);
  turned.angle = turned.turn - flat;
  turned.isStopped = turned.most < flat + 180.0 && turned.turn > turned.most - kDust;
  turned.isShort = turned.least > 0.0 && turned.turn < turned.least + kDust;
  return turned;
}

}  // namespace drapery
