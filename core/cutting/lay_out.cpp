#include "core/cutting/lay_out.h"

#include <algorithm>
#include <atomic>
#include <chrono>
#include <cmath>
#include <iterator>
#include <limits>
#include <memory>
#include <system_error>
#include <thread>
#include <utility>

#include "core/cutting/cost_bound.h"
#include "core/cutting/cut_rectangle.h"
#include "core/cutting/few_rolls.h"
#include "core/cutting/free_stock.h"
#include "core/cutting/least_sum.h"
#include "core/cutting/most_value.h"
#include "core/cutting/proving.h"

namespace drapery {

namespace {

constexpr double kSame = 1e-9;
// Of the time that is left.
constexpr double kForBounds = 0.4, kForAll = 0.6, kForTrying = 0.85, kForCost = 0.9;

/// One material on its way: found exactly, or being bettered by two that look at each other.
struct Course {
  const MaterialJob* job = nullptr;
  PackerPatience patience;
  std::optional<MaterialLayOut> exact = {};  // or the value, which is not bettered
  double bound = 0.0;
  std::unique_ptr<Packer> packer = {}, other = {};
  const Packer* shown = nullptr;  // in place of `packer`, while another thread has that
  /// Tries at more that is left in one piece: all, and up to the last that found it.
  struct {
    std::uint64_t all = 0, last = 0;
  } gathering = {};
  /// Whether one of the two has come to the bound: then neither has anything left to look for.
  std::unique_ptr<std::atomic<bool>> isMet = std::make_unique<std::atomic<bool>>(false);

  [[nodiscard]] bool isOpen() const { return !exact && isAnyLoose() && isOpenFor(*packer); }
  [[nodiscard]] bool isOpenFor(const Packer& each) const {
    return each.lost() > 0 || each.cost() > bound + kSame;
  }
  /// Not found exactly, nor settled by the binder alone; of what costs as little as can be more is
  /// to be left in one piece.
  [[nodiscard]] bool isUnsettled() const { return isOpen() || isToGather(); }
  /// As long as more comes of it now and then.
  [[nodiscard]] bool isToGather() const {
    constexpr std::uint64_t kFruitless = 1280;
    return !exact && isAnyLoose() && isAnySheet() && packer->lost() == 0 &&
           gathering.all < gathering.last + gathering.last / 2 + kFruitless;
  }
  void gathered(std::uint64_t tries, double before) {
    gathering.all += tries;
    if (packer->offCut() > before) gathering.last = gathering.all;
  }
  /// Not all of it is pinned.
  [[nodiscard]] bool isAnyLoose() const {
    return std::any_of(job->counts.begin(), job->counts.end(), [](int count) { return count > 0; });
  }
  [[nodiscard]] bool isAnySheet() const {
    return std::any_of(job->stocks.begin(), job->stocks.end(), [this](std::size_t stock) {
      return job->problem->stocks[stock].form == StockForm::Sheet;
    });
  }
  [[nodiscard]] const Packer& laid() const { return shown != nullptr ? *shown : *packer; }
  [[nodiscard]] MaterialLayOut result(bool isLast) const {
    if (exact) return *exact;
    MaterialLayOut found = laid().layOut(isLast);
    found.bound = bound;
    return found;
  }
};

/// With a lay-out, good or not.
Course begun(const MaterialJob& job, const LayOutLimits& limits, const Watch& watch) {
  Course course{&job, watch.patience()};
  course.patience.isOver = [isOver = course.patience.isOver, isMet = course.isMet.get()] {
    return *isMet || isOver();
  };
  course.packer = std::make_unique<Packer>(job, limits.seed, course.patience);
  return course;
}

/// A second search of the same, by other chances.
void startOther(Course& course, const LayOutLimits& limits) {
  constexpr std::uint64_t kOtherSeed = 0x9e3779b97f4a7c15;
  if (!course.other)
    course.other = std::make_unique<Packer>(*course.job, limits.seed + kOtherSeed, course.patience);
}

/// Both at once, the second beside; before the first where there is no other thread to be had.
template <typename First, typename Second>
void atOnce(First first, Second second) {
  std::thread beside;
  try {
    beside = std::thread(second);
  } catch (const std::system_error&) {
    second();
    return first();
  }
  first();
  beside.join();
}

/// The best, where every lay-out can be tried; false where they cannot.
/// @param free the job as if nothing were pinned.
bool tryAll(Course& course, const MaterialJob& free, const Watch& watch) {
  auto best = exactLayOut(free, [&] { return watch.isOver(); });
  if (!best) return false;
  course.bound = best->cost;
  if (course.job->pinned.empty()) course.exact = std::move(best);
  return true;
}

/// Whether a packer has come to the bound. Where the clock counts the other ends too.
bool meets(const Course& course, const Packer& packer, const LayOutLimits& limits) {
  if (course.isOpenFor(packer)) return false;
  if (!limits.steps) *course.isMet = true;
  return true;
}

/// The best where all can soon be tried, else what is soon known that none costs less than.
/// @returns whether no more can be said of that; with pins it may still cost more.
bool settle(Course& course, const Watch& watch) {
  if (course.exact) return true;
  const MaterialJob free = withoutPins(*course.job);
  if (tryAll(course, free, watch)) return true;
  const double quick = leastSumFrom(free, costBound(free, [&] { return watch.isOver(); }));
  course.bound = std::max(course.bound, quick);
  return !course.isOpen();
}

/// The best where all that could be better can be tried, else what none costs less than; meanwhile
/// it is bettered.
template <typename Report>
void sharpen(Course& course, const LayOutLimits& limits, const Watch& watch, Report report) {
  constexpr std::uint64_t kBeside = 256;  // tries, where they are counted
  const MaterialJob free = withoutPins(*course.job);
  std::atomic<bool> isFound = false;
  ExactCheaper found;
  const std::uint64_t most = watch.tries(kBeside);
  const std::pair known(course.packer->lost(), course.packer->cost());
  std::atomic<double> otherCost = std::numeric_limits<double>::infinity();
  atOnce(
      [&] {
        startOther(course, limits);
        Packer& other = *course.other;
        for (std::uint64_t i = 0; limits.steps ? i < most : !isFound && !watch.isOver(); ++i) {
          other.step();
          if (std::pair(other.lost(), other.cost()) < known) course.shown = &other;
          if (other.lost() == 0 && !limits.steps) otherCost = other.cost();
          if (course.shown != nullptr) report();
          if (meets(course, other, limits)) return;
        }
      },
      [&] {
        const auto isOver = [&] { return watch.isOver() || *course.isMet; };
        found = Proving(free, *course.packer, !course.job->pinned.empty(), otherCost, watch, isOver)
                    .find(course.bound);
        isFound = true;
      });
  course.shown = nullptr;
  course.bound = found.bound;
  course.exact = std::move(found.laid);
  course.packer->follow(*course.other);
  course.other->follow(*course.packer);
  *course.isMet = false;
}

/// @param isCostSought else, what it costs being settled, more is to be left in one piece.
template <typename Report>
void better(Course& course, bool isCostSought, const LayOutLimits& limits, const Watch& watch,
            Report report) {
  constexpr std::uint64_t kApart = 32;    // tries until they look at each other
  constexpr double kMoment = 0.3;         // seconds, should some of them take long
  constexpr std::uint64_t kLongest = 64;  // times as many, should there be no other
  const auto isMore = [&] { return isCostSought ? course.isUnsettled() : course.isToGather(); };
  for (std::uint64_t done = 0; isMore() && !watch.isOver(); done += kApart) {
    const bool isOpen = isCostSought && course.isOpen();
    const std::uint64_t tries =
        limits.steps ? std::min(kApart, *limits.steps - std::min(done, *limits.steps)) : kApart;
    const double offCut = course.packer->offCut();
    if (tries == 0) break;
    // Where tries are not counted nobody waits for the other: some take a hundred times as long.
    std::atomic<int> ready = 0;
    const Watch moment(limits, kMoment);
    const auto run = [&](Packer& packer) {
      bool isReady = false;
      for (std::uint64_t i = 0; !watch.isOver() && !*course.isMet; ++i) {
        const bool isLong = i > 0 && !limits.steps && moment.isOver();
        if (!isReady && (i >= tries || isLong)) {
          isReady = true;
          ++ready;
        }
        if (isReady && (limits.steps || ready == 2 || i >= kLongest * tries)) return;
        isOpen ? packer.step() : packer.gather();
        if (isOpen && meets(course, packer, limits)) return;
      }
    };
    atOnce([&] { run(*course.packer); },
           [&] {
             startOther(course, limits);
             run(*course.other);
           });
    course.packer->follow(*course.other);
    course.other->follow(*course.packer);
    *course.isMet = false;
    if (!isOpen) course.gathered(tries, offCut);
    report();
  }
}

/// Without what adding up leaves beyond the millionths.
double inMillionths(double sum) {
  constexpr double kParts = 1e6;
  const double whole = std::round(sum * kParts) / kParts;
  return std::abs(sum - whole) <= kSame * std::min(1.0, sum) ? whole : sum;
}

MaterialCost tell(const CutProblem& problem, const WeighedStock& weighed, const MaterialJob& job,
                  const MaterialLayOut& found) {
  MaterialCost told;
  told.material = job.stock(0).material;
  told.isWhole = found.notPlaced.empty();
  const bool isForValue = problem.isForValue;
  const bool isMet =
      isForValue ? found.cost >= found.bound - kSame : found.cost <= found.bound + kSame;
  told.isProven = told.isWhole && isMet;
  double cost = 0.0;
  for (const CutSheet& sheet : found.sheets) {
    const CutStock& stock = problem.stocks[sheet.stock];
    cost += stock.cost * oftenOf(stock, sheet);
    if (stock.form == StockForm::Sheet)
      told.sheets += sheet.repeat;
    else
      told.length += lengthUsed(stock, sheet);
  }
  told.cost = inMillionths(isForValue ? found.cost : cost);
  told.bound =
      inMillionths(isForValue ? found.bound
                   : isMet    ? cost
                              : std::clamp(weighed.costOf(told.material, found.bound), 0.0, cost));
  return told;
}

class LayingOut {
 public:
  LayingOut(const CutProblem& problem, const LayOutLimits& limits)
      : limits_(limits),
        whole_(limits, limits.seconds),
        problem_(problem),
        weighed_(problem.isForValue ? WeighedStock{problem, {}} : weighed(onFewRolls(problem))),
        jobs_(materialJobs(weighed_.problem, told_)) {}

  /// What is easy first: the time is for the rest.
  CutLayout run() {
    for (std::size_t i = 0; i < jobs_.size(); ++i)
      if (!jobs_[i].kinds.empty()) {
        if (problem_.isForValue)
          layForValue(jobs_[i], jobs_.size() - i);
        else
          courses_.push_back(begun(jobs_[i], limits_, whole_));
      }
    tellBetter(true);
    std::vector<Course*> unproven;
    for (Course& course : courses_)
      if (!settle(course, Watch(limits_, whole_.left() * kForAll))) unproven.push_back(&course);
    if (!unproven.empty()) tellBetter(true);
    for (std::size_t i = 0; i < unproven.size(); ++i) {
      const Watch part(limits_, whole_.left() * partFor(*unproven[i]->job, unproven.size() - i));
      if (!part.isOver()) sharpen(*unproven[i], limits_, part, [this] { tellBetter(false); });
    }
    if (open() > 0) tellBetter(true);
    // In turns: what one of them does not need is for the others. Where tries are counted one is
    // all. A little of the time is kept for what is left over.
    const bool isAnyKept = std::any_of(courses_.begin(), courses_.end(), isToGather);
    const Watch most(limits_, whole_.left() * (isAnyKept ? kForCost : 1.0));
    do {
      giveTurns(most);
    } while (!limits_.steps && open() > 0 && !most.isOver());
    gather();
    CutLayout laid = found(!whole_.isCancelled());
    laid.isSettled = open() == 0;
    return laid;
  }

 private:
  [[nodiscard]] std::ptrdiff_t open() const {
    return std::count_if(courses_.begin(), courses_.end(),
                         [](const Course& course) { return course.isUnsettled(); });
  }
  /// @param others how many materials there still are, with this one.
  void layForValue(const MaterialJob& job, std::size_t others) {
    courses_.push_back({&job, whole_.patience(), MaterialLayOut{}});
    MaterialLayOut& most = *courses_.back().exact;
    const Watch watch(limits_, whole_.left() / double(others));
    most = mostValue(job, limits_.seed, watch, [&](const MaterialLayOut& better) {
      const bool isFirst = most.sheets.empty();
      most = better;
      tellBetter(isFirst);
    });
  }
  /// What goes into bounds of the time that is left. Most is for bettering it; but few pieces are
  /// soon laid as well as can be, and what takes time is to try all that could be better.
  /// @param others how many materials are still open, with this one.
  [[nodiscard]] static double partFor(const MaterialJob& job, std::size_t others) {
    return (isFewToTry(job) ? kForTrying : kForBounds) / double(others);
  }
  /// Each that is open half of its share of the time that is left; in the end all of it.
  void giveTurns(const Watch& watch) {
    constexpr double kTurns = 2.0, kLast = 0.5;  // seconds
    const double turns = watch.left() > kLast ? kTurns : 1.0;
    const double share = watch.left() / turns / double(std::max<std::ptrdiff_t>(1, open()));
    for (Course& course : courses_)
      if (course.isUnsettled())
        better(course, true, limits_, Watch(limits_, share), [this] { tellBetter(false); });
  }
  void gather() {
    std::ptrdiff_t left = std::count_if(courses_.begin(), courses_.end(), isToGather);
    for (Course& course : courses_)
      if (isToGather(course))
        better(course, false, limits_, Watch(limits_, whole_.left() / double(left--)),
               [this] { tellBetter(false); });
  }
  static bool isToGather(const Course& course) { return course.isToGather(); }
  /// @param isNews whether it is told however short ago the last was.
  void tellBetter(bool isNews) {
    constexpr std::chrono::milliseconds kOften(150);
    const auto now = Watch::Clock::now();
    if (!limits_.onBetter || (!isNews && now < toldAt_ + kOften)) return;
    toldAt_ = now;
    std::vector<double> costs;
    for (const Course& course : courses_) {
      costs.push_back(course.exact ? course.exact->cost : course.laid().cost());
      costs.push_back(course.bound);
      costs.push_back(course.exact ? 0.0 : course.laid().offCut());
    }
    if (costs == toldCosts_) return;
    toldCosts_ = std::move(costs);
    limits_.onBetter(found(false));
  }

  [[nodiscard]] CutLayout found(bool isLast) const {
    CutLayout result = told_;
    for (const Course& course : courses_) {
      MaterialLayOut found = course.result(isLast);
      if (!problem_.isForValue) found.sheets = onFewRolls(problem_, found.sheets);
      result.materials.push_back(tell(problem_, weighed_, *course.job, found));
      for (std::size_t kind = 0; kind < found.notPlaced.size(); ++kind)
        if (found.notPlaced[kind] > 0)
          result.unplaced.push_back({course.job->kinds[kind], found.notPlaced[kind]});
      std::move(found.sheets.begin(), found.sheets.end(), std::back_inserter(result.sheets));
    }
    return result;
  }

  const LayOutLimits& limits_;
  const Watch whole_;
  const CutProblem& problem_;
  const WeighedStock weighed_;
  CutLayout told_;  // what lies nowhere whatever is tried
  std::vector<MaterialJob> jobs_;
  std::vector<Course> courses_;
  std::vector<double> toldCosts_;
  Watch::Clock::time_point toldAt_{};
};

}  // namespace

CutLayout layOut(const CutProblem& problem, const LayOutLimits& limits) {
  return LayingOut(problem, limits).run();
}

}  // namespace drapery
