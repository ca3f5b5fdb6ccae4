// A whole sheet that off-cuts would spare, were they taken first.
#pragma once

#include <functional>
#include <string>
#include <vector>

#include "core/cutting/cut_layout.h"

namespace drapery {

struct SpareSheet {
  std::string material;
  std::size_t stock = 0;             // of the problem: the sheet
  std::vector<std::size_t> offCuts;  // that hold all that lies on one of it
};

/// Of each material the sheet of which the least is used, where off-cuts that lie idle hold what
/// lies on it; none to which something was pinned.
/// @param isOffCut by the problem's stocks
/// @param isCancelled may be empty; what was found by then is given
std::vector<SpareSheet> spareSheets(const CutProblem& problem, const CutLayout& layout,
                                    const std::vector<bool>& isOffCut,
                                    const std::function<bool()>& isCancelled = {});

}  // namespace drapery
