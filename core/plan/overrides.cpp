#include "core/plan/overrides.h"

#include <cmath>

namespace drapery {

Overrides settledBy(Moment moment, const Plan& plan) {
  Overrides settled;
  for (std::size_t i = 0; i < plan.values.size(); ++i) {
    const ValueNode& node = plan.rules->nodes[i];
    const bool isSettled = node.settles <= moment && !plan.rules->isInput(i);
    if (isSettled && !std::isnan(plan.values[i])) settled.fixed[node.name] = plan.values[i];
  }
  if (moment >= Moment::Cut)
    for (const PartRule& part : plan.rules->parts) {
      const auto side = [&](std::size_t offset) -> std::optional<Length> {
        const double value = plan.values[part.firstNode + offset];
        if (std::isnan(value)) return std::nullopt;
        return Length::fromMm(value);
      };
      settled.asCut[part.id] = {side(2), side(3)};
    }
  return settled;
}

}  // namespace drapery
