#include "core/plan/tolerances.h"

#include <cmath>
#include <limits>

namespace drapery {

namespace {

/// Adds the squares of the larger changes toward either end of the readings.
void addVariance(Plan& plan, Evaluation& evaluation, std::size_t input, double half) {
  for (const Moving moving : {Moving::Sizes, Moving::BookOnly}) {
    const auto& dependents = plan.rules->dependents.of(*plan.rules, input, moving);
    std::vector<double> ends[2];
    for (std::size_t end = 0; end < 2; ++end) {
      evaluation.move(input, end == 0 ? -half : half, dependents, plan.values);
      for (const std::size_t i : dependents) ends[end].push_back(evaluation.table()[i]);
    }
    for (std::size_t k = 0; k < dependents.size(); ++k) {
      const std::size_t i = dependents[k];
      if (plan.rules->nodes[i].isTried != (moving == Moving::BookOnly)) continue;
      const double down = std::abs(ends[0][k] - plan.values[i]);
      const double up = std::abs(ends[1][k] - plan.values[i]);
      const double change = std::fmax(down, up);  // an end without a value does not count
      if (!std::isnan(change)) plan.tolerances[i] += change * change;
    }
    evaluation.restore(input, dependents, plan.values);
  }
}

}  // namespace

bool isReading(const Plan& plan, std::size_t node) {
  const ValueNode& value = plan.rules->nodes[node];
  return plan.rules->isInput(node) && value.unit == Unit::Millimetre && plan.entered[node] &&
         plan.counts[node] && plan.rules->inputs[value.rule].role == InputRole::Given;
}

void findTolerances(Plan& plan, Evaluation& evaluation) {
  const std::size_t size = plan.values.size();
  plan.tolerances.assign(size, 0.0);
  for (std::size_t input = 0; input < size; ++input) {
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
