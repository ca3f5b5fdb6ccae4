// Hatching as lines, so that it is as sharp on a page as on a screen.
#pragma once

#include <utility>
#include <vector>

#include "core/geometry/point.h"

namespace drapery {

/// Parallel lines; with a `dash` broken, `dash` long and `gap` apart.
struct HatchLines {
  double angle = 45.0;   // degrees, counter-clockwise from x
  double spacing = 1.0;  // from line to line
  double shift = 0.0;    // of the first line from the origin, across the lines
  double dash = 0.0;     // 0: unbroken
  double gap = 0.0;
  double start = 0.0;  // of the first dash from the origin, along the lines
};

using Segments = std::vector<std::pair<Point, Point>>;

/// The parts of the lines inside an outline (by the even-odd rule) and inside `window`. The lines
/// hang on `origin`, so that a pattern stays with its piece. In the unit of the points.
Segments hatched(const std::vector<Point>& outline, const HatchLines& lines, Point origin,
                 const Box& window);

}  // namespace drapery
