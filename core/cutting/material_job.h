// One material's share of a problem: what fits, as counts of kinds.
#pragma once

#include <memory>
#include <vector>

#include "core/cutting/pinned_sheet.h"

namespace drapery {

class StockRoomLosses;

/// How many of each kind.
using Counts = std::vector<int>;

struct MaterialJob {
  const CutProblem* problem = nullptr;
  std::vector<std::size_t> stocks;  // of the problem
  std::vector<std::size_t> kinds;   // pieces of the problem that fit one of them
  Counts counts;                    // wanted of each kind, those on pinned sheets not counted
  /// By stock and kind: the ways in which it may lie.
  std::vector<std::vector<std::vector<LyingSize>>> sizes;
  /// In the job's own terms: of a stock of the job, its pieces kinds.
  std::vector<PinnedSheet> pinned = {};
  /// Of all of this material, also of a part of it that is looked at alone.
  std::shared_ptr<StockRoomLosses> roomLosses = {};

  [[nodiscard]] const CutStock& stock(std::size_t i) const { return problem->stocks[stocks[i]]; }
  [[nodiscard]] const CutPiece& kind(std::size_t i) const { return problem->pieces[kinds[i]]; }
};

/// Pieces by their kinds, and how many there are of each.
struct Pool {
  std::vector<std::size_t> kinds;
  Counts counts;
};
/// @param pieces kinds, each as often as there is one.
Pool poolOf(std::vector<std::size_t> pieces);
std::vector<std::size_t> piecesOf(const Pool& pool);
/// @param wanted of each kind of a job.
std::vector<std::size_t> piecesOf(const Counts& wanted);
/// Without kinds of which there are none any more.
void dropGone(Pool& pool);
/// As short as a room can be that may hold any of those kinds, um; endless where one does not fit.
Micrometres shortestFor(const MaterialJob& job, std::size_t stock,
                        const std::vector<std::size_t>& kinds);
/// How many there are of each of a job's kinds.
Counts countsOf(const std::vector<std::size_t>& pieces, std::size_t kinds);

/// A problem's materials in the order of its stocks; what fits none, and pins that cannot be kept,
/// are told in `told`.
std::vector<MaterialJob> materialJobs(const CutProblem& problem, CutLayout& told);

/// Of one piece as its stock enlarges it, where that is least: stocks have kerfs of their own; um2.
double leastAreaOf(const MaterialJob& job, std::size_t kind);

/// Whether all of it comes from one roll of which there is one.
bool isOneRoll(const MaterialJob& job);

/// So many of each, and only kinds of which there are any.
/// @param kinds which they are of the job's.
MaterialJob onlyWanted(const MaterialJob& job, const Counts& wanted,
                       std::vector<std::size_t>& kinds);

/// The same with one of its stocks alone, on which nothing is pinned.
MaterialJob onStockAlone(MaterialJob job, std::size_t stock);

/// The same as if nothing were pinned.
MaterialJob withoutPins(const MaterialJob& job);

}  // namespace drapery
