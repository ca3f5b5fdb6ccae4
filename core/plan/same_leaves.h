// Different kinds of books from the same leaves, to choose among them.
#pragma once

#include <string>
#include <vector>

#include "core/plan/job.h"
#include "core/plan/plan.h"
#include "core/rules/rule_library.h"

namespace drapery {

struct Leaves {
  Length height = Length::fromMm(182), width = Length::fromMm(131), thickness = Length::fromMm(16);
};

/// Those of the book, as far as its rules say and it is measured; else usual ones.
Leaves leavesOf(const Plan& plan);

/// A book by these rules, of these leaves.
Job jobOfLeaves(const RuleSet& rules, const Leaves& leaves);

/// What is said of the leaves, under the names that other rules have for them; with how it was
/// measured. What else such a book needs is still to be said.
Entries leavesSaid(const Entries& given, const RuleSet& rules, const RuleSet& others);

/// A kind of book, and which of its methods serves.
struct KindOfBook {
  RuleSetPtr rules;  // of the first method that serves for all that is asked; else of the first
  bool serves = false;
};

/// One for each kind, in the order in which methods are offered.
std::vector<KindOfBook> kindsOfBooks(const RuleLibrary& library,
                                     const std::vector<std::string>& uses);

}  // namespace drapery
