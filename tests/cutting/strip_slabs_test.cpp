// Slabs of strips hold all that is wanted, and are no longer than rows of one kind each.
#include "core/cutting/strip_slabs.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "tests/support/cutting.h"
#include "tests/support/judge.h"

namespace drapery {
namespace {

using test::jobOf;
using test::kMm;
using test::pieceOf;

const std::function<bool()> kNever = [] { return false; };

CutProblem editionOf(int copies) {
  CutProblem problem = test::halfBoundOnARoll({{139.5, 284, 91.5}});
  for (CutPiece& piece : problem.pieces) piece.count *= copies;
  return problem;
}

CutLayout laidAs(const CutProblem& problem, const MaterialJob& job,
                 const std::vector<Slab>& slabs) {
  CutLayout layout;
  layout.sheets.push_back(sheetOf(job, binOf(job, 0, slabs)));
  MaterialCost cost;
  cost.material = job.stock(0).material;
  cost.isWhole = true;
  cost.length = alongOf(slabs) - job.stock(0).kerf;
  cost.cost = cost.bound = problem.stocks[0].cost * double(cost.length) / 1e6;
  layout.materials.push_back(cost);
  return layout;
}

// 2562 mm hold nine spines end to end five times, and 28 corners' squares three times; 366 mm a
// spine and nine times four squares; 284 mm seven spines, twice.
TEST(StripSlabs, ofAnEditionOfSixtyLongStripsLoseLittle) {
  const CutProblem problem = editionOf(60);
  const MaterialJob job = jobOf(problem);
  const auto slabs = stripSlabs(job, kNever);
  EXPECT_EQ(alongOf(slabs), 3'496 * kMm);
  EXPECT_EQ(test::faultIn(problem, laidAs(problem, job, slabs)), "");
  const CutLayout laid = test::laidOut(problem, 2);
  EXPECT_EQ(test::faultIn(problem, laid), "");
  EXPECT_LE(laid.materials.front().length, 3'496 * kMm) << "the search begins by them";
}

RC_GTEST_PROP(StripSlabs, holdAllThatIsWantedAndAreNoLongerThanRows, ()) {
  CutProblem problem =
      test::anyThatFits(test::anyProblem(*rc::gen::inRange(1, 4), 30, 1), StockForm::Roll);
  const MaterialJob job = jobOf(problem);
  const auto slabs = stripSlabs(job, kNever);
  RC_PRE(!slabs.empty());
  RC_ASSERT(test::faultIn(problem, laidAs(problem, job, slabs)) == "");
  Micrometres rows = 0;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) {
    const LyingSize& lies = job.sizes[0][kind].front();
    const Micrometres beside = usableOf(job.stock(0)).across / lies.across;
    rows += (job.counts[kind] + beside - 1) / beside * lies.along;
  }
  RC_ASSERT(alongOf(slabs) <= rows);
}

TEST(StripSlabs, thereAreNoneOfManyKindsAndOnTooShortARoll) {
  CutProblem problem = editionOf(60);
  problem.stocks[0].along = 3'000 * kMm;
  EXPECT_TRUE(stripSlabs(jobOf(problem), kNever).empty());
  problem = editionOf(60);
  for (int i = 0; i < 2; ++i) problem.pieces.push_back(pieceOf("side", 100 + i, 200, 60));
  EXPECT_TRUE(stripSlabs(jobOf(problem), kNever).empty()) << "13 million ways to go on";
  problem = editionOf(1);
  for (int i = 0; i < 3; ++i) problem.pieces.push_back(pieceOf("side", 100 + i, 200, 1));
  EXPECT_TRUE(stripSlabs(jobOf(problem), kNever).empty()) << "all that can be tried otherwise";
  problem = editionOf(60);
  problem.stocks[0].count = 2;
  EXPECT_TRUE(stripSlabs(jobOf(problem), kNever).empty()) << "there are two";
}

// Of few copies of small pieces there are most ways; of many there is most to go on from.
TEST(StripSlabs, areGivenUpSoon) {
  CutProblem small = editionOf(20);
  small.pieces = {pieceOf("a", 90, 85, 20, PieceGrain::Free),
                  pieceOf("b", 61, 77, 20, PieceGrain::Free),
                  pieceOf("c", 113, 49, 20, PieceGrain::Free)};
  for (const CutProblem& problem : {small, editionOf(300)}) {
    const MaterialJob job = jobOf(problem);
    int asked = 0;
    const auto after = [&](int most) { return [&asked, most] { return ++asked > most; }; };
    EXPECT_TRUE(stripSlabs(job, after(0)).empty());
    EXPECT_EQ(asked, 1) << "as soon as it is asked";
    asked = 0;
    stripSlabs(job, after(1'000'000));
    EXPECT_GT(asked, 100) << "often";
    const int all = asked;
    asked = 0;
    EXPECT_TRUE(stripSlabs(job, after(all / 2)).empty());
    EXPECT_EQ(asked, all / 2 + 1);
  }
}

}  // namespace
}  // namespace drapery
