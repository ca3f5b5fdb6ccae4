// A roll beside which few sheets lie: they are filled first, whatever is asked for first, and
// nothing is lost between them.
#include "core/cutting/roll_alone.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/cutting/sheet_filling.h"
#include "tests/support/cutting.h"
#include "tests/support/judge.h"

namespace drapery {
namespace {

using test::jobOf;
using test::kMm;
using test::pieceOf;
using test::rollAndOffCuts;

const std::function<bool()> kNever = [] { return false; };

TEST(RollAlone, isLookedForBesideFewSheetsOnly) {
  CutProblem problem = rollAndOffCuts(2);
  problem.pieces = {pieceOf("side", 150, 200, 200)};
  const auto roll = [](const CutProblem& of) { return rollBesideFew(jobOf(of)); };
  EXPECT_EQ(roll(problem), 0U);
  EXPECT_FALSE(roll(rollAndOffCuts(2)).has_value()) << "nothing is wanted";
  problem.pieces[0].count = 199;
  EXPECT_FALSE(roll(problem).has_value()) << "there are few pieces";
  problem.pieces[0].count = 200;
  problem.stocks[1].count = 50;
  EXPECT_FALSE(roll(problem).has_value()) << "the sheets hold all of it";
  problem.pieces.push_back(pieceOf("strip", 1100, 50, 1));
  problem.stocks[1].across = 1200 * kMm;
  problem.stocks[1].count = 1;
  EXPECT_FALSE(roll(problem).has_value()) << "not all of it goes on the roll";
  problem.pieces.pop_back();
  EXPECT_EQ(roll(problem), 0U);
  problem.stocks[1].count.reset();
  EXPECT_FALSE(roll(problem).has_value()) << "there is no end of sheets";
  problem.stocks.pop_back();
  EXPECT_FALSE(roll(problem).has_value()) << "there is nothing beside it";
  problem.stocks.push_back(problem.stocks[0]);
  problem.stocks[1].id = "other roll";
  EXPECT_FALSE(roll(problem).has_value()) << "there are two";
}

// The first piece is larger than they are.
TEST(RollAlone, sheetsThatCostLessAreTakenWhateverIsAskedForFirst) {
  CutProblem problem = rollAndOffCuts(2);
  problem.pieces = {pieceOf("covering", 480, 410, 40), pieceOf("side", 150, 200, 60)};
  const MaterialJob job = jobOf(problem);
  std::mt19937_64 chance(1);
  SheetFilling filling(job, chance, kNever);
  using Kinds = std::vector<std::size_t>;
  EXPECT_EQ(filling.stockFor({0, 1}, Kinds{0, 1}), 1U);
  EXPECT_EQ(filling.stockFor({0, 2}, Kinds{0, 1}), 0U) << "they are gone";
  EXPECT_EQ(filling.stockFor({0, 0}, Kinds{0}), 0U) << "it does not fit";
  std::vector<Bin> bins;
  std::vector<int> used{0, 0};
  std::vector<std::size_t> loose = piecesOf(job.counts);
  filling.fillCheaper(0, bins, used, loose);
  EXPECT_EQ(used, (std::vector<int>{0, 2}));
  EXPECT_EQ(countsOf(loose, 2), (Counts{40, 52})) << "four to a sheet, and no other";
}

RC_GTEST_PROP(RollAlone, losesNothingBesideItsSheets, ()) {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(2, 7), 30, 3);
  for (CutStock& stock : problem.stocks) {
    stock.form = StockForm::Sheet;
    stock.count = *rc::gen::inRange(0, 3);
  }
  const std::size_t roll = *rc::gen::inRange<std::size_t>(0, 3);
  problem.stocks[roll].form = StockForm::Roll;
  problem.stocks[roll].along = *rc::gen::inRange(2'000, 20'000) * kMm;
  problem.stocks[roll].count = *rc::gen::inRange(1, 3);
  CutLayout told;
  const std::vector<MaterialJob> jobs = materialJobs(problem, told);
  RC_PRE(!jobs.empty() && !jobs.front().kinds.empty());
  const MaterialJob& job = jobs.front();
  RC_PRE(job.stocks.size() == 3);
  std::mt19937_64 chance(*rc::gen::arbitrary<std::uint64_t>());
  LaidInPart laid{{}, std::vector<int>(3, 0), {}};
  std::vector<std::size_t> loose = piecesOf(job.counts);
  std::vector<std::size_t> sheets;
  for (std::size_t s = 0; s < 3; ++s)
    if (s != roll) sheets.push_back(s);
  SheetFilling(job, chance, kNever).fill(sheets, {.fills = 5}, laid.bins, laid.used, loose);
  Counts wanted(job.kinds.size(), 0);
  for (const std::size_t kind : loose)
    if (!job.sizes[roll][kind].empty()) ++wanted[kind];
  MaterialJob alone = onStockAlone(job, roll);
  alone.counts = wanted;
  PatternDive down(alone, findPatterns(alone, 0.0, 1e9, 0.002, kNever), 0.05, &chance, kNever);
  for (int i = *rc::gen::inRange(0, 4); i > 0; --i) down.step();
  LaidInPart onRoll = down.laid();
  joinRolls(alone, onRoll);
  const std::size_t besides = laid.bins.size();
  laid = withStock(std::move(laid), std::move(onRoll), roll);
  Counts held(job.kinds.size(), 0);
  std::vector<int> used(3, 0);
  for (std::size_t b = 0; b < laid.bins.size(); ++b) {
    RC_ASSERT((laid.bins[b].stock == roll) == (b >= besides));
    ++used[laid.bins[b].stock];
    if (b < besides) continue;
    for (const std::size_t kind : laid.bins[b].holds) ++held[kind];
  }
  RC_ASSERT(used == laid.used);
  for (std::size_t kind = 0; kind < held.size(); ++kind)
    RC_ASSERT(held[kind] + laid.wanted[kind] == wanted[kind]);
}

// Some hundred pieces of few kinds, so that they are begun by the roll's own patterns.
TEST(RollAlone, allIsLaidThatIsWanted) {
  for (std::uint64_t seed = 1; seed <= 5; ++seed) {
    std::mt19937_64 chance(seed);
    const auto from = [&](int least, int most) {
      return std::uniform_int_distribution<int>(least, most)(chance);
    };
    CutProblem problem = rollAndOffCuts(from(1, 4));
    const int kinds = from(3, 6);
    for (int k = 0; k < kinds; ++k)
      problem.pieces.push_back(pieceOf("piece" + std::to_string(k), from(60, 300), from(60, 400),
                                       1 + 200 / kinds, static_cast<PieceGrain>(from(0, 2))));
    problem.stocks[0].kerf = from(0, 2) * kMm;
    problem.stocks[0].bottom = from(0, 8) * kMm;
    const CutLayout layout = test::laidOut(problem, 3, seed);
    EXPECT_EQ(test::faultIn(problem, layout), "") << seed;
    EXPECT_TRUE(layout.materials[0].isWhole) << seed;
    EXPECT_LE(layout.materials[0].bound, layout.materials[0].cost) << seed;
  }
}

}  // namespace
}  // namespace drapery
