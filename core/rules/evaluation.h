// Computes a rule set's table of numbers from what was said, and what a small change in one of them
// does to the others. One for each plan that is made; the rule set is only read.
#pragma once

#include <cmath>
#include <cstdint>
#include <optional>
#include <vector>

#include "core/material/material.h"
#include "core/quantity/length.h"
#include "core/quantity/units.h"
#include "core/rules/readings.h"
#include "core/rules/rule_set.h"

namespace drapery {

/// What was said, by input; NaN where nothing was. A choice's is the number of its option.
struct SaidNumbers {
  std::vector<double> values;
  std::vector<Readings> readings;
  std::vector<OneReading> each;            // of measures that were read several times, one by one
  std::vector<const Material*> materials;  // named for them; null where none was
  Length resolution;                       // the rule in hand
  Units units = Units::Millimetres;        // whose usual values count
};

class Evaluation {
 public:
  explicit Evaluation(const RuleSet& rules);
  /// Numbers computed before, to move from there.
  struct Computed {
    std::vector<double> table;
    std::vector<bool> said, counts;
    std::vector<Readings> readings;
    Length resolution;
    Units units = Units::Millimetres;
    std::vector<double> fixed = {};  // by node; NaN where the rule holds; may be empty
  };
  Evaluation(const RuleSet& rules, Computed computed);

  /// Computes all. Nodes with a number in `fixed` (NaN: none) take that, whatever their rule says;
  /// an empty `fixed` fixes none.
  void compute(const SaidNumbers& said, const std::vector<double>& fixed);

  /// One number per node; NaN where there is none.
  [[nodiscard]] const std::vector<double>& table() const { return table_; }
  [[nodiscard]] Length resolution() const { return resolution_; }
  /// The material that was named for the input with this index; null when none was.
  [[nodiscard]] const Material* material(std::size_t input) const {
    return input < materials_.size() ? materials_[input] : nullptr;
  }
  void set(std::size_t node, double number) { table_[node] = number; }
  /// Whether the binder said this input and it counts on this book.
  [[nodiscard]] const std::vector<bool>& said() const { return isSaid_; }
  [[nodiscard]] const std::vector<bool>& counts() const { return counts_; }
  [[nodiscard]] const std::vector<Readings>& readings() const { return readings_; }
  /// What the node's rule gives with the numbers as they are, also where it is fixed.
  [[nodiscard]] double byRule(std::size_t node) const;

  /// Recomputes the dependents of input node `input` after moving it by `change` from `base`, the
  /// table as computed. The table then holds the moved numbers; `restore` puts it back.
  void move(std::size_t input, double change, const std::vector<std::size_t>& dependents,
            const std::vector<double>& base);
  void restore(std::size_t input, const std::vector<std::size_t>& dependents,
               const std::vector<double>& base);
  [[nodiscard]] double evaluate(const Formula& formula, const double* locals = nullptr) const {
    return formula.evaluate({table_.data(), locals});
  }
  [[nodiscard]] bool holds(const Formula& formula, const double* locals = nullptr) const {
    return formula.holds({table_.data(), locals});
  }
  [[nodiscard]] std::vector<Amount> figures(const RuleWords& words,
                                            const double* locals = nullptr) const;
  /// The members of a series: none where it has no place on this book. At most SeriesRule::kMost.
  [[nodiscard]] std::vector<std::vector<double>> rows(const SeriesRule& series) const;
  /// Visits once, or once for each member of the series with its local numbers.
  template <class Visit>
  void each(const Repeated& repeated, const RuleSet& rules, const Visit& visit) const {
    if (!repeated.series) return visit(nullptr);
    for (const auto& row : rows(rules.series[*repeated.series])) visit(row.data());
  }

 private:
  void enter(const SaidNumbers& said);
  /// Also tells whether the node has a place on this book.
  double valueOf(std::size_t node, bool& counts) const;
  [[nodiscard]] double moved(std::size_t node, const std::vector<double>& base) const;
  /// Whether the node has a place on this book and stands whatever its rule says.
  [[nodiscard]] bool isFixed(std::size_t node) const {
    return !fixed_.empty() && !std::isnan(fixed_[node]) && counts_[node];
  }
  /// The rule's own code for the units of the book.
  [[nodiscard]] const Formula::Code& codeOf(const ValueNode& node) const {
    return isInches_ && node.inchCode ? node.inchCode : node.code;
  }
  [[nodiscard]] double aspectOf(const ValueNode& node) const;
  [[nodiscard]] double overSeries(const ValueNode& node) const;

  const RuleSet& rules_;
  std::vector<double> table_;
  std::vector<double> said_;   // by node; NaN where nothing was said
  std::vector<double> fixed_;  // by node, or empty
  std::vector<bool> isSaid_, counts_;
  std::vector<Readings> readings_;  // by input
  std::vector<const Material*> materials_;
  Length resolution_;
  bool isInches_ = false;
  std::vector<std::uint32_t> reached_;  // by node: by which move
  std::uint32_t moves_ = 0;
};

}  // namespace drapery
