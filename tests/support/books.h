// Books for tests: a plain one, and random ones over the whole range of the contract.
#pragma once

#include <rapidcheck.h>

#include "core/plan/planner.h"
#include "core/plan/worked_examples.h"
#include "core/rules/rule_library.h"

namespace drapery::test {

/// 210 x 144 x 25 mm in 2.4 mm board, nothing else said; of a structure that is no case what it
/// asks for.
Job plainJob(const std::string& method = "case-sunk-joint");

/// "210", "209.6 | 210.4" (readings), "material grey-board-24", "backed".
inline Entry entryOf(const std::string& text) { return exampleEntry(text); }

/// Every given and allowance of the method, said or left to its default, anywhere in its allowed
/// range but mostly like a real book.
rc::Gen<Job> anyJob(const std::string& method);

/// The five schools of case binding.
extern const std::vector<std::string> kSchools;

/// The other structures at the same bench.
extern const std::vector<std::string> kStructures;
/// Both.
extern const std::vector<std::string> kMethods;

RuleSetPtr shippedMethod(const std::string& id);
/// The same rules with the ranges of their inputs out of the way.
RuleSetPtr rulesWithoutRanges(const std::string& id);

PlanOutcome planOf(const Job& job);

/// The value of an input or result; fails the test when there is none.
double valueOf(const Plan& plan, const std::string& name);
bool hasFinding(const Plan& plan, const std::string& id);

}  // namespace drapery::test
