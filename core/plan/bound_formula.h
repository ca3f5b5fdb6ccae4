// A formula tied to one table of numbers: one number for each of the method's nodes.
#pragma once

#include <optional>
#include <string>
#include <variant>
#include <vector>

#include "core/method/formula.h"
#include "core/method/method.h"
#include "core/method/quick_formula.h"

namespace drapery {

/// A formula taken as a whole.
class BoundExpression {
 public:
  BoundExpression() = default;
  explicit BoundExpression(std::string text) : text_(std::move(text)) {}

  [[nodiscard]] bool isEmpty() const { return text_.empty(); }
  double evaluate(const Method& method, std::vector<double>& table);

 private:
  void bind(const Method& method, std::vector<double>& table);

  std::string text_;
  std::vector<std::size_t> needs_;  // without which it has no result, whichever way it goes
  std::variant<std::monostate, QuickFormula, Formula> formula_;
  bool isBound_ = false;
};

/// Bound when it is first evaluated: most of a method's formulas are words that are never said. The
/// table must outlive it and never move.
class BoundFormula {
 public:
  BoundFormula() = default;
  explicit BoundFormula(std::string text) : text_(std::move(text)) {}

  [[nodiscard]] bool isEmpty() const { return text_.empty(); }
  /// NaN when a number that it needs is NaN, or when it has no finite result.
  double evaluate(const Method& method, std::vector<double>& table);
  /// Which of the formula's branches the last evaluation took.
  [[nodiscard]] std::size_t taken() const { return taken_; }

 private:
  struct Branch {
    BoundExpression when, result;
  };
  std::string text_;
  std::vector<Branch> branches_;
  std::size_t taken_ = 0;
};

}  // namespace drapery
