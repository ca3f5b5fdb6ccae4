// How thoroughly lay-outs are made that nobody will cut: what to buy, how the book would lie on it.
#pragma once

#include <functional>

#include "core/cutting/cut_problem.h"
#include "core/cutting/lay_out_limits.h"

namespace drapery {

/// As much of it as is wanted; of a roll in one piece.
void makeEndless(CutStock& stock);

struct Reckoning {
  /// At a glance: by first lay-outs alone.
  bool isRough = false;
  /// May be empty; what was found by then is given.
  std::function<bool()> isCancelled = {};

  /// Up to forty pieces of one material as many tries as `most`; fewer of more, of which each
  /// takes longer and gains less.
  [[nodiscard]] LayOutLimits limits(const CutProblem& problem, std::uint64_t most) const;
  [[nodiscard]] bool isOver() const { return isCancelled && isCancelled(); }
};

}  // namespace drapery
