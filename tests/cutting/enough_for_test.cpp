// How often what lies there is enough.
#include "core/cutting/enough_for.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "tests/support/cutting.h"

namespace drapery {
namespace {

using test::kMm;

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

TEST(EnoughFor, givesNothingOnceItIsCancelled) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(700, 1000)};
  problem.pieces = {test::pieceOf("board", 140, 216, 2)};
  EXPECT_TRUE(enoughFor(problem, [] { return true; }).empty());
}

RC_GTEST_PROP(EnoughFor, isNeverMoreThanThereIsRoomFor, ()) {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(1, 5), 4, 3);
  double room = 0.0, area = 0.0;
  for (CutStock& stock : problem.stocks) {
    if (!stock.count) stock.count = 3;
    room += *stock.count * roomOf(stock);
  }
  const double kerf = double(problem.stocks.front().kerf);
  for (const CutPiece& piece : problem.pieces)
    area += piece.count * (double(piece.width) + kerf) * (double(piece.height) + kerf);
  const auto found = enoughFor(problem);
  RC_ASSERT(found.size() == 1U);
  RC_ASSERT(found[0].times * area <= room * (1 + 1e-9));
}

}  // namespace
}  // namespace drapery
