// A formula tied to one table of numbers: one number for each of the method's nodes.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/method/formula.h"
#include "core/method/method.h"

namespace drapery {

/// A formula taken as a whole.
class BoundExpression {
 public:
  BoundExpression() = default;
  BoundExpression(const Method& method, const std::string& text);

  [[nodiscard]] bool isEmpty() const { return text_.empty(); }
  double evaluate(const Method& method, std::vector<double>& table);

 private:
  void compile(const Method& method, std::vector<double>& table);

  std::string text_;
  std::vector<std::size_t> needs_;  // without which it has no result, whichever way it goes
  std::optional<Formula> formula_;
};

/// Compiled when it is first evaluated. The table must outlive it and never move.
class BoundFormula {
 public:
  BoundFormula() = default;
  BoundFormula(const Method& method, const std::string& text);

  [[nodiscard]] bool isEmpty() const { return branches_.empty(); }
  /// NaN when a number that it needs is NaN, or when it has no finite result.
  double evaluate(const Method& method, std::vector<double>& table);
  /// Which of the formula's branches the last evaluation took.
  [[nodiscard]] std::size_t taken() const { return taken_; }

 private:
  struct Branch {
    BoundExpression when, result;
  };
  std::vector<Branch> branches_;
  std::size_t taken_ = 0;
};

}  // namespace drapery
