// Cuts in the order in which they are made.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <array>
#include <functional>
#include <map>
#include <set>

#include "core/cutting/cut_order.h"
#include "core/cutting/cut_rectangle.h"
#include "core/cutting/for_bench.h"
#include "core/cutting/side_by_side.h"
#include "tests/support/cutting.h"
#include "tests/support/judge.h"
#include "words/cut_words.h"

namespace drapery {
namespace {

using test::faultIn;
using test::kMm;
using test::laidOut;

CutProblem boards(int count) {
  CutProblem problem;
  CutStock stock;
  stock.id = "sheet";
  stock.material = "board";
  stock.across = 700 * kMm;
  stock.along = 1000 * kMm;
  stock.left = stock.bottom = 2 * kMm;
  problem.stocks = {stock};
  problem.pieces = {
      {"board", "board", 140 * kMm, 216 * kMm, count, PieceGrain::Height, 0.0},
      {"stiffener", "board", 23 * kMm, 216 * kMm, count / 2, PieceGrain::Height, 0.0}};
  return problem;
}

// Every cut of the tree once, each through a rectangle that lies there by then; what is kept of it
// is measured.
TEST(CutOrder, cutsWhatLiesThereEachCutOnce) {
  for (const int count : {2, 6, 24}) {
    const CutProblem problem = boards(count);
    const CutLayout layout = laidOut(problem);
    std::set<std::pair<std::size_t, int>> made;
    std::size_t trims = 0, cuts = 0;
    std::vector<std::vector<CutRectangle>> there(layout.sheets.size(),
                                                 {{0, 0, 700 * kMm, 1000 * kMm}});
    for (const GaugeStep& step : cutOrder(problem, layout, "board")) {
      EXPECT_GT(step.reading, 0);
      EXPECT_FALSE(step.cuts.empty());
      for (const OrderedCut& cut : step.cuts) {
        ++cuts;
        EXPECT_EQ(std::erase(there[cut.sheet], cut.from), 1U);
        there[cut.sheet].push_back(cut.low);
        there[cut.sheet].push_back(cut.high);
        const bool isMeasured = (cut.isAcross ? cut.low.across : cut.low.along) == step.reading ||
                                (cut.isAcross ? cut.high.across : cut.high.along) == step.reading;
        EXPECT_TRUE(isMeasured);
        EXPECT_EQ(cut.length, cut.isAcross ? cut.from.along : cut.from.across);
        if (cut.node < 0)
          ++trims;
        else
          EXPECT_TRUE(made.insert({cut.sheet, cut.node}).second);
      }
    }
    std::size_t wanted = 0;
    for (const CutSheet& sheet : layout.sheets)
      for (const CutNode& node : sheet.cuts)
        if (node.kind == CutNode::Kind::CutAcross || node.kind == CutNode::Kind::CutAlong) ++wanted;
    EXPECT_EQ(cuts - trims, wanted);
    EXPECT_EQ(trims, 2 * layout.sheets.size());
  }
}

/// Whether one of a lay-out's pieces lies no farther than a kerf from each edge that is trimmed:
/// left, right, bottom, top.
std::array<bool, 4> isAtEdge(const CutStock& stock, const CutSheet& sheet) {
  std::array<bool, 4> is{};
  for (const CutPlacement& at : sheet.placements) {
    is[0] |= at.x - stock.left <= stock.kerf;
    is[1] |= stock.across - stock.right - at.x - at.across <= stock.kerf;
    is[2] |= at.y - stock.bottom <= stock.kerf;
    is[3] |= stock.along - stock.top - at.y - at.along <= stock.kerf;
  }
  return is;
}

// However it is trimmed and whatever the knife takes: a cut parts what lies there in two, a kerf
// apart; no edge is trimmed beside which only waste lies; in the end every piece stands alone.
RC_GTEST_PROP(CutOrder, everyPieceStandsAloneInTheEnd, ()) {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(1, 7), 4, 1);
  CutStock& stock = problem.stocks[0];
  stock.right = *rc::gen::inRange(0, 9) * kMm;
  for (CutPiece& piece : problem.pieces) piece.moment = *rc::gen::inRange(0, 5);
  const CutLayout layout = forBench(problem, laidOut(problem, 20), {});
  struct Sheet {
    std::vector<CutRectangle> there;
    std::array<Micrometres, 4> trimmed{};
  };
  std::vector<Sheet> sheets(layout.sheets.size(), {{{0, 0, stock.across, stock.along}}, {}});
  for (const GaugeStep& step : cutOrder(problem, layout, "board")) {
    RC_ASSERT(step.moment < 5);
    for (const OrderedCut& cut : step.cuts) {
      auto& [there, trimmed] = sheets[cut.sheet];
      RC_ASSERT(std::erase(there, cut.from) == 1U);
      const auto side = cut.isAcross ? &CutRectangle::across : &CutRectangle::along;
      const auto from = cut.isAcross ? &CutRectangle::x : &CutRectangle::y;
      RC_ASSERT((cut.low.*from == cut.from.*from));
      const Micrometres gone = cut.from.*side - cut.low.*side - cut.high.*side;
      const bool isPlain = cut.node < 0;  // an edge, or off the roll: that takes no kerf
      RC_ASSERT(gone == (isPlain ? 0 : stock.kerf));
      if (cut.purpose == CutPurpose::Trim) {
        const bool isLow = cut.low.*side < cut.high.*side;
        trimmed[(cut.isAcross ? 0U : 2U) + (isLow ? 0U : 1U)] +=
            isLow ? cut.low.*side : cut.high.*side;
      }
      for (const CutRectangle& part : {cut.low, cut.high}) there.push_back(part);
    }
  }
  for (std::size_t s = 0; s < sheets.size(); ++s) {
    const std::array<bool, 4> at = isAtEdge(stock, layout.sheets[s]);
    const bool isRoll = stock.form == StockForm::Roll;
    RC_ASSERT(sheets[s].trimmed ==
              (std::array{at[0] ? stock.left : 0, at[1] ? stock.right : 0, at[2] ? stock.bottom : 0,
                          at[3] && !isRoll ? stock.top : 0}));
    for (const CutPlacement& piece : layout.sheets[s].placements) {
      const CutRectangle alone{piece.x, piece.y, piece.across, piece.along};
      RC_ASSERT(std::count(sheets[s].there.begin(), sheets[s].there.end(), alone) == 1);
    }
  }
}

// Two boards, a stiffener and what is left over side by side: each is cut to its own width, none is
// what remains of the others.
TEST(CutOrder, measuresEachPieceItself) {
  CutProblem problem = boards(2);
  problem.stocks[0].left = problem.stocks[0].bottom = 0;
  problem.stocks[0].across = 320 * kMm;
  problem.stocks[0].along = 216 * kMm;
  const auto steps = cutOrder(problem, laidOut(problem), "board");
  std::map<Micrometres, int> cuts;
  for (const GaugeStep& step : steps) cuts[step.reading] += static_cast<int>(step.cuts.size());
  EXPECT_EQ(cuts, (std::map<Micrometres, int>{{23 * kMm, 1}, {140 * kMm, 2}}));
}

// Equal cuts are made at one setting: two for the edges, one for the rows, one for each width; and
// what the rows are cut out of.
TEST(CutOrder, setsTheGaugeSeldom) {
  const CutProblem problem = boards(16);
  const CutLayout layout = forBench(problem, laidOut(problem), {});
  EXPECT_LE(cutOrder(problem, layout, "board").size(), 7U);
  EXPECT_TRUE(cutOrder(problem, layout, "cloth").empty());
}

// A tree may cut what is left over once more: nobody does.
TEST(CutOrder, cutsNothingOfWhatIsLeftOver) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(500, 1000)};
  problem.pieces = {test::pieceOf("a", 300, 400, 1)};
  CutLayout layout;
  CutSheet& sheet = layout.sheets.emplace_back();
  sheet.placements.push_back({0, 0, 0, 300 * kMm, 400 * kMm, false});
  using Kind = CutNode::Kind;
  const auto add = [&](Kind kind, Micrometres at, int low, int high) {
    CutNode& node = sheet.cuts.emplace_back();
    node.kind = kind;
    node.at = at * kMm;
    node.low = low;
    node.high = high;
  };
  add(Kind::CutAlong, 400, 1, 3);
  add(Kind::CutAcross, 300, 2, 4);
  add(Kind::Piece, 0, -1, -1);
  add(Kind::CutAlong, 600, 4, 4);
  add(Kind::Left, 0, -1, -1);
  const auto steps = cutOrder(problem, layout, "board");
  ASSERT_EQ(steps.size(), 2U);
  for (const GaugeStep& step : steps) EXPECT_EQ(step.moment, 0);
  EXPECT_EQ(steps[0].reading, 400 * kMm);
  EXPECT_EQ(steps[1].reading, 300 * kMm);
}

// What is cut later in the work stays whole until then.
RC_GTEST_PROP(CutOrder, cutsWhatComesLaterLast, ()) {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(2, 7), 4, 1);
  for (CutPiece& piece : problem.pieces) piece.moment = *rc::gen::inRange(0, 5);
  CutLayout layout = laidOut(problem, 20);
  if (*rc::gen::arbitrary<bool>()) layout = forBench(problem, layout, {});
  int before = 0;
  for (const GaugeStep& step : cutOrder(problem, layout, "board")) {
    RC_ASSERT(step.moment >= before);
    before = step.moment;
    for (const OrderedCut& cut : step.cuts) {
      int first = 99;
      for (const CutPlacement& at : layout.sheets[cut.sheet].placements)
        if (at.x >= cut.from.x && at.y >= cut.from.y &&
            at.x + at.across <= cut.from.x + cut.from.across &&
            at.y + at.along <= cut.from.y + cut.from.along)
          first = std::min(first, problem.pieces[at.piece].moment);
      RC_ASSERT(step.moment == first);
    }
  }
}

// What lies there adds up to the sheet, less what the kerf took; at the end each piece stands
// alone.
RC_GTEST_PROP(CutOrder, tellsWhatLiesThereAfterEachStep, ()) {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(1, 6), 4, 1);
  problem.stocks[0].kerf = 0;
  const CutLayout layout = laidOut(problem, 20);
  const auto steps = cutOrder(problem, layout, "board");
  for (std::size_t s = 0; s < layout.sheets.size(); ++s)
    for (std::size_t made = 0; made <= steps.size(); ++made) {
      const SheetState state = stateAfter(problem, layout, s, steps, made);
      double area = 0;
      std::set<std::size_t> pieces;
      bool isDone = true;
      for (const SheetState::Part& part : state.parts) {
        area += double(part.at.across) * double(part.at.along);
        if (part.kind == SheetState::Part::Kind::Piece) pieces.insert(part.placement);
        if (part.kind == SheetState::Part::Kind::ToCut) isDone = false;
      }
      const CutStock& stock = problem.stocks[0];
      RC_ASSERT(area == double(stock.across) * double(stock.along));
      if (made < steps.size()) continue;
      RC_ASSERT(isDone);
      RC_ASSERT(pieces.size() == layout.sheets[s].placements.size());
    }
}

/// How many cuts have nothing but what is left over on both sides.
int idleCuts(const CutSheet& sheet) {
  int idle = 0;
  const std::function<bool(int)> hasPiece = [&](int at) {
    if (at < 0) return false;
    const CutNode& node = sheet.cuts[static_cast<std::size_t>(at)];
    if (!isCut(node)) return node.kind == CutNode::Kind::Piece;
    const bool isLow = hasPiece(node.low), isHigh = hasPiece(node.high);
    if (!isLow && !isHigh) ++idle;
    return isLow || isHigh;
  };
  if (!sheet.cuts.empty()) hasPiece(0);
  return idle;
}

// The pieces stay, so does what is worth keeping; the cuts are sound, none of them is made in what
// is left over, and no more of them are long.
RC_GTEST_PROP(ForBench, cutsTheSamePiecesFree, ()) {
  const CutProblem problem = test::anyProblem(*rc::gen::inRange(1, 7), 4, 2);
  const CutLayout layout = laidOut(problem, 20);
  const Micrometres longest = *rc::gen::inRange(100, 900) * kMm;
  const CutLayout other = forBench(problem, layout, {}, longest);
  RC_ASSERT(faultIn(problem, other) == "");
  for (std::size_t s = 0; s < layout.sheets.size(); ++s) {
    const CutStock& stock = problem.stocks[layout.sheets[s].stock];
    const auto largest = [&](const CutSheet& sheet) {
      double most = 0.0;
      for (const CutPlacement& left : usableLeft(stock, sheet, {}))
        most = std::max(most, double(left.across) * double(left.along));
      return most;
    };
    RC_ASSERT(largest(other.sheets[s]) >= largest(layout.sheets[s]));
    RC_ASSERT(idleCuts(other.sheets[s]) == 0);
    RC_ASSERT(cutsOver(problem, other.sheets[s], longest) <=
              cutsOver(problem, forBench(problem, layout, {}).sheets[s], longest));
  }
}

// Of the cuts that free a piece that which leaves the largest rectangle goes first.
TEST(CutsAround, leaveWhatIsLargestFirst) {
  const CutStock stock = test::sheetOf(500, 1000);
  const auto first = [&](Micrometres x, Micrometres y) {
    SheetPart piece;
    piece.kind = SheetPart::Kind::Piece;
    piece.x = x * kMm;
    piece.y = y * kMm;
    piece.across = piece.along = 100 * kMm;
    const SheetPart whole = cutsAround(stock, {piece})->at(0);
    const SheetPart low = cutsAround(stock, {piece})->at(whole.low);
    return std::pair(whole.isBeside,
                     static_cast<int>((whole.isBeside ? low.across : low.along) / kMm));
  };
  EXPECT_EQ(first(0, 0), std::pair(false, 100));     // 500 x 900, not 400 x 1000
  EXPECT_EQ(first(0, 850), std::pair(false, 850));   // 500 x 850
  EXPECT_EQ(first(400, 500), std::pair(true, 400));  // 400 x 1000
  EXPECT_EQ(first(250, 450), std::pair(true, 250));  // 250 x 1000, not 500 x 450
}

// Two boards at the end of a long sheet: cut off across first no cut is longer than the sheet is
// wide; a shear that is shorter still has to be helped once.
TEST(ForBench, cutsTheShortWayFirst) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(500, 1000)};
  problem.pieces = {test::pieceOf("a", 200, 400, 1), test::pieceOf("b", 300, 400, 1)};
  problem.pins = {{0, 0, 0, 0, 0, false}, {1, 0, 0, 200 * kMm, 0, false}};
  const CutLayout layout = laidOut(problem);
  ASSERT_EQ(layout.sheets.size(), 1U);
  const auto over = [&](Micrometres longest) {
    return cutsOver(problem, forBench(problem, layout, {}, longest).sheets[0], longest);
  };
  EXPECT_EQ(over(500 * kMm), 0);
  EXPECT_EQ(over(450 * kMm), 1);
}

// A column of stiffeners beside the boards: rows first, and then three settings for all.
TEST(ForBench, cutsSideBySideWhatLiesSideBySide) {
  const CutProblem problem = boards(16);
  const CutLayout layout = forBench(problem, laidOut(problem), {});
  EXPECT_LE(cutOrder(problem, layout, "board").size(), 6U);
}

/// What lies on a sheet, each piece as often as it does.
std::map<std::pair<std::size_t, bool>, int> heldOn(const CutSheet& sheet) {
  std::map<std::pair<std::size_t, bool>, int> held;
  for (const CutPlacement& at : sheet.placements) ++held[{at.piece, at.isTurned}];
  return held;
}

// Whatever lies side by side in another order: every sheet holds the same pieces, those that were
// put there stay, and no material takes more settings.
RC_GTEST_PROP(ForBench, ordersWhatLiesSideBySide, ()) {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(1, 7), 5, 2);
  for (CutPiece& piece : problem.pieces) piece.moment = *rc::gen::inRange(0, 3);
  for (CutStock& stock : problem.stocks)
    if (*rc::gen::arbitrary<bool>()) stock.left = stock.bottom = 0;
  CutLayout layout = laidOut(problem, 20);
  if (*rc::gen::arbitrary<bool>() && !layout.sheets.empty()) {
    const CutSheet& sheet = layout.sheets.back();
    const CutPlacement& at = sheet.placements.front();
    problem.pins = {{at.piece, sheet.stock, 0, at.x, at.y, at.isTurned}};
    layout = laidOut(problem, 20);
  }
  const CutLayout other = forBench(problem, layout, {});
  RC_ASSERT(faultIn(problem, other) == "");
  for (std::size_t s = 0; s < layout.sheets.size(); ++s) {
    const CutSheet &was = layout.sheets[s], &is = other.sheets[s];
    RC_ASSERT(heldOn(is) == heldOn(was));
    RC_ASSERT(lengthUsed(problem.stocks[is.stock], is) ==
              lengthUsed(problem.stocks[was.stock], was));
    for (std::size_t i = 0; was.pinned && i < was.placements.size(); ++i)
      RC_ASSERT(is.placements[i].x == was.placements[i].x &&
                is.placements[i].y == was.placements[i].y);
  }
  const OrderedLayout again = inOrder(problem, layout, "board");
  RC_ASSERT(again.settings <= cutOrder(problem, layout, "board").size());
  RC_ASSERT(again.settings == cutOrder(problem, again.layout, "board").size());
}

/// Pieces of one row from the left, where they were put but not pinned.
CutLayout inARow(const CutProblem& problem, const std::vector<std::size_t>& pieces) {
  CutProblem pinned = problem;
  Micrometres x = 0;
  for (const std::size_t piece : pieces) {
    pinned.pins.push_back({piece, 0, 0, x, 0, false});
    x += problem.pieces[piece].width;
  }
  CutLayout layout = laidOut(pinned);
  for (CutSheet& sheet : layout.sheets) sheet.pinned.reset();
  return layout;
}

// Boards, and between them what is cut after lining: boards at one setting, and the rest stays in
// one strip until then.
TEST(ForBench, putsTogetherWhatIsCutLater) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(900, 400)};
  problem.pieces = {test::pieceOf("board", 140, 400, 3), test::pieceOf("stiffener", 30, 400, 3)};
  problem.pieces[1].moment = 3;
  const CutLayout layout = inARow(problem, {1, 0, 1, 0, 1, 0});
  EXPECT_GE(cutOrder(problem, layout, "board").size(), 4U);
  const auto steps = cutOrder(problem, forBench(problem, layout, {}), "board");
  ASSERT_EQ(steps.size(), 2U);
  EXPECT_EQ(std::pair(steps[0].reading, steps[0].cuts.size()),
            std::pair(140 * kMm, std::size_t{3}));
  EXPECT_EQ(std::pair(steps[1].reading, steps[1].cuts.size()), std::pair(30 * kMm, std::size_t{3}));
}

// What is left over in two places is one rectangle then, worth keeping.
TEST(ForBench, putsTogetherWhatIsLeftOver) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(300, 400)};
  problem.pieces = {test::pieceOf("a", 100, 400, 2)};
  problem.pins = {{0, 0, 0, 40 * kMm, 0, false}, {0, 0, 0, 180 * kMm, 0, false}};
  CutLayout layout = laidOut(problem);
  const auto kept = [&](const CutLayout& each) {
    return usableLeft(problem.stocks[0], forBench(problem, each, {}).sheets[0], {}).size();
  };
  EXPECT_EQ(kept(layout), 0U);
  layout.sheets[0].pinned.reset();
  EXPECT_EQ(kept(layout), 1U);
}

// Tape is cut off its roll piece by piece; cloth with selvedges first by the length that is wanted.
TEST(CutOrder, cutsWhatHasNoEdgesStraightOffTheRoll) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(10, 18'000)};
  problem.stocks[0].form = StockForm::Roll;
  problem.pieces = {test::pieceOf("tape", 10, 142, 72)};
  const auto readings = [&] {
    std::vector<std::pair<Micrometres, std::size_t>> all;
    for (const GaugeStep& step : cutOrder(problem, laidOut(problem), "board"))
      all.emplace_back(step.reading / kMm, step.cuts.size());
    return all;
  };
  EXPECT_EQ(readings(), (std::vector<std::pair<Micrometres, std::size_t>>{{142, 72}}));
  problem.stocks[0].across = 12 * kMm;
  problem.stocks[0].left = 2 * kMm;
  EXPECT_EQ(readings(),
            (std::vector<std::pair<Micrometres, std::size_t>>{{10'224, 1}, {10, 1}, {142, 71}}));
}

// Three strips that fill a sheet, in one of which a little is left over: that one stays when the
// others are cut off, wherever it lies, and its width is not measured.
TEST(CutOrder, leavesWhatNeedNotBeSoWide) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(500, 400)};
  problem.pieces = {test::pieceOf("a", 150, 400, 2), test::pieceOf("b", 190, 180, 2)};
  for (const Micrometres b : {0, 150, 300}) {
    const std::array<Micrometres, 2> a{b == 0 ? 200 : 0, b == 300 ? 150 : 350};
    problem.pins = {{0, 0, 0, a[0] * kMm, 0, false},
                    {0, 0, 0, a[1] * kMm, 0, false},
                    {1, 0, 0, b * kMm, 0, false},
                    {1, 0, 0, b * kMm, 180 * kMm, false}};
    std::map<Micrometres, std::size_t> cuts;
    for (const GaugeStep& step : cutOrder(problem, laidOut(problem), "board"))
      cuts[step.reading / kMm] += step.cuts.size();
    EXPECT_EQ(cuts[150], 2U);
    EXPECT_EQ(cuts.count(200), 0U) << "b's strip";
  }
}

// Where all have to be measured one does not: that of which the setting is needed nowhere else.
TEST(CutOrder, leavesWhatIsMeasuredNowhereElse) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(500, 400)};
  problem.pieces = {test::pieceOf("a", 150, 400, 2), test::pieceOf("b", 200, 400, 1)};
  const auto steps = cutOrder(problem, inARow(problem, {0, 1, 0}), "board");
  ASSERT_EQ(steps.size(), 1U);
  EXPECT_EQ(steps[0].reading, 150 * kMm);
}

// Four pieces of 8 23/32 in side by side, each rounded to a micrometre, are 34 7/8 in.
TEST(CutWords, aSumOfMarksIsAMark) {
  Notation inches;
  inches.units = Units::Inches;
  EXPECT_EQ(cutLengthWords(4 * 221'456, inches), "34 7/8 in");
  EXPECT_EQ(cutLengthWords(4 * 221'457, inches), "34 7/8 in");
  EXPECT_EQ(cutLengthWords(885'900, inches), "≈34 7/8 in");
}

}  // namespace
}  // namespace drapery
