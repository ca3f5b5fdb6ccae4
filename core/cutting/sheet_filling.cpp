#include "core/cutting/sheet_filling.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace drapery {

SheetFilling::SheetFilling(const MaterialJob& job, std::mt19937_64& random,
                           std::function<bool()> isEnough)
    : job_(job),
      random_(random),
      isEnough_(std::move(isEnough)),
      filler_(job, random),
      quick_(job, random) {
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

void SheetFilling::beginQuick(const Beginning& how, std::size_t stock,
                              const std::vector<std::size_t>& kinds) {
  const double most = *std::max_element(areas_.begin(), areas_.end());
  std::vector<double> worth;
  worth.reserve(kinds.size());
  for (const std::size_t kind : kinds)
    worth.push_back(areas_[kind] * std::pow(areas_[kind] / most, how.lean));
  quick_.begin(stock, kinds, worth,
               how.isPatient() ? lossesAmong(kinds.size(), job_, stock, isEnough_) : nullptr);
}

void SheetFilling::fillQuickly(const Beginning& how, Bin& bin,
                               const std::vector<std::size_t>& kinds, Counts& pool) {
  constexpr int kAtOnce = 50;  // between two questions
  beginQuick(how, bin.stock, kinds);
  Filling best;
  Counts left;
  double got = 0.0;
  for (int fills = how.fills; fills > 0 && !isEnough_(); fills -= kAtOnce) {
    Counts rest = pool;
    auto [filling, more] = quick_.best(bin.parts.front(), std::min(fills, kAtOnce), rest);
    if (more <= got) continue;
    got = more;
    best = std::move(filling);
    left = std::move(rest);
  }
  if (got <= 0) return;
  better(best, timesAgain(how, bin.parts.front(), kinds, pool), left);
  pool = std::move(left);
  takeFilling(job_, bin, best, 0);
}

double SheetFilling::better(Filling& filling, int times, Counts& pool) {
  constexpr int kAtOnce = 500;  // between two questions
  double more = 0.0;
  for (; times > 0 && !isEnough_(); times -= kAtOnce)
    more += quick_.better(filling, std::min(times, kAtOnce), pool);
  return more;
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

void SheetFilling::slabs(const Beginning& how, Bin& bin, const Pool& gathered, Counts& pool,
                         bool isAll) {
  constexpr double kPieces = 15.0, kPiecesTold = 30.0, kLast = 1.7, kSome = 0.5;
  const auto open = openEnd(job_, bin);
  if (!open) return;
  beginQuick(how, bin.stock, gathered.kinds);
  const double most = areaOf(gathered.kinds, pool);
  const double pieces =
      how.isPatient() && areLossesTold(gathered.kinds.size(), job_) ? kPiecesTold : kPieces;
  for (std::size_t rest = *open; !isEnough_();) {
    const SheetPart room = bin.parts[rest];
    const double area = areaOf(gathered.kinds, pool);
    if (area <= 0 || (!isAll && area < kSome * most)) return;
    double count = 0.0;
    Micrometres high = 0;
    for (std::size_t i = 0; i < pool.size(); ++i) {
      count += pool[i];
      if (pool[i] > 0)
        for (const LyingSize& size : job_.sizes[bin.stock][gathered.kinds[i]])
          high = std::max(high, size.along);
    }
    const double across = double(room.across);
    const double usual = std::max(double(high), std::min(pieces, count) * area / count / across);
    std::optional<Filling> slab;
    if (area < kLast * usual * across)
      slab = lastSlab(how, room, area / across, pool);
    else
      slab = fullSlab(how, room, usual, gathered.kinds, pool);
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
  better(*best, timesAgain(how, best->parts.front(), kinds, pool), left);
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
    got += better(filling, again, others);
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
                                                  std::size_t kind) const {
  std::optional<std::size_t> best;
  double least = std::numeric_limits<double>::infinity();
  for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
    const CutStock& stock = job_.stock(s);
    if (job_.sizes[s][kind].empty() || (stock.count && used[s] >= *stock.count)) continue;
    const UsableSize usable = usableOf(stock);
    const double along = stock.form == StockForm::Roll ? 1e6 : double(usable.along);
    const double perArea = stock.cost / (double(usable.across) * along);
    if (perArea < least) {
      least = perArea;
      best = s;
    }
  }
  return best;
}

}  // namespace drapery
