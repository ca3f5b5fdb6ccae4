// How often what lies there is enough.
#include "core/cutting/enough_for.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>

#include "tests/support/cutting.h"

namespace drapery {
namespace {

// By hand: pieces that may not be turned lie in rows on a sheet, so many across, so many along.
TEST(EnoughFor, agreesWithASumForOnePiece) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(700, 1000)};
  problem.stocks[0].count = 7;
  problem.pieces = {test::pieceOf("board", 140, 216, 2)};
  const auto found = enoughFor(problem);
  ASSERT_EQ(found.size(), 1U);
  EXPECT_EQ(found[0].material, "board");
  EXPECT_EQ(found[0].times, 7 * 5 * 4 / 2);
  EXPECT_FALSE(found[0].isMore);
}

TEST(EnoughFor, tellsWhatRunsOutFirst) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(700, 1000), test::sheetOf(1000, 5000), test::sheetOf(600, 400)};
  problem.stocks[1].id = "roll";
  problem.stocks[1].material = "cloth";
  problem.stocks[1].form = StockForm::Roll;
  problem.stocks[1].count = 1;
  problem.stocks[2].id = "paper";
  problem.stocks[2].material = "paper";
  problem.stocks[2].count = 0;
  problem.pieces = {test::pieceOf("board", 140, 216, 2), test::pieceOf("covering", 330, 250, 1),
                    test::pieceOf("endpaper", 280, 210, 2)};
  problem.pieces[1].material = "cloth";
  problem.pieces[2].material = "paper";
  const auto found = enoughFor(problem);
  ASSERT_EQ(found.size(), 3U);
  EXPECT_EQ(found[0].material, "paper");  // there is none
  EXPECT_EQ(found[0].times, 0);
  EXPECT_EQ(found[1].material, "cloth");
  EXPECT_EQ(found[1].times, 3 * 20);  // a metre across, five along
  EXPECT_EQ(found[2].material, "board");
  EXPECT_TRUE(found[2].isMore);  // as many as are wanted
}

// Of many pieces fewer copies are asked for: no more is told of what has few of them.
TEST(EnoughFor, tellsNoMoreThanIsKnownOfEachMaterial) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(700, 1000), test::sheetOf(600, 400)};
  problem.stocks[0].count = 15;  // for 300
  problem.stocks[1].id = "paper";
  problem.stocks[1].material = "paper";
  problem.pieces = {test::pieceOf("board", 140, 216, 1), test::pieceOf("leaf", 100, 100, 40)};
  problem.pieces[1].material = "paper";
  const auto found = enoughFor(problem);
  ASSERT_EQ(found.size(), 2U);
  for (const EnoughFor& each : found) {
    EXPECT_EQ(each.times, 250) << each.material;
    EXPECT_TRUE(each.isMore) << each.material;
  }
}

TEST(EnoughFor, givesNothingOnceItIsCancelled) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(700, 1000)};
  problem.pieces = {test::pieceOf("board", 140, 216, 2)};
  EXPECT_TRUE(enoughFor(problem, [] { return true; }).empty());
}

RC_GTEST_PROP(EnoughFor, isNeverMoreThanThereIsRoomFor, ()) {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(1, 5), 4, 3);
  double room = 0.0, area = 0.0;
  Micrometres least = problem.stocks.front().kerf;
  for (CutStock& stock : problem.stocks) {
    if (!stock.count) stock.count = 3;
    room += *stock.count * roomOf(stock);
    least = std::min(least, stock.kerf);
  }
  const auto kerf = double(least);
  for (const CutPiece& piece : problem.pieces)
    area += piece.count * (double(piece.width) + kerf) * (double(piece.height) + kerf);
  const auto found = enoughFor(problem);
  RC_ASSERT(found.size() == 1U);
  RC_ASSERT(found[0].times * area <= room * (1 + 1e-9));
}

RC_GTEST_PROP(EnoughFor, ofAPieceThatIsNotTurnedASheetGivesRowsOfThem, ()) {
  const auto mm = [](int least, int most) { return *rc::gen::inRange(least, most); };
  CutProblem problem;
  problem.stocks = {test::sheetOf(mm(300, 1000), mm(300, 1000))};
  problem.pieces = {test::pieceOf("piece", mm(60, 700), mm(60, 700), 3)};
  problem.stocks[0].kerf = Micrometres{100} * mm(0, 30);
  problem.stocks[0].left = test::kMm * mm(0, 9);
  const CutStock& stock = problem.stocks[0];
  const CutPiece& piece = problem.pieces[0];
  const Micrometres across = (stock.across - stock.left + stock.kerf) / (piece.width + stock.kerf);
  const Micrometres along = (stock.along + stock.kerf) / (piece.height + stock.kerf);
  const int yield = yieldOf(problem, 0, 0);
  RC_ASSERT(yield == across * along);
  problem.stocks[0].count = 1;
  problem.pieces[0].count = yield;
  if (yield > 0) RC_ASSERT(test::laidOut(problem, 1).unplaced.empty());
  problem.pieces[0].grain = PieceGrain::Free;
  RC_ASSERT(yieldOf(problem, 0, 0) >= yield);
}

}  // namespace
}  // namespace drapery
