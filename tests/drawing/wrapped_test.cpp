// The jacket round the closed book: its folds lie where a hand would find them.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>

#include "core/drawing/draw_view.h"
#include "tests/support/books.h"

namespace drapery::test {
namespace {

Job jacketed() {
  Job job = plainJob();
  job.allowances["with_jacket"] = {std::string("with"), {}};
  return job;
}

Drawing onTheBook(const Plan& plan) {
  for (const ViewRule& view : plan.rules->views)
    if (view.id == "jacket-on") return drawView(view, plan);
  ADD_FAILURE() << "no such view";
  return {};
}

/// The middles of the dots, from the left and from below.
std::vector<Point> foldsOf(const Drawing& drawing) {
  std::vector<Point> folds;
  for (const Shape& shape : drawing.shapes) {
    if (shape.line != LineKind::Hole) continue;
    const Box box = boundsOf(shape.points);
    folds.push_back({(box.left + box.right) / 2, (box.bottom + box.top) / 2});
  }
  return folds;
}
double farthest(const std::vector<Point>& folds) {
  double right = 0.0;
  for (const Point& fold : folds) right = std::max(right, fold.x);
  return right;
}
Box boardsOf(const Drawing& drawing) {
  Box all{1e9, 1e9, -1e9, -1e9};
  for (const Shape& shape : drawing.shapes)
    if (shape.matter == Matter::Board) {
      const Box box = boundsOf(shape.points);
      all = {std::min(all.left, box.left), std::min(all.bottom, box.bottom),
             std::max(all.right, box.right), std::max(all.top, box.top)};
    }
  return all;
}

// From the case's own sizes the fold comes round the board's edge, within what the rule rounds.
TEST(Wrapped, aJacketFromTheCaseFitsIt) {
  const Plan plan = planOf(jacketed()).plan;
  const Drawing drawing = onTheBook(plan);
  const std::vector<Point> folds = foldsOf(drawing);
  ASSERT_EQ(folds.size(), 4U);
  const Box boards = boardsOf(drawing);
  EXPECT_NEAR(farthest(folds), boards.right, 0.5);
  EXPECT_NEAR(boards.top - boards.bottom, 25.0 + 2 * 2.4, 1e-9);
  double high = 0.0;
  for (const Point& fold : folds) high = std::max(high, fold.y);
  EXPECT_NEAR(high, boards.top + 0.4, 1e-9);  // over the covering
}

// A measured jacket that is wider than the case stands beyond it by as much, a wider spine half as
// much on either side.
RC_GTEST_PROP(Wrapped, whatAMeasuredJacketIsMoreStandsOff, ()) {
  Job job = jacketed();
  const Plan own = planOf(job).plan;
  const double more = *rc::gen::inRange(-80, 200) / 10.0, wider = *rc::gen::inRange(0, 80) / 10.0;
  job.given["jacket_cover_measured"] = {*own.number("jacket_cover") + more, {}};
  job.given["jacket_spine_measured"] = {*own.number("jacket_spine") + wider, {}};
  const auto before = foldsOf(onTheBook(own)), after = foldsOf(onTheBook(planOf(job).plan));
  RC_ASSERT(before.size() == after.size());
  RC_ASSERT(std::abs(farthest(after) - farthest(before) - more) < 1e-6);
  const auto top = [](const std::vector<Point>& folds) {
    double high = 0.0;
    for (const Point& fold : folds) high = std::max(high, fold.y);
    return high;
  };
  RC_ASSERT(std::abs(top(after) - top(before) - wider / 2) < 1e-6);
}

TEST(Wrapped, goesOverARound) {
  Job job = jacketed();
  job.given["spine_shape"] = {std::string("rounded"), {}};
  job.given["round_fraction"] = {std::string("1/3"), {}};
  const Plan plan = planOf(job).plan;
  const Drawing drawing = onTheBook(plan);
  const Box all = boundsOf(drawing);
  EXPECT_LT(all.left, -*plan.number("round_depth"));
  EXPECT_EQ(foldsOf(drawing).size(), 4U);
}

TEST(Wrapped, isThereOnlyWithAJacket) {
  const Plan plan = planOf(plainJob()).plan;
  for (const ViewRule* detail : detailsOf(plan, "jacket-flat")) EXPECT_NE(detail->id, "jacket-on");
}

}  // namespace
}  // namespace drapery::test
