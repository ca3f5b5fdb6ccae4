#include "core/cutting/exact_lay_out.h"

#include <algorithm>
#include <limits>
#include <map>
#include <tuple>

#include "core/cutting/off_cut.h"
#include "core/cutting/sheet_builder.h"

namespace drapery {

namespace {

constexpr double kMostPairs = 4e6;
constexpr std::uint64_t kMostJoins = 20'000'000;  // of boxes: about a second
constexpr double kMostStates = 8e6;               // of pairs with what stock is left
constexpr double kNone = std::numeric_limits<double>::infinity();
constexpr double kSame = 1e-9;

class ExactJob {
 public:
  ExactJob(const MaterialJob& job, const std::function<bool()>& isEnough)
      : job_(job), isEnough_(isEnough), index_(job.counts) {}

  std::optional<MaterialLayOut> layOut() {
    if (!limitStock()) return std::nullopt;
    if (!makeFronts(kMostJoins)) return std::nullopt;
    reckonCosts();
    if (!cover()) return std::nullopt;
    return trace();
  }

  /// All of it on one sheet of its one stock.
  std::optional<CutSheet> oneSheet() {
    if (!makeFronts(kMostJoins / 10) || fronts_[0].of(index_.all()).empty()) return std::nullopt;
    reckonCosts();
    return sheetOf(0, index_.all());
  }

 private:
  bool makeFronts(std::uint64_t work) {
    for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
      fronts_.emplace_back(job_, s, index_, work, isEnough_);
      if (!fronts_.back().isWhole() || isEnough_()) return false;
    }
    return true;
  }
  /// Stock of which there may be too little is counted.
  bool limitStock() {
    int pieces = 0;
    for (const int count : job_.counts) pieces += count;
    double states = CountIndex::pairsOf(job_.counts);
    for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
      const auto count = job_.stock(s).count;
      limits_.push_back(count && *count < pieces ? *count : -1);
      steps_.push_back(0);
      if (limits_[s] < 0) continue;
      steps_[s] = uses_;
      uses_ *= static_cast<std::size_t>(limits_[s]) + 1;
      states *= limits_[s] + 1.0;
      if (states > kMostStates) return false;
    }
    return true;
  }

  void reckonCosts() {
    costs_.resize(job_.stocks.size());
    for (std::size_t s = 0; s < job_.stocks.size(); ++s)
      for (std::size_t set = 0; set < index_.size(); ++set) {
        const auto& front = fronts_[s].of(set);
        costs_[s].push_back(front.empty() ? kNone : costOf(job_.stock(s), front.back().along));
      }
    for (std::size_t set = 0; set < index_.size(); ++set) {
      double area = 0;
      for (std::size_t kind = 0; kind < index_.kinds(); ++kind)
        area += index_.count(set, kind) * enlarged(kind);
      areas_.push_back(area);
    }
  }
  /// The same on each way and stock of one kerf.
  [[nodiscard]] double enlarged(std::size_t kind) const {
    const CutPiece& piece = job_.kind(kind);
    return double(piece.width) * double(piece.height);
  }

  [[nodiscard]] bool canUse(std::size_t stock, std::size_t uses) const {
    if (limits_[stock] < 0) return true;
    return uses / steps_[stock] % (static_cast<std::size_t>(limits_[stock]) + 1) > 0;
  }
  [[nodiscard]] double& best(std::size_t uses, std::size_t set) {
    return best_[uses * index_.size() + set];
  }

  /// The least cost of each taking with so much stock left. The first kind that is in it has to go
  /// somewhere: what it lies with is tried.
  bool cover() {
    best_.assign(uses_ * index_.size(), kNone);
    for (std::size_t uses = 0; uses < uses_; ++uses) {
      best(uses, 0) = 0.0;
      for (std::size_t set = 1; set < index_.size(); ++set) {
        std::size_t first = 0;
        while (index_.count(set, first) == 0) ++first;
        double& least = best(uses, set);
        index_.eachPartOf(set, [&](std::size_t part) {
          if (part == 0 || index_.count(part, first) == 0) return;
          for (std::size_t s = 0; s < job_.stocks.size(); ++s)
            if (costs_[s][part] < least && canUse(s, uses))
              least = std::min(least, costs_[s][part] + best(uses - steps_[s], set - part));
        });
      }
      if (isEnough_()) return false;
    }
    return best(uses_ - 1, index_.all()) < kNone;
  }

  [[nodiscard]] OffCut offCutBeside(std::size_t stock, std::size_t set, double over) const {
    return largestOffCut(
        {index_, fronts_[stock], areas_, usableOf(job_.stock(stock)), job_.stock(stock).kerf}, set,
        over);
  }

  CutSheet sheetOf(std::size_t stock, std::size_t set) {
    SheetBuilder builder(job_, stock);
    if (job_.stock(stock).form == StockForm::Roll) {
      const auto& front = fronts_[stock].of(set);
      const CutRegion whole = builder.whole(front.back().along - job_.stock(stock).kerf);
      return builder.finish(builder.box(fronts_[stock], set, front.size() - 1, whole));
    }
    const OffCut offCut = offCutBeside(stock, set, -1.0);
    if (offCut.strips.empty())  // it fills the sheet, or there was no time to look
      return builder.finish(builder.box(fronts_[stock], set, 0, builder.whole()));
    return builder.finish(strips(builder, stock, offCut.strips, 0, builder.whole()));
  }

  int strips(SheetBuilder& builder, std::size_t stock, const std::vector<OffCutStrip>& all,
             std::size_t from, const CutRegion& region) {
    if (from == all.size()) return builder.left(region);
    const OffCutStrip& strip = all[from];
    const CutBox& box = fronts_[stock].of(strip.set)[strip.box];
    const Micrometres low = (strip.isBeside ? box.across : box.along) - job_.stock(stock).kerf;
    const Micrometres room = strip.isBeside ? region.across : region.along;
    // The last of them may end at the edge.
    if (low >= room) return builder.box(fronts_[stock], strip.set, strip.box, region);
    const int inside = builder.box(fronts_[stock], strip.set, strip.box,
                                   builder.lowOf(strip.isBeside, region, low));
    const int rest =
        strips(builder, stock, all, from + 1, builder.highOf(strip.isBeside, region, low));
    return builder.cut(strip.isBeside, region, low, inside, rest);
  }

  std::optional<MaterialLayOut> trace() {
    MaterialLayOut result;
    result.cost = result.bound = best(uses_ - 1, index_.all());
    std::map<std::pair<std::size_t, std::size_t>, int> chosen;  // stock and taking
    std::size_t set = index_.all(), uses = uses_ - 1;
    if (const auto first = sheetWithLargestOffCut()) {
      ++chosen[*first];
      set -= first->second;
      uses -= steps_[first->first];
    }
    while (set != 0) {
      std::optional<std::pair<std::size_t, std::size_t>> next;
      index_.eachPartOf(set, [&](std::size_t part) {
        if (part == 0 || next) return;
        for (std::size_t s = 0; s < job_.stocks.size() && !next; ++s)
          if (canUse(s, uses) && costs_[s][part] < kNone &&
              costs_[s][part] + best(uses - steps_[s], set - part) <= best(uses, set) + kSame)
            next = {s, part};
      });
      if (!next) return std::nullopt;
      ++chosen[*next];
      uses -= steps_[next->first];
      set -= next->second;
    }
    for (const auto& [what, times] : chosen) {
      CutSheet sheet = sheetOf(what.first, what.second);
      const bool isRoll = job_.stock(what.first).form == StockForm::Roll;
      if (!isRoll) sheet.repeat = times;
      for (int i = 0; i < (isRoll ? times : 1); ++i) result.sheets.push_back(sheet);
    }
    return result;
  }

  /// Of all that may lie on one sheet of a cheapest lay-out.
  std::optional<std::pair<std::size_t, std::size_t>> sheetWithLargestOffCut() {
    std::optional<std::pair<std::size_t, std::size_t>> found;
    std::vector<std::tuple<double, std::size_t, std::size_t>> tries;  // most, stock, taking
    const std::size_t uses = uses_ - 1, all = index_.all();
    for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
      if (job_.stock(s).form == StockForm::Roll || !canUse(s, uses)) continue;
      const UsableSize usable = usableOf(job_.stock(s));
      for (std::size_t part = 1; part < index_.size(); ++part)
        if (costs_[s][part] < kNone &&
            costs_[s][part] + best(uses - steps_[s], all - part) <= best(uses, all) + kSame)
          tries.emplace_back(double(usable.across) * double(usable.along) - areas_[part], s, part);
    }
    std::sort(tries.rbegin(), tries.rend());
    double area = -1.0;
    for (const auto& [most, s, part] : tries) {
      if (most <= area || isEnough_()) break;
      const OffCut offCut = offCutBeside(s, part, area);
      if (offCut.area <= area) continue;
      area = offCut.area;
      found = {s, part};
    }
    return found;
  }

  const MaterialJob& job_;
  const std::function<bool()>& isEnough_;
  CountIndex index_;
  std::vector<BoxFronts> fronts_;           // by stock
  std::vector<std::vector<double>> costs_;  // by stock and taking
  std::vector<double> areas_;               // of takings, um2
  std::vector<int> limits_;                 // by stock; -1: more than can be used
  std::vector<std::size_t> steps_;          // one sheet of it, in `uses`
  std::size_t uses_ = 1;                    // ways in which stock may be left
  std::vector<double> best_;
};

}  // namespace

Micrometres usedOf(const CutStock& roll, Micrometres along) {
  return roll.bottom + along - roll.kerf;
}

double costOf(const CutStock& stock, Micrometres along) {
  if (stock.form == StockForm::Sheet) return stock.cost;
  return stock.cost * static_cast<double>(usedOf(stock, along)) / 1e6;
}

std::optional<MaterialLayOut> exactLayOut(const MaterialJob& job,
                                          const std::function<bool()>& isEnough) {
  if (!job.pinned.empty() || CountIndex::pairsOf(job.counts) > kMostPairs) return std::nullopt;
  return ExactJob(job, isEnough).layOut();
}

std::optional<CutSheet> withLargestOffCut(const MaterialJob& job, std::size_t stock,
                                          const Counts& holds) {
  if (CountIndex::pairsOf(holds) > kMostPairs) return std::nullopt;
  MaterialJob alone{job.problem, {job.stocks[stock]}, {}, {}, {{}}, {}};
  for (std::size_t kind = 0; kind < holds.size(); ++kind) {
    if (holds[kind] == 0) continue;
    alone.kinds.push_back(job.kinds[kind]);
    alone.counts.push_back(holds[kind]);
    alone.sizes.front().push_back(job.sizes[stock][kind]);
  }
  const std::function<bool()> never = [] { return false; };
  return ExactJob(alone, never).oneSheet();
}

}  // namespace drapery
