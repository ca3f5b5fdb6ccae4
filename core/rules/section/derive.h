// A number that follows from others: [[derive]].
#pragma once

#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "core/quantity/rule.h"
#include "core/rules/moment.h"
#include "core/rules/rule_formula.h"
#include "core/rules/section.h"
#include "core/toml/sourced.h"

namespace drapery {

struct DerivedRule {
  std::string id;
  std::vector<std::string> was;  // ids that it had in former versions
  Dimension dimension;
  Unit unit = Unit::Millimetre;
  LocalText title;
  RuleFormula when;  // where it exists; empty: always
  RuleFormula formula;
  LocalText because;
  std::string practice;
  Moment settles = Moment::Never;
  /// What a binder may say in its place; without, a length from 0 to kMostSaid, any other number
  /// from 0 on.
  static constexpr double kMostSaid = 3000.0;
  std::optional<std::pair<double, double>> range;
  std::optional<Rounding> marked;  // to the rule in hand
  bool isCompared = false;         // told where methods stand side by side
  bool isQuiet = false;            // a step on the way, never told in lists for reading
  RuleFormula quiet;               // where it is not told either; empty: nowhere
  SourcePosition at;
};

class DeriveSection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "derive"; }
  [[nodiscard]] bool isOfPatterns() const override { return true; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  [[nodiscard]] std::vector<Described> describe(const RuleSet& rules) const override;
  void declare(RuleSet& rules, Linker& linker) const override;
  void link(RuleSet& rules, Linker& linker) const override;
};

}  // namespace drapery
