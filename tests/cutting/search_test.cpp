// The parts of the search on their own: whatever they do, no piece is lost, and nothing gets worse.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <array>
#include <cmath>
#include <limits>
#include <map>
#include <set>

#include "core/cutting/alike_sheets.h"
#include "core/cutting/cheaper_sheets.h"
#include "core/cutting/cut_rectangle.h"
#include "core/cutting/edge_cuts.h"
#include "core/cutting/exact_lay_out.h"
#include "core/cutting/given_sheets.h"
#include "core/cutting/larger_off_cut.h"
#include "core/cutting/layout_of_bins.h"
#include "core/cutting/one_fewer.h"
#include "core/cutting/one_rest.h"
#include "core/cutting/pattern_dive.h"
#include "core/cutting/placing.h"
#include "core/cutting/plate_values.h"
#include "core/cutting/roll_slabs.h"
#include "core/cutting/row_exchange.h"
#include "core/cutting/sheet_filling.h"
#include "core/cutting/shorter_roll.h"
#include "core/cutting/slab_sheets.h"
#include "core/cutting/slice_values.h"
#include "tests/support/cutting.h"
#include "tests/support/judge.h"

namespace drapery {
namespace {

const std::function<bool()> kNever = [] { return false; };

struct Drawn {
  CutProblem problem;
  std::vector<MaterialJob> jobs;
  [[nodiscard]] const MaterialJob& job() const { return jobs.front(); }
};

/// Of one stock without end; all pieces fit it.
Drawn anyJob(StockForm form) {
  Drawn drawn;
  drawn.problem = test::anyProblem(*rc::gen::inRange(1, 7), 3, 1);
  CutStock& stock = drawn.problem.stocks[0];
  stock.form = form;
  stock.count = form == StockForm::Roll ? std::optional(1) : std::nullopt;
  stock.along = form == StockForm::Roll ? 40'000 * test::kMm : stock.along;
  CutLayout told;
  drawn.jobs = materialJobs(drawn.problem, told);
  std::erase_if(drawn.jobs, [](const MaterialJob& job) { return job.kinds.empty(); });
  return drawn;
}

Counts countsOf(const MaterialJob& job, const std::vector<Bin>& bins) {
  Counts counts(job.kinds.size(), 0);
  for (const Bin& bin : bins)
    for (const std::size_t kind : bin.holds) ++counts[kind];
  return counts;
}

/// What is wrong with the bins as a lay-out of their job; empty where nothing is.
std::string faultInBins(const Drawn& drawn, const std::vector<Bin>& bins) {
  CutLayout layout;
  for (const Bin& bin : bins) layout.sheets.push_back(sheetOf(drawn.job(), bin));
  for (std::size_t piece = 0; piece < drawn.problem.pieces.size(); ++piece)
    if (lyingSizes(drawn.problem.stocks[0], drawn.problem.pieces[piece]).empty())
      layout.unplaced.push_back({piece, drawn.problem.pieces[piece].count});
  return test::faultIn(drawn.problem, layout);
}

/// Each piece on a sheet of its own.
std::vector<Bin> apart(const MaterialJob& job, std::mt19937_64& random) {
  std::vector<Bin> bins;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    for (int i = 0; i < job.counts[kind]; ++i) {
      bins.push_back(emptyBin(job, 0));
      ChanceFiller filler(job, random, kNever);
      filler.begin(0, {kind}, {1.0});
      Counts one{1};
      takeFilling(job, bins.back(), filler.best(bins.back().parts[0], 1, one).first, 0);
    }
  return bins;
}

// Parts of a sheet filled again: what it holds is worth no less, and no piece comes or goes.
RC_GTEST_PROP(ChanceFiller, fillsPartsAgainAndLosesNothing, ()) {
  const Drawn drawn = anyJob(StockForm::Sheet);
  RC_PRE(!drawn.jobs.empty());
  const MaterialJob& job = drawn.job();
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  std::vector<std::size_t> kinds;
  std::vector<double> worth;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) {
    kinds.push_back(kind);
    worth.push_back(areaOfKind(job, kind) * *rc::gen::inRange(1, 4));
  }
  ChanceFiller filler(job, random, kNever);
  filler.begin(0, kinds, worth);
  Counts pool = job.counts;
  Bin bin = emptyBin(job, 0);
  auto [filling, first] = filler.best(bin.parts[0], 1, pool);
  const double more = filler.better(filling, 200, pool);
  RC_ASSERT(more >= 0.0);
  takeFilling(job, bin, filling, 0);
  const Counts held = countsOf(job, {bin});
  double all = 0.0;
  for (std::size_t kind = 0; kind < held.size(); ++kind) {
    RC_ASSERT(held[kind] + pool[kind] == job.counts[kind]);
    all += held[kind] * worth[kind];
  }
  RC_ASSERT(std::abs(all - first - more) < 1e-9 * (1.0 + all));
  // Every piece lies where the cuts free it: what is left is laid on sheets of its own.
  std::vector<Bin> bins{bin};
  MaterialJob rest = job;
  rest.counts = pool;
  for (Bin& other : apart(rest, random)) bins.push_back(std::move(other));
  RC_ASSERT(faultInBins(drawn, bins) == "");
}

// What is given up at once, because it would lose too much, is never what fills the sheet.
RC_GTEST_PROP(ChanceFiller, putsASheetTogetherAgainThatWasCutIntoPieces, ()) {
  const auto from = [](int least, int most) { return *rc::gen::inRange(least, most + 1); };
  std::vector<std::array<int, 2>> pieces{{from(60, 600), from(60, 600)}};  // across, along
  Drawn drawn;
  drawn.problem.stocks.push_back(test::sheetOf(pieces[0][0], pieces[0][1]));
  for (int cuts = from(0, 3); cuts > 0; --cuts) {
    auto& piece = pieces[static_cast<std::size_t>(from(0, static_cast<int>(pieces.size()) - 1))];
    const auto way = static_cast<std::size_t>(from(0, 1));
    std::array<int, 2> other = piece;
    piece[way] = from(1, std::max(1, piece[way] - 1));
    other[way] -= piece[way];
    if (other[way] > 0 && piece[way] > 0) pieces.push_back(other);
  }
  for (std::size_t i = 0; i < pieces.size(); ++i)
    drawn.problem.pieces.push_back(
        test::pieceOf("piece" + std::to_string(i), pieces[i][0], pieces[i][1], 1));
  CutLayout told;
  drawn.jobs = materialJobs(drawn.problem, told);
  const Bin empty = emptyBin(drawn.job(), 0);
  std::vector<std::size_t> kinds = piecesOf(drawn.job().counts);
  std::vector<double> areas;
  areas.reserve(kinds.size());
  for (const std::size_t kind : kinds) areas.push_back(areaOfKind(drawn.job(), kind));
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  ChanceFiller filler(drawn.job(), random, kNever);
  filler.begin(0, kinds, areas);
  Counts pool = drawn.job().counts;
  const double whole = double(empty.parts[0].across) * double(empty.parts[0].along);
  const double got = filler.best(empty.parts[0], 3000, pool).second;
  RC_ASSERT(std::abs(got - whole) < 1e-9 * whole);
  RC_ASSERT(piecesOf(pool).empty());
}

// All that is cut out of a sheet pushed together: it is cut in the same way, and what is left in
// one piece is no smaller than before.
RC_GTEST_PROP(OneRest, isLeftOfASheetThatIsPushedTogether, ()) {
  const Drawn drawn = anyJob(StockForm::Sheet);
  RC_PRE(!drawn.jobs.empty());
  const MaterialJob& job = drawn.job();
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  std::vector<Bin> bins = apart(job, random);
  OneFewer search(job, random, kNever);
  for (int i = 0; i < 200; ++i) {
    if (!search.hasBegun() || search.loose().empty()) search.begin(bins, {});
    if (search.step()) bins = search.bins();
  }
  std::vector<Bin> pushed = bins;
  for (std::size_t i = 0; i < bins.size(); ++i) {
    const Micrometres kerf = drawn.problem.stocks[0].kerf;
    pushTogether(pushed[i].parts, kerf);
    const auto left = [&](const Bin& bin) {
      return largestLeft(drawn.problem, {{sheetOf(job, bin)}, {}, {}, {}});
    };
    RC_ASSERT(left(pushed[i]) == oneRest(bins[i].parts, kerf));
    RC_ASSERT(left(pushed[i]) >= left(bins[i]));
    RC_ASSERT(oneRest(pushed[i].parts, kerf) == oneRest(bins[i].parts, kerf));
  }
  RC_ASSERT(faultInBins(drawn, pushed) == "");
}

// Room before a piece is given to the rest too: nothing is cut off there then.
TEST(OneRest, takesWhatLiesBeforeAPiece) {
  Drawn drawn;
  drawn.problem.stocks = {test::sheetOf(700, 2000)};
  drawn.problem.stocks[0].kerf = 2 * test::kMm;
  drawn.problem.pieces = {test::pieceOf("board", 198, 298, 1)};
  CutLayout told;
  drawn.jobs = materialJobs(drawn.problem, told);
  Bin bin = emptyBin(drawn.job(), 0);
  splitPart(bin.parts, 0, true, 100 * test::kMm);   // free, and 602 across
  splitPart(bin.parts, 2, false, 300 * test::kMm);  // of that 300 along, and free
  splitPart(bin.parts, 3, true, 200 * test::kMm);   // the piece, and free
  bin.parts[5].kind = SheetPart::Kind::Piece;
  hold(drawn.job(), bin, bin.parts[5]);
  const double most = oneRest(bin.parts, 2 * test::kMm);
  EXPECT_EQ(most, 700e3 * 1700e3);
  pushTogether(bin.parts, 2 * test::kMm);
  EXPECT_EQ(faultInBins(drawn, {bin}), "");
  EXPECT_EQ(largestLeft(drawn.problem, {{sheetOf(drawn.job(), bin)}, {}, {}, {}}), most);
}

/// Sheets at several prices, that of the first without end; all pieces fit that.
Drawn anyJobOfSheets() {
  Drawn drawn;
  drawn.problem = test::anyProblem(*rc::gen::inRange(1, 7), 3, *rc::gen::inRange(1, 4));
  for (CutStock& stock : drawn.problem.stocks) stock.form = StockForm::Sheet;
  drawn.problem.stocks[0].count.reset();
  std::erase_if(drawn.problem.pieces, [&](const CutPiece& piece) {
    return lyingSizes(drawn.problem.stocks[0], piece).empty();
  });
  RC_PRE(!drawn.problem.pieces.empty());
  CutLayout told;
  drawn.jobs = materialJobs(drawn.problem, told);
  return drawn;
}

// More and more is left in one piece, of the same sheets or fewer.
RC_GTEST_PROP(LargerOffCut, eachTimeLeavesMoreAndLosesNothing, ()) {
  const Drawn drawn = anyJobOfSheets();
  const MaterialJob& job = drawn.job();
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  std::vector<Bin> bins = apart(job, random);
  LargerOffCut search(job, random, kNever);
  search.begin(bins);
  const auto isLeft = [&] {  // in the lay-out that is made of them
    const auto sheets = layOutOf(job, search.bins(), {}, kNever).sheets;
    return largestLeft(drawn.problem, {sheets, {}, {}, {}}) >= search.area();
  };
  RC_ASSERT(isLeft());
  for (int i = 0; i < 1500; ++i) {
    const double before = search.area();
    if (!search.step()) continue;
    const std::size_t sheets = bins.size();
    bins = search.bins();
    RC_ASSERT(bins.size() <= sheets);
    RC_ASSERT(countsOf(job, bins) == job.counts);
    double most = 0.0;
    for (const Bin& bin : bins)
      most = std::max(most, oneRest(bin.parts, job.stock(bin.stock).kerf));
    // Of fewer sheets what the emptiest would leave, laid as well as can be, is told.
    RC_ASSERT(search.area() >= most);
    if (bins.size() < sheets) continue;
    RC_ASSERT(search.area() == most);
    RC_ASSERT(search.area() > before);
    RC_ASSERT(isLeft());
  }
  RC_ASSERT(faultInBins(drawn, bins) == "");
}

std::size_t differentOf(const std::vector<Bin>& bins) {
  std::set<Likeness> all;
  for (const Bin& bin : bins) all.insert(likenessOf(bin));
  return all.size();
}

// Whatever lies on them: the same pieces on the same sheets, no more of them different, and those
// that are to stay as they are do.
RC_GTEST_PROP(MoreAlike, losesNothingAndKeepsWhatItIsTold, ()) {
  const Drawn drawn = anyJobOfSheets();
  const MaterialJob& job = drawn.job();
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  std::vector<Bin> bins = apart(job, random);
  OneFewer search(job, random, kNever);
  for (int i = 0; i < 300; ++i) {
    if (!search.hasBegun() || search.loose().empty()) search.begin(bins, {});
    if (search.step()) bins = search.bins();
  }
  const auto kept = *rc::gen::inRange<std::size_t>(0, bins.size());
  const std::vector<Bin> more = moreAlike(job, bins, {kept}, kNever);
  RC_ASSERT(more.size() == bins.size());
  for (std::size_t b = 0; b < bins.size(); ++b) RC_ASSERT(more[b].stock == bins[b].stock);
  RC_ASSERT(likenessOf(more[kept]) == likenessOf(bins[kept]));
  RC_ASSERT(countsOf(job, more) == job.counts);
  RC_ASSERT(differentOf(more) <= differentOf(bins) + 1);  // what is kept may have been like others
  RC_ASSERT(faultInBins(drawn, more) == "");
}

// Three sheets of four boards with five, one and four stiffeners beside them: two that are full and
// one of boards alone.
TEST(MoreAlike, fillsSheetsAlikeAndTheLastWithWhatIsLeft) {
  Drawn drawn;
  drawn.problem.stocks = {test::sheetOf(500, 200)};
  drawn.problem.pieces = {test::pieceOf("board", 100, 200, 12),
                          test::pieceOf("stiffener", 20, 200, 10)};
  CutLayout told;
  drawn.jobs = materialJobs(drawn.problem, told);
  std::vector<Bin> bins;
  for (const int stiffeners : {5, 1, 4}) {
    std::vector<Bin> one{emptyBin(drawn.job(), 0)};
    for (int i = 0; i < 4; ++i) ASSERT_TRUE(putPiece(drawn.job(), one, 0, {}));
    for (int i = 0; i < stiffeners; ++i) ASSERT_TRUE(putPiece(drawn.job(), one, 1, {}));
    bins.push_back(one[0]);
  }
  const std::vector<Bin> more = moreAlike(drawn.job(), bins, {}, kNever);
  EXPECT_EQ(differentOf(more), 2U);
  EXPECT_EQ(faultInBins(drawn, more), "");
  // None is touched where that makes no more alike.
  EXPECT_EQ(differentOf(moreAlike(drawn.job(), bins, {0}, kNever)), 3U);
  EXPECT_EQ(differentOf(moreAlike(drawn.job(), more, {}, kNever)), 2U);
}

// A sheet goes, or cheaper ones come in its place: each time it costs less.
RC_GTEST_PROP(OneFewer, eachTimeCostsLessAndLosesNothing, ()) {
  const Drawn drawn = anyJobOfSheets();
  const MaterialJob& job = drawn.job();
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  std::vector<Bin> bins = apart(job, random);
  const auto costOf = [&](const std::vector<Bin>& of) {
    double cost = 0.0;
    for (const Bin& bin : of) cost += job.stock(bin.stock).cost;
    return cost;
  };
  OneFewer search(job, random, kNever);
  search.begin(bins, {});
  for (int i = 0; i < 1500 && !search.loose().empty(); ++i) {
    if (!search.step()) continue;
    RC_ASSERT(costOf(search.bins()) < costOf(bins));
    bins = search.bins();
    RC_ASSERT(countsOf(job, bins) == job.counts);
    search.begin(bins, {});
  }
  RC_ASSERT(faultInBins(drawn, bins) == "");
}

/// The same with up to so many of each.
Drawn anyJobOfSheets(int most) {
  Drawn drawn = anyJobOfSheets();
  MaterialJob& job = drawn.jobs.front();
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    job.counts[kind] = drawn.problem.pieces[job.kinds[kind]].count = *rc::gen::inRange(1, most + 1);
  return drawn;
}

// Whatever is given: nothing lies anywhere else, no piece is lost or laid twice, and once nothing
// is loose all lies there.
RC_GTEST_PROP(GivenSheets, holdAllOrTellHowMuchIsLoose, ()) {
  const Drawn drawn = anyJobOfSheets(6);
  const MaterialJob& job = drawn.job();
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  Counts given;
  for (std::size_t s = 0; s < job.stocks.size(); ++s)
    given.push_back(*rc::gen::inRange(0, job.stock(s).count.value_or(8) + 1));
  GivenSheets sheets(job, given, random, kNever);
  const auto loose = *rc::gen::arbitrary<bool>()
                         ? sheets.beginBySheets(0.1)
                         : sheets.beginByPatterns(findPatterns(job, 0.0, 1e9, 0.002, kNever));
  RC_ASSERT(loose.has_value());
  const double all = areaOf(job, job.counts);
  const auto isSound = [&] {
    Counts used(job.stocks.size(), 0);
    for (const Bin& bin : sheets.bins()) ++used[bin.stock];
    for (std::size_t s = 0; s < used.size(); ++s) RC_ASSERT(used[s] <= given[s]);
    const Counts held = countsOf(job, sheets.bins());
    for (std::size_t kind = 0; kind < held.size(); ++kind)
      RC_ASSERT(held[kind] <= job.counts[kind]);
    RC_ASSERT(std::abs(areaOf(job, held) + sheets.looseArea() - all) <= 1e-9 * all);
  };
  isSound();
  RC_ASSERT(sheets.looseArea() >= *loose - 1e-9 * all);  // one more may be emptied for it
  bool isLaid = false;
  for (int i = 0; i < 300 && !isLaid; ++i) isLaid = sheets.step();
  isSound();
  RC_ASSERT(isLaid == (sheets.looseArea() == 0.0));
  if (isLaid) RC_ASSERT(faultInBins(drawn, sheets.bins()) == "");
  RC_TAG(isLaid ? "all" : "some");
}

// Sheets of its own for each piece are dear: each time it costs less, until nothing that does has
// the room.
RC_GTEST_PROP(CheaperSheets, eachTimeCostLessAndLoseNothing, ()) {
  const Drawn drawn = anyJobOfSheets(4);
  const MaterialJob& job = drawn.job();
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  CheaperSheets search(job, random, kNever);
  RC_ASSERT(search.isApt() == (job.stocks.size() > 1));
  const Patterns patterns = findPatterns(job, 0.0, 1e9, 0.002, kNever);
  const bool isByPatterns = *rc::gen::arbitrary<bool>();
  std::vector<Bin> bins = apart(job, random);
  const auto costOf = [&] {
    double cost = 0.0;
    for (const Bin& bin : bins) cost += job.stock(bin.stock).cost;
    return cost;
  };
  for (int i = 0; i < 4 && search.begin(bins, isByPatterns ? &patterns : nullptr, 0.1); ++i) {
    RC_ASSERT(search.isAtIt());
    const double before = costOf();
    while (search.isAtIt()) {
      auto found = search.step(before);
      if (!found) continue;
      bins = std::move(*found);
      RC_ASSERT(!search.isAtIt());
      RC_ASSERT(costOf() < before);
      RC_ASSERT(countsOf(job, bins) == job.counts);
      RC_ASSERT(faultInBins(drawn, bins) == "");
    }
  }
  // What costs nothing less than another found is let go.
  if (search.begin(bins, nullptr, 0.1)) {
    RC_ASSERT(!search.step(0.0).has_value());
    RC_ASSERT(!search.isAtIt());
  }
}

// However few are left in the end, and however tall and narrow they are.
RC_GTEST_PROP(SheetFilling, laysAllOnARollThatIsLongEnough, ()) {
  const Drawn drawn = anyJob(StockForm::Roll);
  RC_PRE(!drawn.jobs.empty());
  const MaterialJob& job = drawn.job();
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  SheetFilling filling(job, random, kNever);
  std::vector<Bin> bins;
  std::vector<int> used(job.stocks.size(), 0);
  std::vector<std::size_t> loose = piecesOf(job.counts);
  filling.fill({0}, patientBeginning(job, 0.01, random), bins, used, loose);
  RC_ASSERT(loose.empty());
  RC_ASSERT(countsOf(job, bins) == job.counts);
}

/// Tries at fewer and fewer of the roll; false where one that is done is no shorter.
template <typename Search>
bool areShorter(Search& search, std::vector<Slab>& slabs) {
  constexpr int kTries = 40;
  search.begin(slabs);
  for (int i = 0; i < kTries; ++i) {
    if (!search.step()) continue;
    if (alongOf(search.slabs()) >= alongOf(slabs)) return false;
    slabs = search.slabs();
    search.begin(slabs);
  }
  return true;
}

RC_GTEST_PROP(Slabs, growShorterAndLoseNothing, ()) {
  const Drawn drawn = anyJob(StockForm::Roll);
  RC_PRE(!drawn.jobs.empty());
  const MaterialJob& job = drawn.job();
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  std::vector<Slab> slabs = test::eachAlone(job);
  const Micrometres along = alongOf(slabs);
  RollSlabs merged(job, random, kNever);
  merged.begin(binOf(job, 0, slabs).parts);
  RC_ASSERT(merged.along() == along);
  for (int i = 0; i < 20; ++i) merged.step();
  RC_ASSERT(merged.along() <= along);
  slabs = *rc::gen::arbitrary<bool>() ? merged.shortest() : slabs;
  RowExchange rows(job, random, kNever);
  RC_ASSERT(areShorter(rows, slabs));
  ShorterRoll shorter(job, random, kNever);
  RC_ASSERT(areShorter(shorter, slabs));
  const Bin roll = binOf(job, 0, slabs);
  RC_ASSERT(roll.end == alongOf(slabs));
  RC_ASSERT(countsOf(job, {roll}) == job.counts);
  RC_ASSERT(faultInBins(drawn, {roll}) == "");
}

// What was split once and holds nothing now is left in one piece.
TEST(Bins, whatHoldsNothingIsNotCut) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(300, 400)};
  problem.pieces = {test::pieceOf("piece", 300, 150, 1)};
  CutLayout told;
  const MaterialJob job = materialJobs(problem, told).front();
  Bin bin = emptyBin(job, 0);
  splitPart(bin.parts, 0, false, 150 * test::kMm);
  const std::size_t low = bin.parts[0].low, high = bin.parts[0].high;
  splitPart(bin.parts, high, true, 100 * test::kMm);
  bin.parts[low].kind = SheetPart::Kind::Piece;
  hold(job, bin, bin.parts[low]);
  const CutSheet sheet = sheetOf(job, bin);
  EXPECT_EQ(sheet.placements.size(), 1U);
  EXPECT_EQ(std::count_if(sheet.cuts.begin(), sheet.cuts.end(), isCut), 1);
}

// Slabs taken as sheets, with an off-cut or another roll beside them or not: each time it costs
// less, and no more of the other roll is used.
RC_GTEST_PROP(SlabSheets, growShorterAndLoseNothing, ()) {
  Drawn drawn = anyJob(StockForm::Roll);
  RC_PRE(!drawn.jobs.empty());
  const auto beside = *rc::gen::element(std::optional<StockForm>(), std::optional(StockForm::Sheet),
                                        std::optional(StockForm::Roll));
  if (beside) {
    CutStock other = drawn.problem.stocks[0];
    other.id = "other";
    other.form = *beside;
    if (*beside == StockForm::Sheet) {
      other.along = *rc::gen::inRange(50, 900) * test::kMm;
      other.cost *= *rc::gen::element(0.0001, 0.1, 1.0);
      if (*rc::gen::arbitrary<bool>()) other.count = *rc::gen::inRange(1, 4);
    }
    drawn.problem.stocks.push_back(other);
    CutLayout told;
    drawn.jobs = materialJobs(drawn.problem, told);
    RC_PRE(drawn.jobs.size() == 1U && drawn.job().kinds.size() == drawn.problem.pieces.size());
  }
  const MaterialJob& job = drawn.job();
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  std::array<std::vector<Slab>, 2> slabs;
  for (const std::size_t kind : piecesOf(job.counts))
    slabs[beside == StockForm::Roll && random() % 2 == 0 ? 1 : 0].push_back(aloneSlab(job, kind));
  std::vector<Bin> bins{binOf(job, 0, slabs[0])};
  if (beside) bins.push_back(binOf(job, 1, slabs[1]));
  const auto used = [&](const std::vector<Bin>& of, std::size_t roll) {
    Micrometres end = 0;
    for (const Bin& bin : of)
      if (bin.stock == roll && job.stock(roll).form == StockForm::Roll) end += bin.end;
    return end;
  };
  const auto cost = [&](const std::vector<Bin>& of) {
    double sum = 0.0;
    for (const Bin& bin : of)
      if (!bin.holds.empty() || job.stock(bin.stock).form == StockForm::Sheet)
        sum += costOf(job.stock(bin.stock), bin.end);
    return sum;
  };
  for (int times = 0; times < 4 && used(bins, 0) > 0; ++times) {
    const auto roll =
        std::find_if(bins.begin(), bins.end(), [](const Bin& bin) { return bin.stock == 0; });
    SlabSheets sheets(job, bins, static_cast<std::size_t>(roll - bins.begin()), random, kNever);
    for (int i = 0; i < 600; ++i) {
      if (!sheets.step()) continue;
      RC_ASSERT(cost(sheets.bins()) < cost(bins));
      if (beside) RC_ASSERT(used(sheets.bins(), 1) <= used(bins, 1));
      bins = sheets.bins();
      break;
    }
  }
  std::erase_if(bins, [](const Bin& bin) { return bin.holds.empty(); });
  RC_ASSERT(countsOf(job, bins) == job.counts);
  RC_ASSERT(faultInBins(drawn, bins) == "");
}

/// What pieces side by side can be worth on so many millimetres, every taking of them tried.
double worthAcross(const std::vector<std::pair<Micrometres, double>>& ways, Micrometres room) {
  double most = 0.0;
  for (const auto& [across, worth] : ways)
    if (across <= room) most = std::max(most, worth + worthAcross(ways, room - across));
  return most;
}

// A slice lies within the roll, is worth what is said, and nothing side by side is worth more; also
// where nothing is worth anything.
RC_GTEST_PROP(SliceValues, areTheMostThatLiesSideBySide, ()) {
  Drawn drawn = anyJob(StockForm::Roll);
  RC_PRE(!drawn.jobs.empty());
  const MaterialJob& job = drawn.job();
  const Micrometres room = usableOf(job.stock(0)).across;
  std::vector<double> worth;
  std::vector<std::pair<Micrometres, double>> ways;  // of a slice a millimetre long
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) {
    worth.push_back(*rc::gen::element(0.0, 0.0, 1.0, 3.7, 10.0));
    for (const LyingSize& size : job.sizes[0][kind]) {
      RC_PRE(8 * size.across > room);  // else there are too many takings
      ways.emplace_back(size.across, worth.back() * test::kMm / double(size.along));
    }
  }
  SliceValues slices(job, 0);
  RC_PRE(slices.isUsable());
  const double most = slices.best(worth, test::kMm);
  RC_ASSERT(std::abs(most - worthAcross(ways, room)) <= 1e-9 * (1 + most));
  double sum = 0.0;
  for (const auto& [kind, often] : slices.slice(test::kMm)) sum += often * worth[kind];
  RC_ASSERT(std::abs(sum - most) <= 1e-9 * (1 + most));
}

// Rounded down more fits than there is room for, rounded up less; what is told to fit does.
RC_GTEST_PROP(PlateValues, boundWhatASheetCanHold, ()) {
  const Drawn drawn = anyJob(StockForm::Sheet);
  RC_PRE(!drawn.jobs.empty());
  const MaterialJob& job = drawn.job();
  std::vector<PlateValues::Worth> worth;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    worth.push_back(*rc::gen::inRange(1, 1000));
  const double work = *rc::gen::element(1e4, 1e5, 1e6);
  PlateValues less(job, 0, PlateValues::Coarse::Up, work);
  PlateValues more(job, 0, PlateValues::Coarse::Down, work);
  RC_PRE(less.isUsable() && more.isUsable());
  Counts counts, ignored;
  const auto fits = less.best(worth, 0.0, counts, kNever),
             most = more.best(worth, 0.0, ignored, kNever);
  RC_ASSERT(fits.has_value() && most.has_value());
  RC_ASSERT(*fits <= *most);
  RC_ASSERT(double(*most) <= more.ceiling({worth.begin(), worth.end()}) + 1e-6);
  PlateValues::Worth sum = 0;
  for (std::size_t kind = 0; kind < counts.size(); ++kind) sum += counts[kind] * worth[kind];
  RC_ASSERT(sum == *fits);
  const auto parts = less.filling();
  RC_ASSERT(parts.has_value());
  PlateValues::Worth laid = 0;
  for (const SheetPart& part : *parts)
    if (part.kind == SheetPart::Kind::Piece) laid += worth[part.piece];
  RC_ASSERT(laid == *fits);
  RC_ASSERT(!less.best(worth, 0.0, counts, [] { return true; }).has_value());
}

/// What a sheet can be worth, every cut at a whole millimetre tried.
PlateValues::Worth worthByEveryCut(const MaterialJob& job,
                                   const std::vector<PlateValues::Worth>& worth,
                                   PlateValues::Worth sparedEach) {
  const auto inMm = [](Micrometres length) { return static_cast<std::size_t>(length / test::kMm); };
  const UsableSize usable = usableOf(job.stock(0));
  const std::size_t wide = inMm(usable.across), high = inMm(usable.along);
  std::vector<std::vector<PlateValues::Worth>> most(wide + 1,
                                                    std::vector<PlateValues::Worth>(high + 1, 0));
  for (std::size_t w = 1; w <= wide; ++w)
    for (std::size_t h = 1; h <= high; ++h) {
      PlateValues::Worth& here = most[w][h];
      if (w == wide) here = sparedEach * static_cast<PlateValues::Worth>(h);
      for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
        for (const LyingSize& size : job.sizes[0][kind])
          if (inMm(size.across) <= w && inMm(size.along) <= h) here = std::max(here, worth[kind]);
      for (std::size_t a = 1; a < w; ++a) here = std::max(here, most[a][h] + most[w - a][h]);
      for (std::size_t b = 1; b < h; ++b) here = std::max(here, most[w][b] + most[w][h - b]);
    }
  return most[wide][high];
}

// In whole steps it is the true most, whether every step is a place or few are, and whether or not
// what is left of the length is worth something; and what else it tells fits too.
RC_GTEST_PROP(PlateValues, areThoseOfEveryCut, ()) {
  Drawn drawn;
  drawn.problem = test::anyProblem(*rc::gen::inRange(1, 7), 3, 1);
  CutStock& stock = drawn.problem.stocks[0];
  stock.form = StockForm::Sheet;
  stock.count = std::nullopt;
  stock.kerf = stock.left = stock.right = stock.bottom = stock.top = 0;
  stock.across = *rc::gen::inRange(10, 60) * test::kMm;
  stock.along = *rc::gen::inRange(10, 300) * test::kMm;  // more rows than are filled at a time
  const int least = *rc::gen::element(1, 4, 9);
  for (CutPiece& piece : drawn.problem.pieces) {
    piece.width = *rc::gen::inRange(least, 30) * test::kMm;
    piece.height = *rc::gen::inRange(least, 30) * test::kMm;
  }
  CutLayout told;
  drawn.jobs = materialJobs(drawn.problem, told);
  RC_PRE(!drawn.jobs.empty() && !drawn.jobs[0].kinds.empty());
  const MaterialJob& job = drawn.job();
  std::vector<PlateValues::Worth> worth;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    worth.push_back(*rc::gen::inRange(1, 1000));
  PlateValues plate(job, 0, PlateValues::Coarse::Up, 1e9);
  RC_PRE(plate.isUsable());
  RC_ASSERT(plate.isExact());
  const PlateValues::Worth sparedEach = *rc::gen::element(0, 0, 1, 40);  // of a millimetre
  const auto millimetres = [](Micrometres length) { return double(length) / double(test::kMm); };
  Counts counts;
  const auto most = plate.best(worth, sparedEach * millimetres(stock.along), counts, kNever);
  RC_ASSERT(most == std::optional(worthByEveryCut(job, worth, sparedEach)));
  const auto worthOf = [&](const Counts& held, const std::vector<SheetPart>& parts) {
    auto sum =
        static_cast<PlateValues::Worth>(sparedEach * millimetres(stock.along - endOf(parts)));
    for (std::size_t kind = 0; kind < worth.size(); ++kind) sum += held[kind] * worth[kind];
    return sum;
  };
  RC_ASSERT(plate.filling().has_value());
  RC_ASSERT(worthOf(counts, *plate.filling()) == *most);
  std::set<Counts> seen{counts};
  for (const PlateValues::Other& other : plate.others(*most / 2, 5, kNever)) {
    RC_ASSERT(seen.insert(other.counts).second);
    RC_ASSERT(other.parts.has_value());
    const PlateValues::Worth sum = worthOf(other.counts, *other.parts);
    RC_ASSERT(sum > *most / 2 && sum <= *most);
    Counts laid(worth.size(), 0);
    for (const SheetPart& part : *other.parts)
      if (part.kind == SheetPart::Kind::Piece) ++laid[part.piece];
    RC_ASSERT(laid == other.counts);
  }
}

// Two and two lie side by side to the millimetre; counted in steps of two they would not.
TEST(Patterns, ofARollLoseNothingToRounding) {
  Drawn drawn;
  CutStock roll = test::sheetOf(800, 100'000);
  roll.form = StockForm::Roll;
  drawn.problem.stocks = {roll};
  drawn.problem.pieces = {test::pieceOf("spine", 199, 151, 400),
                          test::pieceOf("side", 201, 151, 400)};
  for (int other = 0; other < 12; ++other)  // so that there are many places to cut at
    drawn.problem.pieces.push_back(
        test::pieceOf("other" + std::to_string(other), 37 + 14 * other, 53 + 18 * other, 1));
  CutLayout told;
  drawn.jobs = materialJobs(drawn.problem, told);
  constexpr double kEndless = std::numeric_limits<double>::infinity();
  const Patterns patterns = findPatterns(drawn.job(), kEndless, kEndless, 1.0, kNever);
  const double area = areaOf(drawn.job(), drawn.job().counts) / 1e12;
  EXPECT_LT(patterns.cost, 1.002 * area / 0.8) << "metres";
}

// However the patterns are rounded: with what is still wanted on sheets of its own it is a lay-out.
RC_GTEST_PROP(ByPatterns, noPieceIsLost, ()) {
  const bool isRoll = *rc::gen::arbitrary<bool>();
  Drawn drawn = anyJob(isRoll ? StockForm::Roll : StockForm::Sheet);
  RC_PRE(!drawn.jobs.empty());
  MaterialJob& job = drawn.jobs.front();
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    job.counts[kind] = drawn.problem.pieces[job.kinds[kind]].count = *rc::gen::inRange(1, 15);
  std::mt19937_64 chance(*rc::gen::arbitrary<std::uint64_t>());
  PatternDive down(job, findPatterns(job, 0.0, 1e9, 1.0, kNever), 0.05,
                   *rc::gen::arbitrary<bool>() ? &chance : nullptr, kNever);
  const int most = *rc::gen::inRange(0, 30);
  double left = down.left();
  for (int i = 0; i < most && down.step(); ++i) {
    RC_ASSERT(down.left() < left);
    left = down.left();
  }
  RC_ASSERT(down.laid().used[0] == static_cast<int>(down.laid().bins.size()));
  LaidInPart laid = down.laid();
  joinRolls(job, laid);
  RC_ASSERT(!isRoll || laid.bins.size() <= 1);
  MaterialJob rest = job;
  rest.counts = laid.wanted;
  if (!isRoll)
    for (Bin& bin : apart(rest, chance)) laid.bins.push_back(std::move(bin));
  if (isRoll && !laid.bins.empty())
    for (const std::size_t kind : piecesOf(rest.counts))
      RC_ASSERT(putPiece(job, laid.bins, kind, {}));
  if (!laid.bins.empty()) RC_ASSERT(faultInBins(drawn, laid.bins) == "");
}

// Of stocks that come to an end no more sheets are taken than there are, and each holds what is
// said to be gone.
RC_GTEST_PROP(ByPatterns, takesNoMoreSheetsThanThereAre, ()) {
  Drawn drawn;
  drawn.problem = test::anyProblem(*rc::gen::inRange(3, 7), 8, 2);
  for (CutStock& stock : drawn.problem.stocks) {
    stock.form = StockForm::Sheet;
    stock.count = *rc::gen::inRange(1, 4);
  }
  CutLayout told;
  drawn.jobs = materialJobs(drawn.problem, told);
  RC_PRE(!drawn.jobs.front().kinds.empty());
  const MaterialJob& job = drawn.job();
  std::mt19937_64 chance(*rc::gen::arbitrary<std::uint64_t>());
  PatternDive down(job, findPatterns(job, 0.0, 1e9, 0.002, kNever), 0.05, &chance, kNever);
  down.step();
  std::vector<int> used(job.stocks.size(), 0);
  for (const Bin& bin : down.laid().bins) ++used[bin.stock];
  RC_ASSERT(used == down.laid().used);
  for (std::size_t s = 0; s < used.size(); ++s)
    RC_ASSERT(!job.stock(s).count || used[s] <= *job.stock(s).count);
  const Counts held = countsOf(job, down.laid().bins);
  for (std::size_t kind = 0; kind < held.size(); ++kind)
    RC_ASSERT(held[kind] + down.laid().wanted[kind] == job.counts[kind]);
}

}  // namespace
}  // namespace drapery
