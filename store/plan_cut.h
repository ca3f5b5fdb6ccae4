// A plan's pieces as what is to be cut from a stock.
#pragma once

#include "core/cutting/cut_problem.h"
#include "core/plan/job.h"
#include "core/plan/plan.h"

namespace drapery {

/// Each piece by its rectangle as it is cut, as often as the book's copies want it; from the stock
/// that is called like the piece, the material named for it, or that one's kind, whichever is first
/// there.
CutProblem cutProblemOf(const Job& job, const Plan& plan, std::vector<CutStock> stocks);

}  // namespace drapery
