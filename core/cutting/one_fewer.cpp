#include "core/cutting/one_fewer.h"

#include <algorithm>
#include <cmath>

#include "core/cutting/few_pieces.h"
#include "core/cutting/sheet_swap.h"

namespace drapery {

OneFewer::OneFewer(const MaterialJob& job, std::mt19937_64& random, std::function<bool()> isEnough,
                   bool isByBoxes)
    : job_(job),
      random_(random),
      isEnough_(std::move(isEnough)),
      filler_(job, random, isEnough_),
      boxes_(job, random, isEnough_) {
  isByBoxes_ = isByBoxes && areFewPieces(job);
  for (std::size_t s = 0; s < job.stocks.size(); ++s)
    isApt_ = isApt_ && job.stock(s).form == StockForm::Sheet;
}

void OneFewer::begin(const std::vector<Bin>& bins, const std::vector<std::size_t>& lost) {
  beginWith(bins, lost);
  if (!lost.empty() || !leaveOut()) return;
  measureAnew();
  keepForLast();
}

void OneFewer::beginWith(const std::vector<Bin>& bins, const std::vector<std::size_t>& lost) {
  constexpr double kLargeFirst = 0.1;
  isTold_ = areLossesTold(job_.kinds.size(), job_);
  now_.bins = bins;
  now_.loose = lost;
  double most = 0.0;
  for (std::size_t kind = 0; kind < job_.kinds.size(); ++kind)
    most = std::max(most, areaOfKind(job_, kind));
  now_.worth.clear();
  for (std::size_t kind = 0; kind < job_.kinds.size(); ++kind) {
    const double area = areaOfKind(job_, kind);
    now_.worth.push_back(area * std::pow(area / most, kLargeFirst));
  }
  now_.last.reset();
  measureAnew();
}

void OneFewer::measureAnew() {
  now_.looseWorth = now_.least = worthOf(now_.loose);
  now_.before.fill(now_.looseWorth);
  bettered_ = tried_;
}

void OneFewer::offer(const std::vector<Bin>& bins) {
  if (!hasBegun()) return;
  const double loose = looseArea();
  State before = std::move(now_);
  begin(bins, {});
  if (now_.loose.empty() || now_.bins.size() != before.bins.size() || looseArea() >= loose)
    now_ = std::move(before);
}

double OneFewer::looseArea() const {
  double area = 0.0;
  for (const std::size_t kind : now_.loose) area += areaOfKind(job_, kind);
  return area;
}

bool OneFewer::leaveOut() {
  double needed = looseArea();
  for (const Bin& bin : now_.bins) needed += bin.area;
  const std::vector<SheetSwap> swaps = cheaperSwaps(job_, now_.bins, needed);
  if (swaps.empty()) return false;
  std::size_t which = 0;
  while (which + 1 < swaps.size() && below(2) == 0) ++which;
  for (const std::size_t stock : swaps[which].out) {
    const std::size_t bin = emptiestOf(stock);
    std::vector<std::size_t>& holds = now_.bins[bin].holds;
    now_.loose.insert(now_.loose.end(), holds.begin(), holds.end());
    now_.bins.erase(now_.bins.begin() + static_cast<std::ptrdiff_t>(bin));
  }
  for (const std::size_t stock : swaps[which].in) now_.bins.push_back(emptyBin(job_, stock));
  return true;
}

std::size_t OneFewer::emptiestOf(std::size_t stock) const {
  std::size_t least = now_.bins.size();
  for (std::size_t b = 0; b < now_.bins.size(); ++b)
    if (now_.bins[b].stock == stock && !now_.bins[b].pinned &&
        (least == now_.bins.size() || now_.bins[b].area < now_.bins[least].area))
      least = b;
  return least;
}

void OneFewer::keepForLast() {
  constexpr std::size_t kEnough = 4;
  if (now_.bins.size() < kEnough) return;
  std::size_t out = now_.bins.size();
  for (std::size_t b = 0; b < now_.bins.size(); ++b)
    if (!now_.bins[b].pinned &&
        (out == now_.bins.size() || now_.bins[b].area < now_.bins[out].area))
      out = b;
  if (out == now_.bins.size()) return;
  now_.last = now_.bins[out].stock;
  now_.loose.insert(now_.loose.end(), now_.bins[out].holds.begin(), now_.bins[out].holds.end());
  now_.bins.erase(now_.bins.begin() + static_cast<std::ptrdiff_t>(out));
  measureAnew();
}

/// All that is loose on the sheet that is kept for it; false where it has no room.
bool OneFewer::layLast() {
  constexpr int kFills = 100, kAgain = 1500;
  Bin bin = emptyBin(job_, *now_.last);
  const double room = double(bin.parts[0].across) * double(bin.parts[0].along);
  if (looseArea() > room) return false;
  Pool pool = poolOf(now_.loose);
  filler_.begin(*now_.last, pool.kinds, areasOf(job_, pool.kinds));
  auto [filling, got] = filler_.best(bin.parts[0], kFills, pool.counts);
  if (got <= 0) return false;
  if (!piecesOf(pool).empty()) filler_.better(filling, kAgain, pool.counts);
  if (!piecesOf(pool).empty()) return false;
  takeFilling(job_, bin, filling, 0);
  now_.bins.push_back(std::move(bin));
  now_.loose.clear();
  return true;
}

bool OneFewer::step() {
  constexpr std::size_t kOneOf = 40;                      // tries takes whole sheets
  constexpr std::size_t kBoxes = 8;                       // and one of so many the boxes on them
  constexpr std::size_t kOften = 1000, kOftenTold = 300;  // tries between two at the last sheet
  if (now_.loose.empty()) return true;
  if (now_.bins.empty()) return false;
  ++tried_;
  const std::size_t first = below(now_.bins.size());
  if (isTold_ && !now_.bins[first].pinned)
    fillUp(now_.bins[first]);
  else if (isTold_ || below(kOneOf) == 0)
    refill(first);
  else if (isByBoxes_ && below(kBoxes) == 0)
    joinAnew();
  else
    exchange();
  makeDearer();
  return now_.loose.empty() ||
         (now_.last && tried_ % (isTold_ ? kOftenTold : kOften) == 0 && layLast());
}

bool OneFewer::isTaken(double worth) {
  double& then = now_.before[tried_ % now_.before.size()];
  const bool isTaken = worth <= now_.looseWorth || worth <= then;
  if (isTaken) now_.looseWorth = worth;
  then = std::min(then, now_.looseWorth);
  return isTaken;
}

void OneFewer::exchange() {
  constexpr int kFills = 16, kLooks = 8;
  constexpr std::size_t kMostPieces = 10, kOnce = 2;  // so often in one sheet alone
  std::array<std::size_t, 2> which{}, at{};
  std::size_t count = 0;
  std::vector<std::size_t> all = now_.loose;
  const std::size_t wanted = below(kOnce) == 0 ? 1 : 2;
  for (int tries = 0; count < wanted && tries < kLooks; ++tries) {
    const std::size_t b = below(now_.bins.size());
    if (now_.bins[b].pinned || (count == 1 && which[0] == b)) continue;
    const std::size_t part = below(now_.bins[b].parts.size());
    const std::size_t before = all.size();
    addPieces(now_.bins[b].parts, part, all);
    const SheetPart& region = now_.bins[b].parts[part];
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
  for (const std::size_t kind : pool.kinds) worth.push_back(now_.worth[kind]);
  std::array<Filling, 2> fresh;
  for (std::size_t i = 0; i < count; ++i) {
    const Bin& bin = now_.bins[which[i]];
    if (i == 0 || bin.stock != now_.bins[which[0]].stock)
      filler_.begin(bin.stock, pool.kinds, worth);
    SheetPart region = bin.parts[at[i]];
    region.kind = SheetPart::Kind::Free;
    fresh[i] = filler_.best(region, kFills, pool.counts).first;
    if (fresh[i].parts.empty()) fresh[i].parts.push_back(region);
  }
  std::vector<std::size_t> loose = piecesOf(pool);
  if (!isTaken(worthOf(loose))) return;
  now_.loose = std::move(loose);
  for (std::size_t i = 0; i < count; ++i) {
    Bin& bin = now_.bins[which[i]];
    const Filling whole{0.0, withInstead(bin.parts, at[i], fresh[i].parts)};
    bin = emptyBin(job_, bin.stock);
    takeFilling(job_, bin, whole, 0);
  }
}

void OneFewer::joinAnew() {
  constexpr std::size_t kTwo = 2;  // one of so many times two sheets
  std::vector<std::size_t> which;
  for (std::size_t wanted = below(kTwo) == 0 ? 2 : 1; wanted > 0; --wanted) {
    const std::size_t b = below(now_.bins.size());
    if (!now_.bins[b].pinned && (which.empty() || which[0] != b)) which.push_back(b);
  }
  if (which.empty()) return;
  std::vector<const Bin*> bins;
  bins.reserve(which.size());
  for (const std::size_t b : which) bins.push_back(&now_.bins[b]);
  const double most = std::max(now_.looseWorth, now_.before[tried_ % now_.before.size()]);
  auto joined = boxes_.joined(bins, now_.loose, now_.worth, most);
  if (!joined || !isTaken(worthOf(joined->loose))) return;
  now_.loose = std::move(joined->loose);
  for (std::size_t i = 0; i < which.size(); ++i) now_.bins[which[i]] = std::move(joined->bins[i]);
}

void OneFewer::refill(std::size_t first) {
  constexpr std::size_t kOneOf = 10, kTwo = 3;  // so often two sheets at a time
  std::vector<std::size_t> which{first};
  if (const std::size_t other = below(now_.bins.size()); below(kOneOf) < kTwo && other != which[0])
    which.push_back(other);
  std::vector<std::size_t> all = now_.loose;
  std::vector<Bin> fresh;
  for (const std::size_t b : which) {
    all.insert(all.end(), now_.bins[b].holds.begin(), now_.bins[b].holds.end());
    fresh.push_back(emptied(job_, now_.bins[b]));
    for (const std::size_t kind : fresh.back().holds)
      all.erase(std::find(all.begin(), all.end(), kind));
  }
  Pool pool = poolOf(std::move(all));
  for (Bin& bin : fresh) takeInto(bin, pool.kinds, pool.counts);
  std::vector<std::size_t> loose = piecesOf(pool);
  if (!isTaken(worthOf(loose))) return;
  for (std::size_t i = 0; i < which.size(); ++i) now_.bins[which[i]] = std::move(fresh[i]);
  now_.loose = std::move(loose);
}

void OneFewer::fillUp(Bin& bin) {
  constexpr int kTimes = 30;
  std::vector<std::size_t> all = now_.loose;
  all.insert(all.end(), bin.holds.begin(), bin.holds.end());
  Pool pool = poolOf(std::move(all));
  for (const std::size_t kind : bin.holds) {
    const auto at = std::lower_bound(pool.kinds.begin(), pool.kinds.end(), kind);
    --pool.counts[static_cast<std::size_t>(at - pool.kinds.begin())];
  }
  filler_.begin(bin.stock, pool.kinds, areasOf(job_, pool.kinds),
                lossesAmong(pool.kinds.size(), job_, bin.stock, isEnough_));
  Filling filling{0.0, bin.parts};
  if (filler_.better(filling, kTimes, pool.counts) <= 0.0) return;
  bin = emptyBin(job_, bin.stock);
  takeFilling(job_, bin, filling, 0);
  now_.loose = piecesOf(pool);
  measureAnew();
}

/// The best of some tries.
void OneFewer::takeInto(Bin& bin, const std::vector<std::size_t>& kinds, Counts& pool) {
  constexpr int kTries = 40;
  std::vector<double> worth;
  worth.reserve(kinds.size());
  for (const std::size_t kind : kinds) worth.push_back(now_.worth[kind]);
  filler_.begin(bin.stock, kinds, worth);
  for (const std::size_t at : std::vector<std::size_t>(bin.free)) {
    const auto [best, got] = filler_.best(bin.parts[at], kTries, pool);
    if (got > 0) takeFilling(job_, bin, best, at);
  }
  bin.isBare = false;
}

double OneFewer::worthOf(const std::vector<std::size_t>& kinds) const {
  double sum = 0.0;
  for (const std::size_t kind : kinds) sum += now_.worth[kind];
  return sum;
}

/// What stays loose for long is placed sooner, if something else has to give way.
void OneFewer::makeDearer() {
  constexpr std::size_t kLong = 1'500;  // tries
  constexpr double kDearer = 1.05, kBetter = 0.9999;
  if (now_.looseWorth < now_.least * kBetter) {
    now_.least = now_.looseWorth;
    bettered_ = tried_;
  }
  if (tried_ - bettered_ < kLong || now_.loose.empty()) return;
  bettered_ = tried_;
  std::vector<std::size_t> once = now_.loose;
  std::sort(once.begin(), once.end());
  once.erase(std::unique(once.begin(), once.end()), once.end());
  for (const std::size_t kind : once) now_.worth[kind] *= kDearer;
  const double now = worthOf(now_.loose);
  for (double& before : now_.before) before *= now / now_.looseWorth;
  now_.looseWorth = now_.least = now;
}

}  // namespace drapery
