#include "core/plan/tolerances.h"

#include <cmath>
#include <limits>

namespace drapery {

namespace {

/// Adds the squares of the larger changes toward either end of the readings.
void addVariance(Plan& plan, Evaluation& evaluation, std::size_t input, double half) {
  std::vector<double> lower;
  for (const Moving moving : {Moving::Sizes, Moving::BookOnly}) {
    const auto& dependents = plan.rules->dependents.of(*plan.rules, input, moving);
    evaluation.move(input, -half, dependents, plan.values);
    lower = evaluation.table();
    evaluation.move(input, half, dependents, plan.values);
    for (const std::size_t i : dependents) {
      if (plan.rules->nodes[i].isTried != (moving == Moving::BookOnly)) continue;
      const double down = std::abs(lower[i] - plan.values[i]);
      const double up = std::abs(evaluation.table()[i] - plan.values[i]);
      const double change = std::fmax(down, up);  // an end without a value does not count
      if (!std::isnan(change)) plan.tolerances[i] += change * change;
    }
    evaluation.restore(input, dependents, plan.values);
  }
}

}  // namespace

bool isReading(const Plan& plan, std::size_t node) {
  if (!plan.entered[node] || !plan.counts[node]) return false;
  const ValueNode& value = plan.rules->nodes[node];
  return value.unit == Unit::Millimetre && plan.rules->inputs[value.rule].role == InputRole::Given;
}

void findTolerances(Plan& plan, Evaluation& evaluation) {
  const std::size_t size = plan.values.size();
  plan.tolerances.assign(size, 0.0);
  for (const std::size_t input : plan.rules->inputNodes) {
    if (!isReading(plan, input)) continue;
    const double half = plan.readings[plan.rules->nodes[input].rule].spread() / 2;
    if (half <= 0.0) continue;
    plan.tolerances[input] = half * half;
    addVariance(plan, evaluation, input, half);
  }
  for (std::size_t i = 0; i < size; ++i)
    plan.tolerances[i] = std::isnan(plan.values[i]) ? std::numeric_limits<double>::quiet_NaN()
                                                    : std::sqrt(plan.tolerances[i]);
  for (std::size_t i = 0; i < size; ++i) {
    const ValueNode& node = plan.rules->nodes[i];
    if (node.source != ValueNode::Source::Tolerance) continue;
    plan.values[i] = plan.tolerances[node.uses.front()];
    evaluation.set(i, plan.values[i]);
  }
}

}  // namespace drapery
