// Sheets by patterns, whole ones only: those that would be used whole are taken, patterns are found
// again for what is then left, and so on, down to the last sheets.
#pragma once

#include <functional>
#include <random>

#include "core/cutting/bin.h"
#include "core/cutting/pattern_bound.h"

namespace drapery {

class PatternDive {
 public:
  /// @param patterns of all that is wanted.
  /// @param chance which of several is taken; none: the one that would be used most.
  PatternDive(const MaterialJob& job, const Patterns& patterns, std::mt19937_64* chance,
              std::function<bool()> isOver);

  /// Some more sheets; false at the end: what is then left no pattern holds well.
  bool step();
  [[nodiscard]] const std::vector<Bin>& bins() const { return bins_; }
  /// Sheets by stock of the job.
  [[nodiscard]] const std::vector<int>& used() const { return used_; }
  /// What is left, and which part of the area of all that is.
  [[nodiscard]] const Counts& wanted() const { return wanted_; }
  [[nodiscard]] double left() const;

 private:
  [[nodiscard]] bool isAnyWanted() const;

  const MaterialJob& job_;
  std::mt19937_64* chance_;
  std::function<bool()> isOver_;
  std::vector<PatternUse> known_;
  std::vector<Bin> bins_;
  std::vector<int> used_;
  Counts wanted_;
};

}  // namespace drapery
