#include "core/cutting/layout_of_bins.h"

#include <algorithm>
#include <map>
#include <optional>
#include <utility>

#include "core/cutting/edge_cuts.h"
#include "core/cutting/one_rest.h"

namespace drapery {

namespace {

/// A bin, and which sheet of the lay-out holds as much.
struct Laid {
  const Bin* bin = nullptr;
  std::size_t sheet = 0;
  double most = -1.0;  // um2
};

/// What lies on a sheet laid so that more is left in one piece than ever, if it can be.
void leaveMost(const MaterialJob& job, const Laid& which, double& left, MaterialLayOut& result) {
  Counts counts(job.kinds.size(), 0);
  for (const std::size_t kind : which.bin->holds) ++counts[kind];
  auto laid = withLargestOffCut(job, which.bin->stock, counts, left, [] { return false; });
  if (!laid) return;
  left = largestLeft(*job.problem, {{*laid}, {}, {}, {}});
  laid->repeat = result.sheets[which.sheet].repeat;
  result.sheets[which.sheet] = std::move(*laid);
}

}  // namespace

MaterialLayOut layOutOf(const MaterialJob& job, const std::vector<Bin>& bins,
                        const std::vector<std::size_t>& lost, bool isLast) {
  MaterialLayOut result;
  // By stock and what they hold: which of the sheets.
  std::map<std::pair<std::size_t, std::vector<std::size_t>>, std::size_t> alike;
  Laid one, emptiest;  // of the sheets: where most is left in one piece, in all
  for (const Bin& bin : bins) {
    const bool isRoll = job.stock(bin.stock).form == StockForm::Roll;
    std::vector<std::size_t> holds = bin.holds;
    std::sort(holds.begin(), holds.end());
    if (bin.pinned) {
      result.sheets.push_back(sheetOf(job, bin));
      result.sheets.back().pinned = job.pinned[*bin.pinned].sheet;
      continue;
    }
    const auto [found, isNew] =
        alike.try_emplace({bin.stock, std::move(holds)}, result.sheets.size());
    if (isRoll || isNew)
      result.sheets.push_back(sheetOf(job, bin));
    else
      ++result.sheets[found->second].repeat;
    if (isRoll) continue;
    const auto ask = [&, sheet = found->second](Laid& most, double left) {
      if (left > most.most) most = {&bin, sheet, left};
    };
    ask(one, oneRest(bin.parts, job.stock(bin.stock).kerf));
    ask(emptiest, roomOf(job.stock(bin.stock)) - bin.area);
  }
  if (one.bin != nullptr) {
    Bin pushed = *one.bin;
    pushTogether(pushed.parts, job.stock(pushed.stock).kerf);
    const int repeat = result.sheets[one.sheet].repeat;
    result.sheets[one.sheet] = sheetOf(job, pushed);
    result.sheets[one.sheet].repeat = repeat;
    double left = one.most;
    if (isLast)
      for (const Laid* which : {&one, &emptiest}) leaveMost(job, *which, left, result);
  }
  if (lost.empty()) return result;
  result.notPlaced.assign(job.kinds.size(), 0);
  for (const std::size_t kind : lost) ++result.notPlaced[kind];
  return result;
}

}  // namespace drapery
