#include "core/cutting/exact_lay_out.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <map>
#include <numeric>
#include <tuple>

#include "core/cutting/off_cut.h"
#include "core/cutting/sharing_out.h"
#include "core/cutting/sheet_builder.h"
#include "core/cutting/stack_prices.h"
#include "core/cutting/stock_losses.h"
#include "core/cutting/stock_prices.h"

namespace drapery {

namespace {

constexpr double kMostPairs = 4e6;
constexpr std::uint64_t kMostJoins = 20'000'000;  // of boxes: about a second
constexpr double kMostWork = 2e8;                 // sharing out: some tenths of a second
constexpr double kSame = 1e-9;
constexpr double kRounding = 1e-13;  // less than free stock weighs

class ExactJob {
 public:
  ExactJob(const MaterialJob& job, const CostLimits& limits, const std::function<bool()>& isEnough)
      : job_(job), limits_(limits), isEnough_(isEnough), index_(job.counts) {
    lost_.area = limits.room;
    for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
      lost_.area -= job.counts[kind] * leastAreaOf(job, kind);
  }

  ExactBelow find(std::uint64_t& work) {
    if (std::isfinite(limits_.below)) reckonLosses();
    if (isTooMuch()) return {true, {}};
    const bool isRoll = isOneRoll(job_);
    if (!makeFronts(work, isRoll && std::isfinite(limits_.room))) return {};
    if (isTooMuch()) return {true, {}};
    if (isRoll) return onTheRoll();
    reckonCosts();
    SharingOut sharing(index_, costs_, counts());
    if (!takeSharing(sharing.workOfAll(), work)) return {};
    const auto least = sharing.leastOfAll(isEnough_);
    if (!least) return {};
    if (!(*least < limits_.below - kSame)) return {true, {}};
    MaterialLayOut result;
    result.cost = result.bound = *least;
    reckonAreas();
    std::vector<SharingOut::Share> shares = sharing.sharesOf(index_.all());
    if (const auto first = sheetWithLargestOffCut(sharing, result.cost)) {
      if (sharing.reckon(first->first, isEnough_) == nullptr) return {};
      shares = sharing.sharesOf(index_.all() - first->second);
      shares.push_back(*first);
    }
    layAll(shares, result);
    return {true, std::move(result)};
  }

  /// There is nothing to share out.
  ExactBelow onTheRoll() {
    const auto front = fronts_.at(0).of(index_.all());
    if (front.empty()) return {true, {}};
    MaterialLayOut result;
    result.cost = result.bound = costOf(job_.stock(0), front.back().along);
    if (!(result.cost < limits_.below - kSame)) return {true, {}};
    layAll({{0, index_.all()}}, result);
    return {true, std::move(result)};
  }

  /// All of it on one sheet of its one stock.
  std::optional<CutSheet> oneSheet(double over) {
    std::uint64_t work = kMostJoins / 10;
    if (!makeFronts(work, false)) return std::nullopt;
    reckonAreas();
    const OffCut offCut = offCutBeside(0, index_.all(), over, isEnough_);
    if (offCut.strips.empty()) return std::nullopt;
    return sheetBeside(0, offCut);
  }

 private:
  /// @param steps of sharing out. False where that is too many.
  static bool takeSharing(double steps, std::uint64_t& work) {
    constexpr double kOfJoin = 1.0 / 8;
    if (steps > kMostWork || steps * kOfJoin > double(work)) return false;
    work -= static_cast<std::uint64_t>(steps * kOfJoin);
    return true;
  }
  /// What may be lost.
  void reckonLosses() {
    if (rollsOf(job_) > 1) return;
    std::vector<Micrometres> alongs;
    for (std::size_t s = 0; s < job_.stocks.size(); ++s)
      alongs.push_back(job_.stock(s).count == 0 ? 0 : alongOf(s));
    if (CountIndex::pairsOf(job_.counts) >= limits_.priced)
      prices_ = isOneRoll(job_) ? stackPrices(job_, alongs.front(), isEnough_)
                                : stockPrices(job_, alongs, limits_.below, isEnough_);
    losses_.emplace(job_, alongs, limits_.below, prices_ ? &*prices_ : nullptr);
    lost_ = losses_->most();
  }
  /// All pieces are more than stock so cheap can hold.
  [[nodiscard]] bool isTooMuch() const { return Measures().isOver(lost_); }
  /// @param isForAll on one stock, all of it there.
  bool makeFronts(std::uint64_t& work, bool isForAll) {
    std::vector<std::size_t> order(job_.stocks.size());
    std::iota(order.begin(), order.end(), 0);
    if (losses_) order = losses_->order();
    for (const std::size_t s : order) {
      const bool isSheet = job_.stock(s).form == StockForm::Sheet;
      mayLose_[s] = lost_;
      const BoxFronts& fronts =
          fronts_
              .emplace(
                  std::piecewise_construct, std::tuple(s),
                  std::forward_as_tuple(job_, s, index_, work, isEnough_,
                                        BoxLimits{alongOf(s), lost_, prices_ ? &*prices_ : nullptr,
                                                  losses_ && losses_->isWhole(s), isForAll}))
              .first->second;
      if (!fronts.isWhole() || isEnough_()) return false;
      if (losses_ && isSheet) {
        losses_->holdsNoMore(s, mostOn(fronts));
        lost_ = losses_->most();
      }
      if (isTooMuch()) break;
    }
    return true;
  }
  /// What one sheet holds at most.
  [[nodiscard]] Measures mostOn(const BoxFronts& fronts) const {
    Measures most;
    for (std::size_t set = 1; set < index_.size(); ++set) {
      if (fronts.of(set).empty()) continue;
      const Measures holds = fronts.measuresOf(set);
      most.area = std::max(most.area, holds.area);
      for (std::size_t which = 0; which < kPrices; ++which)
        most.worths[which] = std::max(most.worths[which], holds.worths[which]);
    }
    return most;
  }
  /// As much of it as may be paid for; of a sheet that may not, nothing.
  [[nodiscard]] Micrometres alongOf(std::size_t s) const {
    const CutStock& stock = job_.stock(s);
    if (stock.form == StockForm::Sheet)
      return stock.cost < limits_.below ? usableOf(stock).along : 0;
    return alongBelow(stock, limits_.below);
  }
  /// Of stock of which there may be too little.
  [[nodiscard]] std::vector<std::optional<int>> counts() const {
    int pieces = 0;
    for (const int count : job_.counts) pieces += count;
    std::vector<std::optional<int>> counts;
    for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
      const auto count = job_.stock(s).count;
      counts.push_back(count && *count < pieces ? count : std::nullopt);
    }
    return counts;
  }

  void reckonCosts() {
    costs_.resize(job_.stocks.size());
    for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
      const BoxFronts& fronts = fronts_.at(s);
      for (std::size_t set = 1; set < index_.size(); ++set)
        if (const auto front = fronts.of(set);
            !front.empty() && !isLost(s, fronts.measuresOf(set), front.back().along))
          costs_[s].push_back({set, costOf(job_.stock(s), front.back().along)});
    }
  }
  void reckonAreas() {
    for (std::size_t set = 0; set < index_.size(); ++set) {
      double area = 0;
      for (std::size_t kind = 0; kind < index_.kinds(); ++kind)
        area += index_.count(set, kind) * enlarged(kind);
      areas_.push_back(area);
    }
  }
  /// More than may be, of the whole sheet, or of so much of a roll; as its kerf enlarges them.
  [[nodiscard]] bool isLost(std::size_t s, const Measures& holds, Micrometres along) const {
    if (losses_) return losses_->lostOn(s, along, holds).isOver(mayLose_.at(s));
    const CutStock& stock = job_.stock(s);
    const double room = stock.form == StockForm::Sheet
                            ? roomOf(stock)
                            : double(usableOf(stock).across) * double(along);
    return room - holds.area > lost_.area;
  }
  /// The same on each way and stock of one kerf.
  [[nodiscard]] double enlarged(std::size_t kind) const {
    const CutPiece& piece = job_.kind(kind);
    return double(piece.width) * double(piece.height);
  }

  [[nodiscard]] OffCut offCutBeside(std::size_t stock, std::size_t set, double over,
                                    const std::function<bool()>& isEnough) const {
    return largestOffCut(
        {index_, fronts_.at(stock), areas_, usableOf(job_.stock(stock)), job_.stock(stock).kerf},
        set, over, isEnough);
  }

  CutSheet sheetOf(std::size_t stock, std::size_t set) {
    SheetBuilder builder(job_, stock);
    if (job_.stock(stock).form == StockForm::Roll) {
      const auto& front = fronts_.at(stock).of(set);
      const CutRegion whole = builder.whole(front.back().along - job_.stock(stock).kerf);
      return builder.finish(builder.box(fronts_.at(stock), set, front.size() - 1, whole));
    }
    const OffCut offCut = offCutBeside(stock, set, -1.0, [] { return false; });
    if (offCut.strips.empty())  // it fills the sheet, or there was no time to look
      return builder.finish(builder.box(fronts_.at(stock), set, 0, builder.whole()));
    return sheetBeside(stock, offCut);
  }
  CutSheet sheetBeside(std::size_t stock, const OffCut& offCut) {
    SheetBuilder builder(job_, stock);
    return builder.finish(strips(builder, stock, offCut.strips, 0, builder.whole()));
  }

  int strips(SheetBuilder& builder, std::size_t stock, const std::vector<OffCutStrip>& all,
             std::size_t from, const CutRegion& region) {
    if (from == all.size()) return builder.left(region);
    const OffCutStrip& strip = all[from];
    const CutBox& box = fronts_.at(stock).of(strip.set)[strip.box];
    const Micrometres low = (strip.isBeside ? box.across : box.along) - job_.stock(stock).kerf;
    const Micrometres room = strip.isBeside ? region.across : region.along;
    // The last of them may end at the edge.
    if (low >= room) return builder.box(fronts_.at(stock), strip.set, strip.box, region);
    const int inside = builder.box(fronts_.at(stock), strip.set, strip.box,
                                   builder.lowOf(strip.isBeside, region, low));
    const int rest =
        strips(builder, stock, all, from + 1, builder.highOf(strip.isBeside, region, low));
    return builder.cut(strip.isBeside, region, low, inside, rest);
  }

  void layAll(const std::vector<SharingOut::Share>& shares, MaterialLayOut& result) {
    std::map<SharingOut::Share, int> chosen;
    for (const SharingOut::Share& share : shares) ++chosen[share];
    for (const auto& [what, times] : chosen) {
      CutSheet sheet = sheetOf(what.first, what.second);
      const bool isRoll = job_.stock(what.first).form == StockForm::Roll;
      if (!isRoll) sheet.repeat = times;
      for (int i = 0; i < (isRoll ? times : 1); ++i) result.sheets.push_back(sheet);
    }
  }

  /// Of all that may lie on one sheet of a cheapest lay-out; none where that is too much to try.
  std::optional<SharingOut::Share> sheetWithLargestOffCut(SharingOut& sharing, double cost) {
    std::optional<SharingOut::Share> found;
    if (sharing.work() * double(job_.stocks.size()) > kMostWork) return found;
    std::vector<std::tuple<double, std::size_t, std::size_t>> tries;  // most, stock, taking
    const std::size_t all = index_.all();
    for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
      if (job_.stock(s).form == StockForm::Roll || job_.stock(s).count == 0) continue;
      const double room = roomOf(job_.stock(s));
      const auto* rest = sharing.reckon(s, isEnough_);
      if (rest == nullptr) return std::nullopt;
      for (const SharingOut::Fit& fit : costs_[s])
        if (fit.cost + (*rest)[all - fit.set] <= cost + kRounding)
          tries.emplace_back(room - areas_[fit.set], s, fit.set);
    }
    std::sort(tries.rbegin(), tries.rend());
    double area = -1.0;
    for (const auto& [most, s, part] : tries) {
      if (most <= area || isEnough_()) break;
      const OffCut offCut = offCutBeside(s, part, area, isEnough_);
      if (offCut.area <= area) continue;
      area = offCut.area;
      found = {s, part};
    }
    return found;
  }

  const MaterialJob& job_;
  const CostLimits limits_;
  const std::function<bool()>& isEnough_;
  std::optional<PiecePrices> prices_;
  std::optional<StockLosses> losses_;  // none: only area is looked at
  Measures lost_;                      // at most, on all stock together
  CountIndex index_;
  std::map<std::size_t, Measures> mayLose_;  // by stock, when it was looked at
  std::map<std::size_t, BoxFronts> fronts_;  // by stock
  SharingOut::Costs costs_;
  std::vector<double> areas_;  // of takings, um2
};

}  // namespace

Micrometres usedOf(const CutStock& roll, Micrometres along) {
  return roll.bottom + along - roll.kerf;
}

Micrometres alongBelow(const CutStock& roll, double cost) {
  const double most =
      (cost - kSame) / std::max(roll.cost, 1e-12) * 1e6 + double(roll.kerf) - double(roll.bottom);
  const Micrometres all = usableOf(roll).along;
  return most < double(all) ? static_cast<Micrometres>(std::max(0.0, most)) : all;
}

double costOf(const CutStock& stock, Micrometres along) {
  if (stock.form == StockForm::Sheet) return stock.cost;
  return stock.cost * static_cast<double>(usedOf(stock, along)) / 1e6;
}

std::optional<MaterialLayOut> exactLayOut(const MaterialJob& job,
                                          const std::function<bool()>& isEnough) {
  if (!job.pinned.empty() ||
      CountIndex::pairsOf(job.counts) * double(job.stocks.size()) > kMostPairs)
    return std::nullopt;
  std::uint64_t work = kMostJoins;
  return ExactJob(job, {}, isEnough).find(work).laid;
}

ExactBelow exactBelow(const MaterialJob& job, const CostLimits& limits, std::uint64_t& work,
                      const std::function<bool()>& isEnough) {
  return ExactJob(job, limits, isEnough).find(work);
}

std::optional<CutSheet> withLargestOffCut(const MaterialJob& job, std::size_t stock,
                                          const Counts& holds, double over,
                                          const std::function<bool()>& isEnough) {
  if (CountIndex::pairsOf(holds) > kMostPairs) return std::nullopt;
  MaterialJob alone{job.problem, {job.stocks[stock]}, {}, {}, {{}}, {}};
  for (std::size_t kind = 0; kind < holds.size(); ++kind) {
    if (holds[kind] == 0) continue;
    alone.kinds.push_back(job.kinds[kind]);
    alone.counts.push_back(holds[kind]);
    alone.sizes.front().push_back(job.sizes[stock][kind]);
  }
  CostLimits limits;
  limits.room = roomOf(alone.stock(0));
  return ExactJob(alone, limits, isEnough).oneSheet(over);
}

}  // namespace drapery
