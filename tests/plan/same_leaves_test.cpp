#include "core/plan/same_leaves.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/drawing/draw_view.h"
#include "tests/support/books.h"

namespace drapery {
namespace {

const RuleLibrary& library() {
  static const RuleLibrary kLibrary;
  return kLibrary;
}

// Whatever the leaves, each kind of book is made of them, wants no other measure, and is drawn: its
// cover covers them, and no picture stands for a book that cannot be planned.
RC_GTEST_PROP(AnyLeaves, makeABookOfEachKind, ()) {
  Leaves leaves;
  leaves.height = Length::fromMm(*rc::gen::inRange(90, 400));
  leaves.width = Length::fromMm(*rc::gen::inRange(80, 300));
  leaves.thickness = Length::fromMm(*rc::gen::inRange(4, 60));
  for (const KindOfBook& kind : kindsOfBooks(library(), {})) {
    RC_LOG() << kind.rules->id << "\n";
    const auto outcome = Planner(kind.rules).plan(jobOfLeaves(*kind.rules, leaves));
    RC_ASSERT(outcome.issues.empty());
    const Leaves back = leavesOf(outcome.plan);
    RC_ASSERT(std::abs((back.height - leaves.height).mm()) < 1e-9);
    RC_ASSERT(std::abs((back.width - leaves.width).mm()) < 1e-9);
    const ViewRule* portrait = nullptr;
    for (const ViewRule& view : kind.rules->views)
      if (view.id == "portrait") portrait = &view;
    RC_ASSERT(portrait != nullptr);
    const Drawing drawing = drawView(*portrait, outcome.plan);
    RC_ASSERT(!drawing.shapes.empty());
    const Box face = boundsOf(drawing.shapes.front().points);
    RC_ASSERT(face.height() >= leaves.height.mm() - 1e-9);
    RC_ASSERT(face.height() < leaves.height.mm() + 30.0);
    RC_ASSERT(face.width() < leaves.width.mm() + 40.0);
  }
}

std::vector<std::string> serving(const std::vector<std::string>& uses) {
  std::vector<std::string> ids;
  for (const KindOfBook& kind : kindsOfBooks(library(), uses))
    if (kind.serves) ids.push_back(kind.rules->id);
  return ids;
}

// Common practice: what writing, standing and an hour of class ask for.
TEST(KindsOfBooks, areFoundByWhatTheyAreFor) {
  EXPECT_EQ(kindsOfBooks(library(), {}).size(), 7U);
  EXPECT_THAT(serving({"written", "lies-flat"}),
              ::testing::ElementsAre("spring-back", "soft-slotted"));
  EXPECT_THAT(serving({"both-sides"}), ::testing::ElementsAre("concertina"));
  EXPECT_THAT(serving({"class"}), ::testing::ElementsAre("case-fixed-gap", "stab-plain"));
  EXPECT_THAT(serving({"written", "both-sides"}), ::testing::IsEmpty());
}

// A use that no one knows is told with those that there are.
TEST(KindsOfBooks, anUnknownUseIsToldInItsPlace) {
  const TomlFile file{"odd.toml",
                      "schema = \"drapery-method/1\"\nid = \"odd\"\ntitle = \"Odd\"\nserves = "
                      "[\"read\", \"swim\"]\n",
                      {}};
  const LoadedRules loaded = loadRules(
      file, [](std::string_view) { return std::nullopt; }, FormulaCheck::Full);
  ASSERT_FALSE(loaded.issues.empty());
  EXPECT_EQ(loaded.issues.front().id, IssueId("value-not-allowed"));
  EXPECT_EQ(loaded.issues.front().where.line, 4);
}

TEST(KindsOfBooks, leavesOfAnUnknownInputAreToldInTheirPlace) {
  const std::string shipped = std::string(library().source("soft-slotted")->text);
  std::string wrong = shipped;
  wrong.replace(wrong.find("leaves = { text_height"), 22, "leaves = { text_hight ");
  const LoadedRules loaded = loadRules(
      {"soft-slotted.toml", wrong, {}},
      [](std::string_view base) { return library().source(base); }, FormulaCheck::Full);
  ASSERT_EQ(loaded.issues.size(), 1U);
  EXPECT_EQ(loaded.issues.front().id, IssueId("key-unknown"));
  EXPECT_GT(loaded.issues.front().where.line, 1);
}

}  // namespace
}  // namespace drapery
