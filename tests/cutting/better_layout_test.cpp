// Of two lay-outs the best of each material, whichever of them it is in.
#include "core/cutting/better_layout.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "tests/support/cutting.h"
#include "tests/support/judge.h"

namespace drapery {
namespace {

/// Two materials, of each some sheets and pieces.
CutProblem anyOfTwo() {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(2, 7), 5, 4);
  for (std::size_t s = 0; s < problem.stocks.size(); ++s)
    problem.stocks[s].material = s % 2 == 0 ? "board" : "cloth";
  for (std::size_t p = 0; p < problem.pieces.size(); ++p)
    problem.pieces[p].material = p % 2 == 0 ? "board" : "cloth";
  return problem;
}

CutLayout laid(const CutProblem& problem, std::uint64_t steps, std::uint64_t seed) {
  LayOutLimits limits;
  limits.steps = steps;
  limits.seed = seed;
  return layOut(problem, limits);
}

RC_GTEST_PROP(BetterLayout, isNoWorseThanEitherAndSound, ()) {
  const CutProblem problem = anyOfTwo();
  const auto anySteps = [] { return *rc::gen::inRange<std::uint64_t>(0, 4); };
  const auto seed = *rc::gen::inRange<std::uint64_t>(1, 1000);
  const CutLayout before = laid(problem, anySteps(), seed),
                  after = laid(problem, anySteps(), seed + 1);
  const CutLayout best = betterOfEach(problem, before, after);
  RC_ASSERT(test::faultIn(problem, best) == "");
  RC_ASSERT(best.materials.size() == after.materials.size());
  for (std::size_t m = 0; m < best.materials.size(); ++m) {
    const MaterialCost &a = before.materials[m], &b = after.materials[m], &of = best.materials[m];
    if (a.isWhole && b.isWhole) RC_ASSERT(of.cost == std::min(a.cost, b.cost));
    RC_ASSERT(of.isWhole == (a.isWhole || b.isWhole));
    RC_ASSERT(of.bound == std::max(a.bound, b.bound));
    RC_ASSERT(of.isProven == (of.isWhole && of.cost <= of.bound + 1e-9));
  }
}

CutSheet oneOf(std::size_t stock) {
  CutSheet sheet;
  sheet.stock = stock;
  return sheet;
}

// Board cost less before, cloth does now; of paper as much, but a bound was found.
TEST(BetterLayout, takesEachMaterialWhereItCostsLeast) {
  CutProblem problem;
  for (const char* material : {"board", "cloth", "paper"}) {
    problem.stocks.push_back(test::sheetOf(700, 1000));
    problem.stocks.back().material = material;
  }
  CutLayout before, now;
  before.sheets = {oneOf(0), oneOf(1), oneOf(1), oneOf(2)};
  before.materials = {{"board", 1, 0.5}, {"cloth", 2, 0.5}, {"paper", 1, 0.2}};
  now.sheets = {oneOf(0), oneOf(0), oneOf(1), oneOf(2)};
  now.materials = {{"board", 2, 0.7}, {"cloth", 1, 0.4}, {"paper", 1, 1.0, true}};
  const CutLayout best = betterOfEach(problem, before, now);
  ASSERT_EQ(best.sheets.size(), 3U);
  for (std::size_t i = 0; i < 3; ++i) EXPECT_EQ(best.sheets[i].stock, i);
  EXPECT_EQ(best.materials[0].cost, 1);
  EXPECT_EQ(best.materials[0].bound, 0.7) << "the better bound holds for both";
  EXPECT_EQ(best.materials[1].cost, 1);
  EXPECT_EQ(best.materials[1].bound, 0.5);
  EXPECT_TRUE(best.materials[2].isProven);
  EXPECT_FALSE(best.materials[0].isProven);
}

// Whatever costs less: what leaves a piece nowhere is worse.
TEST(BetterLayout, whatLeavesFewerNowhereIsBetter) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(700, 1000)};
  problem.pieces = {test::pieceOf("a", 600, 900, 2)};
  CutLayout before, now;
  before.sheets = {oneOf(0), oneOf(0)};
  before.materials = {{"board", 2, 2, true, true}};
  now.sheets = {oneOf(0)};
  now.unplaced = {{0, 1}};
  now.materials = {{"board", 1, 1, false, false}};
  EXPECT_EQ(betterOfEach(problem, before, now).sheets.size(), 2U);
  EXPECT_TRUE(betterOfEach(problem, before, now).unplaced.empty());
  EXPECT_EQ(betterOfEach(problem, now, before).sheets.size(), 2U);
  EXPECT_EQ(betterOfEach(problem, {}, now).unplaced.size(), 1U);
}

}  // namespace
}  // namespace drapery
