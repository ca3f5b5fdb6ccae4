#include "core/geometry/arc.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace drapery {
namespace {

constexpr double kPi = 3.14159265358979323846;

// Circular segment, any handbook of geometry: R = (C^2/4 + r^2) / (2 r).
TEST(Arc, handbookExamples) {
  EXPECT_NEAR(arcRadius(24_mm, 6_mm).mm(), 15.0, 1e-12);       // 12^2 + 6^2 = 180, over 12
  EXPECT_NEAR(arcLength(20_mm, 10_mm).mm(), 10 * kPi, 1e-12);  // a half circle
  EXPECT_NEAR(arcAngle(20_mm, 10_mm), 180.0, 1e-12);
  EXPECT_EQ(arcLength(25_mm, Length()), 25_mm);  // flat
  EXPECT_EQ(arcAngle(25_mm, Length()), 0.0);
}

// Common practice: a third of a circle rises 0.2887 of the span and is 1.2092 spans long; a quarter
// 0.2071 and 1.1107.
TEST(Arc, thirdAndQuarterOfACircle) {
  const Length third = arcDepth(100_mm, 1.0 / 3);
  EXPECT_NEAR(third.mm(), 28.87, 0.005);
  EXPECT_NEAR(arcLength(100_mm, third).mm(), 120.92, 0.005);
  const Length quarter = arcDepth(100_mm, 0.25);
  EXPECT_NEAR(quarter.mm(), 20.71, 0.005);
  EXPECT_NEAR(arcLength(100_mm, quarter).mm(), 111.07, 0.005);
}

TEST(Arc, outsideItsRangeThereIsNone) {
  EXPECT_TRUE(std::isnan(arcLength(20_mm, 10.1_mm).mm()));
  EXPECT_TRUE(std::isnan(arcLength(20_mm, Length::fromMm(-1)).mm()));
  EXPECT_TRUE(std::isnan(arcLength(Length(), Length()).mm()));
  EXPECT_TRUE(std::isnan(arcDepth(20_mm, 0.51).mm()));
}

RC_GTEST_PROP(Arc, depthAndAngleSayTheSame, ()) {
  const Length span = Length::fromMm(1 + *rc::gen::inRange(0, 4000) / 10.0);
  const double fraction = *rc::gen::inRange(1, 501) / 1000.0;
  const Length depth = arcDepth(span, fraction);
  RC_ASSERT(std::abs(arcAngle(span, depth) - 360 * fraction) < 1e-9);
  // The arc is longer than its chord and shorter than the two sides over it.
  const double arc = arcLength(span, depth).mm();
  RC_ASSERT(arc > span.mm());
  RC_ASSERT(arc <= span.mm() + 2 * depth.mm());
  // The handbook's other form.
  const double radius = arcRadius(span, depth).mm();
  const double other = 2 * radius * std::atan2(span.mm() / 2, radius - depth.mm());
  RC_ASSERT(std::abs(arc - other) < 1e-7 * arc);
}

// Run backwards the lined arc gives its depth, and outside of what a round can be there is none.
RC_GTEST_PROP(Arc, depthFollowsFromTheLinedArc, ()) {
  const Length span = Length::fromMm(1 + *rc::gen::inRange(0, 4000) / 10.0);
  const Length depth = span * (*rc::gen::inRange(1, 501) / 1000.0);
  const Length lining = Length::fromMm(*rc::gen::inRange(0, 50) / 10.0);
  const Length arc = linedArc(span, depth, lining);
  RC_ASSERT(std::abs(depthOfLinedArc(span, arc, lining).mm() - depth.mm()) < 1e-7 * span.mm());
  RC_ASSERT(std::isnan(depthOfLinedArc(span, span * 0.999, lining).mm()));
  const Length half = linedArc(span, span / 2, lining);
  RC_ASSERT(std::isnan(depthOfLinedArc(span, half * 1.001, lining).mm()));
}

// Drawn, the round is as long as it is reckoned: chords of 3 degrees fall short by 0.12 in 1000.
RC_GTEST_PROP(ArcPoints, makeTheArc, ()) {
  const Length span = Length::fromMm(*rc::gen::inRange(20, 800) / 10.0);
  const Length depth = span * (*rc::gen::inRange(0, 501) / 1000.0);
  const auto points = arcPoints(span, depth);
  RC_ASSERT(points.size() >= 2);
  double sum = 0, deepest = 0;
  for (std::size_t i = 1; i < points.size(); ++i) {
    sum += std::hypot(points[i].x - points[i - 1].x, points[i].y - points[i - 1].y);
    deepest = std::max(deepest, -points[i].x);
  }
  RC_ASSERT(std::abs(sum / arcLength(span, depth).mm() - 1) < 1.2e-4);
  RC_ASSERT(std::abs(deepest - depth.mm()) < 1e-9);
  RC_ASSERT(std::abs(points.front().y - span.mm() / 2) < 1e-9 && std::abs(points.front().x) < 1e-9);
}

}  // namespace
}  // namespace drapery
