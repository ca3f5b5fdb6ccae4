// The round of a spine: a circular segment.
//
// Axes: the span lies along the spine's edges (or over the shoulders), the depth (rise) stands at
// right angles to it at the middle. Lengths in, lengths out; angles in degrees.
// Source: circular segment, any handbook of geometry.
// Range: span > 0, 0 <= depth <= span / 2 (a half circle). Outside of it nothing is computed (NaN).
#pragma once

#include <vector>

#include "core/geometry/point.h"
#include "core/quantity/length.h"

namespace drapery {

/// R = (C^2/4 + r^2) / (2 r). Infinite for a flat spine (depth 0).
Length arcRadius(Length span, Length depth);

/// The angle that the arc covers: 4 atan(2 r / C), the same as 2 atan2(C/2, R - r) without the
/// cancellation in R - r for shallow rounds. 0 for a flat spine, 180 for a half circle.
double arcAngle(Length span, Length depth);

/// The arc from edge to edge: R x angle. For a flat spine: the span.
Length arcLength(Length span, Length depth);

/// The arc over a lining of even thickness on the spine: arc + angle x lining. A flat spine's
/// lining makes it no wider.
Length linedArc(Length span, Length depth, Length lining);

/// The depth of an arc that covers `fraction` of a whole circle (1/3: 120 degrees):
/// r = C (1 - cos h) / (2 sin h) = C/2 tan(h/2), h half the arc's angle. 0 <= fraction <= 1/2.
Length arcDepth(Length span, double fraction);

/// linedArc run backwards: the depth whose lined arc is this one, met to 1e-12 of the span. NaN for
/// an arc shorter than the span or longer than the half circle's lined one.
Length depthOfLinedArc(Length span, Length arc, Length lining);

/// The arc as points in mm, from the edge at (0, span / 2) over the crown at (-depth, 0) to
/// (0, -span / 2), in steps of at most 3 degrees. Empty when there is no such arc; two points for a
/// flat spine.
std::vector<Point> arcPoints(Length span, Length depth);

/// The same, each point moved so far out along its radius; of a flat spine straight out.
std::vector<Point> arcPointsOff(Length span, Length depth, Length off);

}  // namespace drapery
