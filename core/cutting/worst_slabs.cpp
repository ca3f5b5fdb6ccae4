#include "core/cutting/worst_slabs.h"

#include <algorithm>
#include <cmath>
#include <utility>

#include "core/cutting/chance.h"
#include "core/cutting/slab.h"

namespace drapery {

namespace {

/// One that holds many, as chance has it.
std::optional<std::size_t> rollOf(const MaterialJob& job, const std::vector<Bin>& bins,
                                  std::mt19937_64& chance) {
  std::vector<std::size_t> rolls;
  for (std::size_t b = 0; b < bins.size(); ++b)
    if (job.stock(bins[b].stock).form == StockForm::Roll && !bins[b].pinned &&
        bins[b].holds.size() > kFewOnARoll)
      rolls.push_back(b);
  if (rolls.empty()) return std::nullopt;
  return rolls[chance() % rolls.size()];
}

}  // namespace

double lostMoreOrLess(const MaterialJob& job, const SheetPart& whole,
                      const std::vector<std::size_t>& holds, std::mt19937_64& chance) {
  constexpr double kBlur = 1.0;  // the logarithm of how much
  double lost = double(whole.across) * double(whole.along);
  for (const std::size_t kind : holds) lost -= areaOfKind(job, kind);
  return std::max(0.0, lost) * std::exp(kBlur * (2.0 * drawnPart(chance) - 1.0));
}

std::optional<WithoutWorst> withoutWorst(const MaterialJob& job, const std::vector<Bin>& bins,
                                         std::mt19937_64& chance) {
  constexpr double kFewest = 30.0, kMost = double(kFewOnARoll);  // pieces
  constexpr std::size_t kOneOf = 3;                              // sheets is looked at
  const auto roll = rollOf(job, bins, chance);
  if (!roll) return std::nullopt;
  std::vector<Slab> slabs, kept;
  addSlabs(bins[*roll].parts, 0, slabs);
  struct Worst {
    double lost = 0.0;
    bool isSlab = true;
    std::size_t at = 0;
  };
  std::vector<Worst> order;
  const auto consider = [&](bool isSlab, std::size_t at, const std::vector<SheetPart>& parts,
                            const std::vector<std::size_t>& holds) {
    order.push_back({lostMoreOrLess(job, parts.front(), holds, chance), isSlab, at});
  };
  for (std::size_t i = 0; i < slabs.size(); ++i) consider(true, i, slabs[i].parts, slabs[i].holds);
  for (std::size_t b = 0; b < bins.size(); ++b)
    if (job.stock(bins[b].stock).form == StockForm::Sheet && !bins[b].pinned &&
        chance() % kOneOf == 0)
      consider(false, b, bins[b].parts, bins[b].holds);
  std::stable_sort(order.begin(), order.end(),
                   [](const Worst& a, const Worst& b) { return a.lost > b.lost; });
  const double most = kFewest + (kMost - kFewest) * drawnPart(chance);
  WithoutWorst found;
  std::vector<bool> isSlabOff(slabs.size(), false), isSheetOff(bins.size(), false);
  for (const Worst& worst : order) {
    const auto& holds = worst.isSlab ? slabs[worst.at].holds : bins[worst.at].holds;
    if (!found.loose.empty() && double(found.loose.size() + holds.size()) > most) continue;
    (worst.isSlab ? isSlabOff : isSheetOff)[worst.at] = true;
    found.loose.insert(found.loose.end(), holds.begin(), holds.end());
    if (!worst.isSlab) found.stocks.push_back(bins[worst.at].stock);
  }
  for (std::size_t i = 0; i < slabs.size(); ++i)
    if (!isSlabOff[i]) kept.push_back(std::move(slabs[i]));
  for (std::size_t b = 0; b < bins.size(); ++b)
    if (b == *roll)
      found.bins.push_back(binOf(job, bins[b].stock, kept));
    else if (!isSheetOff[b])
      found.bins.push_back(bins[b]);
  return found;
}

}  // namespace drapery
