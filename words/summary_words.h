// The sentences that a rule set has about how a book stands.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/plan/plan.h"
#include "core/quantity/format_length.h"

namespace drapery {

/// Those of the place ("docket", "trial", "slip", "slip-trial", "slip-card", "cutting") that apply
/// to this book, in the order of the file; on the docket, of the stage; before cutting, of the
/// moment.
std::vector<std::string> summaryLines(const Plan& plan, std::string_view place,
                                      const Notation& notation, std::string_view stage = {});

/// What trying the case on the book comes to, as slip and text tell it: the verdict, the rest.
std::vector<std::string> triedLines(const Plan& plan, const Notation& notation);

}  // namespace drapery
