#include "core/cutting/sheet_swap.h"

#include <algorithm>

namespace drapery {

namespace {

/// One or two of the stocks, the same twice or each once.
/// @param isThere of a stock, whether there are so many.
template <typename IsThere>
std::vector<SheetSwap> groups(const MaterialJob& job, std::vector<std::size_t> SheetSwap::*of,
                              IsThere isThere) {
  std::vector<SheetSwap> all;
  const auto add = [&](std::vector<std::size_t> stocks) {
    SheetSwap group;
    for (const std::size_t stock : stocks) group.more += roomOf(job.stock(stock));
    group.*of = std::move(stocks);
    all.push_back(std::move(group));
  };
  for (std::size_t s = 0; s < job.stocks.size(); ++s) {
    if (isThere(s, 1)) add({s});
    for (std::size_t t = s; t < job.stocks.size(); ++t)
      if (s == t ? isThere(s, 2) : isThere(s, 1) && isThere(t, 1)) add({s, t});
  }
  return all;
}

double costOf(const MaterialJob& job, const std::vector<std::size_t>& stocks) {
  double cost = 0.0;
  for (const std::size_t stock : stocks) cost += job.stock(stock).cost;
  return cost;
}

}  // namespace

std::vector<SheetSwap> cheaperSwaps(const MaterialJob& job, const std::vector<Bin>& bins,
                                    double needed) {
  constexpr double kSame = 1e-9;
  std::vector<int> used(job.stocks.size(), 0), mayGo(job.stocks.size(), 0);
  double room = 0.0;
  for (const Bin& bin : bins) {
    ++used[bin.stock];
    if (!bin.pinned) ++mayGo[bin.stock];
    room += roomOf(job.stock(bin.stock));
  }
  const auto outs =
      groups(job, &SheetSwap::out, [&](std::size_t s, int n) { return mayGo[s] >= n; });
  auto ins = groups(job, &SheetSwap::in, [&](std::size_t s, int n) {
    const auto there = job.stock(s).count;
    return !there || used[s] + n <= *there;
  });
  ins.emplace_back();
  std::vector<SheetSwap> swaps;
  for (const SheetSwap& out : outs)
    for (const SheetSwap& in : ins) {
      const bool isSame = std::any_of(in.in.begin(), in.in.end(), [&](std::size_t stock) {
        return std::find(out.out.begin(), out.out.end(), stock) != out.out.end();
      });
      const double more = in.more - out.more;
      if (isSame || costOf(job, in.in) > costOf(job, out.out) - kSame || room + more < needed)
        continue;
      swaps.push_back({out.out, in.in, more});
    }
  std::stable_sort(swaps.begin(), swaps.end(),
                   [](const SheetSwap& a, const SheetSwap& b) { return a.more > b.more; });
  return swaps;
}

}  // namespace drapery
