// Outside check: Boost.Geometry for areas and for what lies inside.
#include "core/geometry/hatch.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <boost/geometry.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>
#include <cmath>
#include <numbers>

#include "core/geometry/outline.h"

namespace drapery {
namespace {

namespace bg = boost::geometry;
using BgPoint = bg::model::d2::point_xy<double>;

/// A star round the origin, seldom convex.
std::vector<Point> anyStar() {
  std::vector<Point> star;
  const int corners = *rc::gen::inRange(3, 12);
  for (int i = 0; i < corners; ++i) {
    const double turn = 2 * std::numbers::pi * i / corners, reach = *rc::gen::inRange(20, 120);
    star.push_back({reach * std::cos(turn), reach * std::sin(turn)});
  }
  return star;
}

double lengthOf(const Segments& lines) {
  double length = 0;
  for (const auto& [a, b] : lines) length += std::hypot(b.x - a.x, b.y - a.y);
  return length;
}

const Box kEverywhere{-1e4, -1e4, 1e4, 1e4};

RC_GTEST_PROP(Hatch, coversTheAreaAndStaysInside, ()) {
  const std::vector<Point> star = anyStar();
  bg::model::polygon<BgPoint> polygon;
  for (const Point& p : star) bg::append(polygon, BgPoint(p.x, p.y));
  bg::correct(polygon);
  HatchLines lines;
  lines.angle = *rc::gen::inRange(-90, 91);
  lines.spacing = 0.2;
  const Segments hatch = hatched(star, lines, {3, 7}, kEverywhere);
  const auto area = static_cast<double>(bg::area(polygon)),
             edge = static_cast<double>(bg::perimeter(polygon));
  RC_ASSERT(std::abs(lengthOf(hatch) * lines.spacing - area) < 0.02 * area + lines.spacing * edge);
  for (const auto& [a, b] : hatch)
    RC_ASSERT(bg::distance(BgPoint((a.x + b.x) / 2, (a.y + b.y) / 2), polygon) < 1e-9);
}

// Cutting the window out of the whole hatch gives the hatch in the window; dashes take their part.
RC_GTEST_PROP(Hatch, aWindowOnlyCutsItOut, ()) {
  const std::vector<Point> star = anyStar();
  HatchLines lines;
  lines.angle = 45.0 * *rc::gen::inRange(0, 4);
  lines.spacing = 0.5;
  const double all = lengthOf(hatched(star, lines, {}, kEverywhere));
  const double at = *rc::gen::inRange(-60, 60);
  const double left = lengthOf(hatched(star, lines, {}, {-1e4, -1e4, at, 1e4})),
               right = lengthOf(hatched(star, lines, {}, {at, -1e4, 1e4, 1e4}));
  RC_ASSERT(std::abs(left + right - all) <= 0.01 * all + 240);  // one line may lie on the cut
  lines.dash = 0.3;
  lines.gap = 0.9;
  RC_ASSERT(std::abs(lengthOf(hatched(star, lines, {}, kEverywhere)) - all / 4) < 0.05 * all + 1);
}

TEST(Hatch, whatIsNoShapeOrTooFineHasNone) {
  HatchLines lines;
  EXPECT_TRUE(hatched({{0, 0}, {1, 1}}, lines, {}, kEverywhere).empty());
  lines.spacing = 0;
  EXPECT_TRUE(hatched(rectangle(0, 0, 9, 9), lines, {}, kEverywhere).empty());
  lines.spacing = 1e-9;
  EXPECT_TRUE(hatched(rectangle(0, 0, 9, 9), lines, {}, kEverywhere).empty());
}

}  // namespace
}  // namespace drapery
