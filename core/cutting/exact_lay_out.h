// The best lay-out of a small job, by trying all of them.
#pragma once

#include <cstdint>
#include <functional>
#include <limits>
#include <optional>

#include "core/cutting/material_job.h"

namespace drapery {

struct MaterialLayOut {
  std::vector<CutSheet> sheets;
  double cost = 0.0;
  double bound = 0.0;
  Counts notPlaced = {};  // by kind; empty where all are
};

/// Least cost and then, for sheets, the largest rectangle left over; none where the job is too
/// large for that or has pins, the stock does not suffice, or `isEnough` says to stop.
std::optional<MaterialLayOut> exactLayOut(const MaterialJob& job,
                                          const std::function<bool()>& isEnough);

/// What is looked for: what costs less than that, of stock that has no more room than that.
struct CostLimits {
  double below = std::numeric_limits<double>::infinity();
  double room = std::numeric_limits<double>::infinity();  // um2, enlarged by the kerfs
  /// What is lost is looked at at prices, too, where so many pairs of takings are to be joined:
  /// fewer are joined sooner.
  double priced = 3e5;
};
struct ExactBelow {
  bool isAll = false;                       // was tried
  std::optional<MaterialLayOut> laid = {};  // the least; none: nothing costs less
};
/// @param work so many joins of boxes at most; what it needed is taken from it.
ExactBelow exactBelow(const MaterialJob& job, const CostLimits& limits, std::uint64_t& work,
                      const std::function<bool()>& isEnough);

/// What lies on one sheet of a stock, laid so that the largest rectangle is left over; none where
/// that is not larger than `over`, um2, there is too much of it to try all, or `isEnough` says to
/// stop.
std::optional<CutSheet> withLargestOffCut(const MaterialJob& job, std::size_t stock,
                                          const Counts& holds, double over,
                                          const std::function<bool()>& isEnough);

/// What is used of a roll on which boxes, enlarged, end there.
Micrometres usedOf(const CutStock& roll, Micrometres along);
/// How far boxes, enlarged, may reach along so much of a roll as costs less than that.
Micrometres alongBelow(const CutStock& roll, double cost);
/// Of a sheet, or of a roll on which boxes end there.
double costOf(const CutStock& stock, Micrometres along);

}  // namespace drapery
