// The sizes of a strip, where they are measured on it: found by comparing what the pattern's
// formulas name with where its holes lie, so that a house's own pattern has them too.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/geometry/point.h"
#include "core/sewing/sew_stab.h"

namespace drapery {

/// Places on the front: x mm from the head, y mm from the spine edge; below 0 the thickness.
struct StripMeasure {
  std::string value;  // of the sewing's plan
  Point from, to;     // alike: it shapes the holes and lies nowhere itself
  [[nodiscard]] bool isLine() const { return from.x != to.x || from.y != to.y; }
  [[nodiscard]] bool isAlong() const { return from.x != to.x; }
};

/// Spine, strip and thickness; of what the places of holes are reckoned from each length that lies
/// between a hole and head, tail, spine edge or crease, or between two holes that follow; then the
/// lengths that only shape them, as a wished pitch does, at the hole beside which they count.
std::vector<StripMeasure> stripMeasures(const SewnStab& sewn);

/// What of paper is left at a hole's rim, the least of its kind.
struct StripLand {
  std::string value;                 // "land_edge"
  Point from, to;                    // rim to edge, or rim to rim
  double left = 0.0;                 // mm
  std::optional<Severity> severity;  // of what is found about it
};

/// To the leaves' edge, to the crease, between two holes. None where holes run over it.
std::vector<StripLand> stripLands(const SewnStab& sewn);

}  // namespace drapery
