// Why a piece lies on no stock.
#pragma once

#include <optional>

#include "core/cutting/cut_problem.h"

namespace drapery {

/// What the stock that comes nearest would need more; both 0 where the piece fits it and there is
/// only none left.
struct Shortfall {
  std::size_t stock = 0;  // of the problem
  Micrometres acrossGrain = 0, alongGrain = 0;
  bool isPatternAgainst = false;  // lying with its grain, every stock's pattern lies on its side
};

/// None where there is no stock of the material at all.
std::optional<Shortfall> shortfallOf(const CutProblem& problem, std::size_t piece);

}  // namespace drapery
