#include "core/plan/bound_formula.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/method/formula_branches.h"

namespace drapery {

namespace {

constexpr double kNone = std::numeric_limits<double>::quiet_NaN();

std::vector<std::size_t> needsOf(const std::string& text, const Method& method) {
  std::vector<std::size_t> needs, asked;
  for (const FormulaName& used : namesIn(text)) {
    const auto node = used.isCall ? std::nullopt : method.find(used.name);
    if (!node) continue;
    if (used.isAsked) asked.push_back(*node);
    // In a branch that is taken a missing number spreads by itself; elsewhere a comparison would
    // swallow it.
    if (!used.isBranch) needs.push_back(*node);
  }
  std::erase_if(needs, [&](std::size_t node) {
    return std::find(asked.begin(), asked.end(), node) != asked.end();
  });
  return needs;
}

}  // namespace

double BoundExpression::evaluate(const Method& method, std::vector<double>& table) {
  if (!isBound_) bind(method, table);
  for (const std::size_t node : needs_)
    if (std::isnan(table[node])) return kNone;
  if (const auto* quick = std::get_if<QuickFormula>(&formula_)) return quick->evaluate();
  const auto* formula = std::get_if<Formula>(&formula_);
  return formula != nullptr ? formula->evaluate() : kNone;
}

void BoundExpression::bind(const Method& method, std::vector<double>& table) {
  isBound_ = true;
  needs_ = needsOf(text_, method);
  const NameLookup lookup =
      [&](std::string_view name) -> std::variant<std::monostate, double*, double> {
    if (const auto node = method.find(name)) return &table[*node];
    const auto option = method.options.find(name);
    if (option != method.options.end()) return option->second;
    return std::monostate();
  };
  if (auto quick = QuickFormula::read(text_, lookup)) {
    formula_ = std::move(*quick);
    return;
  }
  auto compiled = Formula::compile(text_, lookup);
  if (auto* formula = std::get_if<Formula>(&compiled)) formula_ = std::move(*formula);
}

double BoundFormula::evaluate(const Method& method, std::vector<double>& table) {
  if (branches_.empty())
    for (FormulaBranch& branch : branchesOf(text_))
      branches_.push_back(
          {BoundExpression(std::move(branch.when)), BoundExpression(std::move(branch.result))});
  for (taken_ = 0; taken_ < branches_.size(); ++taken_) {
    Branch& branch = branches_[taken_];
    if (branch.when.isEmpty()) return branch.result.evaluate(method, table);
    const double when = branch.when.evaluate(method, table);
    if (std::isnan(when)) break;
    if (when != 0.0) return branch.result.evaluate(method, table);
  }
  taken_ = 0;
  return kNone;
}

}  // namespace drapery
