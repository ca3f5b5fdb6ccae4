#include "core/cutting/roll_mix.h"

#include <algorithm>

#include "core/cutting/chance.h"
#include "core/cutting/exact_lay_out.h"
#include "core/cutting/few_pieces.h"

namespace drapery {

namespace {

constexpr double kSame = 1e-9;

/// With no more of the roll than that.
bool hasWay(const MaterialJob& job, std::size_t roll, const RollMix& mix, std::size_t kind) {
  for (std::size_t s = 0; s < mix.counts.size(); ++s) {
    const Micrometres along = s == roll ? mix.along : job.stock(s).along;
    const auto& ways = job.sizes[s][kind];
    if (mix.counts[s] > 0 && std::any_of(ways.begin(), ways.end(), [&](const LyingSize& size) {
          return size.along <= along + job.stock(s).kerf;
        }))
      return true;
  }
  return false;
}

/// Up to three of them one more or one fewer.
void exchangeSome(const MaterialJob& job, Counts& counts, std::mt19937_64& random) {
  constexpr std::size_t kMost = 3;
  for (std::size_t i = random() % (kMost + 1); i > 0; --i) {
    const std::size_t s = random() % counts.size();
    const auto there = job.stock(s).count;
    if (counts[s] > 0 && random() % 2 == 0)
      --counts[s];
    else if (!there || counts[s] < *there)
      ++counts[s];
  }
}

}  // namespace

std::optional<std::size_t> rollOfFew(const MaterialJob& job) {
  std::optional<std::size_t> roll;
  if (!job.pinned.empty() || !areFewPieces(job)) return roll;
  for (std::size_t s = 0; s < job.stocks.size(); ++s) {
    if (job.stock(s).form == StockForm::Sheet) continue;
    if (roll || job.stock(s).cost <= 0) return std::nullopt;
    roll = s;
  }
  return roll;
}

std::optional<RollMix> cheaperRollMix(const MaterialJob& job, std::size_t roll,
                                      const std::vector<Bin>& bins, std::mt19937_64& random) {
  constexpr int kLooks = 200;
  constexpr double kLeast = 0.7, kMore = 0.5;  // times what is lost on those
  const CutStock& stock = job.stock(roll);
  const UsableSize usable = usableOf(stock);
  const double across = double(usable.across);
  double room = 0.0, needed = 0.0, cost = 0.0;
  Counts used(job.stocks.size(), 0);
  for (const Bin& bin : bins) {
    room += bin.stock == roll ? across * double(bin.end) : roomOf(job.stock(bin.stock));
    needed += bin.area;
    cost += costOf(job.stock(bin.stock), bin.end);
    ++used[bin.stock];
  }
  const double lost = 1.0 - needed / room;
  for (int i = 0; i < kLooks; ++i) {
    RollMix mix{used};
    exchangeSome(job, mix.counts, random);
    mix.counts[roll] = 0;
    for (std::size_t s = 0; s < used.size(); ++s) {
      mix.room += mix.counts[s] * roomOf(job.stock(s));
      mix.cost += mix.counts[s] * job.stock(s).cost;
    }
    const double full = 1.0 - lost * (kLeast + kMore * drawnPart(random));
    const double along = (needed / full - mix.room) / across - double(stock.kerf);
    mix.along = static_cast<Micrometres>(std::clamp(along, 0.0, double(usable.along - stock.kerf)));
    if (mix.along > 0) {
      mix.counts[roll] = 1;
      mix.room += across * double(mix.along + stock.kerf);
      mix.cost += costOf(stock, mix.along + stock.kerf);
    }
    bool isApt = mix.cost < cost - kSame && mix.room >= needed;
    for (std::size_t kind = 0; isApt && kind < job.kinds.size(); ++kind)
      isApt = job.counts[kind] == 0 || hasWay(job, roll, mix, kind);
    if (isApt) return mix;
  }
  return std::nullopt;
}

}  // namespace drapery
