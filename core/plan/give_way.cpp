#include "core/plan/give_way.h"

#include <algorithm>
#include <cmath>

#include "core/plan/job_inputs.h"
#include "core/plan/solve.h"

namespace drapery {

namespace {

/// Whether the block lies there: something was read on it.
bool isBlockThere(const Plan& plan) {
  return std::any_of(plan.rules->inputNodes.begin(), plan.rules->inputNodes.end(),
                     [&](std::size_t input) {
                       const InputRule& rule = plan.rules->inputs[plan.rules->nodes[input].rule];
                       return !rule.places.empty() && plan.isMeasured(input);
                     });
}

/// A measure that was taken stays what it is; on a block that lies there the others are as they are
/// too, said or not.
bool mayGiveWay(const Plan& plan, std::size_t input, bool isBlockThere) {
  const InputRule& rule = plan.rules->inputs[plan.rules->nodes[input].rule];
  if (rule.role == InputRole::Allowance || plan.isPlanned(input)) return true;
  return !plan.isMeasured(input) && !isBlockThere;
}

std::string planWay(const RuleSet& rules) {
  for (const WayRule& way : rules.ways)
    if (way.isPlan) return way.id;
  return {};
}

double argument(const Issue& issue, std::string_view name) {
  for (const auto& [key, value] : issue.arguments)
    if (key.text() == name)
      if (const auto* amount = std::get_if<Amount>(&value)) return amount->value;
  return std::nan("");
}

}  // namespace

Entry decidedEntry(const RuleSet& rules, const InputRule& rule, double figure) {
  const std::string way = planWay(rules);
  if (rule.role == InputRole::Allowance || way.empty()) return {figure, {}};
  return readingEntry(figure, way);
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
  const bool isThere = isBlockThere(plan);
  std::vector<GivingWay> able, unable;
  for (const std::size_t input : rules.inputNodes) {
    const InputRule& rule = rules.inputs[rules.nodes[input].rule];
    const auto& dependents = rules.dependents.of(rules, input, Moving::All);
    const bool isBehind =
        std::find(dependents.begin(), dependents.end(), *node) != dependents.end();
    if (!isBehind || !plan.counts[input] || !mayGiveWay(plan, input, isThere)) continue;
    GivingWay way{input, fieldOf(rule), std::nullopt, 0.0, std::nullopt};
    auto solved = solve(free, planner, {{rule.id, std::string(value), figure}});
    if (const auto* found = std::get_if<SolvedJob>(&solved)) {
      way.figure = found->solved.front().value;
      way.becomes = decidedEntry(rules, rule, way.figure);
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
