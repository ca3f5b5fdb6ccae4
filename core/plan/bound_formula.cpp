#include "core/plan/bound_formula.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/method/formula_branches.h"

namespace drapery {

BoundExpression::BoundExpression(const Method& method, const std::string& text) : text_(text) {
  std::vector<std::size_t> asked;
  for (const FormulaName& used : namesIn(text)) {
    const auto node = used.isCall ? std::nullopt : method.find(used.name);
    if (!node) continue;
    if (used.isAsked) asked.push_back(*node);
    // In a branch that is taken a missing number spreads by itself; elsewhere a comparison would
    // swallow it.
    if (!used.isBranch) needs_.push_back(*node);
  }
  std::erase_if(needs_, [&](std::size_t node) {
    return std::find(asked.begin(), asked.end(), node) != asked.end();
  });
}

double BoundExpression::evaluate(const Method& method, std::vector<double>& table) {
  constexpr double kNone = std::numeric_limits<double>::quiet_NaN();
  for (const std::size_t node : needs_)
    if (std::isnan(table[node])) return kNone;
  if (!formula_) compile(method, table);
  return formula_ ? formula_->evaluate() : kNone;
}

void BoundExpression::compile(const Method& method, std::vector<double>& table) {
  auto compiled = Formula::compile(
      text_, [&](std::string_view name) -> std::variant<std::monostate, double*, double> {
        if (const auto node = method.find(name)) return &table[*node];
        const auto option = method.options.find(name);
        if (option != method.options.end()) return option->second;
        return std::monostate();
      });
  if (auto* formula = std::get_if<Formula>(&compiled)) formula_ = std::move(*formula);
}

BoundFormula::BoundFormula(const Method& method, const std::string& text) {
  if (text.empty()) return;
  for (const FormulaBranch& branch : branchesOf(text))
    branches_.push_back({{method, branch.when}, {method, branch.result}});
}

double BoundFormula::evaluate(const Method& method, std::vector<double>& table) {
  for (taken_ = 0; taken_ < branches_.size(); ++taken_) {
    Branch& branch = branches_[taken_];
    if (branch.when.isEmpty()) return branch.result.evaluate(method, table);
    const double when = branch.when.evaluate(method, table);
    if (std::isnan(when)) break;
    if (when != 0.0) return branch.result.evaluate(method, table);
  }
  taken_ = 0;
  return std::numeric_limits<double>::quiet_NaN();
}

}  // namespace drapery
