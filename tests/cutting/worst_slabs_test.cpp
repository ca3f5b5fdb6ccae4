// What lies worst on a roll is taken off, nothing of it is lost, and what is laid anew fits again.
#include "core/cutting/worst_slabs.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/cutting/exact_lay_out.h"
#include "core/cutting/roll_shortening.h"
#include "core/cutting/sheet_filling.h"
#include "core/cutting/slab.h"
#include "tests/support/cutting.h"
#include "tests/support/judge.h"

namespace drapery {
namespace {

using test::jobOf;
using test::kMm;
using test::pieceOf;
using test::rollAndOffCuts;

const std::function<bool()> kNever = [] { return false; };

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

/// Some hundred pieces from a roll with off-cuts beside it, laid quickly.
struct Laid {
  CutProblem problem = rollAndOffCuts(*rc::gen::inRange(0, 4));
  std::mt19937_64 chance{*rc::gen::arbitrary<std::uint64_t>()};
  MaterialJob job;
  std::vector<Bin> bins;
  std::vector<std::size_t> loose;
  Laid(int fewestKinds, int mostKinds, int fewestOfEach = 50, int mostOfEach = 79) {
    for (int kind = *rc::gen::inRange(fewestKinds, mostKinds + 1); kind > 0; --kind)
      problem.pieces.push_back(pieceOf("piece" + std::to_string(kind), *rc::gen::inRange(30, 280),
                                       *rc::gen::inRange(30, 380),
                                       *rc::gen::inRange(fewestOfEach, mostOfEach + 1),
                                       static_cast<PieceGrain>(*rc::gen::inRange(0, 3))));
    problem.stocks[0].kerf = *rc::gen::inRange(0, 3) * kMm;
    job = jobOf(problem);
    loose = piecesOf(job.counts);
    std::vector<int> used{0, 0};
    SheetFilling(job, chance, kNever).fill({1, 1, 1, 0}, {.fills = 5}, bins, used, loose);
  }
  /// All of it laid, and more than that on the roll; so little may lie on an off-cut alone.
  [[nodiscard]] bool isApt(std::size_t pieces = 120) const {
    return loose.empty() && job.stock(bins.back().stock).form == StockForm::Roll &&
           bins.back().holds.size() > pieces;
  }
  [[nodiscard]] Counts held(const std::vector<Bin>& in) const {
    Counts held(job.kinds.size(), 0);
    for (const Bin& bin : in)
      for (const std::size_t kind : bin.holds) ++held[kind];
    return held;
  }
};

RC_GTEST_PROP(WorstSlabs, losesNothingAndIsLaidAnew, ()) {
  Laid laid(3, 7);
  RC_PRE(laid.isApt());
  auto rest = withoutWorst(laid.job, laid.bins, laid.chance);
  RC_ASSERT(rest.has_value());
  RC_ASSERT(!rest->loose.empty() && rest->bins.size() + rest->stocks.size() == laid.bins.size());
  Counts held = countsOf(rest->loose, laid.job.kinds.size());
  const Counts stays = laid.held(rest->bins);
  for (std::size_t kind = 0; kind < held.size(); ++kind) held[kind] += stays[kind];
  RC_ASSERT(held == laid.job.counts);
  std::vector<int> used{0, 0};
  for (const Bin& bin : rest->bins) ++used[bin.stock];
  SheetFilling filling(laid.job, laid.chance, kNever);
  filling.fill({}, {.fills = 5}, rest->bins, used, rest->loose);
  RC_ASSERT(rest->loose.empty());
}

/// Some tries at a shorter roll: nothing of it is lost, and all of it can be cut.
void makeShorter(Laid& laid, int tries) {
  RollShortening shortening(laid.job, laid.bins, laid.bins.size() - 1, laid.chance, kNever);
  std::optional<std::vector<Bin>> shorter;
  for (int i = 0; i < tries && !shorter; ++i) shorter = shortening.step();
  RC_TAG(shorter ? "shorter" : "no shorter");
  if (!shorter) return;
  RC_ASSERT(laid.held(*shorter) == laid.job.counts);
  CutLayout layout;
  double cost = 0.0, before = 0.0;
  for (const Bin& bin : *shorter) {
    layout.sheets.push_back(sheetOf(laid.job, bin));
    cost += costOf(laid.job.stock(bin.stock), bin.end);
  }
  for (const Bin& bin : laid.bins) before += costOf(laid.job.stock(bin.stock), bin.end);
  RC_ASSERT(cost < before);
  RC_ASSERT(test::faultIn(laid.problem, layout) == "");
}

// A roll of more pieces than are laid anew at a time.
RC_GTEST_PROP(RollShortening, losesNothingOfSomeHundredPieces, ()) {
  Laid laid(4, 6);
  RC_PRE(laid.isApt());
  makeShorter(laid, 3);
}

// Of fewer, of a few kinds, other tries come in turns.
RC_GTEST_PROP(RollShortening, losesNothingOfFewKinds, ()) {
  Laid laid(4, 8, 12, 18);
  RC_PRE(laid.isApt(40));
  makeShorter(laid, 6);
}

}  // namespace
}  // namespace drapery
