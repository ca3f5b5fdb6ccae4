// A row of like things: holes, folds, panels, stations: [[series]]. Its formulas run over the index
// i = 1 .. count; elsewhere the columns are read as hole.x.first, .last, .sum, .least, .most, the
// number of them as hole.count, and each one's by whatever stands `each = "hole"`.
#pragma once

#include <string>
#include <vector>

#include "core/quantity/units.h"
#include "core/rules/rule_formula.h"
#include "core/rules/section.h"
#include "core/toml/sourced.h"

namespace drapery {

/// What a formula of the series gives for each i. Those after it may read it: "hole.x".
struct SeriesColumn {
  std::string id;  // "x", "y", or any other
  RuleFormula formula;
  Dimension dimension;  // once linked
};

struct SeriesRule {
  static constexpr int kMost = 10000;

  std::string id;
  std::string index = "i";  // what its formulas call the number of a member
  LocalText title;
  RuleFormula count;
  RuleFormula when;  // where there is such a series; empty: always
  std::string part;  // the piece on which x and y are measured; may be empty
  std::string kind;  // "hole", "fold", "station", "mark", "panel": how it is drawn
  std::vector<SeriesColumn> columns;
  SourcePosition at;

  std::size_t node = 0;           // of the count
  std::vector<std::size_t> uses;  // nodes that its formulas read, once linked
  enum class State { Unlinked, Open, Linked } state = State::Unlinked;
  std::size_t readable = 0;  // columns that formulas may name so far

  /// The local numbers of one of its members: i, then a number for each column.
  [[nodiscard]] std::vector<double> row(const double* numbers, int i) const;
};

struct PlannedSeries {
  const SeriesRule* rule = nullptr;
  std::vector<std::vector<double>> rows;  // i and the columns, for each i
};

class SeriesSection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "series"; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  [[nodiscard]] std::vector<Described> describe(const RuleSet& rules) const override;
  void declare(RuleSet& rules, Linker& linker) const override;
  void link(RuleSet& rules, Linker& linker) const override;
  void plan(const RuleSet& rules, const Evaluation& evaluation,
            PlannedEntries& planned) const override;
};

}  // namespace drapery
