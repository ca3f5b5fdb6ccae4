// A roll as boxes within boxes, some of them opened and joined anew.
#include "core/cutting/roll_boxes.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

#include "core/cutting/exact_lay_out.h"
#include "tests/support/cutting.h"
#include "tests/support/judge.h"

namespace drapery {
namespace {

const std::function<bool()> kNever = [] { return false; };

CutProblem anyOnARoll(int kinds, int most) {
  return test::anyThatFits(test::anyProblem(kinds, most, 1), StockForm::Roll);
}

RC_GTEST_PROP(RollBoxes, growShorterAndLoseNothing, ()) {
  const CutProblem problem = anyOnARoll(*rc::gen::inRange(1, 9), 4);
  const MaterialJob job = test::jobOf(problem);
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  const std::vector<Slab> slabs = test::eachAlone(job);
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
  boxes.begin(binOf(job, 0, test::eachAlone(job)).parts);
  for (int i = 0; i < 12; ++i) boxes.step();
  RC_ASSERT(std::abs(costOf(job.stock(0), boxes.along()) - exact->cost) < 1e-9);
}

// Spines and corners of seven half-bound books, two corners to a square, each by itself to begin
// with. No lay-out is shorter than 467 mm (`sliceBound`, and all that is cheaper tried); filled
// piece after piece for a minute it was 479.
TEST(RollBoxes, coversForHalfBoundBooks) {
  const CutProblem problem = test::halfBoundOnARoll({{159.5, 371, 129},
                                                     {157.5, 366, 107.5},
                                                     {140.5, 231, 90.5},
                                                     {136.5, 359, 108},
                                                     {122.5, 285, 102.5},
                                                     {106, 202, 72.5},
                                                     {132.5, 266, 90.5}});
  const MaterialJob job = test::jobOf(problem);
  std::mt19937_64 random(1);
  RollBoxes boxes(job, random, kNever);
  boxes.begin(binOf(job, 0, test::eachAlone(job)).parts);
  for (int i = 0; i < 1200; ++i) boxes.step();
  EXPECT_LE(boxes.along(), 474 * test::kMm);
  EXPECT_GE(boxes.along(), 467 * test::kMm);
}

}  // namespace
}  // namespace drapery
