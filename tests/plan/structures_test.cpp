// The other structures against reckonings of their own: folding and joining done by hand, outlines
// and offset curves measured by Boost.Geometry, random books rather than lists of examples.
#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <boost/geometry.hpp>
#include <boost/geometry/geometries/geometries.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <cmath>
#include <numbers>

#include "core/plan/planner.h"
#include "tests/support/books.h"

namespace drapery::test {
namespace {

namespace bg = boost::geometry;
using BgPoint = bg::model::d2::point_xy<double>;
using BgRing = bg::model::polygon<BgPoint, false>;
using BgLine = bg::model::linestring<BgPoint>;

BgRing ringOf(const PlannedPart& part) {
  BgRing ring;
  for (const Point& corner : part.outline) bg::append(ring.outer(), BgPoint(corner.x, corner.y));
  bg::correct(ring);
  return ring;
}

Job bookWith(const std::string& method,
             const std::vector<std::pair<const char*, double>>& allowances) {
  Job job = plainJob(method);
  for (const auto& [id, value] : allowances)
    (shippedMethod(method)->input(id)->role == InputRole::Given ? job.given
                                                                : job.allowances)[id] = {value, {}};
  return job;
}

double tenths(int least, int most) { return *rc::gen::inRange(least * 10, most * 10) / 10.0; }

// Turn-ins laid on the inside of a cover as boxes: that they lie over one another is told where
// those of two opposite sides do.
RC_GTEST_PROP(Structures, turnInsThatMeetAreTold, ()) {
  using Box = bg::model::box<BgPoint>;
  const std::string method =
      *rc::gen::element<std::string>("concertina", "covered-board", "stab-plain", "stab-boarded");
  Job job = bookWith(method, {{"margin", tenths(10, 60)}, {"board_thickness", tenths(1, 3)}});
  job.round = 0.01;
  const double wide = tenths(30, 90), high = tenths(30, 90);
  if (method == "concertina") {
    job.given["page_width"] = {wide, {}};
    job.given["page_height"] = {high, {}};
  } else {
    const std::string by = method == "covered-board" ? "cover_" : "text_";
    job.given[by + "width"] = {wide, {}};
    job.given[by + "height"] = {high, {}};
  }
  const bool isBoarded = method == "stab-boarded";
  if (isBoarded) job.allowances["side_margin"] = {tenths(10, 60), {}};
  const auto outcome = planOf(job);
  RC_PRE(outcome.issues.empty());
  const Plan& plan = outcome.plan;
  const double width = method == "concertina"      ? valueOf(plan, "board_width")
                       : method == "covered-board" ? valueOf(plan, "case_width")
                                                   : valueOf(plan, "cover_width");
  const double height = valueOf(plan, "board_height"), reach = valueOf(plan, "turn_in_reach");
  const double other = isBoarded ? valueOf(plan, "side_reach") : reach;
  const double both = std::max(reach, other);
  const double board = valueOf(plan, "board_width");
  RC_PRE(board > 0.0);
  const auto lieOver = [](const Box& a, const Box& b) {
    Box shared;
    return bg::intersection(a, b, shared) && bg::area(shared) > 0.01 * 30;
  };
  const bool across =
      lieOver(Box({0, 0}, {reach, height}), Box({width - other, 0}, {width, height}));
  const bool along = lieOver(Box({0, 0}, {width, both}), Box({0, height - both}, {width, height}));
  RC_LOG() << method << " " << width << " x " << height << ", " << reach << " " << other << "\n";
  if (std::min(std::abs(reach + other - width), std::abs(2 * both - height)) < 0.02) return;
  RC_ASSERT(hasFinding(plan, "turn-ins-meet") == (across || along));
}

// Four mitred corners: four triangles fall away, and each cut lies as far from the board's corner
// as it should.
RC_GTEST_PROP(Structures, coveringsAreCutAtTheirCorners, ()) {
  const std::string method =
      *rc::gen::element<std::string>("concertina", "spring-back", "covered-board");
  const double margin = tenths(12, 40), board = tenths(1, 4);
  Job job = bookWith(method, {{"margin", margin}, {"board_thickness", board}});
  job.round = 0.01;
  const Plan plan = planOf(job).plan;
  const PlannedPart* covering = plan.part("covering");
  RC_ASSERT(covering != nullptr);
  const BgRing ring = ringOf(*covering);
  RC_ASSERT(bg::is_valid(ring));
  const double leg = valueOf(plan, "corner_leg");
  const double whole = covering->cutWidth.mm() * covering->cutHeight.mm();
  RC_ASSERT(leg > 0.0);
  // The outline is of the exact piece; its cut size is at most a hundredth larger.
  const double exact = covering->width.mm() * covering->height.mm();
  RC_ASSERT(std::abs(bg::area(ring) - (exact - 2 * leg * leg)) < 1e-6 * exact);
  RC_ASSERT(whole >= exact);
  const BgPoint corner(margin, margin);  // the board's
  RC_ASSERT(bg::within(corner, ring));
  BgLine edge;
  for (const auto& point : ring.outer()) bg::append(edge, point);
  const double off = static_cast<double>(bg::distance(corner, edge));
  RC_ASSERT(std::abs(off - valueOf(plan, "corner_distance")) < 1e-6);
}

// One sheet over strip and board: two mitres at the fore-edge, two notches at the spine, and the
// spine's flap as high as the boards and both slits.
RC_GTEST_PROP(Structures, aPlainCoverIsNotchedAtItsSpine, ()) {
  const double margin = tenths(15, 40), slit = tenths(2, 8);
  const Plan plan = planOf(bookWith("stab-plain", {{"margin", margin}, {"spine_slit", slit}})).plan;
  const PlannedPart* covering = plan.part("covering");
  RC_ASSERT(covering != nullptr);
  const BgRing ring = ringOf(*covering);
  RC_ASSERT(bg::is_valid(ring));
  const double leg = valueOf(plan, "corner_leg"), notch = margin - slit;
  const double exact = covering->width.mm() * covering->height.mm();
  RC_ASSERT(std::abs(bg::area(ring) - (exact - leg * leg - 2 * margin * notch)) < 1e-6 * exact);
  double lowest = 1e9, highest = -1e9;
  for (const Point& point : covering->outline)
    if (point.x < 1e-9) {
      lowest = std::min(lowest, point.y);
      highest = std::max(highest, point.y);
    }
  RC_ASSERT(std::abs(highest - lowest - valueOf(plan, "board_height") - 2 * slit) < 1e-6);
}

/// The strip folded up: which of its two sides each panel shows outward, and where covers sit.
struct Folded {
  int near = 0, far = 0;  // panels seen of the front cover's side, and of the other
};
Folded foldedUp(int panels) {
  Folded folded;
  bool isNearUp = true;  // in the closed stack the side with the front cover lies up
  for (int panel = 1; panel <= panels; ++panel, isNearUp = !isNearUp) {
    const bool isFirst = panel == 1, isLast = panel == panels;
    // The front cover lies on what is up at the top, the back one under what is down at the foot.
    const bool nearIsCovered = (isFirst && isNearUp) || (isLast && !isNearUp);
    const bool farIsCovered = (isFirst && !isNearUp) || (isLast && isNearUp);
    folded.near += nearIsCovered ? 0 : 1;
    folded.far += farIsCovered ? 0 : 1;
  }
  return folded;
}

RC_GTEST_PROP(Structures, aConcertinaShowsWhatItsFoldsShow, ()) {
  const int pictures = *rc::gen::inRange(1, 60);
  const bool isBoth = *rc::gen::arbitrary<bool>();
  Job job = bookWith("concertina", {{"pictures", pictures}});
  job.allowances["picture_faces"] = {std::string(isBoth ? "both" : "one"), {}};
  const Plan plan = planOf(job).plan;
  const int panels = static_cast<int>(valueOf(plan, "panels"));
  RC_ASSERT(panels >= 2);
  const Folded folded = foldedUp(panels);
  RC_ASSERT(folded.near == static_cast<int>(valueOf(plan, "faces_near")));
  RC_ASSERT(folded.far == static_cast<int>(valueOf(plan, "faces_far")));
  const int seen = isBoth ? folded.near + folded.far : folded.far;
  RC_ASSERT(seen - pictures == static_cast<int>(valueOf(plan, "faces_spare")));
  RC_ASSERT(seen >= pictures);
  // No fewer would do: one panel on both faces, two where both covers are to lie on the other one.
  const int fewer = panels - (isBoth ? 1 : 2);
  if (fewer >= 2) {
    const Folded less = foldedUp(fewer);
    RC_ASSERT((isBoth ? less.near + less.far : less.far) < pictures);
  }
}

// Strips laid end to end, panel by panel, until there are enough.
RC_GTEST_PROP(Structures, stripsAreJoinedTillThePanelsAreThere, ()) {
  const int panels = *rc::gen::inRange(2, 80);
  const double page = tenths(30, 200), stock = tenths(210, 1200);
  const bool isLapped = *rc::gen::arbitrary<bool>();
  Job job = bookWith("concertina", {{"panels_wanted", panels},
                                    {"page_width", page},
                                    {"stock_length", stock},
                                    {"tab_width", 12.5}});
  job.given.erase("pictures");
  job.allowances["join_kind"] = {std::string(isLapped ? "lapped" : "tabbed"), {}};
  const Plan plan = planOf(job).plan;
  RC_ASSERT(static_cast<int>(valueOf(plan, "panels")) == panels);
  const int full = static_cast<int>(std::floor(stock / page + 1e-9));
  const int adds = isLapped ? full - 1 : static_cast<int>(std::floor((stock - 12.5) / page + 1e-9));
  if (full >= panels) {
    RC_ASSERT(valueOf(plan, "strips") == 1.0);
    RC_ASSERT(plan.part("strip") == nullptr);
  } else if (adds < 1) {
    RC_ASSERT(!plan.number("strips"));
    RC_ASSERT(hasFinding(plan, "join-no-room"));
  } else {
    int strips = 1, there = full;
    for (; there < panels; there += adds) ++strips;
    RC_ASSERT(static_cast<int>(valueOf(plan, "strips")) == strips);
    // Each but the last is no longer than the paper, and all of them make the panels.
    RC_ASSERT(valueOf(plan, "strip_length") <= stock + 1e-6);
    RC_ASSERT(valueOf(plan, "last_length") <= stock + 1e-6);
    const double last = valueOf(plan, "last_panels");
    RC_ASSERT((strips - 1) * adds + last == panels);
  }
}

// Offset curves by Boost.Geometry: a spring so far off a path that turns half a circle is longer by
// pi times that.
RC_GTEST_PROP(Structures, aSpringIsAsLongAsItsOffsetCurve, ()) {
  Job job = bookWith("spring-back", {{"spring_standoff", tenths(1, 5)}});
  job.allowances["spring_bend"] = {*rc::gen::inRange(0, 6) / 10.0, {}};
  const Plan plan = planOf(job).plan;
  const double off = valueOf(plan, "spring_off");
  // Along one lever, round a spine of any radius, along the other.
  const double radius = tenths(5, 40), lever = tenths(5, 40);
  BgLine path;
  bg::append(path, BgPoint(-lever, -radius));
  constexpr int kParts = 180;
  for (int i = 0; i <= kParts; ++i) {
    const double turn = std::numbers::pi * (static_cast<double>(i) / kParts - 0.5);
    bg::append(path, BgPoint(radius * std::cos(turn), radius * std::sin(turn)));
  }
  bg::append(path, BgPoint(-lever, radius));
  bg::model::multi_polygon<BgRing> band;
  bg::buffer(path, band, bg::strategy::buffer::distance_asymmetric<double>(0.0, off),
             bg::strategy::buffer::side_straight(), bg::strategy::buffer::join_round(360),
             bg::strategy::buffer::end_flat(), bg::strategy::buffer::point_circle(360));
  const double inner = static_cast<double>(bg::length(path));
  const double outer = static_cast<double>(bg::perimeter(band)) - inner - 2 * off;
  const double longer = valueOf(plan, "spring_width") - valueOf(plan, "spring_girth");
  RC_ASSERT(std::abs(outer - inner - longer) < 0.02);
}

// The holes: even, the ends where they are said, every one on the leaf unless a finding says not.
RC_GTEST_PROP(Structures, holesStandInTheirRows, ()) {
  const Job job = *anyJob(*rc::gen::element<std::string>("stab-boarded", "stab-plain"));
  const auto outcome = planOf(job);
  RC_PRE(outcome.issues.empty());
  const Plan& plan = outcome.plan;
  RC_PRE(!plan.series.empty());  // no short cuts in it
  RC_PRE(plan.series.front().rule->id == "hole");
  const auto& rows = plan.series.front().rows;  // i, x, y, below the head, below the leaf's
  const double pitch = valueOf(plan, "hole_pitch"), end = valueOf(plan, "hole_end");
  const double height = valueOf(plan, "board_height");
  RC_ASSERT(std::abs(height - rows.front()[2] - end) < 1e-6);
  RC_ASSERT(std::abs(rows.back()[2] - end) < 1e-6);
  bool isOnLeaf = true;
  const double radius = valueOf(plan, "hole_diameter") / 2;
  for (std::size_t i = 0; i < rows.size(); ++i) {
    if (i > 0) RC_ASSERT(std::abs(rows[i - 1][2] - rows[i][2] - pitch) < 1e-6);
    const double up = rows[i][2] - valueOf(plan, "square_tail");
    const double in = rows[i][1] - valueOf(plan, "square_spine");
    isOnLeaf = isOnLeaf && up > radius && valueOf(plan, "text_height") - up > radius;
    // Only the row near the spine can run out of the leaf there.
    const bool isNear = rows[i][1] <= valueOf(plan, "row_near") + 1e-9;
    isOnLeaf = isOnLeaf && (!isNear || in > radius);
  }
  // Rows that have changed places are a stop of their own.
  const bool isTold = hasFinding(plan, "hole-runs-out") || hasFinding(plan, "rows-crossed");
  RC_ASSERT(isOnLeaf || isTold);
}

// Slits stay in the card, and the flaps that they free end inside it when they are folded in.
RC_GTEST_PROP(Structures, aSlotStaysInItsCover, ()) {
  const Plan plan =
      planOf(bookWith("soft-slotted", {{"slot_end", tenths(6, 80)}, {"flap_short", tenths(0, 6)}}))
          .plan;
  const double height = valueOf(plan, "cover_height"), end = valueOf(plan, "slot_end");
  const double flap = valueOf(plan, "flap_height");
  RC_ASSERT(flap <= (height - 2 * end) / 2 + 1e-9);
  RC_ASSERT(end - flap >= valueOf(plan, "flap_short") - 1e-9);
  const double panel = valueOf(plan, "cover_panel"), spine = valueOf(plan, "spine_panel");
  RC_ASSERT(std::abs(2 * panel + spine - valueOf(plan, "cover_width")) < 1e-9);
  RC_ASSERT(std::abs(valueOf(plan, "station_first") + valueOf(plan, "station_last") +
                     2 * valueOf(plan, "square_head") - height) < 1e-9);
}

// A wrapper laid round its book: two covers, the spine between the inner creases.
RC_GTEST_PROP(Structures, aWrapperGoesRoundItsBook, ()) {
  const double over = tenths(0, 5), spacing = tenths(3, 20), spine = tenths(4, 60);
  Job job = bookWith(
      "paperback-wrapper",
      {{"wrapper_over", over}, {"crease_spacing", spacing}, {"spine_wrap_measured", spine}});
  const bool isRight = *rc::gen::arbitrary<bool>();
  job.allowances["reads"] = {std::string(isRight ? "right_to_left" : "left_to_right"), {}};
  const Plan plan = planOf(job).plan;
  const double first = valueOf(plan, "crease_2"), second = valueOf(plan, "crease_3");
  const double width = valueOf(plan, "wrapper_width");
  RC_ASSERT(std::abs(first - (width - second)) < 1e-9);
  RC_ASSERT(std::abs(second - first - spine) < 1e-9);
  RC_ASSERT(std::abs(valueOf(plan, "glue_band") - spine - 2 * spacing) < 1e-9);
  // The title stands as far from the spine as from the trimmed fore-edge.
  const double title = valueOf(plan, "title_front_x"), block = valueOf(plan, "block_width");
  const double fromSpine = isRight ? first - title : title - second;
  RC_ASSERT(std::abs(fromSpine - block / 2) < 1e-9);
}

// A pair closes on its contents and folds right back: its gap is the larger of the two.
RC_GTEST_PROP(Structures, aPairClosesAndFoldsBack, ()) {
  Job job = bookWith("covered-board",
                     {{"contents_thickness", tenths(0, 40)}, {"board_thickness", tenths(1, 5)}});
  job.allowances["cover_make"] = {std::string("pair"), {}};
  const Plan plan = planOf(job).plan;
  const double gap = valueOf(plan, "hinge_gap");
  RC_ASSERT(gap >= valueOf(plan, "gap_to_close") - 1e-9);
  RC_ASSERT(gap >= valueOf(plan, "gap_to_fold") - 1e-9);
  RC_ASSERT(!hasFinding(plan, "folder-binds"));
  RC_ASSERT(!hasFinding(plan, "hinge-binds"));
  job.allowances["hinge_gap"] = {std::max(0.2, valueOf(plan, "gap_to_close") - 1), {}};
  const Plan narrow = planOf(job).plan;
  if (valueOf(narrow, "gap_to_close") - valueOf(narrow, "hinge_gap") > 0.3)
    RC_ASSERT(hasFinding(narrow, "folder-binds"));
}

// Methods of another kind of book are not set beside this one, though they know its measures.
TEST(Compare, keepsToOneKindOfBook) {
  const RuleLibrary library;
  EXPECT_EQ(library.structure("case-board-gap"), "case");
  EXPECT_EQ(library.structure("stab-plain"), "stab");
  for (const std::string& method : kStructures) {
    const RuleSetPtr rules = shippedMethod(method);
    EXPECT_FALSE(rules->structure.empty()) << method;
    EXPECT_FALSE(rules->suits.text.empty()) << method;
    EXPECT_FALSE(rules->never.text.empty()) << method;
    EXPECT_FALSE(rules->starts.empty()) << method;
    EXPECT_FALSE(rules->steps.empty()) << method;
  }
}

}  // namespace
}  // namespace drapery::test
