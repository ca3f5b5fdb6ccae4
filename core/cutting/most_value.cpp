#include "core/cutting/most_value.h"

#include <algorithm>
#include <numeric>

#include "core/cutting/box_fronts.h"
#include "core/cutting/sheet_builder.h"

namespace drapery {

namespace {

constexpr double kMostPairs = 1e6;
constexpr std::uint64_t kMostJoins = 20'000'000;

double areaOf(const CutPiece& piece) { return double(piece.width) * double(piece.height); }

/// Kinds, the dearest by their area first.
std::vector<std::size_t> dearestFirst(const MaterialJob& job) {
  std::vector<std::size_t> kinds(job.kinds.size());
  std::iota(kinds.begin(), kinds.end(), std::size_t{0});
  std::stable_sort(kinds.begin(), kinds.end(), [&](std::size_t a, std::size_t b) {
    return job.kind(a).value * areaOf(job.kind(b)) > job.kind(b).value * areaOf(job.kind(a));
  });
  return kinds;
}

/// If pieces could be cut to pieces.
double valueOfArea(const MaterialJob& job, const std::vector<std::size_t>& order) {
  const CutStock& stock = job.stock(0);
  double room = double(stock.across - stock.left - stock.right) *
                double(stock.along - stock.bottom - stock.top);
  double value = 0.0;
  for (const std::size_t kind : order) {
    const CutPiece& piece = job.kind(kind);
    const double part = std::min(1.0, room / (areaOf(piece) * job.counts[kind]));
    value += part * piece.value * job.counts[kind];
    room -= part * areaOf(piece) * job.counts[kind];
  }
  return value;
}

/// As many as can be tried, in that order.
Counts triable(const MaterialJob& job, const std::vector<std::size_t>& order, double mostPairs) {
  Counts counts(job.kinds.size(), 0);
  for (const std::size_t kind : order)
    while (counts[kind] < job.counts[kind]) {
      ++counts[kind];
      if (CountIndex::pairsOf(counts) <= mostPairs) continue;
      --counts[kind];
      return counts;
    }
  return counts;
}

}  // namespace

MaterialLayOut mostValue(const MaterialJob& job, const std::function<bool()>& isEnded) {
  const std::vector<std::size_t> order = dearestFirst(job);
  for (double pairs = kMostPairs;; pairs /= 4) {
    const Counts counts = triable(job, order, pairs);
    const CountIndex index(counts);
    std::uint64_t work = kMostJoins;
    const BoxFronts fronts(job, 0, index, work, isEnded);
    if (isEnded()) return {{}, 0.0, valueOfArea(job, order), job.counts};
    if (!fronts.isWhole()) continue;
    MaterialLayOut result;
    std::size_t best = 0;
    for (std::size_t set = 1; set < index.size(); ++set) {
      if (fronts.of(set).empty()) continue;
      double value = 0.0;
      for (std::size_t kind = 0; kind < index.kinds(); ++kind)
        value += index.count(set, kind) * job.kind(kind).value;
      if (value <= result.cost) continue;
      result.cost = value;
      best = set;
    }
    result.bound = counts == job.counts ? result.cost : valueOfArea(job, order);
    if (best == 0) return result;
    SheetBuilder builder(job, 0);
    result.sheets.push_back(builder.finish(builder.box(fronts, best, 0, builder.whole())));
    return result;
  }
}

}  // namespace drapery
