// A piece as it lies: the one way from a planned part to lines, for drawings, slips and pages.
#pragma once

#include <optional>
#include <vector>

#include "core/drawing/drawing.h"
#include "core/rules/section/part.h"

namespace drapery {

/// Its outline and the cuts inside it, at its exact size.
std::vector<Shape> pieceShapes(const PlannedPart& part, const Placement& place);

/// In the middle of the box, `reach` mm to either side; none where the grain may run either way.
std::optional<Shape> grainArrow(const PlannedPart& part, const Box& box, double reach);

/// One piece alone, from its lower left corner, at the size that it is cut to.
Drawing pieceDrawing(const PlannedPart& part);

}  // namespace drapery
