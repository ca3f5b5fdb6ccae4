#include "core/cutting/sheet_filling.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/cutting/chance.h"

namespace drapery {

namespace {

constexpr double kFewInASlab = 15.0;  // pieces

}  // namespace

SheetFilling::SheetFilling(const MaterialJob& job, std::mt19937_64& random,
                           std::function<bool()> isEnough)
    : job_(job),
      random_(random),
      isEnough_(std::move(isEnough)),
      filler_(job, random),
      quick_(job, random, isEnough_),
      row_(job, random, isEnough_) {
  areas_.reserve(job.kinds.size());
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    areas_.push_back(areaOfKind(job, kind));
}

void SheetFilling::fill(const std::vector<std::size_t>& stocks, const Beginning& how,
                        std::vector<Bin>& bins, std::vector<int>& used,
                        std::vector<std::size_t>& loose) {
  // Of very many only some are looked at for each sheet: a fill is to be over in a moment.
  const std::size_t most = how.isPatient() ? 1500 : 400;
  const auto bare = static_cast<std::size_t>(
      std::count_if(bins.begin(), bins.end(), [](const Bin& bin) { return bin.isBare; }));
  std::vector<std::size_t> rolls;
  for (std::size_t b = 0; b < bins.size() && how.fills > 0; ++b)
    if (openEnd(job_, bins[b])) rolls.push_back(b);
  const std::size_t looked = most * (stocks.size() + bare + rolls.size());
  std::vector<std::size_t> others;
  if (loose.size() > looked) {
    for (std::size_t i = 0; i < looked; ++i)
      std::swap(loose[i], loose[i + below(loose.size() - i)]);
    others.assign(loose.begin() + static_cast<std::ptrdiff_t>(looked), loose.end());
    loose.resize(looked);
  }
  Pool gathered = poolOf(std::move(loose));
  const std::vector<std::size_t>& kinds = gathered.kinds;
  Counts& pool = gathered.counts;
  for (Bin& bin : bins)
    if (bin.isBare) fillAround(bin, kinds, pool);
  for (const std::size_t roll : rolls) slabs(how, bins[roll], gathered, pool, others.empty());
  for (const std::size_t stock : stocks) {
    if (const auto there = job_.stock(stock).count; there && used[stock] >= *there) continue;
    dropGone(gathered);
    if (kinds.empty()) break;
    Bin best = emptyBin(job_, stock);
    Counts left = pool;
    const bool isRoll = job_.stock(stock).form == StockForm::Roll;
    for (int i = 0; i < how.tries || (i == 0 && isRoll); ++i) {
      Bin bin = emptyBin(job_, stock);
      Counts rest = pool;
      if (isRoll)
        how.fills > 0 ? slabs(how, bin, gathered, rest, others.empty()) : shelves(bin, kinds, rest);
      else
        takeFilling(job_, bin, filler_.fill(stock, bin.parts.front(), kinds, rest), 0);
      if (bin.area <= best.area) continue;
      best = std::move(bin);
      left = std::move(rest);
    }
    if (how.fills > 0 && !isRoll) fillQuickly(how, best, kinds, left);
    if (best.area <= 0) continue;
    pool = std::move(left);
    bins.push_back(std::move(best));
    ++used[stock];
  }
  loose = std::move(others);
  const std::vector<std::size_t> left = piecesOf(gathered);
  loose.insert(loose.end(), left.begin(), left.end());
}

bool SheetFilling::putEach(const std::vector<std::size_t>& loose, const PlacingHabit& habit,
                           std::vector<Bin>& bins, std::vector<int>& used,
                           std::vector<std::size_t>& lost) {
  std::vector<std::pair<double, std::size_t>> order;
  order.reserve(loose.size());
  for (const std::size_t kind : loose) {
    const double blur = habit.noise > 0 ? 1.0 + habit.noise * (drawnPart(random_) - 0.5) * 2 : 1.0;
    order.emplace_back(placingSize(job_, kind, habit.order) * blur, kind);
  }
  std::stable_sort(order.begin(), order.end(),
                   [](const auto& a, const auto& b) { return a.first > b.first; });
  constexpr std::size_t kLook = 4;  // pieces between two questions
  std::size_t looked = 0;
  // Where one of a kind found no room there is none for another.
  std::vector<std::size_t> barren(job_.kinds.size(), 0);
  for (const auto& [size, kind] : order) {
    if (++looked % kLook == 0 && isEnough_()) return false;
    if (putPiece(job_, bins, kind, habit, barren[kind])) continue;
    barren[kind] = bins.size();
    const auto stock = stockFor(used, {&kind, 1});
    if (!stock) {
      lost.push_back(kind);
      continue;
    }
    bins.push_back(emptyBin(job_, *stock));
    ++used[*stock];
    putPiece(job_, bins, kind, habit, barren[kind]);
  }
  return true;
}

void SheetFilling::fillCheaper(std::size_t than, std::vector<Bin>& bins, std::vector<int>& used,
                               std::vector<std::size_t>& loose) {
  constexpr int kTimes = 10;
  constexpr double kEffort = 2.0;
  while (!isEnough_()) {
    const auto stock = stockFor(used, loose);
    if (!stock || stock == than) return;
    std::optional<Bin> fullest;
    std::vector<std::size_t> left;
    for (int i = 0; i < kTimes && !isEnough_(); ++i) {
      std::vector<Bin> filled;
      std::vector<int> gone = used;
      std::vector<std::size_t> others = loose;
      fill({*stock}, patientBeginning(job_, kEffort, random_), filled, gone, others);
      if (filled.empty() || (fullest && filled.front().area <= fullest->area)) continue;
      fullest = std::move(filled.front());
      left = std::move(others);
    }
    if (!fullest) return;
    bins.push_back(std::move(*fullest));
    ++used[*stock];
    loose = std::move(left);
  }
}

std::vector<double> SheetFilling::beginQuick(const Beginning& how, std::size_t stock,
                                             const std::vector<std::size_t>& kinds) {
  const double most = *std::max_element(areas_.begin(), areas_.end());
  std::vector<double> worth;
  worth.reserve(kinds.size());
  for (const std::size_t kind : kinds)
    worth.push_back(areas_[kind] * std::pow(areas_[kind] / most, how.lean));
  quick_.begin(stock, kinds, worth,
               how.isPatient() ? lossesAmong(kinds.size(), job_, stock, isEnough_) : nullptr);
  return worth;
}

void SheetFilling::fillQuickly(const Beginning& how, Bin& bin,
                               const std::vector<std::size_t>& kinds, Counts& pool) {
  beginQuick(how, bin.stock, kinds);
  const int again = timesAgain(how, bin.parts.front(), kinds, pool);
  auto [filling, got] = quick_.best(bin.parts.front(), how.fills, pool);
  if (got <= 0) return;
  quick_.better(filling, again, pool);
  takeFilling(job_, bin, filling, 0);
}

double SheetFilling::areaOf(const std::vector<std::size_t>& kinds, const Counts& pool) const {
  double area = 0.0;
  for (std::size_t i = 0; i < kinds.size(); ++i) area += areas_[kinds[i]] * pool[i];
  return area;
}

int SheetFilling::timesAgain(const Beginning& how, const SheetPart& region,
                             const std::vector<std::size_t>& kinds, const Counts& pool) const {
  constexpr double kNear = 8.0, kEasily = 0.85;  // sheets
  constexpr int kLittle = 10;                    // one in so many
  const double sheets = areaOf(kinds, pool) / (double(region.across) * double(region.along));
  if (sheets < kEasily) return how.again / kLittle;
  return static_cast<int>(how.again * (1.0 + how.growth * std::exp(-sheets / kNear)));
}

void SheetFilling::fillAround(Bin& bin, const std::vector<std::size_t>& kinds, Counts& pool) {
  bin.isBare = false;
  for (const std::size_t at : std::vector<std::size_t>(bin.free)) {
    const SheetPart room = bin.parts[at];
    if (!isOpenEnded(job_, bin, room))
      takeFilling(job_, bin, filler_.fill(bin.stock, room, kinds, pool), at);
  }
}

double SheetFilling::piecesOfASlab(const Beginning& how, std::size_t kinds) const {
  constexpr double kMost = 90.0, kOfOneKind = 2500.0;
  if (!how.isPatient() || !areLossesTold(kinds, job_)) return kFewInASlab;
  return std::clamp(kOfOneKind / double(job_.kinds.size()), kFewInASlab, kMost);
}

SheetFilling::Left SheetFilling::leftOf(std::size_t stock, const Pool& gathered,
                                        const Counts& pool) const {
  Left left;
  for (std::size_t i = 0; i < pool.size(); ++i) {
    const auto& sizes = job_.sizes[stock][gathered.kinds[i]];
    if (pool[i] == 0 || sizes.empty()) continue;
    left.pieces += pool[i];
    left.area += areas_[gathered.kinds[i]] * pool[i];
    Micrometres low = sizes.front().along;
    for (const LyingSize& size : sizes) {
      left.high = std::max(left.high, size.along);
      low = std::min(low, size.along);
    }
    left.low = std::max(left.low, low);
  }
  return left;
}

void SheetFilling::slabs(const Beginning& how, Bin& bin, const Pool& gathered, Counts& pool,
                         bool isAll) {
  constexpr double kLast = 1.7, kSome = 0.5, kAtTheEnd = 1.0 / 3, kOfWhatIsLeft = 0.25;
  const double rows = isOfManyKinds(job_) ? 500.0 : 120.0;  // pieces of which they lose less
  const auto open = openEnd(job_, bin);
  if (!open) return;
  const std::vector<double> worth = beginQuick(how, bin.stock, gathered.kinds);
  const double most = areaOf(gathered.kinds, pool);
  const double pieces = piecesOfASlab(how, gathered.kinds.size());
  for (std::size_t rest = *open; !isEnough_();) {
    const SheetPart room = bin.parts[rest];
    const Left left = leftOf(bin.stock, gathered, pool);
    if (left.area <= 0 || (!isAll && left.area < kSome * most)) return;
    const double along = left.area / double(room.across);
    const auto longAs = [&](double many) {
      return std::max(double(left.high), std::min(many, left.pieces) * along / left.pieces);
    };
    // Toward the end shorter ones: the last, for all that is left, loses most.
    const double last = longAs(std::max(kFewInASlab, kAtTheEnd * pieces));
    std::optional<Filling> slab;
    if (how.isPatient() && left.pieces <= rows && left.pieces > kFewInASlab)
      slab = row_.best(bin.stock, room, left.low, gathered.kinds, worth, pool);
    if (!slab && along < kLast * last)
      slab = lastSlab(how, room, std::max(double(left.low), along), pool);
    else if (!slab)
      slab = fullSlab(how, room, std::max(last, std::min(longAs(pieces), kOfWhatIsLeft * along)),
                      gathered.kinds, pool);
    if (!slab) return;
    const auto above = takeSlab(job_, bin, std::move(*slab), rest);
    if (!above) return;
    rest = *above;
  }
}

std::optional<Filling> SheetFilling::fullSlab(const Beginning& how, SheetPart room, double usual,
                                              const std::vector<std::size_t>& kinds, Counts& pool) {
  constexpr double kShortest = 0.8, kLongest = 1.6;
  constexpr int kLengths = 12;
  std::optional<Filling> best;
  Counts left;
  const Micrometres longest = room.along;
  double most = 0.0;
  std::uniform_real_distribution<double> times(kShortest, kLongest);
  for (int i = 0; i < kLengths; ++i) {
    room.along = std::min(longest, static_cast<Micrometres>(usual * times(random_)));
    Counts others = pool;
    auto [filling, got] = quick_.best(room, std::max(1, how.fills / kLengths), others);
    if (got <= 0.0) continue;
    const double dense = got / double(endOf(filling.parts) - room.y);
    if (dense <= most) continue;
    most = dense;
    best = std::move(filling);
    left = std::move(others);
  }
  if (!best) return std::nullopt;
  quick_.better(*best, timesAgain(how, best->parts.front(), kinds, pool), left);
  pool = std::move(left);
  return best;
}

std::optional<Filling> SheetFilling::lastSlab(const Beginning& how, SheetPart room, double least,
                                              Counts& pool) {
  constexpr double kFirst = 1.01, kMore = 1.015;
  constexpr int kTries = 40, kOneOf = 4, kTimesTold = 4;  // few pieces are to take a moment
  const bool isTold = areLossesTold(job_.kinds.size(), job_);
  const int again = isTold ? kTimesTold * how.again : how.again / kOneOf;
  std::optional<Filling> best;
  Counts left;
  const Micrometres longest = room.along;
  double most = 0.0;
  double along = kFirst * least;
  for (int i = 0; i < kTries && !isEnough_(); ++i, along *= kMore) {
    room.along = std::min(longest, static_cast<Micrometres>(along));
    Counts others = pool;
    auto [filling, got] = quick_.best(room, how.fills, others);
    if (got <= 0.0) continue;
    got += quick_.better(filling, again, others);
    if (got <= most) continue;
    most = got;
    best = std::move(filling);
    left = std::move(others);
    if (std::all_of(left.begin(), left.end(), [](int count) { return count == 0; })) break;
  }
  if (best) pool = std::move(left);
  return best;
}

void SheetFilling::shelves(Bin& bin, const std::vector<std::size_t>& kinds, Counts& pool) {
  std::size_t rest = 0;
  while (true) {
    Micrometres high = 0;
    const SheetPart room = bin.parts[rest];
    for (std::size_t i = 0; i < pool.size(); ++i)
      if (pool[i] > 0)
        for (const LyingSize& size : job_.sizes[bin.stock][kinds[i]])
          if (size.along <= room.along && size.across <= room.across &&
              (high == 0 || (size.along > high) == (below(8) > 0)))
            high = size.along;
    if (high == 0 || isEnough_()) return;
    std::erase(bin.free, rest);
    splitPart(bin.parts, rest, false, high);
    const std::size_t shelf = bin.parts[rest].low;
    rest = bin.parts[rest].high;
    bin.free.push_back(rest);
    takeFilling(job_, bin, filler_.fill(bin.stock, bin.parts[shelf], kinds, pool), shelf);
  }
}

std::optional<std::size_t> SheetFilling::stockFor(const std::vector<int>& used,
                                                  std::span<const std::size_t> kinds) const {
  std::optional<std::size_t> best;
  double least = std::numeric_limits<double>::infinity();
  for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
    const CutStock& stock = job_.stock(s);
    if (stock.count && used[s] >= *stock.count) continue;
    const UsableSize usable = usableOf(stock);
    const double along = stock.form == StockForm::Roll ? 1e6 : double(usable.along);
    const double perArea = stock.cost / (double(usable.across) * along);
    const auto fits = [&](std::size_t kind) { return !job_.sizes[s][kind].empty(); };
    if (perArea >= least || std::none_of(kinds.begin(), kinds.end(), fits)) continue;
    least = perArea;
    best = s;
  }
  return best;
}

}  // namespace drapery
