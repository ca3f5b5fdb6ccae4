// The drawings of a book's stages, made from its plan.
#pragma once

#include "core/drawing/drawing.h"
#include "core/plan/plan.h"

namespace drapery {

/// Measure: the text block seen from its spine, its face and its head at one scale, and the board.
/// What is not yet measured is drawn dashed at a usual size.
Drawing drawTextBlock(const Plan& plan);

/// Case: the closed joint in section, broken off toward the fore-edge, where the square shows.
Drawing drawJoint(const Plan& plan);

/// Case: the flat case from its inside, every piece in its place.
Drawing drawFlatCase(const Plan& plan);

}  // namespace drapery
