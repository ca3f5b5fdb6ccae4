// A lay-out as plain text.
#pragma once

#include <string>

#include "core/cutting/cut_layout.h"

namespace drapery {

/// Each material with its cost and what it cannot cost less than, its sheets with what is cut from
/// them, the settings of the gauge in their order, and what lies nowhere with the reason.
std::string cutText(const CutProblem& problem, const CutLayout& layout);

/// "needs 12 mm more across the grain"
std::string whyUnplaced(const CutProblem& problem, std::size_t piece);

}  // namespace drapery
