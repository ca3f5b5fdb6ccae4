#include "core/cutting/layout_of_bins.h"

#include <algorithm>
#include <map>
#include <optional>
#include <utility>

#include "core/cutting/one_rest.h"

namespace drapery {

/// @param sheet of what lies in the bin: laid as there, or if there is time so that most is left in
/// one piece.
static void leaveMost(const MaterialJob& job, Bin bin, bool isLast, CutSheet& sheet) {
  const int repeat = sheet.repeat;
  const Micrometres kerf = job.stock(bin.stock).kerf;
  std::optional<CutSheet> laid;
  if (isLast) {
    Counts counts(job.kinds.size(), 0);
    for (const std::size_t kind : bin.holds) ++counts[kind];
    laid =
        withLargestOffCut(job, bin.stock, counts, oneRest(bin.parts, kerf), [] { return false; });
  }
  pushTogether(bin.parts, kerf);
  sheet = laid ? std::move(*laid) : sheetOf(job, bin);
  sheet.repeat = repeat;
}

MaterialLayOut layOutOf(const MaterialJob& job, const std::vector<Bin>& bins,
                        const std::vector<std::size_t>& lost, bool isLast) {
  MaterialLayOut result;
  // By stock and what they hold: which of the sheets.
  std::map<std::pair<std::size_t, std::vector<std::size_t>>, std::size_t> alike;
  struct Left {
    std::size_t sheet = 0;
    const Bin* bin = nullptr;
    double area = -1.0;  // um2
  };
  Left most;  // of the sheets, where most is left in one piece
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
    const double left = isRoll ? 0.0 : oneRest(bin.parts, job.stock(bin.stock).kerf);
    if (isRoll || isNew)
      result.sheets.push_back(sheetOf(job, bin));
    else
      ++result.sheets[found->second].repeat;
    if (!isRoll && left > most.area) most = {found->second, &bin, left};
  }
  if (most.bin != nullptr) leaveMost(job, *most.bin, isLast, result.sheets[most.sheet]);
  if (lost.empty()) return result;
  result.notPlaced.assign(job.kinds.size(), 0);
  for (const std::size_t kind : lost) ++result.notPlaced[kind];
  return result;
}

}  // namespace drapery
