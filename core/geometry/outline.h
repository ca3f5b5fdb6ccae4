// The shape of a piece, tidied.
#pragma once

#include <vector>

#include "core/geometry/point.h"

namespace drapery {

/// Without points that stand twice, or on the line between their neighbours, to a millionth of a
/// millimetre. The points go round counter-clockwise; fewer than three are no shape.
std::vector<Point> tidied(std::vector<Point> outline);

/// Whether two of its sides have a point in common that is not the corner between them. Time goes
/// with the square of the corners.
bool crossesItself(const std::vector<Point>& outline);
/// Whether it stays in the box, to a millionth of a millimetre.
bool isWithin(const std::vector<Point>& outline, const Box& box);

/// Corners of a box, counter-clockwise from the lower left.
std::vector<Point> rectangle(double left, double bottom, double right, double top);

/// The smallest box around the points; zero for none.
Box boundsOf(const std::vector<Point>& points);

/// Whether it stays on one side of a diagonal of its rectangle, so that another, turned half round,
/// comes from the same rectangle. To a millionth of a millimetre.
bool isHalfOf(const std::vector<Point>& outline, double width, double height);

/// The outline seen from the back: left for right within a piece of the given width.
std::vector<Point> mirrored(std::vector<Point> outline, double width);

}  // namespace drapery
