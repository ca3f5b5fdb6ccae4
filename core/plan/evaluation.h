// Computes a method's table of numbers from what was said, and what a small change in one of them
// does to the others.
#pragma once

#include <array>
#include <optional>
#include <vector>

#include "core/plan/bound_formula.h"
#include "core/plan/job_inputs.h"

namespace drapery {

/// What holds still while an input moves.
enum class Moving {
  All,      // nothing: pieces follow, as they would be sized
  Sizes,    // the same, and what tells of the trial is left alone
  BookOnly  // the trial: pieces are cut and what is settled with them stays
};
inline constexpr std::size_t kMovings = 3;

class Evaluation {
 public:
  explicit Evaluation(MethodPtr method);
  Evaluation(const Evaluation&) = delete;
  Evaluation& operator=(const Evaluation&) = delete;

  /// One number per node; NaN where there is none. Formulas point into it.
  [[nodiscard]] std::vector<double>& table() { return table_; }

  /// Computes all. With `cut`, another table of the same method, pieces and what is settled with
  /// them are taken from there.
  void compute(const JobInputs& inputs, const std::vector<double>* cut = nullptr);

  /// Takes up a plan computed before, to move from there: its table, what was said in it, and its
  /// readings.
  void recall(const std::vector<double>& values, const std::vector<bool>& entered,
              const std::vector<bool>& counts, const std::vector<Readings>& readings, Length mark);

  /// Recomputes what depends on input node `input` after moving it by `change` from `base`, the
  /// table as computed. The table then holds the moved numbers; `restore` puts it back.
  void move(std::size_t input, double change, Moving moving, const std::vector<double>& base);
  void restore(std::size_t input, Moving moving, const std::vector<double>& base);

  /// Nodes that such a move computes anew, in the order of computing.
  const std::vector<std::size_t>& dependents(std::size_t input, Moving moving);

  /// Whether the node tells of the trial: it depends on a piece as cut.
  [[nodiscard]] bool isTried(std::size_t node) const { return isTried_[node]; }
  /// Whether the binder said this input and it counts on this book.
  [[nodiscard]] bool isSaid(std::size_t node) const { return isSaid_[node]; }
  [[nodiscard]] bool counts(std::size_t node) const { return counts_[node]; }
  /// Which branch of its formula gave the node its value.
  [[nodiscard]] std::size_t taken(std::size_t node) const {
    return formulas_[node].formula.taken();
  }

  double evaluate(BoundFormula& formula) { return formula.evaluate(*method_, table_); }
  /// Whether the condition is met: always when there is none, never when it has no result.
  bool holds(BoundFormula& when);

 private:
  struct NodeFormulas {
    BoundFormula formula, when, otherwise;
  };
  void enter(const JobInputs& inputs);
  double valueOf(std::size_t node);
  double aspectOf(const ValueNode& node) const;
  [[nodiscard]] bool isFrozen(std::size_t node) const;
  [[nodiscard]] bool isMoved(std::size_t node, Moving moving) const;
  void findTried();

  MethodPtr method_;
  std::vector<double> table_;
  std::vector<double> said_;  // by node; NaN where nothing was said
  std::vector<NodeFormulas> formulas_;
  std::vector<bool> isTried_, isSaid_, counts_;
  std::vector<bool> feedsTrial_;  // by node
  std::array<std::vector<std::optional<std::vector<std::size_t>>>, kMovings>
      dependents_;                  // by node, found when first asked for
  std::vector<Readings> readings_;  // by input
  Length mark_;
};

}  // namespace drapery
