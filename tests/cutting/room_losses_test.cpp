// What a room must lose: never more than anything laid in it does, and what heeds it fills fuller.
#include "core/cutting/room_losses.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/cutting/bin.h"
#include "core/cutting/chance_filler.h"
#include "core/cutting/one_fewer.h"
#include "core/cutting/sheet_filling.h"
#include "tests/support/cutting.h"

namespace drapery {
namespace {

const std::function<bool()> kNever = [] { return false; };

MaterialJob jobOf(const CutProblem& problem) {
  CutLayout told;
  std::vector<MaterialJob> jobs = materialJobs(problem, told);
  return jobs.empty() ? MaterialJob{} : jobs.front();
}

std::vector<std::size_t> kindsOf(const MaterialJob& job) {
  std::vector<std::size_t> kinds(job.kinds.size());
  for (std::size_t kind = 0; kind < kinds.size(); ++kind) kinds[kind] = kind;
  return kinds;
}

/// As its stock enlarges it, um2.
double enlarged(const MaterialJob& job, std::size_t kind) {
  const LyingSize& size = job.sizes[0][kind].front();
  return double(size.across) * double(size.along);
}

RC_GTEST_PROP(RoomLosses, areNoMoreThanWhatIsLost, ()) {
  CutProblem problem = test::anyProblem(*rc::gen::inRange(1, 20), 6, 1);
  problem.stocks[0].form = StockForm::Sheet;
  problem.stocks[0].count.reset();
  problem.stocks[0].across = *rc::gen::inRange(30, 300) * test::kMm;
  problem.stocks[0].along = *rc::gen::inRange(30, 300) * test::kMm;
  const bool isAnyLength = *rc::gen::arbitrary<bool>();  // else tenths of a millimetre
  for (CutPiece& piece : problem.pieces)
    if (isAnyLength) piece.width += *rc::gen::inRange(0, 100);
  const MaterialJob job = jobOf(problem);
  RC_PRE(!job.kinds.empty());
  const auto losses = RoomLosses::reckon(job, 0, kNever);
  RC_PRE(losses.has_value());
  std::mt19937_64 random(*rc::gen::arbitrary<std::uint64_t>());
  ChanceFiller filler(job, random, kNever);
  const std::vector<std::size_t> kinds = kindsOf(job);
  filler.begin(0, kinds, areasOf(job, kinds), *rc::gen::arbitrary<bool>() ? &*losses : nullptr);
  Counts pool = job.counts;
  const auto parts = filler.best(emptyBin(job, 0).parts[0], 20, pool).first.parts;
  for (std::size_t at = 0; at < parts.size(); ++at) {
    std::vector<std::size_t> pieces;
    addPieces(parts, at, pieces);
    double lost = double(parts[at].across) * double(parts[at].along);
    for (const std::size_t piece : pieces) lost -= enlarged(job, piece);
    const double least = losses->in(parts[at].across, parts[at].along);
    RC_ASSERT(least >= 0.0);
    RC_ASSERT(least <= lost + 1.0);  // um2
  }
}

// Of 100 x 150 and 40 x 60, grain along: rooms of which one can say it.
TEST(RoomLosses, areTold) {
  CutProblem problem;
  problem.stocks.push_back(test::sheetOf(400, 600));
  problem.pieces = {test::pieceOf("large", 100, 150, 9), test::pieceOf("small", 40, 60, 9)};
  const MaterialJob job = jobOf(problem);
  const auto losses = RoomLosses::reckon(job, 0, kNever);
  ASSERT_TRUE(losses);
  const double kept = 400.0 * 600.0 * 1e6 / 65535;  // um2: as fine as it is told
  const auto in = [&](int across, int along) {
    return losses->in(across * test::kMm, along * test::kMm);
  };
  EXPECT_NEAR(in(100, 150), 0.0, kept);
  EXPECT_NEAR(in(39, 500), 39.0 * 500.0 * 1e6, kept);   // no piece is so narrow
  EXPECT_NEAR(in(40, 150), 40.0 * 30.0 * 1e6, kept);    // two small ones
  EXPECT_NEAR(in(139, 150), 39.0 * 150.0 * 1e6, kept);  // one large
  EXPECT_NEAR(in(140, 150), 40.0 * 30.0 * 1e6, kept);   // and two small ones beside it
  EXPECT_NEAR(in(400, 600), 0.0, kept);                 // four by four
  EXPECT_EQ(in(4000, 6000), in(400, 600));              // no larger than the sheet
}

/// Many to choose from, in whole millimetres.
CutProblem twentyKinds() {
  CutProblem problem;
  problem.stocks.push_back(test::sheetOf(700, 1000));
  for (int kind = 0; kind < 20; ++kind)
    problem.pieces.push_back(test::pieceOf("piece" + std::to_string(kind), 60 + 31 * kind % 197,
                                           90 + 47 * kind % 263, 20, PieceGrain::Free));
  return problem;
}

TEST(RoomLosses, whoeverHeedsThemFillsFuller) {
  const CutProblem problem = twentyKinds();
  const MaterialJob job = jobOf(problem);
  const std::vector<std::size_t> kinds = kindsOf(job);
  const RoomLosses* losses = lossesAmong(kinds.size(), job, 0, kNever);
  ASSERT_NE(losses, nullptr);
  const auto idle = [&](const RoomLosses* heeded) {  // of ten sheets, as a part of one
    double sum = 10.0;
    for (std::uint64_t seed = 0; seed < 10; ++seed) {
      std::mt19937_64 random(seed);
      ChanceFiller filler(job, random, kNever);
      filler.begin(0, kinds, areasOf(job, kinds), heeded);
      Counts pool = job.counts;
      const SheetPart whole = emptyBin(job, 0).parts[0];
      sum -= filler.best(whole, 50, pool).second / (double(whole.across) * double(whole.along));
    }
    return sum;
  };
  EXPECT_LT(idle(losses), 0.7 * idle(nullptr));
}

// However often it is to fill: it asks, and ends with what it has.
TEST(ChanceFiller, endsSoonOnceItIsEnough) {
  const CutProblem problem = twentyKinds();
  const MaterialJob job = jobOf(problem);
  const std::vector<std::size_t> kinds = kindsOf(job);
  std::mt19937_64 random(1);
  int asked = 0;
  ChanceFiller filler(job, random, [&] { return ++asked >= 3; });
  constexpr int kEndless = 100'000'000;
  filler.begin(0, kinds, areasOf(job, kinds));
  Counts pool = job.counts;
  auto [filling, got] = filler.best(emptyBin(job, 0).parts[0], kEndless, pool);
  EXPECT_GT(got, 0.0);
  EXPECT_EQ(asked, 3);
  asked = 0;
  filler.begin(0, kinds, areasOf(job, kinds));
  filler.better(filling, kEndless, pool);
  EXPECT_EQ(asked, 3);
  std::vector<std::size_t> laid;
  addPieces(filling.parts, 0, laid);
  for (const std::size_t kind : laid) ++pool[kind];
  EXPECT_EQ(pool, job.counts);
}

// From sheets that are nearly full: what is loose only becomes less, and nothing is lost.
TEST(RoomLosses, sheetsAreFilledUpWhereTheyAreTold) {
  const CutProblem problem = twentyKinds();
  const MaterialJob job = jobOf(problem);
  constexpr double kNearly = 0.99;
  const double sheets = kNearly * areaOf(job, job.counts) / roomOf(job.stock(0));
  double looseBefore = 0.0, looseAfter = 0.0, idleBefore = 0.0, idleAfter = 0.0;
  for (std::uint64_t seed = 1; seed <= 3; ++seed) {
    std::mt19937_64 random(seed);
    SheetFilling filling(job, random, kNever);
    std::vector<Bin> bins;
    std::vector<int> used(job.stocks.size(), 0);
    std::vector<std::size_t> loose = piecesOf(job.counts);
    filling.fill(std::vector<std::size_t>(static_cast<std::size_t>(sheets), 0),
                 patientBeginning(job, 1.0, random), bins, used, loose);
    ASSERT_FALSE(loose.empty());
    OneFewer search(job, random, kNever);
    search.beginWith(bins, loose);
    const auto idle = [&] {
      double sum = 0.0;
      for (const Bin& bin : search.bins()) sum += roomOf(job.stock(bin.stock)) - bin.area;
      return sum;
    };
    looseBefore += search.looseArea();
    idleBefore += idle();
    for (int i = 0; i < 2000; ++i) {
      const double now = search.looseArea();
      if (search.step()) break;
      ASSERT_LE(search.looseArea(), now * (1 + 1e-9));
    }
    looseAfter += search.looseArea();
    idleAfter += idle();
    Counts there(job.kinds.size(), 0);
    for (const std::size_t kind : search.loose()) ++there[kind];
    for (const Bin& bin : search.bins()) {
      const Counts held = heldIn(job, bin);
      for (std::size_t kind = 0; kind < there.size(); ++kind) there[kind] += held[kind];
    }
    EXPECT_EQ(there, job.counts);
  }
  EXPECT_LT(looseAfter, 0.99 * looseBefore);
  EXPECT_LT(idleAfter, 0.93 * idleBefore);
}

CutProblem fewOfEach(CutProblem problem) {
  for (CutPiece& piece : problem.pieces) piece.count = 2;
  return problem;
}

TEST(RoomLosses, areThoseOfAllStocksOfOneKerfAndGrain) {
  CutProblem problem = twentyKinds();
  CutStock small = test::sheetOf(500, 700), kerf = small;
  small.id = "small";
  kerf.id = "sawn";
  kerf.kerf = 2 * test::kMm;
  problem.stocks.insert(problem.stocks.end(), {small, kerf});
  const MaterialJob job = jobOf(problem);
  const RoomLosses* ofSmall = lossesAmong(20, job, 1, kNever);
  ASSERT_NE(ofSmall, nullptr);
  EXPECT_EQ(lossesAmong(20, job, 0, kNever), ofSmall);
  EXPECT_NE(lossesAmong(20, job, 2, kNever), ofSmall);
  EXPECT_EQ(lossesAmong(3, job, 0, kNever), nullptr);  // too few to choose from
  EXPECT_EQ(lossesAmong(20, jobOf(fewOfEach(problem)), 0, kNever), nullptr);
  // Told of what is larger than the small sheet too: a room as large as the other.
  const double whole = ofSmall->in(700 * test::kMm, 1000 * test::kMm);
  EXPECT_LT(whole, 0.01 * 700e3 * 1000e3);
}

// The largest sheet is used up: that tells nothing of those there still are.
TEST(RoomLosses, areNotOfWhatIsUsedUp) {
  CutProblem problem = twentyKinds();
  CutStock large = test::sheetOf(900, 1250);
  large.id = "large";
  large.count = 0;
  problem.stocks.push_back(large);
  const MaterialJob job = jobOf(problem);
  ASSERT_EQ(job.stocks.size(), 2U);
  const RoomLosses* losses = lossesAmong(20, job, 0, kNever);
  ASSERT_NE(losses, nullptr);
  EXPECT_LT(losses->in(600 * test::kMm, 800 * test::kMm), 0.01 * 600e3 * 800e3);
}

// What was cancelled is reckoned when it is asked for again.
TEST(RoomLosses, areReckonedAgainAfterTheyWereCancelled) {
  const CutProblem problem = twentyKinds();
  const MaterialJob job = jobOf(problem);
  EXPECT_EQ(lossesAmong(20, job, 0, [] { return true; }), nullptr);
  EXPECT_NE(lossesAmong(20, job, 0, kNever), nullptr);
}

}  // namespace
}  // namespace drapery
