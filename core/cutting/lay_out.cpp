#include "core/cutting/lay_out.h"

#include <algorithm>
#include <chrono>
#include <cmath>

#include "core/cutting/cost_bound.h"
#include "core/cutting/packer.h"

namespace drapery {

namespace {

using Clock = std::chrono::steady_clock;
constexpr double kSame = 1e-9;
constexpr std::uint64_t kLook = 8;  // tries between looks at the clock

class Watch {
 public:
  Watch(const LayOutLimits& limits, double seconds)
      : limits_(limits),
        end_(Clock::now() +
             std::chrono::duration_cast<Clock::duration>(std::chrono::duration<double>(seconds))) {}
  [[nodiscard]] bool isCancelled() const { return limits_.isCancelled && limits_.isCancelled(); }
  [[nodiscard]] bool isOver() const {
    return isCancelled() || (!limits_.steps && Clock::now() >= end_);
  }

 private:
  const LayOutLimits& limits_;
  Clock::time_point end_;
};

MaterialLayOut bestOf(const MaterialJob& job, const LayOutLimits& limits, const Watch& watch) {
  if (job.problem->isForValue)
    if (auto most = mostValue(job)) return std::move(*most);
  if (auto exact = exactLayOut(job, [&] { return watch.isOver(); })) return std::move(*exact);
  const double bound = costBound(job);
  Packer packer(job, limits.seed);
  for (std::uint64_t i = 0; packer.cost() > bound + kSame; ++i) {
    if (limits.steps && i >= *limits.steps) break;
    if (i % kLook == 0 && watch.isOver()) break;
    packer.step();
  }
  MaterialLayOut found = packer.layOut();
  found.bound = bound;
  return found;
}

MaterialCost tell(const MaterialJob& job, const MaterialLayOut& found) {
  MaterialCost cost;
  cost.material = job.stock(0).material;
  cost.cost = found.cost;
  cost.bound = std::min(found.bound, found.cost);
  cost.isProven = found.notPlaced.empty() && found.cost <= found.bound + kSame;
  for (const CutSheet& sheet : found.sheets) {
    const CutStock& stock = job.problem->stocks[sheet.stock];
    if (stock.form == StockForm::Sheet) {
      cost.sheets += sheet.repeat;
      continue;
    }
    Micrometres end = 0;
    for (const CutPlacement& placement : sheet.placements)
      end = std::max(end, placement.y + placement.along);
    cost.length += end;
  }
  return cost;
}

}  // namespace

CutLayout layOut(const CutProblem& problem, const LayOutLimits& limits) {
  CutLayout result;
  const std::vector<MaterialJob> jobs = materialJobs(problem, result.unplaced);
  const auto busy = std::count_if(jobs.begin(), jobs.end(),
                                  [](const MaterialJob& job) { return !job.kinds.empty(); });
  for (const MaterialJob& job : jobs) {
    if (job.kinds.empty()) continue;
    const Watch watch(limits, limits.seconds / static_cast<double>(busy));
    MaterialLayOut found = bestOf(job, limits, watch);
    result.materials.push_back(tell(job, found));
    for (std::size_t kind = 0; kind < found.notPlaced.size(); ++kind)
      if (found.notPlaced[kind] > 0)
        result.unplaced.push_back({job.kinds[kind], found.notPlaced[kind]});
    std::move(found.sheets.begin(), found.sheets.end(), std::back_inserter(result.sheets));
  }
  return result;
}

}  // namespace drapery
