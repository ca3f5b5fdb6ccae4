#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <boost/geometry.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>
#include <cmath>
#include <map>
#include <set>

#include "core/drawing/draw_view.h"
#include "core/drawing/figure.h"
#include "core/drawing/tag_layout.h"
#include "core/plan/job_field.h"
#include "tests/support/books.h"
#include "tests/support/command.h"

namespace drapery {
namespace {

using test::anyJob;
using test::plainJob;
using test::planOf;

namespace bg = boost::geometry;
using Polygon = bg::model::polygon<bg::model::d2::point_xy<double>>;

Polygon polygonOf(const Shape& shape) {
  Polygon polygon;
  for (const Point& p : shape.points)
    bg::append(polygon, bg::model::d2::point_xy<double>(p.x, p.y));
  bg::correct(polygon);
  return polygon;
}

Drawing drawn(const Plan& plan, std::string_view id) {
  for (const ViewRule& view : plan.rules->views)
    if (view.id == id) return drawView(view, plan);
  ADD_FAILURE() << "there is no view " << id;
  return {};
}

std::vector<const Shape*> shapesOf(const Drawing& drawing, LineKind line, Matter matter,
                                   const std::string& subject) {
  std::vector<const Shape*> found;
  for (const Shape& shape : drawing.shapes)
    if (shape.line == line && shape.matter == matter && shape.subject.id == subject)
      found.push_back(&shape);
  return found;
}
std::vector<const Shape*> shapesOf(const Drawing& drawing, Matter matter,
                                   const std::string& subject) {
  return shapesOf(drawing, LineKind::Outline, matter, subject);
}

TEST(FlatCase, piecesLieWhereTheyBelong) {
  const Plan plan = planOf(plainJob()).plan;
  const Drawing drawing = drawn(plan, "flat-case");
  const auto covering = shapesOf(drawing, Matter::Cloth, "covering");
  const auto boards = shapesOf(drawing, Matter::Board, "board");
  const auto stiffener = shapesOf(drawing, Matter::Board, "stiffener");
  ASSERT_EQ(covering.size(), 1U);
  ASSERT_EQ(boards.size(), 2U);
  ASSERT_EQ(stiffener.size(), 1U);
  const double gap = *plan.number("joint_gap");
  const Polygon left = polygonOf(*boards[0]), right = polygonOf(*boards[1]),
                strip = polygonOf(*stiffener[0]);
  EXPECT_NEAR(bg::distance(left, strip), gap, 1e-9);
  EXPECT_NEAR(bg::distance(strip, right), gap, 1e-9);
  const Polygon cloth = polygonOf(*covering[0]);
  for (const Polygon& piece : {left, right, strip}) EXPECT_TRUE(bg::within(piece, cloth));
}

TEST(FlatCase, theGapIsShownOnceItIsKnown) {
  const auto gaps = [](const Plan& plan) {
    const Drawing drawing = drawn(plan, "flat-case");
    return std::count_if(drawing.shapes.begin(), drawing.shapes.end(), [](const Shape& shape) {
      return shape.line == LineKind::Dimension && shape.subject.id == "joint_gap";
    });
  };
  Job job = plainJob();
  EXPECT_EQ(gaps(planOf(job).plan), 1);
  job.given.clear();
  EXPECT_EQ(gaps(planOf(job).plan), 0);
}

// Turned by thirty degrees, half the height goes to the left.
TEST(Placement, turnsByAnyAngle) {
  const auto lying = placedOutline(rectangle(0, 0, 20, 10), {{100, 50}, 30.0, false});
  const double cosine = std::sqrt(3.0) / 2;
  EXPECT_NEAR(lying[0].x, 105, 1e-12);
  EXPECT_NEAR(lying[0].y, 50, 1e-12);
  EXPECT_NEAR(lying[1].x, 105 + 20 * cosine, 1e-12);
  EXPECT_NEAR(lying[1].y, 60, 1e-12);
  EXPECT_NEAR(lying[3].x, 100, 1e-12);
  EXPECT_NEAR(lying[3].y, 50 + 10 * cosine, 1e-12);
}

// Outside check, Boost.Geometry: the triangles that fall away have the legs that the plan says, and
// the cut passes the board's corner at the distance that the plan says.
RC_GTEST_PROP(FlatCaseProperty, cornersAreCutAtTheirDistance, ()) {
  Job job = *anyJob("case-sunk-joint");
  job.allowances["corner_treatment"] = {std::string("mitre"), {}};
  job.allowances["covering_style"] = {std::string("full"), {}};
  for (const char* side : {"margin_head", "margin_tail", "margin_fore_edge", "covering_material"})
    job.allowances.erase(side);
  const Plan plan = planOf(job).plan;
  // RapidCheck cannot show a null pointer.
  const bool isWhole = plan.part("board") != nullptr && plan.part("covering") != nullptr;
  RC_PRE(isWhole && plan.number("corner_leg").value_or(-1) > 0);
  const PlannedPart& covering = *plan.part("covering");
  const double leg = *plan.number("corner_leg");
  RC_PRE(leg <= std::min(covering.width.mm(), covering.height.mm()) / 2);
  const Drawing drawing = drawn(plan, "flat-case");
  const Polygon cloth = polygonOf(*shapesOf(drawing, Matter::Cloth, "covering").front());
  const double whole = covering.width.mm() * covering.height.mm();
  RC_ASSERT(std::abs(whole - static_cast<double>(bg::area(cloth)) - 2 * leg * leg) < 1e-6 * whole);
  const auto& corner = shapesOf(drawing, Matter::Board, "board").front()->points.front();
  bg::model::linestring<bg::model::d2::point_xy<double>> cut;
  bg::append(cut, bg::model::d2::point_xy<double>(leg, 0));
  bg::append(cut, bg::model::d2::point_xy<double>(0, leg));
  bg::model::linestring<bg::model::d2::point_xy<double>> line;
  const double far = 1000;  // the whole 45 degree line, since a short leg may end before the corner
  bg::append(line, bg::model::d2::point_xy<double>(leg + far, -far));
  bg::append(line, bg::model::d2::point_xy<double>(-far, leg + far));
  const double distance =
      static_cast<double>(bg::distance(bg::model::d2::point_xy<double>(corner.x, corner.y), line));
  RC_ASSERT(std::abs(distance - *plan.number("corner_distance")) < 1e-6);
}

RC_GTEST_PROP(AnyDrawing, isFiniteAndHangsOnWhatExists, ()) {
  const Plan plan = planOf(*anyJob(*rc::gen::elementOf(test::kMethods))).plan;
  for (const ViewRule& view : plan.rules->views) {
    const Drawing drawing = drawView(view, plan);
    for (const Shape& shape : drawing.shapes)
      for (const Point& p : shape.points) RC_ASSERT(std::isfinite(p.x) && std::isfinite(p.y));
    for (const TagSpot& spot : drawing.tags)
      RC_ASSERT(spot.subject == Subject::field("method") ||
                plan.rules->find(splitReading(spot.subject.id).first).has_value());
  }
}

/// Values and fields that hang in some view of the method that has a place on this book.
std::set<std::string> hangingOn(const Plan& plan) {
  std::set<std::string> hanging;
  for (const ViewRule& view : plan.rules->views)
    if (view.when.formula.holds(plan.table()))
      for (const TagSpot& spot : drawView(view, plan).tags) hanging.insert(spot.subject.id);
  return hanging;
}

/// Limits of good work are no tags: they stand in their finding's note and in the house rules.
bool isLimit(const RuleSet& rules, const InputRule& input) {
  return input.role == InputRole::Allowance && input.measure.text.empty() &&
         rules.find(input.id).has_value();
}

/// The book as it is, and with each option of each of its choices; counts at 0 and at 3.
std::vector<Job> variantsOf(Job job) {
  std::vector<Job> books{job};
  for (const InputRule& rule : test::shippedMethod(job.method)->inputs) {
    Entries Job::*role = rule.role == InputRole::Given ? &Job::given : &Job::allowances;
    for (const std::string& option : rule.options) {
      books.push_back(job);
      (books.back().*role)[rule.id] = {option, {}};
    }
    if (rule.kind != InputKind::Count || !rule.options.empty()) continue;
    books.push_back(job);
    (books.back().*role)[rule.id] = {std::max(3.0, rule.least), {}};
  }
  return books;
}

/// Books of every shape, style and way of finishing that moves a tag.
std::vector<Job> booksOf(const std::string& school) {
  std::vector<Job> books;
  for (const char* shape : {"flat", "rounded", "backed"})
    for (const char* style : {"full", "quarter", "half", "tape"})
      for (const char* corner : {"mitre", "notch", "uncut"}) {
        Job job = plainJob(school);
        if (test::shippedMethod(school)->structure != "case") return variantsOf(std::move(job));
        job.given["spine_shape"] = {std::string(shape), {}};
        job.allowances["covering_style"] = {std::string(style), {}};
        job.allowances["corner_treatment"] = {std::string(corner), {}};
        job.allowances["lining_kind"] = {std::string(*corner == 'u' ? "separate" : "paste_down"),
                                         {}};
        job.allowances["tape_count"] = {*corner == 'n' ? 3.0 : 0.0, {}};
        job.allowances["ribbon_count"] = {*corner == 'n' ? 1.0 : 0.0, {}};
        job.given["headband_height"] = {*corner == 'n' ? 2.0 : 0.0, {}};
        if (school == "case-card") job.given["board_thickness"] = {0.8, {}};
        books.push_back(std::move(job));
      }
  return books;
}

// Walks every method over many books: an input that counts on one of them hangs in some view.
TEST(Views, everyInputThatCountsHangsSomewhere) {
  std::set<std::string> missing;
  for (const std::string& school : test::kMethods) {
    std::map<std::string, bool> hangs;
    for (const Job& job : booksOf(school)) {
      const Plan plan = planOf(job).plan;
      const auto hanging = hangingOn(plan);
      for (const std::size_t i : plan.rules->inputNodes)
        if (plan.counts[i])
          hangs[plan.rules->nodes[i].name] |= hanging.contains(plan.rules->nodes[i].name);
    }
    const RuleSetPtr rules = test::shippedMethod(school);
    for (const auto& [id, does] : hangs)
      if (!does && !isLimit(*rules, *rules->input(id))) missing.insert(school + ": " + id);
  }
  EXPECT_THAT(missing, ::testing::IsEmpty());
}

// More would be a form.
TEST(Views, haveAtMostTwelveTagsAtRest) {
  constexpr std::size_t kMost = 12;
  for (const std::string& school : test::kMethods)
    for (const Job& job : booksOf(school)) {
      const Plan plan = planOf(job).plan;
      for (const ViewRule& view : plan.rules->views) {
        std::size_t tags = 0;
        for (const TagSpot& spot : drawView(view, plan).tags) {
          const auto node = plan.rules->find(spot.subject.id);
          const bool isInput = node && plan.rules->isInput(*node);
          const bool isThere =
              !node || (isInput ? plan.counts[*node] : !std::isnan(plan.values[*node]));
          if (isThere) ++tags;
        }
        EXPECT_LE(tags, kMost) << school << " " << view.id;
      }
    }
}

// A closer look is taken of a drawing of the same stage, and whoever takes it sees something.
TEST(Views, closerLooksShowSomething) {
  std::size_t details = 0;
  for (const std::string& school : test::kMethods)
    for (const Job& job : booksOf(school)) {
      const Plan plan = planOf(job).plan;
      for (const ViewRule& view : plan.rules->views)
        for (const ViewRule* detail : detailsOf(plan, view.id)) {
          ++details;
          EXPECT_EQ(detail->stage, view.stage);
          EXPECT_NE(detail->asks.text.empty(), detail->readingsOf.empty());
          const Drawing drawing = drawView(*detail, plan);
          EXPECT_FALSE(drawing.shapes.empty()) << detail->id;
          const Box seen = seenOf(drawing);
          EXPECT_TRUE(seen.width() > 0 && seen.height() > 0) << detail->id;
          // What hangs in it hangs on what is seen.
          for (const TagSpot& tag : drawing.tags) {
            const bool isSeen = tag.anchor.x >= seen.left && tag.anchor.x <= seen.right &&
                                tag.anchor.y >= seen.bottom && tag.anchor.y <= seen.top;
            EXPECT_TRUE(isSeen || !drawing.window) << detail->id << " " << tag.subject.id;
          }
        }
    }
  EXPECT_GT(details, 100u);
}

const ViewRule& viewNamed(const Plan& plan, const std::string& id) {
  return *std::find_if(plan.rules->views.begin(), plan.rules->views.end(),
                       [&](const ViewRule& view) { return view.id == id; });
}

// The folding sheet's first cell is the leaf that the plan gives, and its lines are those of the
// halvings: 2^a - 1 one way and 2^b - 1 the other. ISO 216: an A sheet halves into the next.
RC_GTEST_PROP(FoldingSheet, showsTheLeafAndEachHalving, ()) {
  Job job = plainJob();
  job.given.erase("text_height");
  job.given.erase("text_width");
  const int cuts = *rc::gen::inRange(0, 3), folds = *rc::gen::inRange(1, 4);
  if (*rc::gen::arbitrary<bool>()) {
    job.given["sheet"] = {std::string("a1"), {}};
  } else {
    job.given["sheet_width"] = {*rc::gen::inRange(200, 1000) / 1.0, {}};
    job.given["sheet_height"] = {*rc::gen::inRange(200, 1000) / 1.0, {}};
  }
  job.given["sheet_cuts"] = {double(cuts), {}};
  job.given["sheet_folds"] = {double(folds), {}};
  const Plan plan = planOf(job).plan;
  const Drawing drawing = drawView(viewNamed(plan, "sheet-closer"), plan);
  std::size_t lines = 0, cutLines = 0;
  double leafWidth = 0, leafHeight = 0;
  for (const Shape& shape : drawing.shapes) {
    if (shape.line == LineKind::Fold) ++lines;
    if (shape.line == LineKind::Cut) ++cutLines;
    if (shape.matter != Matter::Leaves) continue;
    leafWidth = boundsOf(shape.points).width();
    leafHeight = boundsOf(shape.points).height();
  }
  const double sheetWidth = *plan.number("sheet_width"), sheetHeight = *plan.number("sheet_height");
  const double across = std::round(std::log2(sheetWidth / leafWidth)),
               along = std::round(std::log2(sheetHeight / leafHeight));
  RC_ASSERT(across + along == cuts + folds);
  RC_ASSERT(double(lines + cutLines) == std::exp2(across) - 1 + std::exp2(along) - 1);
  RC_ASSERT((cuts > 0) == (cutLines > 0));
  const double leaf[]{*plan.number("leaf_width"), *plan.number("leaf_height")};
  RC_ASSERT(std::abs(std::min(leafWidth, leafHeight) - std::min(leaf[0], leaf[1])) < 1e-9);
  RC_ASSERT(std::abs(std::max(leafWidth, leafHeight) - std::max(leaf[0], leaf[1])) < 1e-9);
}

// Each layer lies higher than the one before; of several pieces the outer ones lie at the ends.
TEST(LayersDrawing, pullsApartInTheOrderOfTheList) {
  Job job = plainJob();
  job.given["spine_shape"] = {std::string("rounded"), {}};
  job.given["headband_height"] = {2.0, {}};
  job.allowances["tape_count"] = {3.0, {}};
  const Plan plan = planOf(job).plan;
  const ViewRule& view = viewNamed(plan, "spine-layers");
  const Drawing drawing = drawView(view, plan);
  double last = -1e9;
  std::string before;
  std::map<std::string, std::size_t> pieces;
  for (const Shape& shape : drawing.shapes) {
    ++pieces[shape.subject.id];
    if (shape.subject.id == before) continue;
    const Box box = boundsOf(shape.points);
    EXPECT_GT((box.bottom + box.top) / 2, last) << shape.subject.id;
    last = (box.bottom + box.top) / 2;
    before = shape.subject.id;
  }
  EXPECT_EQ(pieces["headband"], 2U);
  EXPECT_EQ(pieces["sewing_tape"], 3U);
  EXPECT_EQ(pieces["kraft"], 1U);
  EXPECT_FALSE(drawing.isToScale);
  EXPECT_EQ(drawing.labels.size(), 4U);  // tapes, mull, headbands, kraft
}

// The jacket's panels lie side by side and end at its width.
TEST(JacketDrawing, foldsWhereThePanelsMeet) {
  Job job = plainJob();
  job.allowances["with_jacket"] = {std::string("with"), {}};
  const Plan plan = planOf(job).plan;
  const Drawing drawing = drawView(viewNamed(plan, "jacket-flat"), plan);
  std::vector<double> folds;
  for (const Shape& shape : drawing.shapes)
    if (shape.line == LineKind::Fold) folds.push_back(shape.points.front().x);
  ASSERT_EQ(folds.size(), 4U);
  const double flap = *plan.number("jacket_flap"), cover = *plan.number("jacket_cover");
  EXPECT_NEAR(folds[0], flap, 1e-9);
  EXPECT_NEAR(folds[1] - folds[0], cover, 1e-9);
  EXPECT_NEAR(folds[2] - folds[1], *plan.number("jacket_spine"), 1e-9);
  EXPECT_NEAR(folds[3] + flap, *plan.number("jacket_width"), 1e-9);
}

/// What is told of the cover turned that far.
std::string stateOf(const Job& job, double turn) {
  const Plan plan = planOf(job).plan;
  const Drawing drawing = drawView(viewNamed(plan, "opened-closer"), plan, {turn, false});
  return drawing.labels.size() == 1 ? drawing.labels.back().id : "none";
}

// The words say what the joint does: slack, over, pulled up before, or over only if the round gives
// way.
TEST(OpenedCoverDrawing, saysHowTheClothLies) {
  EXPECT_EQ(stateOf(plainJob(), 0), "view.slack");
  EXPECT_EQ(stateOf(plainJob(), 180), "view.slack");
  Job tape = plainJob("case-board-gap");
  const double most = *planOf(tape).plan.number("opening_angle_tried");
  EXPECT_LT(most, 180);
  EXPECT_EQ(stateOf(tape, most), "view.straight");
  EXPECT_EQ(stateOf(tape, most + 1), "view.pulls");
  Job huge = plainJob();
  huge.given["text_thickness"] = {150.0, {}};
  huge.given["board_thickness"] = {8.0, {}};
  huge.given["spine_shape"] = {std::string("backed"), {}};
  EXPECT_EQ(stateOf(huge, 180), "view.gives");
  Job empty;
  empty.method = "case-sunk-joint";
  EXPECT_EQ(stateOf(empty, 180), "none");
}

// However it is turned the drawing stays in its place, so that nothing jumps; what it turns about
// is the spine edge, and the cloth drawn is never longer than what there is.
RC_GTEST_PROP(OpenedCoverDrawing, staysInItsPlaceAtAnyTurn, ()) {
  const Plan plan = planOf(*anyJob(*rc::gen::elementOf(test::kSchools))).plan;
  const ViewRule& view = viewNamed(plan, "opened-closer");
  const bool isBoth = *rc::gen::arbitrary<bool>();
  const Drawing closed = drawView(view, plan, {0, isBoth});
  RC_PRE(!closed.shapes.empty());
  const double turn = *rc::gen::inRange(0, 181);
  const Drawing turned = drawView(view, plan, {turn, isBoth});
  const Box a = boundsOf(closed), b = boundsOf(turned);
  for (const double off : {a.left - b.left, a.right - b.right, a.top - b.top, a.bottom - b.bottom})
    RC_ASSERT(std::abs(off) < 1e-9);
  RC_ASSERT(turned.grip.has_value());
  RC_ASSERT(turned.grip->turn <= turned.grip->most + 1e-9);
  const auto boards = [](const Drawing& drawing) {
    return std::count_if(drawing.shapes.begin(), drawing.shapes.end(),
                         [](const Shape& shape) { return shape.matter == Matter::Board; });
  };
  RC_ASSERT(boards(turned) == (isBoth ? 2 : 1) * boards(drawView(view, plan, {turn, false})));
}

// What a figure says that it has, it has, on some book; and nothing that it does not say.
TEST(Figures, haveTheSpotsThatTheyDeclare) {
  std::map<std::string, std::set<std::string>> found;
  for (const std::string& school : test::kMethods)
    for (const char* shape : {"flat", "backed"}) {
      Job job = plainJob(school);
      if (test::shippedMethod(school)->input("spine_shape") != nullptr)
        job.given["spine_shape"] = {std::string(shape), {}};
      const Plan plan = planOf(job).plan;
      for (const ViewRule& view : plan.rules->views)
        for (const Spot& spot : sketchFigure(view.figure, FigureSource(view, plan)).spots)
          found[view.figure].insert(spot.name);
    }
  for (const FigureSpec& figure : allFigures()) {
    std::set<std::string> declared(figure.spots.begin(), figure.spots.end());
    for (const std::string_view spot : figure.pieceSpots)
      declared.insert("board." + std::string(spot));
    std::set<std::string> had;
    for (const std::string& spot : found[std::string(figure.id)])
      if (figure.pieceSpots.empty() || spot.starts_with("board.") || spot.starts_with("whole.") ||
          spot.starts_with("ground."))
        had.insert(spot);
    EXPECT_EQ(had, declared) << figure.id;
  }
}

TEST(AnyDrawing, ofAnEmptyBookIsDashedNotMissing) {
  Job job = plainJob();
  job.given.clear();
  const Plan plan = planOf(job).plan;
  const Drawing block = drawn(plan, "block");
  EXPECT_FALSE(shapesOf(block, LineKind::Hidden, Matter::Leaves, "text_block").empty());
  EXPECT_TRUE(shapesOf(block, Matter::Leaves, "text_block").empty());
  EXPECT_GE(block.tags.size(), 5U);
}

// The section shows the gap that was reckoned: the cloth from the stiffener's arris to the board's.
TEST(JointDrawing, showsTheBoardAtItsSetBackAndTheSquare) {
  const Plan plan = planOf(plainJob()).plan;
  const Drawing drawing = drawn(plan, "joint");
  const auto boards = shapesOf(drawing, Matter::Board, "board");
  ASSERT_EQ(boards.size(), 2U);
  EXPECT_DOUBLE_EQ(boards[0]->points.front().x, 7.0);
  const auto leaves = shapesOf(drawing, Matter::Leaves, "text_block");
  EXPECT_NEAR(boards[1]->points[1].x - leaves[1]->points[1].x, 3.0, 1e-9);
}

// Without a groove the cloth is straight from arris to arris, and no rod lies there.
TEST(JointDrawing, withoutAGrooveHasNoRod) {
  const Drawing drawing = drawn(planOf(plainJob("case-board-gap")).plan, "joint");
  EXPECT_TRUE(shapesOf(drawing, Matter::Rod, "rod_diameter").empty());
  const auto cloth = shapesOf(drawing, LineKind::Section, Matter::Cloth, "covering");
  ASSERT_EQ(cloth.size(), 2U);
  ASSERT_EQ(cloth[0]->points.size(), 4U);
  EXPECT_NEAR(cloth[0]->points[1].x, -2.4, 1e-9);  // the stiffener's arris
  EXPECT_NEAR(cloth[0]->points[2].y, 2.4, 1e-9);   // the board's
}

// The book that is drawn is the one that was measured: its head is as wide as the shoulders stand,
// and as long as the leaves and the round.
TEST(TextBlockDrawing, showsRoundAndShoulders) {
  Job job = plainJob();
  job.given["spine_shape"] = {std::string("backed"), {}};
  job.given["spine_thickness"] = {30.0, {}};
  const Plan plan = planOf(job).plan;
  const Drawing drawing = drawn(plan, "block");
  const auto blocks = shapesOf(drawing, Matter::Leaves, "text_block");  // face, spine, head
  ASSERT_EQ(blocks.size(), 3U);
  const Shape& head = *blocks[2];
  double left = 0, right = 0, low = 1e9, high = 0;
  for (const Point& p : head.points) {
    left = std::min(left, p.x);
    right = std::max(right, p.x);
    low = std::min(low, p.y);
    high = std::max(high, p.y);
  }
  EXPECT_NEAR(high - low, *plan.number("spine_span"), 1e-9);
  EXPECT_NEAR(-left, *plan.number("round_depth"), 0.02);
  EXPECT_NEAR(right, 144.0, 1e-9);
}

RC_GTEST_PROP(TagLayout, tagsNeverOverlapAndStayInside, ()) {
  const TagRoom room{{0, 0, 830, 300}, {200, 80, 430, 130}, {{10, 8, 240, 18}}, 4.0};
  std::vector<TagWish> wishes;
  const int count = *rc::gen::inRange(1, 13);
  for (int i = 0; i < count; ++i)
    wishes.push_back({200.0 + *rc::gen::inRange(0, 431), 80.0 + *rc::gen::inRange(0, 131),
                      50.0 + *rc::gen::inRange(0, 111), 44.0,
                      *rc::gen::element(Side::Left, Side::Right, Side::Above, Side::Below)});
  const auto boxes = layOutTags(wishes, room);
  RC_ASSERT(boxes.size() == wishes.size());
  for (std::size_t i = 0; i < boxes.size(); ++i) {
    RC_ASSERT(boxes[i].x >= -0.1 && boxes[i].x + boxes[i].width <= 830.1);
    RC_ASSERT(boxes[i].y >= -0.1 && boxes[i].y + boxes[i].height <= 300.1);
    RC_ASSERT(!overlaps(boxes[i], room.taken.front(), 0));
    for (std::size_t k = i + 1; k < boxes.size(); ++k) RC_ASSERT(!overlaps(boxes[i], boxes[k], 0));
  }
}

RC_GTEST_PROP(TagLayout, aRowKeepsTheOrderOfItsAnchors, ()) {
  const auto middles = *rc::gen::container<std::vector<double>>(
      6, rc::gen::map(rc::gen::inRange(0, 800), [](int x) { return double(x); }));
  const std::vector<double> lengths(middles.size(), 60.0);
  const auto starts = spreadAlong(middles, lengths, 8, 0, 800);
  for (std::size_t i = 0; i < starts.size(); ++i) {
    RC_ASSERT(starts[i] >= -1e-6 && starts[i] + 60 <= 800 + 1e-6);
    for (std::size_t k = 0; k < starts.size(); ++k)
      if (middles[i] < middles[k]) RC_ASSERT(starts[i] + 68 <= starts[k] + 1e-6);
  }
}

TEST(TagLayout, aLoneTagStandsAtItsAnchor) {
  EXPECT_EQ(spreadAlong({100}, {40}, 8, 0, 800), std::vector<double>{80});
  // Two that want the same place share the way.
  EXPECT_EQ(spreadAlong({100, 100}, {40, 40}, 10, 0, 800), (std::vector<double>{55, 105}));
}

}  // namespace
}  // namespace drapery
