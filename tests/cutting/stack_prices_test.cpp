// What lies end to end along a roll, and the takings that are left once too much of it is lost.
#include "core/cutting/stack_prices.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <random>

#include "core/cutting/exact_cheaper.h"
#include "core/cutting/found_takings.h"
#include "core/cutting/stack_bound.h"
#include "core/cutting/stock_prices.h"
#include "tests/support/cutting.h"

namespace drapery {
namespace {

const std::function<bool()> kNever = [] { return false; };
constexpr double kSame = 1e-9;

MaterialJob anyOnARoll(CutProblem& problem, int kinds) {
  problem =
      test::anyThatFits(test::anyProblem(*rc::gen::inRange(1, kinds + 1), 3, 1), StockForm::Roll);
  return test::jobOf(problem);
}

RC_GTEST_PROP(StackPrices, areAboveNothingThatLiesEndToEnd, ()) {
  CutProblem problem;
  const MaterialJob job = anyOnARoll(problem, 6);
  const Micrometres along = *rc::gen::inRange<Micrometres>(10'000, 3'000'000);
  const auto prices = stackPrices(job, along, kNever);
  RC_PRE(prices.has_value());
  Micrometres reach = 0;
  Worths worths{};
  for (int i = 0; i < 20; ++i) {
    const std::size_t kind = *rc::gen::inRange<std::size_t>(0, job.kinds.size());
    const LyingSize way = *rc::gen::elementOf(job.sizes[0][kind]);
    if (reach + way.along > along) break;
    reach += way.along;
    for (std::size_t at = 0; at < worths.size(); ++at) {
      worths[at] += prices->kinds[kind][at] / double(way.across);
      RC_ASSERT(worths[at] <= prices->stocks[0].along.of(reach)[at] * (1 + kSame));
    }
  }
}

// In any row of pieces, along each stock and across it.
RC_GTEST_PROP(StockPrices, areAboveNothingThatLiesInARow, ()) {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(1, 6), 3, *rc::gen::inRange(1, 4));
  for (CutStock& stock : problem.stocks)
    if (stock.form == StockForm::Roll) stock.count = 1;
  CutLayout told;
  for (const MaterialJob& job : materialJobs(problem, told)) {
    if (job.kinds.empty() || rollsOf(job) > 1) continue;
    std::vector<Micrometres> alongs;
    for (std::size_t s = 0; s < job.stocks.size(); ++s)
      alongs.push_back(usableOf(job.stock(s)).along * *rc::gen::inRange(50, 101) / 100);
    const auto prices = stockPrices(job, alongs, 10.0, kNever);
    if (!prices) continue;
    for (std::size_t s = 0; s < job.stocks.size(); ++s)
      for (const bool isAcross : {false, true}) {
        const Micrometres room = isAcross ? usableOf(job.stock(s)).across : alongs[s];
        const SliceTable& table = isAcross ? prices->stocks[s].across : prices->stocks[s].along;
        Micrometres reach = 0;
        Worths worths{};
        for (int i = 0; i < 20; ++i) {
          const std::size_t kind = *rc::gen::inRange<std::size_t>(0, job.kinds.size());
          if (job.sizes[s][kind].empty()) continue;
          const LyingSize way = *rc::gen::elementOf(job.sizes[s][kind]);
          reach += isAcross ? way.across : way.along;
          if (reach > room) break;
          for (std::size_t at = 0; at < kPrices; ++at) {
            worths[at] += prices->kinds[kind][at] / double(isAcross ? way.along : way.across);
            const double most = table.of(reach)[at];
            RC_ASSERT(worths[at] <= most * (1 + kSame) ||
                      isAcross == (at < kPrices - kPricesAcross));
          }
        }
      }
  }
}

RC_GTEST_PROP(StackBound, isNoMoreThanTheLeastCost, ()) {
  CutProblem problem;
  const MaterialJob job = anyOnARoll(problem, 5);
  const auto exact = exactLayOut(job, kNever);
  RC_PRE(exact.has_value());
  const double known = exact->cost * *rc::gen::element(1.0, 1.1, 2.0);
  RC_ASSERT(stackBound(job, 0.0, known, kNever) <= exact->cost + kSame);
}

// No more than three are side by side, so three lie end to end; and what is long lies somewhere.
TEST(StackBound, saysWhatDoesNotLieEndToEnd) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(100, 10'000)};
  problem.stocks[0].form = StockForm::Roll;
  problem.stocks[0].count = 1;
  problem.pieces = {test::pieceOf("piece", 30, 60, 9)};
  EXPECT_NEAR(stackBound(test::jobOf(problem), 0.1, 0.3, kNever), 0.18, 2e-4);
  problem.pieces.push_back(test::pieceOf("long", 10, 250, 1));
  EXPECT_NEAR(stackBound(test::jobOf(problem), 0.1, 0.3, kNever), 0.25, 2e-4);
}

using Lost = std::array<double, LostParts::kThings>;

Lost anyLost(std::mt19937_64& random) {
  Lost lost{};
  for (double& part : lost) part = double(random() % 130) / 100 * (random() % 4 == 0 ? 1.0 : 0.5);
  return lost;
}

// What goes with it is never left out; what is lost too much by more than rounding is.
RC_GTEST_PROP(LostParts, areWithinAllTogether, ()) {
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  const Lost a = anyLost(random), b = anyLost(random), c = anyLost(random);
  double most = 0.0, mostOfLeast = 0.0;
  for (std::size_t i = 0; i < a.size(); ++i) {
    most = std::max({most, a[i] + b[i], a[i], b[i]});
    mostOfLeast = std::max({mostOfLeast, std::min(a[i], c[i]) + b[i]});
  }
  const bool isThere = isWithin(LostParts(a), LostParts(b));
  RC_ASSERT(isThere || most > 1.0);
  RC_ASSERT(!isThere || most < 1.03);
  RC_ASSERT(isWithin(leastOf(LostParts(a), LostParts(c)), LostParts(b)) || mostOfLeast > 1.0);
  RC_ASSERT(!isWithin(LostParts::most(), {}));
  if (isThere) RC_ASSERT(isWithin(LostParts(a) + LostParts(b), {}));
}

RC_GTEST_PROP(FoundTakings, areAllThatGoWithAnother, ()) {
  Counts wanted;
  for (int kinds = *rc::gen::inRange(1, 9); kinds > 0; --kinds)
    wanted.push_back(*rc::gen::inRange(0, 4));
  const CountIndex index(wanted);
  FoundTakings found(index);
  std::vector<LostParts> lost;
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  for (std::size_t set = 1; set < index.size(); ++set) {
    if (random() % 3 == 0) continue;
    lost.emplace_back(anyLost(random));
    found.add(set, lost.back());
  }
  const std::size_t with = *rc::gen::inRange<std::size_t>(0, index.size());
  const LostParts most(anyLost(random));
  std::vector<std::uint32_t> all, told;
  for (std::uint32_t i = 0; i < found.size(); ++i) {
    bool isThere = isWithin(lost[i], most);
    for (std::size_t kind = 0; kind < wanted.size(); ++kind)
      isThere =
          isThere && index.count(found.set(i), kind) + index.count(with, kind) <= wanted[kind];
    if (isThere) all.push_back(i);
  }
  found.besides(with, most, told);
  RC_ASSERT(told == all);
}

// Many enough that prices are asked for; tried without them too.
TEST(StackPrices, leaveTheShortestOfFiveHalfBoundBooks) {
  const CutProblem problem = test::halfBoundOnARoll({{109.5, 242, 82},
                                                     {230.5, 283, 90.5},
                                                     {286.5, 199, 76},
                                                     {302.5, 256, 86},
                                                     {137.5, 319, 100}});
  const MaterialJob job = test::jobOf(problem);
  const auto exact = exactLayOut(job, kNever);
  ASSERT_TRUE(exact.has_value());
  std::uint64_t work = 1'000'000'000;
  const ExactCheaper found = exactCheaper(
      job, work, 0.1, [&] { return 1.5 * exact->cost; }, kNever);
  ASSERT_TRUE(found.laid.has_value());
  EXPECT_NEAR(found.laid->cost, exact->cost, kSame);
  const ExactCheaper none = exactCheaper(
      job, work, 0.1, [&] { return exact->cost; }, kNever);
  EXPECT_FALSE(none.laid.has_value());
  EXPECT_NEAR(none.bound, exact->cost, kSame);
}

// Their areas would fill 411 mm; the shortest that there is was found by trying all that is left.
TEST(StackPrices, letAllOfSevenHalfBoundBooksBeTried) {
  const CutProblem problem = test::halfBoundOnARoll({{131.5, 203, 82.5},
                                                     {135, 344, 110.5},
                                                     {184.5, 371, 126},
                                                     {110, 241, 89.5},
                                                     {149, 334, 116.5},
                                                     {79, 168, 71.5},
                                                     {124, 260, 95}});
  const MaterialJob job = test::jobOf(problem);
  ASSERT_TRUE(canTryCheaper(job, job.counts));
  std::uint64_t work = 1'000'000'000;
  const ExactCheaper found = exactCheaper(
      job, work, 0.429, [&] { return 0.4445; }, kNever);
  ASSERT_TRUE(found.laid.has_value());
  EXPECT_NEAR(found.laid->cost, 0.4425, kSame);
  EXPECT_GT(work, 900'000'000);
}

}  // namespace
}  // namespace drapery
