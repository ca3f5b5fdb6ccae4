#include "core/cutting/packer.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <iterator>
#include <limits>
#include <random>
#include <tuple>

#include "core/cutting/beginning.h"
#include "core/cutting/bin.h"
#include "core/cutting/cheaper_sheets.h"
#include "core/cutting/joined_row.h"
#include "core/cutting/larger_off_cut.h"
#include "core/cutting/layout_of_bins.h"
#include "core/cutting/one_fewer.h"
#include "core/cutting/pattern_dive.h"
#include "core/cutting/placing.h"
#include "core/cutting/roll_alone.h"
#include "core/cutting/roll_shortening.h"
#include "core/cutting/room_losses.h"
#include "core/cutting/sheet_filling.h"
#include "core/cutting/strip_slabs.h"
#include "core/cutting/worst_slabs.h"

namespace drapery {

class Packer::Work {
 public:
  Work(const MaterialJob& job, std::uint64_t seed, PackerPatience patience)
      : job_(job), patience_(std::move(patience)), random_(seed) {
    bestLost_ = piecesOf(job.counts);
    const std::size_t kSome = oneFewer_.isApt() ? 60 : 40;
    constexpr double kPatient = 1.0, kMorePatient = 10.0;
    beginnings_ = quickBeginnings(bestLost_.size());
    if (bestLost_.size() > kSome) {
      patient_ = kMorePatient;
      beginnings_.push_back(patientBeginning(job, kPatient, random_));
      // Of several prices other sheets serve more than fuller ones.
      if (!cheaper_.isApt() || cheaper_.isWithRoll())
        beginnings_.push_back(patientBeginning(job, kMorePatient, random_));
    }
    step();
  }

  void step() {
    constexpr std::size_t kFew = 4, kOften = 16;  // one try in so many empties sheets otherwise
    if (isNewsOfPatterns_) return startByPatterns();
    if (isStripsDue_ && begun_ > 0) return startByStrips();
    while (begun_ < beginnings_.size() && isNearerByPatterns() && beginnings_[begun_].isPatient())
      ++begun_;
    if (begun_ < beginnings_.size()) return start(Beginning(beginnings_[begun_++]));
    if (bins_.empty()) return;
    if (cheaper_.isAtIt()) return takeCheaper();
    if (oneFewer_.isApt() && below(std::clamp(bins_.size(), kFew, kOften)) > 0) return doWithout();
    if (!oneFewer_.isApt() && below(2) == 0 && layWorstAnew()) return;
    if (!oneFewer_.isApt() && below(patient_ > 0.0 && bestLost_.empty() ? kOften : kFew) > 0 &&
        shorten())
      return;
    change();
  }

  /// Some tries at a shorter roll; false where there is none but with pins.
  bool shorten() {
    constexpr std::size_t kInVain = 12;  // until a better beginning is looked for
    constexpr std::size_t kPatience = 500;
    if (hasOtherBeginnings() && without_ == cost_ && withoutTried_ > kInVain) {
      withoutTried_ = 0;
      beginAnew();
      return true;
    }
    if (without_ != cost_ || !shortening_ || withoutTried_ > kPatience) {
      std::vector<std::size_t> rolls;
      for (std::size_t b = 0; b < bestBins_.size(); ++b)
        if (job_.stock(bestBins_[b].stock).form == StockForm::Roll && !bestBins_[b].pinned &&
            !bestBins_[b].holds.empty())
          rolls.push_back(b);
      if (rolls.empty()) return false;
      shortening_ = std::make_unique<RollShortening>(job_, bestBins_, rolls[below(rolls.size())],
                                                     random_, [this] { return isEnough(); });
      shorteningLost_ = bestLost_;
      withoutTried_ = 0;
    }
    ++withoutTried_;
    if (auto bins = shortening_->step()) {
      std::vector<int> used = usedOf(*bins);
      takeIfBetter(std::move(*bins), std::move(used), shorteningLost_);
      shortening_.reset();
    }
    without_ = cost_;
    return true;
  }

  /// What lies worst on a roll; false where that holds few pieces.
  bool layWorstAnew() {
    constexpr double kEffort = 0.05;
    auto rest = bestLost_.empty() ? withoutWorst(job_, bestBins_, random_) : std::nullopt;
    if (!rest) return false;
    const Beginning how = patientBeginning(job_, kEffort, random_);
    std::vector<int> used = usedOf(rest->bins);
    std::vector<Bin> sheets;
    filling_.fill(rest->stocks, how, sheets, used, rest->loose);
    std::move(sheets.begin(), sheets.end(), std::back_inserter(rest->bins));
    layRest(how, rest->bins, used, rest->loose);
    return true;
  }

  /// Some tries at one sheet fewer; where they get no further, a better beginning is looked for.
  void doWithout() {
    constexpr int kTries = 200;
    constexpr std::size_t kSoon = 400;
    if (!oneFewer_.hasBegun() || without_ != cost_) {
      oneFewer_.begin(bestBins_, bestLost_);
      without_ = cost_;
      withoutTried_ = 0;
      leastLoose_ = oneFewer_.looseArea();
    }
    if (oneFewer_.loose().empty()) {  // nothing that costs less has the room
      without_.reset();
      return beginAnew();
    }
    // Where others may cost less, those are soon tried.
    if (withoutTried_ > (cheaper_.isApt() ? kSoon : anewAfter_)) {
      withoutTried_ = 0;
      if (job_.stocks.size() > 1) without_.reset();  // others may make way more easily
      return beginAnew();
    }
    for (int i = 0; i < kTries; ++i) {
      if (isEnough()) return;
      ++withoutTried_;
      if (!oneFewer_.step()) continue;
      std::vector<Bin> bins = oneFewer_.bins();
      std::vector<int> used = usedOf(bins);
      without_.reset();
      return takeIfBetter(std::move(bins), std::move(used), {});
    }
    if (const double loose = oneFewer_.looseArea(); loose < leastLoose_) {
      leastLoose_ = loose;
      withoutTried_ = 0;
    }
  }

  [[nodiscard]] bool hasOtherBeginnings() const {
    return patient_ > 0.0 || hasPatterns() || cheaper_.isWithRoll();
  }
  /// Than a patient beginning, whichever of the two searches made it.
  [[nodiscard]] bool isNearerByPatterns() const {
    return byPatterns_ < bySheets_ && bySheets_ < std::numeric_limits<double>::infinity();
  }
  [[nodiscard]] bool hasPatterns() const { return patterns_ && !patterns_->uses.empty(); }
  /// Mostly on other sheets, where there are several; else by patterns or sheet after sheet: mostly
  /// in the way that has come nearer to one sheet fewer.
  void beginAnew() {
    constexpr std::size_t kOther = 8;     // one in so many goes the other way
    constexpr std::size_t kWithRoll = 3;  // one in so many goes that way where there is another
    constexpr double kMostPatient = 20.0;
    // Beside off-cuts it is the way that gets further; on a roll alone there is another.
    const bool isWithOther = cheaper_.isWithRoll() && patient_ > 0.0 && job_.stocks.size() == 1;
    const bool isAimed = isWithOther ? below(kWithRoll) == 0 : below(kOther) > 0;
    if (isAimed && aim()) return;
    const bool isOther = below(kOther) == 0;
    if (hasPatterns() && (byPatterns_ <= bySheets_) != isOther) return dive(&random_);
    if (patient_ == 0.0) return without_.reset();
    patient_ = std::min(2 * patient_, kMostPatient);
    start(patientBeginning(job_, patient_, random_));
  }

  /// At other sheets than those of the best; false where nothing that costs less has the room.
  bool aim() {
    constexpr double kEffort = 8.0, kEffortOfFew = 1.0;
    const double effort = cheaper_.isWithRoll() ? kEffortOfFew : kEffort;
    if (!cheaper_.isApt() || !bestLost_.empty() ||
        !cheaper_.begin(bestBins_, hasPatterns() ? patterns_.get() : nullptr, effort))
      return false;
    takeCheaper();
    return true;
  }
  /// Some tries there.
  void takeCheaper() {
    if (!cheaper_.isAtIt()) return;
    auto bins = cheaper_.step(cost_);
    if (!bins) return;
    std::vector<int> used = usedOf(*bins);
    without_.reset();
    takeIfBetter(std::move(*bins), std::move(used), {});
  }

  /// Some sheets emptied and filled again.
  void change() {
    std::vector<Bin> bins = bins_;
    std::vector<int> used = used_;
    std::vector<std::size_t> loose = lost_, lost;
    const std::size_t count = std::min<std::size_t>(bins.size(), 1 + below(3));
    std::vector<std::size_t> emptied;  // their stocks
    for (std::size_t i = 0; i < count; ++i) {
      // The emptiest, whose pieces may go elsewhere, and some other.
      std::size_t which = below(bins.size());
      if (i == 0)
        for (std::size_t b = 0; b < bins.size(); ++b)
          if (shareOf(job_, bins[b]) < shareOf(job_, bins[which])) which = b;
      Bin& bin = bins[which];
      if (bin.pinned) {
        bareAgain(bin, loose);
        continue;
      }
      loose.insert(loose.end(), bin.holds.begin(), bin.holds.end());
      --used[bin.stock];
      // Now and then another stock in its place: a small one may do for the last.
      const std::size_t other = below(job_.stocks.size());
      const auto there = job_.stock(other).count;
      const bool isOther = below(4) == 0 && (!there || used[other] < *there);
      emptied.push_back(isOther ? other : bin.stock);
      bins.erase(bins.begin() + static_cast<std::ptrdiff_t>(which));
    }
    if (below(2) == 0) filling_.fill(emptied, {.tries = 1}, bins, used, loose);
    const PlacingHabit habit{PlacingHabit::kFits[below(PlacingHabit::kFits.size())], below(3) > 0,
                             PlacingHabit::kOrders[below(PlacingHabit::kOrders.size())],
                             below(2) == 0 ? 0.15 : 0.5};
    if (filling_.putEach(loose, habit, bins, used, lost))
      takeIfBetter(std::move(bins), std::move(used), std::move(lost));
  }

  /// Some tries at more that is left over in one piece.
  void gather() {
    constexpr int kTries = 50;
    if (!bestLost_.empty()) return;
    if (!isGathered()) gatherFrom(bestBins_);
    for (int i = 0; i < kTries && !isEnough(); ++i) {
      if (!larger_->step()) continue;
      std::vector<Bin> bins = larger_->bins();
      std::vector<int> used = usedOf(bins);
      if (bins.size() < bestBins_.size()) takeIfBetter(std::move(bins), std::move(used), {});
      return;
    }
  }

  void begin(std::shared_ptr<const Patterns> patterns) {
    patterns_ = std::move(patterns);
    isNewsOfPatterns_ = hasPatterns();
    isFirst_ = true;
  }
  /// Once, as soon as there are any: other sheets that cost less by them, else the whole unless
  /// another has begun it so.
  void startByPatterns() {
    isNewsOfPatterns_ = false;
    if (aim()) return;
    const bool isByRows = isOfManyKinds(job_) && areFewOfEach(job_);
    if (isFirst_ && (oneFewer_.isApt() || !isByRows)) dive(nullptr);
  }

  /// Once: of many copies of few kinds on a roll long strips may lose less than any slab does.
  void startByStrips() {
    isStripsDue_ = false;
    const std::vector<Slab> slabs = stripSlabs(job_, [this] { return isEnough(); });
    if (slabs.empty()) return;
    std::vector<Bin> bins{binOf(job_, 0, slabs)};
    std::vector<int> used = usedOf(bins);
    takeIfBetter(std::move(bins), std::move(used), {});
  }

  /// From nothing, by patterns; the rest sheet after sheet. How much that best is depends on the
  /// job: on the way down it is tried quickly now and then, as long as that gets better, and in the
  /// end patiently from where it came nearest.
  void dive(std::mt19937_64* chance) {
    constexpr double kEffort = 0.05;               // of what goes into a bound
    constexpr double kFirst = 0.7, kBefore = 2.0;  // of all; of the best
    constexpr double kQuick = 1.0, kPatient = 4.0;
    // Times that no better came of it; of few kinds going on takes little.
    constexpr std::size_t kWorse = 2, kOften = 10, kLooks = 300;
    const std::size_t mostWorse = std::clamp(kLooks / job_.kinds.size(), kWorse, kOften);
    LaidInPart beside{{}, std::vector<int>(job_.stocks.size(), 0), {}};
    std::vector<std::size_t> loose = piecesOf(job_.counts);
    if (roll_) filling_.fillCheaper(*roll_, beside.bins, beside.used, loose);
    MaterialJob job = roll_ ? onStockAlone(job_, *roll_) : job_;
    job.counts = countsOf(loose, job.kinds.size());
    const Patterns patterns = roll_ ? ofStockAlone(*patterns_, *roll_) : *patterns_;
    PatternDive down(job, patterns, kEffort, chance, [this] { return isEnough(); });
    const auto lay = [&](LaidInPart laid, double effort) {
      joinRolls(job, laid);
      return layBeside(roll_ ? withStock(beside, std::move(laid), *roll_) : std::move(laid),
                       effort);
    };
    anewAfter_ = kShort;
    const auto nearest = nearestBelow(
        down, std::min(kFirst, kBefore * leftBest_), mostWorse,
        [&](const LaidInPart& laid) { return isEnough() ? std::nullopt : lay(laid, kQuick); });
    if (!nearest) return;
    const auto near = lay(nearest->laid, kPatient);
    if (!near || std::min(*near, nearest->near) >= byPatterns_) return;
    byPatterns_ = std::min(*near, nearest->near);
    leftBest_ = nearest->left;
  }

  /// What is left beside sheets by patterns.
  std::optional<double> layBeside(LaidInPart sheets, double effort) {
    std::vector<std::size_t> loose = piecesOf(sheets.wanted);
    return layRest(patientBeginning(job_, effort, random_), sheets.bins, sheets.used, loose);
  }

  void follow(const Work& other) {
    followBest(other);
    if (other.isGathered() && other.cost_ == cost_ && other.offCut() > offCut())
      gatherFrom(other.larger_->bins());
  }
  void followBest(const Work& other) {
    if (!patterns_) {
      patterns_ = other.patterns_;
      isNewsOfPatterns_ = hasPatterns();
    }
    if (other.byPatterns_ < byPatterns_) {
      byPatterns_ = other.byPatterns_;
      leftBest_ = other.leftBest_;
    }
    bySheets_ = std::min(bySheets_, other.bySheets_);
    isStripsDue_ = isStripsDue_ && other.isStripsDue_;
    if (!other.hasOne_ || (hasOne_ && other.best_ >= best_)) return;
    hasOne_ = true;
    best_ = now_ = other.best_;
    cost_ = other.cost_;
    bins_ = bestBins_ = other.bestBins_;
    lost_ = bestLost_ = other.bestLost_;
    used_ = usedOf(bins_);
    merits_.fill(best_);
  }

  /// From nothing: sheets filled in order, each as full as so many tries make it, and the rest put
  /// where there is room.
  void start(const Beginning& how) {
    std::vector<Bin> bins;
    std::vector<int> used(job_.stocks.size(), 0);
    std::vector<std::size_t> loose = piecesOf(job_.counts);
    for (std::size_t i = 0; i < job_.pinned.size(); ++i) {
      bins.push_back(pinnedBin(job_, i));
      ++used[bins.back().stock];
    }
    const auto near = layRest(how, bins, used, loose);
    if (!near || !how.isPatient()) return;
    anewAfter_ = areLossesTold(job_.kinds.size(), job_) ? kLongTold : kLong;
    bySheets_ = std::min(bySheets_, *near);
  }

  /// What is loose on sheets of its own, then where there is room.
  /// @returns how near to one sheet fewer that came; none where it was left undone.
  std::optional<double> layRest(const Beginning& how, std::vector<Bin>& bins,
                                std::vector<int>& used, std::vector<std::size_t>& loose) {
    std::vector<std::size_t> lost;
    if (how.isFilling()) filling_.fill({}, how, bins, used, loose);
    while (how.isFilling() && !loose.empty()) {
      if (isEnough()) return std::nullopt;
      const auto stock = filling_.stockFor(used, loose);
      const std::size_t before = loose.size();
      filling_.fill(stock ? std::vector{*stock} : std::vector<std::size_t>(), how, bins, used,
                    loose);
      if (loose.size() == before) break;
    }
    if (!filling_.putEach(loose, how.habit, bins, used, lost)) return std::nullopt;
    const double near = nearness(bins, lost);
    if (how.isPatient() && lost.empty() && without_ == cost_) oneFewer_.offer(bins);
    takeIfBetter(std::move(bins), std::move(used), std::move(lost));
    return near;
  }

  /// Takes from a pinned sheet what was laid around its pins.
  void bareAgain(Bin& bin, std::vector<std::size_t>& loose) {
    Bin fresh = emptied(job_, bin);
    for (const std::size_t kind : fresh.holds)
      bin.holds.erase(std::find(bin.holds.begin(), bin.holds.end(), kind));
    loose.insert(loose.end(), bin.holds.begin(), bin.holds.end());
    bin = std::move(fresh);
  }

  [[nodiscard]] double cost() const { return cost_; }
  [[nodiscard]] double offCut() const { return isGathered() ? larger_->area() : 0.0; }
  [[nodiscard]] Micrometres end() const {
    Micrometres end = 0;
    for (const Bin& bin : bestBins_) end = std::max(end, bin.end);
    return end;
  }
  [[nodiscard]] std::size_t lost() const { return bestLost_.size(); }

  [[nodiscard]] MaterialLayOut layOut(bool isLast) const {
    const std::function<bool()> isEnough = [&] { return !isLast || patience_.isEnded(); };
    MaterialLayOut result =
        layOutOf(job_, isGathered() ? larger_->bins() : bestBins_, bestLost_, isEnough);
    result.cost = cost_;
    return result;
  }

 private:
  /// What it costs if of the emptiest sheet only what is used were paid for.
  [[nodiscard]] double nearness(const std::vector<Bin>& bins,
                                const std::vector<std::size_t>& lost) const {
    if (!lost.empty()) return std::numeric_limits<double>::infinity();
    double cost = 0.0, most = 0.0;
    for (const Bin& bin : bins) {
      const double sheet = costOf(job_.stock(bin.stock), bin.end);
      cost += sheet;
      if (job_.stock(bin.stock).form == StockForm::Sheet)
        most = std::max(most, sheet * (1.0 - shareOf(job_, bin)));
    }
    return cost - most;
  }
  /// How many of each stock.
  [[nodiscard]] std::vector<int> usedOf(const std::vector<Bin>& bins) const {
    std::vector<int> used(job_.stocks.size(), 0);
    for (const Bin& bin : bins) ++used[bin.stock];
    return used;
  }
  /// Whether what is left over has been looked for at the best cost.
  [[nodiscard]] bool isGathered() const { return largerFor_ && largerFor_ == cost_; }
  void gatherFrom(const std::vector<Bin>& bins) {
    if (!larger_)
      larger_ = std::make_unique<LargerOffCut>(job_, random_, [this] { return isEnough(); });
    larger_->begin(bins);
    largerFor_ = cost_;
  }
  [[nodiscard]] bool isEnough() const { return hasOne_ ? patience_.isOver() : patience_.isEnded(); }
  std::size_t below(std::size_t most) { return static_cast<std::size_t>(random_() % most); }
  void takeIfBetter(std::vector<Bin> bins, std::vector<int> used, std::vector<std::size_t> lost) {
    double cost = 0.0, even = 0.0;
    for (const Bin& bin : bins) {
      cost += costOf(job_.stock(bin.stock), bin.end);
      even += shareOf(job_, bin) * shareOf(job_, bin);
    }
    const Merit merit(lost.size(), cost, -even);
    Merit& then = merits_[tried_++ % merits_.size()];
    const bool isTaken = !hasOne_ || merit <= now_ || merit <= then;
    if (isTaken) {
      if (!hasOne_) merits_.fill(merit);
      now_ = merit;
      bins_ = std::move(bins);
      used_ = std::move(used);
      lost_ = std::move(lost);
    }
    if (now_ < then) then = now_;
    if (hasOne_ && now_ >= best_) return;
    hasOne_ = true;
    best_ = now_;
    cost_ = cost;
    bestBins_ = bins_;
    bestLost_ = lost_;
  }

  const MaterialJob& job_;
  PackerPatience patience_;
  std::mt19937_64 random_;
  std::unique_ptr<LargerOffCut> larger_;
  std::optional<double> largerFor_;  // the cost of what that goes on from
  std::unique_ptr<RollShortening> shortening_;
  std::vector<std::size_t> shorteningLost_;  // what it leaves unplaced
  OneFewer oneFewer_{job_, random_, [this] { return isEnough(); }};
  SheetFilling filling_{job_, random_, [this] { return isEnough(); }};
  CheaperSheets cheaper_{job_, random_, [this] { return isEnough(); }};
  std::optional<std::size_t> roll_ = rollBesideFew(job_);
  double patient_ = 0.0;           // the effort of the last beginning of that kind
  std::optional<double> without_;  // the cost that it is to better
  std::size_t withoutTried_ = 0;   // since less was loose than ever
  double leastLoose_ = 0.0;
  static constexpr std::size_t kLong = 20'000, kLongTold = 5'000, kShort = 2'400;  // tries
  std::size_t anewAfter_ = kLong;  // a better beginning is looked for
  double leftBest_ = 1.0;          // what patterns left when they came nearest, of all
  double byPatterns_ = std::numeric_limits<double>::infinity();  // how near they came
  double bySheets_ = std::numeric_limits<double>::infinity();
  std::shared_ptr<const Patterns> patterns_;
  bool isNewsOfPatterns_ = false;
  bool isStripsDue_ = true;
  bool isFirst_ = false;  // they are not those of another
  std::vector<Beginning> beginnings_;
  std::size_t begun_ = 0;
  std::vector<Bin> bins_;  // of the best
  std::vector<int> used_;  // by stock
  std::vector<std::size_t> lost_;
  /// How many pieces lie nowhere, the cost, and how unevenly the sheets are filled: one that is
  /// nearly empty is soon saved.
  using Merit = std::tuple<std::size_t, double, double>;
  Merit now_{}, best_{};
  /// What was reached some tries ago: no worse than that is taken too ("late acceptance", Burke and
  /// Bykov 2017).
  std::array<Merit, 64> merits_;
  std::size_t tried_ = 0;
  std::vector<Bin> bestBins_;
  std::vector<std::size_t> bestLost_;
  double cost_ = 0.0;
  bool hasOne_ = false;
};

Packer::Packer(const MaterialJob& job, std::uint64_t seed, PackerPatience patience)
    : work_(std::make_unique<Work>(job, seed, std::move(patience))) {}
Packer::~Packer() = default;
void Packer::step() { work_->step(); }
void Packer::gather() { work_->gather(); }
void Packer::begin(std::shared_ptr<const Patterns> patterns) { work_->begin(std::move(patterns)); }
void Packer::follow(const Packer& other) { work_->follow(*other.work_); }
double Packer::cost() const { return work_->cost(); }
double Packer::offCut() const { return work_->offCut(); }
Micrometres Packer::end() const { return work_->end(); }
std::size_t Packer::lost() const { return work_->lost(); }
MaterialLayOut Packer::layOut(bool isLast) const { return work_->layOut(isLast); }

}  // namespace drapery
