#include "core/plan/give_way.h"

#include <algorithm>
#include <cmath>

#include "core/plan/job_inputs.h"
#include "core/plan/solve.h"

namespace drapery {

namespace {

/// A measure that was taken stays what it is.
bool isMeasured(const Plan& plan, std::size_t input) {
  const InputRule& rule = plan.rules->inputs[plan.rules->nodes[input].rule];
  return rule.role == InputRole::Given && plan.entered[input] && !plan.isPlanned(input);
}

std::string planWay(const RuleSet& rules) {
  for (const WayRule& way : rules.ways)
    if (way.isPlan) return way.id;
  return {};
}

/// What is said of a measure that is not there yet is told as a plan.
Entry saidOf(const RuleSet& rules, const InputRule& rule, double figure) {
  return rule.role == InputRole::Allowance ? Entry{figure, {}} : plannedEntry(rules, figure);
}

double argument(const Issue& issue, std::string_view name) {
  for (const auto& [key, value] : issue.arguments)
    if (key.text() == name)
      if (const auto* amount = std::get_if<Amount>(&value)) return amount->value;
  return std::nan("");
}

}  // namespace

Entry plannedEntry(const RuleSet& rules, double figure) {
  const std::string way = planWay(rules);
  return way.empty() ? Entry{figure, {}} : readingEntry(figure, way);
}

bool canBeSaid(const RuleSet& rules, std::size_t node) {
  const ValueNode& value = rules.nodes[node];
  using Source = ValueNode::Source;
  return !value.isTried && (value.source == Source::Derived || value.source == Source::PartSize);
}

std::vector<GivingWay> whatCouldGiveWay(const Job& job, const Planner& planner,
                                        std::string_view value, double figure) {
  const RuleSet& rules = *planner.rules();
  const auto node = rules.find(value);
  if (!node || !canBeSaid(rules, *node)) return {};
  Job free = job;  // of what was said of the value before
  setField(free, "fixed/" + std::string(value), std::nullopt);
  const Plan plan = planner.plan(free).plan;
  std::vector<std::size_t> moving;
  for (const Influence& influence : planner.influences(plan, *node))
    moving.push_back(influence.input);
  std::vector<GivingWay> able, unable;
  for (const std::size_t input : rules.inputNodes) {
    const InputRule& rule = rules.inputs[rules.nodes[input].rule];
    const auto& dependents = rules.dependents.of(rules, input, Moving::All);
    const bool isBehind =
        std::find(dependents.begin(), dependents.end(), *node) != dependents.end();
    if (!isBehind || !plan.counts[input] || isMeasured(plan, input)) continue;
    GivingWay way{input, fieldOf(rule), std::nullopt, 0.0, std::nullopt};
    auto solved = solve(free, planner, {{rule.id, std::string(value), figure}});
    if (const auto* found = std::get_if<SolvedJob>(&solved)) {
      way.figure = found->solved.front().value;
      way.becomes = saidOf(rules, rule, way.figure);
      able.push_back(std::move(way));
      continue;
    }
    const Issue& issue = std::get<Issue>(solved);
    const bool isMoving = std::find(moving.begin(), moving.end(), input) != moving.end();
    way.figure = argument(issue, "nearest");
    way.reaches = argument(issue, "gives");
    if (issue.id == "solve-none" && isMoving && !std::isnan(way.figure))
      unable.push_back(std::move(way));
  }
  able.insert(able.end(), unable.begin(), unable.end());
  return able;
}

}  // namespace drapery
