// The formula behind a value as a binder reads it: with the measures' names, and with their
// numbers. Of several branches the one that this book takes.
#pragma once

#include <string>

#include "core/plan/plan.h"
#include "core/quantity/format_length.h"

namespace drapery {

/// As rule files write it: "text_width - setback + square_fore_edge"; a cut size's is
/// "nearest(board.width)". Empty for what has none.
std::string formulaText(const Plan& plan, std::size_t node);
/// "Width − Set-back + Square at the fore-edge"
std::string formulaWithTitles(const Plan& plan, std::size_t node, const Notation& notation);
/// "143.8 − 7 + 3"
std::string formulaWithNumbers(const Plan& plan, std::size_t node, const Notation& notation);

}  // namespace drapery
