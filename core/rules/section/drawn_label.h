// Words that a rule file sets into what it draws: lists of them stand in templates and parts as
// `labels`.
#pragma once

#include <vector>

#include "core/rules/entry_reader.h"
#include "core/rules/repeated.h"
#include "core/rules/rule_words.h"

namespace drapery {

class Linker;

/// Repeated for each of a series where it says so.
struct DrawnLabel : Repeated {
  RulePoint at;  // its middle
  RuleWords says;
  RuleFormula when;  // empty: always
};

/// `labels = [...]` of an entry.
std::vector<DrawnLabel> readLabels(EntryReader& in, IssuePlacer& placer);
void linkLabels(std::vector<DrawnLabel>& labels, Linker& linker);

}  // namespace drapery
