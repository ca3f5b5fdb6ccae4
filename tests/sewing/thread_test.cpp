// Holes for threads against a search by numbers, and thread cut into pieces.
#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <numeric>

#include "core/geometry/thread_bundle.h"
#include "core/sewing/link_path.h"
#include "core/sewing/tape_path.h"
#include "core/sewing/thread_pieces.h"

namespace drapery::test {
namespace {

struct Disc {
  double radius, x, y;
};

/// Pushes discs apart and into a circle of the radius until they fit, or not within so many rounds.
bool fits(std::vector<Disc> discs, double radius) {
  constexpr int kRounds = 6000;
  constexpr double kClose = 1e-4;
  for (int round = 0; round < kRounds; ++round) {
    double worst = 0.0;
    for (std::size_t i = 0; i < discs.size(); ++i) {
      Disc& a = discs[i];
      const double out = std::hypot(a.x, a.y) + a.radius - radius;
      if (out > 0.0) {
        worst = std::max(worst, out);
        const double far = std::hypot(a.x, a.y);
        a.x -= a.x / far * out;
        a.y -= a.y / far * out;
      }
      for (std::size_t j = i + 1; j < discs.size(); ++j) {
        Disc& b = discs[j];
        const double apart = std::max(1e-9, std::hypot(b.x - a.x, b.y - a.y));
        const double over = a.radius + b.radius - apart;
        if (over <= 0.0) continue;
        worst = std::max(worst, over);
        const double dx = (b.x - a.x) / apart * over / 2, dy = (b.y - a.y) / apart * over / 2;
        a.x -= dx;
        a.y -= dy;
        b.x += dx;
        b.y += dy;
      }
    }
    if (worst < kClose) return true;
  }
  return false;
}

bool fitsFromSome(const std::vector<double>& radii, double radius) {
  std::uint32_t state = 7;
  const auto random = [&] {
    state = state * 1664525U + 1013904223U;
    return static_cast<double>(state >> 8U) / (1U << 24U) * 2 - 1;
  };
  for (int start = 0; start < 12; ++start) {
    std::vector<Disc> discs;
    for (const double each : radii) discs.push_back({each, random() * radius, random() * radius});
    if (fits(discs, radius)) return true;
  }
  return false;
}

// Circle packing in a circle: Kravitz 1967; proven by Graham 1968 (to 7) and Pirl 1969 (to 10).
// A circle of the table's size takes them, one 2 % smaller does not.
TEST(BundleRatio, isTheLeastCircleByNumbers) {
  for (int n = 2; n <= 10; ++n) {
    const std::vector<double> discs(static_cast<std::size_t>(n), 0.5);
    EXPECT_TRUE(fitsFromSome(discs, bundleRatio(n) / 2 * 1.002)) << n;
    EXPECT_FALSE(fitsFromSome(discs, bundleRatio(n) / 2 * 0.98)) << n;
  }
  EXPECT_TRUE(std::isnan(bundleRatio(11)));
  EXPECT_TRUE(std::isnan(bundleRatio(0)));
}

TEST(NeedleHole, isEnoughAndHardlyTooMuch) {
  for (const double needle : {1.0, 1.6})
    for (int threads = 1; threads <= 7; ++threads) {
      constexpr double kThread = 0.7;
      std::vector<double> discs(static_cast<std::size_t>(threads), kThread / 2);
      discs.push_back(needle / 2);
      const double hole = needleHole(threads, Length::fromMm(kThread), Length::fromMm(needle)).mm();
      EXPECT_TRUE(fitsFromSome(discs, hole / 2 * 1.002)) << threads << " " << needle;
      EXPECT_FALSE(fitsFromSome(discs, hole / 2 * 0.85)) << threads << " " << needle;
      // To five threads by search within half a hundredth of the best.
      if (threads <= 5) {
        EXPECT_FALSE(fitsFromSome(discs, hole / 2 * 0.985)) << threads;
      }
    }
  EXPECT_DOUBLE_EQ(needleHole(0, Length::fromMm(1), Length::fromMm(1.6)).mm(), 1.6);
}

const ThreadTails kTails{100, 150, 15, 60, 0.02, 1000};

// No piece is longer than may be, each ends where it may be joined, and nothing is lost.
RC_GTEST_PROP(ThreadPieces, areNotTooLong, ()) {
  const int count = *rc::gen::inRange(1, 120);
  std::vector<double> lengths;
  std::vector<bool> joins;
  for (int i = 0; i < count; ++i) {
    lengths.push_back(*rc::gen::inRange(0, 80));
    joins.push_back(*rc::gen::inRange(0, 3) == 0);
  }
  const auto pieces = threadPieces(lengths, joins, 1, lengths.size(), kTails);
  double all = 0.0;
  std::size_t from = 1;
  for (const ThreadPiece& piece : pieces) {
    RC_ASSERT(piece.from == from && piece.to >= piece.from);
    from = piece.to + 1;
    all += piece.length;
    const bool isLast = piece.to == lengths.size();
    if (!isLast) RC_ASSERT(bool(joins[piece.to - 1]));
    // Longer only where it could not be joined sooner.
    bool canBeShorter = false;
    for (std::size_t i = piece.from; i < piece.to; ++i) canBeShorter = canBeShorter || joins[i - 1];
    RC_ASSERT(piece.length <= kTails.longest + 1e-6 || !canBeShorter);
  }
  RC_ASSERT(from == lengths.size() + 1);
  const double way = std::accumulate(lengths.begin(), lengths.end(), 0.0);
  const double tails = 265 + 120.0 * static_cast<double>(pieces.size() - 1);
  RC_ASSERT(std::abs(all - tails - 1.02 * way) < 1e-6);
}

// Every section once at either end, a bridge between each two, a link under each bridge.
TEST(LinkRows, goForthAtOneEndAndBackAtTheOther) {
  const auto rows = linkRows(4, Hand::Right);
  ASSERT_EQ(rows.size(), 2U);
  EXPECT_EQ(rows[0].end, Round::Head);
  EXPECT_EQ(rows[1].end, Round::Tail);
  EXPECT_THAT(rows[0].order, ::testing::ElementsAre(1, 2, 3, 4));
  EXPECT_THAT(rows[1].order, ::testing::ElementsAre(4, 3, 2, 1));
  EXPECT_EQ(linkRows(4, Hand::Left)[0].end, Round::Tail);
  for (const LinkRow& row : rows) {
    std::map<LinkStep::Do, int> count;
    for (const LinkStep& step : row.steps) ++count[step.what];
    EXPECT_EQ(count[LinkStep::Do::Pass], 6);  // n + 2
    EXPECT_EQ(count[LinkStep::Do::Loop], 4);
    EXPECT_EQ(count[LinkStep::Do::Bridge], 3);
    EXPECT_EQ(count[LinkStep::Do::Link], 3);
    EXPECT_EQ(count[LinkStep::Do::Knot], 2);
  }
}

// Along every fold from kettle to kettle, each tape gone round once a section; a kettle stitch
// catches what joins the two sections below at this end.
RC_GTEST_PROP(TapePath, goesAlongEverySection, ()) {
  const int sections = *rc::gen::inRange(2, 12), tapes = *rc::gen::inRange(1, 6);
  TapeSizes sizes{sections,
                  tapes,
                  tapeStations({15, 200, 15 + 185.0 / (tapes + 1), 185.0 / (tapes + 1), tapes, 10}),
                  10,
                  0.4,
                  0.5,
                  2.0,
                  5.0};
  const auto steps = tapePath(sizes, *rc::gen::element(Hand::Right, Hand::Left));
  double length = 0.0;
  std::map<TapeStep::Do, int> count;
  std::map<std::pair<int, int>, int> joined;  // climbs: lower section, station
  for (const TapeStep& step : steps) {
    ++count[step.what];
    length += step.length;
    if (step.what == TapeStep::Do::Climb) joined[{step.from, step.station}] = 1;
    if (step.what == TapeStep::Do::Kettle) RC_ASSERT(joined.contains({step.to, step.station}));
  }
  RC_ASSERT(count[TapeStep::Do::Pass] == sections * (2 * tapes + 2));
  RC_ASSERT(count[TapeStep::Do::Tape] == sections * tapes);
  RC_ASSERT(count[TapeStep::Do::Kettle] == sections - 2);
  RC_ASSERT(count[TapeStep::Do::Tie] == 1);
  const double along = 220 - 35 + 2 * tapes * 0.4 + (2 * tapes + 2) * 0.5;
  const double all = sections * along + (sections - 1) * 2.0 + (sections - 2) * 5.0;
  RC_ASSERT(std::abs(length - all) < 1e-9);
}

}  // namespace
}  // namespace drapery::test
