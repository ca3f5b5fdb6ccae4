// Whatever is taken hold of in a drawing: covers, folds, a spring.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

#include "core/drawing/draw_view.h"
#include "store/job_file.h"
#include "tests/support/books.h"

namespace drapery {
namespace {

using test::anyJob;
using test::planOf;

double lengthOf(const Shape& shape) {
  double length = 0.0;
  for (std::size_t i = 1; i < shape.points.size(); ++i)
    length += std::hypot(shape.points[i].x - shape.points[i - 1].x,
                         shape.points[i].y - shape.points[i - 1].y);
  return length;
}

/// What is cut through or folded, each as long as it is, in the order in which it is drawn.
std::vector<double> lengthsOf(const Drawing& drawing, const std::vector<std::string>& subjects) {
  std::vector<double> lengths;
  for (const Shape& shape : drawing.shapes)
    if (!shape.isClosed && (shape.line == LineKind::Section || shape.line == LineKind::Cut) &&
        std::find(subjects.begin(), subjects.end(), shape.subject.id) != subjects.end())
      lengths.push_back(lengthOf(shape));
  return lengths;
}

constexpr double kPixel = 1.0 / 1500;  // of a drawing as large as a window

// However it is turned the drawing stays in its place, so that nothing jumps and the tags hang
// still; and it goes no further than it goes.
RC_GTEST_PROP(AnyTurnedDrawing, staysInItsPlace, ()) {
  const Plan plan = planOf(*anyJob(*rc::gen::elementOf(test::kMethods))).plan;
  const double turn = *rc::gen::inRange(0, 361);
  for (const ViewRule& view : plan.rules->views) {
    if (!view.when.formula.holds(plan.table())) continue;
    const Drawing shut = drawView(view, plan, {0, false});
    if (!shut.grip) continue;
    const Drawing turned = drawView(view, plan, {turn, false});
    const Box a = boundsOf(shut), b = boundsOf(turned);
    RC_LOG() << view.id;
    for (const double off :
         {a.left - b.left, a.right - b.right, a.top - b.top, a.bottom - b.bottom})
      RC_ASSERT(std::abs(off) < kPixel * std::max(a.width(), a.height()));
    RC_ASSERT(turned.grip->turn <= turned.grip->most + 1e-9);
    RC_ASSERT(turned.grip->most <= turned.grip->whole + 1e-9);
    RC_ASSERT(shut.tags.size() == turned.tags.size());
    for (std::size_t i = 0; i < shut.tags.size(); ++i)
      RC_ASSERT(std::hypot(shut.tags[i].anchor.x - turned.tags[i].anchor.x,
                           shut.tags[i].anchor.y - turned.tags[i].anchor.y) < 1e-9);
    // The handle is where the arm that turns says.
    const Point hinge = turned.grip->hinge, at = turned.grip->at;
    RC_ASSERT(std::isfinite(hinge.x + hinge.y + at.x + at.y));
  }
}

// A measuring line in a drawing to scale is as long as the figure that hangs on it.
RC_GTEST_PROP(AnyDrawing, itsMeasuringLinesAreAsLongAsTheySay, ()) {
  const Job job = *anyJob(*rc::gen::elementOf(test::kMethods));
  const Plan plan = planOf(job).plan;
  std::string wrong;
  for (const ViewRule& view : plan.rules->views) {
    // A jacket on its book is measured round the boards' edges.
    const bool isMeasured =
        (view.spec->isToScale && view.figure != "wrapped") || view.figure == "lever";
    // What is not known yet is drawn at a usual size, dashed.
    const bool isKnown = std::none_of(view.bound.begin(), view.bound.end(), [&](const auto& bound) {
      return std::isnan(bound.formula.evaluate(plan.table()));
    });
    if (!isMeasured || !isKnown || !view.when.formula.holds(plan.table())) continue;
    for (const TagSpot& tag : drawView(view, plan).tags) {
      const auto value = plan.number(tag.subject.id);
      const double line = std::hypot(tag.to.x - tag.from.x, tag.to.y - tag.from.y);
      const auto node = plan.rules->find(tag.subject.id);
      const bool isLength = node && plan.rules->nodes[*node].unit == Unit::Millimetre;
      if (line == 0.0 || !value || !isLength ||
          std::abs(line - std::abs(*value)) < 1e-6 * (1.0 + line))
        continue;
      wrong += view.id + " " + tag.subject.id + ": " + std::to_string(*value) + " drawn " +
               std::to_string(line) + "\n";
    }
  }
  RC_LOG() << plan.rules->id << "\n" << wrong << writeJob(job);
  RC_ASSERT(wrong.empty());
}

const ViewRule* viewOf(const Plan& plan, const std::string& id) {
  for (const ViewRule& view : plan.rules->views)
    if (view.id == id && view.when.formula.holds(plan.table())) return &view;
  return nullptr;
}

// Paper, card and a spring's board grow no longer by being turned.
RC_GTEST_PROP(AnyTurnedDrawing, nothingGrowsLonger, ()) {
  struct Turned {
    const char *method, *view;
    std::vector<std::string> subjects;
  };
  const auto of = *rc::gen::element(
      Turned{"paperback-wrapper", "lifted-closer", {"wrapper"}},
      Turned{"paperback-wrapper", "folded-closer", {"wrapper"}},
      Turned{"soft-slotted", "lifted-closer", {"cover"}},
      Turned{"spring-back", "spring-on-closer", {"spring"}},
      Turned{"concertina", "pulled-closer", {"strip_last"}},
      Turned{"stab-boarded", "hinge-turned-closer", {"covering_thickness", "text_block"}});
  const Plan plan = planOf(*anyJob(of.method)).plan;
  const ViewRule* view = viewOf(plan, of.view);
  RC_PRE(view != nullptr);
  const auto at = [&](double turn) {
    return lengthsOf(drawView(*view, plan, {turn, false}), of.subjects);
  };
  const std::vector<double> shut = at(1.0), turned = at(*rc::gen::inRange(1, 181));
  RC_PRE(!shut.empty());
  RC_ASSERT(shut.size() == turned.size());
  RC_LOG() << of.method;
  for (std::size_t i = 0; i < shut.size(); ++i)
    RC_ASSERT(std::abs(shut[i] - turned[i]) < 1e-6 * (1.0 + shut[i]));
}

// A wrapper goes down round its leaves at its second and third crease, and lifts at the first and
// fourth, the other way; its first part is its crease spacing from the next (common practice).
RC_GTEST_PROP(AnyWrapper, foldsAtFourCreasesInTheirDirections, ()) {
  const Plan plan = planOf(*anyJob("paperback-wrapper")).plan;
  const ViewRule* view = viewOf(plan, "folded-closer");
  RC_PRE(view != nullptr);
  const auto at = [&](double turn) {
    for (const Shape& shape : drawView(*view, plan, {turn, false}).shapes)
      if (shape.subject.id == "wrapper" && shape.line == LineKind::Section) return shape.points;
    return std::vector<Point>{};
  };
  RC_PRE(!at(0.0).empty());
  const auto bend = [](const std::vector<Point>& card, std::size_t i) {
    const Point a = card[i - 1], b = card[i], c = card[i + 1];
    return std::atan2((b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x),
                      (b.x - a.x) * (c.x - b.x) + (b.y - a.y) * (c.y - b.y));
  };
  constexpr double kDegree = 3.14159265358979 / 180.0;
  const int turn = *rc::gen::inRange(0, 181);
  const std::vector<Point> card = at(turn);
  RC_ASSERT(card.size() == 6);
  const double down = std::min(turn, 90) * kDegree, lifted = std::max(turn - 90, 0) * kDegree;
  for (const std::size_t mountain : {2U, 3U})
    RC_ASSERT(std::abs(bend(card, mountain) + down) < 1e-6);
  for (const std::size_t valley : {1U, 4U}) RC_ASSERT(std::abs(bend(card, valley) - lifted) < 1e-6);
  const double spacing = std::hypot(card[2].x - card[1].x, card[2].y - card[1].y);
  RC_ASSERT(std::abs(spacing - *plan.number("crease_spacing")) < 1e-6);
}

}  // namespace
}  // namespace drapery
