#include "core/plan/plan.h"

#include <algorithm>
#include <cmath>

namespace drapery {

std::optional<double> Plan::number(std::string_view name) const {
  if (rules == nullptr) return std::nullopt;
  const auto node = rules->find(name);
  if (!node || std::isnan(values[*node])) return std::nullopt;
  return values[*node];
}

std::optional<Length> Plan::length(std::string_view name) const {
  const auto value = number(name);
  if (!value) return std::nullopt;
  return Length::fromMm(*value);
}

double Plan::tolerance(std::string_view name) const {
  const auto node = rules == nullptr ? std::nullopt : rules->find(name);
  return node && !std::isnan(tolerances[*node]) ? tolerances[*node] : 0.0;
}

std::string_view Plan::choice(std::string_view name) const {
  const auto value = number(name);
  const InputRule* rule = value ? rules->input(name) : nullptr;
  if (rule == nullptr) return {};
  for (const std::string& option : rule->options)
    if (rules->options.find(option)->second == *value) return option;
  return {};
}

bool Plan::isFixed(std::size_t node) const { return node < fixed.size() && fixed[node]; }

bool Plan::isPlanned(std::size_t node) const {
  if (!rules->isInput(node) || !entered[node]) return false;
  bool isPlan = false;
  for (const OneReading& reading : eachReading) {
    if (reading.input != rules->nodes[node].rule || !reading.counts) continue;
    const WayRule* way = rules->way(reading.by);
    if (way == nullptr || !way->isPlan) return false;
    isPlan = true;
  }
  return isPlan;
}

bool Plan::isMeasured(std::size_t node) const {
  return rules->isInput(node) && rules->inputs[rules->nodes[node].rule].role == InputRole::Given &&
         entered[node] && !isPlanned(node);
}

bool Plan::isThere(const PlannedPart& part) const {
  return isFixed(part.rule->firstNode + 2) || isFixed(part.rule->firstNode + 3);
}

Plan::Reason Plan::reason(std::size_t node) const {
  const ValueNode& value = rules->nodes[node];
  const Formula* formula = counts[node] ? value.formula : value.otherwise;
  if (formula == nullptr) return {};
  return {formula, formula->taken(table())};
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
