// What follows from a job: every number with its way there, the pieces, the findings. A pure value,
// thrown away and computed again at each change.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/quantity/length.h"
#include "core/rules/planned_entries.h"
#include "core/rules/readings.h"
#include "core/rules/rule_set.h"

namespace drapery {

struct Plan : PlannedEntries {
  RuleSetPtr rules;
  Units units = Units::Millimetres;     // of words
  Units jobUnits = Units::Millimetres;  // of the job: whose usual values count
  int copies = 1;                       // of the book; counts of pieces are for one
  Length resolution;                    // the rule in hand
  std::vector<double> values;           // one for each of the rules' nodes; NaN where there is none
  std::vector<bool> entered;            // by node: whether the binder said it (an input's)
  std::vector<bool> counts;  // by node: whether it has a place on this book; 'entered' may not
  std::vector<Readings> readings;       // one for each of the rules' inputs
  std::vector<OneReading> eachReading;  // in the order in which they were taken
  /// One for each node: how far the readings' spread lets it be off, either way; 0 where no
  /// spread reaches it, NaN where there is no value. See planBook.
  std::vector<double> tolerances;
  /// By node: whether the binder said it instead of its rule; empty where nothing was.
  std::vector<bool> fixed;
  /// And what the rule would give; NaN where that is nothing.
  std::vector<double> byRule;

  [[nodiscard]] std::optional<double> number(std::string_view name) const;
  [[nodiscard]] std::optional<Length> length(std::string_view name) const;
  /// 0 when no spread reaches the value or there is none.
  [[nodiscard]] double tolerance(std::string_view name) const;
  /// The option chosen for a choice ("flat"); empty when there is no such choice.
  [[nodiscard]] std::string_view choice(std::string_view name) const;
  [[nodiscard]] bool isFixed(std::size_t node) const;
  /// Whether all that was said of a measure is a plan for it (a way with `is_plan`): it is not
  /// there to be measured yet.
  [[nodiscard]] bool isPlanned(std::size_t node) const;
  /// Whether it is a measure that was taken: said, and no plan.
  [[nodiscard]] bool isMeasured(std::size_t node) const;
  /// Whether the binder said how the piece was cut, one side or both: it is there already.
  [[nodiscard]] bool isThere(const PlannedPart& part) const;
  [[nodiscard]] NumberTable table() const { return {values.data(), nullptr}; }

  /// The tree behind a node's value on this book, and the branch of it that was taken. None for
  /// what has no formula, a cut size among them.
  struct Reason {
    const Formula* formula = nullptr;
    Formula::Index node = 0;
  };
  [[nodiscard]] Reason reason(std::size_t node) const;

  [[nodiscard]] const PlannedPart* part(std::string_view id) const;
  [[nodiscard]] bool has(Severity severity) const;
};

}  // namespace drapery
