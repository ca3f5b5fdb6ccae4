#include "core/cutting/roll_slabs.h"

#include <algorithm>
#include <cmath>
#include <iterator>

namespace drapery {

RollSlabs::RollSlabs(const MaterialJob& job, std::mt19937_64& random,
                     std::function<bool()> isEnough)
    : job_(job), random_(random), isEnough_(std::move(isEnough)) {}

void RollSlabs::begin(const std::vector<SheetPart>& parts) {
  slabs_.clear();
  drapery::addSlabs(parts, 0, slabs_);
  best_ = slabs_;
  bestAlong_ = alongOf(slabs_);
  vain_ = 0;
}

void RollSlabs::step() {
  constexpr std::size_t kPatience = 60, kLoosened = 3;
  if (vain_ > kPatience) {
    // From the best again, some slabs of it taken apart.
    slabs_ = best_;
    for (std::size_t i = 0; i < kLoosened && !slabs_.empty(); ++i)
      takeApart(slabs_, below(slabs_.size()));
    vain_ = 0;
  }
  const std::vector<std::size_t> which = chosen();
  ++vain_;
  if (which.empty()) return;
  layAnew(which);
  const Micrometres along = alongOf(slabs_);
  if (along >= bestAlong_) return;
  bestAlong_ = along;
  best_ = slabs_;
  vain_ = 0;
}

void RollSlabs::takeApart(std::vector<Slab>& slabs, std::size_t which) const {
  const std::vector<std::size_t> holds = std::move(slabs[which].holds);
  slabs.erase(slabs.begin() + static_cast<std::ptrdiff_t>(which));
  for (const std::size_t kind : holds) slabs.push_back(aloneSlab(job_, kind));
}

/// A few slabs, as many as can be tried in a moment.
std::vector<std::size_t> RollSlabs::chosen() {
  constexpr double kLeastPairs = 300, kMostPairs = 200'000;
  constexpr std::size_t kLooked = 12;
  const double most = kLeastPairs * std::pow(kMostPairs / kLeastPairs, double(below(101)) / 100);
  std::vector<std::size_t> which;
  Counts counts(job_.kinds.size(), 0);
  for (std::size_t i = 0; i < kLooked; ++i) {
    const std::size_t slab = below(slabs_.size());
    if (std::find(which.begin(), which.end(), slab) != which.end()) continue;
    Counts more = counts;
    for (const std::size_t kind : slabs_[slab].holds) ++more[kind];
    Counts taken;
    std::copy_if(more.begin(), more.end(), std::back_inserter(taken), [](int n) { return n > 0; });
    if (CountIndex::pairsOf(taken) > most) continue;
    counts = std::move(more);
    which.push_back(slab);
  }
  return which.size() > 1 ? which : std::vector<std::size_t>();
}

void RollSlabs::layAnew(const std::vector<std::size_t>& which) {
  Micrometres along = 0;
  Counts counts(job_.kinds.size(), 0);
  double area = 0.0;
  for (const std::size_t slab : which) {
    along += slabs_[slab].along;
    for (const std::size_t kind : slabs_[slab].holds) {
      ++counts[kind];
      area +=
          double(job_.sizes[0][kind].front().across) * double(job_.sizes[0][kind].front().along);
    }
  }
  std::vector<std::size_t> kinds;
  const MaterialJob few = onlyWanted(job_, counts, kinds);
  const CountIndex index(few.counts);
  std::uint64_t work = 10'000'000;
  const double room = double(usableOf(job_.stock(0)).across) * double(along);
  const BoxFronts fronts(few, 0, index, work, isEnough_,
                         {.along = along, .lost = {room - area, {}}, .isForAll = true});
  if (!fronts.isWhole() || fronts.of(index.all()).empty()) return;
  std::vector<std::size_t> gone = which;
  std::sort(gone.rbegin(), gone.rend());
  for (const std::size_t slab : gone)
    slabs_.erase(slabs_.begin() + static_cast<std::ptrdiff_t>(slab));
  addSlabs(fronts, index, kinds, index.all(), fronts.of(index.all()).size() - 1);
}

/// What is cut across the roll anyway is a slab of its own.
void RollSlabs::addSlabs(const BoxFronts& fronts, const CountIndex& index,
                         const std::vector<std::size_t>& kinds, std::size_t set, std::size_t box) {
  const CutBox& laid = fronts.of(set)[box];
  if (laid.low != 0 && !laid.isBeside) {
    addSlabs(fronts, index, kinds, laid.low, laid.lowBox);
    addSlabs(fronts, index, kinds, laid.high, laid.highBox);
    return;
  }
  Slab slab = emptySlab(usableOf(job_.stock(0)).across, laid.along);
  lay(fronts, kinds, set, box, 0, slab);
  slabs_.push_back(std::move(slab));
}

void RollSlabs::lay(const BoxFronts& fronts, const std::vector<std::size_t>& kinds, std::size_t set,
                    std::size_t box, std::size_t at, Slab& slab) const {
  const CutBox& laid = fronts.of(set)[box];
  if (laid.low == 0)
    return placeInSlab(slab, at, kinds[laid.kind], {laid.across, laid.along, laid.isTurned});
  const CutBox& low = fronts.of(laid.low)[laid.lowBox];
  splitPart(slab.parts, at, laid.isBeside, laid.isBeside ? low.across : low.along);
  const std::size_t first = slab.parts[at].low, second = slab.parts[at].high;
  lay(fronts, kinds, laid.low, laid.lowBox, first, slab);
  lay(fronts, kinds, laid.high, laid.highBox, second, slab);
}

}  // namespace drapery
