// Pieces that the binder put somewhere, and the rest laid around them.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <array>

#include "core/cutting/pinned_sheet.h"
#include "core/cutting/shortfall.h"
#include "tests/support/cutting.h"
#include "tests/support/judge.h"
#include "words/cut_words.h"

namespace drapery {
namespace {

using test::anyProblem;
using test::faultIn;
using test::kMm;
using test::laidOut;
using test::pieceOf;
using test::sheetOf;

bool liesThere(const CutLayout& layout, const CutPin& pin) {
  for (const CutSheet& sheet : layout.sheets)
    if (sheet.stock == pin.stock && sheet.pinned == pin.sheet && sheet.repeat == 1)
      for (const CutPlacement& at : sheet.placements)
        if (at.piece == pin.piece && at.x == pin.x && at.y == pin.y && at.isTurned == pin.isTurned)
          return true;
  return false;
}

// Some of a lay-out's pieces stay where they lie; all else is laid anew.
RC_GTEST_PROP(Pins, stayWhereTheyWerePut, ()) {
  CutProblem problem = anyProblem(*rc::gen::inRange(1, 7), 5, *rc::gen::inRange(1, 3));
  const CutLayout before = laidOut(problem, 20);
  std::vector<int> numbers(problem.stocks.size(), 0);
  for (const CutSheet& sheet : before.sheets) {
    const int number = numbers[sheet.stock]++;
    for (const CutPlacement& at : sheet.placements)
      if (*rc::gen::inRange(0, 3) == 0)
        problem.pins.push_back({at.piece, sheet.stock, number, at.x, at.y, at.isTurned});
  }
  const CutLayout layout = laidOut(problem, 30, 3);
  RC_ASSERT(faultIn(problem, layout) == "");
  RC_ASSERT(layout.untaken.empty());
  for (const CutPin& pin : problem.pins) RC_ASSERT(liesThere(layout, pin));
  for (const MaterialCost& cost : layout.materials) RC_ASSERT(cost.bound <= cost.cost + 1e-9);
}

// A piece that is sent to a sheet finds room beside those that were put there, and stays there;
// where it finds none on an empty one, it fits that stock nowhere.
RC_GTEST_PROP(Pins, findRoomBesideOthers, ()) {
  CutProblem problem = anyProblem(*rc::gen::inRange(1, 5), 6, 2);
  for (CutStock& stock : problem.stocks) stock.count.reset();
  std::array<int, 2> found{};
  for (int i = 0; i < 12; ++i) {
    const auto piece = *rc::gen::inRange(std::size_t{0}, problem.pieces.size());
    const auto stock = *rc::gen::inRange(std::size_t{0}, problem.stocks.size());
    const auto room = roomFor(problem, piece, stock, 0);
    const bool fits = !lyingSizes(problem.stocks[stock], problem.pieces[piece]).empty();
    RC_ASSERT(!room || fits);
    if (found[stock] == 0) RC_ASSERT(room.has_value() == fits);
    if (!room) continue;
    ++found[stock];
    ++problem.pieces[piece].count;
    problem.pins.push_back(*room);
  }
  const CutLayout layout = laidOut(problem, 5);
  RC_ASSERT(layout.untaken.empty());
  RC_ASSERT(faultIn(problem, layout) == "");
  for (const CutPin& pin : problem.pins) RC_ASSERT(liesThere(layout, pin));
}

// Wherever they are put: what cannot be kept is told, and the rest is sound.
RC_GTEST_PROP(Pins, thatCannotBeKeptAreTold, ()) {
  CutProblem problem = anyProblem(*rc::gen::inRange(1, 5), 3, 2);
  const int count = *rc::gen::inRange(1, 8);
  for (int i = 0; i < count; ++i) {
    CutPin pin;
    pin.piece = *rc::gen::inRange(std::size_t{0}, problem.pieces.size());
    pin.stock = *rc::gen::inRange(std::size_t{0}, problem.stocks.size());
    pin.sheet = *rc::gen::inRange(0, 2);
    pin.x = *rc::gen::inRange(0, 400) * kMm;
    pin.y = *rc::gen::inRange(0, 600) * kMm;
    pin.isTurned = *rc::gen::inRange(0, 2) == 1;
    problem.pins.push_back(pin);
  }
  const CutLayout layout = laidOut(problem, 20);
  RC_ASSERT(faultIn(problem, layout) == "");
  const auto kept = std::count_if(problem.pins.begin(), problem.pins.end(),
                                  [&](const CutPin& pin) { return liesThere(layout, pin); });
  const auto untaken = static_cast<std::ptrdiff_t>(layout.untaken.size());
  RC_ASSERT(kept + untaken >= std::ptrdiff_t(problem.pins.size()));
}

TEST(Pins, tellWhatIsWrongWithEach) {
  CutProblem problem;
  problem.stocks = {sheetOf(500, 500), sheetOf(500, 500)};
  problem.stocks[0].kerf = kMm;
  problem.stocks[1].material = "cloth";
  problem.pieces = {pieceOf("high", 100, 200, 4), pieceOf("flat", 300, 200, 2),
                    pieceOf("tall", 200, 300, 2)};
  const auto fault = [&](std::vector<CutPin> pins) {
    problem.pins = std::move(pins);
    const CutLayout layout = laidOut(problem);
    EXPECT_EQ(faultIn(problem, layout), "");
    return layout.untaken.size() == 1 ? std::optional(layout.untaken[0].fault) : std::nullopt;
  };
  EXPECT_EQ(fault({{0, 1, 0, 0, 0, false}}), PinFault::Elsewhere);
  EXPECT_EQ(fault({{0, 0, 0, 0, 0, true}}), PinFault::Grain);
  EXPECT_EQ(fault({{0, 0, 0, 401 * kMm, 0, false}}), PinFault::Outside);
  EXPECT_EQ(fault({{0, 0, 0, 0, 0, false}, {0, 0, 0, 99 * kMm, 0, false}}), PinFault::Overlaps);
  // Half a millimetre beside the edge, or between two, no cut goes through.
  EXPECT_EQ(fault({{0, 0, 0, 500, 0, false}}), PinFault::NoEdgeToEdge);
  problem.stocks[0].kerf = 0;
  problem.pieces[0].count = 1;
  EXPECT_EQ(fault({{0, 0, 0, 0, 0, false}, {0, 0, 0, 100 * kMm, 0, false}}), PinFault::TooMany);
  // A pinwheel: the fourth piece closes it.
  EXPECT_EQ(fault({{1, 0, 0, 0, 0, false},
                   {2, 0, 0, 300 * kMm, 0, false},
                   {1, 0, 0, 200 * kMm, 300 * kMm, false},
                   {2, 0, 0, 0, 200 * kMm, false}}),
            PinFault::NoEdgeToEdge);
  EXPECT_EQ(fault({{0, 0, 0, 300 * kMm, 300 * kMm, false}}), std::nullopt);
}

// The bench stays free to be looked at: the first lay-out is told at once, then better ones, each
// sound and none dearer than the one before.
TEST(LayOut, tellsBetterOnesAsItFindsThem) {
  EXPECT_TRUE(rc::check([] {
    const CutProblem problem = anyProblem(12, 6, 1);
    std::vector<double> costs;
    std::vector<std::string> faults;
    LayOutLimits limits;
    limits.steps = 60;
    limits.onBetter = [&](const CutLayout& layout) {
      faults.push_back(faultIn(problem, layout));
      if (!layout.materials.empty()) costs.push_back(layout.materials[0].cost);
    };
    const CutLayout last = layOut(problem, limits);
    for (const std::string& fault : faults) RC_ASSERT(fault == "");
    if (!last.unplaced.empty() || last.materials.empty()) return;
    RC_ASSERT(!costs.empty());
    costs.push_back(last.materials[0].cost);
    RC_ASSERT(std::is_sorted(costs.rbegin(), costs.rend()));
  }));
}

// A patterned paper: all heads lie to its top, whatever their grain would allow; what cannot is
// told.
RC_GTEST_PROP(Pattern, everyPieceLiesWithItsHeadToTheTop, ()) {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(1, 7), 4, *rc::gen::inRange(1, 3));
  for (CutStock& stock : problem.stocks)
    stock.pattern =
        *rc::gen::element(StockPattern::None, StockPattern::Along, StockPattern::Across);
  const CutLayout layout = test::laidOut(problem, 40);
  RC_ASSERT(test::faultIn(problem, layout) == "");
  for (const CutSheet& sheet : layout.sheets) {
    const StockPattern pattern = problem.stocks[sheet.stock].pattern;
    for (const CutPlacement& at : sheet.placements)
      if (pattern != StockPattern::None)
        RC_ASSERT(at.isTurned == (pattern == StockPattern::Across));
  }
  for (const Unplaced& each : layout.unplaced) {
    const auto lacks = shortfallOf(problem, each.piece);
    RC_ASSERT(lacks.has_value());
    bool canLie = false;
    for (const CutStock& stock : problem.stocks)
      for (const bool isTurned : {false, true})
        canLie = canLie || (stock.material == problem.pieces[each.piece].material &&
                            !whyNotLying(stock, problem.pieces[each.piece], isTurned));
    RC_ASSERT(lacks->isPatternAgainst == !canLie);
  }
}

/// A stock that is so much larger across and along its grain.
CutStock larger(CutStock stock, Micrometres acrossGrain, Micrometres alongGrain) {
  const bool isAlong = stock.grain == StockGrain::Along;
  stock.across += isAlong ? acrossGrain : alongGrain;
  stock.along += isAlong ? alongGrain : acrossGrain;
  return stock;
}

// With that much more the piece fits, with less of either it does not; nor does any other stock
// suffice with less.
RC_GTEST_PROP(Shortfall, isWhatTheStockThatComesNearestNeedsMore, ()) {
  CutProblem problem = anyProblem(1, 1, *rc::gen::inRange(1, 4));
  CutPiece& piece = problem.pieces[0];
  piece.width *= *rc::gen::inRange(1, 5);
  piece.height *= *rc::gen::inRange(1, 5);
  for (CutStock& stock : problem.stocks) stock.right = *rc::gen::inRange(0, 9) * kMm;
  const auto fits = [&](const CutStock& stock) { return !lyingSizes(stock, piece).empty(); };
  const Shortfall lacks = *shortfallOf(problem, 0);
  const CutStock& nearest = problem.stocks[lacks.stock];
  const Micrometres all = lacks.acrossGrain + lacks.alongGrain;
  RC_ASSERT(!lacks.isPatternAgainst);
  RC_ASSERT(fits(larger(nearest, lacks.acrossGrain, lacks.alongGrain)));
  RC_ASSERT((all == 0) == std::any_of(problem.stocks.begin(), problem.stocks.end(), fits));
  if (all == 0) return;
  if (lacks.acrossGrain > 0)
    RC_ASSERT(!fits(larger(nearest, lacks.acrossGrain - 1, lacks.alongGrain)));
  if (lacks.alongGrain > 0)
    RC_ASSERT(!fits(larger(nearest, lacks.acrossGrain, lacks.alongGrain - 1)));
  const Micrometres less = *rc::gen::inRange<Micrometres>(0, all);
  const Micrometres part = *rc::gen::inRange<Micrometres>(0, less + 1);
  for (const CutStock& stock : problem.stocks) RC_ASSERT(!fits(larger(stock, part, less - part)));
}

// Exactly as large as what is usable it still lies there, whatever is trimmed and the knife takes.
RC_GTEST_PROP(Shortfall, isNothingForAPieceOfAllThatIsUsable, ()) {
  CutProblem problem = anyProblem(1, 1, 1);
  CutStock& stock = problem.stocks[0];
  stock.grain = StockGrain::Along;
  stock.right = *rc::gen::inRange(0, 9) * kMm;
  CutPiece& piece = problem.pieces[0];
  piece.grain = PieceGrain::Height;
  piece.width = stock.across - stock.left - stock.right;
  piece.height = stock.along - stock.bottom - stock.top;
  RC_ASSERT(lyingSizes(stock, piece).size() == 1U);
  RC_ASSERT(shortfallOf(problem, 0)->acrossGrain == 0);
  ++piece.width;
  RC_ASSERT(lyingSizes(stock, piece).empty());
  RC_ASSERT(shortfallOf(problem, 0)->acrossGrain == 1);
  --piece.width;
  ++piece.height;
  RC_ASSERT(shortfallOf(problem, 0)->alongGrain == 1);
}

TEST(Pattern, aPieceOnItsSideIsRefusedWithTheReason) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(500, 700)};
  problem.stocks[0].pattern = StockPattern::Along;
  problem.pieces = {test::pieceOf("endpaper", 200, 300, 2, PieceGrain::Free)};
  problem.pins = {{0, 0, 0, 0, 0, true}};
  const CutLayout layout = test::laidOut(problem);
  ASSERT_EQ(layout.untaken.size(), 1U);
  EXPECT_EQ(layout.untaken[0].fault, PinFault::Pattern);
  problem.pins.clear();
  problem.pieces[0].grain = PieceGrain::Width;
  EXPECT_EQ(whyUnplaced(problem, 0, {}),
            "lying with its grain, the pattern of sheet would lie on its side");
}

}  // namespace
}  // namespace drapery
