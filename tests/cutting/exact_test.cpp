// What is said to be the least, against every way there is, found without what makes it quick.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

#include "core/cutting/box_fronts.h"
#include "core/cutting/cut_rectangle.h"
#include "core/cutting/edge_cuts.h"
#include "core/cutting/exact_cheaper.h"
#include "core/cutting/exact_lay_out.h"
#include "core/cutting/larger_off_cut.h"
#include "core/cutting/largest_alone.h"
#include "core/cutting/most_room.h"
#include "core/cutting/off_cut.h"
#include "core/cutting/sharing_out.h"
#include "core/cutting/sheet_takings.h"
#include "core/cutting/stack_prices.h"
#include "core/cutting/stock_losses.h"
#include "core/cutting/stock_mixes.h"
#include "tests/support/cutting.h"

namespace drapery {
namespace {

using test::anyProblem;
using test::laidOut;
using test::pieceOf;
using test::sheetOf;

const std::function<bool()> kNever = [] { return false; };
constexpr double kNone = std::numeric_limits<double>::infinity();
constexpr double kSame = 1e-9;

/// Of each material of which any piece fits.
template <typename Act>
void eachJob(const CutProblem& problem, Act act) {
  CutLayout told;
  for (const MaterialJob& job : materialJobs(problem, told))
    if (!job.kinds.empty()) act(job);
}

/// With all its takings, on the first of a job's stocks.
struct AllBoxes {
  explicit AllBoxes(const MaterialJob& job)
      : index(job.counts), fronts(job, 0, index, work, kNever) {}
  std::uint64_t work = 1u << 30;
  CountIndex index;
  BoxFronts fronts;
};

/// The same from a sheet where its stock was a roll.
CutProblem onASheet(CutProblem problem) {
  problem.stocks[0].form = StockForm::Sheet;
  problem.stocks[0].along = std::min<Micrometres>(problem.stocks[0].along, 1'000'000);
  return problem;
}

/// Every box that joins make of a taking, whichever of its parts come first.
std::set<std::pair<Micrometres, Micrometres>> boxesOf(const MaterialJob& job, std::size_t stock,
                                                      const CountIndex& index, std::size_t set) {
  std::set<std::pair<Micrometres, Micrometres>> boxes;
  for (std::size_t kind = 0; kind < index.kinds(); ++kind)
    if (set == index.one(kind))
      for (const LyingSize& size : job.sizes[stock][kind]) boxes.insert({size.across, size.along});
  index.eachPartOf(set, [&](std::size_t low) {
    if (low == 0 || low == set) return;
    const auto highs = boxesOf(job, stock, index, set - low);
    for (const auto& a : boxesOf(job, stock, index, low))
      for (const auto& b : highs) {
        boxes.insert({a.first + b.first, std::max(a.second, b.second)});
        boxes.insert({std::max(a.first, b.first), a.second + b.second});
      }
  });
  return boxes;
}

RC_GTEST_PROP(BoxFronts, areTheLeastOfAllBoxes, ()) {
  CutProblem problem = anyProblem(*rc::gen::inRange(1, 4), 2, 1);
  eachJob(problem, [&](const MaterialJob& job) {
    AllBoxes all(job);
    const CountIndex& index = all.index;
    const BoxFronts& fronts = all.fronts;
    const double waste = fronts.measuresOf(index.all()).area * *rc::gen::inRange(0, 50) / 100;
    const UsableSize usable = usableOf(job.stock(0));
    BoxLimits limits{usable.along * *rc::gen::inRange(20, 101) / 100, {waste, {}}};
    const auto prices = stackPrices(job, limits.along, kNever);
    if (prices) {
      limits.prices = &*prices;
      const Worths most = prices->stocks[0].along.of(limits.along);
      const double lost = double(usable.across) * *rc::gen::inRange(0, 50) / 100;
      for (std::size_t i = 0; i < most.size(); ++i) limits.lost.worths[i] = lost * most[i];
    }
    const BoxFronts tight(job, 0, index, all.work, kNever, limits);
    for (std::size_t set = 1; set < index.size(); ++set) {
      std::map<Micrometres, Micrometres> least;  // along, by across
      Micrometres lowest = std::numeric_limits<Micrometres>::max();
      for (const auto& [across, along] : boxesOf(job, 0, index, set)) {
        if (across > usable.across || along > usable.along || along >= lowest) continue;
        const auto same = least.find(across);
        if (same != least.end()) continue;  // it is lower
        lowest = least[across] = along;
      }
      std::map<Micrometres, Micrometres> found;
      for (const CutBox& box : fronts.of(set)) found[box.across] = box.along;
      RC_ASSERT(found == least);
      std::erase_if(least, [&](const auto& box) {
        bool isLost = box.second > limits.along ||
                      double(box.first) * double(box.second) > fronts.measuresOf(set).area + waste;
        for (std::size_t i = 0; !isLost && prices && i < kPrices; ++i) {
          double holds = limits.lost.worths[i];
          for (std::size_t kind = 0; kind < index.kinds(); ++kind)
            holds += index.count(set, kind) * prices->kinds[kind][i];
          isLost = prices->stocks[0].most(box.first, box.second)[i] > holds;
        }
        return isLost;
      });
      found.clear();
      for (const CutBox& box : tight.of(set)) found[box.across] = box.along;
      RC_ASSERT(found == least);
    }
  });
}

/// Joined of boxes that hold all of it and are as large together, down to pieces as they may lie.
void checkJoined(const MaterialJob& job, const CountIndex& index, const BoxFronts& fronts,
                 std::size_t set, std::size_t which) {
  const CutBox box = fronts.of(set)[which];
  if (box.low == 0) {
    RC_ASSERT(set == index.one(box.kind));
    const auto& ways = job.sizes[0][box.kind];
    RC_ASSERT(std::any_of(ways.begin(), ways.end(), [&](const LyingSize& way) {
      return way.across == box.across && way.along == box.along && way.isTurned == box.isTurned;
    }));
    return;
  }
  RC_ASSERT(box.low + box.high == set);
  const CutBox& low = fronts.of(box.low)[box.lowBox];
  const CutBox& high = fronts.of(box.high)[box.highBox];
  const Micrometres across = low.across + high.across, along = low.along + high.along;
  RC_ASSERT(box.across == (box.isBeside ? across : std::max(low.across, high.across)));
  RC_ASSERT(box.along == (box.isBeside ? std::max(low.along, high.along) : along));
  checkJoined(job, index, fronts, box.low, box.lowBox);
  checkJoined(job, index, fronts, box.high, box.highBox);
}

// Of a roll that is as wide as two to some pieces, so that they lie in rows along it and across it.
RC_GTEST_PROP(BoxFronts, haveTheShortestForAll, ()) {
  CutProblem problem =
      test::anyThatFits(anyProblem(*rc::gen::inRange(1, 5), 2, 1), StockForm::Roll);
  const MaterialJob job = test::jobOf(problem);
  AllBoxes all(job);
  const auto boxes = all.fronts.of(all.index.all());
  RC_ASSERT(!boxes.empty());
  const UsableSize usable = usableOf(job.stock(0));
  const auto along =
      static_cast<Micrometres>(double(boxes.back().along) * *rc::gen::inRange(99, 130) / 100);
  BoxLimits limits{
      along,
      {double(usable.across) * double(along) - all.fronts.measuresOf(all.index.all()).area, {}}};
  limits.isForAll = true;
  const auto prices = stackPrices(job, along, kNever);
  if (prices) {
    limits.prices = &*prices;
    const double below = costOf(job.stock(0), along) + kSame;
    limits.lost = StockLosses(job, {along}, below, limits.prices).most();
  }
  const BoxFronts tight(job, 0, all.index, all.work, kNever, limits);
  RC_ASSERT(tight.isWhole());
  const auto found = tight.of(all.index.all());
  RC_ASSERT(found.empty() == (boxes.back().along > along));
  if (found.empty()) return;
  RC_ASSERT(found.back().along == boxes.back().along);
  for (std::size_t i = 0; i < found.size(); ++i) {
    RC_ASSERT(i == 0 || found[i].across > found[i - 1].across);
    RC_ASSERT(i == 0 || found[i].along < found[i - 1].along);
    checkJoined(job, all.index, tight, all.index.all(), i);
  }
}

/// Whichever strip is cut off first, and whatever box it holds.
double mostLeft(const MaterialJob& job, const CountIndex& index, UsableSize rest, std::size_t set) {
  const Micrometres kerf = job.stock(0).kerf;
  double most = -1.0;
  if (set == 0 && rest.across > kerf && rest.along > kerf)
    most = double(rest.across - kerf) * double(rest.along - kerf);
  index.eachPartOf(set, [&](std::size_t part) {
    if (part == 0) return;
    for (const auto& [across, along] : boxesOf(job, 0, index, part)) {
      if (across > rest.across || along > rest.along) continue;
      for (const UsableSize& left : {UsableSize{rest.across - across, rest.along},
                                     UsableSize{rest.across, rest.along - along}})
        most = std::max(most, mostLeft(job, index, left, set - part));
    }
  });
  return most;
}

RC_GTEST_PROP(OffCut, isTheLargestThatAnyWayLeaves, ()) {
  const CutProblem problem = onASheet(anyProblem(*rc::gen::inRange(1, 4), 2, 1));
  eachJob(problem, [&](const MaterialJob& job) {
    AllBoxes all(job);
    std::vector<double> areas;
    for (std::size_t set = 0; set < all.index.size(); ++set)
      areas.push_back(all.fronts.measuresOf(set).area);
    const UsableSize usable = usableOf(job.stock(0));
    const std::size_t set = *rc::gen::inRange<std::size_t>(1, all.index.size());
    const OffCut found =
        largestOffCut({all.index, all.fronts, areas, usable, job.stock(0).kerf}, set, -1.0, kNever);
    RC_ASSERT(found.area == mostLeft(job, all.index, usable, set));
    UsableSize rest = usable;
    for (const OffCutStrip& strip : found.strips) {
      const CutBox& box = all.fronts.of(strip.set)[strip.box];
      RC_ASSERT(box.across <= rest.across && box.along <= rest.along);
      (strip.isBeside ? rest.across : rest.along) -= strip.isBeside ? box.across : box.along;
    }
    if (!found.strips.empty()) RC_ASSERT(found.area == mostLeft(job, all.index, rest, 0));
    // What is laid so leaves it.
    Counts holds;
    for (std::size_t kind = 0; kind < all.index.kinds(); ++kind)
      holds.push_back(all.index.count(set, kind));
    const auto sheet = withLargestOffCut(job, 0, holds, -1.0, kNever);
    RC_ASSERT(sheet.has_value() == !found.strips.empty());
    RC_ASSERT(!withLargestOffCut(job, 0, holds, found.area, kNever));
    double left = -1.0;
    if (sheet)
      for (const CutPlacement& each : usableLeft(job.stock(0), *sheet, {0, 0}))
        left = std::max(left, double(each.across) * double(each.along));
    RC_ASSERT(left >= found.area);
  });
}

// By chance it is never more than that, and of a few pieces most of it.
RC_GTEST_PROP(OffCut, isFoundByChanceToo, ()) {
  constexpr double kMost = 0.6;
  const CutProblem problem = onASheet(anyProblem(*rc::gen::inRange(1, 4), 2, 1));
  eachJob(problem, [&](const MaterialJob& job) {
    AllBoxes all(job);
    const std::size_t set = all.index.all();
    if (all.fronts.of(set).empty() || job.stock(0).count == 0) return;
    const double most = mostLeft(job, all.index, usableOf(job.stock(0)), set);
    std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
    ChanceFiller filler(job, random, kNever);
    const std::vector<std::size_t> pieces = piecesOf(job.counts);
    Pool pool = poolOf(pieces);
    filler.begin(0, pool.kinds, areasOf(job, pool.kinds));
    std::vector<Bin> bins{emptyBin(job, 0)};
    Filling filling = filler.best(bins[0].parts[0], 200, pool.counts).first;
    filler.better(filling, 500, pool.counts);
    if (!piecesOf(pool).empty()) return;  // not all found room
    takeFilling(job, bins[0], filling, 0);
    LargerOffCut search(job, random, kNever);
    search.begin(bins);
    for (int i = 0; i < 10'000; ++i) search.step();
    RC_ASSERT(search.area() <= most);
    RC_ASSERT(search.area() >= kMost * most);
  });
}

double costOn(const std::vector<SharingOut::Fit>& stock, std::size_t set) {
  for (const SharingOut::Fit& fit : stock)
    if (fit.set == set) return fit.cost;
  return kNone;
}

/// By trying each stock for what the first piece lies with.
double leastOf(const CountIndex& index, const SharingOut::Costs& costs,
               std::vector<std::optional<int>>& left, std::size_t set) {
  if (set == 0) return 0.0;
  std::size_t first = 0;
  while (index.count(set, first) == 0) ++first;
  double least = kNone;
  index.eachPartOf(set, [&](std::size_t part) {
    if (part == 0 || index.count(part, first) == 0) return;
    for (std::size_t s = 0; s < costs.size(); ++s) {
      const double cost = costOn(costs[s], part);
      if (cost == kNone || left[s] == 0) continue;
      if (left[s]) --*left[s];
      least = std::min(least, cost + leastOf(index, costs, left, set - part));
      if (left[s]) ++*left[s];
    }
  });
  return least;
}

RC_GTEST_PROP(SharingOut, costsLeast, ()) {
  const auto from = [](int least, int upTo) { return *rc::gen::inRange(least, upTo + 1); };
  const int kinds = from(1, 3), stocks = from(1, 4);
  Counts counts;
  for (int kind = 0; kind < kinds; ++kind) counts.push_back(from(1, 2));
  const CountIndex index(counts);
  SharingOut::Costs costs;
  std::vector<std::optional<int>> limits;
  for (int s = 0; s < stocks; ++s) {
    limits.push_back(from(0, 2) == 0 ? std::nullopt : std::optional(from(0, 2)));
    costs.emplace_back();
    for (std::size_t set = 1; set < index.size(); ++set)
      if (from(0, 2) != 0) costs.back().push_back({set, double(from(0, 20))});
  }
  SharingOut sharing(index, costs, limits);
  std::vector<std::optional<int>> all = limits;
  const auto leastOfAll = sharing.leastOfAll(kNever);
  RC_ASSERT(leastOfAll == leastOf(index, costs, all, index.all()));
  double sum = 0.0;
  for (const auto& [stock, part] : sharing.sharesOf(index.all())) sum += costOn(costs[stock], part);
  RC_ASSERT(leastOfAll == kNone || leastOfAll == sum);
  std::vector<std::optional<std::size_t>> withouts{std::nullopt};
  for (std::size_t s = 0; s < costs.size(); ++s)
    if (limits[s] != 0) withouts.emplace_back(s);
  for (const auto& without : withouts) {
    std::vector<std::optional<int>> left = limits;
    if (without && left[*without]) --*left[*without];
    const std::vector<double>* least = sharing.reckon(without, kNever);
    RC_ASSERT(least != nullptr);
    for (std::size_t set = 0; set < index.size(); ++set) {
      RC_ASSERT((*least)[set] == leastOf(index, costs, left, set));
      if ((*least)[set] == kNone) continue;
      double cost = 0.0;
      std::size_t shared = 0;
      std::vector<std::optional<int>> used = left;
      for (const auto& [stock, part] : sharing.sharesOf(set)) {
        cost += costOn(costs[stock], part);
        shared += part;
        if (used[stock]) RC_ASSERT(--*used[stock] >= 0);
      }
      RC_ASSERT(shared == set);
      RC_ASSERT(cost == (*least)[set]);
    }
  }
}

// However little may be lost at whatever prices, what costs least is found, and nothing below it.
RC_GTEST_PROP(ExactBelow, findsTheLeastAtPrices, ()) {
  CutProblem problem = anyProblem(*rc::gen::inRange(1, 5), 3, *rc::gen::inRange(1, 5));
  for (CutStock& stock : problem.stocks)
    if (stock.form == StockForm::Roll) stock.count = 1;
  for (CutStock& stock : problem.stocks) stock.cost *= *rc::gen::element(0.0, 0.001, 0.3, 1.0);
  eachJob(problem, [&](const MaterialJob& job) {
    const auto exact = exactLayOut(job, kNever);
    if (!exact || exact->cost <= 0) return;
    const auto below = [&](double cost) {
      std::uint64_t work = 1u << 30;
      const ExactBelow found = exactBelow(job, {cost, mostRoom(job, cost), 0.0}, work, kNever);
      RC_ASSERT(found.isAll);
      return found.laid;
    };
    const auto laid = below(exact->cost * *rc::gen::element(1.0, 1.001, 1.05, 1.5) + 2 * kSame);
    RC_ASSERT(laid.has_value());
    RC_ASSERT(std::abs(laid->cost - exact->cost) <= kSame);
    RC_ASSERT(!below(exact->cost).has_value());
  });
}

// Beside three off-cuts, which cost less for their room than the roll does.
TEST(ExactBelow, joinsLittleAtPrices) {
  CutProblem problem = test::rollAndOffCuts(3);
  for (const auto& [width, height] : std::vector<std::pair<int, int>>{{392, 255},
                                                                      {350, 214},
                                                                      {301, 188},
                                                                      {286, 240},
                                                                      {255, 173},
                                                                      {420, 290},
                                                                      {333, 229},
                                                                      {268, 205},
                                                                      {240, 160},
                                                                      {371, 262},
                                                                      {315, 197}})
    problem.pieces.push_back(pieceOf("covering " + std::to_string(width), width, height, 1));
  const MaterialJob job = test::jobOf(problem);
  const auto exact = exactLayOut(job, kNever);
  ASSERT_TRUE(exact.has_value());
  const auto workFor = [&](double priced) {
    constexpr std::uint64_t kAll = 1U << 30U;
    std::uint64_t work = kAll;
    const CostLimits limits{exact->cost, mostRoom(job, exact->cost), priced};
    const ExactBelow found = exactBelow(job, limits, work, kNever);
    EXPECT_TRUE(found.isAll);
    EXPECT_FALSE(found.laid.has_value());
    return kAll - work;
  };
  const std::uint64_t atPrices = workFor(0.0), byArea = workFor(kNone);
  EXPECT_LT(atPrices, byArea / 2) << byArea;
}

// Of thirteen pairs of pieces there are one and a half million takings: little of a roll may be
// lost, of sheets much.
TEST(ExactCheaper, triesMoreBesideARoll) {
  CutProblem problem = test::rollAndOffCuts(3);
  for (int i = 0; i < 13; ++i)
    problem.pieces.push_back(pieceOf("piece " + std::to_string(i), 100 + i, 200 - i, 2));
  MaterialJob job = test::jobOf(problem);
  EXPECT_TRUE(canTryCheaper(job, job.counts));
  problem.stocks[0].form = StockForm::Sheet;
  job = test::jobOf(problem);
  EXPECT_FALSE(canTryCheaper(job, job.counts));
}

// What is known already and what cannot be less only narrow down what is tried.
RC_GTEST_PROP(ExactCheaper, isTheSameHoweverMuchIsKnown, ()) {
  CutProblem problem = anyProblem(*rc::gen::inRange(1, 5), 3, *rc::gen::inRange(1, 5));
  for (CutStock& stock : problem.stocks)
    if (stock.form == StockForm::Roll) stock.count = 1;
  for (CutStock& stock : problem.stocks) stock.cost *= *rc::gen::element(0.001, 0.3, 1.0);
  eachJob(problem, [&](const MaterialJob& job) {
    const auto exact = exactLayOut(job, kNever);
    if (!exact) return;  // there is not stock enough
    const double least = *rc::gen::inRange(0, 101) / 100.0 * exact->cost;
    const double known = exact->cost + *rc::gen::element(1e-6, 0.01, 1.0, 10.0);
    std::uint64_t work = 1u << 30;
    const ExactCheaper found = exactCheaper(
        job, work, least, [&] { return known; }, kNever);
    RC_ASSERT(found.laid.has_value());
    RC_ASSERT(std::abs(found.laid->cost - exact->cost) < 1e-9);
    double cost = 0.0;
    for (const CutSheet& sheet : found.laid->sheets)
      cost += problem.stocks[sheet.stock].cost * oftenOf(problem.stocks[sheet.stock], sheet);
    RC_ASSERT(std::abs(cost - exact->cost) < 1e-9);
    const ExactCheaper none = exactCheaper(
        job, work, least, [&] { return exact->cost; }, kNever);
    RC_ASSERT(!none.laid.has_value());
    RC_ASSERT(std::abs(none.bound - exact->cost) < 1e-8);
    RC_ASSERT(none.bound <= exact->cost);
    for (const double met : {exact->cost, exact->cost / 2})
      RC_ASSERT(!exactCheaper(
                     job, work, exact->cost, [met] { return met; }, kNever)
                     .laid.has_value());
  });
}

// No less than the pieces cost that much smaller ones lie beside, no more than all of it.
RC_GTEST_PROP(LargestAlone, costHardlyLessThanAllWhereTheRestIsSmall, ()) {
  CutProblem problem = anyProblem(*rc::gen::inRange(1, 4), 2, *rc::gen::inRange(1, 4));
  CutProblem withSmall = problem;
  for (int i = 0; i < 5; ++i)
    withSmall.pieces.push_back(pieceOf("small" + std::to_string(i), 1 + i, 2 + i, 1));
  std::vector<double> large;  // what each material's costs
  eachJob(problem, [&](const MaterialJob& job) {
    const auto exact = exactLayOut(job, kNever);
    large.push_back(exact ? exact->cost : 0.0);
  });
  eachJob(withSmall, [&](const MaterialJob& job) {
    const auto exact = exactLayOut(job, kNever);
    if (!exact || large.size() != 1) return;
    const auto bound = [&](double known) {
      std::uint64_t work = 1u << 30;
      return boundOfLargest(
          job, work, 0.0, [known] { return known; }, kNever);
    };
    RC_ASSERT(isAnyLarge(job));
    const double known = exact->cost + *rc::gen::element(0.0, 0.01, 1.0, 10.0);
    RC_ASSERT(bound(known) >= large[0] - 1e-8);
    RC_ASSERT(bound(known) <= exact->cost + 1e-8);
    RC_ASSERT(bound(exact->cost / 2) <= exact->cost / 2 + 1e-8);
  });
}

RC_GTEST_PROP(MostRoom, isThatOfEveryChoice, ()) {
  const CutProblem problem = anyProblem(1, 1, *rc::gen::inRange(1, 6));
  CutLayout told;
  for (const MaterialJob& job : materialJobs(problem, told)) {
    const double below = *rc::gen::inRange(0, 120) / 10.0;
    const double most = mostRoom(job, below);
    double chosen = 0.0, room = 0.0;
    for (std::size_t s = 0; s < job.stocks.size(); ++s) {
      const CutStock& stock = job.stock(s);
      const UsableSize usable = usableOf(stock);
      const int there = *rc::gen::inRange(0, std::min(3, stock.count.value_or(3)) + 1);
      if (stock.form == StockForm::Sheet) {
        chosen += there * stock.cost;
        room += there * double(usable.across) * double(usable.along);
      } else if (there > 0) {
        const auto along = *rc::gen::inRange<Micrometres>(stock.kerf + 1, usable.along);
        chosen += costOf(stock, along);
        room += double(usable.across) * double(along);
      }
    }
    if (chosen < below - 1e-6) RC_ASSERT(room <= most * (1 + 1e-12));
  }
}

// Every choice of sheets is tried; those that are told cost less and have room, none could be added
// to them, and no choice has more room than the first.
RC_GTEST_PROP(StockMixes, areThoseThatCostLessAndHaveRoom, ()) {
  CutProblem problem = anyProblem(*rc::gen::inRange(1, 3), 2, *rc::gen::inRange(1, 5));
  eachJob(problem, [&](const MaterialJob& job) {
    const double below = *rc::gen::inRange(1, 80) / 10.0;
    const double needed = *rc::gen::inRange(0, 15) * 1e11;
    const auto mixes = cheaperMixes(job, below, needed);
    const auto roomOf = [&](std::size_t s) {
      const UsableSize usable = usableOf(job.stock(s));
      return double(usable.across) * double(usable.along);
    };
    int pieces = 0;
    for (const int count : job.counts) pieces += count;
    const auto there = [&](std::size_t s) {
      if (job.stock(s).form == StockForm::Roll) return 0;
      return std::min(pieces, job.stock(s).count.value_or(pieces));
    };
    double most = -1.0;
    std::vector<int> often(job.stocks.size(), 0);
    const std::function<void(std::size_t, double, double)> choose = [&](std::size_t s, double cost,
                                                                        double room) {
      if (cost >= below - 1e-9) return;
      if (s == job.stocks.size()) {
        if (room >= needed) most = std::max(most, room);
        return;
      }
      for (int n = 0; n <= there(s); ++n)
        choose(s + 1, cost + n * job.stock(s).cost, room + n * roomOf(s));
    };
    choose(0, 0.0, 0.0);
    RC_ASSERT(mixes.empty() == (most < 0.0));
    for (const auto& mix : mixes) {
      double cost = 0.0, room = 0.0;
      for (const std::size_t s : mix) {
        cost += job.stock(s).cost;
        room += roomOf(s);
      }
      RC_ASSERT(cost < below && room >= needed);
      if (&mix == &mixes.front()) RC_ASSERT(std::abs(room - most) <= 1e-9 * most);
      for (std::size_t s = 0; s < job.stocks.size(); ++s) {
        const auto used = std::count(mix.begin(), mix.end(), s);
        RC_ASSERT(used <= there(s));
        RC_ASSERT(used == there(s) || cost + job.stock(s).cost >= below - 1e-8);
      }
    }
  });
}

RC_GTEST_PROP(SheetTakings, areAllThatFits, ()) {
  const CutProblem problem = onASheet(anyProblem(*rc::gen::inRange(1, 5), 3, 1));
  eachJob(problem, [&](const MaterialJob& job) {
    AllBoxes all(job);
    const CountIndex& index = all.index;
    const BoxFronts& fronts = all.fronts;
    const SheetTakings takings(job, 0, all.work, kNever);
    RC_ASSERT(takings.isWhole());
    std::vector<std::int32_t> worth;
    for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
      worth.push_back(*rc::gen::inRange(0, 100));
    double most = 0.0;
    for (std::size_t set = 1; set < index.size(); ++set) {
      if (fronts.of(set).empty()) continue;
      double sum = 0.0;
      for (std::size_t kind = 0; kind < index.kinds(); ++kind)
        sum += index.count(set, kind) * double(worth[kind]);
      most = std::max(most, sum);
    }
    Counts counts;
    RC_ASSERT(takings.best(worth, counts) == most);
    std::size_t set = 0;
    double sum = 0.0;
    for (std::size_t kind = 0; kind < index.kinds(); ++kind) {
      set += static_cast<std::size_t>(counts[kind]) * index.one(kind);
      sum += counts[kind] * double(worth[kind]);
    }
    RC_ASSERT(sum == most);
    RC_ASSERT(set == 0 || !fronts.of(set).empty());
  });
}

// A shelf as it is: a roll, and eight off-cuts beside it, which cost little or nothing.
TEST(LayOut, fewPiecesBesideManyOffCutsAreProven) {
  CutProblem problem;
  CutStock roll = sheetOf(1000, 20000);
  roll.form = StockForm::Roll;
  roll.count = 1;
  problem.stocks.push_back(roll);
  for (int i = 0; i < 8; ++i) {
    CutStock offCut = sheetOf(200 + 20 * i, 300 + 10 * i);
    offCut.id = "off-cut " + std::to_string(i);
    offCut.count = 1;
    offCut.cost = 0.001 * (i + 1);
    problem.stocks.push_back(offCut);
  }
  for (int i = 0; i < 11; ++i)
    problem.pieces.push_back(pieceOf("piece" + std::to_string(i), 150 + 12 * i, 250 + 9 * i, 1));
  for (const double weight : {1.0, 0.0}) {
    for (CutStock& stock : problem.stocks)
      if (stock.form == StockForm::Sheet) stock.cost *= weight;
    const CutLayout layout = laidOut(problem);
    ASSERT_EQ(layout.materials.size(), 1U);
    EXPECT_TRUE(layout.materials[0].isProven);
    EXPECT_TRUE(layout.unplaced.empty());
    EXPECT_LT(layout.materials[0].cost, 0.8);
  }
}

// Too many to try all: what costs nothing does not make the bound nothing either.
TEST(LayOut, whatCostsNothingIsReckonedWith) {
  CutProblem problem;
  problem.stocks.push_back(sheetOf(700, 1000));
  CutStock free = sheetOf(300, 420);
  free.id = "off-cut";
  free.count = 1;
  free.cost = 0;
  problem.stocks.push_back(free);
  for (int i = 0; i < 14; ++i)
    problem.pieces.push_back(pieceOf("board" + std::to_string(i), 150 + 7 * i, 200 + 5 * i, 2));
  const CutLayout layout = laidOut(problem);
  ASSERT_EQ(layout.materials.size(), 1U);
  EXPECT_TRUE(layout.materials[0].isProven);
  EXPECT_DOUBLE_EQ(layout.materials[0].cost, 2.0);
  EXPECT_DOUBLE_EQ(layout.materials[0].bound, 2.0);
}

}  // namespace
}  // namespace drapery
