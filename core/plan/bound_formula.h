// A formula tied to one table of numbers: one number for each of the method's nodes.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/method/formula.h"
#include "core/method/method.h"

namespace drapery {

/// Compiled when it is first evaluated. The table must outlive it and never move.
class BoundFormula {
 public:
  BoundFormula() = default;
  BoundFormula(const Method& method, const std::string& text);

  [[nodiscard]] bool isEmpty() const { return text_.empty(); }
  /// NaN when a number that it needs is NaN, or when it has no finite result.
  double evaluate(const Method& method, std::vector<double>& table);

 private:
  void compile(const Method& method, std::vector<double>& table);

  std::string text_;
  std::vector<std::size_t> needs_;  // without which it has no result, whichever way it goes
  std::optional<Formula> formula_;
};

}  // namespace drapery
