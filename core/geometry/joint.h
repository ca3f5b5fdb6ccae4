// The joint of a closed case: how much cloth lies between stiffener and board.
//
// Cross-section axes: x from the spine edge (or shoulder) toward the fore-edge, y outward from the
// text block's face. The text block's face is the floor, y = 0 for x >= 0.
//   board      b: the board's spine-side edge stands at x = j from y = 0 to its outer arris (j, b)
//   stiffener  t: the cloth starts at the stiffener's outer arris (-t, e) and passes over its edge
//   rod        d: lies on the floor midway in the groove, centre (j/2, d/2)
// Lengths in, lengths out; angles in degrees. Source: plane geometry, derived below.
//
// Neglected: the thickness of the covering itself, of mull and paste-down (they lift board and
// floor alike), and the cloth's stretching when wet. Range: b > 0, t >= 0, d > 0. e may be a little
// negative (a stiffener cut narrower than its spine): cloth then climbs the missing height first,
// so formed and pressed count |e|. A set-back j below 0 (boards beyond the spine edge) has a taut
// and an open gap and an opening angle, but no groove: formed and pressed are NaN there.
#pragma once

#include <vector>

#include "core/geometry/point.h"
#include "core/quantity/length.h"

namespace drapery {

struct Joint {
  Length setback;     // j
  Length edgeHeight;  // e
  Length board;       // b
  Length stiffener;   // t, 0 on a round spine
};

/// No groove: the straight line hypot(j + t, b - e). What a tight strip of paper measures.
Length gapTaut(const Joint& joint);

/// What the cover needs to stand turned right over: hypot(j - t, b + e), the arris's distance at a
/// turn of 180 degrees. For j >= 0 the distance never exceeds it on the way there from its least.
Length gapToOpen(const Joint& joint);

/// The recommended gap: t + the shortest path from (0, e) under the rod to (j, b): a tangent, the
/// arc that hugs the rod, a tangent. A rod wider than j counts as j wide. At j = 0 it is t + e + b.
/// The path touches the floor, so by reflection it is at least hypot(j, b + e).
Length gapFormed(const Joint& joint, Length rod);

/// The same path as points in mm, from the stiffener's outer arris (-t, e) to (j, b), the arc in
/// steps of at most 3 degrees. Empty for a set-back below 0.
std::vector<Point> formedPath(const Joint& joint, Length rod);

/// t + e + j + b: all cloth rubbed down onto every face. More hangs loose.
Length gapPressed(const Joint& joint);

/// The turn, at most 180, at which the hinge's cloth begins to pull; 0 when the gap is under taut.
/// At turn a the arris stands at distance hypot(j, b) from the hinge (0, 0), in the direction
/// atan2(b, j) + a. Its distance from (-t, e) falls until it points that way, then grows: the
/// law of cosines gives the turn at which it reaches the gap.
double openingAngle(const Joint& joint, Length gap);

/// gapFormed run backwards: the set-back at which the formed path is as long as `gap`.
/// `joint.setback` is not read. NaN when the gap is under t + |e| + b, where the board has no
/// place. The gap is met to 1e-11 mm; the set-back to 1e-8 mm, save within 0.01 mm of a rod just as
/// wide as the groove, where the gap hardly changes with it: there to 1e-5 mm.
Length setbackForGap(const Joint& joint, Length gap, Length rod);

/// gapTaut run backwards: sqrt(gap^2 - (b - e)^2) - t, for a joint without a groove, where the
/// boards hang on a straight line of cloth. At gap = b and e = 0 it is -t: the boards come level
/// with the spine's outside. `joint.setback` is not read. NaN when the gap is under |b - e|; one
/// shorter by up to `kTautDust` counts as just as long.
Length setbackForTautGap(const Joint& joint, Length gap);
inline constexpr Length kTautDust = Length::fromMm(1e-9);

/// Cloth used to fold round a board's edge onto its inside: two quarter turns about the arrises at
/// the covering's middle, b + pi c / 2.
Length aroundEdge(Length board, Length covering);

}  // namespace drapery
