// All the ways to take some of what is wanted, numbered: 0 is nothing, the last is all.
#pragma once

#include <cstddef>
#include <cstdint>
#include <vector>

#include "core/cutting/material_job.h"

namespace drapery {

class CountIndex {
 public:
  /// Few enough that all of them can be told one by one.
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
    return static_cast<int>(packed_[set] >> shifts_[kind] & masks_[kind]);
  }
  /// A taking as a word: two hold no more of any kind than there is where none of the `guards` is
  /// set in their sum and `spare`.
  [[nodiscard]] std::uint64_t packed(std::size_t set) const { return packed_[set]; }
  [[nodiscard]] std::uint64_t spare() const { return spare_; }
  [[nodiscard]] std::uint64_t guards() const { return guards_; }

  /// Whether there are as many of each kind as two takings hold.
  [[nodiscard]] bool isThere(std::size_t a, std::size_t b) const {
    return ((packed_[a] + packed_[b] + spare_) & guards_) == 0;
  }
  [[nodiscard]] bool isPartOf(std::size_t part, std::size_t set) const {
    for (std::size_t kind = 0; kind < kinds(); ++kind)
      if (count(part, kind) > count(set, kind)) return false;
    return true;
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
    struct Taken {
      std::size_t stride = 0;
      int much = 0, there = 0;
    };
    std::vector<Taken> taken;
    for (std::size_t kind = 0; kind < kinds(); ++kind)
      if (const int there = count(set, kind); there > 0)
        taken.push_back({strides_[kind], 0, there});
    std::size_t part = 0;
    while (part <= last) {
      act(part);
      auto next = taken.begin();
      for (; next != taken.end() && next->much == next->there; ++next) {
        part -= static_cast<std::size_t>(next->much) * next->stride;
        next->much = 0;
      }
      if (next == taken.end()) return;
      ++next->much;
      part += next->stride;
    }
  }

  std::vector<std::size_t> strides_;
  std::size_t size_ = 1;
  // Of each kind of which there is any, how many, and a bit above that.
  std::vector<std::uint64_t> packed_, masks_;
  std::vector<unsigned> shifts_;
  std::uint64_t spare_ = 0, guards_ = 0;
};

}  // namespace drapery
