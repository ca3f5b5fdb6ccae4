// What is marked out on a piece or told about it, not cut: [[mark]].
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/quantity/length.h"
#include "core/quantity/units.h"
#include "core/rules/repeated.h"
#include "core/rules/rule_words.h"
#include "core/rules/section.h"
#include "core/rules/section/common.h"
#include "core/toml/sourced.h"

namespace drapery {

/// One of several that are marked from the same edge.
struct MarkPlaceRule : Repeated {
  LocalText name;
  RuleFormula at;    // mm from the edge
  RuleFormula when;  // empty: always
};

struct MarkRule : Repeated {
  std::string id;
  LocalText title;    // may be empty
  RuleFormula when;   // empty: always
  RuleWords says;     // may be empty where there are places
  RuleFormula exact;  // what is marked, a length; empty: words alone
  RuleFormula cut;    // as it is marked; empty: the nearest mark of the rule
  std::vector<MarkPlaceRule> places;
  std::vector<WordWhere> part;  // the piece that the places are marked on; may be empty
  bool isUpward = false;        // the places are read from the tail, not from the left
  bool hasDecimals = false;     // in inches the places are told in decimals too
  bool isAside = false;         // told after the rest: for sheets, endpapers, a jacket
  SourcePosition at;
};

/// A length and its mark on the rule in hand.
struct PlannedLength {
  Length exact, cut;
};
struct PlannedMarkPlace {
  const MarkPlaceRule* rule = nullptr;
  PlannedLength at;
};

/// A mark that applies, with the figures of its words' expressions.
struct PlannedMark {
  const MarkRule* rule = nullptr;
  std::vector<Amount> says;
  std::optional<PlannedLength> length;
  std::vector<PlannedMarkPlace> places;  // ascending
  std::string_view part;                 // of the rule's, the one that applies; may be empty
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
