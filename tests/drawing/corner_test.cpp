// The covering's polygons folded and laid, outside check: Boost.Geometry.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

// Without it Boost rounds every figure to a grid of a ten-millionth of the largest.
#define BOOST_GEOMETRY_NO_ROBUSTNESS
#include <boost/geometry.hpp>
#include <boost/geometry/geometries/multi_polygon.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>
#include <cmath>

#include "core/geometry/outline.h"
#include "tests/support/books.h"

namespace drapery {
namespace {

namespace bg = boost::geometry;
using BgPoint = bg::model::d2::point_xy<double>;
using Polygon = bg::model::polygon<BgPoint>;
using Area = bg::model::multi_polygon<Polygon>;

Polygon polygonOf(const std::vector<Point>& points) {
  Polygon polygon;
  for (const Point& p : points) bg::append(polygon, BgPoint(p.x, p.y));
  bg::correct(polygon);
  return polygon;
}

Area clipped(const std::vector<Point>& outline, const Polygon& window) {
  Area inside;
  bg::intersection(polygonOf(outline), window, inside);
  return inside;
}

template <class Map>
Area mapped(Area area, const Map& map) {
  bg::for_each_point(area, [&](BgPoint& p) { p = map(p); });
  bg::correct(area);
  return area;
}

double left(const Area& all, const Area& taken) {
  Area rest;
  bg::difference(all, taken, rest);
  return bg::area(rest);
}

/// The covering turned over both edges at the corner of a board whose own corner is the origin and
/// whose sides run along +x and +y. The edges' faces are laid out in one plane on both sides of the
/// corner's arris: u along the first edge for u > 0, along the second for u < 0, v up the face and
/// over the arris as far as the cloth's own bends take. Gives the part of the faces, within
/// `reach` of the corner, that stays bare, in mm2.
double bareOf(const std::vector<Point>& outline, double up, double reach) {
  const double far = 3 * reach;  // no farther: Boost loses its way among lengths too unlike
  const Area first = mapped(clipped(outline, polygonOf(rectangle(-far, -up, far, 0))),
                            [](const BgPoint& p) { return BgPoint(p.x(), -p.y()); });
  const Area second = mapped(clipped(outline, polygonOf(rectangle(-up, -far, 0, far))),
                             [](const BgPoint& p) { return BgPoint(-p.y(), -p.x()); });
  Area both;
  bg::union_(first, second, both);
  return left(Area{polygonOf(rectangle(-reach, 0, reach, up))}, both);
}

/// The covering as seen from one of the board's corners.
std::vector<Point> fromCorner(std::vector<Point> outline, Point corner, bool flipX, bool flipY) {
  for (Point& p : outline)
    p = {(p.x - corner.x) * (flipX ? -1 : 1), (p.y - corner.y) * (flipY ? -1 : 1)};
  return outline;
}

Plan planByHouse(const Job& job, const std::string& formula) {
  const std::string text =
      "schema = \"drapery-method/1\"\nid = \"house\"\nbase = \"case-sunk-joint\"\ntitle = "
      "\"House\"\n"
      "[[derive]]\nid = \"corner_distance\"\nformula = \"" +
      formula + "\"\n";
  const RuleLibrary library;
  return Planner(loadRules({"house.toml", text},
                           [&](std::string_view base) { return library.source(base); })
                     .rules)
      .plan(job)
      .plan;
}

// A house that cuts its corners by the board alone: the corner is bare exactly when the rule says
// so, and by as much as it says: where the cut lies h too near a triangle of h squared stays bare.
RC_GTEST_PROP(Corner, isCoveredExactlyWhenTheRuleSaysSo, ()) {
  Job job = test::plainJob("house");
  const auto any = [](int least, int most) { return *rc::gen::inRange(least, most + 1) / 100.0; };
  job.given["board_thickness"] = {any(50, 500), {}};
  job.given["covering_thickness"] = {any(5, 150), {}};
  job.allowances["corner_ratio"] = {any(30, 300), {}};
  for (const char* margin : {"margin_head", "margin_tail", "margin_fore_edge"})
    job.allowances[margin] = {any(1200, 3000), {}};
  const Plan plan = planByHouse(job, "corner_ratio * board_thickness");
  const double b = *plan.number("board_thickness"), c = *plan.number("covering_thickness");
  const double k = *plan.number("corner_distance"), up = b + 2 * c;
  const double shortest = std::min(
      {*plan.number("margin_head"), *plan.number("margin_tail"), *plan.number("margin_fore_edge")});
  RC_PRE(up < shortest && !test::hasFinding(plan, "corners-cross") &&
         std::min(*plan.number("corner_leg"), *plan.number("corner_leg_tail")) > 0);
  const double missing = std::max(0.0, up - k * std::sqrt(2.0));
  const PlannedPart& board = *plan.part("board");
  for (const bool isRight : {false, true})
    for (const bool isHead : {false, true}) {
      const Point place = board.places[isRight ? 1 : 0].at;
      const Point corner{place.x + (isRight ? board.width.mm() : 0),
                         place.y + (isHead ? board.height.mm() : 0)};
      const auto outline = fromCorner(plan.part("covering")->outline, corner, isRight, isHead);
      RC_ASSERT(std::abs(bareOf(outline, up, up) - missing * missing) < 1e-6);
    }
  if (missing > 0.015) RC_ASSERT(test::hasFinding(plan, "corner-bare"));
  if (missing == 0) RC_ASSERT(!test::hasFinding(plan, "corner-bare"));
}

// The shipped rule never leaves a corner bare, however thin the board or thick the cloth.
RC_GTEST_PROP(Corner, ofTheShippedRuleIsNeverBare, ()) {
  Job job = test::plainJob();
  job.given["board_thickness"] = {*rc::gen::inRange(20, 500) / 100.0, {}};
  job.given["covering_thickness"] = {*rc::gen::inRange(2, 300) / 100.0, {}};
  const Plan plan = test::planOf(job).plan;
  const double up = *plan.number("board_thickness") + 2 * *plan.number("covering_thickness");
  const bool isWhole = plan.part("covering") != nullptr && plan.part("board") != nullptr;
  RC_PRE(isWhole && up < 18);
  const auto outline =
      fromCorner(plan.part("covering")->outline, plan.part("board")->places[0].at, false, false);
  RC_ASSERT(bareOf(outline, up, up) < 1e-6);
}

/// Covers of a quarter or half binding: the boards' outsides, and what the pieces leave bare.
struct Covers {
  explicit Covers(const Plan& plan) : plan_(plan) {
    for (const char* id : {"side", "spine_cloth", "corner_piece", "corner_piece_head"})
      if (plan.part(id) != nullptr) add(*plan.part(id));
  }

  /// The part at each of its places, mirrored and turned as the place says.
  void add(const PlannedPart& part) {
    for (const Placement& place : part.places) {
      const std::vector<Point> outline = placedOutline(part.outline, place);
      Area sum;
      bg::union_(covered_, polygonOf(outline), sum);
      covered_ = sum;
      laid_ += bg::area(polygonOf(outline));
    }
  }

  double bare() const {
    const PlannedPart& board = *plan_.part("board");
    Area boards;
    for (const Placement& place : board.places)
      boards.push_back(polygonOf(placedOutline(board.outline, place)));
    return left(boards, covered_);
  }
  double doubled() const { return laid_ - bg::area(covered_); }

 private:
  const Plan& plan_;
  Area covered_;
  double laid_ = 0;
};

// Paper sides, spine cloth and corners together leave nothing of the boards bare, and lie double
// just where the laps are.
RC_GTEST_PROP(Covers, leaveNothingBareAndLapAsTheySay, ()) {
  Job job = test::plainJob(*rc::gen::elementOf(test::kSchools));
  if (job.method == "case-card") job.given["board_thickness"] = {0.8, {}};
  const bool isHalf = *rc::gen::arbitrary<bool>();
  job.allowances["covering_style"] = {std::string(isHalf ? "half" : "quarter"), {}};
  job.allowances["corner_treatment"] = {std::string("uncut"), {}};
  job.allowances["side_lap"] = {*rc::gen::inRange(30, 80) / 10.0, {}};
  job.allowances["shown_share"] = {*rc::gen::inRange(10, 32) / 100.0, {}};
  for (const char* margin : {"margin_head", "margin_tail", "margin_fore_edge"})
    job.allowances[margin] = {*rc::gen::inRange(15, 26) * 1.0, {}};
  const Plan plan = test::planOf(job).plan;
  const Covers covers(plan);
  RC_ASSERT(covers.bare() < 1e-6);
  const double lap = *plan.number("side_lap"), h = *plan.number("covering_height");
  double doubled = 2 * lap * h;
  if (isHalf) {
    // Along the corner's long edge: a strip as wide as the lap between two parallel cuts.
    for (const auto& [corner, side] : {std::pair{"corner_piece_side", "side_leg_tail"},
                                       std::pair{"corner_piece_side_head", "side_leg_head"}}) {
      const double large = *plan.number(corner), small = *plan.number(side);
      doubled += large * large - small * small;  // two corners of half that each
    }
  }
  RC_ASSERT(std::abs(covers.doubled() - doubled) < 1e-6 * doubled);
}

// Outside check: Boost.Geometry says of any closed line whether it crosses itself.
RC_GTEST_PROP(Outlines, areFoundToCrossAsBoostFindsThem, ()) {
  const auto corner = [] {
    return Point{double(*rc::gen::inRange(0, 60)), double(*rc::gen::inRange(0, 60))};
  };
  std::vector<Point> outline;
  const int corners = *rc::gen::inRange(3, 9);
  for (int i = 0; i < corners; ++i) outline.push_back(corner());
  outline = tidied(outline);
  RC_PRE(outline.size() >= 3U);
  bg::model::linestring<BgPoint> line;
  for (const Point& p : outline) line.push_back(BgPoint(p.x, p.y));
  line.push_back(line.front());
  RC_ASSERT(crossesItself(outline) == !bg::is_simple(line));
}

// Outside check: Boost.Geometry finds no crossing in the outline of any piece of 20,000 books, and
// none reaches beyond its piece. Where a rule's cuts would cross, the piece is whole and it is
// said.
TEST(Outlines, neverCrossThemselves) {
  constexpr int kBooks = 20'000;
  rc::Random random(20261126);
  int shaped = 0, uncut = 0;
  for (int n = 0; n < kBooks; ++n) {
    const auto generator = test::anyJob(test::kSchools[static_cast<std::size_t>(n) % 5]);
    const Job job = generator(random.split(), rc::kNominalSize).value();
    const Plan plan = test::planOf(job).plan;
    for (const PlannedPart& part : plan.parts) {
      shaped += part.outline.size() > 4 ? 1 : 0;
      uncut += part.isUncut ? 1 : 0;
      bg::model::ring<BgPoint, false, false> ring;
      for (const Point& p : part.outline) ring.push_back(BgPoint(p.x, p.y));
      bg::model::linestring<BgPoint> line(ring.begin(), ring.end());
      line.push_back(line.front());
      ASSERT_TRUE(bg::is_simple(line)) << n << " " << part.rule->id << " " << bg::wkt(line);
      ASSERT_GT(bg::area(ring), 0.0) << n << " " << part.rule->id;
      const Box box = boundsOf(part.outline);
      ASSERT_TRUE(box.left >= -1e-6 && box.bottom >= -1e-6 && box.right <= part.width.mm() + 1e-6 &&
                  box.top <= part.height.mm() + 1e-6)
          << n << " " << part.rule->id;
      const bool isSaid = std::any_of(
          plan.findings.begin(), plan.findings.end(), [&](const PlannedFinding& finding) {
            const auto& touches = finding.rule->touches;
            return finding.rule->severity == Severity::Stop &&
                   std::find(touches.begin(), touches.end(), part.rule->id + ".cut_width") !=
                       touches.end();
          });
      ASSERT_TRUE(!part.isUncut || isSaid) << n << " " << part.rule->id;
    }
  }
  EXPECT_GT(shaped, 1000);
  EXPECT_GT(uncut, 100);
}

}  // namespace
}  // namespace drapery
