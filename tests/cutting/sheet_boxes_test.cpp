// A sheet or two as boxes within boxes, some of them opened and joined anew with what is loose; and
// which sheets are tried in what order where few pieces lie there.
#include "core/cutting/sheet_boxes.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>

#include "core/cutting/cheaper_sheets.h"
#include "core/cutting/exact_lay_out.h"
#include "core/cutting/placing.h"
#include "tests/support/cutting.h"
#include "tests/support/judge.h"

namespace drapery {
namespace {

const std::function<bool()> kNever = [] { return false; };

/// Up to three stocks of sheets, of which what any of their kinds fits is left.
CutProblem anyOnSheets(int kinds, int most) {
  CutProblem problem = test::anyProblem(kinds, most, *rc::gen::inRange(1, 4));
  for (CutStock& stock : problem.stocks) {
    stock.form = StockForm::Sheet;
    stock.count.reset();
  }
  std::erase_if(problem.pieces, [&](const CutPiece& piece) {
    return std::all_of(problem.stocks.begin(), problem.stocks.end(),
                       [&](const CutStock& stock) { return lyingSizes(stock, piece).empty(); });
  });
  RC_PRE(!problem.pieces.empty());
  return problem;
}

/// One or two of them, and on them what finds room.
std::vector<Bin> anySheets(const MaterialJob& job, std::vector<std::size_t>& loose) {
  std::vector<Bin> bins;
  for (int i = *rc::gen::inRange(1, 3); i > 0; --i)
    bins.push_back(emptyBin(job, *rc::gen::inRange<std::size_t>(0, job.stocks.size())));
  std::erase_if(loose, [&](std::size_t kind) { return putPiece(job, bins, kind, {}); });
  return bins;
}

std::vector<const Bin*> all(const std::vector<Bin>& bins) {
  std::vector<const Bin*> each;
  each.reserve(bins.size());
  for (const Bin& bin : bins) each.push_back(&bin);
  return each;
}

double worthOf(const std::vector<std::size_t>& kinds, const std::vector<double>& worth) {
  double sum = 0.0;
  for (const std::size_t kind : kinds) sum += worth[kind];
  return sum;
}

RC_GTEST_PROP(SheetBoxes, leaveNoMoreLooseAndLoseNothing, ()) {
  CutProblem problem = anyOnSheets(*rc::gen::inRange(1, 9), 4);
  const MaterialJob job = test::jobOf(problem);
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  std::vector<std::size_t> loose = piecesOf(job.counts);
  std::shuffle(loose.begin(), loose.end(), random);
  std::vector<Bin> bins = anySheets(job, loose);
  std::vector<double> worth;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    worth.push_back(areaOfKind(job, kind) * *rc::gen::inRange(1, 4));
  SheetBoxes boxes(job, random, kNever);
  const double whole = worthOf(piecesOf(job.counts), worth);
  bool isAny = false;
  for (int i = 0; i < 20; ++i) {
    const double most = worthOf(loose, worth) * *rc::gen::element(1.0, 1.0, 1.2);
    auto joined = boxes.joined(all(bins), loose, worth, most);
    if (!joined) continue;
    isAny = true;
    RC_ASSERT(joined->bins.size() == bins.size());
    for (std::size_t b = 0; b < bins.size(); ++b) RC_ASSERT(joined->bins[b].stock == bins[b].stock);
    RC_ASSERT(worthOf(joined->loose, worth) <= most + 1e-5 * whole);
    bins = std::move(joined->bins);
    loose = std::move(joined->loose);
    Counts held = countsOf(loose, job.kinds.size());
    CutLayout layout;
    for (const Bin& bin : bins) {
      layout.sheets.push_back(sheetOf(job, bin));
      const Counts here = heldIn(job, bin);
      for (std::size_t kind = 0; kind < here.size(); ++kind) held[kind] += here[kind];
    }
    RC_ASSERT(held == job.counts);
    for (const std::size_t kind : loose) layout.unplaced.push_back({job.kinds[kind], 1});
    RC_ASSERT(test::faultIn(problem, layout) == "");
  }
  RC_TAG(isAny ? "joined" : "not");
}

// Where all of them are looked at, no way to lay some of them leaves less loose.
RC_GTEST_PROP(SheetBoxes, layAsMuchOfFewAsCanBe, ()) {
  CutProblem problem = anyOnSheets(*rc::gen::inRange(1, 5), 1);
  const MaterialJob job = test::jobOf(problem);
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  std::vector<std::size_t> none;
  const std::vector<Bin> bins = anySheets(job, none);  // nothing lies there
  const std::vector<double> areas = areasOf(job, [&] {
    std::vector<std::size_t> kinds(job.kinds.size());
    for (std::size_t kind = 0; kind < kinds.size(); ++kind) kinds[kind] = kind;
    return kinds;
  }());
  for (CutStock& stock : problem.stocks) stock.count = 0;
  for (const Bin& bin : bins) ++*problem.stocks[job.stocks[bin.stock]].count;
  double most = 0.0;
  for (unsigned set = 1; set < 1U << job.kinds.size(); ++set) {
    MaterialJob part = job;
    double area = 0.0;
    for (std::size_t kind = 0; kind < part.counts.size(); ++kind) {
      part.counts[kind] = static_cast<int>(set >> kind & 1U);
      area += part.counts[kind] * areas[kind];
    }
    if (area > most && exactLayOut(part, kNever)) most = area;
  }
  const std::vector<std::size_t> pieces = piecesOf(job.counts);
  SheetBoxes boxes(job, random, kNever);
  const auto joined = boxes.joined(all(bins), pieces, areas, worthOf(pieces, areas));
  RC_ASSERT(joined.has_value());
  const double laid = worthOf(pieces, areas) - worthOf(joined->loose, areas);
  RC_ASSERT(std::abs(laid - most) <= 1e-5 * worthOf(pieces, areas));
}

// The cheapest that has the room is too narrow for any piece; another that costs less than what is
// known is tried too.
TEST(CheaperSheets, takeTurnsWhereFewPiecesLie) {
  CutProblem problem;
  problem.stocks = {test::sheetOf(100, 100), test::sheetOf(30, 400), test::sheetOf(101, 101)};
  problem.stocks[0].cost = 10;
  problem.stocks[1].id = "narrow";
  problem.stocks[1].cost = 5;
  problem.stocks[1].count = 1;
  problem.stocks[2].id = "other";
  problem.stocks[2].cost = 6;
  problem.stocks[2].count = 1;
  problem.pieces = {test::pieceOf("board", 50, 100, 2)};
  const MaterialJob job = test::jobOf(problem);
  std::mt19937_64 random(1);
  std::vector<Bin> bins{emptyBin(job, 0)};
  for (int i = 0; i < 2; ++i) ASSERT_TRUE(putPiece(job, bins, 0, {}));
  CheaperSheets search(job, random, kNever);
  std::optional<std::vector<Bin>> found;
  for (int i = 0; i < 10 && !found && search.begin(bins, nullptr, 0.1); ++i)
    while (search.isAtIt() && !found) found = search.step(10.0);
  ASSERT_TRUE(found.has_value());
  ASSERT_EQ(found->size(), 1U);
  EXPECT_EQ(job.stock(found->front().stock).id, "other");
}

}  // namespace
}  // namespace drapery
