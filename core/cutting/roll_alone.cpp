#include "core/cutting/roll_alone.h"

#include <numeric>
#include <utility>

namespace drapery {

std::optional<std::size_t> rollBesideFew(const MaterialJob& job) {
  constexpr double kFew = 0.25;  // of all
  constexpr int kMany = 200;     // pieces
  if (job.stocks.size() < 2 || std::accumulate(job.counts.begin(), job.counts.end(), 0) < kMany)
    return std::nullopt;
  std::optional<std::size_t> roll;
  double room = 0.0;
  for (std::size_t s = 0; s < job.stocks.size(); ++s) {
    const CutStock& stock = job.stock(s);
    if (stock.form == StockForm::Roll) {
      if (roll || stock.cost <= 0.0) return std::nullopt;
      roll = s;
    } else if (stock.count) {
      room += *stock.count * roomOf(stock);
    } else {
      return std::nullopt;
    }
  }
  if (!roll || room >= kFew * areaOf(job, job.counts)) return std::nullopt;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    if (job.counts[kind] > 0 && job.sizes[*roll][kind].empty()) return std::nullopt;
  return roll;
}

Patterns ofStockAlone(const Patterns& patterns, std::size_t stock) {
  Patterns alone;
  const auto take = [&](const std::vector<PatternUse>& from, std::vector<PatternUse>& to) {
    for (const PatternUse& use : from)
      if (use.stock == stock) to.emplace_back(use).stock = 0;
  };
  take(patterns.uses, alone.uses);
  take(patterns.known, alone.known);
  return alone;
}

LaidInPart withStock(LaidInPart beside, LaidInPart alone, std::size_t stock) {
  for (Bin& bin : alone.bins) {
    bin.stock = stock;
    beside.bins.push_back(std::move(bin));
  }
  beside.used[stock] += alone.used.front();
  beside.wanted = std::move(alone.wanted);
  return beside;
}

}  // namespace drapery
