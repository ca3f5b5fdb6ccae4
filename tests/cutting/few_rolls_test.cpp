// Rolls: no more of them are begun than are needed, and the shortest first.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <map>

#include "core/cutting/cut_rectangle.h"
#include "tests/support/cutting.h"
#include "tests/support/judge.h"

namespace drapery {
namespace {

using test::faultIn;
using test::kMm;
using test::laidOut;

CutStock rollOf(Micrometres across, Micrometres along) {
  CutStock stock = test::sheetOf(across, along);
  stock.form = StockForm::Roll;
  return stock;
}

// However many rolls of one kind there are, with pins or not: what would find room on one of them
// does not lie on two.
RC_GTEST_PROP(FewRolls, areBegun, ()) {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(1, 6), 6, 1);
  CutStock& stock = problem.stocks[0];
  stock.form = StockForm::Roll;
  stock.along = *rc::gen::inRange(600, 6000) * kMm;
  stock.count.reset();
  if (*rc::gen::arbitrary<bool>()) stock.count = *rc::gen::inRange(2, 5);
  CutLayout layout = laidOut(problem, 30);
  if (*rc::gen::arbitrary<bool>() && !layout.sheets.empty()) {
    const CutPlacement& at = layout.sheets[0].placements.front();
    problem.pins = {{at.piece, 0, 0, at.x, at.y, at.isTurned}};
    layout = laidOut(problem, 30);
  }
  RC_ASSERT(faultIn(problem, layout) == "");
  if (stock.kerf > stock.bottom) return;  // one cut less is a little saved
  const Micrometres most = stock.along - stock.top;
  std::vector<Micrometres> loose;  // ends, of rolls without pins
  for (const CutSheet& sheet : layout.sheets)
    if (!sheet.pinned) loose.push_back(lengthUsed(stock, sheet));
  for (std::size_t a = 0; a < loose.size(); ++a)
    for (std::size_t b = 0; b < a; ++b)
      RC_ASSERT(loose[a] + loose[b] + stock.kerf - stock.bottom > most);
}

// A roll that was begun is used up before another one is.
TEST(FewRolls, areTheShortest) {
  CutProblem problem;
  problem.stocks = {rollOf(1000, 40'000), rollOf(1000, 3'000), rollOf(1000, 1'000)};
  for (std::size_t s = 0; s < 3; ++s) {
    problem.stocks[s].id += std::to_string(s);
    problem.stocks[s].count = 1;
  }
  problem.pieces = {test::pieceOf("covering", 480, 290, 2)};
  const auto taken = [&](int count) {
    problem.pieces[0].count = count;
    const CutLayout layout = laidOut(problem, 60);
    EXPECT_EQ(faultIn(problem, layout), "");
    return layout.sheets.size() == 1 ? problem.stocks[layout.sheets[0].stock].along / kMm : 0;
  };
  EXPECT_EQ(taken(6), 1'000);
  EXPECT_EQ(taken(12), 3'000);
  EXPECT_EQ(taken(60), 40'000);
  problem.stocks[1].cost = 2;
  EXPECT_EQ(taken(12), 40'000) << "the short one is dearer";
}

}  // namespace
}  // namespace drapery
