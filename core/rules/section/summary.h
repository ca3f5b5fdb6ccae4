// A sentence about how the book stands, for the docket, the trial's note or the slip: [[summary]].
#pragma once

#include <string>

#include "core/rules/rule_words.h"
#include "core/rules/section.h"

namespace drapery {

struct SummaryRule {
  std::string id;
  /// "docket", "trial", "slip" (its heading), "slip-trial", "slip-card" (a card that goes to the
  /// bench before the rest), "cutting" (what to measure before pieces of that moment are cut)
  std::string place;
  std::string stage;  // of the docket's line; the moment of one for cutting
  RuleFormula when;   // empty: always
  RuleWords says;
  SourcePosition at;
};

class SummarySection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "summary"; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  void link(RuleSet& rules, Linker& linker) const override;
};

}  // namespace drapery
