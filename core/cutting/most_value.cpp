#include "core/cutting/most_value.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numeric>
#include <random>
#include <utility>

#include "core/cutting/bin.h"
#include "core/cutting/box_fronts.h"
#include "core/cutting/chance_filler.h"
#include "core/cutting/layout_of_bins.h"
#include "core/cutting/plate_values.h"
#include "core/cutting/sheet_builder.h"

namespace drapery {

namespace {

constexpr double kMostPairs = 1e6;
constexpr std::uint64_t kMostJoins = 20'000'000;
constexpr double kRounding = 1e-12;  // of a sum

/// Kinds, the dearest by their area first.
std::vector<std::size_t> dearestFirst(const MaterialJob& job) {
  std::vector<std::size_t> kinds(job.kinds.size());
  std::iota(kinds.begin(), kinds.end(), std::size_t{0});
  std::stable_sort(kinds.begin(), kinds.end(), [&](std::size_t a, std::size_t b) {
    return job.kind(a).value * leastAreaOf(job, b) > job.kind(b).value * leastAreaOf(job, a);
  });
  return kinds;
}

/// If pieces could be cut to pieces.
double valueOfArea(const MaterialJob& job, const std::vector<std::size_t>& order) {
  const UsableSize usable = usableOf(job.stock(0));
  double room = double(usable.across) * double(usable.along), value = 0.0;
  for (const std::size_t kind : order) {
    const double area = leastAreaOf(job, kind) * job.counts[kind];
    const double part = std::min(1.0, room / area);
    value += part * job.kind(kind).value * job.counts[kind];
    room -= part * area;
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

class MostValue {
 public:
  MostValue(const MaterialJob& job, std::uint64_t seed, const Watch& watch)
      : job_(job),
        watch_(watch),
        random_(seed),
        filler_(job, random_, [&watch] { return watch.isOver(); }),
        order_(dearestFirst(job)) {
    best_.bound = valueOfArea(job, order_);
    std::vector<std::size_t> kinds(job.kinds.size());
    std::iota(kinds.begin(), kinds.end(), std::size_t{0});
    for (const std::size_t kind : kinds) values_.push_back(job.kind(kind).value);
    filler_.begin(0, kinds, values_);
  }

  MaterialLayOut find() {
    constexpr int kFirst = 1'000, kMost = 32'000;  // that patiently
    fill(kFirst);
    if (!isMet()) tryMany();
    if (!isMet()) boundAlone();
    int again = kFirst;
    for (std::uint64_t i = 0; !isMet() && !watch_.isOver() && i < watch_.tries(i + 1); ++i)
      fill(again = std::min(kMost, 2 * again));
    if (isMet()) best_.bound = best_.cost;
    return std::move(best_);
  }

 private:
  [[nodiscard]] bool isMet() const { return best_.cost >= best_.bound * (1.0 - kRounding); }

  /// As chance has it, and parts of it anew so often.
  void fill(int again) {
    constexpr int kFills = 80;
    Bin bin = emptyBin(job_, 0);
    Counts left = job_.counts;
    auto [filling, got] = filler_.best(bin.parts.front(), kFills, left);
    if (got <= 0.0) return;
    filler_.better(filling, again, left);
    take(std::move(filling.parts));
  }

  void take(std::vector<SheetPart> parts) {
    Bin bin = emptyBin(job_, 0);
    takeFilling(job_, bin, {0.0, std::move(parts)}, 0);
    double value = 0.0;
    for (const std::size_t kind : bin.holds) value += values_[kind];
    if (value <= best_.cost) return;
    best_.cost = value;
    best_.sheets = layOutOf(job_, {bin}, {}, [this] { return watch_.isOver(); }).sheets;
  }

  /// Exactly, of as many as can be tried, those that are worth most by their area.
  void tryMany() {
    bool isTried = false;
    for (double pairs = kMostPairs; !isTried && !watch_.isOver(); pairs /= 4)
      isTried = tryOf(triable(job_, order_, pairs));
  }
  /// False where that was too much, or ended.
  bool tryOf(const Counts& counts) {
    const CountIndex index(counts);
    std::uint64_t work = kMostJoins;
    const BoxFronts fronts(job_, 0, index, work, [this] { return watch_.isOver(); });
    if (!fronts.isWhole()) return false;
    double most = 0.0;
    std::size_t best = 0;
    for (std::size_t set = 1; set < index.size(); ++set) {
      if (fronts.of(set).empty()) continue;
      double value = 0.0;
      for (std::size_t kind = 0; kind < index.kinds(); ++kind)
        value += index.count(set, kind) * values_[kind];
      if (value <= most) continue;
      most = value;
      best = set;
    }
    if (counts == job_.counts) best_.bound = most;
    if (most <= best_.cost) return true;
    best_.cost = most;
    SheetBuilder builder(job_, 0);
    best_.sheets = {builder.finish(builder.box(fronts, best, 0, builder.whole()))};
    return true;
  }

  /// If there were as many of each as one likes.
  void boundAlone() {
    constexpr double kMostWork = 1.2e8;  // some tenths of a second
    constexpr double kMost = double(std::numeric_limits<PlateValues::Worth>::max());
    if (job_.stock(0).form == StockForm::Roll) return;
    PlateValues plate(job_, 0, PlateValues::Coarse::Down, kMostWork);
    if (!plate.isUsable()) return;
    const double ceiling = plate.ceiling(values_);
    if (ceiling <= 0.0) return;
    // By tens, so that values of a few decimals stay as they are.
    const double fine = std::pow(10.0, std::floor(std::log10(kMost / 2.0 / ceiling)));
    std::vector<double> whole;
    for (const double value : values_) whole.push_back(std::ceil(value * fine * (1.0 - kRounding)));
    if (plate.ceiling(whole) > kMost) return;
    const std::vector<PlateValues::Worth> worth(whole.begin(), whole.end());
    Counts counts;
    const auto most = plate.best(worth, 0.0, counts, [this] { return watch_.isOver(); });
    if (!most) return;
    best_.bound = std::min(best_.bound, double(*most) / fine);
    auto parts = plate.filling();
    if (!parts) return;
    for (std::size_t kind = 0; kind < counts.size(); ++kind)
      if (counts[kind] > job_.counts[kind]) return;
    take(std::move(*parts));
  }

  const MaterialJob& job_;
  const Watch& watch_;
  std::mt19937_64 random_;
  ChanceFiller filler_;
  std::vector<double> values_;  // by kind
  std::vector<std::size_t> order_;
  MaterialLayOut best_;
};

}  // namespace

MaterialLayOut mostValue(const MaterialJob& job, std::uint64_t seed, const Watch& watch) {
  return MostValue(job, seed, watch).find();
}

}  // namespace drapery
