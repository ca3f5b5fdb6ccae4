// Cuts in the order in which they are made.
#include <gtest/gtest.h>

#include <set>

#include "core/cutting/cut_order.h"
#include "core/cutting/lay_out.h"

namespace drapery {
namespace {

constexpr Micrometres kMm = 1000;

CutProblem boards(int count) {
  CutProblem problem;
  CutStock stock;
  stock.id = "sheet";
  stock.material = "board";
  stock.across = 700 * kMm;
  stock.along = 1000 * kMm;
  stock.left = stock.bottom = 2 * kMm;
  problem.stocks = {stock};
  problem.pieces = {
      {"board", "board", 140 * kMm, 216 * kMm, count, PieceGrain::Height, 0.0},
      {"stiffener", "board", 23 * kMm, 216 * kMm, count / 2, PieceGrain::Height, 0.0}};
  return problem;
}

CutLayout laidOut(const CutProblem& problem) {
  LayOutLimits limits;
  limits.steps = 100;
  return layOut(problem, limits);
}

// Every cut of the tree once, each after the one that its rectangle comes from.
TEST(CutOrder, makesEachCutAfterTheOneThatFreesItsRectangle) {
  for (const int count : {2, 6, 24}) {
    const CutProblem problem = boards(count);
    const CutLayout layout = laidOut(problem);
    std::set<std::pair<std::size_t, int>> made;
    std::size_t trims = 0, cuts = 0;
    for (const GaugeStep& step : cutOrder(problem, layout, "board")) {
      EXPECT_GT(step.reading, 0);
      EXPECT_FALSE(step.cuts.empty());
      for (const OrderedCut& cut : step.cuts) {
        ++cuts;
        if (cut.node < 0) {
          ++trims;
          continue;
        }
        const CutSheet& sheet = layout.sheets[cut.sheet];
        for (std::size_t n = 0; n < sheet.cuts.size(); ++n) {
          const CutNode& node = sheet.cuts[n];
          const bool isCut =
              node.kind == CutNode::Kind::CutAcross || node.kind == CutNode::Kind::CutAlong;
          const bool isBefore = isCut && (node.low == cut.node || node.high == cut.node);
          EXPECT_TRUE(!isBefore || made.contains({cut.sheet, static_cast<int>(n)}));
        }
        EXPECT_TRUE(made.insert({cut.sheet, cut.node}).second);
      }
    }
    std::size_t wanted = 0;
    for (const CutSheet& sheet : layout.sheets)
      for (const CutNode& node : sheet.cuts)
        if (node.kind == CutNode::Kind::CutAcross || node.kind == CutNode::Kind::CutAlong) ++wanted;
    EXPECT_EQ(cuts - trims, wanted);
    EXPECT_EQ(trims, 2 * layout.sheets.size());
  }
}

// Equal cuts are made at one setting: two for the edges, one for the rows, one for each width; and
// what the rows are cut out of.
TEST(CutOrder, setsTheGaugeSeldom) {
  const CutProblem problem = boards(16);
  const CutLayout layout = laidOut(problem);
  EXPECT_LE(cutOrder(problem, layout, "board").size(), 7U);
  EXPECT_TRUE(cutOrder(problem, layout, "cloth").empty());
}

}  // namespace
}  // namespace drapery
