// Whether a formula adds like to like: no angle to a length, no bare 3 to a length, no choice
// compared with another's option.
#pragma once

#include <functional>
#include <vector>

#include "core/expr/formula.h"

namespace drapery {

/// What is known of the names that a formula uses.
struct KnownNames {
  std::function<Quantity(std::string_view name)> quantity;
  std::function<bool(std::string_view choice, std::string_view option)> hasOption;
};

/// What the formula comes to. Every mistake is added to `faults`; what depends on one is Open, so
/// that it is told once.
Quantity checkDimensions(const Formula& formula, const KnownNames& names,
                         std::vector<FormulaFault>& faults);

/// The same for a formula that must come to `wanted`.
void checkDimensions(const Formula& formula, const KnownNames& names, const Dimension& wanted,
                     std::vector<FormulaFault>& faults);

}  // namespace drapery
