// A length of a roll and off-cuts beside it that cost less than a lay-out: what is chosen has the
// room, and each time that all lies there it costs less.
#include "core/cutting/roll_mix.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/cutting/cheaper_sheets.h"
#include "core/cutting/exact_lay_out.h"
#include "tests/support/cutting.h"
#include "tests/support/judge.h"

namespace drapery {
namespace {

const std::function<bool()> kNever = [] { return false; };

/// A roll, on which all fits, and up to three stocks of sheets.
CutProblem anyRollAndSheets() {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(2, 8), 4, *rc::gen::inRange(1, 5));
  for (CutStock& stock : problem.stocks) stock.form = StockForm::Sheet;
  return test::anyThatFits(std::move(problem), StockForm::Roll);
}

std::vector<Bin> onTheRoll(const MaterialJob& job) { return {binOf(job, 0, test::eachAlone(job))}; }

double costOfAll(const MaterialJob& job, const std::vector<Bin>& bins) {
  double cost = 0.0;
  for (const Bin& bin : bins) cost += costOf(job.stock(bin.stock), bin.end);
  return cost;
}

RC_GTEST_PROP(RollMix, costsLessAndHasTheRoom, ()) {
  const CutProblem problem = anyRollAndSheets();
  const MaterialJob job = test::jobOf(problem);
  const std::vector<Bin> bins = onTheRoll(job);
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  RC_ASSERT(rollOfFew(job) == std::optional<std::size_t>(0));
  const auto mix = cheaperRollMix(job, 0, bins, random);
  RC_PRE(mix.has_value());
  double cost = 0.0;
  for (std::size_t s = 1; s < job.stocks.size(); ++s) {
    RC_ASSERT(mix->counts[s] >= 0);
    if (job.stock(s).count) RC_ASSERT(mix->counts[s] <= *job.stock(s).count);
    cost += mix->counts[s] * job.stock(s).cost;
  }
  RC_ASSERT((mix->along > 0) == (mix->counts[0] == 1));
  const CutStock& roll = job.stock(0);
  if (mix->along > 0) cost += roll.cost * double(roll.bottom + mix->along) / 1e6;
  RC_ASSERT(std::abs(mix->cost - cost) <= 1e-9 * cost);
  RC_ASSERT(cost < costOfAll(job, bins));
  RC_ASSERT(mix->room >= areaOf(job, job.counts));
}

// Until all of it costs what is hard to better.
RC_GTEST_PROP(CheaperSheets, withARollCostLessEachTimeAndLoseNothing, ()) {
  const CutProblem problem = anyRollAndSheets();
  const MaterialJob job = test::jobOf(problem);
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  CheaperSheets search(job, random, kNever);
  RC_ASSERT(search.isApt() && search.isWithRoll());
  std::vector<Bin> bins = onTheRoll(job);
  int found = 0;
  for (int i = 0; i < 6 && search.begin(bins, nullptr, 0.1); ++i) {
    const double before = costOfAll(job, bins);
    while (search.isAtIt()) {
      auto laid = search.step(before);
      if (!laid) continue;
      bins = std::move(*laid);
      ++found;
      RC_ASSERT(costOfAll(job, bins) < before);
      Counts held(job.kinds.size(), 0);
      CutLayout layout;
      for (const Bin& bin : bins) {
        for (const std::size_t kind : bin.holds) ++held[kind];
        layout.sheets.push_back(sheetOf(job, bin));
      }
      RC_ASSERT(held == job.counts);
      RC_ASSERT(test::faultIn(problem, layout) == "");
    }
  }
  RC_TAG(found > 0 ? "cheaper" : "none");
}

// Two of 500 mm fit side by side, and the off-cut takes the third: 200 mm less of the roll.
TEST(RollMix, anOffCutTakesThePlaceOfSomeOfTheRoll) {
  CutProblem problem = test::rollAndOffCuts(1);
  problem.stocks[1].across = 500 * test::kMm;
  problem.stocks[1].along = 200 * test::kMm;
  problem.stocks[1].cost = 0.001;
  problem.pieces = {test::pieceOf("side", 500, 200, 3)};
  const MaterialJob job = test::jobOf(problem);
  std::mt19937_64 random(1);
  CheaperSheets search(job, random, kNever);
  std::vector<Bin> bins = onTheRoll(job);
  for (int i = 0; i < 200 && search.begin(bins, nullptr, 0.1); ++i)
    while (search.isAtIt())
      if (auto laid = search.step(costOfAll(job, bins))) bins = std::move(*laid);
  EXPECT_NEAR(costOfAll(job, bins), 0.2 + 0.001, 0.02);
}

TEST(RollMix, isNotForMany) {
  CutProblem problem = test::rollAndOffCuts(1);
  problem.pieces = {test::pieceOf("side", 250, 200, 61)};
  EXPECT_FALSE(rollOfFew(test::jobOf(problem)).has_value());
  problem.pieces[0].count = 60;
  EXPECT_TRUE(rollOfFew(test::jobOf(problem)).has_value());
  problem.stocks[0].cost = 0;
  EXPECT_FALSE(rollOfFew(test::jobOf(problem)).has_value());
}

}  // namespace
}  // namespace drapery
