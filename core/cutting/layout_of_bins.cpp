#include "core/cutting/layout_of_bins.h"

#include <algorithm>
#include <map>
#include <optional>
#include <utility>

#include "core/cutting/alike_sheets.h"
#include "core/cutting/edge_cuts.h"
#include "core/cutting/one_rest.h"

namespace drapery {

namespace {

/// Of the sheets without pins: where most is left in one piece, and where there is most room.
struct Emptiest {
  std::optional<std::size_t> one, all;  // bins
  double oneLeft = -1.0, room = -1.0;   // um2
};

Emptiest emptiestOf(const MaterialJob& job, const std::vector<Bin>& bins) {
  Emptiest found;
  const auto ask = [](std::optional<std::size_t>& which, double& most, std::size_t b, double left) {
    if (left <= most) return;
    most = left;
    which = b;
  };
  for (std::size_t b = 0; b < bins.size(); ++b) {
    const CutStock& stock = job.stock(bins[b].stock);
    if (bins[b].pinned || stock.form == StockForm::Roll) continue;
    ask(found.one, found.oneLeft, b, oneRest(bins[b].parts, stock.kerf));
    ask(found.all, found.room, b, roomOf(stock) - bins[b].area);
  }
  return found;
}

/// What lies on a sheet laid so that more is left in one piece than ever, if it can be.
std::optional<CutSheet> withMore(const MaterialJob& job, const Bin& bin, double& left,
                                 const std::function<bool()>& isEnough) {
  auto laid = withLargestOffCut(job, bin.stock, heldIn(job, bin), left, isEnough);
  if (laid) left = largestLeft(*job.problem, {{*laid}, {}, {}, {}});
  return laid;
}

}  // namespace

MaterialLayOut layOutOf(const MaterialJob& job, const std::vector<Bin>& bins,
                        const std::vector<std::size_t>& lost,
                        const std::function<bool()>& isEnough) {
  MaterialLayOut result;
  const Emptiest emptiest = emptiestOf(job, bins);
  std::vector<Bin> all = bins;
  if (emptiest.one && !isEnough())
    all = moreAlike(job, bins, {*emptiest.one, *emptiest.all}, isEnough);
  if (emptiest.one)
    pushTogether(all[*emptiest.one].parts, job.stock(all[*emptiest.one].stock).kerf);
  std::map<Likeness, std::size_t> alike;  // which of the sheets
  std::vector<std::size_t> sheetOfBin;
  for (const Bin& bin : all) {
    const bool isAlone = bin.pinned || job.stock(bin.stock).form == StockForm::Roll;
    std::size_t which = result.sheets.size();
    if (!isAlone) which = alike.try_emplace(likenessOf(bin), which).first->second;
    sheetOfBin.push_back(which);
    if (which < result.sheets.size()) {
      ++result.sheets[which].repeat;
      continue;
    }
    result.sheets.push_back(sheetOf(job, bin));
    if (bin.pinned) result.sheets.back().pinned = job.pinned[*bin.pinned].sheet;
  }
  const auto layAs = [&](std::size_t bin, std::optional<CutSheet> laid) {
    if (!laid) return;
    CutSheet& sheet = result.sheets[sheetOfBin[bin]];
    laid->repeat = sheet.repeat;
    sheet = std::move(*laid);
  };
  if (emptiest.one) {
    layAs(*emptiest.one, sheetOf(job, all[*emptiest.one]));
    double left = emptiest.oneLeft;
    for (const auto& which : {emptiest.one, emptiest.all})
      if (!isEnough()) layAs(*which, withMore(job, all[*which], left, isEnough));
  }
  if (lost.empty()) return result;
  result.notPlaced.assign(job.kinds.size(), 0);
  for (const std::size_t kind : lost) ++result.notPlaced[kind];
  return result;
}

}  // namespace drapery
