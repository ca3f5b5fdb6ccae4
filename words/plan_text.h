// A plan as plain text: the pieces to cut, the joint, what to mind.
#pragma once

#include <string>

#include "core/plan/job.h"
#include "core/plan/plan.h"
#include "core/quantity/format_length.h"
#include "core/sewing/sew_book.h"

namespace drapery {

/// "2 Board  140 x 216 mm" and the rest, one thing to a line, in the plan's units. With the plan
/// `before` what is still to be trimmed, pieces that it changes are told as they would be there
/// too.
std::string planText(const Job& job, const Plan& plan, const Plan* before = nullptr,
                     const SewnBook& sewn = {});

/// "140 × 216 mm" in the notation's unit: width before height.
std::string sizeWords(Length width, Length height, const Notation& notation);

}  // namespace drapery
