// A plan as plain text: the pieces to cut, the joint, what to mind.
#pragma once

#include <string>

#include "core/plan/job.h"
#include "core/plan/plan.h"
#include "core/quantity/format_length.h"

namespace drapery {

/// "Board: 2 of 140 x 216 mm" and the rest, one thing to a line, in the plan's units.
std::string planText(const Job& job, const Plan& plan);

/// "140 × 216 mm" in the notation's unit: width before height.
std::string sizeWords(Length width, Length height, const Notation& notation);

}  // namespace drapery
