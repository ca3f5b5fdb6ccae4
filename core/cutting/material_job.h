// One material's share of a problem: what fits, as counts of kinds.
#pragma once

#include <vector>

#include "core/cutting/cut_layout.h"

namespace drapery {

/// How many of each kind.
using Counts = std::vector<int>;

struct MaterialJob {
  const CutProblem* problem = nullptr;
  std::vector<std::size_t> stocks;  // of the problem
  std::vector<std::size_t> kinds;   // pieces of the problem that fit one of them
  Counts counts;                    // wanted of each kind
  /// By stock and kind: the ways in which it may lie.
  std::vector<std::vector<std::vector<LyingSize>>> sizes;

  [[nodiscard]] const CutStock& stock(std::size_t i) const { return problem->stocks[stocks[i]]; }
  [[nodiscard]] const CutPiece& kind(std::size_t i) const { return problem->pieces[kinds[i]]; }
};

/// A problem's materials in the order of its stocks; what fits none goes to `unplaced`.
std::vector<MaterialJob> materialJobs(const CutProblem& problem, std::vector<Unplaced>& unplaced);

}  // namespace drapery
