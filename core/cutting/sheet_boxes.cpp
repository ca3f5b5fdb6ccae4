#include "core/cutting/sheet_boxes.h"

#include <algorithm>
#include <numeric>

#include "core/cutting/few_boxes.h"

namespace drapery {

namespace {

constexpr double kNone = -1.0;
constexpr double kSame = 1e-6;  // of all that they are worth

void addPieces(const LaidBox& box, std::vector<std::size_t>& kinds) {
  if (box.of.empty()) kinds.push_back(box.kind);
  for (const LaidBoxPtr& each : box.of) addPieces(*each, kinds);
}

double worthOf(const std::vector<std::size_t>& pieces, const std::vector<double>& worth) {
  return std::accumulate(pieces.begin(), pieces.end(), 0.0,
                         [&](double sum, std::size_t kind) { return sum + worth[kind]; });
}

/// Of one of each of the few that are alike.
std::vector<double> worthsOf(const FewBoxes& few, const std::vector<double>& worth) {
  std::vector<double> worths;
  for (std::size_t kind = 0; kind < few.job().counts.size(); ++kind) {
    std::vector<std::size_t> pieces;
    addPieces(few.one(kind), pieces);
    worths.push_back(worthOf(pieces, worth));
  }
  return worths;
}

/// What the takings are worth that have room on a stock.
class TakingWorths {
 public:
  TakingWorths(const BoxFronts& fronts, const CountIndex& index, const std::vector<double>& each)
      : index_(index), worths_(index.size(), kNone) {
    worths_[0] = 0.0;
    for (std::size_t set = 1; set < index.size(); ++set) {
      if (fronts.of(set).empty()) continue;
      worths_[set] = 0.0;
      for (std::size_t kind = 0; kind < index.kinds(); ++kind)
        worths_[set] += index.count(set, kind) * each[kind];
    }
  }
  /// Below 0 where it has none.
  [[nodiscard]] double of(std::size_t set) const { return worths_[set]; }
  [[nodiscard]] std::size_t all() const { return index_.all(); }

  /// For each taking the part of it that has room and is worth most.
  [[nodiscard]] std::vector<std::size_t> bestParts() const {
    std::vector<std::size_t> best(worths_.size(), 0);
    for (std::size_t set = 1; set < worths_.size(); ++set) {
      if (worths_[set] >= 0.0) best[set] = set;
      for (std::size_t kind = 0; kind < index_.kinds(); ++kind) {
        if (index_.count(set, kind) == 0) continue;
        const std::size_t part = best[set - index_.one(kind)];
        if (worths_[part] > worths_[best[set]]) best[set] = part;
      }
    }
    return best;
  }

 private:
  const CountIndex& index_;
  std::vector<double> worths_;
};

/// A taking for each sheet.
struct Shares {
  std::size_t first = 0, second = 0;
};
/// Those worth most together, and no less than `least`: of what is on the first sheet the other
/// one, if there is any, takes the best of the rest. Of those that are worth as much any may be the
/// one.
std::optional<Shares> worthMost(const TakingWorths& on, const TakingWorths* other, double least,
                                double same, std::mt19937_64& random) {
  const std::vector<std::size_t> best =
      other != nullptr ? other->bestParts() : std::vector<std::size_t>{};
  std::optional<Shares> found;
  std::size_t as = 0;
  for (std::size_t set = 0; set <= on.all(); ++set) {
    if (on.of(set) < 0.0) continue;
    const Shares shares{set, other != nullptr ? best[on.all() - set] : 0};
    const double worth = on.of(set) + (other != nullptr ? other->of(shares.second) : 0.0);
    if (worth < least - same) continue;
    if (worth > least + same) {
      least = worth;
      as = 0;
    }
    if (random() % ++as == 0) found = shares;
  }
  return found;
}

}  // namespace

SheetBoxes::SheetBoxes(const MaterialJob& job, std::mt19937_64& random,
                       std::function<bool()> isEnough)
    : job_(job), random_(random), isEnough_(std::move(isEnough)) {}

Bin SheetBoxes::binOf(std::size_t stock, const LaidBoxPtr& box) const {
  Bin bin = emptyBin(job_, stock);
  if (!box) return bin;
  Slab whole = emptySlab(bin.parts[0].across, bin.parts[0].along);
  layBox(*box, 0, whole);
  takeFilling(job_, bin, {0.0, whole.parts}, 0);
  return bin;
}

std::vector<LaidBoxPtr> SheetBoxes::some(std::vector<std::size_t>& loose,
                                         const std::vector<std::size_t>& stocks) {
  constexpr std::size_t kMost = 4;
  std::vector<LaidBoxPtr> some;
  std::shuffle(loose.begin(), loose.end(), random_);
  std::erase_if(loose, [&](std::size_t kind) {
    if (some.size() == kMost) return false;
    const auto on = std::find_if(stocks.begin(), stocks.end(), [&](std::size_t stock) {
      return !job_.sizes[stock][kind].empty();
    });
    if (on == stocks.end()) return false;
    some.push_back(pieceAlone(kind, job_.sizes[*on][kind].front()));
    return true;
  });
  return some;
}

std::optional<SheetBoxes::Joined> SheetBoxes::joined(const std::vector<const Bin*>& bins,
                                                     const std::vector<std::size_t>& loose,
                                                     const std::vector<double>& worth,
                                                     double most) {
  constexpr std::uint64_t kMostJoins = 3'000'000;
  constexpr std::size_t kFewest = 8, kMore = 4;  // so many boxes, or up to three more
  Joined joined{{}, loose};
  std::vector<std::size_t> stocks;
  for (const Bin* bin : bins)
    if (std::find(stocks.begin(), stocks.end(), bin->stock) == stocks.end())
      stocks.push_back(bin->stock);
  // Those to be opened lie at the end.
  std::vector<LaidBoxPtr> boxes = some(joined.loose, stocks);
  double waste = 0.0;  // what may be lost, if no more is loose than is now
  for (const LaidBoxPtr& piece : boxes) waste += piece->area;
  for (const Bin* bin : bins) {
    waste += roomOf(job_.stock(bin->stock));
    if (const LaidBoxPtr box = laidBoxOf(bin->parts, 0)) boxes.push_back(box);
  }
  openSome(boxes, kFewest + below(kMore), random_);

  FewBoxes few(job_, stocks, boxes);
  const CountIndex index(few.job().counts);
  const std::vector<double> each = worthsOf(few, worth);
  std::vector<BoxFronts> fronts;
  std::vector<TakingWorths> worths;
  std::uint64_t work = kMostJoins;
  for (std::size_t s = 0; s < stocks.size(); ++s) {
    fronts.emplace_back(few.job(), s, index, work, isEnough_,
                        BoxLimits{.lost = {waste - few.area(), {}}});
    if (!fronts.back().isWhole()) return std::nullopt;
    worths.emplace_back(fronts.back(), index, each);
  }
  double all = 0.0;
  for (std::size_t kind = 0; kind < each.size(); ++kind) all += few.job().counts[kind] * each[kind];
  const bool isTwo = bins.size() > 1;
  const auto shares = worthMost(worths.front(), isTwo ? &worths.back() : nullptr,
                                all - (most - worthOf(joined.loose, worth)), kSame * all, random_);
  if (!shares) return std::nullopt;
  const auto lay = [&](const Bin& bin, const BoxFronts& on, std::size_t set) {
    LaidBoxPtr box;
    if (set != 0) box = few.take(on, set, below(on.of(set).size()));
    joined.bins.push_back(binOf(bin.stock, box));
  };
  lay(*bins.front(), fronts.front(), shares->first);
  if (isTwo) lay(*bins.back(), fronts.back(), shares->second);
  for (const LaidBoxPtr& box : few.rest()) addPieces(*box, joined.loose);
  return joined;
}

}  // namespace drapery
