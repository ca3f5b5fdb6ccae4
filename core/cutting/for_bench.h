// A lay-out as it is cut at the bench.
#pragma once

#include <limits>

#include "core/cutting/edge_cuts.h"

namespace drapery {

/// All that can be cut side by side is cut so, and of the two ways to begin that with fewer
/// settings and cuts is taken; what is kept of the rest stays as large, or becomes larger. What
/// lies side by side on a sheet without pins may lie there in another order (`inOrder`). A cut
/// longer than `longest`, of a shear or a mat, is only made where there is no other way.
CutLayout forBench(const CutProblem& problem, const CutLayout& layout, const UsableLeft& usable,
                   Micrometres longest = std::numeric_limits<Micrometres>::max());

}  // namespace drapery
