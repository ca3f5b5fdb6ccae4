#include "core/cutting/slice_bound.h"

#include <algorithm>
#include <cmath>

#include "core/cutting/cover_master.h"
#include "core/cutting/slice_values.h"

namespace drapery {

namespace {

constexpr std::size_t kMostKinds = 250;
constexpr double kMostWork = 3e8;
constexpr double kBetter = 1e-9;
constexpr double kHardly = 5e-4;

class SliceBound {
 public:
  explicit SliceBound(const MaterialJob& job) : job_(job), slices_(job, 0) {}

  double find(double known, const std::function<bool()>& isOver) {
    if (!slices_.isUsable() || job_.kinds.size() > kMostKinds) return 0.0;
    CoverMaster master(rows());
    double best = 0.0;
    for (double work = 0.0; work < kMostWork && !isOver(); work += slices_.work()) {
      if (const auto slack = master.slack()) {
        if (!master.enterSlack(*slack)) break;
        continue;
      }
      const std::vector<double> prices = pricesOf(master);
      double length = 0.0;  // of the slices that are taken now: no bound is above that
      for (std::size_t kind = 0; kind < prices.size(); ++kind)
        length += job_.counts[kind] * prices[kind];
      if (rollCost(length) <= known * (1 + kHardly)) break;
      const double most = slices_.best(prices, 1);
      if (most > 0.0) best = std::max(best, length / most);
      if (most <= 1.0 + kBetter || !master.enter(slices_.slice(1), 1.0, -1)) break;
    }
    return rollCost(best * (1 - 1e-12));
  }

 private:
  /// @param length of all slices, enlarged.
  [[nodiscard]] double rollCost(double length) const {
    const CutStock& roll = job_.stock(0);
    return std::max(0.0, roll.cost * (double(roll.bottom) + length - double(roll.kerf)) / 1e6);
  }
  /// Each kind in slices of its own to begin with.
  [[nodiscard]] std::vector<CoverMaster::Row> rows() const {
    std::vector<CoverMaster::Row> rows;
    const auto across = double(usableOf(job_.stock(0)).across);
    for (std::size_t kind = 0; kind < job_.kinds.size(); ++kind) {
      rows.push_back({double(job_.counts[kind]), false, 0.0, 1.0});
      for (const LyingSize& way : job_.sizes[0][kind])
        rows.back().holds = std::max(rows.back().holds,
                                     std::floor(across / double(way.across)) / double(way.along));
    }
    return rows;
  }
  [[nodiscard]] std::vector<double> pricesOf(const CoverMaster& master) const {
    std::vector<double> prices;
    for (std::size_t kind = 0; kind < job_.kinds.size(); ++kind)
      prices.push_back(std::max(0.0, master.price(kind)));
    return prices;
  }

  const MaterialJob& job_;
  SliceValues slices_;
};

}  // namespace

double sliceBound(const MaterialJob& job, double known, const std::function<bool()>& isOver) {
  if (!isOneRoll(job) || job.stock(0).cost <= 0) return 0.0;
  return SliceBound(job).find(known, isOver);
}

}  // namespace drapery
