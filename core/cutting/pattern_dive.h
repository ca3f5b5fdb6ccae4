// Sheets by patterns, whole ones only: those that would be used whole are taken, patterns are found
// again for what is then left, and so on, down to the last sheets.
#pragma once

#include <algorithm>
#include <functional>
#include <optional>
#include <random>

#include "core/cutting/bin.h"
#include "core/cutting/pattern_bound.h"

namespace drapery {

struct LaidInPart {
  std::vector<Bin> bins;  // of a roll each a slab
  std::vector<int> used;  // by stock of the job
  Counts wanted;          // what is left
};

/// What lies on slabs of a roll on the roll itself, one slab after the other, as long as it
/// reaches.
void joinRolls(const MaterialJob& job, LaidInPart& laid);

class PatternDive {
 public:
  /// @param patterns of all that is wanted. @param effort of what goes into a bound, each time.
  /// @param chance which of several is taken; none: the one that would be used most.
  PatternDive(const MaterialJob& job, const Patterns& patterns, double effort,
              std::mt19937_64* chance, std::function<bool()> isOver);

  /// Some more sheets; false at the end: what is then left no pattern holds well.
  bool step();
  [[nodiscard]] const LaidInPart& laid() const { return laid_; }
  /// Which part of the area of all that is left.
  [[nodiscard]] double left() const;

 private:
  [[nodiscard]] bool isAnyWanted() const;

  const MaterialJob& job_;
  double effort_;
  std::mt19937_64* chance_;
  std::function<bool()> isOver_;
  std::vector<PatternUse> known_;
  LaidInPart laid_;
};

struct NearestLaid {
  LaidInPart laid;
  double near = 0.0, left = 1.0;
};

/// How much by patterns is best depends on the job: on the way down what is left is laid now and
/// then, as long as that comes nearer, or no more often than so in vain.
/// @param most what is left where that begins, of all. @param lay tells how near what is laid comes
/// with what is left of it, 0 where nothing is nearer; none where it was left undone.
template <typename Lay>
std::optional<NearestLaid> nearestBelow(PatternDive& down, double most, std::size_t mostWorse,
                                        Lay lay) {
  constexpr double kLess = 0.8;  // of that
  std::optional<NearestLaid> nearest;
  bool isMore = true;
  for (std::size_t worse = 0; isMore && worse < mostWorse && (!nearest || nearest->near > 0);) {
    isMore = down.step();
    if (isMore && down.left() > most) continue;
    most = kLess * std::min(most, down.left());
    const std::optional<double> near = lay(down.laid());
    if (!near) return std::nullopt;
    if (nearest && *near >= nearest->near) {
      ++worse;
      continue;
    }
    worse = 0;
    nearest = NearestLaid{down.laid(), *near, down.left()};
  }
  return nearest;
}

}  // namespace drapery
