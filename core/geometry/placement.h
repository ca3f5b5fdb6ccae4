// Where a flat piece lies, and which way up.
#pragma once

#include <vector>

#include "core/geometry/point.h"

namespace drapery {

/// Mirrored first (left for right), then turned counter-clockwise, then moved.
struct Placement {
  Point at;           // the lower left corner of the box around the piece as it lies, mm
  double turn = 0.0;  // degrees
  bool isMirrored = false;
};

/// Points of a piece of the given outline where the placement puts them, in the same order.
std::vector<Point> placed(const std::vector<Point>& points, const std::vector<Point>& outline,
                          const Placement& placement);

/// The outline itself, counter-clockwise again where mirroring had turned it round.
std::vector<Point> placedOutline(const std::vector<Point>& outline, const Placement& placement);

}  // namespace drapery
