#include "core/cutting/one_fewer.h"

#include <algorithm>
#include <cmath>

namespace drapery {

OneFewer::OneFewer(const MaterialJob& job, std::mt19937_64& random)
    : job_(job), random_(random), filler_(job, random) {
  for (std::size_t s = 0; s < job.stocks.size(); ++s)
    isApt_ = isApt_ && job.stock(s).form == StockForm::Sheet;
}

void OneFewer::begin(const std::vector<Bin>& bins, const std::vector<std::size_t>& lost) {
  constexpr double kLargeFirst = 0.1;
  bins_ = bins;
  loose_ = lost;
  double most = 0.0;
  for (std::size_t kind = 0; kind < job_.kinds.size(); ++kind)
    most = std::max(most, areaOfKind(job_, kind));
  worth_.clear();
  for (std::size_t kind = 0; kind < job_.kinds.size(); ++kind) {
    const double area = areaOfKind(job_, kind);
    worth_.push_back(area * std::pow(area / most, kLargeFirst));
  }
  if (loose_.empty()) leaveOut();
  looseWorth_ = least_ = worthOf(loose_);
  before_.fill(looseWorth_);
  bettered_ = tried_;
}

void OneFewer::leaveOut() {
  std::vector<int> used(job_.stocks.size(), 0);
  for (const Bin& bin : bins_) ++used[bin.stock];
  std::size_t out = bins_.size();
  double dearest = -1.0;
  for (std::size_t b = 0; b < bins_.size(); ++b) {
    if (bins_[b].pinned) continue;
    const double dear = job_.stock(bins_[b].stock).cost / bins_[b].area;
    if (dear <= dearest) continue;
    dearest = dear;
    out = b;
  }
  if (out == bins_.size()) return;
  std::vector<std::size_t> cheaper;
  for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
    const auto there = job_.stock(s).count;
    if (job_.stock(s).cost < job_.stock(bins_[out].stock).cost && (!there || used[s] < *there))
      cheaper.push_back(s);
  }
  loose_.insert(loose_.end(), bins_[out].holds.begin(), bins_[out].holds.end());
  const std::size_t instead = below(cheaper.size() + 1);
  if (instead < cheaper.size())
    bins_[out] = emptyBin(job_, cheaper[instead]);
  else
    bins_.erase(bins_.begin() + static_cast<std::ptrdiff_t>(out));
}

bool OneFewer::step() {
  constexpr std::size_t kOneOf = 10, kTwo = 3;  // so often two sheets at a time
  if (loose_.empty()) return true;
  if (bins_.empty()) return false;
  ++tried_;
  std::vector<std::size_t> which{below(bins_.size())};
  if (const std::size_t other = below(bins_.size()); below(kOneOf) < kTwo && other != which[0])
    which.push_back(other);
  std::vector<std::size_t> all = loose_;
  std::vector<Bin> fresh;
  for (const std::size_t b : which) {
    all.insert(all.end(), bins_[b].holds.begin(), bins_[b].holds.end());
    fresh.push_back(emptied(job_, bins_[b]));
    for (const std::size_t kind : fresh.back().holds)
      all.erase(std::find(all.begin(), all.end(), kind));
  }
  Pool pool = poolOf(std::move(all));
  for (Bin& bin : fresh) takeInto(bin, pool.kinds, pool.counts);
  std::vector<std::size_t> loose = piecesOf(pool);
  const double worth = worthOf(loose);
  double& then = before_[tried_ % before_.size()];
  if (worth <= looseWorth_ || worth <= then) {
    for (std::size_t i = 0; i < which.size(); ++i) bins_[which[i]] = std::move(fresh[i]);
    loose_ = std::move(loose);
    looseWorth_ = worth;
  }
  then = std::min(then, looseWorth_);
  makeDearer();
  return loose_.empty();
}

/// The best of some tries.
void OneFewer::takeInto(Bin& bin, const std::vector<std::size_t>& kinds, Counts& pool) {
  constexpr int kTries = 40;
  std::vector<double> worth;
  worth.reserve(kinds.size());
  for (const std::size_t kind : kinds) worth.push_back(worth_[kind]);
  filler_.begin(bin.stock, kinds, worth);
  for (const std::size_t at : std::vector<std::size_t>(bin.free)) {
    const auto [best, got] = filler_.best(bin.parts[at], kTries, pool);
    if (got > 0) takeFilling(job_, bin, best, at);
  }
  bin.isBare = false;
}

double OneFewer::worthOf(const std::vector<std::size_t>& kinds) const {
  double sum = 0.0;
  for (const std::size_t kind : kinds) sum += worth_[kind];
  return sum;
}

/// What stays loose for long is placed sooner, if something else has to give way.
void OneFewer::makeDearer() {
  constexpr std::size_t kLong = 300;  // tries
  constexpr double kDearer = 1.05, kBetter = 0.9999;
  if (looseWorth_ < least_ * kBetter) {
    least_ = looseWorth_;
    bettered_ = tried_;
  }
  if (tried_ - bettered_ < kLong || loose_.empty()) return;
  bettered_ = tried_;
  std::vector<std::size_t> once = loose_;
  std::sort(once.begin(), once.end());
  once.erase(std::unique(once.begin(), once.end()), once.end());
  for (const std::size_t kind : once) worth_[kind] *= kDearer;
  const double now = worthOf(loose_);
  for (double& before : before_) before *= now / looseWorth_;
  looseWorth_ = least_ = now;
}

}  // namespace drapery
