#include "core/cutting/stock_prices.h"

#include <algorithm>
#include <cmath>
#include <utility>

#include "core/cutting/slice_cover.h"
#include "core/cutting/stack_prices.h"

namespace drapery {

namespace {

/// So that none is more than one.
std::vector<double> ofTheDearest(std::vector<double> prices) {
  const double most = *std::max_element(prices.begin(), prices.end());
  for (double& each : prices) each = most > 0 ? each / most : 0.0;
  return prices;
}

/// The same with across for along.
MaterialJob turned(MaterialJob job) {
  for (auto& stock : job.sizes)
    for (auto& kind : stock)
      for (LyingSize& size : kind) std::swap(size.across, size.along);
  return job;
}

/// Prices that are bounded by slices in one direction.
class SlicePrices {
 public:
  /// @param reaches of each stock how long a slice is; 0: there is none.
  SlicePrices(const MaterialJob& job, std::vector<Micrometres> reaches,
              const std::function<bool()>& isOver)
      : job_(job), reaches_(std::move(reaches)), isOver_(isOver) {
    for (std::size_t s = 0; s < reaches_.size(); ++s)
      slices_.emplace_back(job, s, std::max<Micrometres>(reaches_[s], 1));
  }

  /// What to choose from: areas, as what lies end to end may leave something over, and what comes
  /// of each stock where kinds count more or less.
  [[nodiscard]] std::vector<std::vector<double>> tries() {
    constexpr std::size_t kTries = 40;
    std::vector<std::vector<double>> all;
    std::vector<double> areas;
    for (std::size_t kind = 0; kind < job_.kinds.size(); ++kind)
      areas.push_back(leastAreaOf(job_, kind));
    add(all, areas);
    for (std::size_t which = 0; which < kTries && !isOver_(); ++which) {
      const std::size_t s = which % slices_.size();
      if (!hasRoom(s)) continue;
      std::vector<double> weights = chanceWeights(job_.counts, which / slices_.size());
      const std::vector<double> alone = slices_[s].alone(job_.kinds.size(), 1);
      for (std::size_t kind = 0; kind < weights.size(); ++kind)
        if (alone[kind] <= 0) weights[kind] = 0;
      SliceCover cover = coverBySlices(job_, weights, slices_[s], 0.0, isOver_);
      if (cover.prices.empty()) continue;
      for (std::size_t kind = 0; kind < weights.size(); ++kind)
        if (alone[kind] <= 0) cover.prices[kind] = 0;
      add(all, std::move(cover.prices));
    }
    return all;
  }

  /// Of a stock at such prices, at a place of its table.
  void fill(SliceTable& table, std::size_t stock, const std::vector<double>& prices,
            std::size_t at) {
    constexpr double kRounded = 1e-12;
    if (!hasRoom(stock)) return;
    SliceValues& slices = slices_[stock];
    const double all = slices.best(prices, 1);
    if (all <= 0.0) return;
    const std::vector<std::int64_t>& values = slices.values();
    table.step = static_cast<std::uint32_t>(slices.step());
    table.most.resize(values.size(), Worths{});
    const double unit = all / double(values.back()) * (1 + kRounded);
    for (std::size_t place = 0; place < values.size(); ++place)
      table.most[place][at] = double(values[place]) * unit;
  }

  /// Where lengths are too fine nothing can be said of any.
  [[nodiscard]] bool isUsable() const {
    for (std::size_t s = 0; s < slices_.size(); ++s)
      if (hasRoom(s) && !slices_[s].isUsable()) return false;
    return true;
  }

 private:
  [[nodiscard]] bool hasRoom(std::size_t stock) const {
    return reaches_[stock] > 0 && !slices_[stock].isEmpty();
  }
  static void add(std::vector<std::vector<double>>& all, std::vector<double> prices) {
    constexpr double kHardly = 1e-2;
    prices = ofTheDearest(std::move(prices));
    const bool isKnown = std::any_of(all.begin(), all.end(), [&](const auto& other) {
      double most = 0.0;
      for (std::size_t kind = 0; kind < prices.size(); ++kind)
        most = std::max(most, std::abs(prices[kind] - other[kind]));
      return most < kHardly;
    });
    if (!isKnown) all.push_back(std::move(prices));
  }

  const MaterialJob& job_;
  std::vector<Micrometres> reaches_;
  const std::function<bool()>& isOver_;
  std::vector<SliceValues> slices_;
};

/// What stock so cheap can be worth at such prices, of what all pieces are.
double spareAt(const std::vector<double>& prices, SlicePrices& slices, const MaterialJob& job,
               const std::vector<Micrometres>& alongs, double below, bool isAcross) {
  PiecePrices one{{}, std::vector<BoxWorths>(job.stocks.size())};
  double all = 0.0;
  for (std::size_t kind = 0; kind < prices.size(); ++kind) all += job.counts[kind] * prices[kind];
  for (std::size_t s = 0; s < job.stocks.size(); ++s)
    slices.fill(isAcross ? one.stocks[s].across : one.stocks[s].along, s, prices, 0);
  return mostWorth(job, below, stockWorths(job, alongs, one, 0)) / std::max(all, 1e-12);
}

}  // namespace

StockWorths stockWorths(const MaterialJob& job, const std::vector<Micrometres>& alongs,
                        const PiecePrices& prices, std::size_t which) {
  StockWorths worths{std::vector<double>(job.stocks.size(), 0.0), {}};
  for (std::size_t s = 0; s < job.stocks.size(); ++s) {
    const Micrometres across = usableOf(job.stock(s)).across;
    const BoxWorths& of = prices.stocks[s];
    const auto worthOf = [&of, across, along = alongs[s], which](Micrometres length) {
      return length > 0 ? of.most(across, std::min(length, along))[which] : 0.0;
    };
    if (job.stock(s).form == StockForm::Roll)
      worths.roll = worthOf;
    else
      worths.whole[s] = worthOf(alongs[s]);
  }
  return worths;
}

std::optional<PiecePrices> stockPrices(const MaterialJob& job,
                                       const std::vector<Micrometres>& alongs, double below,
                                       const std::function<bool()>& isOver) {
  const MaterialJob sideways = turned(job);
  std::vector<Micrometres> acrosses;
  for (std::size_t s = 0; s < alongs.size(); ++s)
    acrosses.push_back(alongs[s] > 0 ? usableOf(job.stock(s)).across : 0);
  PiecePrices prices{std::vector<Worths>(job.kinds.size(), Worths{}),
                     std::vector<BoxWorths>(job.stocks.size())};
  std::size_t at = 0;
  for (const bool isAcross : {false, true}) {
    const std::size_t end = isAcross ? kPrices : kPrices - kPricesAcross;
    SlicePrices slices(isAcross ? sideways : job, isAcross ? acrosses : alongs, isOver);
    if (!slices.isUsable()) return std::nullopt;
    const std::vector<std::vector<double>> tries = slices.tries();
    std::vector<std::pair<double, std::size_t>> order;  // those that spare least first
    for (std::size_t i = 0; i < tries.size() && !isOver(); ++i)
      order.emplace_back(spareAt(tries[i], slices, job, alongs, below, isAcross), i);
    std::sort(order.begin(), order.end());
    for (std::size_t i = 0; i < order.size() && at < end; ++i, ++at) {
      const std::vector<double>& each = tries[order[i].second];
      for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
        prices.kinds[kind][at] = each[kind];
      for (std::size_t s = 0; s < job.stocks.size(); ++s)
        slices.fill(isAcross ? prices.stocks[s].across : prices.stocks[s].along, s, each, at);
    }
    at = end;  // the rest says nothing
    if (isOver()) return std::nullopt;
  }
  return prices;
}

}  // namespace drapery
