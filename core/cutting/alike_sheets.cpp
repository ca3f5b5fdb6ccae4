#include "core/cutting/alike_sheets.h"

#include <algorithm>
#include <set>

#include "core/cutting/placing.h"

namespace drapery {

namespace {

std::size_t differentOf(const std::vector<Bin>& bins) {
  std::set<Likeness> all;
  for (const Bin& bin : bins) all.insert(likenessOf(bin));
  return all.size();
}

/// So often as the pieces suffice, and no more than `most`.
std::size_t oftenOf(const Counts& holds, const Counts& pool, std::size_t most) {
  for (std::size_t kind = 0; kind < holds.size(); ++kind)
    if (holds[kind] > 0) most = std::min(most, static_cast<std::size_t>(pool[kind] / holds[kind]));
  return most;
}

/// Sheets of one stock anew; none where not all finds room before it is enough.
std::vector<Bin> laidAlike(const MaterialJob& job, std::vector<Bin> bins,
                           const std::function<bool()>& isEnough) {
  const std::size_t most = bins.size();
  Counts pool(job.kinds.size(), 0);
  for (const Bin& bin : bins)
    for (const std::size_t kind : bin.holds) ++pool[kind];
  std::stable_sort(bins.begin(), bins.end(),
                   [](const Bin& a, const Bin& b) { return a.area > b.area; });
  std::vector<Bin> fresh;
  for (const Bin& bin : bins) {
    const Counts holds = heldIn(job, bin);
    const std::size_t often = oftenOf(holds, pool, most - fresh.size());
    fresh.insert(fresh.end(), often, bin);
    for (std::size_t kind = 0; kind < holds.size(); ++kind)
      pool[kind] -= static_cast<int>(often) * holds[kind];
  }
  while (fresh.size() < most) fresh.push_back(emptyBin(job, bins.front().stock));
  std::vector<std::size_t> loose = piecesOf(pool);
  std::stable_sort(loose.begin(), loose.end(), [&](std::size_t a, std::size_t b) {
    return areaOfKind(job, a) > areaOfKind(job, b);
  });
  for (const std::size_t kind : loose)
    if (isEnough() || !putPiece(job, fresh, kind, {})) return {};
  const bool isAnyEmpty =
      std::any_of(fresh.begin(), fresh.end(), [](const Bin& bin) { return bin.holds.empty(); });
  return isAnyEmpty ? std::vector<Bin>() : fresh;
}

}  // namespace

Likeness likenessOf(const Bin& bin) {
  Likeness likeness(bin.stock, bin.holds);
  std::sort(likeness.second.begin(), likeness.second.end());
  return likeness;
}

std::vector<Bin> moreAlike(const MaterialJob& job, const std::vector<Bin>& bins,
                           const std::vector<std::size_t>& kept,
                           const std::function<bool()>& isEnough) {
  std::vector<Bin> result = bins;
  for (std::size_t stock = 0; stock < job.stocks.size(); ++stock) {
    if (job.stock(stock).form == StockForm::Roll) continue;
    std::vector<std::size_t> which;
    std::vector<Bin> before;
    for (std::size_t b = 0; b < bins.size(); ++b) {
      const bool isKept = bins[b].pinned || std::find(kept.begin(), kept.end(), b) != kept.end();
      if (isKept || bins[b].stock != stock) continue;
      which.push_back(b);
      before.push_back(bins[b]);
    }
    const std::size_t different = differentOf(before);
    if (different < 2) continue;
    const std::vector<Bin> fresh = laidAlike(job, before, isEnough);
    if (fresh.empty() || differentOf(fresh) >= different) continue;
    for (std::size_t i = 0; i < which.size(); ++i) result[which[i]] = fresh[i];
  }
  return result;
}

}  // namespace drapery
