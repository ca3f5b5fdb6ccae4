// Sheets by patterns, whole ones only: those that would be used whole are taken, patterns are found
// again for what is then left, and so on, down to the last sheets.
#pragma once

#include <functional>
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
  /// @param patterns of all that is wanted.
  /// @param chance which of several is taken; none: the one that would be used most.
  PatternDive(const MaterialJob& job, const Patterns& patterns, std::mt19937_64* chance,
              std::function<bool()> isOver);

  /// Some more sheets; false at the end: what is then left no pattern holds well.
  bool step();
  [[nodiscard]] const LaidInPart& laid() const { return laid_; }
  /// Which part of the area of all that is left.
  [[nodiscard]] double left() const;

 private:
  [[nodiscard]] bool isAnyWanted() const;

  const MaterialJob& job_;
  std::mt19937_64* chance_;
  std::function<bool()> isOver_;
  std::vector<PatternUse> known_;
  LaidInPart laid_;
};

}  // namespace drapery
