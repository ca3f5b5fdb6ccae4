// What lies worst on a roll is taken off, nothing of it is lost, and what is laid anew fits again.
#include "core/cutting/worst_slabs.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/cutting/sheet_filling.h"
#include "core/cutting/slab.h"
#include "tests/support/cutting.h"

namespace drapery {
namespace {

using test::jobOf;
using test::kMm;
using test::pieceOf;
using test::rollAndOffCuts;

/// Rows right across of four, and one of which half is lost.
Bin rowsAndOneHalfEmpty(const MaterialJob& job, int rows) {
  std::vector<Slab> slabs;
  for (int row = 0; row <= rows; ++row) {
    Slab slab = emptySlab(1000 * kMm, 200 * kMm);
    std::size_t at = 0;
    for (int i = 0; i < (row == rows / 2 ? 2 : 4); ++i) {
      placeInSlab(slab, at, 0, job.sizes[0][0].front());
      for (std::size_t part = 0; part < slab.parts.size(); ++part)
        if (slab.parts[part].kind == SheetPart::Kind::Free && slab.parts[part].along == 200 * kMm)
          at = part;
    }
    slabs.push_back(std::move(slab));
  }
  return binOf(job, 0, slabs);
}

TEST(WorstSlabs, thatOfWhichMostIsLostIsTakenOff) {
  CutProblem problem = rollAndOffCuts(0);
  problem.pieces = {pieceOf("side", 250, 200, 162)};
  const MaterialJob job = jobOf(problem);
  const Bin roll = rowsAndOneHalfEmpty(job, 40);
  ASSERT_EQ(roll.holds.size(), 162U);
  for (std::uint64_t seed = 1; seed <= 20; ++seed) {
    std::mt19937_64 chance(seed);
    const auto rest = withoutWorst(job, {roll}, chance);
    ASSERT_TRUE(rest.has_value());
    EXPECT_EQ(rest->loose.size() % 4, 2U) << "that with two is among them";
    EXPECT_EQ(rest->bins[0].holds.size() + rest->loose.size(), 162U);
    EXPECT_EQ(rest->bins[0].end, roll.end - Micrometres((rest->loose.size() + 2) / 4) * 200 * kMm);
  }
}

TEST(WorstSlabs, fewPiecesAndPinnedOnesStay) {
  CutProblem problem = rollAndOffCuts(0);
  problem.pieces = {pieceOf("side", 250, 200, 162)};
  const MaterialJob job = jobOf(problem);
  std::mt19937_64 chance(1);
  EXPECT_FALSE(withoutWorst(job, {rowsAndOneHalfEmpty(job, 20)}, chance).has_value());
  Bin pinned = rowsAndOneHalfEmpty(job, 40);
  pinned.pinned = 0;
  EXPECT_FALSE(withoutWorst(job, {pinned}, chance).has_value());
}

RC_GTEST_PROP(WorstSlabs, losesNothingAndIsLaidAnew, ()) {
  CutProblem problem = rollAndOffCuts(*rc::gen::inRange(0, 4));
  for (int kind = *rc::gen::inRange(3, 8); kind > 0; --kind)
    problem.pieces.push_back(pieceOf("piece" + std::to_string(kind), *rc::gen::inRange(30, 280),
                                     *rc::gen::inRange(30, 380), *rc::gen::inRange(50, 80),
                                     static_cast<PieceGrain>(*rc::gen::inRange(0, 3))));
  problem.stocks[0].kerf = *rc::gen::inRange(0, 3) * kMm;
  const MaterialJob job = jobOf(problem);
  std::mt19937_64 chance(*rc::gen::arbitrary<std::uint64_t>());
  SheetFilling filling(job, chance, [] { return false; });
  std::vector<Bin> bins;
  std::vector<int> used{0, 0};
  std::vector<std::size_t> loose = piecesOf(job.counts);
  filling.fill({1, 1, 1, 0}, {.fills = 5}, bins, used, loose);
  RC_PRE(loose.empty() && bins.back().holds.size() > 120);
  auto rest = withoutWorst(job, bins, chance);
  RC_ASSERT(rest.has_value());
  RC_ASSERT(!rest->loose.empty() && rest->bins.size() + rest->stocks.size() == bins.size());
  Counts held = countsOf(rest->loose, job.kinds.size());
  used = {0, 0};
  for (const Bin& bin : rest->bins) {
    ++used[bin.stock];
    for (const std::size_t kind : bin.holds) ++held[kind];
  }
  RC_ASSERT(held == job.counts);
  filling.fill({}, {.fills = 5}, rest->bins, used, rest->loose);
  RC_ASSERT(rest->loose.empty());
}

}  // namespace
}  // namespace drapery
