#include "core/cutting/slice_cover.h"

#include <algorithm>
#include <limits>

#include "core/cutting/cover_master.h"

namespace drapery {

namespace {

constexpr std::size_t kMostKinds = 250;
constexpr double kMostWork = 3e8;
constexpr double kBetter = 1e-9;
constexpr double kRounding = 1e-12;

std::vector<double> pricesOf(const CoverMaster& master) {
  std::vector<double> prices;
  for (std::size_t kind = 0; kind < master.rows(); ++kind)
    prices.push_back(std::max(0.0, master.price(kind)));
  return prices;
}

}  // namespace

SliceCover coverBySlices(const MaterialJob& job, const std::vector<double>& wanted,
                         SliceValues& slices, double enough, const std::function<bool()>& isOver) {
  SliceCover best;
  // Each kind in slices of its own to begin with.
  std::vector<CoverMaster::Row> rows;
  const std::vector<double> alone = slices.alone(job.kinds.size(), 1);
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) {
    const bool isAnywhere = alone[kind] > 0.0;
    if (!isAnywhere && wanted[kind] > 0.0) return {std::numeric_limits<double>::infinity()};
    rows.push_back({wanted[kind], false, isAnywhere ? alone[kind] : 1.0, 1.0});
  }
  if (!slices.isUsable() || job.kinds.size() > kMostKinds) return best;
  CoverMaster master(rows);
  for (double work = 0.0; work < kMostWork && !isOver(); work += slices.work()) {
    if (const auto slack = master.slack()) {
      if (!master.enterSlack(*slack)) break;
      continue;
    }
    std::vector<double> prices = pricesOf(master);
    double length = 0.0;  // of the slices that are taken now: no bound is above that
    for (std::size_t kind = 0; kind < prices.size(); ++kind) length += wanted[kind] * prices[kind];
    if (length <= enough) break;
    const double most = slices.best(prices, 1);
    if (most > 0.0 && length / most * (1 - kRounding) > best.least) {
      best.least = length / most * (1 - kRounding);
      for (double& price : prices) price /= most;
      best.prices = std::move(prices);
    }
    if (most <= 1.0 + kBetter || !master.enter(slices.slice(1), 1.0, -1)) break;
  }
  return best;
}

}  // namespace drapery
