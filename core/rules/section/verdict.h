// What trying the work on the book comes to: [[verdict]]. The first in the file that applies.
#pragma once

#include <string>
#include <utility>
#include <vector>

#include "core/rules/rule_words.h"
#include "core/rules/section.h"

namespace drapery {

struct VerdictRule {
  std::string id;    // "fits", "trim", "remake"
  RuleFormula when;  // empty: always
  RuleWords says;
  std::vector<std::pair<std::string, RuleFormula>> trim;  // off the leaves, by edge: lengths
  SourcePosition at;
};

struct PlannedVerdict {
  const VerdictRule* rule = nullptr;
  std::vector<Amount> says;
  std::vector<double> trim;  // mm, one for each of the rule's
};

class VerdictSection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "verdict"; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  [[nodiscard]] std::vector<Described> describe(const RuleSet& rules) const override;
  void link(RuleSet& rules, Linker& linker) const override;
  void plan(const RuleSet& rules, const Evaluation& evaluation,
            PlannedEntries& planned) const override;
};

}  // namespace drapery
