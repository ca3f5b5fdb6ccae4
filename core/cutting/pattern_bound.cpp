#include "core/cutting/pattern_bound.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>
#include <random>

#include "core/cutting/chance_filler.h"
#include "core/cutting/cover_master.h"
#include "core/cutting/least_sum.h"
#include "core/cutting/plate_values.h"

namespace drapery {

namespace {

constexpr double kMostKinds = 250, kAnyCopies = 60, kFewCopies = 3;
constexpr double kMostWork = 1e9;  // of all values together: about a second
constexpr double kQuickWork = 1.5e6, kFineWork = 5e7, kAmpleWork = 1.5e8;  // of one
constexpr double kFew = 100.0, kLarger = 4.0;  // pieces; and so much more for more of them
constexpr double kForPatterns = 0.7;           // of it until the bound is all that is looked for
constexpr double kWhole = 1e8;  // what the dearest sheet costs, in whole numbers; less where
constexpr double kMost = 2e9;   // something would be worth more than that
constexpr double kSame = 1e-9;
constexpr double kNoGain = 1e-7;  // of the dearest sheet
constexpr double kProper = 1e6;
constexpr double kNear = 0.05;       // of it: patterns that may serve for less
constexpr double kPivot = 1e4;       // of work
constexpr std::size_t kOthers = 30;  // patterns beside the best

class PatternBound {
 public:
  /// @param isProper whether patterns are to hold no more of anything than is wanted.
  PatternBound(const MaterialJob& job, bool isProper) : job_(job), isProper_(isProper) {
    for (std::size_t s = 0; s < job.stocks.size(); ++s) {
      isApt_ = isApt_ && job.stock(s).form == StockForm::Sheet && job.stock(s).cost > 0;
      dearest_ = std::max(dearest_, job.stock(s).cost);
    }
    // They hold as many of a piece as they like: of few copies they say less than areas do.
    const auto kinds = double(job.kinds.size());
    isApt_ = isApt_ && kinds <= kMostKinds &&
             (isProper || kinds <= kAnyCopies || pieces() >= kFewCopies * kinds);
  }

  Patterns find(std::optional<double> enough, double effort, const std::function<bool()>& isOver,
                std::vector<PatternUse> patterns) {
    Patterns result;
    if (!isApt_) return result;
    // Quickly, as long as that finds sheets that better it; then finely; in the end with more room
    // than there is, which bounds what could still be found.
    std::array<std::vector<PlateValues>, 3> plates;
    for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
      plates[kQuick].emplace_back(job_, s, PlateValues::Coarse::Up, kQuickWork);
      plates[kFine].emplace_back(job_, s, PlateValues::Coarse::Up, kFineWork);
      if (enough) plates[kAmple].emplace_back(job_, s, PlateValues::Coarse::Down, kAmpleWork);
      for (const auto& stage : plates)
        if (!stage.empty() && !stage.back().isUsable()) return result;
      if (isOver()) return result;
    }
    const double most = effort * kMostWork * std::clamp(pieces() / kFew, 1.0, kLarger);
    std::size_t stage = kQuick;
    CoverMaster master(rows());
    std::mt19937_64 random(1);
    ChanceFiller filler(job_, random);
    std::vector<Known> known;  // that may be taken again
    for (std::size_t i = 0; i < patterns.size(); ++i) known.push_back(knownOf(patterns[i], i));
    Centre centre;
    double work = 0.0;
    while (work < most && !isOver()) {
      if (const auto slack = master.slack()) {
        if (!master.enterSlack(*slack)) break;
        work += kPivot;
        continue;
      }
      if (const auto again = mostGained(known, master)) {
        const Known& pattern = known[*again];
        if (!master.enter(pattern.column, job_.stock(pattern.stock).cost, pattern.name)) break;
        work += kPivot;
        continue;
      }
      const std::vector<double> prices = centre.drawn(master);
      const Worths worth = worthOf(prices, plates[stage]);
      const Pattern found = bestPattern(plates[stage], worth, prices, work, isOver);
      if (isOver()) break;
      const double least = boundOf(worth, found.values);
      const bool isNone =
          found.entering == job_.stocks.size() ||
          gainOf({columnOf(found.counts, found.entering), found.entering}, master) <= kNoGain;
      const bool isExact = std::all_of(plates[stage].begin(), plates[stage].end(),
                                       [](const PlateValues& plate) { return plate.isExact(); });
      if (enough && (stage == kAmple || isExact)) {
        result.bound = std::max(result.bound, least);
        if (leastSumFrom(job_, result.bound) >= *enough - kSame) break;
      }
      if (isProper_ && isNone) {
        work += kProper;
        if (auto proper = properPattern(master, filler)) {
          known.push_back(knownOf(*proper, patterns.size()));
          patterns.push_back(std::move(*proper));
          continue;
        }
      }
      if (isNone && centre.isDrawing()) {
        centre.look(prices, least, true);
        continue;
      }
      const bool isLong = !isExact && work > kForPatterns * most;
      if (stage != kAmple && !(isNone && isExact) && (isNone || isLong)) {
        stage = isLong ? kAmple : stage + 1;
        if (stage == kAmple) result.uses = usesOf(master, patterns);
        if (stage == kAmple && !enough) break;
        centre.measureAnew();
        continue;
      }
      if (isNone) break;
      centre.look(prices, least, false);
      // What lies with more room than there is bounds, but is no sheet.
      const PlateValues& plate = plates[stage][found.entering];
      const auto know = [&](const Counts& counts, std::optional<std::vector<SheetPart>> parts) {
        known.push_back({columnOf(counts, found.entering), found.entering});
        if (!parts || stage == kAmple) return;
        known.back().name = static_cast<int>(patterns.size());
        patterns.push_back({found.entering, 0.0, std::move(*parts)});
      };
      const double enoughWorth =
          (job_.stock(found.entering).cost - priceOfStock(prices, found.entering)) / dearest_ *
          worth.whole;
      for (auto& other : plate.others(static_cast<PlateValues::Worth>(enoughWorth), kOthers))
        know(other.counts, std::move(other.parts));
      know(found.counts, plate.filling());
    }
    if (stage != kAmple) result.uses = usesOf(master, patterns);
    for (const Known& each : known)
      if (each.name >= 0 && gainOf(each, master) > -kNear)
        result.known.push_back(std::move(patterns[static_cast<std::size_t>(each.name)]));
    return result;
  }

 private:
  static constexpr std::size_t kQuick = 0, kFine = 1, kAmple = 2;

  /// One for each kind, then one for each stock of which there are only so many. To begin with,
  /// each kind has sheets of its own, as many side by side as go on one; where there is an end of
  /// every stock, each piece has a price that nobody pays.
  std::vector<CoverMaster::Row> rows() {
    std::vector<CoverMaster::Row> rows;
    for (std::size_t kind = 0; kind < job_.kinds.size(); ++kind) {
      CoverMaster::Row row{double(job_.counts[kind]), false, 1.0, 1e3 * dearest_};
      for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
        if (job_.stock(s).count) continue;
        const UsableSize usable = usableOf(job_.stock(s));
        for (const LyingSize& size : job_.sizes[s][kind]) {
          double often = std::floor(double(usable.across) / double(size.across)) *
                         std::floor(double(usable.along) / double(size.along));
          if (isProper_ && job_.counts[kind] > 0)
            often = std::min(often, double(job_.counts[kind]));
          if (job_.stock(s).cost / often >= row.cost / row.holds) continue;
          row.holds = often;
          row.cost = job_.stock(s).cost;
        }
      }
      rows.push_back(row);
    }
    for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
      const auto count = job_.stock(s).count;
      rowOf_.push_back(count ? std::optional(rows.size()) : std::nullopt);
      if (count) rows.push_back({double(*count), true, 1.0, 0.0});
    }
    return rows;
  }
  /// What one more sheet of the stock would be worth, not above 0; 0 where there is no end of it.
  [[nodiscard]] double priceOfStock(const std::vector<double>& prices, std::size_t stock) const {
    return rowOf_[stock] ? prices[*rowOf_[stock]] : 0.0;
  }

  [[nodiscard]] double pieces() const {
    double count = 0;
    for (const int each : job_.counts) count += each;
    return count;
  }
  /// Prices drawn towards those that bounded best so far: they swing less (Wentges 1997, "Weighted
  /// Dantzig-Wolfe decomposition for linear mixed-integer programming", International Transactions
  /// in Operational Research 4; from memory).
  class Centre {
   public:
    [[nodiscard]] bool isDrawing() const { return !prices_.empty() && !isPaused_; }
    [[nodiscard]] std::vector<double> drawn(const CoverMaster& master) const {
      constexpr double kDrawn = 0.5;
      std::vector<double> prices;
      for (std::size_t row = 0; row < master.rows(); ++row)
        prices.push_back(isDrawing() ? kDrawn * prices_[row] + (1 - kDrawn) * master.price(row)
                                     : master.price(row));
      return prices;
    }
    /// @param isPaused whether nothing came of these: then the true ones are looked at.
    void look(const std::vector<double>& prices, double bound, bool isPaused) {
      isPaused_ = isPaused;
      if (bound <= bound_) return;
      bound_ = bound;
      prices_ = prices;
    }

    void measureAnew() {
      bound_ = 0.0;
      isPaused_ = false;
    }

   private:
    std::vector<double> prices_;
    double bound_ = 0.0;
    bool isPaused_ = false;
  };

  struct Worths {
    std::vector<PlateValues::Worth> each;  // by kind
    double whole = kWhole;                 // what the dearest sheet costs
  };
  /// Prices in whole numbers, rounded down.
  [[nodiscard]] Worths worthOf(const std::vector<double>& given,
                               const std::vector<PlateValues>& plates) const {
    std::vector<double> prices;
    for (std::size_t k = 0; k < job_.kinds.size(); ++k)
      prices.push_back(job_.counts[k] > 0 ? std::max(0.0, given[k]) / dearest_ : 0.0);
    Worths worth;
    for (const PlateValues& plate : plates)
      worth.whole = std::min(worth.whole, kMost / std::max(1e-9, plate.ceiling(prices)));
    for (const double price : prices)
      worth.each.push_back(static_cast<PlateValues::Worth>(std::floor(price * worth.whole)));
    return worth;
  }
  static std::vector<PatternUse> usesOf(const CoverMaster& master,
                                        const std::vector<PatternUse>& patterns) {
    std::vector<PatternUse> uses;
    for (const auto& [pattern, level] : master.levels()) {
      uses.push_back(patterns[static_cast<std::size_t>(pattern)]);
      uses.back().often = level;
    }
    return uses;
  }

  struct Pattern {
    std::size_t entering = 0;  // a stock; as many as there are: none that would better it
    Counts counts;
    std::vector<double> values;  // by stock
  };
  /// What a master can take.
  struct Known {
    CoverMaster::Column column;
    std::size_t stock = 0;
    int name = -1;  // of what can be laid
  };
  [[nodiscard]] CoverMaster::Column columnOf(const Counts& counts, std::size_t stock) const {
    CoverMaster::Column column;
    for (std::size_t k = 0; k < counts.size(); ++k)
      if (const int held = isProper_ ? std::min(counts[k], job_.counts[k]) : counts[k]; held > 0)
        column.emplace_back(k, double(held));
    if (rowOf_[stock]) column.emplace_back(*rowOf_[stock], 1.0);
    return column;
  }
  [[nodiscard]] Known knownOf(const PatternUse& use, std::size_t name) const {
    Counts counts(job_.kinds.size(), 0);
    for (const SheetPart& part : use.parts)
      if (part.kind == SheetPart::Kind::Piece) ++counts[part.piece];
    return {columnOf(counts, use.stock), use.stock, static_cast<int>(name)};
  }
  /// Of those that are known what the master is bettered by most.
  [[nodiscard]] std::optional<std::size_t> mostGained(const std::vector<Known>& known,
                                                      const CoverMaster& master) const {
    std::optional<std::size_t> best;
    double most = kNoGain;
    for (std::size_t i = 0; i < known.size(); ++i)
      if (const double gain = gainOf(known[i], master); gain > most) {
        most = gain;
        best = i;
      }
    return best;
  }
  Pattern bestPattern(std::vector<PlateValues>& plates, const Worths& worth,
                      const std::vector<double>& prices, double& work,
                      const std::function<bool()>& isOver) const {
    Pattern found{plates.size(), {}, {}};
    double most = kNoGain * dearest_;
    Counts counts;
    for (std::size_t s = 0; s < plates.size(); ++s) {
      if (job_.stock(s).count == 0) {
        found.values.push_back(0);
        continue;
      }
      found.values.push_back(plates[s].best(worth.each, counts, isOver).value_or(0));
      work += plates[s].work();
      const double gain =
          found.values[s] / worth.whole * dearest_ + priceOfStock(prices, s) - job_.stock(s).cost;
      if (gain <= most) continue;
      most = gain;
      found.entering = s;
      found.counts = counts;
    }
    return found;
  }

  /// One that betters the master and holds no more of anything than is wanted, as chance finds it.
  [[nodiscard]] std::optional<PatternUse> properPattern(const CoverMaster& master,
                                                        ChanceFiller& filler) const {
    constexpr int kFills = 200, kAgain = 100;
    std::optional<PatternUse> best;
    double most = kNoGain;
    for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
      if (job_.stock(s).count == 0) continue;
      SheetPart whole;
      whole.across = usableOf(job_.stock(s)).across;
      whole.along = usableOf(job_.stock(s)).along;
      const double area = double(whole.across) * double(whole.along);
      Pool pool;
      std::vector<double> worth;
      for (std::size_t k = 0; k < job_.kinds.size(); ++k) {
        if (job_.counts[k] == 0 || master.price(k) <= 0 || job_.sizes[s][k].empty()) continue;
        pool.kinds.push_back(k);
        pool.counts.push_back(job_.counts[k]);
        worth.push_back(master.price(k) / job_.stock(s).cost * area);
      }
      if (pool.kinds.empty()) continue;
      filler.begin(s, pool.kinds, worth);
      Filling filling = filler.best(whole, kFills, pool.counts).first;
      if (filling.parts.empty()) continue;
      filler.better(filling, kAgain, pool.counts);
      PatternUse use{s, 0.0, std::move(filling.parts)};
      if (const double gain = gainOf(knownOf(use, 0), master); gain > most) {
        most = gain;
        best = std::move(use);
      }
    }
    return best;
  }

  /// What the master is bettered by it, of the dearest sheet.
  [[nodiscard]] double gainOf(const Known& pattern, const CoverMaster& master) const {
    double gain = -job_.stock(pattern.stock).cost;
    for (const auto& [row, much] : pattern.column) gain += much * master.price(row);
    return gain / dearest_;
  }

  /// Pieces are worth so much less that no sheet of which there is no end holds more than it costs;
  /// where one of the others does, so often as there is one it may.
  [[nodiscard]] double boundOf(const Worths& worth, const std::vector<double>& values) const {
    const auto costOf = [&](std::size_t s) { return job_.stock(s).cost / dearest_ * worth.whole; };
    double sum = 0.0, part = 1.0;
    for (std::size_t k = 0; k < worth.each.size(); ++k)
      sum += double(worth.each[k]) * job_.counts[k];
    for (std::size_t s = 0; s < values.size(); ++s)
      if (!job_.stock(s).count && values[s] > 0) part = std::min(part, costOf(s) / values[s]);
    double least = part * sum;
    for (std::size_t s = 0; s < values.size(); ++s)
      if (const auto count = job_.stock(s).count)
        least -= *count * std::max(0.0, part * values[s] - costOf(s));
    return least / worth.whole * dearest_ * (1 - 1e-12);
  }

  const MaterialJob& job_;
  bool isProper_;
  std::vector<std::optional<std::size_t>> rowOf_;  // by stock, of the master
  double dearest_ = 0.0;
  bool isApt_ = true;
};

}  // namespace

Patterns findPatterns(const MaterialJob& job, double enough, double effort,
                      const std::function<bool()>& isOver) {
  return PatternBound(job, false).find(enough, effort, isOver, {});
}

Patterns properPatterns(const MaterialJob& job, std::vector<PatternUse> known, double effort,
                        const std::function<bool()>& isOver) {
  return PatternBound(job, true).find({}, effort, isOver, std::move(known));
}

}  // namespace drapery
