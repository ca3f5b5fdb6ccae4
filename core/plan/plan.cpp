#include "core/plan/plan.h"

#include <algorithm>
#include <cmath>

#include "core/method/formula_branches.h"

namespace drapery {

std::optional<double> Plan::number(std::string_view name) const {
  if (method == nullptr) return std::nullopt;
  const auto node = method->find(name);
  if (!node || std::isnan(values[*node])) return std::nullopt;
  return values[*node];
}

std::optional<Length> Plan::length(std::string_view name) const {
  const auto value = number(name);
  if (!value) return std::nullopt;
  return Length::fromMm(*value);
}

double Plan::tolerance(std::string_view name) const {
  const auto node = method == nullptr ? std::nullopt : method->find(name);
  return node && !std::isnan(tolerances[*node]) ? tolerances[*node] : 0.0;
}

std::string_view Plan::choice(std::string_view name) const {
  const auto value = number(name);
  const InputRule* rule = value ? method->input(name) : nullptr;
  if (rule == nullptr) return {};
  for (const std::string& option : rule->options)
    if (method->options.find(option)->second == *value) return option;
  return {};
}

std::string Plan::formula(std::size_t node) const {
  if (!counts[node]) return method->nodes[node].otherwise.text;
  return branchesOf(explainedFormula(*method, node))[taken[node]].result;
}

const PlannedPart* Plan::part(std::string_view id) const {
  for (const PlannedPart& part : parts)
    if (part.rule->id == id) return &part;
  return nullptr;
}

bool Plan::has(Severity severity) const {
  return std::any_of(findings.begin(), findings.end(),
                     [&](const PlannedFinding& f) { return f.rule->severity == severity; });
}

}  // namespace drapery
