// A strip folded to and fro, seen from its edge: where its folds come to lie.
#pragma once

#include <vector>

#include "core/geometry/point.h"

namespace drapery {

struct Zigzag {
  double panel = 0.0;   // mm, fold to fold
  double across = 0.0;  // mm, from one fold to the next along the strip: 0 shut, `panel` flat
  Point first;          // where the first fold lies

  /// Even folds lie on the bench, odd ones off it.
  [[nodiscard]] Point fold(int i) const;
  /// A band along a panel, so far off its upper (1) or lower (-1) face, so thick, over a share of
  /// its length. Counter-clockwise or not as the panel leans.
  [[nodiscard]] std::vector<Point> along(int panel, double side, double off, double thick,
                                         double share) const;
};

}  // namespace drapery
