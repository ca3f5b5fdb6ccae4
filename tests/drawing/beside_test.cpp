// What lies beside a structure's pieces: a second cover mirrored, folds in a slot, tapes between
// cloth, a wrapper's print.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>

#include "core/drawing/draw_view.h"
#include "tests/support/books.h"

namespace drapery::test {
namespace {

constexpr double kSame = 1e-6;

const ViewRule* viewNamed(const Plan& plan, std::string_view id) {
  for (const ViewRule& view : plan.rules->views)
    if (view.id == id) return &view;
  return nullptr;
}

bool isBox(const Box& a, const Box& b) {
  return std::abs(a.left - b.left) < kSame && std::abs(a.right - b.right) < kSame &&
         std::abs(a.bottom - b.bottom) < kSame && std::abs(a.top - b.top) < kSame;
}

Box boxOf(const Shape& shape) {
  Drawing alone;
  alone.shapes = {shape};
  return boundsOf(alone);
}

// The back cover is the front one's mirror image: every piece of it, about one line.
RC_GTEST_PROP(AnyPairOfCovers, isMirrored, ()) {
  const Plan plan =
      planOf(*anyJob(*rc::gen::element<std::string>("stab-boarded", "stab-plain"))).plan;
  const double axis = -plan.number("margin").value_or(0.0) / 4;
  const ViewRule& view = *viewNamed(plan, "pair-closer");
  if (!view.when.formula.holds(plan.table())) return;  // soft covers have no boards
  const Drawing drawing = drawView(view, plan);
  int mirrored = 0;
  for (const Shape& ghost : drawing.shapes) {
    if (ghost.line != LineKind::Hidden || ghost.subject.kind != Subject::Kind::Part) continue;
    const PlannedPart* part = plan.part(ghost.subject.id);
    if (part == nullptr || part->places.empty()) continue;
    const Box back = boxOf(ghost);
    const Point at = part->places.front().at;
    RC_ASSERT(isBox({2 * axis - back.right, back.bottom, 2 * axis - back.left, back.top},
                    {at.x, at.y, at.x + part->width.mm(), at.y + part->height.mm()}));
    ++mirrored;
  }
  const auto there = std::count_if(view.layers.begin(), view.layers.end(), [&](const auto& id) {
    const PlannedPart* part = plan.part(id);
    return part != nullptr && !part->places.empty();
  });
  RC_ASSERT(mirrored == there);
}

// Cloth and tapes fill the spine from tail to head, none over another.
RC_GTEST_PROP(AnySpringBack, hasClothAndTapesFromTailToHead, ()) {
  const Plan plan = planOf(*anyJob("spring-back")).plan;
  const double height = plan.number("block_height").value_or(0.0);
  const double end = plan.number("clothing_end_height").value_or(0.0);
  const double tape = plan.number("sewing_tape_width").value_or(0.0);
  const double between = plan.number("clothing_mid_height").value_or(0.0);
  for (const PlannedSeries& series : plan.series) {
    if (series.rule->id != "tape" || series.rows.empty()) continue;
    const auto count = static_cast<double>(series.rows.size());
    RC_ASSERT(std::abs(2 * end + count * tape + (count - 1) * between - height) < kSame);
  }
}

// A title in the middle of its printed panel stands where the wrapper's own figure says.
RC_GTEST_PROP(AnyWrapper, isPrintedWhereItsTitlesStand, ()) {
  const Plan plan = planOf(*anyJob("paperback-wrapper")).plan;
  const auto number = [&](const char* name) { return plan.number(name).value_or(0.0); };
  RC_ASSERT(plan.rules->artworks.size() == 1U);
  const ArtworkRule& artwork = plan.rules->artworks.front();
  if (!artwork.when.formula.holds(plan.table())) return;
  std::vector<double> widths;
  for (const ArtworkPanel& panel : artwork.panels)
    widths.push_back(panel.width.formula.evaluate(plan.table()));
  const bool isReversed = artwork.reversed.formula.holds(plan.table());
  const double trimmedLeft = number("crease_2") - number("block_width");
  const double front = isReversed ? widths[2] / 2 : widths[0] + widths[1] + widths[2] / 2;
  RC_ASSERT(std::abs(trimmedLeft + front - number("title_front_x")) < kSame);
  const double spine = (isReversed ? widths[2] : widths[0]) + widths[1] / 2;
  RC_ASSERT(std::abs(trimmedLeft + spine - number("title_spine_x")) < kSame);
  // The print goes on over all that is trimmed off.
  const double bleed = artwork.bleed.formula.evaluate(plan.table());
  for (const char* trim : {"trim_head", "trim_tail", "trim_fore_edge"})
    RC_ASSERT(bleed >= number(trim) + number("wrapper_over") - kSame);
}

// As many folds as sections, the first beside the front, all within the spine.
RC_GTEST_PROP(AnySlottedSpine, numbersItsFoldsFromTheFront, ()) {
  const Plan plan = planOf(*anyJob("soft-slotted")).plan;
  for (const PlannedSeries& series : plan.series) {
    if (series.rule->id != "section_fold") continue;
    RC_ASSERT(static_cast<double>(series.rows.size()) == plan.number("sections").value_or(0.0));
    const Drawing drawing = drawView(*viewNamed(plan, "spine-closer"), plan);
    const double from = plan.number("cover_panel").value_or(0.0);
    const double to = plan.number("score_2").value_or(0.0);
    double before = to;
    for (const DrawingLabel& label : drawing.labels) {
      if (label.figures.empty()) continue;
      RC_ASSERT(label.at.x < before);
      RC_ASSERT(label.at.x > from);
      before = label.at.x;
    }
  }
}

}  // namespace
}  // namespace drapery::test
