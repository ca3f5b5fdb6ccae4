// A formula as a binder reads it: with the measures' names, and with their numbers.
#pragma once

#include <string>

#include "core/plan/plan.h"
#include "core/quantity/format_length.h"

namespace drapery {

/// "Width − Set-back + Square at the fore-edge"
std::string formulaWithTitles(const Plan& plan, std::size_t node);
/// "143.8 − 7 + 3"
std::string formulaWithNumbers(const Plan& plan, std::size_t node, const Notation& notation);

}  // namespace drapery
