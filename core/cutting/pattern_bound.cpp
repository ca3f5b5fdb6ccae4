#include "core/cutting/pattern_bound.h"

#include <algorithm>
#include <cmath>
#include <optional>
#include <random>

#include "core/cutting/chance_filler.h"
#include "core/cutting/cover_master.h"
#include "core/cutting/plate_values.h"
#include "core/cutting/price_centre.h"
#include "core/cutting/sheet_takings.h"
#include "core/cutting/slice_values.h"

namespace drapery {

namespace {

constexpr double kMostKinds = 250, kAnyCopies = 60, kFewCopies = 3;
constexpr double kMostWork = 1e9;  // of all values together: a second or two
constexpr double kQuickWork = 1.5e6, kFineWork = 5e7, kMostOfOne = 1.5e8;  // of one
constexpr double kFew = 100.0, kLarger = 4.0;  // pieces; and so much more for more of them
// Above what could still be reached: the rest is for finer steps.
constexpr double kQuickly = 0.02, kFinely = 0.003, kEnough = 0.001;
constexpr double kForPatterns = 0.7;  // of it until the bound is all that is looked for
constexpr double kWhole = 1e8;        // what the dearest sheet costs, in whole numbers; less where
constexpr double kMost = 2e9;         // something would be worth more than that
constexpr double kSame = 1e-9;
constexpr double kHardly = 0.01;  // above what is known: of lengths no more is worth the time
constexpr double kNoGain = 1e-7;  // of the dearest sheet
constexpr double kNear = 0.05;    // of it: patterns that may serve for less
constexpr double kPivot = 1e4, kProper = 1e6;  // of work
constexpr std::size_t kOthers = 20;            // patterns beside the best; and for two kinds one

class PatternBound {
 public:
  /// @param used sheets of each stock that are gone. @param isProper whether patterns are to hold
  /// no more of anything than is wanted.
  PatternBound(const MaterialJob& job, const std::vector<int>& used, bool isProper,
               const std::function<bool()>& isOver)
      : job_(job), isProper_(isProper), isOver_(isOver) {
    for (std::size_t s = 0; s < job.stocks.size(); ++s) {
      const auto there = job.stock(s).count;
      counts_.push_back(there && !isRoll(s) ? std::optional(*there - used[s]) : std::nullopt);
    }
    isBounding_ = !isProper && !isOneRoll(job);
    takings_.resize(job.stocks.size());
    for (std::size_t s = 0; s < job.stocks.size(); ++s) {
      slices_.push_back(isRoll(s) && isBounding_ ? std::optional(SliceValues(job, s))
                                                 : std::nullopt);
      if (slices_[s])
        isBounding_ = isBounding_ && job.stock(s).count.has_value() && slices_[s]->isUsable();
      hasRoll_ = hasRoll_ || isRoll(s);
      isApt_ = isApt_ && job.stock(s).cost > 0;
      dearest_ = std::max(dearest_, job.stock(s).cost);
    }
    // They hold as many of a piece as they like: of few copies they say less than areas do.
    const auto kinds = double(job.kinds.size());
    isApt_ = isApt_ && kinds <= kMostKinds &&
             (isProper || kinds <= kAnyCopies || pieces() >= kFewCopies * kinds);
  }

  Patterns find(double known, double enough, double effort, std::vector<PatternUse> patterns) {
    if (!isApt_ || !enter(Stage::Quick)) return {};
    enough_ = enough;
    hardlyMore_ = (1 + kHardly) * known;
    master_ = CoverMaster(rows());
    most_ = effort * kMostWork * std::clamp(pieces() / kFew, 1.0, kLarger);
    patterns_ = std::move(patterns);
    std::erase_if(patterns_, [&](const PatternUse& use) { return counts_[use.stock] == 0; });
    for (std::size_t i = 0; i < patterns_.size(); ++i) known_.push_back(knownOf(patterns_[i], i));
    for (std::size_t i = 0; i < std::min(known_.size(), master_.rows()); ++i)
      promising_.push_back(i);
    while (work_ < most_ && !isOver_())
      if (!step()) break;
    if (stage_ != Stage::Ample) keepUses();
    std::vector<bool> isUsed(patterns_.size(), false);
    for (const auto& [name, level] : master_.levels())
      isUsed[static_cast<std::size_t>(name)] = true;
    for (const bool used : {true, false})
      for (const Known& each : known_)
        if (each.name >= 0 && isUsed[static_cast<std::size_t>(each.name)] == used &&
            gainOf(each) > -kNear)
          found_.known.push_back(std::move(patterns_[static_cast<std::size_t>(each.name)]));
    return std::move(found_);
  }

 private:
  /// Quickly, as long as that finds sheets that better it; then finely; then as finely as can be,
  /// where no bound is wanted or it comes of that too; else in the end with more room than there
  /// is, which bounds what could still be found.
  enum class Stage { Quick, Fine, Finest, Ample };

  /// False where no plate can be reckoned so.
  bool enter(Stage stage) {
    stage_ = stage;
    plates_ = platesOf(stage);
    if (plates_.size() < job_.stocks.size()) return false;
    if (stage == Stage::Fine && !isProper_)
      isFinestApt_ = !isBounding_ || (!hasRoll_ && areExact(platesOf(Stage::Finest)));
    centre_.measureAnew();
    return true;
  }
  /// By stock; fewer where one cannot be reckoned so.
  [[nodiscard]] std::vector<PlateValues> platesOf(Stage stage) const {
    std::vector<PlateValues> plates;
    for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
      const bool isAmple = stage == Stage::Ample && !isRoll(s);
      const double work = stage == Stage::Quick || (stage == Stage::Ample && !isAmple) ? kQuickWork
                          : stage == Stage::Fine                                       ? kFineWork
                                                                                       : kMostOfOne;
      plates.emplace_back(job_, s, isAmple ? PlateValues::Coarse::Down : PlateValues::Coarse::Up,
                          work);
      if (plates.back().isUsable() && !isOver_()) continue;
      plates.pop_back();
      break;
    }
    return plates;
  }
  /// Whether of each stock the values are the true ones.
  [[nodiscard]] bool areExact(const std::vector<PlateValues>& plates) const {
    return plates.size() == job_.stocks.size() &&
           std::all_of(plates.begin(), plates.end(),
                       [](const PlateValues& plate) { return plate.isExact(); });
  }

  /// The master is bettered by what is known, else by what the prices find; false at the end.
  bool step() {
    const Known* again = mostGained();
    const auto slack = master_.slack();
    if (slack && (again == nullptr || master_.slackGain(*slack) > gainOf(*again) * dearest_)) {
      work_ += kPivot;
      return master_.enterSlack(*slack);
    }
    if (again != nullptr) {
      work_ += kPivot;
      return master_.enter(again->column, again->cost, again->name);
    }
    return price();
  }

  bool price() {
    const std::vector<double> prices = centre_.drawn(master_);
    const Worths worth = worthOf(prices);
    const Pattern best = bestPattern(worth, prices);
    if (isOver_()) return false;
    const double least = boundOf(worth, best.values);
    const bool isExact = !(hasRoll_ && isBounding_) && areExact(plates_);
    if (isBounding_ && (stage_ == Stage::Ample || isExact)) {
      if (least > found_.bound) found_.covers = {coverOf(worth, best.values)};
      found_.bound = std::max(found_.bound, least);
      if (leastSumFrom(job_, found_.bound, found_.covers) >= enough_ - kSame) return false;
    }
    const bool isNone = best.entering == job_.stocks.size() || !isGain(best);
    if (isNone && isProper_ && knowProper()) return true;
    if (isNone && centre_.isDrawing()) {
      centre_.look(prices, least, true);
      return true;
    }
    const bool isLong = !isExact && work_ > kForPatterns * most_;
    const auto isWithin = [&](double part) {
      return !isProper_ && cost() < (1 + part) * centre_.bound();
    };
    if (stage_ == Stage::Finest && !isBounding_ && isWithin(kEnough)) return false;
    const bool isNear = (stage_ == Stage::Quick && isWithin(kQuickly)) ||
                        (stage_ == Stage::Fine && isFinestApt_ && isWithin(kFinely));
    if (stage_ != Stage::Ample && (isLong || ((isNone || isNear) && !isExact))) return goOn(isLong);
    if (isNone) return stage_ != Stage::Ample && isBounding_ && makeTakings() && enterAmple(true);
    centre_.look(prices, least, false);
    know(best, worth, prices);
    return true;
  }

  /// Of what the master takes now.
  [[nodiscard]] double cost() const {
    double cost = 0.0;
    for (std::size_t k = 0; k < job_.kinds.size(); ++k) cost += job_.counts[k] * master_.price(k);
    for (std::size_t s = 0; s < job_.stocks.size(); ++s)
      if (rowOf_[s]) cost += *counts_[s] * master_.price(*rowOf_[s]);
    return cost;
  }

  /// To the next stage, or to the last at once.
  bool goOn(bool isLast) {
    if (!isLast && stage_ == Stage::Quick) return enter(Stage::Fine);
    if (!isLast && stage_ == Stage::Fine && isFinestApt_) return enter(Stage::Finest);
    if (!isBounding_) return false;
    const bool isTaken = makeTakings();
    return (isTaken || !hasRoll_ || cost() >= hardlyMore_) && enterAmple(isTaken);
  }
  /// @param isTaken whether there are takings: then what is known counts for no more than is
  /// wanted.
  bool enterAmple(bool isTaken) {
    keepUses();
    if (!enter(Stage::Ample)) return false;
    if (!isTaken) return true;
    rowOf_.clear();
    master_ = CoverMaster(rows());
    for (Known& each : known_)
      if (takings_[each.stock])
        for (auto& [row, much] : each.column)
          if (row < job_.kinds.size()) much = std::min(much, double(job_.counts[row]));
    promised_ = 0.0;
    return true;
  }
  bool makeTakings() {
    takings_ = takingsOf(job_, isOver_);
    return std::any_of(takings_.begin(), takings_.end(),
                       [](const auto& takings) { return takings.has_value(); });
  }

  /// One for each kind, then one for each stock of which there are only so many. To begin with,
  /// each kind has sheets of its own, as many side by side as go on one; where there is an end of
  /// every stock, each piece has a price that nobody pays.
  [[nodiscard]] std::vector<CoverMaster::Row> rows() {
    std::vector<CoverMaster::Row> rows;
    for (std::size_t kind = 0; kind < job_.kinds.size(); ++kind) {
      CoverMaster::Row row{double(job_.counts[kind]), false, 1.0, 1e3 * dearest_};
      for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
        if (counts_[s]) continue;
        const UsableSize usable = plates_[s].usable();
        for (const LyingSize& size : job_.sizes[s][kind]) {
          double often = std::floor(double(usable.across) / double(size.across)) *
                         (isRoll(s) ? 1.0 : std::floor(double(usable.along) / double(size.along)));
          if (isWanted(s) && job_.counts[kind] > 0)
            often = std::min(often, double(job_.counts[kind]));
          const double cost = costOf(s, size.along);
          if (cost / often >= row.cost / row.holds) continue;
          row.holds = often;
          row.cost = cost;
        }
      }
      rows.push_back(row);
    }
    for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
      const auto count = counts_[s];
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
  struct Worths {
    std::vector<PlateValues::Worth> each;  // by kind
    double whole = kWhole;                 // what the dearest sheet costs
  };
  /// Prices in whole numbers, rounded down.
  [[nodiscard]] Worths worthOf(const std::vector<double>& given) const {
    std::vector<double> prices;
    for (std::size_t k = 0; k < job_.kinds.size(); ++k)
      prices.push_back(job_.counts[k] > 0 ? std::max(0.0, given[k]) / dearest_ : 0.0);
    Worths worth;
    for (const PlateValues& plate : plates_)
      worth.whole = std::min(worth.whole, kMost / std::max(1e-9, plate.ceiling(prices)));
    for (const double price : prices)
      worth.each.push_back(static_cast<PlateValues::Worth>(std::floor(price * worth.whole)));
    return worth;
  }
  void keepUses() {
    found_.cost = cost();
    found_.uses.clear();
    for (const auto& [pattern, level] : master_.levels())
      found_.uses.emplace_back(patterns_[static_cast<std::size_t>(pattern)]).often = level;
  }

  struct Pattern {
    std::size_t entering = 0;  // a stock; as many as there are: none that would better it
    CoverMaster::Column column;
    std::vector<double> values;  // by stock
  };
  /// What a master can take.
  struct Known {
    std::size_t stock = 0;
    CoverMaster::Column column;
    double cost = 0.0;
    int name = -1;  // of what can be laid
  };
  /// Patterns of a roll are slabs across it, which cost their length. No bound comes of them, since
  /// others could be longer: for that, slices take their place in the end.
  [[nodiscard]] bool isRoll(std::size_t stock) const {
    return job_.stock(stock).form == StockForm::Roll;
  }
  /// Of a sheet, or of so much of a roll.
  [[nodiscard]] double costOf(std::size_t stock, Micrometres along) const {
    return job_.stock(stock).cost * (isRoll(stock) ? double(along) / 1e6 : 1.0);
  }
  [[nodiscard]] double costOf(std::size_t stock, const std::vector<SheetPart>& parts) const {
    return costOf(stock, endOf(parts));
  }
  [[nodiscard]] double wholeCostOf(std::size_t stock) const {
    return costOf(stock, plates_[stock].usable().along);
  }
  [[nodiscard]] CoverMaster::Column columnOf(const Counts& counts, std::size_t stock) const {
    CoverMaster::Column column;
    for (std::size_t k = 0; k < counts.size(); ++k)
      if (const int held = isWanted(stock) ? std::min(counts[k], job_.counts[k]) : counts[k];
          held > 0)
        column.emplace_back(k, double(held));
    if (rowOf_[stock]) column.emplace_back(*rowOf_[stock], 1.0);
    return column;
  }
  /// Whether no more of anything counts on it than is wanted.
  [[nodiscard]] bool isWanted(std::size_t stock) const {
    return isProper_ || takings_[stock].has_value();
  }
  [[nodiscard]] Known knownOf(const PatternUse& use, std::size_t name) const {
    Counts counts(job_.kinds.size(), 0);
    for (const SheetPart& part : use.parts)
      if (part.kind == SheetPart::Kind::Piece) ++counts[part.piece];
    return {use.stock, columnOf(counts, use.stock), costOf(use.stock, use.parts),
            static_cast<int>(name)};
  }
  /// Of those that are known one that betters the master much; null where none does. What bettered
  /// it most at the last look at all of them is tried first: prices do not change that quickly.
  [[nodiscard]] const Known* mostGained() {
    constexpr std::size_t kTogether = 40;
    constexpr double kMuch = 0.3;  // of what the best did then
    if (const Known* best = mostGained(kMuch * promised_)) return best;
    std::vector<std::pair<double, std::size_t>> gains;
    for (std::size_t i = 0; i < known_.size(); ++i)
      if (const double gain = gainOf(known_[i]); gain > kNoGain) gains.emplace_back(-gain, i);
    const auto end = gains.begin() + static_cast<std::ptrdiff_t>(std::min(kTogether, gains.size()));
    std::partial_sort(gains.begin(), end, gains.end());
    promising_.clear();
    for (auto each = gains.begin(); each != end; ++each) promising_.push_back(each->second);
    promised_ = gains.empty() ? 0.0 : -gains.front().first;
    return mostGained(0.0);
  }
  /// Of the promising ones the best, if it gains more than that.
  [[nodiscard]] const Known* mostGained(double least) const {
    const Known* best = nullptr;
    double most = std::max(kNoGain, least);
    for (const std::size_t i : promising_)
      if (const double gain = gainOf(known_[i]); gain > most) {
        most = gain;
        best = &known_[i];
      }
    return best;
  }
  Pattern bestPattern(const Worths& worth, const std::vector<double>& prices) {
    Pattern found{plates_.size(), {}, {}};
    double most = kNoGain * dearest_;
    for (std::size_t s = 0; s < plates_.size(); ++s) {
      if (counts_[s] == 0) {
        found.values.push_back(0);
        continue;
      }
      CoverMaster::Column column;
      found.values.push_back(isSliced(s)   ? bestSlice(worth, s, column)
                             : takings_[s] ? bestTaking(worth, s, column)
                                           : bestPlate(worth, s, column));
      const double gain =
          found.values[s] / worth.whole * dearest_ + priceOfStock(prices, s) - wholeCostOf(s);
      if (gain <= most) continue;
      most = gain;
      found.entering = s;
      found.column = std::move(column);
    }
    return found;
  }
  double bestPlate(const Worths& worth, std::size_t stock, CoverMaster::Column& column) {
    const double spared = isRoll(stock) ? wholeCostOf(stock) / dearest_ * worth.whole : 0.0;
    Counts counts(job_.kinds.size(), 0);
    work_ += plates_[stock].work();
    const double value = plates_[stock].best(worth.each, spared, counts, isOver_).value_or(0);
    column = columnOf(counts, stock);
    return value;
  }
  double bestSlice(const Worths& worth, std::size_t stock, CoverMaster::Column& column) {
    const Micrometres along = plates_[stock].usable().along;
    SliceValues& slices = *slices_[stock];
    work_ += slices.work();
    const double value = slices.best({worth.each.begin(), worth.each.end()}, along);
    column = slices.slice(along);
    return value;
  }
  double bestTaking(const Worths& worth, std::size_t stock, CoverMaster::Column& column) {
    Counts counts;
    work_ += double(takings_[stock]->size());
    const double value = takings_[stock]->best(worth.each, counts);
    column = columnOf(counts, stock);
    return value;
  }
  [[nodiscard]] bool isSliced(std::size_t stock) const {
    return isRoll(stock) && stage_ == Stage::Ample;
  }

  /// The best and others on that sheet. What lies with more room than there is bounds, but is no
  /// sheet.
  void know(const Pattern& best, const Worths& worth, const std::vector<double>& prices) {
    const std::size_t stock = best.entering;
    if (isSliced(stock) || takings_[stock]) {
      known_.push_back({stock, best.column, wholeCostOf(stock)});
      return;
    }
    const auto take = [&](const CoverMaster::Column& column,
                          std::optional<std::vector<SheetPart>> parts) {
      if (isRoll(stock) && !parts) return;
      known_.push_back({stock, column, parts ? costOf(stock, *parts) : wholeCostOf(stock)});
      if (!parts || stage_ == Stage::Ample) return;
      known_.back().name = static_cast<int>(patterns_.size());
      patterns_.push_back({stock, 0.0, std::move(*parts)});
    };
    const double cost = (wholeCostOf(stock) - priceOfStock(prices, stock)) / dearest_ * worth.whole;
    for (auto& other : plates_[stock].others(static_cast<PlateValues::Worth>(cost),
                                             kOthers + job_.kinds.size() / 2, isOver_))
      take(columnOf(other.counts, stock), std::move(other.parts));
    take(best.column, plates_[stock].filling());
  }

  /// Whether by the master's own prices it betters it too.
  [[nodiscard]] bool isGain(const Pattern& best) const {
    double cost = wholeCostOf(best.entering);
    if (isRoll(best.entering) && !isSliced(best.entering)) {
      const auto parts = plates_[best.entering].filling();
      if (!parts) return false;
      cost = costOf(best.entering, *parts);
    }
    return gainOf({best.entering, best.column, cost}) > kNoGain;
  }

  bool knowProper() {
    work_ += kProper;
    auto proper = properPattern();
    if (!proper) return false;
    known_.push_back(knownOf(*proper, patterns_.size()));
    patterns_.push_back(std::move(*proper));
    return true;
  }

  /// One that betters the master and holds no more of anything than is wanted, as chance finds it.
  [[nodiscard]] std::optional<PatternUse> properPattern() {
    constexpr int kFills = 200, kAgain = 100;
    std::optional<PatternUse> best;
    double most = kNoGain;
    for (std::size_t s = 0; s < job_.stocks.size(); ++s) {
      if (counts_[s] == 0) continue;
      SheetPart whole;
      whole.across = plates_[s].usable().across;
      whole.along = plates_[s].usable().along;
      const double area = double(whole.across) * double(whole.along);
      Pool pool;
      std::vector<double> worth;
      for (std::size_t k = 0; k < job_.kinds.size(); ++k) {
        if (job_.counts[k] == 0 || master_.price(k) <= 0 || job_.sizes[s][k].empty()) continue;
        pool.kinds.push_back(k);
        pool.counts.push_back(job_.counts[k]);
        worth.push_back(master_.price(k) / wholeCostOf(s) * area);
      }
      if (pool.kinds.empty()) continue;
      filler_.begin(s, pool.kinds, worth);
      Filling filling = filler_.best(whole, kFills, pool.counts).first;
      if (filling.parts.empty()) continue;
      filler_.better(filling, kAgain, pool.counts);
      PatternUse use{s, 0.0, std::move(filling.parts)};
      if (const double gain = gainOf(knownOf(use, 0)); gain > most) {
        most = gain;
        best = std::move(use);
      }
    }
    return best;
  }

  /// What the master is bettered by it, of the dearest sheet.
  [[nodiscard]] double gainOf(const Known& pattern) const {
    double gain = -pattern.cost;
    for (const auto& [row, much] : pattern.column) gain += much * master_.price(row);
    return gain / dearest_;
  }

  /// Pieces are worth so much less that no sheet of which there is no end holds more than it costs;
  /// where one of the others does, so often as there is one it may.
  [[nodiscard]] double boundOf(const Worths& worth, const std::vector<double>& values) const {
    const auto costOf = [&](std::size_t s) { return wholeCostOf(s) / dearest_ * worth.whole; };
    double sum = 0.0, part = 1.0;
    for (std::size_t k = 0; k < worth.each.size(); ++k)
      sum += double(worth.each[k]) * job_.counts[k];
    for (std::size_t s = 0; s < values.size(); ++s)
      if (!counts_[s] && values[s] > 0) part = std::min(part, costOf(s) / values[s]);
    double least = part * sum;
    for (std::size_t s = 0; s < values.size(); ++s)
      if (const auto count = counts_[s])
        least -= *count * std::max(0.0, part * values[s] - costOf(s));
    return least / worth.whole * dearest_ * (1 - 1e-12) - lastKerfs();
  }
  [[nodiscard]] StockCover coverOf(const Worths& worth, std::vector<double> values) const {
    StockCover cover;
    for (std::size_t s = 0; s < values.size(); ++s)
      if (isRoll(s)) values[s] /= double(plates_[s].usable().along);
    cover.values = std::move(values);
    for (std::size_t k = 0; k < worth.each.size(); ++k)
      cover.all += double(worth.each[k]) * job_.counts[k];
    return cover;
  }
  /// The last cut of a roll may run out of what is paid for.
  [[nodiscard]] double lastKerfs() const {
    double cost = 0.0;
    for (std::size_t s = 0; s < job_.stocks.size(); ++s)
      if (const CutStock& roll = job_.stock(s); isRoll(s) && isBounding_)
        cost += *roll.count * roll.cost * double(std::max<Micrometres>(0, roll.kerf - roll.bottom));
    return cost / 1e6;
  }

  const MaterialJob& job_;
  const bool isProper_;
  std::vector<std::optional<int>> counts_;  // by stock; none: without end, or paid by length
  bool hasRoll_ = false, isBounding_ = true;
  const std::function<bool()>& isOver_;
  std::vector<std::optional<std::size_t>> rowOf_;  // by stock, of the master
  double dearest_ = 0.0;
  bool isApt_ = true;

  Patterns found_;
  double enough_ = 0.0, hardlyMore_ = 0.0, most_ = 0.0, work_ = 0.0;
  Stage stage_ = Stage::Quick;
  bool isFinestApt_ = false;
  std::vector<PlateValues> plates_;                   // by stock, of the stage
  std::vector<std::optional<SliceValues>> slices_;    // by stock, of rolls that are bounded
  std::vector<std::optional<SheetTakings>> takings_;  // by stock, where they are told
  CoverMaster master_{{}};
  PriceCentre centre_;
  std::vector<Known> known_;
  std::vector<std::size_t> promising_;  // of those that are known
  double promised_ = 0.0;
  std::vector<PatternUse> patterns_;  // by name
  std::mt19937_64 random_{1};         // the same chances each time
  ChanceFiller filler_{job_, random_, isOver_};
};

}  // namespace

Patterns findPatterns(const MaterialJob& job, double known, double enough, double effort,
                      const std::function<bool()>& isOver) {
  return PatternBound(job, std::vector<int>(job.stocks.size(), 0), false, isOver)
      .find(known, enough, effort, {});
}

Patterns properPatterns(const MaterialJob& job, const std::vector<int>& used,
                        std::vector<PatternUse> known, double effort,
                        const std::function<bool()>& isOver) {
  return PatternBound(job, used, true, isOver).find(0.0, 0.0, effort, std::move(known));
}

}  // namespace drapery
