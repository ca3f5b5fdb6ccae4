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
  const std::size_t looked = most * (stocks.size() + bare);
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
  for (const std::size_t stock : stocks) {
    if (const auto there = job_.stock(stock).count; there && used[stock] >= *there) continue;
    Bin best = emptyBin(job_, stock);
    Counts left = pool;
    const bool isRoll = job_.stock(stock).form == StockForm::Roll;
    for (int i = 0; i < how.tries || (i == 0 && isRoll); ++i) {
      Bin bin = emptyBin(job_, stock);
      Counts rest = pool;
      if (isRoll)
        shelves(bin, kinds, rest);
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

void SheetFilling::fillQuickly(const Beginning& how, Bin& bin,
                               const std::vector<std::size_t>& kinds, Counts& pool) {
  constexpr int kAtOnce = 50, kAgain = 500;  // between two questions
  const double most = *std::max_element(areas_.begin(), areas_.end());
  std::vector<double> worth;
  worth.reserve(kinds.size());
  for (const std::size_t kind : kinds)
    worth.push_back(areas_[kind] * std::pow(areas_[kind] / most, how.lean));
  quick_.begin(bin.stock, kinds, worth);
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
  for (int again = timesAgain(how, bin, kinds, pool); again > 0 && !isEnough_(); again -= kAgain)
    quick_.better(best, std::min(again, kAgain), left);
  pool = std::move(left);
  takeFilling(job_, bin, best, 0);
}

int SheetFilling::timesAgain(const Beginning& how, const Bin& bin,
                             const std::vector<std::size_t>& kinds, const Counts& pool) const {
  constexpr double kNear = 8.0, kEasily = 0.85;  // sheets
  constexpr int kLittle = 10;                    // one in so many
  double area = 0.0;
  for (std::size_t i = 0; i < kinds.size(); ++i) area += areas_[kinds[i]] * pool[i];
  const double sheets = area / (double(bin.parts.front().across) * double(bin.parts.front().along));
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
