#include "core/cutting/shorter_roll.h"

#include <algorithm>

namespace drapery {

ShorterRoll::ShorterRoll(const MaterialJob& job, std::mt19937_64& random,
                         std::function<bool()> isEnough)
    : job_(job), random_(random), filler_(job, random, std::move(isEnough)) {
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    areas_.push_back(areaOfKind(job, kind));
}

void ShorterRoll::begin(const std::vector<Slab>& slabs) {
  constexpr double kShorter = 0.003;
  constexpr std::size_t kOneOf = 3;
  slabs_ = slabs;
  tried_ = 0;
  const auto used = [&](const Slab& slab) { return worthOf(slab.holds) / double(slab.along); };
  auto least = std::min_element(slabs_.begin(), slabs_.end(),
                                [&](const Slab& a, const Slab& b) { return used(a) < used(b); });
  if (below(kOneOf) == 0)
    least = slabs_.begin() + static_cast<std::ptrdiff_t>(below(slabs_.size()));
  loose_ = least->holds;
  slack_ = least->along -
           std::max<Micrometres>(1, static_cast<Micrometres>(kShorter * double(alongOf(slabs))));
  slabs_.erase(least);
  looseWorth_ = worthOf(loose_);
  before_.fill(looseWorth_);
}

double ShorterRoll::worthOf(const std::vector<std::size_t>& kinds) const {
  double sum = 0.0;
  for (const std::size_t kind : kinds) sum += areas_[kind];
  return sum;
}

bool ShorterRoll::step() {
  constexpr std::size_t kMost = 4;
  constexpr int kTries = 40;
  if (loose_.empty()) return true;
  ++tried_;
  std::vector<std::size_t> which;
  for (std::size_t i = 1 + below(kMost); i > 0 && !slabs_.empty(); --i) {
    const std::size_t slab = below(slabs_.size());
    if (std::find(which.begin(), which.end(), slab) == which.end()) which.push_back(slab);
  }
  std::vector<std::size_t> all = loose_;
  Micrometres along = slack_;
  for (const std::size_t slab : which) {
    all.insert(all.end(), slabs_[slab].holds.begin(), slabs_[slab].holds.end());
    along += slabs_[slab].along;
  }
  if (along <= 0) return false;
  Pool pool = poolOf(std::move(all));
  std::vector<double> worth;
  worth.reserve(pool.kinds.size());
  for (const std::size_t kind : pool.kinds) worth.push_back(areas_[kind]);
  filler_.begin(0, pool.kinds, worth);
  const Slab room = emptySlab(usableOf(job_.stock(0)).across, along);
  const auto [filling, got] = filler_.best(room.parts[0], kTries, pool.counts);
  if (got <= 0) return false;
  std::vector<std::size_t> loose = piecesOf(pool);
  const double now = worthOf(loose);
  double& then = before_[tried_ % before_.size()];
  if (now <= looseWorth_ || now <= then) {
    std::sort(which.rbegin(), which.rend());
    for (const std::size_t slab : which)
      slabs_.erase(slabs_.begin() + static_cast<std::ptrdiff_t>(slab));
    std::vector<Slab> fresh;
    addSlabs(filling.parts, 0, fresh);
    slack_ = along - alongOf(fresh);
    std::move(fresh.begin(), fresh.end(), std::back_inserter(slabs_));
    loose_ = std::move(loose);
    looseWorth_ = now;
  }
  then = std::min(then, looseWorth_);
  return loose_.empty();
}

}  // namespace drapery
