// What lies there: its file, what is taken from it, and books laid out on it.
#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <array>

#include "core/cutting/cut_rectangle.h"
#include "core/cutting/lay_out.h"
#include "core/cutting/thread_stock.h"
#include "core/cutting/to_buy.h"
#include "core/plan/job_field.h"
#include "store/cut_work.h"
#include "store/job_file.h"
#include "store/stock_json.h"
#include "store/stock_shelf.h"
#include "tests/support/books.h"
#include "tests/support/command.h"
#include "tests/support/cutting.h"
#include "words/cut_words.h"
#include "words/issue_words.h"
#include "words/shopping_words.h"

namespace drapery {
namespace {

using test::kMm;
using ::testing::Contains;
using ::testing::HasSubstr;

Stock demoShelf() {
  return std::get<Stock>(readStock(test::projectFile("demo/stock/shelf.json"), "shelf.json"));
}

/// Of what outlives it.
BookToCut bookOf(const Job& job, const Plan& plan) {
  return {{std::shared_ptr<const Job>(), &job}, {std::shared_ptr<const Plan>(), &plan}};
}

CutDone cutOf(std::map<std::string, int> pieces) {
  CutDone done;
  done.stock = "grey board 700 x 1000";
  done.pieces = std::move(pieces);
  return done;
}

std::string messages(const std::string& text) {
  const auto read = readStock(text, "s.json");
  std::string all;
  if (const auto* issues = std::get_if<Issues>(&read))
    for (const Issue& issue : *issues) all += placedWords(issue, {}) + "\n";
  return all;
}

TEST(Stock, isReadAndWrittenAlike) {
  const Stock shelf = demoShelf();
  const std::string text = writeStock(shelf);
  const auto again = readStock(text, "again");
  ASSERT_TRUE(std::holds_alternative<Stock>(again));
  EXPECT_EQ(writeStock(std::get<Stock>(again)), text);
  const StockItem* tissue = shelf.named("tissue 20 x 30 in");
  ASSERT_NE(tissue, nullptr);
  EXPECT_EQ(tissue->lies.across, 508 * kMm);
  EXPECT_EQ(tissue->units, Units::Inches);
  EXPECT_TRUE(shelf.named("grey board, off-cut 1")->isOffCut);
  EXPECT_EQ(shelf.named("endpaper 640 x 900")->grammage, 130.0);
  EXPECT_EQ(shelf.named("endpaper 640 x 900")->grainTest->sign, GrainSign::Damp);
}

TEST(Stock, everyMistakeIsToldAtItsPlace) {
  const auto item = [](const std::string& more) {
    return R"({"schema": "drapery-stock/1", "stocks": [{"id": "a", "material": "board", "W": 700, "L": 1000)" +
           more + "}]}";
  };
  EXPECT_EQ(messages(item("")), "");
  for (const auto& [more, told] :
       {std::pair{R"(, "cuont": 3)", "count"},
        {R"(, "count": -1)", "stocks[0].count: -1 is not allowed; from 0 to 1000000"},
        {R"(, "count": 1.5)", "whole"},
        {R"(, "off_cut": 1)", "true or false"},
        {R"(, "thickness": -2)", "stocks[0].thickness: -2 mm is not allowed"},
        {R"(, "thickness": "thick")", "a length"},
        {R"(, "grammage": 5001)", "stocks[0].grammage: 5001 is not allowed; from 0 to 5000"},
        {R"(, "grain_test": {"by": "taste"})", "bend, damp, tear"},
        {R"(, "kerf": 900)", "kerf"},
        {R"(}, {"id": "a", "material": "board", "W": 1, "L": 1)", "a"}})
    EXPECT_THAT(messages(item(more)), HasSubstr(told)) << more;
  const std::string two = messages(
      R"({"schema": "drapery-stock/1", "usable": {"narow": 5}, "stocks": [{"id": "a", "W": 0, "L": "1 ell"}]})");
  for (const char* told : {"narow", "material", "stocks[0].W: 0 mm", "stocks[0].L"})
    EXPECT_THAT(two, HasSubstr(told));
  EXPECT_THAT(messages("{"), HasSubstr("s.json:1:"));
}

/// Metres of rolls, as whole micrometres.
Micrometres onRolls(const Stock& shelf) {
  Micrometres length = 0;
  for (const StockItem& item : shelf.items)
    if (item.lies.form == StockForm::Roll) length += item.lies.count.value_or(1) * item.lies.along;
  return length;
}

// Whatever is cut one after the other, the shelf lacks just that, can be read again, and is as it
// was once all of it is taken back: off-cuts and rolls that were used up lie in their places.
RC_GTEST_PROP(Stock, whatIsCutCanBeTakenBack, ()) {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(1, 6), 4, 2);
  Stock shelf;
  for (const CutStock& stock : problem.stocks) {
    StockItem item;
    item.lies = stock;
    item.isOffCut = *rc::gen::inRange(0, 3) == 0 && stock.form == StockForm::Sheet;
    if (item.isOffCut || stock.form == StockForm::Roll) item.lies.count = *rc::gen::inRange(1, 4);
    shelf.items.push_back(item);
  }
  std::vector<std::pair<std::string, StockChange>> steps;
  for (int cuts = *rc::gen::inRange(1, 5); cuts > 0 && !problem.pieces.empty(); --cuts) {
    problem.stocks.clear();
    for (const StockItem& item : shelf.items) problem.stocks.push_back(item.lies);
    const CutLayout layout = test::laidOut(problem, 20);
    if (layout.sheets.empty()) break;
    const CutSheet& sheet = layout.sheets[*rc::gen::inRange<std::size_t>(0, layout.sheets.size())];
    StockItem& item = shelf.items[sheet.stock];
    const Micrometres used = lengthUsed(item.lies, sheet);
    const bool isRoll = item.lies.form == StockForm::Roll;
    if (steps.empty() && isRoll && *rc::gen::inRange(0, 3) == 0)
      item.lies.along = used;  // just enough
    const auto change = stockChangeOf(shelf, item.lies, sheet, 1);
    RC_ASSERT(std::holds_alternative<StockChange>(change));
    const StockChange& made = std::get<StockChange>(change);
    for (const StockItem& given : made.given) {
      RC_ASSERT(given.lies.form == StockForm::Roll ||
                std::min(given.lies.across, given.lies.along) >= shelf.usable.narrow);
      RC_ASSERT(given.lies.grain == item.lies.grain);
      RC_ASSERT(shelf.named(given.lies.id) == nullptr);
    }
    const auto after = afterCutting(shelf, made);
    RC_ASSERT(std::holds_alternative<Stock>(after));
    RC_ASSERT(onRolls(std::get<Stock>(after)) == onRolls(shelf) - (isRoll ? used : 0));
    steps.emplace_back(writeStock(shelf), made);
    shelf = std::get<Stock>(after);
    RC_ASSERT(std::holds_alternative<Stock>(readStock(writeStock(shelf), "stock.json")));
    problem.pieces.pop_back();
  }
  for (; !steps.empty(); steps.pop_back()) {
    const auto back = cutTakenBack(shelf, steps.back().second);
    RC_ASSERT(std::holds_alternative<Stock>(back));
    shelf = std::get<Stock>(back);
    RC_ASSERT(writeStock(shelf) == steps.back().first);
  }
}

// One of several rolls is begun and lies there by itself; the others stay whole. What was used of
// it meanwhile cannot be taken back.
TEST(Stock, oneOfSeveralRollsIsBegun) {
  Stock shelf = demoShelf();
  const auto at = std::find_if(shelf.items.begin(), shelf.items.end(), [](const StockItem& item) {
    return item.lies.id == "linen thread, waxed";
  });
  ASSERT_NE(at, shelf.items.end());
  at->lies.count = 3;
  const Micrometres whole = at->lies.along;
  const StockChange change = threadTaken(shelf, *at, 1200.5);
  Stock after = std::get<Stock>(afterCutting(shelf, change));
  EXPECT_EQ(after.named("linen thread, waxed")->lies.count, 2);
  EXPECT_EQ(after.named("linen thread, waxed")->lies.along, whole);
  ASSERT_NE(after.named("linen thread, waxed, begun 1"), nullptr);
  EXPECT_EQ(after.items.back().lies.count, 1);
  EXPECT_EQ(after.items.back().lies.along, whole - 1'200'500);
  EXPECT_EQ(std::get<Stock>(cutTakenBack(after, change)), shelf);
  after.items.back().lies.along -= 1;
  EXPECT_TRUE(std::get<Issue>(cutTakenBack(after, change)).id == "stock-used");
  after.items.back().lies.count.reset();
  after.items.back().lies.along += 1;
  EXPECT_EQ(std::get<Stock>(cutTakenBack(after, change)).items.size(), after.items.size());
  // All of one roll: nothing of it is left.
  const StockChange all = threadTaken(shelf, *at, double(whole) / 1000);
  after = std::get<Stock>(afterCutting(shelf, all));
  EXPECT_EQ(after.items.size(), shelf.items.size());
  EXPECT_EQ(after.named("linen thread, waxed")->lies.count, 2);
  // More than a roll has is not there, however many there are.
  EXPECT_TRUE(std::holds_alternative<Issue>(
      afterCutting(shelf, threadTaken(shelf, *at, double(whole) / 1000 + 1))));
}

TEST(Stock, whatIsNotThereIsNotTaken) {
  Stock shelf = demoShelf();
  CutSheet sheet;
  sheet.placements.push_back({0, 2000, 2000, 100 * kMm, 100 * kMm, false});
  const StockItem board = shelf.items[0];
  const auto change = std::get<StockChange>(stockChangeOf(shelf, board.lies, sheet, 41));
  const auto after = afterCutting(shelf, change);
  ASSERT_TRUE(std::holds_alternative<Issue>(after));
  EXPECT_EQ(issueWords(std::get<Issue>(after), {}),
            "of grey board 700 x 1000 there is 40, and 41 is needed");
  // Nor is an off-cut put beside another one of its name.
  StockChange one = takenOf(shelf, board, 1);
  one.given = {shelf.items[1]};
  EXPECT_TRUE(std::get<Issue>(afterCutting(shelf, one)).id == "stock-name");
  one.given[0].lies.id = "grey board, off-cut 9";
  EXPECT_TRUE(std::holds_alternative<Stock>(afterCutting(shelf, one)));
  shelf.items.erase(shelf.items.begin());
  EXPECT_TRUE(std::holds_alternative<Issue>(afterCutting(shelf, change)));
  EXPECT_TRUE(std::holds_alternative<Issue>(stockChangeOf(shelf, board.lies, sheet, 1)));
}

// Somebody else took ten sheets while the place was being typed.
TEST(Stock, whatOthersChangedOfAnItemStays) {
  const Stock before = demoShelf();
  StockItem typed = before.items[0];
  typed.place = "under the bench";
  typed.lies.id = "board";
  Stock now = before;
  now.items[0].lies.count = 30;
  const auto after = itemChanged(now, before.items[0], typed);
  ASSERT_TRUE(std::holds_alternative<Stock>(after));
  const StockItem& item = std::get<Stock>(after).items[0];
  EXPECT_EQ(item.lies.count, 30);
  EXPECT_EQ(item.place, "under the bench");
  const auto back = itemChanged(std::get<Stock>(after), typed, before.items[0]);
  EXPECT_TRUE(std::get<Stock>(back) == now);
  typed.lies.id = before.items[1].lies.id;
  EXPECT_TRUE(std::holds_alternative<Issue>(itemChanged(now, before.items[0], typed)));
  now.items.erase(now.items.begin());
  EXPECT_TRUE(std::holds_alternative<Issue>(itemChanged(now, before.items[0], typed)));
}

TEST(Stock, whatIsMissingIsToBeBought) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(500, 500)};
  problem.stocks[0].count = 2;
  problem.pieces = {test::pieceOf("half", 250, 500, 9)};
  const CutLayout layout = test::laidOut(problem);
  const auto list = toBuy(problem, layout, {true});
  ASSERT_EQ(list.size(), 1U);
  EXPECT_EQ(list[0].sheets, 3);  // five are needed
  EXPECT_TRUE(toBuy(problem, layout, {false}).empty());
  problem.pieces[0].count = 4;
  EXPECT_TRUE(toBuy(problem, test::laidOut(problem), {true}).empty());
}

// A remnant of which a piece can be cut saves its length, a shorter one nothing: what is bought
// does not join it.
TEST(Stock, aRollThatIsBoughtDoesNotJoinTheRemnant) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(700, 350)};
  problem.stocks[0].form = StockForm::Roll;
  problem.stocks[0].count = 1;
  problem.pieces = {test::pieceOf("covering", 600, 300, 4)};
  const auto bought = [&] {
    const auto list = toBuy(problem, test::laidOut(problem), {true});
    return list.size() == 1U ? list[0].length : -1;
  };
  EXPECT_EQ(bought(), 900 * test::kMm);
  problem.stocks[0].along = 299 * test::kMm;
  EXPECT_EQ(bought(), 1200 * test::kMm);
}

// What lies there is used before anything is paid for, even where another sheet is cheaper; of
// those that are bought the cheapest do. Two that have no price are weighed by their size.
TEST(Stock, noMoreIsBoughtThanIsMissing) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(500, 500), test::sheetOf(500, 1000)};
  problem.stocks[1].id = "large";
  problem.stocks[0].count = problem.stocks[1].count = 1;
  problem.pieces = {test::pieceOf("half", 250, 500, 10)};
  const auto bought = [&](double small, double large) {
    problem.stocks[0].cost = small;
    problem.stocks[1].cost = large;
    std::array<int, 2> counts{0, 0};
    for (const ToBuy& each : toBuy(problem, test::laidOut(problem), {true, true}))
      counts[each.stock] = each.sheets;
    return counts;
  };
  using Counts = std::array<int, 2>;
  EXPECT_EQ(bought(1.0, 1.5), (Counts{0, 1}));  // six lie on what is there, four are missing
  EXPECT_EQ(bought(1.0, 2.5), (Counts{2, 0}));
  EXPECT_EQ(bought(0.0, 0.0)[0] + 2 * bought(0.0, 0.0)[1], 2);
  problem.pieces[0].count = 8;
  EXPECT_EQ(bought(1.0, 2.5), (Counts{1, 0}));
}

TEST(StockShelf, isGuardedAndNeverHalfWritten) {
  const test::TemporaryFolder folder;
  const std::string path = folder.path() + "/deep/stock.json";
  const auto shelf = makeJsonShelf(path);
  EXPECT_TRUE(std::get<Stock>(shelf->read()).items.empty());
  EXPECT_FALSE(shelf->write(demoShelf()).has_value());  // its folder is made
  shelf->read();
  const auto other = makeJsonShelf(path);
  Stock changed = std::get<Stock>(other->read());
  changed.items.pop_back();
  EXPECT_FALSE(other->write(changed).has_value());
  const auto refused = shelf->write(demoShelf());
  ASSERT_TRUE(refused.has_value());
  EXPECT_TRUE(refused->id == "file-changed");
  EXPECT_EQ(test::readFile(path), writeStock(changed));
}

// The job keeps what was decided, to the letter.
TEST(JobCutting, isKeptInTheJob) {
  Job job = test::plainJob();
  job.cutting.first = StockFirst::OffCuts;
  job.cutting.mockUp = "kraft";
  job.cutting.with = {"other.json"};
  job.cutting.pins = {{"board", "grey board", 1, 2.5, 140.25, true}};
  job.cutting.kept = {{"A", job.cutting.pins}};
  job.cutting.done = {{"grey board",
                       "other.json",
                       {{"board", 2}},
                       {{"covering", 1}},
                       3,
                       true,
                       {{"board", {140.5, 216.25}}, {"covering", {300, 0.1}}},
                       {{"board", 2}}}};
  const JobDocument read = readJob(writeJob(job), "job.json");
  ASSERT_TRUE(read.job.has_value());
  EXPECT_TRUE(read.issues.empty());
  EXPECT_EQ(read.job->cutting, job.cutting);
  std::string wrong = writeJob(test::plainJob());
  wrong.insert(wrong.rfind('}'),
               R"(, "cutting": {"first": "last", "pins": [{"piece": 3, "stock": "a",
    "x": -1, "y": 1e9, "trned": true}], "kept": 7, "done": [{"stock": "a", "book": 7, "pieces": {"board": 1.5}, "sheets_spoilt": -2,
    "mock_up": 1, "sizes": {"board": [140], "spine": [3, "wide"], "covering": 7}, "layers": {"board": -2}}]})");
  std::vector<std::string> told;
  for (const Issue& issue : readJob(wrong, "job.json").issues)
    told.push_back(placedWords(issue, {}));
  for (const char* words :
       {"least-cost, off-cuts, whole-sheets", "pins[0].piece", "pins[0].x: -1", "pins[0].y: 1e9",
        "turned", "kept", "whole", "done[0].sheets_spoilt: -2", "done[0].book", "done[0].mock_up",
        "done[0].sizes.board", "done[0].sizes.spine[1]", "done[0].sizes.covering",
        "done[0].layers.board: -2"})
    EXPECT_THAT(told, Contains(HasSubstr(words)));
}

TEST(CutWork, takesWhatTheJobSays) {
  Job job = test::plainJob();
  job.copies = 3.0;
  const Plan plan = test::planOf(job).plan;
  const Stock shelf = demoShelf();
  const auto countOf = [](const CutWork& work, const std::string& id) {
    for (const CutPiece& piece : work.problem.pieces)
      if (piece.id == id) return piece.count;
    return 0;
  };
  EXPECT_EQ(countOf(cutWorkOf({bookOf(job, plan)}, shelf, *makeCatalogue()), "board"), 6);
  job.cutting.done = {cutOf({{"board", 4}, {"covering", 3}})};
  job.cutting.done[0].spoilt = {{"board", 2}};
  job.cutting.done[0].sheetsSpoilt = 1;
  const CutWork rest = cutWorkOf({bookOf(job, plan)}, shelf, *makeCatalogue());
  EXPECT_EQ(countOf(rest, "board"), 2);
  EXPECT_EQ(countOf(rest, "covering"), 0);
  job.cutting = {};
  job.cutting.mockUp = "kraft 700 x 1000";
  const CutWork mockUp = cutWorkOf({bookOf(job, plan)}, shelf, *makeCatalogue());
  EXPECT_EQ(mockUp.problem.stocks.size(), 1U);
  for (const CutPiece& piece : mockUp.problem.pieces) EXPECT_EQ(piece.material, "kraft");
  // Whole sheets first: an off-cut only where they do not suffice. The cost told is what it costs.
  job.cutting = {};
  job.copies = 1.0;
  const auto stockOfBoards = [&](StockFirst first) -> std::string {
    job.cutting.first = first;
    const CutWork work = cutWorkOf({bookOf(job, plan)}, shelf, *makeCatalogue());
    const CutLayout layout = test::laidOut(work.problem);
    for (const CutSheet& sheet : layout.sheets)
      if (work.problem.stocks[sheet.stock].material == "board") {
        std::string id = work.problem.stocks[sheet.stock].id;
        EXPECT_EQ(work.costOf(layout, "board"), shelf.named(id)->lies.cost);
        return id;
      }
    return std::string();
  };
  EXPECT_EQ(stockOfBoards(StockFirst::LeastCost), "grey board, off-cut 1");
  EXPECT_EQ(stockOfBoards(StockFirst::WholeSheets), "grey board 700 x 1000");
  EXPECT_EQ(stockOfBoards(StockFirst::OffCuts), "grey board, off-cut 1");
  // Two books at once: the second's pieces have its name.
  Job other = test::plainJob();
  other.title = "Other";
  const CutWork both = cutWorkOf({bookOf(job, plan), bookOf(other, plan)}, shelf, *makeCatalogue());
  EXPECT_EQ(countOf(both, "Other: board"), 2);
  EXPECT_EQ(both.pieces.back().book, 1U);
  // What was cut of it while it was open alone counts too, but not what a mock-up took.
  other.cutting.done = {cutOf({{"board", 1}}), cutOf({{"board", 1}, {"covering", 1}})};
  other.cutting.done[1].isMockUp = true;
  const CutWork less = cutWorkOf({bookOf(job, plan), bookOf(other, plan)}, shelf, *makeCatalogue());
  EXPECT_EQ(countOf(less, "Other: board"), 1);
  EXPECT_EQ(countOf(less, "Other: covering"), 1);
  EXPECT_EQ(countOf(less, "board"), 2);
}

// A book is measured again after it was cut: what no longer has its size is told, a mock-up's
// pieces apart.
TEST(CutWork, comparesWhatWasCutWithWhatIsPlannedNow) {
  Job job = test::plainJob();
  const Plan plan = test::planOf(job).plan;
  const PlannedPart* board = plan.part("board");
  ASSERT_NE(board, nullptr);
  const double width = board->cutWidth.mm(), height = board->cutHeight.mm();
  const auto otherwise = [&](double wider, double higher, bool isMockUp = false) {
    job.cutting.done = {cutOf({{"covering", 1}}), cutOf({{"board", 2}})};
    job.cutting.done[1].isMockUp = isMockUp;
    job.cutting.done[1].sizes = {{"board", {width + wider, height + higher}}};
    return cutWorkOf({bookOf(job, plan)}, demoShelf(), *makeCatalogue()).otherwise;
  };
  EXPECT_TRUE(otherwise(0.05, -0.05).empty());
  for (const auto& [wider, higher] : {std::pair{0.5, 0.0}, {-0.5, 0.0}, {0.0, 3.0}, {0.0, -3.0}}) {
    const auto found = otherwise(wider, higher);
    ASSERT_EQ(found.size(), 1U);
    EXPECT_EQ(found[0].done, 1U);
    EXPECT_EQ(found[0].part, board);
    EXPECT_EQ(found[0].was, (CutSize{width + wider, height + higher}));
    EXPECT_EQ(found[0].is, (CutSize{width, height}));
    const std::string words =
        cutOtherwiseWords(found[0].was, found[0].is, found[0].isTooSmall, "Board", {});
    EXPECT_THAT(words, HasSubstr(wider < 0 || higher < 0 ? "too small" : "trim it"));
  }
  // Less than half a mark is nothing, in which unit ever: nobody sees it, and nothing says so.
  EXPECT_TRUE(otherwise(0.2, -0.2).empty());
  EXPECT_FALSE(otherwise(3, -0.2)[0].isTooSmall);
  EXPECT_TRUE(otherwise(3, -0.3)[0].isTooSmall);
  EXPECT_TRUE(otherwise(2, 2, true).empty());
  job.cutting.mockUp = "kraft 700 x 1000";
  EXPECT_EQ(otherwise(2, 2, true).size(), 1U);
  EXPECT_TRUE(otherwise(2, 2).empty());
}

// A headband of half an inch, as inches have it, is cut from one of 12 mm, and 10 mm of tape from
// one of 12 that is not slit; that is told where it is more than a mark of the rule. Twice as wide
// it is another.
TEST(CutWork, takesABandThatIsNearlyAsWide) {
  const Job job = *readJob(test::projectFile("demo/lantern-log.json"), "lantern-log.json").job;
  BooksLaidOut found;
  found.books = {
      {std::make_shared<const Job>(job), std::make_shared<const Plan>(test::planOf(job).plan)}};
  StockItem another;  // on the shelf
  const auto tapeOn = [&](Micrometres wide) {
    Stock shelf = demoShelf();
    for (StockItem& item : shelf.items)
      if (item.lies.material == "tape") item.lies.across = wide;
    if (!another.lies.id.empty()) shelf.items.push_back(another);
    found.work = cutWorkOf(found.books, shelf, *makeCatalogue());
    std::string told;
    for (const OtherMake& each : found.onlyOtherMakes(shelf))
      told += otherMakeWords(each, found.work.pieces[each.piece].part->rule->id, {}) + " ";
    for (const CutPiece& piece : found.work.problem.pieces)
      if (piece.id == "sewing_tape") return std::pair(std::min(piece.width, piece.height), told);
    return std::pair<Micrometres, std::string>();
  };
  EXPECT_EQ(
      tapeOn(12'000),
      std::pair(Micrometres(12'000),
                std::string("sewing_tape is reckoned 10 mm wide; linen tape 10 mm is 12 mm. ")));
  EXPECT_EQ(tapeOn(10'400), std::pair(Micrometres(10'400), std::string()));
  EXPECT_EQ(tapeOn(9'000).first, 9'000);
  EXPECT_EQ(tapeOn(20'000).first, 10'000);
  EXPECT_EQ(tapeOn(7'000).first, 10'000);
  // Of several the nearest of which there is any.
  another.lies = demoShelf().named("linen tape 10 mm")->lies;
  another.lies.id = "another";
  EXPECT_EQ(tapeOn(12'000).first, 10'000);
  another.lies.count = 0;
  EXPECT_EQ(tapeOn(12'000).first, 12'000);
}

// A headband of 12 mm for an arc of 36 is 46 long, from a roll of 38 mm too.
TEST(CutWork, takesNoLengthForABandsWidth) {
  Job job = *readJob(test::projectFile("demo/lantern-log.json"), "lantern-log.json").job;
  const auto headbandOn = [&](Micrometres wide) {
    Stock shelf = demoShelf();
    for (StockItem& item : shelf.items)
      if (item.lies.material == "headband") item.lies.across = wide;
    const Plan plan = test::planOf(job).plan;
    const CutWork work = cutWorkOf({bookOf(job, plan)}, shelf, *makeCatalogue());
    for (const CutPiece& piece : work.problem.pieces)
      if (piece.id == "headband") return std::pair(piece.width, piece.height);
    return std::pair<Micrometres, Micrometres>();
  };
  setField(job, "given/spine_arc_measured", test::entryOf("36"));
  EXPECT_EQ(headbandOn(38'000), std::pair(46'000L, 12'000L));
  EXPECT_EQ(headbandOn(12'500), std::pair(46'000L, 12'500L));
}

// Tape of 10 mm is no 13/32 in: what a rule of inches makes wider than it is sold is not measured.
TEST(CutWork, takesTapeAsWideAsItIsSold) {
  Job job = *readJob(test::projectFile("demo/lantern-log.json"), "lantern-log.json").job;
  const Stock shelf = demoShelf();
  const auto um = [](Length size) {
    return static_cast<Micrometres>(std::llround(size.mm() * 1000));
  };
  const std::map<std::string, int> bought{{"sewing_tape", 10}, {"headband", 12}, {"ribbon", 6}};
  for (const bool isInches : {false, true}) {
    if (isInches) job.round = std::string("1/32 in");
    job.cutting.done.clear();
    const Plan plan = test::planOf(job).plan;
    const CutWork work = cutWorkOf({bookOf(job, plan)}, shelf, *makeCatalogue());
    CutDone all;
    std::size_t tapes = 0;
    for (std::size_t i = 0; i < work.pieces.size(); ++i) {
      const CutPiece& piece = work.problem.pieces[i];
      const PlannedPart& part = *work.pieces[i].part;
      all.pieces[piece.id] = 1;
      all.sizes[piece.id] = {double(piece.width) / 1000, double(piece.height) / 1000};
      const Micrometres wider = um(part.cutWidth) - piece.width + um(part.cutHeight) - piece.height;
      if (bought.count(piece.id) == 0) {
        EXPECT_EQ(wider, 0) << piece.id;
        continue;
      }
      ++tapes;
      EXPECT_EQ(std::min(piece.width, piece.height), bought.at(piece.id) * test::kMm) << piece.id;
      EXPECT_EQ(wider > 0, isInches) << piece.id;
    }
    EXPECT_EQ(tapes, bought.size());
    // What was cut so is what is planned now.
    job.cutting.done = {all};
    EXPECT_TRUE(cutWorkOf({bookOf(job, plan)}, shelf, *makeCatalogue()).otherwise.empty());
  }
}

// Off-cuts first: that one of them may be spared yet says nothing against the whole sheets; that
// one of those may, does.
TEST(CutWork, tellsWhetherLessFromWholeSheetsIsPossible) {
  Job job = test::plainJob();
  job.copies = 24.0;
  job.cutting.first = StockFirst::OffCuts;
  const Plan plan = test::planOf(job).plan;
  const CutWork work = cutWorkOf({bookOf(job, plan)}, demoShelf(), *makeCatalogue());
  const CutLayout layout = test::laidOut(work.problem);
  const auto board =
      std::find_if(layout.materials.begin(), layout.materials.end(),
                   [](const MaterialCost& cost) { return cost.material == "board"; });
  ASSERT_NE(board, layout.materials.end());
  const double sheet = 3.2, offCut = 0.4 / 1e3;
  MaterialCost cost = *board;
  cost.isProven = false;
  const double whole = std::floor(cost.cost / sheet + 1e-9) * sheet;
  for (const auto& [bound, isLeast] : {std::pair(whole, true),
                                       {whole - offCut / 2, true},
                                       {whole - sheet + 2 * offCut, true},
                                       {whole - sheet + offCut / 2, false},
                                       {0.0, false}}) {
    cost.bound = bound;
    EXPECT_EQ(work.isLeastOfWhole(layout, cost), isLeast) << bound;
  }
  // Nothing is certain of what costs nothing, nor of off-cuts without end.
  CutWork free = work, endless = work;
  for (std::size_t s = 0; s < work.costs.size(); ++s) {
    free.costs[s] = free.problem.stocks[s].cost = 0.0;
    endless.problem.stocks[s].count.reset();
  }
  cost.bound = whole;
  EXPECT_FALSE(endless.isLeastOfWhole(layout, cost));
  cost.bound = 0.0;
  EXPECT_FALSE(free.isLeastOfWhole(layout, cost));
}

}  // namespace
}  // namespace drapery
