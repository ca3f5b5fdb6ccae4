// In which order to compute, or the circle that forbids it.
#pragma once

#include <cstddef>
#include <variant>
#include <vector>

namespace drapery {

using DependencyOrder = std::vector<std::size_t>;
/// Each uses the next; the last is the first again.
using DependencyCircle = std::vector<std::size_t>;

struct OrderOrCircle {
  DependencyOrder order;    // empty when there is a circle
  DependencyCircle circle;  // empty when there is none
};

/// `uses[i]` lists what i reads. Stable: of two that may go first, the lower number does.
OrderOrCircle orderByDependence(const std::vector<std::vector<std::size_t>>& uses);

}  // namespace drapery
