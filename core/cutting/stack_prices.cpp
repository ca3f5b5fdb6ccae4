#include "core/cutting/stack_prices.h"

#include <algorithm>
#include <cmath>
#include <random>

#include "core/cutting/slice_cover.h"

namespace drapery {

namespace {

/// Prices at one place, where they are found; false where there are none.
bool reckon(PiecePrices& prices, std::size_t at, const MaterialJob& job,
            const std::vector<double>& weights, Micrometres along,
            const std::function<bool()>& isOver) {
  constexpr double kWhole = 1e9;
  SliceValues slices(job, 0, along);
  const SliceCover cover = coverBySlices(job, weights, slices, 0.0, isOver);
  if (cover.prices.empty() || slices.best(cover.prices, 1, kWhole) <= 0.0) return false;
  SliceTable& table = prices.stocks.front().along;
  table.step = static_cast<std::uint32_t>(slices.step());
  table.most.resize(slices.values().size(), Worths{});
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    prices.kinds[kind][at] = slices.worthOf(kind);
  for (std::size_t place = 0; place < table.most.size(); ++place)
    table.most[place][at] = double(slices.values()[place]);
  return true;
}

/// What is weighed otherwise often has the same prices.
bool isNew(const PiecePrices& prices, std::size_t at) {
  constexpr double kHardly = 1e-3;  // of what a piece is worth
  for (std::size_t before = 0; before < at; ++before)
    if (std::all_of(prices.kinds.begin(), prices.kinds.end(), [&](const Worths& worth) {
          return std::abs(worth[before] - worth[at]) <= kHardly * worth[before];
        }))
      return false;
  return true;
}

}  // namespace

std::vector<double> chanceWeights(const Counts& counts, std::size_t which) {
  std::mt19937_64 random(which);
  std::vector<double> weights;
  for (const int count : counts) {
    const double chance = 2.0 * double(random() >> 11U) / double(std::uint64_t{1} << 53U);
    const double all = which == 0 ? 1.0 : which % 2 == 0 ? chance : chance * chance * chance;
    weights.push_back(count * all);
  }
  return weights;
}

std::optional<PiecePrices> stackPrices(const MaterialJob& job, Micrometres along,
                                       const std::function<bool()>& isOver) {
  constexpr std::size_t kTries = 4 * kPrices;
  PiecePrices prices{std::vector<Worths>(job.kinds.size(), Worths{}), std::vector<BoxWorths>(1)};
  std::size_t at = 0;
  for (std::size_t which = 0; which < kTries && at < kPrices; ++which) {
    if (!reckon(prices, at, job, chanceWeights(job.counts, which), along, isOver))
      return at > 0 ? std::optional(std::move(prices)) : std::nullopt;
    if (isNew(prices, at)) ++at;
  }
  return prices;
}

}  // namespace drapery
