#include "core/cutting/layout_of_bins.h"

#include <algorithm>
#include <map>
#include <optional>
#include <utility>

namespace drapery {

MaterialLayOut layOutOf(const MaterialJob& job, const std::vector<Bin>& bins,
                        const std::vector<std::size_t>& lost, bool isLast) {
  MaterialLayOut result;
  // By stock and what they hold: which of the sheets.
  std::map<std::pair<std::size_t, std::vector<std::size_t>>, std::size_t> alike;
  std::optional<std::pair<std::size_t, const Bin*>> emptiest;  // of sheets
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
    if (!isNew && !isRoll) {
      ++result.sheets[found->second].repeat;
      continue;
    }
    result.sheets.push_back(sheetOf(job, bin));
    if (!isRoll && (!emptiest || shareOf(job, bin) < shareOf(job, *emptiest->second)))
      emptiest = {result.sheets.size() - 1, &bin};
  }
  // What is left over in one piece counts where most is left.
  if (emptiest && isLast) {
    const auto& [which, bin] = *emptiest;
    Counts counts(job.kinds.size(), 0);
    for (const std::size_t kind : bin->holds) ++counts[kind];
    if (auto laid = withLargestOffCut(job, bin->stock, counts)) {
      laid->repeat = result.sheets[which].repeat;
      result.sheets[which] = std::move(*laid);
    }
  }
  if (lost.empty()) return result;
  result.notPlaced.assign(job.kinds.size(), 0);
  for (const std::size_t kind : lost) ++result.notPlaced[kind];
  return result;
}

}  // namespace drapery
