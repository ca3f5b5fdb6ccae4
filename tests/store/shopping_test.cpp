// What is to be bought, and that pieces are cut from what is as thick and as heavy as they want.
#include "store/shopping_list.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <numeric>
#include <set>

#include "core/cutting/cut_rectangle.h"
#include "core/plan/job_field.h"
#include "store/stock_json.h"
#include "tests/support/books.h"
#include "tests/support/command.h"
#include "tests/support/cutting.h"
#include "words/cut_words.h"
#include "words/issue_words.h"
#include "words/shopping_words.h"

namespace drapery {
namespace {

using ::testing::ElementsAre;
using ::testing::HasSubstr;
using ::testing::IsEmpty;

/// The book laid out on a shelf.
BooksLaidOut laid(const Job& job, const Stock& shelf, std::uint64_t steps = 30) {
  BooksLaidOut found;
  found.books = {
      {std::make_shared<const Job>(job), std::make_shared<const Plan>(test::planOf(job).plan)}};
  found.work = cutWorkOf(found.books, shelf, *makeCatalogue());
  found.layout = test::laidOut(found.work.problem, steps);
  return found;
}

ShoppingList shopped(const BooksLaidOut& found, const Stock& shelf) {
  return shoppingList(found, shelf, *makeCatalogue());
}

Stock demoShelf() {
  return std::get<Stock>(readStock(test::projectFile("demo/stock/shelf.json"), "shelf.json"));
}

const ToGet* of(const ShoppingList& list, const std::string& kind) {
  for (const ToGet& each : list.missing)
    if (each.kind == kind) return &each;
  return nullptr;
}

std::size_t pieceNamed(const BooksLaidOut& found, const std::string& id) {
  const auto& pieces = found.work.problem.pieces;
  return static_cast<std::size_t>(
      std::find_if(pieces.begin(), pieces.end(),
                   [&](const CutPiece& piece) { return piece.id == id; }) -
      pieces.begin());
}

/// The stocks that a piece may be cut from.
std::vector<std::string> stocksOf(const BooksLaidOut& found, const std::string& id) {
  std::vector<std::string> all;
  const std::string material = found.work.problem.pieces[pieceNamed(found, id)].material;
  for (const CutStock& stock : found.work.problem.stocks)
    if (stock.material == material) all.push_back(stock.id);
  return all;
}

// Any book and an empty shelf: every piece is on the list once, among others of its make, and what
// is told of each size is room for all of them.
RC_GTEST_PROP(AnyShopping, hasEveryPieceOnce, ()) {
  const Job job = *test::anyJob(*rc::gen::elementOf(test::kMethods));
  const BooksLaidOut found = laid(job, {});
  RC_PRE(found.books[0].plan->rules != nullptr);
  const ShoppingList list = shopped(found, {});
  RC_ASSERT(list.more.empty());
  std::multiset<std::size_t> listed;
  for (const ToGet& each : list.missing) {
    double area = 0.0;
    for (const Unplaced& unplaced : each.pieces) {
      listed.insert(unplaced.piece);
      const CutPiece& piece = found.work.problem.pieces[unplaced.piece];
      const PlannedPart& part = *found.work.pieces[unplaced.piece].part;
      area += double(piece.width) * double(piece.height) * unplaced.count;
      RC_ASSERT(unplaced.count == piece.count);
      RC_ASSERT(part.material == each.kind && part.named == each.named);
      const WantedMake wanted = wantedMake(each.kind, part, *found.books[0].plan);
      RC_ASSERT(wanted.thickness == each.thickness);
      RC_ASSERT(wanted.grammage == each.grammage);
    }
    double used = 1.0;
    for (const SoldSize& size : each.sold) {
      RC_ASSERT(size.used <= used + 1e-12);
      used = size.used;
      RC_ASSERT(used > 0.0);
      const bool isRoll = size.of.form == StockForm::Roll;
      RC_ASSERT((size.length > 0) == isRoll);
      RC_ASSERT((size.sheets > 0) != isRoll);
      const double room = isRoll ? double(size.of.across) * double(size.length)
                                 : double(size.of.across) * double(size.of.along) * size.sheets;
      RC_ASSERT(std::abs(area / room - used) < 1e-9);
    }
  }
  RC_ASSERT(listed.size() == found.layout.unplaced.size());
  RC_ASSERT(std::set(listed.begin(), listed.end()).size() == listed.size());
}

/// Any book, once or as an edition.
Job anyEdition() {
  Job job = *test::anyJob(*rc::gen::elementOf(test::kMethods));
  job.copies = *rc::gen::element(1.0, 2.0, 6.0);
  return job;
}

// Bought so, all of it finds room on just that: each thing in the first size on the list.
RC_GTEST_PROP(AnyShopping, holdsTheBookOnceItWasBought, ()) {
  BooksLaidOut found = laid(anyEdition(), {});
  RC_PRE(found.books[0].plan->rules != nullptr);
  const Reckoning how{*rc::gen::arbitrary<bool>()};
  found.shopping = shoppingList(found, {}, *makeCatalogue(), how);
  const BooksLaidOut supposed = laidOnShopping(found, *makeCatalogue(), how);
  RC_ASSERT(supposed.isSupposed);
  std::size_t stock = 0;
  for (const ToGet& each : found.shopping.missing) {
    if (each.sold.empty()) continue;
    int sheets = 0;
    Micrometres length = 0;
    for (const CutSheet& sheet : supposed.layout.sheets) {
      if (sheet.stock != stock) continue;
      sheets += sheet.repeat;
      length += lengthUsed(supposed.work.problem.stocks[stock], sheet) * sheet.repeat;
    }
    const SoldSize& size = each.sold.front();
    const bool isRoll = size.of.form == StockForm::Roll;
    RC_ASSERT((isRoll ? length == size.length : sheets == size.sheets));
    ++stock;
  }
  for (const Unplaced& each : supposed.layout.unplaced) {
    const PlannedPart& part = *supposed.work.pieces[each.piece].part;
    bool isSold = false;
    for (const ToGet& wanted : found.shopping.missing)
      for (const Unplaced& of : wanted.pieces)
        if (found.work.pieces[of.piece].part->rule == part.rule) isSold = !wanted.sold.empty();
    RC_ASSERT(!isSold);
  }
}

// At a glance the same is to be got, of nothing less than when it is reckoned.
RC_GTEST_PROP(AnyShopping, isNoLessAtAGlance, ()) {
  const BooksLaidOut found = laid(anyEdition(), {});
  RC_PRE(found.books[0].plan->rules != nullptr);
  const ShoppingList rough = shoppingList(found, {}, *makeCatalogue(), {true});
  const ShoppingList list = shopped(found, {});
  RC_ASSERT(rough.isRough && !list.isRough);
  RC_ASSERT(rough.missing.size() == list.missing.size());
  for (std::size_t i = 0; i < list.missing.size(); ++i) {
    const ToGet &glance = rough.missing[i], &each = list.missing[i];
    RC_ASSERT(glance.kind == each.kind && glance.pieces.size() == each.pieces.size());
    RC_ASSERT(glance.sold.size() == each.sold.size() && glance.isTooLarge == each.isTooLarge);
    if (!each.sold.empty()) RC_ASSERT(glance.sold.front().used <= each.sold.front().used + 1e-12);
  }
}

// Of a roll what is asked for in a shop: metres or yards, rounded up. An inch is 25.4 mm, a yard 36
// of them (international yard and pound agreement, 1959).
TEST(Shopping, asksForMetresOrYards) {
  const Notation inches{Units::Inches, Length::fromMm(0.5)};
  EXPECT_EQ(rollLengthWords(999'500, {}), "999.5 mm");
  EXPECT_EQ(rollLengthWords(1'000'000, {}), "1 m");
  EXPECT_EQ(rollLengthWords(13'407'500, {}), "13.41 m");
  EXPECT_EQ(rollLengthWords(901'700, inches), "35 1/2 in");
  EXPECT_EQ(rollLengthWords(914'400, inches), "36 in (1 yd)");
  EXPECT_EQ(rollLengthWords(2'540'000, inches), "100 in (2 7/8 yd)");
  // What lies there is never more than there is.
  StockItem roll;
  roll.lies = test::rollAndOffCuts(1).stocks[0];
  roll.lies.along = 2'539'999;
  EXPECT_EQ(stockSizeWords(roll, {}), "1000 mm wide, 2.53 m long");
  EXPECT_EQ(stockSizeWords(roll, inches),
            "1000 mm wide, 2.53 m long; ≈39 3/8 in wide, 2 3/4 yd long");
}

// Up to forty pieces of one material are tried at as often as can be, of ten times as many a tenth.
TEST(Reckoning, triesLessOftenAtMany) {
  CutProblem problem;
  problem.pieces = {test::pieceOf("a", 10, 10, 40), test::pieceOf("b", 10, 10, 40)};
  problem.pieces[1].material = "another";
  EXPECT_EQ(Reckoning().limits(problem, 20).steps, 20U);
  problem.pieces[0].count = 400;
  EXPECT_EQ(Reckoning().limits(problem, 20).steps, 2U);
  problem.pieces[0].count = 20'000;
  EXPECT_EQ(Reckoning().limits(problem, 20).steps, 1U);
  EXPECT_EQ(Reckoning{true}.limits(problem, 20).seconds, 0.0);
}

// Two boards of 140 x 216.5 and a stiffener of 23 x 216.5 beside each other: 303 wide.
TEST(Shopping, tellsASizeAndHowMuchOfItIsUsed) {
  Job job = test::plainJob();
  setField(job, "given/board_thickness", test::entryOf("2.4"));
  const BooksLaidOut found = laid(job, {});
  const ShoppingList list = shopped(found, {});
  const ToGet* board = of(list, "board");
  ASSERT_NE(board, nullptr);
  EXPECT_EQ(board->thickness, 2400);
  EXPECT_THAT(board->instead, HasSubstr("Two thinner boards"));
  ASSERT_FALSE(board->sold.empty());
  EXPECT_EQ(soldWords(board->sold[0], {}), "1 of 500 × 700 mm, 19 % used");
  EXPECT_EQ(askFor(*board, {}), ", 2.4 mm thick");
  const ToGet* cloth = of(list, "cloth");
  ASSERT_NE(cloth, nullptr);
  EXPECT_THAT(soldWords(cloth->sold[0], {}), HasSubstr(" of 38 in roll, "));
  const ToGet* paper = of(list, "paper");
  ASSERT_NE(paper, nullptr);
  EXPECT_EQ(askFor(*paper, {}), ", 120 to 160 g/m²");  // endpapers
  // Folded endpapers 287.5 x 210: two on an A3 with its grain along 420.
  EXPECT_EQ(soldWords(paper->sold[0], {}), "1 of A3 (297 × 420 mm), 97 % used");
  EXPECT_NEAR(paper->sold[0].used, 2 * 287.5 * 210 / (297.0 * 420.0), 0.02);
}

// Folded endpapers of a landscape book are wider than any sheet whose grain is long.
TEST(Shopping, asksForAGrainThatIsShortWhereThatHoldsMore) {
  Job job = test::plainJob();
  setField(job, "given/text_width", test::entryOf("380"));
  const ShoppingList list = shopped(laid(job, {}), {});
  const ToGet* paper = of(list, "paper");
  ASSERT_NE(paper, nullptr);
  ASSERT_FALSE(paper->sold.empty());
  for (const SoldSize& size : paper->sold) EXPECT_GE(size.of.across, 760'000);
  EXPECT_THAT(soldWords(paper->sold[0], {}), HasSubstr("grain short"));
  // Of each size only the better way.
  std::set<std::pair<Micrometres, Micrometres>> sizes;
  for (const SoldSize& size : paper->sold)
    EXPECT_TRUE(sizes.insert(std::minmax(size.of.across, size.of.along)).second);
}

// Whole micrometres are off the marks of a rule, 3/32 in by an eighth of one.
TEST(Shopping, whatIsBoughtIsCalledByTheMarksOfARule) {
  ToGet wanted;
  wanted.kind = "board";
  wanted.units = Units::Inches;
  for (const auto& [mark, words] :
       {std::pair(3.0 / 32, "3/32 in"), {1.0 / 64, "1/64 in"}, {1.0 / 8, "1/8 in"}}) {
    wanted.thickness = std::llround(25'400 * mark);
    SoldSize size;
    size.of.across = 500'000;
    size.of.along = 700'000;
    EXPECT_EQ(stockBought(wanted, size).lies.id, "board, " + std::string(words) + ", 500 × 700 mm");
    EXPECT_EQ(askFor(wanted, {Units::Inches, Length::fromMm(0.5)}),
              ", " + std::string(words) + " thick");
  }
}

// Of a stock that is bought again more of it; of what only off-cuts are left, or nothing is large
// enough, a size that is sold.
TEST(Shopping, asksForMoreOfWhatIsSoldAgain) {
  Job job = test::plainJob();
  job.copies = 40.0;
  Stock shelf = demoShelf();
  std::erase_if(shelf.items, [](const StockItem& item) { return item.lies.material != "board"; });
  for (StockItem& item : shelf.items) item.lies.count = 1;
  BooksLaidOut found = laid(job, shelf);
  ShoppingList list = shopped(found, shelf);
  ASSERT_EQ(list.more.size(), 1U);
  EXPECT_EQ(found.work.problem.stocks[list.more[0].stock].id, "grey board 700 x 1000");
  EXPECT_EQ(of(list, "board"), nullptr);
  std::erase_if(shelf.items, [](const StockItem& item) { return !item.isOffCut; });
  found = laid(job, shelf);
  list = shopped(found, shelf);
  EXPECT_TRUE(list.more.empty());
  ASSERT_NE(of(list, "board"), nullptr);
  int count = 0;
  for (const Unplaced& each : of(list, "board")->pieces) count += each.count;
  EXPECT_GT(count, 0);
  EXPECT_LT(count, 120);  // some lie on the off-cut
}

// A book of 700 mm: its boards are larger than those that are sold, its endpapers than any paper.
TEST(Shopping, saysThatNoSizeHoldsThem) {
  Job job = test::plainJob();
  setField(job, "given/text_height", test::entryOf("1100"));
  setField(job, "given/text_width", test::entryOf("700"));
  const BooksLaidOut found = laid(job, {});
  const ShoppingList list = shopped(found, {});
  for (const char* kind : {"board", "paper"}) {
    ASSERT_NE(of(list, kind), nullptr) << kind;
    EXPECT_TRUE(of(list, kind)->sold.empty());
    EXPECT_TRUE(of(list, kind)->isTooLarge);
  }
}

// Cancelled it tells what is missing, and claims nothing of sizes that were not tried.
TEST(Shopping, whatWasCancelledClaimsNothing) {
  const BooksLaidOut found = laid(test::plainJob(), {});
  const ShoppingList list = shoppingList(found, {}, *makeCatalogue(), {false, [] { return true; }});
  ASSERT_NE(of(list, "board"), nullptr);
  for (const ToGet& each : list.missing) {
    EXPECT_TRUE(each.sold.empty()) << each.kind;
    EXPECT_FALSE(each.isTooLarge) << each.kind;
  }
}

// Cords and tapes by their length.
TEST(Shopping, addsUpWhatIsSoldByLength) {
  Job job = test::plainJob("concertina");
  job.allowances["ties"] = {std::string("ties_through"), {}};
  const BooksLaidOut found = laid(job, {});
  const std::size_t tie = pieceNamed(found, "tie");
  const ShoppingList list = shopped(found, {});
  ASSERT_LT(tie, found.work.problem.pieces.size());
  ASSERT_NE(of(list, "cord"), nullptr);
  const CutPiece& piece = found.work.problem.pieces[tie];
  EXPECT_EQ(of(list, "cord")->length, piece.count * std::max(piece.width, piece.height));
}

// The shelf has boards of 1.9, 2.4 and 3.2 mm; which a book takes follows from its board.
TEST(Makes, boardsAreCutFromBoardsAsThick) {
  Job job = test::plainJob();
  const auto boardsFrom = [&](const char* thickness) {
    setField(job, "given/board_thickness", test::entryOf(thickness));
    return stocksOf(laid(job, demoShelf(), 1), "board");
  };
  EXPECT_THAT(boardsFrom("2.4"), ElementsAre("grey board 700 x 1000", "grey board, off-cut 1"));
  EXPECT_THAT(boardsFrom("2.2"), ElementsAre("grey board 700 x 1000", "grey board, off-cut 1"));
  EXPECT_THAT(boardsFrom("2"), ElementsAre("thin board 700 x 1000"));
  EXPECT_THAT(boardsFrom("1/8 in"), ElementsAre("mill board 26 x 38 in"));
  // None is as thick: any is taken, and it is said.
  EXPECT_EQ(boardsFrom("1").size(), 4U);
  const BooksLaidOut found = laid(job, demoShelf());
  const auto others = found.otherMakes(demoShelf());
  ASSERT_FALSE(others.empty());
  EXPECT_EQ(others[0].what, OtherMake::What::Thickness);
  EXPECT_THAT(otherMakeWords(others[0], "Board", {}), HasSubstr("Board is reckoned 1 mm thick; "));
}

// Boards of 3.2 mm where only those of 1.6 lie are two of these each, pasted together (common
// practice); half a board that was cut so is half of one when one of 3.2 is there.
TEST(Makes, boardsArePastedOfTwoWhereNoneIsAsThick) {
  Job job = test::plainJob();
  job.copies = 3.0;
  setField(job, "given/board_thickness", test::entryOf("3.2"));
  Stock shelf = demoShelf();
  const auto board = [&](const char* id) -> StockItem& {
    return *std::find_if(shelf.items.begin(), shelf.items.end(),
                         [&](const StockItem& item) { return item.lies.id == id; });
  };
  board("thin board 700 x 1000").thickness = 1600;
  const auto boards = [&] {
    const BooksLaidOut found = laid(job, shelf, 1);
    const std::size_t piece = pieceNamed(found, "board");
    if (piece == found.work.pieces.size()) return std::pair(0, 1);
    return std::pair(found.work.problem.pieces[piece].count, found.work.pieces[piece].layers);
  };
  // Used up, more of it is to be bought.
  EXPECT_EQ(boards(), std::pair(6, 1));
  board("mill board 26 x 38 in").lies.count = 0;
  EXPECT_EQ(boards(), std::pair(6, 1));
  const StockItem mill = board("mill board 26 x 38 in");
  const auto takeMillBoard = [&] {
    std::erase_if(shelf.items, [&](const StockItem& item) { return item.lies.id == mill.lies.id; });
  };
  takeMillBoard();
  EXPECT_EQ(boards(), std::pair(12, 2));
  const BooksLaidOut found = laid(job, shelf);
  EXPECT_THAT(stocksOf(found, "board"), ElementsAre("thin board 700 x 1000"));
  std::vector<std::string> told;
  for (const OtherMake& each : found.otherMakes(shelf))
    if (each.piece == pieceNamed(found, "board")) told.push_back(otherMakeWords(each, "Board", {}));
  EXPECT_THAT(told, ElementsAre("Board is reckoned 3.2 mm thick: 2 layers of thin board 700 x 1000 "
                                "come to 3.2 mm."));
  job.cutting.done = {
      {"thin board 700 x 1000", "", {{"board", 5}}, {}, 0, false, {}, {{"board", 2}}}};
  EXPECT_EQ(boards(), std::pair(7, 2));
  shelf.items.push_back(mill);
  EXPECT_EQ(boards(), std::pair(4, 1));
  job.cutting.done[0].pieces["board"] = 12;
  EXPECT_EQ(boards(), std::pair(0, 1));
  // Of a mock-up's paper nothing is pasted; nor of what is too small for it.
  job.cutting = {};
  takeMillBoard();
  job.cutting.mockUp = "kraft 700 x 1000";
  EXPECT_EQ(boards(), std::pair(6, 1));
  job.cutting = {};
  board("thin board 700 x 1000").lies.along = 100'000;
  EXPECT_EQ(boards(), std::pair(6, 1));
}

// What is missing of a layer is asked for as thick as that.
TEST(Makes, aLayerThatIsMissingIsBoughtAsThin) {
  Job job = test::plainJob();
  setField(job, "given/board_thickness", test::entryOf("3.2"));
  Stock shelf = demoShelf();
  std::erase_if(shelf.items, [](const StockItem& item) {
    return item.lies.material == "board" && item.lies.id != "grey board, off-cut 1";
  });
  StockItem& offCut = *std::find_if(shelf.items.begin(), shelf.items.end(),
                                    [](const StockItem& item) { return item.isOffCut; });
  offCut.thickness = 1600;
  offCut.lies.across = 240'000;
  const BooksLaidOut found = laid(job, shelf);
  const ShoppingList list = shopped(found, shelf);
  const ToGet* missing = of(list, "board");
  ASSERT_NE(missing, nullptr);
  EXPECT_EQ(missing->thickness, 1600);
  ASSERT_EQ(missing->pieces.size(), 1U);
  EXPECT_GT(missing->pieces[0].count, 0);
  EXPECT_LT(missing->pieces[0].count, 4);
}

// A book with boards of two thicknesses is cut from both.
TEST(Makes, aBookMayWantTwoThicknesses) {
  Job job = test::plainJob("spring-back");
  setField(job, "given/board_thickness", test::entryOf("3.2"));
  setField(job, "given/split_thickness", test::entryOf("2"));
  const BooksLaidOut found = laid(job, demoShelf());
  EXPECT_THAT(stocksOf(found, "board"), ElementsAre("mill board 26 x 38 in"));
  EXPECT_THAT(stocksOf(found, "split"), ElementsAre("thin board 700 x 1000"));
}

TEST(Makes, endpapersAreCutFromPaperAsHeavy) {
  Stock shelf = demoShelf();
  StockItem light = *shelf.named("endpaper 640 x 900");
  light.lies.id = "book paper";
  light.lies.cost = 0.2;
  light.grammage = 80.0;
  shelf.items.insert(shelf.items.begin(), light);
  EXPECT_THAT(stocksOf(laid(test::plainJob(), shelf), "endpaper"),
              ElementsAre("endpaper 640 x 900"));
  std::erase_if(shelf.items,
                [](const StockItem& item) { return item.lies.id == "endpaper 640 x 900"; });
  const BooksLaidOut found = laid(test::plainJob(), shelf);
  EXPECT_THAT(stocksOf(found, "endpaper"), ElementsAre("book paper"));
  const auto others = found.otherMakes(shelf);
  ASSERT_EQ(others.size(), 1U);
  EXPECT_EQ(otherMakeWords(others[0], "Endpaper", {}),
            "Endpaper is to weigh 120 to 160 g/m²; book paper weighs 80 g/m².");
}

// So many layers come nearly to what is wanted, and fewer do not.
RC_GTEST_PROP(AnyMakes, layersAreTheFewestThatComeToIt, ()) {
  const WantedMake wanted{"board", *rc::gen::inRange(1, 8000), {}};
  std::vector<StockMake> there;
  for (int i = *rc::gen::inRange(1, 5); i > 0; --i)
    there.push_back({"board", *rc::gen::inRange(1, 5000), 0.0, Units::Millimetres, 1.0});
  const int most = *rc::gen::inRange(1, 5);
  const auto comesTo = [&](int layers) {
    return std::any_of(there.begin(), there.end(), [&](const StockMake& stock) {
      const double off = std::abs(double(wanted.thickness) - layers * double(stock.thickness));
      return off <= std::max(100.0, 0.1 * double(wanted.thickness));
    });
  };
  const int layers = layersFor(wanted, there, most);
  RC_ASSERT(layers >= 1 && layers <= most);
  bool isNone = true;  // of all numbers
  for (int fewer = 1; fewer <= most; ++fewer) isNone = isNone && !comesTo(fewer);
  RC_ASSERT(comesTo(layers) || (layers == 1 && isNone));
  for (int fewer = 1; fewer < layers; ++fewer) RC_ASSERT(!comesTo(fewer));
}

// Any pieces and stocks: none is cut from what is of another thickness while there is some that is
// not, all lie on their material, and where nothing contradicts all is called as before.
RC_GTEST_PROP(AnyMakes, noneIsCutFromAnotherWhileThereIsTheRight, ()) {
  const auto thickness = [] { return *rc::gen::element(0, 0, 1000, 1900, 2000, 2400, 3200); };
  const auto material = [] { return *rc::gen::element<std::string>("board", "card"); };
  std::vector<WantedMake> pieces;
  std::vector<StockMake> stocks;
  for (int i = *rc::gen::inRange(1, 6); i > 0; --i)
    pieces.push_back({material(), thickness(), {}, *rc::gen::inRange(1, 3)});
  for (int i = *rc::gen::inRange(1, 6); i > 0; --i)
    stocks.push_back({material(), thickness(), 0.0, Units::Millimetres, 1.0});
  const SortedMakes sorted = sortedMakes(pieces, stocks);
  bool isContradicted = false;
  for (std::size_t p = 0; p < pieces.size(); ++p) {
    bool hasRight = false, hasAny = false;
    for (const StockMake& stock : stocks) {
      if (stock.material != pieces[p].material) continue;
      hasAny = true;
      const bool isOther = isOtherThickness(pieces[p], stock);
      hasRight = hasRight || !isOther;
      isContradicted = isContradicted || isOther;
    }
    bool isServed = false;
    for (std::size_t s = 0; s < stocks.size(); ++s) {
      if (sorted.stocks[s] != sorted.pieces[p]) continue;
      isServed = true;
      RC_ASSERT(stocks[s].material == pieces[p].material);
      if (hasRight) RC_ASSERT(!isOtherThickness(pieces[p], stocks[s]));
    }
    RC_ASSERT(isServed == hasAny);
  }
  // What is told as so thick is.
  for (std::size_t a = 0; a < stocks.size(); ++a)
    for (std::size_t b = 0; b < stocks.size(); ++b)
      if (sorted.stocks[a] == sorted.stocks[b] && sorted.stocks[a].find(" mm") != std::string::npos)
        RC_ASSERT(stocks[a].thickness == stocks[b].thickness);
  if (isContradicted) return;
  for (std::size_t p = 0; p < pieces.size(); ++p) RC_ASSERT(sorted.pieces[p] == pieces[p].material);
}

// Where off-cuts are said to spare a sheet, taking them in its place leaves no piece without room.
RC_GTEST_PROP(AnySpareSheet, isSparedByTheOffCutsThatAreTold, ()) {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(1, 4), 5, 4);
  std::vector<bool> isOffCut;
  for (CutStock& stock : problem.stocks) {
    stock.form = StockForm::Sheet;
    isOffCut.push_back(!isOffCut.empty() && *rc::gen::inRange(0, 3) > 0);
    stock.cost = isOffCut.back() ? 50.0 : 1.0;  // so that they lie idle
    stock.count = isOffCut.back() ? std::optional(*rc::gen::inRange(0, 3)) : std::nullopt;
  }
  const CutLayout layout = test::laidOut(problem, 20);
  for (const SpareSheet& each : spareSheets(problem, layout, isOffCut)) {
    RC_ASSERT(!isOffCut[each.stock] && !each.offCuts.empty());
    CutProblem without = problem;
    std::map<std::size_t, int> taken;
    for (const CutSheet& sheet : layout.sheets) taken[sheet.stock] += sheet.repeat;
    --taken[each.stock];
    for (std::size_t s = 0; s < problem.stocks.size(); ++s) {
      const bool isTold = std::count(each.offCuts.begin(), each.offCuts.end(), s) > 0;
      if (isTold) RC_ASSERT(isOffCut[s] && *problem.stocks[s].count > taken[s]);
      without.stocks[s].count = isTold ? *problem.stocks[s].count : taken[s];
    }
    RC_ASSERT(test::laidOut(without, 400).unplaced.size() <= layout.unplaced.size());
  }
}

TEST(SpareSheet, isToldWhereOffCutsHoldWhatLiesOnIt) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(700, 1000), test::sheetOf(300, 300)};
  problem.stocks[1].id = "off-cut";
  problem.stocks[1].count = 2;
  problem.stocks[1].cost = 5.0;  // dearer than a sheet: it lies idle
  problem.pieces = {test::pieceOf("board", 140, 290, 4)};
  const auto spare = [&] { return spareSheets(problem, test::laidOut(problem), {false, true}); };
  ASSERT_EQ(spare().size(), 1U);
  EXPECT_THAT(spare()[0].offCuts, ElementsAre(1U));
  problem.stocks[1].count = 1;  // two of the four
  EXPECT_THAT(spare(), IsEmpty());
  problem.stocks[1].count = 2;
  problem.pieces[0].height = 301 * test::kMm;
  EXPECT_THAT(spare(), IsEmpty());
}

TEST(Kinds, thatShipAreSoundAndAHouseHasItsOwn) {
  for (const MaterialKind& kind : makeCatalogue()->kinds()) EXPECT_FALSE(kind.practice.empty());
  const test::TemporaryFolder folder;
  folder.write("ours.toml",
               "schema = \"drapery-materials/1\"\n[[kind]]\nid = \"board\"\n"
               "sheets = [[\"24 in\", \"30 in\", \"ours\"]]\n");
  const CataloguePtr ours = makeCatalogue(folder.path());
  ASSERT_NE(ours->kind("board"), nullptr);
  ASSERT_EQ(ours->kind("board")->sheets.size(), 1U);
  EXPECT_EQ(ours->kind("board")->sheets[0].units, Units::Inches);
  const ShoppingList list = shoppingList(laid(test::plainJob(), {}), {}, *ours);
  EXPECT_EQ(soldWords(of(list, "board")->sold.at(0), {}), "1 of ours (24 × 30 in), 14 % used");
  for (const auto& [line, message] :
       {std::pair{"sheets = [[\"24 in\"]]", "sheets: a list is not allowed"},
        {"sheets = [[0, 3]]", "sheets: a list is not allowed"},
        {"rolls = [\"wide\"]", "rolls"},
        {"role = 3", "role"}}) {
    const std::vector<TomlFile> files{
        {"x.toml",
         std::string("schema = \"drapery-materials/1\"\n[[kind]]\nid = \"x\"\n") + line + "\n"}};
    const MaterialCatalogue wrong(files);
    ASSERT_EQ(wrong.issues().size(), 1U) << line;
    EXPECT_THAT(placedWords(wrong.issues().front(), {}), HasSubstr(message));
    EXPECT_THAT(wrong.kinds(), IsEmpty());
  }
}

TEST(GrainSide, isAlongTheLongerSideOrNot) {
  CutStock stock = test::sheetOf(640, 900);
  EXPECT_EQ(grainSideWords(stock), "grain long");
  stock.grain = StockGrain::Across;
  EXPECT_EQ(grainSideWords(stock), "grain short");
  std::swap(stock.across, stock.along);
  EXPECT_EQ(grainSideWords(stock), "grain long");
  stock.across = stock.along;
  EXPECT_EQ(grainSideWords(stock), "");
}

}  // namespace
}  // namespace drapery
