// Takings, some of few of all that there are, and quickly which of them go with another.
#pragma once

#include <cstdint>
#include <vector>

#include "core/cutting/count_index.h"

namespace drapery {

class FoundTakings {
 public:
  /// Of what the index tells.
  explicit FoundTakings(const CountIndex& index) : index_(index) {}

  /// @param loses what is lost by it.
  void add(std::size_t set, float loses);
  [[nodiscard]] std::size_t size() const { return sets_.size(); }
  [[nodiscard]] std::size_t set(std::size_t found) const { return sets_[found]; }

  /// Those that hold no more together with `set` than there is, and lose no more than that.
  /// @param found their numbers, in the order in which they were added.
  /// @returns how many were looked at.
  std::size_t besides(std::size_t set, float mostLost, std::vector<std::uint32_t>& found) const;

 private:
  // As many as are looked at together, or none of them if what all of them hold and lose does not
  // go with it.
  static constexpr std::size_t kBlock = 32;

  const CountIndex& index_;
  std::vector<std::uint32_t> sets_;
  std::vector<std::uint64_t> packed_, blocksPacked_;
  std::vector<float> loses_, blocksLose_;
};

}  // namespace drapery
