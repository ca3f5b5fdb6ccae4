// Pieces that are nearly alike taken as small as the smallest of them: what that costs is a bound.
#include "core/cutting/fewer_kinds.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <numeric>

#include "core/cutting/exact_lay_out.h"
#include "tests/support/cutting.h"

namespace drapery {
namespace {

const std::function<bool()> kNever = [] { return false; };
constexpr double kSame = 1e-9;

/// On sheets or a roll, with another stock beside it or not.
CutProblem anyOfKinds(int most) {
  return test::anyThatFits(
      test::anyProblem(*rc::gen::inRange(2, most + 1), 3, *rc::gen::inRange(1, 3)),
      *rc::gen::element(StockForm::Sheet, StockForm::Roll));
}

RC_GTEST_PROP(FewerKinds, costNoMore, ()) {
  const CutProblem problem = anyOfKinds(6);
  const MaterialJob job = test::jobOf(problem);
  const auto exact = exactLayOut(job, kNever);
  RC_PRE(exact.has_value());
  const CutProblem fewer = withFewerKinds(job, *rc::gen::element(3.0, 30.0, 300.0));
  int pieces = 0;
  for (const CutPiece& piece : fewer.pieces) pieces += piece.count;
  RC_ASSERT(pieces == std::accumulate(job.counts.begin(), job.counts.end(), 0));
  RC_ASSERT(fewer.pieces.size() <= job.kinds.size());
  const auto less = exactLayOut(test::jobOf(fewer), kNever);
  RC_PRE(less.has_value());
  RC_ASSERT(less->cost <= exact->cost + kSame);
}

RC_GTEST_PROP(FewerKinds, neverSayMoreThanTheLeastCost, ()) {
  const CutProblem problem = anyOfKinds(5);
  const MaterialJob job = test::jobOf(problem);
  const auto exact = exactLayOut(job, kNever);
  RC_PRE(exact.has_value());
  auto work = *rc::gen::element<std::uint64_t>(100, 10'000, 10'000'000);
  const double known = exact->cost * *rc::gen::element(1.0, 1.1, 2.0);
  const double bound = boundOfFewerKinds(
      job, work, 0.0, [&] { return known; }, kNever);
  RC_ASSERT(bound <= exact->cost + kSame);
}

// The tallest spine is 319 mm, all pieces would fill 297; the shortest that is known is 332.5.
TEST(FewerKinds, saysMoreOfSevenHalfBoundBooks) {
  const CutProblem problem = test::halfBoundOnARoll({{109.5, 242, 82},
                                                     {130.5, 283, 90.5},
                                                     {86.5, 199, 76},
                                                     {102.5, 256, 86},
                                                     {137.5, 319, 100},
                                                     {97, 226, 80.5},
                                                     {100, 188, 77}});
  const MaterialJob job = test::jobOf(problem);
  ASSERT_TRUE(canTryFewerKinds(job));
  std::uint64_t work = 30'000'000;
  const double bound = boundOfFewerKinds(
      job, work, 0.297, [] { return 0.3325; }, kNever);
  EXPECT_GE(bound, 0.322);
  EXPECT_LE(bound, 0.3325 + kSame);
}

}  // namespace
}  // namespace drapery
