// A step of the work, in the order of the file: [[step]]. What hands do, how long, and what must
// then dry or press before the next.
#pragma once

#include <string>
#include <vector>

#include "core/quantity/units.h"
#include "core/rules/repeated.h"
#include "core/rules/rule_words.h"
#include "core/rules/section.h"

namespace drapery {

struct StepRule : Repeated {
  std::string id;
  RuleFormula when;   // empty: always
  RuleWords does;     // what is done
  RuleWords care;     // what to beware of; may be empty
  RuleFormula hands;  // minutes at the bench; empty: not told
  RuleFormula wait;   // minutes that it must be left alone afterwards; empty: none
  SourcePosition at;
};

/// A step that this book needs, with the figures of its words.
struct PlannedStep {
  const StepRule* rule = nullptr;
  std::vector<Amount> does, care;
  double hands = 0.0;  // minutes; NaN where it is not told
  double wait = 0.0;   // minutes
};

class StepSection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "step"; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  [[nodiscard]] std::vector<Described> describe(const RuleSet& rules) const override;
  void link(RuleSet& rules, Linker& linker) const override;
  void plan(const RuleSet& rules, const Evaluation& evaluation,
            PlannedEntries& planned) const override;
};

}  // namespace drapery
