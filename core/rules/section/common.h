// What several kinds of entry read alike.
#pragma once

#include "core/rules/entry_reader.h"
#include "core/rules/moment.h"
#include "core/rules/repeated.h"

namespace drapery {

/// Nothing for an empty one.
inline const Formula* formulaOf(const RuleFormula& rule) {
  return rule.empty() ? nullptr : &rule.formula;
}

/// `settles = "cut"`; or `flag = true`, as rule files said before there were moments.
Moment readSettles(EntryReader& in, const char* flag, Moment meant);

/// `was = ["old_id"]`: ids that the entry had in former versions; formulas and jobs may still name
/// them.
std::vector<std::string> readWas(EntryReader& in);

/// `each = "hole"` in an entry.
void readEach(EntryReader& in, Repeated& repeated);

}  // namespace drapery
