// How long a lay-out may still take: by the clock, or by tries that are counted in its place.
#pragma once

#include <algorithm>
#include <chrono>

#include "core/cutting/lay_out_limits.h"
#include "core/cutting/packer.h"

namespace drapery {

class Watch {
 public:
  using Clock = std::chrono::steady_clock;

  Watch(const LayOutLimits& limits, double seconds)
      : limits_(limits),
        end_(Clock::now() +
             std::chrono::duration_cast<Clock::duration>(std::chrono::duration<double>(seconds))) {}
  [[nodiscard]] bool isCancelled() const { return limits_.isCancelled && limits_.isCancelled(); }
  [[nodiscard]] double left() const {
    return std::max(0.0, std::chrono::duration<double>(end_ - Clock::now()).count());
  }
  [[nodiscard]] bool isOver() const {
    return isCancelled() || (!limits_.steps && Clock::now() >= end_);
  }
  [[nodiscard]] bool isCounted() const { return limits_.steps.has_value(); }
  /// Where tries are counted in place of the clock, so is what goes into bounds.
  [[nodiscard]] double effort() const {
    return limits_.steps ? std::min(1.0, double(*limits_.steps) / kFullEffort) : 1.0;
  }
  /// So many, but no more than are to be tried in all.
  [[nodiscard]] std::uint64_t tries(std::uint64_t most) const {
    return std::min(most, limits_.steps.value_or(most));
  }
  [[nodiscard]] PackerPatience patience() const {
    return {[this] { return isOver(); }, [this] { return isCancelled(); }};
  }

 private:
  static constexpr double kFullEffort = 1000.0;  // tries

  const LayOutLimits& limits_;
  Clock::time_point end_;
};

}  // namespace drapery
