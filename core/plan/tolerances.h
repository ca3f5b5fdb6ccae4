// How far the readings' spread lets each number be off. See Planner::plan.
#pragma once

#include "core/plan/plan.h"
#include "core/rules/evaluation.h"

namespace drapery {

/// A length that was measured on this book and said.
bool isReading(const Plan& plan, std::size_t node);

/// Fills the plan's tolerances, and the numbers that tell of them in plan and evaluation.
void findTolerances(Plan& plan, Evaluation& evaluation);

}  // namespace drapery
