// Where tags stand so that none covers another: in rows above and below the drawing and in columns
// beside it, each as near to its anchor as its neighbours allow, so that no leaders cross.
#pragma once

#include <vector>

#include "core/drawing/drawing.h"

namespace drapery {

/// Screen axes here: x to the right, y down, in pixels.
struct TagBox {
  double x = 0.0, y = 0.0, width = 0.0, height = 0.0;
};

struct TagWish {
  double anchorX = 0.0, anchorY = 0.0;
  double width = 0.0, height = 0.0;
  Side side = Side::Above;
};

struct TagRoom {
  TagBox area;                // tags stay inside
  TagBox drawing;             // tags stand around it
  std::vector<TagBox> taken;  // other things to keep clear of
  double apart = 4.0;         // least distance between tags
};

/// Boxes in the order of the wishes, inside the area and apart from each other and from what is
/// taken. A tag that its row has no room for takes the nearest free place; when an area is too
/// small for all, the last ones stand where they disturb least.
std::vector<TagBox> layOutTags(const std::vector<TagWish>& wishes, const TagRoom& room);

/// How many rows or columns tags of these lengths need on a side that has `room`: as many as keep
/// each within it, at most 3.
int rowsNeeded(const std::vector<double>& lengths, double apart, double room);

/// Whether two boxes are nearer than `apart`.
bool overlaps(const TagBox& a, const TagBox& b, double apart);

/// Spreads intervals of the given lengths along a line: in order of their wished middles, at least
/// `apart` from each other, inside [low, high], with the least squares of all shifts. Gives the
/// starts, in the order of the input. When they do not all fit they run over `high`.
std::vector<double> spreadAlong(const std::vector<double>& middles,
                                const std::vector<double>& lengths, double apart, double low,
                                double high);

}  // namespace drapery
