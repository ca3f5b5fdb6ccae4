// How a structure is sewn, as its rule file says it in the table [sewing]: the kind, the pattern,
// and what the plan has under other names than the sewing.
#pragma once

#include <string>
#include <utility>
#include <vector>

#include "core/diag/node.h"
#include "core/rules/rule_formula.h"
#include "core/rules/section/common.h"

namespace drapery {

struct RuleSet;
class Linker;

struct SewingRule {
  std::string kind;                // "stab", "link", "tapes"; empty: it is not sewn
  std::vector<WordWhere> pattern;  // of stab sewing
  std::vector<std::pair<std::string, RuleFormula>> given, allowances;
  std::vector<std::pair<std::string, RuleFormula>> holes;  // of the pattern that is named here
  std::vector<std::pair<std::string, std::vector<WordWhere>>> choices;
  [[nodiscard]] bool isSewn() const { return !kind.empty(); }
};

void readSewing(const Node& table, RuleSet& rules, IssuePlacer& placer);
void linkSewing(RuleSet& rules, Linker& linker);

}  // namespace drapery
