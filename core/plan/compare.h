// One book by every method that knows its measures, side by side.
#pragma once

#include <string>
#include <vector>

#include "core/plan/planner.h"
#include "core/rules/rule_library.h"

namespace drapery {

struct ComparedMethod {
  RuleSetPtr rules;
  bool isHouse = false;
  Plan plan;
  Issues issues;  // why this method does not take the book; the plan is then empty
};

struct Comparison {
  std::vector<ComparedMethod> methods;  // in the order in which they are offered
  /// Values told beside one another that are not the same everywhere, in the order of the work.
  std::vector<std::string> differing;
};

/// The job as it would be under another method: what both decide alike goes along as far as it is
/// sound there, and what waits for that method is taken; what is said instead of computed goes
/// where the method takes it from, and is left out where it has no such value or piece.
Job underMethod(const Job& job, const RuleSet& rules, const MaterialCatalogue& catalogue);

/// Methods for another kind of book, which do not know what was measured, are left out.
Comparison compareMethods(const Job& job, const RuleLibrary& library);

/// Values that stand beside one another, as nodes of the plan: those that its rules say so of and
/// that the book has.
std::vector<std::size_t> comparedNodes(const Plan& plan);

}  // namespace drapery
