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
  last_.reset();
  if (loose_.empty()) {
    leaveOut();
    keepForLast();
  }
  looseWorth_ = least_ = worthOf(loose_);
  before_.fill(looseWorth_);
  bettered_ = tried_;
}

void OneFewer::offer(const std::vector<Bin>& bins) {
  if (!hasBegun()) return;
  OneFewer other(*this);
  other.begin(bins, {});
  if (other.bins_.size() != bins_.size() || other.looseArea() >= looseArea()) return;
  begin(bins, {});
}

double OneFewer::looseArea() const {
  double area = 0.0;
  for (const std::size_t kind : loose_) area += areaOfKind(job_, kind);
  return area;
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

/// One more is emptied, for what is loose in the end: which that is, is free to choose.
void OneFewer::keepForLast() {
  constexpr std::size_t kEnough = 4;
  if (bins_.size() < kEnough) return;
  std::size_t out = bins_.size();
  for (std::size_t b = 0; b < bins_.size(); ++b)
    if (!bins_[b].pinned && (out == bins_.size() || bins_[b].area < bins_[out].area)) out = b;
  if (out == bins_.size()) return;
  last_ = bins_[out].stock;
  loose_.insert(loose_.end(), bins_[out].holds.begin(), bins_[out].holds.end());
  bins_.erase(bins_.begin() + static_cast<std::ptrdiff_t>(out));
}

/// All that is loose on the sheet that is kept for it; false where it has no room.
bool OneFewer::layLast() {
  constexpr int kFills = 100, kAgain = 1500;
  Bin bin = emptyBin(job_, *last_);
  const double room = double(bin.parts[0].across) * double(bin.parts[0].along);
  if (looseArea() > room) return false;
  Pool pool = poolOf(loose_);
  std::vector<double> worth;
  worth.reserve(pool.kinds.size());
  for (const std::size_t kind : pool.kinds) worth.push_back(areaOfKind(job_, kind));
  filler_.begin(*last_, pool.kinds, worth);
  auto [filling, got] = filler_.best(bin.parts[0], kFills, pool.counts);
  if (got <= 0) return false;
  if (!piecesOf(pool).empty()) filler_.better(filling, kAgain, pool.counts);
  if (!piecesOf(pool).empty()) return false;
  takeFilling(job_, bin, filling, 0);
  bins_.push_back(std::move(bin));
  loose_.clear();
  return true;
}

bool OneFewer::step() {
  constexpr std::size_t kOneOf = 40;  // tries takes whole sheets
  if (loose_.empty()) return true;
  if (bins_.empty()) return false;
  ++tried_;
  if (below(kOneOf) == 0)
    refill();
  else
    exchange();
  makeDearer();
  constexpr std::size_t kOften = 1000;  // tries between two at the last sheet
  return loose_.empty() || (last_ && tried_ % kOften == 0 && layLast());
}

bool OneFewer::isTaken(double worth) {
  double& then = before_[tried_ % before_.size()];
  const bool isTaken = worth <= looseWorth_ || worth <= then;
  if (isTaken) looseWorth_ = worth;
  then = std::min(then, looseWorth_);
  return isTaken;
}

void OneFewer::exchange() {
  constexpr int kFills = 16, kLooks = 8;
  constexpr std::size_t kMostPieces = 10, kOnce = 2;  // so often in one sheet alone
  std::array<std::size_t, 2> which{}, at{};
  std::size_t count = 0;
  std::vector<std::size_t> all = loose_;
  const std::size_t wanted = below(kOnce) == 0 ? 1 : 2;
  for (int tries = 0; count < wanted && tries < kLooks; ++tries) {
    const std::size_t b = below(bins_.size());
    if (bins_[b].pinned || (count == 1 && which[0] == b)) continue;
    const std::size_t part = below(bins_[b].parts.size());
    const std::size_t before = all.size();
    addPieces(bins_[b].parts, part, all);
    const SheetPart& region = bins_[b].parts[part];
    double left = double(region.across) * double(region.along);
    for (std::size_t k = before; k < all.size(); ++k) left -= areaOfKind(job_, all[k]);
    if (all.size() - before > kMostPieces || (left <= 0.0 && below(4) > 0)) {
      all.resize(before);
      continue;
    }
    which[count] = b;
    at[count++] = part;
  }
  if (count == 0) return;
  Pool pool = poolOf(std::move(all));
  std::vector<double> worth;
  worth.reserve(pool.kinds.size());
  for (const std::size_t kind : pool.kinds) worth.push_back(worth_[kind]);
  std::array<Filling, 2> fresh;
  for (std::size_t i = 0; i < count; ++i) {
    const Bin& bin = bins_[which[i]];
    if (i == 0 || bin.stock != bins_[which[0]].stock) filler_.begin(bin.stock, pool.kinds, worth);
    SheetPart region = bin.parts[at[i]];
    region.kind = SheetPart::Kind::Free;
    fresh[i] = filler_.best(region, kFills, pool.counts).first;
    if (fresh[i].parts.empty()) fresh[i].parts.push_back(region);
  }
  std::vector<std::size_t> loose = piecesOf(pool);
  if (!isTaken(worthOf(loose))) return;
  loose_ = std::move(loose);
  for (std::size_t i = 0; i < count; ++i) {
    Bin& bin = bins_[which[i]];
    const Filling whole{0.0, withInstead(bin.parts, at[i], fresh[i].parts)};
    bin = emptyBin(job_, bin.stock);
    takeFilling(job_, bin, whole, 0);
  }
}

void OneFewer::refill() {
  constexpr std::size_t kOneOf = 10, kTwo = 3;  // so often two sheets at a time
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
  if (!isTaken(worthOf(loose))) return;
  for (std::size_t i = 0; i < which.size(); ++i) bins_[which[i]] = std::move(fresh[i]);
  loose_ = std::move(loose);
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
  constexpr std::size_t kLong = 1'500;  // tries
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
