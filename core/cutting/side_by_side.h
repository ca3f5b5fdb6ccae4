// What lies side by side on a sheet in another order: the gauge is set less often, and what is left
// over there lies together.
#pragma once

#include <string>

#include "core/cutting/cut_layout.h"

namespace drapery {

struct OrderedLayout {
  CutLayout layout;
  std::size_t settings = 0;
};

/// Of one material: sheets with pins stay as they are, and so do all if it took more settings.
OrderedLayout inOrder(const CutProblem& problem, const CutLayout& layout,
                      const std::string& material);

}  // namespace drapery
