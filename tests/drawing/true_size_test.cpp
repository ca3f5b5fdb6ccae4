// Templates follow the book: any book's are sound, and a structure's holes and folds stand on its
// pieces without a word of C++.
#include "core/drawing/true_size.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>

#include "core/plan/planner.h"
#include "tests/support/books.h"
#include "words/finding_words.h"

namespace drapery::test {
namespace {

const TrueSize* named(const std::vector<TrueSize>& all, const std::string& id) {
  const auto found =
      std::find_if(all.begin(), all.end(), [&](const TrueSize& each) { return each.id == id; });
  return found == all.end() ? nullptr : &*found;
}

RC_GTEST_PROP(TrueSizes, ofAnyBookAreSound, ()) {
  const Plan plan = planOf(*anyJob(*rc::gen::elementOf(kMethods))).plan;
  for (const TrueSize& thing : trueSizes(plan)) {
    RC_ASSERT(thing.width.mm() > 0.0 && thing.height.mm() > 0.0);
    if (thing.rule != nullptr) RC_ASSERT(thing.says.size() == thing.rule->says.expressions.size());
    for (const Shape& shape : thing.drawing.shapes)
      for (const Point& point : shape.points) {
        RC_ASSERT(point.x >= -1e-6 && point.x <= thing.width.mm() + 1e-6);
        RC_ASSERT(point.y >= -1e-6 && point.y <= thing.height.mm() + 1e-6);
      }
    // A strip is as wide as the length that it gives.
    const bool isStrip = thing.gives && thing.drawing.shapes.size() == 1 &&
                         thing.drawing.shapes.front().points.size() == 4;
    if (isStrip)
      RC_ASSERT(std::min(std::abs(thing.width.mm() - thing.gives->mm()),
                         std::abs(thing.height.mm() - thing.gives->mm())) < 1e-6);
  }
}

// The long edge lies at 45 degrees, and as far from the notch as the corner is cut.
TEST(TrueSizes, theCornerGuideIsSquareToTheCorner) {
  Job job = plainJob();
  job.allowances["margin"] = {std::string("31 mm"), {}};
  const Plan plan = planOf(job).plan;
  const auto all = trueSizes(plan);
  const TrueSize* guide = named(all, "corner-guide");
  ASSERT_NE(guide, nullptr);
  const std::vector<Point>& edge = guide->drawing.shapes.front().points;
  ASSERT_EQ(edge.size(), 5U);
  std::size_t longest = 0;
  const auto length = [&](std::size_t i) {
    const Point &a = edge[i], &b = edge[(i + 1) % 5];
    return std::hypot(b.x - a.x, b.y - a.y);
  };
  for (std::size_t i = 1; i < 5; ++i)
    if (length(i) > length(longest)) longest = i;
  const Point &a = edge[longest], &b = edge[(longest + 1) % 5];
  EXPECT_NEAR(std::abs(b.x - a.x), std::abs(b.y - a.y), 1e-9);
  const Point& notch = edge[(longest + 3) % 5];  // across from it
  const double off =
      std::abs((b.x - a.x) * (notch.y - a.y) - (b.y - a.y) * (notch.x - a.x)) / length(longest);
  EXPECT_NEAR(off, valueOf(plan, "corner_distance"), 1e-9);
  EXPECT_EQ(named(all, "corner-notch-guide"), nullptr);
}

TEST(TrueSizes, holesOfAStructureStandOnItsPiece) {
  Job job = plainJob("stab-plain");
  job.allowances["row_kind"] = {std::string("single_row"), {}};
  const Plan plan = planOf(job).plan;
  const auto all = trueSizes(plan);
  const TrueSize* card = named(all, "piece/hole_template");
  ASSERT_NE(card, nullptr);
  std::vector<double> ups;
  for (const Shape& shape : card->drawing.shapes)
    if (shape.line == LineKind::Hole) {
      const Box box = boundsOf(shape.points);
      EXPECT_NEAR((box.left + box.right) / 2, 25.4 / 2, 1e-9);
      ups.push_back((box.bottom + box.top) / 2);
    }
  ASSERT_EQ(static_cast<double>(ups.size()), valueOf(plan, "hole_count"));
  EXPECT_NEAR(ups.front(), 165 + 2 * 1.6 - 25.4, 1e-9);  // from the head
  EXPECT_NEAR(ups.back(), 25.4, 1e-9);
  EXPECT_NE(named(all, "label/board/2"), nullptr);
}

TEST(TrueSizes, anArtworkThatIsReversedIsMirrored) {
  Job job = plainJob();
  job.allowances["with_jacket"] = {std::string("with"), {}};
  const Plan left = planOf(job).plan;
  job.allowances["jacket_opens"] = {std::string("right_to_left"), {}};
  const Plan right = planOf(job).plan;
  const Artwork a = artworksOn(left).at(0), b = artworksOn(right).at(0);
  ASSERT_EQ(a.panels.size(), b.panels.size());
  for (std::size_t i = 0; i < a.panels.size(); ++i) {
    const auto& mirrored = b.panels[b.panels.size() - 1 - i];
    EXPECT_EQ(a.panels[i].rule->id, mirrored.rule->id);
    EXPECT_NEAR(a.panels[i].left, b.width() - mirrored.right(), 1e-9);
  }
  EXPECT_EQ(a.closes(), 0.0);
  // Folds on the sheet are the plan's own running marks, before they are rounded.
  for (const PlannedMark& mark : left.marks) {
    if (mark.rule->id != "jacket_folds") continue;
    for (std::size_t i = 0; i < a.folds().size(); ++i)
      EXPECT_NEAR(mark.places[i].at.exact.mm(), a.folds()[i], 1e-9);
  }
}

// What is laid on the pile has every hole of the plan at its place, numbered from the head, and
// says where its head and its front are. The numbers stand beside the holes, not on them.
RC_GTEST_PROP(AnyStabTemplate, hasEveryHoleNumbered, ()) {
  const Plan plan =
      planOf(*anyJob(*rc::gen::element<std::string>("stab-boarded", "stab-plain"))).plan;
  const std::vector<TrueSize> all = trueSizes(plan);
  const auto holes = std::find_if(all.begin(), all.end(),
                                  [](const TrueSize& thing) { return thing.id == "holes"; });
  RC_PRE(holes != all.end());
  const auto series = std::find_if(plan.series.begin(), plan.series.end(),
                                   [](const auto& each) { return each.rule->id == "hole"; });
  RC_ASSERT(series != plan.series.end());
  std::vector<Point> drawn;
  for (const Shape& shape : holes->drawing.shapes)
    if (shape.line == LineKind::Hole) {
      const Box box = boundsOf(shape.points);
      drawn.push_back({(box.left + box.right) / 2, (box.bottom + box.top) / 2});
    }
  RC_ASSERT(drawn.size() == series->rows.size());
  RC_ASSERT(double(drawn.size()) == plan.number("hole_count").value_or(0));
  std::vector<std::string> said;
  for (const TrueSizeLabel& label : holes->labels)
    said.push_back(filledWords(*label.says, label.figures, {}));
  RC_ASSERT(std::count(said.begin(), said.end(), "head") == 1);
  RC_ASSERT(std::count(said.begin(), said.end(), "front") == 1);
  if (said.size() == 2U) return;  // too near one another for numbers
  RC_ASSERT(said.size() == drawn.size() + 2);
  const double strip = plan.number("hinge_strip").value_or(0);  // however narrow it is
  RC_ASSERT(strip > 0);
  for (std::size_t i = 0; i < drawn.size(); ++i) {
    RC_ASSERT(said[i] == std::to_string(i + 1));
    RC_ASSERT(std::abs(holes->labels[i].at.y - drawn[i].y) < 1e-6);
    RC_ASSERT(std::abs(holes->labels[i].at.x - drawn[i].x) > 0.1 * strip);
    if (i > 0) RC_ASSERT(drawn[i].y < drawn[i - 1].y);
  }
}

}  // namespace
}  // namespace drapery::test
