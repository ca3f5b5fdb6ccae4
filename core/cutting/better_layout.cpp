#include "core/cutting/better_layout.h"

#include <algorithm>
#include <cmath>
#include <iterator>
#include <utility>

#include "core/cutting/edge_cuts.h"

namespace drapery {

namespace {

constexpr double kSame = 1e-9;

/// What there is of a material in a lay-out.
CutLayout shareOf(const CutProblem& problem, const CutLayout& layout, const std::string& material) {
  CutLayout share;
  std::copy_if(
      layout.sheets.begin(), layout.sheets.end(), std::back_inserter(share.sheets),
      [&](const CutSheet& sheet) { return problem.stocks[sheet.stock].material == material; });
  std::copy_if(
      layout.unplaced.begin(), layout.unplaced.end(), std::back_inserter(share.unplaced),
      [&](const Unplaced& each) { return problem.pieces[each.piece].material == material; });
  return share;
}

int countOf(const std::vector<Unplaced>& unplaced) {
  int count = 0;
  for (const Unplaced& each : unplaced) count += each.count;
  return count;
}

bool isBetter(const CutProblem& problem, const CutLayout& a, const MaterialCost& costs,
              const CutLayout& b, const MaterialCost& others) {
  if (countOf(a.unplaced) != countOf(b.unplaced)) return countOf(a.unplaced) < countOf(b.unplaced);
  if (std::abs(costs.cost - others.cost) > kSame)
    return (costs.cost < others.cost) != problem.isForValue;
  return largestLeft(problem, a) > largestLeft(problem, b);
}

}  // namespace

CutLayout betterOfEach(const CutProblem& problem, const CutLayout& before, CutLayout now) {
  const CutLayout laid = std::exchange(now, {});
  now.untaken = laid.untaken;
  now.isSettled = laid.isSettled;
  // What is of no material that lies there.
  std::copy_if(laid.unplaced.begin(), laid.unplaced.end(), std::back_inserter(now.unplaced),
               [&](const Unplaced& each) {
                 return std::none_of(laid.materials.begin(), laid.materials.end(),
                                     [&](const MaterialCost& cost) {
                                       return cost.material == problem.pieces[each.piece].material;
                                     });
               });
  for (MaterialCost cost : laid.materials) {
    CutLayout share = shareOf(problem, laid, cost.material);
    const auto known =
        std::find_if(before.materials.begin(), before.materials.end(),
                     [&](const MaterialCost& each) { return each.material == cost.material; });
    if (known != before.materials.end()) {
      CutLayout other = shareOf(problem, before, cost.material);
      const double bound = problem.isForValue ? std::min(cost.bound, known->bound)
                                              : std::max(cost.bound, known->bound);
      if (isBetter(problem, other, *known, share, cost)) {
        share = std::move(other);
        cost = *known;
      }
      cost.bound = bound;
      const bool isMet =
          problem.isForValue ? cost.cost >= bound - kSame : cost.cost <= bound + kSame;
      cost.isProven = cost.isWhole && isMet;
    }
    std::move(share.sheets.begin(), share.sheets.end(), std::back_inserter(now.sheets));
    std::move(share.unplaced.begin(), share.unplaced.end(), std::back_inserter(now.unplaced));
    now.materials.push_back(std::move(cost));
  }
  return now;
}

}  // namespace drapery
