// A cover turned about the spine edge, and how the cloth of its joint lies then.
//
// Axes as in joint.h: the hinge is the spine edge (0, 0). Turned by a, the board's spine-side edge
// stands at R(a) (j, 0) on its inside and at its outer arris R(a) (j, b). The cloth goes from the
// stiffener's outer arris (-t, e) to that one. Straight is the shortest way; the longest is all
// rubbed down: over the stiffener to (0, e), down to the hinge, along the inside to the board's
// edge and up that, t + e + j + b at any turn. Cloth that is neither lies between the two, its
// corners rounded off, so that what is drawn is never longer than what there is.
#pragma once

#include <vector>

#include "core/geometry/joint.h"

namespace drapery {

struct TurnedCover {
  double turn = 0.0;         // degrees; as far as the cloth lets it
  bool isPulled = false;     // straight before the turn that was asked for
  Point inside, arris;       // of the board's spine-side edge
  std::vector<Point> cloth;  // mm, from the stiffener's outer arris to the board's
};

/// @param gap the cloth of the joint. @param turn 0 to 180 degrees.
/// Empty cloth when a length is not known, or the gap is under taut.
TurnedCover turnedCover(const Joint& joint, Length gap, double turn);

}  // namespace drapery
