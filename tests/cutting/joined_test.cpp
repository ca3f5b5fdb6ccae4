// Rows joined of few pieces: what they are made of is there, and they lose less than pieces laid
// one after the other.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <functional>
#include <set>

#include "core/cutting/bin.h"
#include "core/cutting/chance_filler.h"
#include "core/cutting/joined_row.h"
#include "core/cutting/row_exchange.h"
#include "core/cutting/sheet_filling.h"
#include "core/cutting/slab.h"
#include "tests/support/cutting.h"

namespace drapery {
namespace {

const std::function<bool()> kNever = [] { return false; };

int from(int least, int most) { return *rc::gen::inRange(least, most + 1); }

/// A roll and what is cut from it, each kind with its area as its worth.
struct Drawn {
  explicit Drawn(CutProblem of) : problem(std::move(of)) {
    CutLayout told;
    std::vector<MaterialJob> jobs = materialJobs(problem, told);
    if (jobs.empty()) return;
    job = std::move(jobs.front());
    for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) kinds.push_back(kind);
    worth = areasOf(job, kinds);
    room = emptyBin(job, 0).parts[0];
  }
  CutProblem problem;
  MaterialJob job;
  std::vector<std::size_t> kinds;
  std::vector<double> worth;
  SheetPart room;
};

Drawn anyRoll() {
  CutProblem problem = test::anyProblem(from(1, 12), 9, 1);
  problem.stocks[0].form = StockForm::Roll;
  problem.stocks[0].count = 1;
  problem.stocks[0].along = 40'000 * test::kMm;
  return Drawn(std::move(problem));
}

/// How many of each kind lie in some parts, each as large as it may lie; none where one does not.
std::optional<Counts> heldIn(const Drawn& drawn, const std::vector<SheetPart>& parts) {
  Counts counts(drawn.kinds.size(), 0);
  for (const SheetPart& part : parts) {
    if (part.kind != SheetPart::Kind::Piece) continue;
    const auto& sizes = drawn.job.sizes[0][part.piece];
    const bool isOne = std::any_of(sizes.begin(), sizes.end(), [&](const LyingSize& size) {
      return size.across == part.across && size.along == part.along &&
             size.isTurned == part.isTurned;
    });
    if (!isOne) return std::nullopt;
    ++counts[part.piece];
  }
  return counts;
}

RC_GTEST_PROP(PackedCounts, tellWhatIsThere, ()) {
  PackedCounts there, a, b;
  bool isThere = true;
  for (std::size_t kind = 0; kind < PackedCounts::kKinds; ++kind) {
    const int many = from(0, 9), most = std::min(many, PackedCounts::kMost);
    const int ofA = from(0, most), ofB = from(0, from(0, 3) == 0 ? most : most - ofA);
    there.set(kind, many);
    a.set(kind, ofA);
    b.set(kind, ofB);
    RC_ASSERT(there.of(kind) == most);
    isThere = isThere && ofA + ofB <= most;
  }
  RC_ASSERT(PackedCounts::isThere(a, b, there.lacking()) == isThere);
  if (!isThere) return;
  const PackedCounts both = a + b;
  for (std::size_t kind = 0; kind < PackedCounts::kKinds; ++kind)
    RC_ASSERT(both.of(kind) == a.of(kind) + b.of(kind));
}

// Of few parts no better strip is missed, and what is told of it is true.
RC_GTEST_PROP(EndToEnd, isTheBestOfAllStrips, ()) {
  constexpr Micrometres kLength = 1'000'000'000, kHigh = 1000;  // fine: no two reach as far
  PackedCounts there;
  std::vector<EndToEnd::Part> parts(static_cast<std::size_t>(from(1, 6)));
  std::vector<int> counts;
  for (std::size_t i = 0; i < parts.size(); ++i) {
    counts.push_back(from(1, 2));
    there.set(i, counts.back());
    parts[i].taken.set(i, 1);
    parts[i].length = from(static_cast<int>(kLength) / 9, static_cast<int>(kLength));
    parts[i].lost = 1e-3 * from(0, 100) * double(parts[i].length) * double(kHigh);
  }
  const double most = 1e-2 * from(0, 100) * double(kLength) * double(kHigh);
  double least = most;
  const std::function<void(std::size_t, Micrometres, double)> lay =
      [&](std::size_t i, Micrometres reaches, double lost) {
        if (reaches > kLength) return;
        least = std::min(least, lost + double(kLength - reaches) * double(kHigh));
        if (i == parts.size()) return;
        for (int n = 0; n <= counts[i]; ++n)
          lay(i + 1, reaches + n * parts[i].length, lost + n * parts[i].lost);
      };
  lay(0, 0, 0.0);
  EndToEnd endToEnd;
  const auto strip = endToEnd.best(parts, kLength, kHigh, there.lacking(), most);
  RC_ASSERT(strip.has_value() == (least < most));
  if (!strip) return;
  Micrometres reaches = 0;
  double lost = 0.0;
  for (const std::uint32_t part : strip->parts) {
    RC_ASSERT(--counts[part] >= 0);
    reaches += parts[part].length;
    lost += parts[part].lost;
  }
  RC_ASSERT(reaches <= kLength);
  lost += double(kLength - reaches) * double(kHigh);
  RC_ASSERT(std::abs(strip->lost - lost) < 1e-9 * most);
  RC_ASSERT(std::abs(strip->lost - least) < 1e-9 * most);
}

// Each box can be cut apart into pieces there are, and loses as little as it may.
RC_GTEST_PROP(JoinedBoxes, areOfWhatThereIs, ()) {
  const Drawn drawn = anyRoll();
  RC_PRE(!drawn.kinds.empty());
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  JoinedBoxes boxes(drawn.job, random);
  const Micrometres along = from(100, 700) * test::kMm;
  RC_ASSERT(boxes.join({0, drawn.room.across, along, drawn.kinds, drawn.worth, drawn.job.counts},
                       kNever));
  for (std::uint32_t i = 0; i < boxes.all().size(); ++i) {
    const JoinedBox& box = boxes.all()[i];
    RC_ASSERT(box.across <= drawn.room.across && box.along <= along);
    RC_ASSERT(box.lost() <= boxes.mayLose() * double(box.across) * double(box.along));
    std::vector<SheetPart> parts{drawn.room};
    parts[0].across = box.across;
    parts[0].along = box.along;
    boxes.lay(i, 0, parts);
    const auto held = heldIn(drawn, parts);
    RC_ASSERT(held.has_value());
    Counts pool = drawn.job.counts;
    boxes.takeFrom(pool, box.taken);
    double area = 0.0;
    for (std::size_t kind = 0; kind < pool.size(); ++kind) {
      RC_ASSERT(pool[kind] >= 0);
      RC_ASSERT(pool[kind] + (*held)[kind] == drawn.job.counts[kind]);
      area += (*held)[kind] * drawn.worth[kind];
    }
    RC_ASSERT(std::abs(area - box.worth) < 1e-9 * (1.0 + area));
  }
}

RC_GTEST_PROP(JoinedRow, isOfWhatThereIs, ()) {
  const Drawn drawn = anyRoll();
  RC_PRE(!drawn.kinds.empty());
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  JoinedRow rows(drawn.job, random, kNever);
  Counts pool = drawn.job.counts;
  const auto row = rows.best(0, drawn.room, 0, drawn.kinds, drawn.worth, pool);
  if (!row) {
    RC_ASSERT(pool == drawn.job.counts);
    return;
  }
  const SheetPart& whole = row->parts.front();
  RC_ASSERT(whole.across == drawn.room.across && whole.along <= drawn.room.along);
  const auto held = heldIn(drawn, row->parts);
  RC_ASSERT(held.has_value());
  for (std::size_t kind = 0; kind < pool.size(); ++kind) {
    RC_ASSERT(pool[kind] >= 0);
    RC_ASSERT(pool[kind] + (*held)[kind] == drawn.job.counts[kind]);
  }
  RC_ASSERT(endOf(row->parts) == whole.y + whole.along);
  RC_ASSERT(row->area >= 0.9 * double(whole.across) * double(whole.along));
}

/// A hundred pieces of fifty kinds in whole millimetres, from a roll of a metre.
Drawn hundred() {
  CutProblem problem;
  problem.stocks.push_back(test::sheetOf(1000, 20'000));
  problem.stocks[0].form = StockForm::Roll;
  for (int kind = 0; kind < 50; ++kind)
    problem.pieces.push_back(test::pieceOf("piece" + std::to_string(kind), 60 + 31 * kind % 197,
                                           90 + 47 * kind % 263, 2, PieceGrain::Free));
  return Drawn(std::move(problem));
}

// Less than half of what piece after piece loses in a slab of any of a dozen lengths.
TEST(JoinedRow, losesLittleOfAHundredPieces) {
  const Drawn drawn = hundred();
  const double across = double(drawn.room.across);
  double inRows = 0.0, inSlabs = 0.0;
  for (std::uint64_t seed = 1; seed <= 5; ++seed) {
    std::mt19937_64 random(seed);
    JoinedRow rows(drawn.job, random, kNever);
    Counts pool = drawn.job.counts;
    const auto row = rows.best(0, drawn.room, 0, drawn.kinds, drawn.worth, pool);
    ASSERT_TRUE(row);
    inRows += 1.0 - row->area / (across * double(row->parts[0].along));
    ChanceFiller filler(drawn.job, random, kNever);
    filler.begin(0, drawn.kinds, drawn.worth);
    double least = 1.0;
    for (int length = 300; length <= 850; length += 50) {
      SheetPart room = drawn.room;
      room.along = length * test::kMm;
      pool = drawn.job.counts;
      const auto [filling, got] = filler.best(room, 60, pool);
      least = std::min(least, 1.0 - got / (across * double(endOf(filling.parts))));
    }
    inSlabs += least;
  }
  EXPECT_LT(inRows, 0.4 * inSlabs);
  EXPECT_LT(inRows / 5, 0.004);
}

RC_GTEST_PROP(JoinedRow, someAreOfWhatThereIs, ()) {
  const Drawn drawn = anyRoll();
  RC_PRE(!drawn.kinds.empty());
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  JoinedRow rows(drawn.job, random, kNever);
  const Counts& pool = drawn.job.counts;
  std::set<Counts> seen;
  for (const auto& found : rows.some(0, drawn.room, 0, drawn.kinds, drawn.worth, pool)) {
    const auto held = heldIn(drawn, found.row.parts);
    RC_ASSERT(held.has_value());
    double worth = 0.0;
    for (std::size_t kind = 0; kind < pool.size(); ++kind) {
      RC_ASSERT(found.left[kind] >= 0 && found.left[kind] + (*held)[kind] == pool[kind]);
      worth += (*held)[kind] * drawn.worth[kind];
    }
    RC_ASSERT(seen.insert(found.left).second);
    const SheetPart& whole = found.row.parts.front();
    const double room = double(whole.across) * double(whole.along);
    RC_ASSERT(std::abs(room - worth - found.lost) < 1e-9 * room);
  }
}

// From one beginning a moment's exchanges save a good part of what is lost.
TEST(RowExchange, savesMuchOfAHundredPieces) {
  const Drawn drawn = hundred();
  double before = 0.0, after = 0.0;
  for (std::uint64_t seed = 1; seed <= 4; ++seed) {
    std::mt19937_64 random(seed);
    SheetFilling filling(drawn.job, random, kNever);
    std::vector<Bin> bins;
    std::vector<int> used{0};
    std::vector<std::size_t> loose = piecesOf(drawn.job.counts);
    filling.fill({0}, patientBeginning(drawn.job, 0.05, random), bins, used, loose);
    ASSERT_TRUE(loose.empty());
    const double least = bins[0].area / double(drawn.room.across);
    std::vector<Slab> slabs;
    addSlabs(bins[0].parts, 0, slabs);
    before += double(alongOf(slabs)) - least;
    RowExchange rows(drawn.job, random, kNever);
    rows.begin(slabs);
    for (int i = 0; i < 60; ++i) {
      if (!rows.step()) continue;
      slabs = rows.slabs();
      rows.begin(slabs);
    }
    after += double(alongOf(slabs)) - least;
  }
  EXPECT_LT(after, 0.75 * before);
}

// What is taller than the roll is wide for the most part is not left for the end.
TEST(JoinedRow, isAsHighAsItMustBe) {
  constexpr int kTall = 960;
  CutProblem problem;
  problem.stocks.push_back(test::sheetOf(1000, 20'000));
  problem.stocks[0].form = StockForm::Roll;
  for (int kind = 0; kind < 20; ++kind)
    problem.pieces.push_back(
        test::pieceOf("piece" + std::to_string(kind), 60 + 31 * kind % 197, kTall - kind % 3, 4));
  const Drawn drawn(std::move(problem));
  std::mt19937_64 random(1);
  JoinedRow rows(drawn.job, random, kNever);
  Counts pool = drawn.job.counts;
  EXPECT_FALSE(rows.best(0, drawn.room, 0, drawn.kinds, drawn.worth, pool));
  const auto row = rows.best(0, drawn.room, kTall * test::kMm, drawn.kinds, drawn.worth, pool);
  ASSERT_TRUE(row);
  EXPECT_GT(row->area, 0.99 * double(drawn.room.across) * double(row->parts[0].along));
}

TEST(JoinedRow, endsSoonOnceItIsEnough) {
  const Drawn drawn = hundred();
  std::mt19937_64 random(1);
  int asked = 0;
  JoinedRow rows(drawn.job, random, [&] { return ++asked >= 3; });
  Counts pool = drawn.job.counts;
  const auto row = rows.best(0, drawn.room, 0, drawn.kinds, drawn.worth, pool);
  EXPECT_FALSE(row);
  EXPECT_LE(asked, 4);
  EXPECT_EQ(pool, drawn.job.counts);
}

}  // namespace
}  // namespace drapery
