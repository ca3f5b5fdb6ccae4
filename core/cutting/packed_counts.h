// Few of each of some kinds in a handful of words: two takings are added, and held against what
// there is, at once.
#pragma once

#include <algorithm>
#include <array>
#include <cstdint>

namespace drapery {

/// So many bits for each of up to 64 kinds, one of which is spare: with four up to seven are told.
template <unsigned kBits>
class PackedCountsOf {
 public:
  static constexpr std::size_t kKinds = 64;
  static constexpr int kMost = (1 << (kBits - 1)) - 1;

  /// Of one kind; more than can be told are as many as can.
  void set(std::size_t kind, int count) {
    const std::size_t shift = kBits * (kind % kOfAWord);
    std::uint64_t& word = words_[kind / kOfAWord];
    word &= ~(kFull << shift);
    word |= static_cast<std::uint64_t>(std::clamp(count, 0, kMost)) << shift;
  }
  [[nodiscard]] int of(std::size_t kind) const {
    return static_cast<int>(words_[kind / kOfAWord] >> (kBits * (kind % kOfAWord)) & kFull);
  }
  friend PackedCountsOf operator+(PackedCountsOf a, const PackedCountsOf& b) {
    for (std::size_t i = 0; i < kWords; ++i) a.words_[i] += b.words_[i];
    return a;
  }
  friend bool operator==(const PackedCountsOf&, const PackedCountsOf&) = default;
  /// As many as can be told less what there is, for `isThere`.
  [[nodiscard]] PackedCountsOf lacking() const {
    PackedCountsOf lacking;
    for (std::size_t i = 0; i < kWords; ++i) lacking.words_[i] = kMost * kOnes - words_[i];
    return lacking;
  }
  /// Whether there are as many as both together hold.
  /// @param lacking of what there is; neither holds more of a kind than that.
  static bool isThere(const PackedCountsOf& a, const PackedCountsOf& b,
                      const PackedCountsOf& lacking) {
    std::uint64_t over = 0;
    for (std::size_t i = 0; i < kWords; ++i) over |= a.words_[i] + b.words_[i] + lacking.words_[i];
    return (over & (kMost + 1) * kOnes) == 0;
  }
  [[nodiscard]] std::uint64_t hash(std::uint64_t seed) const {
    for (const std::uint64_t word : words_) {
      seed = (seed ^ word) * 0x9e3779b97f4a7c15ULL;
      seed ^= seed >> 29U;
    }
    return seed;
  }

 private:
  static constexpr std::size_t kOfAWord = 64 / kBits, kWords = kKinds / kOfAWord;
  static constexpr std::uint64_t kFull = (std::uint64_t{1} << kBits) - 1;
  static constexpr std::uint64_t kOnes = ~std::uint64_t{0} / kFull;  // one of each
  std::array<std::uint64_t, kWords> words_{};
};
using PackedCounts = PackedCountsOf<4>;

}  // namespace drapery
