// A lay-out as plain text.
#pragma once

#include <string>

#include "core/cutting/cut_layout.h"
#include "core/quantity/format_length.h"

namespace drapery {

/// Each material with its cost and what it cannot cost less than, its sheets with what is cut from
/// them, the settings of the gauge in their order, and what lies nowhere with the reason.
std::string cutText(const CutProblem& problem, const CutLayout& layout, const Notation& notation);

}  // namespace drapery
