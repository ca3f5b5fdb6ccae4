// Takings, some of few of all that there are, and quickly which of them go with another.
#pragma once

#include <array>
#include <cstdint>
#include <vector>

#include "core/cutting/count_index.h"

namespace drapery {

/// Of what may be lost of eight things the parts that are, in one word: rounded down to hundredths,
/// so that two are added, and held against all of it, at once.
class LostParts {
 public:
  static constexpr std::size_t kThings = 8;
  LostParts() = default;
  /// @param lost of all that may be, 1; more of any than that goes with nothing.
  explicit LostParts(const std::array<double, kThings>& lost);

  /// More than may be of each.
  static LostParts most() {
    LostParts most;
    most.word_ = ~kGuards;
    return most;
  }
  /// Of each thing what the one loses that loses less.
  friend LostParts leastOf(const LostParts& a, const LostParts& b);

  /// Whether both together lose no more than may be.
  friend bool isWithin(const LostParts& a, const LostParts& b) {
    return ((a.word_ + b.word_ + kSpare) & kGuards) == 0;
  }
  /// Of two that go together.
  friend LostParts operator+(LostParts a, const LostParts& b) {
    a.word_ += b.word_;
    return a;
  }
  [[nodiscard]] std::uint64_t word() const { return word_; }

  static constexpr std::uint64_t kGuards = 0x8080808080808080ULL;  // set where it is too much
  static constexpr std::uint64_t kSpare = 0x1b1b1b1b1b1b1b1bULL;  // of seven bits, beside a hundred

 private:
  std::uint64_t word_ = 0;
};

class FoundTakings {
 public:
  /// Of what the index tells.
  explicit FoundTakings(const CountIndex& index) : index_(&index) {}

  void add(std::size_t set, const LostParts& lost);
  [[nodiscard]] std::size_t size() const { return sets_.size(); }
  [[nodiscard]] std::size_t set(std::size_t found) const { return sets_[found]; }

  /// Those that hold no more together with `set` than there is, and lose no more with it than may
  /// be.
  /// @param found their numbers, in the order in which they were added.
  /// @returns how many joins of boxes take about as long.
  std::size_t besides(std::size_t set, const LostParts& lost,
                      std::vector<std::uint32_t>& found) const;

 private:
  // As many as are looked at together, or none of them if what all of them hold and lose does not
  // go with it.
  static constexpr std::size_t kBlock = 32;
  static constexpr std::size_t kOfAJoin = 8;  // looked at

  const CountIndex* index_;
  std::vector<std::uint32_t> sets_;
  std::vector<std::uint64_t> packed_, blocksPacked_;
  std::vector<LostParts> lost_, blocksLost_;
};

}  // namespace drapery
