// What pieces are worth at most on one sheet: against every way there is, and against what others
// found.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <array>
#include <random>
#include <vector>

#include "core/cutting/box_fronts.h"
#include "core/cutting/promising_boxes.h"
#include "core/cutting/rationed_values.h"
#include "tests/support/cutting.h"
#include "tests/support/judge.h"

namespace drapery {
namespace {

using test::faultIn;
using test::laidOut;
using test::pieceOf;
using test::sheetOf;

const std::function<bool()> kNever = [] { return false; };
/// Few or many looks, by steps that lengths are whole numbers of or by coarser ones.
RationingWork anyWork() { return {*rc::gen::element(3e2, 3e3, 4e6), *rc::gen::element(0.0, 1e7)}; }

/// A problem of a sheet on which each piece may lie, and what each is worth.
struct Valued {
  CutProblem problem;
  MaterialJob job;
  std::vector<double> values;
  explicit Valued(int kinds) {
    const auto drawn = [](int least, int most) { return *rc::gen::inRange(least, most + 1); };
    problem.isForValue = true;
    problem.stocks = {sheetOf(drawn(30, 120), drawn(30, 120))};
    problem.stocks[0].count = 1;
    problem.stocks[0].kerf = drawn(0, 2) * test::kMm / 2;
    problem.stocks[0].left = drawn(0, 1) * test::kMm;
    const bool isByArea = *rc::gen::arbitrary<bool>();
    for (int kind = 0; kind < kinds; ++kind) {
      CutPiece piece = pieceOf("piece" + std::to_string(kind), drawn(5, 60), drawn(5, 60),
                               drawn(1, 3), static_cast<PieceGrain>(drawn(0, 2)));
      piece.value =
          isByArea ? double(piece.width) * double(piece.height) / 1e6 : drawn(0, 400) / 4.0;
      problem.pieces.push_back(piece);
    }
    // Beside what is so large that their lengths come to nothing in its steps.
    if (*rc::gen::inRange(0, 8) == 0) enlargeAllButTheFirst();
    problem = test::anyThatFits(problem, StockForm::Sheet);
    problem.stocks[0].count = 1;
    job = test::jobOf(problem);
    for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
      values.push_back(job.kind(kind).value);
  }
  void enlargeAllButTheFirst() {
    constexpr Micrometres kTimes = 30;
    problem.stocks[0].across *= kTimes;
    problem.stocks[0].along *= kTimes;
    for (std::size_t i = 1; i < problem.pieces.size(); ++i) {
      problem.pieces[i].width *= kTimes;
      problem.pieces[i].height *= kTimes;
    }
  }
  [[nodiscard]] double valueOf(const std::vector<SheetPart>& parts) const {
    double value = 0.0;
    for (const SheetPart& part : parts)
      if (part.kind == SheetPart::Kind::Piece) value += values[part.piece];
    return value;
  }
  /// Of every taking that has a box.
  [[nodiscard]] double mostByAll() const {
    const CountIndex index(job.counts);
    std::uint64_t work = 1U << 30U;
    const BoxFronts fronts(job, 0, index, work, kNever);
    double most = 0.0;
    for (std::size_t set = 1; set < index.size(); ++set) {
      if (fronts.of(set).empty()) continue;
      double value = 0.0;
      for (std::size_t kind = 0; kind < index.kinds(); ++kind)
        value += index.count(set, kind) * values[kind];
      most = std::max(most, value);
    }
    return most;
  }
};

// However eagerly, what nothing promises more than is the most of every taking there is; what was
// found lies on the sheet, and holds no more than there is.
RC_GTEST_PROP(PromisingBoxes, areWorthAsMuchAsEveryTaking, ()) {
  constexpr double kSame = 1e-9;
  const Valued valued(*rc::gen::inRange(1, 6));
  const double most = valued.mostByAll();
  double known = 0.0;
  std::vector<SheetPart> best;
  const auto take = [&](std::vector<SheetPart> parts) {
    known = std::max(known, valued.valueOf(parts));
    best = std::move(parts);
  };
  const std::vector<double> from(valued.values.size(), *rc::gen::element(0.0, 3.0));
  const auto rationed = rationedValues(
      valued.job, valued.values, from, anyWork(), [&] { return known; }, take, kNever);
  RC_PRE(rationed.has_value());
  RC_ASSERT(known <= most * (1 + kSame));
  RC_ASSERT(double(rationed->most) >= most * rationed->unit * (1 - kSame));
  PromisingBoxes boxes(valued.job, valued.values, *rationed);
  RC_ASSERT(boxes.isUsable());
  const double eagerness = *rc::gen::element(0.0, 0.05, 0.5);
  const double before = *rc::gen::element(0.0, known, 0.9 * most);
  known = before;
  const double bound = boxes.find(before, eagerness, 1U << 30U, take, kNever);
  RC_ASSERT(std::abs(known - most) <= kSame * most);
  RC_ASSERT(std::abs(bound - most) <= kSame * most);
  Counts left = valued.job.counts;
  for (const SheetPart& part : best)
    if (part.kind == SheetPart::Kind::Piece) RC_ASSERT(--left[part.piece] >= 0);
}

// Ended early, it tells nothing that is less than what there is.
RC_GTEST_PROP(PromisingBoxes, tellNoLessThanThereIsWhenEnded, ()) {
  constexpr double kSame = 1e-9;
  const Valued valued(*rc::gen::inRange(2, 6));
  const auto nothing = [](const std::vector<SheetPart>&) {};
  const std::vector<double> from(valued.values.size(), 0.0);
  const auto rationed = rationedValues(
      valued.job, valued.values, from, anyWork(), [] { return 0.0; }, nothing, kNever);
  RC_PRE(rationed.has_value());
  PromisingBoxes boxes(valued.job, valued.values, *rationed);
  const auto work = static_cast<std::uint64_t>(*rc::gen::inRange(0, 300));
  const double bound = boxes.find(0.0, *rc::gen::element(0.0, 0.1), work, nothing, kNever);
  RC_ASSERT(bound >= valued.mostByAll() * (1 - kSame));
}

RC_GTEST_PROP(LayOut, aSheetIsWorthAsMuchAsEveryTaking, ()) {
  constexpr double kMillionth = 1e-6;
  const Valued valued(*rc::gen::inRange(1, 6));
  const CutLayout layout = laidOut(valued.problem, 20);
  RC_ASSERT(faultIn(valued.problem, layout) == "");
  RC_ASSERT(std::abs(layout.materials.at(0).cost - valued.mostByAll()) <= kMillionth);
}

// It comes to nothing in the steps in which the others are counted.
TEST(LayOut, fewAreProvenBesideOneThatIsTiny) {
  CutProblem problem;
  problem.isForValue = true;
  problem.stocks = {sheetOf(1500, 1900)};
  problem.stocks[0].count = 1;
  problem.pieces = {pieceOf("tiny", 4, 9, 3, PieceGrain::Free), pieceOf("large", 700, 900, 4),
                    pieceOf("other", 611, 811, 3)};
  problem.pieces[2].width -= 300;
  problem.pieces[2].height += 300;
  for (std::size_t i = 0; i < 3; ++i) problem.pieces[i].value = std::array{1.0, 620.0, 500.0}[i];
  const MaterialCost cost = laidOut(problem, 20).materials.at(0);
  EXPECT_EQ(cost.cost, 2483);  // four large ones fill it but for strips
  EXPECT_TRUE(cost.isProven);
}

struct Published {
  Micrometres across, along;
  double most;
  std::vector<std::array<int, 4>> pieces;  // width, height, how many, value; 0: its area
};

void isProven(const Published& published) {
  CutProblem problem;
  problem.isForValue = true;
  problem.stocks = {sheetOf(published.across, published.along)};
  problem.stocks[0].count = 1;
  for (const auto& [width, height, count, value] : published.pieces) {
    problem.pieces.push_back(pieceOf(std::to_string(problem.pieces.size()), width, height, count));
    problem.pieces.back().value = value > 0 ? value : width * height;
  }
  const CutLayout layout = laidOut(problem);
  EXPECT_EQ(faultIn(problem, layout), "");
  ASSERT_EQ(layout.materials.size(), 1U);
  EXPECT_EQ(layout.materials[0].cost, published.most);
  EXPECT_TRUE(layout.materials[0].isProven);
}

// N. Christofides and C. Whitlock, "An algorithm for two-dimensional cutting problems", Operations
// Research 25 (1977): problem 1, whose optimum is 244.
TEST(LayOut, solvesTheProblemOfChristofidesAndWhitlock) {
  isProven({15,
            10,
            244,
            {{8, 4, 2, 66},
             {3, 7, 1, 35},
             {8, 2, 3, 24},
             {3, 4, 5, 17},
             {3, 3, 2, 11},
             {3, 2, 2, 8},
             {2, 1, 1, 2}}});
}

// P. Y. Wang, "Two algorithms for constrained two-dimensional cutting stock problems", Operations
// Research 31 (1983); its optimum, 2721, and the problem (from memory).
TEST(LayOut, solvesTheProblemOfWang) {
  isProven({70, 40, 2721, {{17, 9, 1},  {11, 19, 4}, {12, 21, 3}, {14, 23, 4}, {24, 15, 1},
                           {24, 15, 2}, {25, 16, 4}, {27, 17, 2}, {18, 29, 3}, {21, 31, 3},
                           {32, 22, 2}, {23, 33, 3}, {34, 24, 2}, {35, 25, 2}, {36, 26, 1},
                           {37, 27, 1}, {38, 28, 1}, {39, 29, 1}, {41, 30, 1}, {43, 31, 1}}});
}

// J. F. Oliveira and J. S. Ferreira, "An improved version of Wang's algorithm for two-dimensional
// cutting problems", European Journal of Operational Research 44 (1990): problem 1, whose optimum
// is 2737 (from memory).
TEST(LayOut, solvesTheProblemOfOliveiraAndFerreira) {
  isProven({70,
            40,
            2737,
            {{29, 5, 1},
             {9, 39, 4},
             {55, 9, 1},
             {31, 15, 1},
             {11, 16, 2},
             {23, 21, 3},
             {29, 14, 4},
             {16, 19, 3},
             {9, 36, 2},
             {22, 4, 2}}});
}

// Of more pieces than can be tried too: as many as find room, not only those that are tried.
TEST(LayOut, aSheetHoldsMuchValueOfManyPieces) {
  constexpr double kOfBound = 0.93;
  std::mt19937 random(3);
  const auto drawn = [&](int least, int most) {
    return std::uniform_int_distribution<int>(least, most)(random);
  };
  for (const int kinds : {8, 40}) {
    CutProblem problem;
    problem.isForValue = true;
    problem.stocks = {sheetOf(900, 1200)};
    problem.stocks[0].count = 1;
    for (int kind = 0; kind < kinds; ++kind) {
      const int width = drawn(60, 200), height = drawn(90, 300);
      problem.pieces.push_back(pieceOf("piece" + std::to_string(kind), width, height, 160 / kinds));
      problem.pieces.back().value = width * height;
    }
    const CutLayout layout = laidOut(problem, 4);
    EXPECT_EQ(faultIn(problem, layout), "");
    ASSERT_EQ(layout.materials.size(), 1U);
    EXPECT_GE(layout.materials[0].cost, kOfBound * layout.materials[0].bound) << kinds;
    EXPECT_LE(layout.materials[0].cost, layout.materials[0].bound) << kinds;
  }
}

}  // namespace
}  // namespace drapery
