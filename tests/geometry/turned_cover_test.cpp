#include "core/geometry/turned_cover.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <boost/geometry.hpp>
#include <boost/geometry/geometries/linestring.hpp>
#include <boost/geometry/geometries/multi_point.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>
#include <cmath>

namespace drapery {
namespace {

namespace bg = boost::geometry;
using At = bg::model::d2::point_xy<double>;

Joint joint(double j, double e, double b, double t) {
  return {Length::fromMm(j), Length::fromMm(e), Length::fromMm(b), Length::fromMm(t)};
}

bg::model::linestring<At> lineOf(const std::vector<Point>& path) {
  bg::model::linestring<At> line;
  for (const Point& p : path) bg::append(line, At(p.x, p.y));
  return line;
}

TEST(TurnedCover, byHand) {
  // Board 3 thick at a set-back of 4, no stiffener: half open its edge stands on (0, 4), its arris
  // at (-3, 4); turned right over at (-4, -3).
  const Joint plain = joint(4, 0, 3, 0);
  const TurnedCover half = turnedCover(plain, 7_mm, 90);
  EXPECT_NEAR(half.inside.x, 0, 1e-12);
  EXPECT_NEAR(half.inside.y, 4, 1e-12);
  EXPECT_NEAR(half.arris.x, -3, 1e-12);
  EXPECT_NEAR(half.arris.y, 4, 1e-12);
  const TurnedCover over = turnedCover(plain, 7_mm, 180);
  EXPECT_NEAR(over.arris.x, -4, 1e-12);
  EXPECT_NEAR(over.arris.y, -3, 1e-12);
  EXPECT_FALSE(over.isPulled);
}

TEST(TurnedCover, stopsWhereTheClothPulls) {
  // A shoulder as high as the board: taut at 4, and hypot(4, 6) to be turned right over.
  const Joint level = joint(4, 3, 3, 0);
  const Length gap = 5_mm;
  const double most = openingAngle(level, gap);
  ASSERT_LT(most, 150);
  const TurnedCover cover = turnedCover(level, gap, 180);
  EXPECT_TRUE(cover.isPulled);
  EXPECT_DOUBLE_EQ(cover.turn, most);
  EXPECT_NEAR(double(bg::length(lineOf(cover.cloth))), gap.mm(),
              1e-9);  // straight, and all there is
  EXPECT_TRUE(turnedCover(level, 3_mm, 90).cloth.empty());
  EXPECT_TRUE(turnedCover(level, Length::fromMm(NAN), 90).cloth.empty());
}

// Against Boost.Geometry: never longer than the cloth there is nor shorter than the straight line,
// from arris to arris, within the hull of what it can lie on.
RC_GTEST_PROP(TurnedCover, clothIsNeverLongerThanThereIs, ()) {
  const auto upTo = [](int most) { return *rc::gen::inRange(1, most * 10) / 10.0; };
  const Joint any = joint(upTo(15), *rc::gen::inRange(0, 30) / 10.0, upTo(5), upTo(5));
  const double taut = gapTaut(any).mm();
  const Length gap = Length::fromMm(taut * (1 + *rc::gen::inRange(0, 100) / 100.0));
  const double turn = *rc::gen::inRange(0, 181);
  const TurnedCover cover = turnedCover(any, gap, turn);
  RC_ASSERT(!cover.cloth.empty());
  RC_ASSERT(cover.turn <= turn + 1e-9);
  const Point from{-any.stiffener.mm(), any.edgeHeight.mm()};
  const double chord = std::hypot(cover.arris.x - from.x, cover.arris.y - from.y);
  const double length = double(bg::length(lineOf(cover.cloth)));
  RC_ASSERT(length <= gap.mm() + 1e-6);
  RC_ASSERT(length >= chord - 1e-6);
  RC_ASSERT(std::hypot(cover.cloth.front().x - from.x, cover.cloth.front().y - from.y) < 1e-9);
  RC_ASSERT(std::hypot(cover.cloth.back().x - cover.arris.x, cover.cloth.back().y - cover.arris.y) <
            1e-9);
  // Board's edge keeps its shape while it turns.
  RC_ASSERT(std::abs(std::hypot(cover.inside.x, cover.inside.y) - any.setback.mm()) < 1e-9);
  RC_ASSERT(std::abs(std::hypot(cover.arris.x - cover.inside.x, cover.arris.y - cover.inside.y) -
                     any.board.mm()) < 1e-9);
  bg::model::multi_point<At> held;
  for (const Point& p : {from, Point{0, from.y}, Point{0, 0}, cover.inside, cover.arris})
    bg::append(held, At(p.x, p.y));
  bg::model::polygon<At> hull;
  bg::convex_hull(held, hull);
  for (const Point& p : cover.cloth) RC_ASSERT(bg::distance(At(p.x, p.y), hull) < 1e-6);
}

}  // namespace
}  // namespace drapery
