#include "core/geometry/hinge.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <boost/geometry.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>
#include <cmath>
#include <numbers>

namespace drapery {
namespace {

namespace bg = boost::geometry;
using At = bg::model::d2::point_xy<double>;
using Polygon = bg::model::polygon<At>;

/// A board with all that lies on its outer face, `high` above the strap, laid where the strap and
/// the turn bring it.
Polygon laid(double angle, double gap, double high, double from, double to) {
  const double a = angle * std::numbers::pi / 180.0;
  const At edge(gap * std::cos(a / 2), gap * std::sin(a / 2));
  Polygon board;
  for (const auto& [x, y] : {std::pair(from, 0.0), {to, 0.0}, {to, high}, {from, high}})
    bg::append(board, At(edge.x() + x * std::cos(a) - y * std::sin(a),
                         edge.y() + x * std::sin(a) + y * std::cos(a)));
  bg::correct(board);
  return board;
}

double overlapAt(double angle, double gap, double high) {
  Polygon fixed;
  for (const auto& [x, y] : {std::pair(-400.0, 0.0), {0.0, 0.0}, {0.0, high}, {-400.0, high}})
    bg::append(fixed, At(x, y));
  bg::correct(fixed);
  std::vector<Polygon> both;
  bg::intersection(fixed, laid(angle, gap, high, 0.0, 300.0), both);
  double area = 0.0;
  for (const Polygon& each : both) area += bg::area(each);
  return area;
}

// As polygons: up to the angle at which it stops the two boards have nothing in common, a degree
// beyond they would lie in one another. By Boost.Geometry.
RC_GTEST_PROP(AnyHinge, stopsWhereTheBoardsMeet, ()) {
  const double high = *rc::gen::inRange(5, 60) / 10.0;          // mm, board's face over the strap
  const double gap = high * *rc::gen::inRange(5, 230) / 100.0;  // less and more than it needs
  const double most = hingeAngle(gap, 2 * high);
  for (const double part : {0.2, 0.6, 0.9, 0.9999})
    RC_ASSERT(overlapAt(part * most, gap, high) < 1e-6);
  if (most < 178.0) RC_ASSERT(overlapAt(most + 1.0, gap, high) > 1e-6);
  RC_ASSERT((most == 180.0) == (gap >= 2 * high));
}

TEST(Hinge, aPairGoesFromClosedOverFlatRightRound) {
  const Hinge folder{8.7, 2.7, 8.7, true};
  EXPECT_EQ(turnedHinge(folder, 0).angle, -180);
  EXPECT_EQ(turnedHinge(folder, 180).angle, 0);
  EXPECT_EQ(turnedHinge(folder, 400).turn, 360);
  const TurnedHinge tight = turnedHinge({4.0, 2.7, 8.0, true}, 0);
  EXPECT_TRUE(tight.isShort);
  EXPECT_NEAR(tight.turn, 180 - 60, 1e-9);  // sin 30 = 4 / 8
  const TurnedHinge cover = turnedHinge({2.0, 4.0, 0.0, false}, 180);
  EXPECT_TRUE(cover.isStopped);
  EXPECT_NEAR(cover.turn, 60, 1e-9);
}

}  // namespace
}  // namespace drapery
