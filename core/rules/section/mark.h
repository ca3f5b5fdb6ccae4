// What is marked out on a piece or told about it, not cut: [[mark]].
#pragma once

#include <string>
#include <vector>

#include "core/quantity/units.h"
#include "core/rules/repeated.h"
#include "core/rules/rule_words.h"
#include "core/rules/section.h"

namespace drapery {

struct MarkRule : Repeated {
  std::string id;
  RuleFormula when;  // empty: always
  RuleWords says;
  SourcePosition at;
};

/// A mark that applies, with the figures of its words' expressions.
struct PlannedMark {
  const MarkRule* rule = nullptr;
  std::vector<Amount> says;
};

class MarkSection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "mark"; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  [[nodiscard]] std::vector<Described> describe(const RuleSet& rules) const override;
  void link(RuleSet& rules, Linker& linker) const override;
  void plan(const RuleSet& rules, const Evaluation& evaluation,
            PlannedEntries& planned) const override;
};

}  // namespace drapery
