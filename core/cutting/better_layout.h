// The best of two lay-outs of the same, material by material: a second search may be better in one
// of them and worse in another.
#pragma once

#include "core/cutting/cut_layout.h"

namespace drapery {

/// Of each material the one that leaves fewer pieces nowhere, else costs less, else leaves more in
/// one piece; `now` where they are alike. Bounds hold for both, so the better one is told.
/// @param before of the same problem; may be empty.
CutLayout betterOfEach(const CutProblem& problem, const CutLayout& before, CutLayout now);

}  // namespace drapery
