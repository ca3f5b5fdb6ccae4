// What is to be cut, read from JSON, and its lay-out written. See docs/cutting.md for both.
#pragma once

#include <string>
#include <string_view>
#include <variant>
#include <vector>

#include "core/cutting/cut_layout.h"
#include "core/diag/issue.h"

namespace drapery {

inline constexpr int kMostPiecesToCut = 20000;

/// The problem, or every mistake in it, placed in `file`. Lengths are taken to the micrometre.
std::variant<CutProblem, Issues> readCutProblem(std::string_view text, const std::string& file);

/// A problem as it can be read again.
std::string writeCutProblem(const CutProblem& problem);

/// The lay-out with its cuts, in the order of the problem's materials.
std::string writeCutLayout(const CutProblem& problem, const CutLayout& layout, double seconds);

}  // namespace drapery
