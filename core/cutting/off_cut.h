// The largest rectangle that is left over beside what is cut out of a sheet.
#pragma once

#include <functional>

#include "core/cutting/box_fronts.h"

namespace drapery {

/// A taking cut off the sheet in one strip, from edge to edge.
struct OffCutStrip {
  std::size_t set = 0;
  std::size_t box = 0;  // of its front
  bool isBeside = false;
};

struct OffCut {
  double area = -1.0;               // um2, of the true rectangle
  std::vector<OffCutStrip> strips;  // one after the other; then it is left
};

/// One sheet, and what may be cut out of it.
struct OffCutSheet {
  const CountIndex& index;
  const BoxFronts& fronts;
  const std::vector<double>& areas;  // of the takings, um2
  UsableSize usable;
  Micrometres kerf = 0;
};

/// Beside the taking `set`, if it is larger than `over`, um2; else without strips. Exact, unless
/// more than some ten thousand ways would have to be looked at, or `isEnough` says to stop: then
/// the best of those.
OffCut largestOffCut(const OffCutSheet& sheet, std::size_t set, double over,
                     const std::function<bool()>& isEnough);

}  // namespace drapery
