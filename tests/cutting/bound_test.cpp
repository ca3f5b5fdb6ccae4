// What no lay-out can cost less than, against what the cheapest costs; and against a solver of
// integer programmes from outside (CBC).
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <fstream>
#include <sstream>

#include "core/cutting/box_fronts.h"
#include "core/cutting/cost_bound.h"
#include "core/cutting/exact_lay_out.h"
#include "core/cutting/least_sum.h"
#include "core/cutting/pattern_bound.h"
#include "core/cutting/slice_bound.h"
#include "tests/support/command.h"
#include "tests/support/cutting.h"
#include "tests/support/judge.h"

namespace drapery {
namespace {

using test::anyProblem;

const std::function<bool()> kNever = [] { return false; };
constexpr double kEndless = std::numeric_limits<double>::infinity();

CutProblem anySheets(int kinds, int most, int stocks) {
  CutProblem problem = anyProblem(kinds, most, stocks);
  for (CutStock& stock : problem.stocks) {
    stock.form = StockForm::Sheet;
    stock.along = std::min<Micrometres>(stock.along, 1'000'000);
  }
  return problem;
}

RC_GTEST_PROP(Bounds, neverClaimTooMuch, ()) {
  const CutProblem problem = anySheets(*rc::gen::inRange(1, 5), 3, *rc::gen::inRange(1, 4));
  CutLayout told;
  for (const MaterialJob& job : materialJobs(problem, told)) {
    if (job.kinds.empty()) continue;
    const auto exact = exactLayOut(job, kNever);
    if (!exact) continue;  // there is not stock enough
    const Patterns patterns = findPatterns(job, 0.0, kEndless, 1.0, kNever);
    RC_ASSERT(patterns.bound <= exact->cost + 1e-9);
    RC_ASSERT(leastSumFrom(job, patterns.bound, patterns.covers) <= exact->cost + 1e-9);
    RC_ASSERT(leastSumFrom(job, costBound(job, kNever)) <= exact->cost + 1e-9);
    RC_ASSERT(leastSumFrom(job, exact->cost, patterns.covers) <= exact->cost + 1e-9);
    RC_ASSERT(patterns.bound > 0);
  }
}

CutProblem anyRoll() {
  CutProblem problem = anyProblem(*rc::gen::inRange(1, 5), 3, 1);
  problem.stocks[0].form = StockForm::Roll;
  problem.stocks[0].along = 20'000'000;
  problem.stocks[0].count = 1;
  return problem;
}

// A roll, and off-cuts of which there are only so many, cheaper or dearer than it.
RC_GTEST_PROP(Bounds, neverClaimTooMuchOfRollsBesideSheets, ()) {
  CutProblem problem = anyProblem(*rc::gen::inRange(1, 5), 3, *rc::gen::inRange(2, 4));
  problem.stocks[0].form = StockForm::Roll;
  problem.stocks[0].along = 20'000'000;
  problem.stocks[0].count = 1;
  for (CutStock& stock : problem.stocks) stock.cost *= *rc::gen::element(0.05, 1.0);
  CutLayout told;
  for (const MaterialJob& job : materialJobs(problem, told)) {
    if (job.kinds.empty()) continue;
    const auto exact = exactLayOut(job, kNever);
    if (!exact) continue;  // there is not stock enough
    RC_ASSERT(leastSumFrom(job, costBound(job, kNever)) <= exact->cost + 1e-9);
    const Patterns patterns = findPatterns(job, 0.0, kEndless, 1.0, kNever);
    RC_ASSERT(patterns.bound <= exact->cost + 1e-9);
    RC_ASSERT(leastSumFrom(job, patterns.bound, patterns.covers) <= exact->cost + 1e-9);
    RC_ASSERT(leastSumFrom(job, exact->cost, patterns.covers) <= exact->cost + 1e-9);
  }
}

// On one roll: no end is claimed farther than where the shortest lay-out ends.
RC_GTEST_PROP(Bounds, neverClaimTooMuchOfARoll, ()) {
  const CutProblem problem = anyRoll();
  CutLayout told;
  for (const MaterialJob& job : materialJobs(problem, told)) {
    if (job.kinds.empty()) continue;
    const auto exact = exactLayOut(job, kNever);
    RC_PRE(exact.has_value());
    RC_ASSERT(leastSumFrom(job, costBound(job, kNever)) <= exact->cost + 1e-9);
    RC_ASSERT(leastSumFrom(job, exact->cost) <= exact->cost + 1e-9);
    RC_ASSERT(leastSumFrom(job, sliceBound(job, 0.0, kNever)) <= exact->cost + 1e-9);
    // It tells no less than the pieces' area does.
    const CutStock& roll = job.stock(0);
    double area = 0.0;
    for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) {
      const LyingSize& size = job.sizes[0][kind].front();
      area += job.counts[kind] * double(size.across) * double(size.along);
    }
    const double along = area / double(usableOf(roll).across) + double(roll.bottom - roll.kerf);
    RC_ASSERT(sliceBound(job, 0.0, kNever) >= roll.cost * along / 1e6 * (1 - 1e-3) - 1e-12);
  }
}

// The sheets that come out of it can be cut: no piece over the edge, none on another.
RC_GTEST_PROP(Bounds, theirPatternsAreSheets, ()) {
  const CutProblem problem = anySheets(*rc::gen::inRange(1, 6), 20, 1);
  CutLayout told;
  for (const MaterialJob& job : materialJobs(problem, told)) {
    if (job.kinds.empty()) continue;
    for (const PatternUse& use : findPatterns(job, 0.0, kEndless, 1.0, kNever).uses) {
      const UsableSize usable = usableOf(job.stock(use.stock));
      double pieces = 0.0, free = 0.0;
      for (const SheetPart& part : use.parts) {
        RC_ASSERT(part.x + part.across <= usable.across);
        RC_ASSERT(part.y + part.along <= usable.along);
        const double area = double(part.across) * double(part.along);
        if (part.kind == SheetPart::Kind::Free) free += area;
        if (part.kind != SheetPart::Kind::Piece) continue;
        pieces += area;
        bool isOne = false;
        for (const LyingSize& size : job.sizes[use.stock][part.piece])
          isOne = isOne || (size.across == part.across && size.along == part.along &&
                            size.isTurned == part.isTurned);
        RC_ASSERT(isOne);
      }
      RC_ASSERT(pieces + free == double(usable.across) * double(usable.along));
    }
  }
}

/// The cheapest way to take all, as CBC finds it: a column for every taking that one sheet of a
/// stock can hold.
/// @param isWhole whether sheets are used whole; else in part too.
double costByCbc(const MaterialJob& job, const test::TemporaryFolder& folder, bool isWhole = true) {
  const CountIndex index(job.counts);
  std::ostringstream cost, sums;
  std::vector<std::ostringstream> rows(index.kinds());
  std::ostringstream whole;
  for (std::size_t s = 0; s < job.stocks.size(); ++s) {
    std::uint64_t work = 1u << 30;
    const BoxFronts fronts(job, s, index, work, kNever);
    std::ostringstream used;
    for (std::size_t set = 1; set < index.size(); ++set) {
      if (fronts.of(set).empty()) continue;
      const std::string name = " x" + std::to_string(s) + "_" + std::to_string(set);
      cost << " + " << job.stock(s).cost << name;
      used << " +" << name;
      whole << name << "\n";
      for (std::size_t kind = 0; kind < index.kinds(); ++kind)
        if (index.count(set, kind) > 0) rows[kind] << " + " << index.count(set, kind) << name;
    }
    if (job.stock(s).count && !used.str().empty())
      sums << " s" << s << ":" << used.str() << " <= " << *job.stock(s).count << "\n";
  }
  std::ostringstream programme;
  programme << "Minimize\n obj:" << cost.str() << "\nSubject To\n";
  for (std::size_t kind = 0; kind < index.kinds(); ++kind)
    programme << " k" << kind << ":" << rows[kind].str() << " >= " << job.counts[kind] << "\n";
  programme << sums.str() << (isWhole ? "Generals\n" + whole.str() : "") << "End\n";
  const std::string path = folder.write("cover.lp", programme.str());
  const std::string answer = folder.path() + "/answer";
  test::run({"cbc", path, "sec", "20", "solve", "solution", answer, "quit"});
  std::ifstream read(answer);
  std::string line;
  std::getline(read, line);  // "Optimal - objective value 7.50000000"
  const auto at = line.find("objective value");
  return line.rfind("Optimal", 0) == 0 && at != std::string::npos ? std::stod(line.substr(at + 15))
                                                                  : -1.0;
}

TEST(Bounds, claimsOfOptimalityAreNotFalse) {
  const test::TemporaryFolder folder;
  int checked = 0;
  for (std::uint64_t seed = 1; seed <= 25; ++seed) {
    const auto draw = rc::gen::exec([] { return anySheets(3, 5, 2); });
    const CutProblem problem = draw(rc::Random(seed), 60).value();
    CutLayout told;
    const auto jobs = materialJobs(problem, told);
    const CutLayout layout = test::laidOut(problem, 100, seed);
    for (std::size_t i = 0; i < jobs.size(); ++i) {
      if (jobs[i].kinds.empty()) continue;
      const double cost = costByCbc(jobs[i], folder);
      if (cost < 0) continue;  // not all of it finds room
      const MaterialCost& found = layout.materials.at(0);
      EXPECT_LE(found.bound, cost + 1e-6) << seed;
      EXPECT_GE(found.cost, cost - 1e-6) << seed;
      if (found.isProven) {
        EXPECT_NEAR(found.cost, cost, 1e-6) << seed;
      }
      ++checked;
    }
  }
  EXPECT_GT(checked, 8);
}

// Sheets used in part, no more of anything on them than is wanted: what CBC finds lies between the
// bound, for which they may hold more, and what the patterns that were found cost.
TEST(Bounds, theLeastInPartLiesBetweenThem) {
  const test::TemporaryFolder folder;
  int checked = 0;
  for (std::uint64_t seed = 1; seed <= 40; ++seed) {
    const auto draw = rc::gen::exec([] { return anySheets(4, 6, 1); });
    CutProblem problem = draw(rc::Random(seed), 60).value();
    problem.stocks[0].count.reset();
    CutLayout told;
    for (const MaterialJob& job : materialJobs(problem, told)) {
      if (job.kinds.empty()) continue;
      const double least = costByCbc(job, folder, false);
      EXPECT_LE(findPatterns(job, 0.0, kEndless, 1.0, kNever).bound, least + 1e-6) << seed;
      const Patterns proper = properPatterns(job, {0}, {}, 1.0, kNever);
      std::vector<double> held(job.kinds.size(), 0.0);
      double cost = 0.0;
      for (const PatternUse& use : proper.uses) {
        cost += use.often * job.stock(use.stock).cost;
        Counts counts(job.kinds.size(), 0);
        for (const SheetPart& part : use.parts)
          if (part.kind == SheetPart::Kind::Piece) ++counts[part.piece];
        for (std::size_t kind = 0; kind < counts.size(); ++kind)
          held[kind] += use.often * std::min(counts[kind], job.counts[kind]);
      }
      bool isAll = true;  // what none holds lies on sheets of its own, which are not told
      for (std::size_t kind = 0; kind < held.size(); ++kind)
        isAll = isAll && held[kind] >= job.counts[kind] - 1e-6;
      if (!isAll) continue;
      EXPECT_GE(cost, least - 1e-6) << seed;
      EXPECT_LE(cost, 1.15 * least) << seed;
      ++checked;
    }
  }
  EXPECT_GT(checked, 8);
}

}  // namespace
}  // namespace drapery
