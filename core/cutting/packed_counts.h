// Few of each of some kinds in a handful of words: two takings are added, and held against what
// there is, at once.
#pragma once

#include <algorithm>
#include <array>
#include <cstdint>

namespace drapery {

/// Four bits for each of up to 64 kinds, of which up to seven are told.
class PackedCounts {
 public:
  static constexpr std::size_t kKinds = 64;
  static constexpr int kMost = 7;

  /// Of one kind; more than seven are seven.
  void set(std::size_t kind, int count) {
    const std::size_t shift = kBits * (kind % kOfAWord);
    std::uint64_t& word = words_[kind / kOfAWord];
    word &= ~(std::uint64_t{15} << shift);
    word |= static_cast<std::uint64_t>(std::clamp(count, 0, kMost)) << shift;
  }
  [[nodiscard]] int of(std::size_t kind) const {
    return static_cast<int>(words_[kind / kOfAWord] >> (kBits * (kind % kOfAWord)) & 15U);
  }
  friend PackedCounts operator+(PackedCounts a, const PackedCounts& b) {
    for (std::size_t i = 0; i < kWords; ++i) a.words_[i] += b.words_[i];
    return a;
  }
  /// Seven less what there is, for `isThere`.
  [[nodiscard]] PackedCounts lacking() const {
    PackedCounts lacking;
    for (std::size_t i = 0; i < kWords; ++i) lacking.words_[i] = kSevens - words_[i];
    return lacking;
  }
  /// Whether there are as many as both together hold.
  /// @param lacking of what there is; neither holds more of a kind than that.
  static bool isThere(const PackedCounts& a, const PackedCounts& b, const PackedCounts& lacking) {
    std::uint64_t over = 0;
    for (std::size_t i = 0; i < kWords; ++i) over |= a.words_[i] + b.words_[i] + lacking.words_[i];
    return (over & kEights) == 0;
  }
  [[nodiscard]] std::uint64_t hash(std::uint64_t seed) const {
    for (const std::uint64_t word : words_) {
      seed = (seed ^ word) * 0x9e3779b97f4a7c15ULL;
      seed ^= seed >> 29U;
    }
    return seed;
  }

 private:
  static constexpr std::size_t kBits = 4, kOfAWord = 16, kWords = kKinds / kOfAWord;
  static constexpr std::uint64_t kSevens = 0x7777777777777777ULL, kEights = 0x8888888888888888ULL;
  std::array<std::uint64_t, kWords> words_{};
};

}  // namespace drapery
