// All the ways to take some of what is wanted, numbered: 0 is nothing, the last is all.
#pragma once

#include <cstddef>
#include <cstdint>
#include <vector>

#include "core/cutting/material_job.h"

namespace drapery {

class CountIndex {
 public:
  explicit CountIndex(const Counts& wanted);

  /// How many numbers there are; and how many pairs of a number and a part of what it stands for.
  static double sizeOf(const Counts& wanted);
  static double pairsOf(const Counts& wanted);

  [[nodiscard]] std::size_t size() const { return size_; }
  [[nodiscard]] std::size_t kinds() const { return strides_.size(); }
  [[nodiscard]] std::size_t all() const { return size_ - 1; }
  /// The number of one piece of a kind alone; those of two takings add up.
  [[nodiscard]] std::size_t one(std::size_t kind) const { return strides_[kind]; }
  [[nodiscard]] int count(std::size_t set, std::size_t kind) const {
    return digits_[set * strides_.size() + kind];
  }

  /// How many parts it has, nothing and itself with them.
  [[nodiscard]] std::uint64_t partsOf(std::size_t set) const {
    std::uint64_t parts = 1;
    for (std::size_t kind = 0; kind < kinds(); ++kind)
      parts *= static_cast<std::uint64_t>(count(set, kind)) + 1;
    return parts;
  }

  /// Calls with the number of each part of what `set` stands for: nothing first, `set` last.
  template <typename Act>
  void eachPartOf(std::size_t set, Act act) const {
    eachPartUpTo(set, set, act);
  }
  /// With that of the lower of any two that make it up: each such pair once.
  template <typename Act>
  void eachHalfOf(std::size_t set, Act act) const {
    eachPartUpTo(set, set / 2, act);
  }

 private:
  /// They come by rising number.
  template <typename Act>
  void eachPartUpTo(std::size_t set, std::size_t last, Act act) const {
    const int* const there = &digits_[set * kinds()];
    std::vector<int> taken(kinds(), 0);
    std::size_t part = 0;
    while (part <= last) {
      act(part);
      std::size_t kind = 0;
      while (kind < kinds() && taken[kind] == there[kind]) {
        part -= static_cast<std::size_t>(taken[kind]) * strides_[kind];
        taken[kind++] = 0;
      }
      if (kind == kinds()) return;
      ++taken[kind];
      part += strides_[kind];
    }
  }

  std::vector<std::size_t> strides_;
  std::vector<int> digits_;
  std::size_t size_ = 1;
};

}  // namespace drapery
