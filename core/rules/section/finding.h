// Something wrong, worth minding or worth knowing about a book: [[finding]].
#pragma once

#include <string>
#include <vector>

#include "core/quantity/units.h"
#include "core/rules/rule_words.h"
#include "core/rules/section.h"

namespace drapery {

enum class Severity { Stop, Mind, Note };

struct FindingRule {
  std::string id;
  Severity severity = Severity::Mind;
  RuleFormula when;
  RuleWords says;
  RuleWords remedy;
  std::vector<std::string> touches;
  SourcePosition at;
};

/// A finding that applies, with the figures of its words' expressions.
struct PlannedFinding {
  const FindingRule* rule = nullptr;
  std::vector<Amount> says;
  std::vector<Amount> remedy;
};

class FindingSection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "finding"; }
  [[nodiscard]] bool isOfPatterns() const override { return true; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  [[nodiscard]] std::vector<Described> describe(const RuleSet& rules) const override;
  void link(RuleSet& rules, Linker& linker) const override;
  /// Stop before mind before note.
  void plan(const RuleSet& rules, const Evaluation& evaluation,
            PlannedEntries& planned) const override;
};

}  // namespace drapery
