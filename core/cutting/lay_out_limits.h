// How long a lay-out may take, who may end it, and who is told of better ones.
#pragma once

#include <cstdint>
#include <functional>
#include <optional>

#include "core/cutting/cut_layout.h"

namespace drapery {

struct LayOutLimits {
  double seconds = 5.0;
  /// In place of the clock: so many tries for each material. The same problem, seed and steps then
  /// give the same lay-out.
  std::optional<std::uint64_t> steps;
  std::uint64_t seed = 1;
  /// Asked often, by two threads at once; true ends it with the best so far.
  std::function<bool()> isCancelled = {};
  /// Told the first lay-out and better ones, a few times a second, in the calling thread.
  std::function<void(const CutLayout&)> onBetter = {};
};

}  // namespace drapery
