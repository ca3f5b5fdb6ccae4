#include "core/cutting/stack_prices.h"

#include <algorithm>
#include <cmath>
#include <random>

#include "core/cutting/slice_cover.h"

namespace drapery {

namespace {

/// How much each kind counts: first all as many as there are; then each up to twice as much, as
/// chance has it, or, as it has it too, a few of them more and most of them hardly anything.
std::vector<double> weightsOf(const Counts& counts, std::size_t which) {
  std::mt19937_64 random(which);
  std::vector<double> weights;
  for (const int count : counts) {
    const double chance = 2.0 * double(random() >> 11U) / double(std::uint64_t{1} << 53U);
    const double all = which == 0 ? 1.0 : which % 2 == 0 ? chance : chance * chance * chance;
    weights.push_back(count * all);
  }
  return weights;
}

}  // namespace

StackPrices::StackPrices(const MaterialJob& job, std::size_t stock, Micrometres along,
                         const std::function<bool()>& isOver) {
  constexpr std::size_t kTries = 4 * kPrices;
  std::size_t at = 0;
  for (std::size_t which = 0; which < kTries && at < kPrices; ++which) {
    if (!reckon(weightsOf(job.counts, which), at, job, stock, along, isOver)) return;
    if (isNew(at)) ++at;
  }
}

bool StackPrices::reckon(const std::vector<double>& weights, std::size_t at, const MaterialJob& job,
                         std::size_t stock, Micrometres along,
                         const std::function<bool()>& isOver) {
  constexpr double kWhole = 1e9;
  SliceValues slices(job, stock, along);
  const SliceCover cover = coverBySlices(job, weights, slices, 0.0, isOver);
  if (cover.prices.empty() || slices.best(cover.prices, 1, kWhole) <= 0.0) return false;
  step_ = static_cast<std::uint32_t>(slices.step());
  worths_.resize(job.kinds.size(), Worths{});
  most_.resize(slices.values().size(), Worths{});
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    worths_[kind][at] = slices.worthOf(kind);
  for (std::size_t place = 0; place < most_.size(); ++place)
    most_[place][at] = double(slices.values()[place]);
  return true;
}

/// What is weighed otherwise often has the same prices.
bool StackPrices::isNew(std::size_t at) const {
  constexpr double kHardly = 1e-3;  // of what a piece is worth
  for (std::size_t before = 0; before < at; ++before)
    if (std::all_of(worths_.begin(), worths_.end(), [&](const Worths& worth) {
          return std::abs(worth[before] - worth[at]) <= kHardly * worth[before];
        }))
      return false;
  return true;
}

StackPrices::Worths StackPrices::spare(Micrometres across, const Counts& counts) const {
  constexpr double kRounded = 1e-9;
  Worths spare{};
  for (std::size_t which = 0; which < kPrices; ++which) {
    spare[which] = (1 + kRounded) * double(across) * most_.back()[which];
    for (std::size_t kind = 0; kind < counts.size(); ++kind)
      spare[which] -= counts[kind] * worths_[kind][which];
  }
  return spare;
}

}  // namespace drapery
