// A roll as boxes within boxes, some of them opened and joined anew.
#include "core/cutting/roll_boxes.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <array>
#include <cmath>

#include "core/cutting/exact_lay_out.h"
#include "tests/support/cutting.h"
#include "tests/support/judge.h"

namespace drapery {
namespace {

const std::function<bool()> kNever = [] { return false; };

/// All of it fits one roll.
CutProblem anyOnARoll(int kinds, int most) {
  CutProblem problem = test::anyProblem(kinds, most, 1);
  CutStock& roll = problem.stocks[0];
  roll.form = StockForm::Roll;
  roll.count = 1;
  roll.along = 40'000 * test::kMm;
  std::erase_if(problem.pieces,
                [&](const CutPiece& piece) { return lyingSizes(roll, piece).empty(); });
  RC_PRE(!problem.pieces.empty());
  return problem;
}

/// Each piece across the roll by itself.
std::vector<Slab> eachAlone(const MaterialJob& job) {
  std::vector<Slab> slabs;
  for (const std::size_t kind : piecesOf(job.counts)) slabs.push_back(aloneSlab(job, kind));
  return slabs;
}

RC_GTEST_PROP(RollBoxes, growShorterAndLoseNothing, ()) {
  const CutProblem problem = anyOnARoll(*rc::gen::inRange(1, 9), 4);
  const MaterialJob job = test::jobOf(problem);
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  const std::vector<Slab> slabs = eachAlone(job);
  RollBoxes boxes(job, random, kNever);
  boxes.begin(binOf(job, 0, slabs).parts);
  RC_ASSERT(boxes.along() == alongOf(slabs));
  for (int i = 0; i < 30; ++i) {
    const Micrometres before = boxes.along();
    boxes.step();
    RC_ASSERT(boxes.along() <= before);
  }
  const Bin roll = binOf(job, 0, boxes.shortest());
  RC_ASSERT(roll.end == boxes.along());
  RC_ASSERT(heldIn(job, roll) == job.counts);
  RC_ASSERT(test::faultIn(problem, {{sheetOf(job, roll)}, {}, {}, {}}) == "");
}

// Where all of it can be opened at once nothing is shorter than what comes of it.
RC_GTEST_PROP(RollBoxes, fewAreAsShortAsTheyCanBe, ()) {
  const CutProblem problem = anyOnARoll(*rc::gen::inRange(1, 7), 1);
  const MaterialJob job = test::jobOf(problem);
  const auto exact = exactLayOut(job, kNever);
  RC_PRE(exact.has_value());
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  RollBoxes boxes(job, random, kNever);
  boxes.begin(binOf(job, 0, eachAlone(job)).parts);
  for (int i = 0; i < 12; ++i) boxes.step();
  RC_ASSERT(std::abs(costOf(job.stock(0), boxes.along()) - exact->cost) < 1e-9);
}

// Spines and corners of seven half-bound books, two corners to a square, each by itself to begin
// with. No lay-out is shorter than 467 mm (`sliceBound`, and all that is cheaper tried); filled
// piece after piece for a minute it was 479.
TEST(RollBoxes, coversForHalfBoundBooks) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(984, 40'000)};
  problem.stocks[0].form = StockForm::Roll;
  problem.stocks[0].count = 1;
  const std::array<std::array<double, 4>, 6> books{{{159.5, 371, 108, 2},
                                                    {157.5, 366, 107.5, 2},
                                                    {136.5, 359, 102.5, 2},
                                                    {132.5, 266, 90.5, 4},
                                                    {122.5, 285, 72.5, 2},
                                                    {140.5, 231, 129, 2}}};
  for (std::size_t i = 0; i < books.size(); ++i) {
    const auto [width, height, corner, corners] = books[i];
    const auto um = [](double mm) { return static_cast<Micrometres>(mm * test::kMm); };
    CutPiece spine = test::pieceOf("spine", 1, 1, 1), square = spine;
    spine.width = um(width);
    spine.height = um(height);
    square.width = square.height = um(corner);
    square.count = static_cast<int>(corners);
    problem.pieces.push_back(spine);
    problem.pieces.push_back(square);
  }
  CutPiece last = test::pieceOf("spine", 106, 202, 1);
  problem.pieces.push_back(last);
  const MaterialJob job = test::jobOf(problem);
  std::mt19937_64 random(1);
  RollBoxes boxes(job, random, kNever);
  boxes.begin(binOf(job, 0, eachAlone(job)).parts);
  for (int i = 0; i < 1200; ++i) boxes.step();
  EXPECT_LE(boxes.along(), 474 * test::kMm);
  EXPECT_GE(boxes.along(), 467 * test::kMm);
}

}  // namespace
}  // namespace drapery
