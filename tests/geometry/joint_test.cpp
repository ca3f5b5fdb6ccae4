#include "core/geometry/joint.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <boost/geometry.hpp>
#include <boost/geometry/geometries/multi_point.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>
#include <cmath>

namespace drapery {
namespace {

constexpr double kPi = 3.14159265358979323846;

Joint joint(double j, double e, double b, double t) {
  return {Length::fromMm(j), Length::fromMm(e), Length::fromMm(b), Length::fromMm(t)};
}

TEST(Joint, byHand) {
  // 3-4-5 triangles: set-back 4, stiffener 0, board 3.
  const Joint plain = joint(4, 0, 3, 0);
  EXPECT_DOUBLE_EQ(gapTaut(plain).mm(), 5.0);
  EXPECT_DOUBLE_EQ(gapToOpen(plain).mm(), 5.0);
  EXPECT_DOUBLE_EQ(gapPressed(plain).mm(), 7.0);
  // t adds to the taut line and takes from the open one: hypot(6 + 2, 6), hypot(6 - 2, 3).
  EXPECT_DOUBLE_EQ(gapTaut(joint(6, 0, 6, 2)).mm(), 10.0);
  EXPECT_DOUBLE_EQ(gapToOpen(joint(6, 0, 3, 2)).mm(), 5.0);
}

TEST(Joint, formedWithARodAsWideAsTheGroove) {
  // Rod d = j = 4 between a stiffener of height 2 = r and a board of height 2: a quarter circle
  // each side, pi r = 6.283..., no straight line at all.
  EXPECT_NEAR(gapFormed(joint(4, 2, 2, 0), 4_mm).mm(), 2 * kPi, 1e-12);
  // The same with a board 5 high: 3 more, straight up. A wider rod counts as j wide.
  EXPECT_NEAR(gapFormed(joint(4, 2, 5, 0), 9_mm).mm(), 2 * kPi + 3, 1e-12);
  // From the floor (e = 0) the path is straight to the middle: j/2, then a quarter circle.
  EXPECT_NEAR(gapFormed(joint(4, 0, 2, 0), 4_mm).mm(), 2 + kPi, 1e-12);
}

TEST(Joint, withoutASetBackTheClothOnlyClimbs) {
  EXPECT_DOUBLE_EQ(gapFormed(joint(0, 1.5, 2.4, 2), 4_mm).mm(), 1.5 + 2.4 + 2);
}

TEST(Joint, aStiffenerCutNarrowerClimbsFirst) {
  EXPECT_NEAR(gapFormed(joint(7, -0.2, 2.4, 2.4), 4_mm).mm(),
              gapFormed(joint(7, 0, 2.4, 2.4), 4_mm).mm() + 0.2, 1e-12);
}

TEST(Joint, outsideItsRangeThereIsNone) {
  EXPECT_TRUE(std::isnan(gapFormed(joint(-1, 0, 2, 2), 4_mm).mm()));
  EXPECT_TRUE(std::isnan(gapPressed(joint(-1, 0, 2, 2)).mm()));
  EXPECT_TRUE(std::isnan(gapFormed(joint(7, 0, 2, 2), Length()).mm()));
  EXPECT_TRUE(std::isnan(setbackForGap(joint(0, 0, 2, 2), 3.9_mm, 4_mm).mm()));
  EXPECT_FALSE(std::isnan(setbackForGap(joint(0, 0, 2, 2), 4_mm, 4_mm).mm()));
}

// The commonest miss, common practice: 2 mm board, the gap taken without the stiffener's thickness,
// lands the boards 2 mm too near the spine and more, and a square of 3 mm is nearly gone.
TEST(Joint, theCommonestMiss) {
  const Joint flat = joint(7, 0, 2, 2);
  const Length forgotten = gapFormed(flat, 4_mm) - 2_mm;
  const Length lands = setbackForGap(flat, forgotten, 4_mm);
  EXPECT_GT((7_mm - lands).mm(), 2.0);
  EXPECT_LT((7_mm - lands).mm(), 2.5);
}

TEST(OpeningAngle, byHand) {
  EXPECT_EQ(openingAngle(joint(7, 0, 2.4, 2.4), 9_mm), 0.0);  // under taut, 9.7
  EXPECT_EQ(openingAngle(joint(7, 0, 2.4, 2.4), 9.8_mm), 180.0);
  // Arris at (0, 3) straight above the hinge, stiffener's arris at (-4, 0): exactly taut is 5, and
  // turned by 180 degrees the arris is at (0, -3), again 5.
  EXPECT_NEAR(openingAngle(joint(0, 0, 3, 4), 5_mm), 180.0, 1e-9);
  // Stiffener's arris at (0, 4), board's at (3, 0.001): a gap of 5 holds it until it points 90
  // degrees past the way to (0, 4): half a circle in all.
  EXPECT_NEAR(openingAngle(joint(3, 4, 0.001, 0), 5_mm), 180.0, 0.05);
  // With a gap of 4.2: law of cosines, cos = (9 + 16 - 17.64) / 24, 90 + 72.1 degrees. But then the
  // closed book pulls already: its taut line is 5.
  EXPECT_EQ(openingAngle(joint(3, 4, 0.001, 0), 4.2_mm), 0.0);
}

/// The opening angle by turning the cover in small steps.
double turnedAngle(const Joint& at, double gap) {
  const double j = at.setback.mm(), b = at.board.mm();
  double angle = 0.0;
  for (; angle <= 180.0; angle += 0.02) {
    const double a = angle * kPi / 180;
    const double x = j * std::cos(a) - b * std::sin(a);
    const double y = j * std::sin(a) + b * std::cos(a);
    if (std::hypot(x + at.stiffener.mm(), y - at.edgeHeight.mm()) > gap + 1e-9) break;
  }
  return std::min(angle, 180.0);
}

struct AnyJoint {
  Joint joint;
  Length rod;
};

rc::Gen<double> range(double least, double most) {
  return rc::gen::map(rc::gen::inRange(0, 10001),
                      [=](int part) { return least + (most - least) * part / 10000.0; });
}

AnyJoint anyJoint() {
  AnyJoint any;
  any.joint = joint(*range(0, 25), *rc::gen::oneOf(rc::gen::just(0.0), range(0, 20)),
                    *range(0.2, 10), *rc::gen::oneOf(rc::gen::just(0.0), range(0.2, 10)));
  any.rod = Length::fromMm(*range(0.5, 20));
  return any;
}

constexpr double kDust = 1e-9;

RC_GTEST_PROP(JointProperty, formedLiesInItsWindow, ()) {
  for (int i = 0; i < 25; ++i) {
    const AnyJoint any = anyJoint();
    const double formed = gapFormed(any.joint, any.rod).mm();
    RC_ASSERT(formed >= gapTaut(any.joint).mm() - kDust);
    RC_ASSERT(formed >= gapToOpen(any.joint).mm() - kDust);
    RC_ASSERT(formed <= gapPressed(any.joint).mm() + kDust);
  }
}

RC_GTEST_PROP(JointProperty, formedGrowsWithTheSetBack, ()) {
  AnyJoint any = anyJoint();
  double before = 0.0;
  for (double j = 0.0; j <= 25.0; j += 0.25) {
    any.joint.setback = Length::fromMm(j);
    const double formed = gapFormed(any.joint, any.rod).mm();
    RC_ASSERT(formed > before);
    before = formed;
  }
}

RC_GTEST_PROP(JointProperty, runBackwardsItReturnsTheSetBack, ()) {
  for (int i = 0; i < 25; ++i) {
    const AnyJoint any = anyJoint();
    const Length gap = gapFormed(any.joint, any.rod);
    const Length back = setbackForGap(any.joint, gap, any.rod);
    Joint again = any.joint;
    again.setback = back;
    RC_ASSERT(std::abs((gapFormed(again, any.rod) - gap).mm()) < 1e-11);
    const bool fitsRod = std::abs((any.rod - any.joint.setback).mm()) < 0.01;
    RC_ASSERT(std::abs((back - any.joint.setback).mm()) < (fitsRod ? 1e-5 : 1e-8));
  }
}

RC_GTEST_PROP(JointProperty, theClosedFormOfTheTurnIsTheTurn, ()) {
  const AnyJoint any = anyJoint();
  const double taut = gapTaut(any.joint).mm();
  const double gap = taut + *range(0.01, 6);
  const double closed = openingAngle(any.joint, Length::fromMm(gap));
  // Where the pull only grazes, a hair of gap is degrees of turn: compare the gaps there.
  const double lower = turnedAngle(any.joint, gap - 1e-4);
  const double upper = turnedAngle(any.joint, gap + 1e-4);
  RC_ASSERT(closed >= lower - 0.05);
  RC_ASSERT(closed <= upper + 0.05);
}

RC_GTEST_PROP(JointProperty, theFormedGapAlwaysOpensFlat, ()) {
  const AnyJoint any = anyJoint();
  RC_ASSERT(openingAngle(any.joint, gapFormed(any.joint, any.rod)) == 180.0);
}

namespace bg = boost::geometry;
using BoostPoint = bg::model::d2::point_xy<double>;
using BoostPolygon = bg::model::polygon<BoostPoint>;

/// The hull's vertex nearest to a point.
std::size_t vertexNear(const std::vector<BoostPoint>& ring, double x, double y) {
  std::size_t nearest = 0;
  for (std::size_t i = 1; i < ring.size(); ++i)
    if (bg::distance(ring[i], BoostPoint(x, y)) < bg::distance(ring[nearest], BoostPoint(x, y)))
      nearest = i;
  return nearest;
}

/// Outside check: both ends and the disc, finely sampled; the way under the rod is the lower chain
/// of their convex hull, from one end to the other. Boost's rings run clockwise: from the board's
/// arris along the foot to the stiffener's.
double hullPath(const AnyJoint& any) {
  const double j = any.joint.setback.mm();
  const double e = any.joint.edgeHeight.mm();
  const double b = any.joint.board.mm();
  const double r = std::min(any.rod.mm(), j) / 2;
  constexpr int kSamples = 20000;
  bg::model::multi_point<BoostPoint> points{{0, e}, {j, b}};
  for (int i = 0; i < kSamples; ++i) {
    const double a = 2 * kPi * i / kSamples;
    points.push_back({j / 2 + r * std::cos(a), r + r * std::sin(a)});
  }
  BoostPolygon hull;
  bg::convex_hull(points, hull);
  std::vector<BoostPoint> ring(hull.outer().begin(), hull.outer().end() - 1);
  double length = 0.0;
  const std::size_t to = vertexNear(ring, 0, e);
  for (std::size_t i = vertexNear(ring, j, b); i != to; i = (i + 1) % ring.size())
    length += bg::distance(ring[i], ring[(i + 1) % ring.size()]);
  return length;
}

RC_GTEST_PROP(JointProperty, agreesWithTheConvexHull, ()) {
  AnyJoint any = anyJoint();
  if (any.joint.setback < 0.5_mm) any.joint.setback = 0.5_mm;
  const double path = (gapFormed(any.joint, any.rod) - any.joint.stiffener).mm();
  RC_ASSERT(std::abs(hullPath(any) - path) < 1e-3);
}

RC_GTEST_PROP(JointProperty, theDrawnPathIsAsLongAsTheFormedGap, ()) {
  AnyJoint any = anyJoint();
  if (any.joint.setback < 0.5_mm) any.joint.setback = 0.5_mm;
  bg::model::linestring<BoostPoint> line;
  const double r = std::min(any.rod, any.joint.setback).mm() / 2;
  const double middle = any.joint.setback.mm() / 2;
  for (const Point& p : formedPath(any.joint, any.rod)) {
    RC_ASSERT(p.y >= -kDust || p.x < 0.0);
    if (p.x > 0.0)
      RC_ASSERT(std::hypot(p.x - middle, p.y - r) >= r * 0.999);  // never through the rod
    bg::append(line, BoostPoint(p.x, p.y));
  }
  const auto drawn = static_cast<double>(bg::length(line));
  const double formed = gapFormed(any.joint, any.rod).mm();
  RC_ASSERT(std::abs(drawn - formed) < 2e-3 * formed);
}

TEST(AroundEdge, isTheWayRoundAtTheCoveringsMiddle) {
  // Two quarter turns of radius c/2 and the board between: b + pi c / 2.
  EXPECT_NEAR(aroundEdge(2.4_mm, 0.4_mm).mm(), 2.4 + kPi * 0.2, 1e-12);
}

}  // namespace
}  // namespace drapery
