// Measures dragged where they are drawn.
#include <set>

#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

class Dragging : public BenchWindow {
 protected:
  void move(QPointF to, Qt::KeyboardModifiers modifiers = {}) {
    QMouseEvent event(QEvent::MouseMove, to, table().mapToGlobal(to), Qt::NoButton,
                      held_ ? Qt::LeftButton : Qt::NoButton, modifiers);
    QApplication::sendEvent(&table(), &event);
  }
  void button(QEvent::Type type, QPointF at) {
    held_ = type == QEvent::MouseButtonPress;
    QMouseEvent event(type, at, table().mapToGlobal(at), Qt::LeftButton,
                      held_ ? Qt::LeftButton : Qt::NoButton, {});
    QApplication::sendEvent(&table(), &event);
  }
  /// Takes hold of the value and moves it so that it grows by about so much.
  QPointF take(const std::string& value, double more, Qt::KeyboardModifiers modifiers = {}) {
    const auto handle = table().handleOf(value);
    EXPECT_TRUE(handle.has_value()) << value;
    if (!handle) return {};
    move(handle->at);
    button(QEvent::MouseButtonPress, handle->at);
    const QPointF to = handle->at + more * handle->pull;
    move(to, modifiers);
    return to;
  }
  void drop(QPointF at) {
    button(QEvent::MouseButtonRelease, at);
    settle();
  }
  bool held_ = false;
};

struct Dragged {
  const char* value;
  const char* stage;
  const char* link;  // of the closer look; none
  const char* shape;
  double more;
};

// Each of these follows the hand by whole marks, is one undo step, and ends under the pointer.
TEST_F(Dragging, boardGrooveTurnInCornerRoundAndShoulderFollow) {
  for (const Dragged& each : {Dragged{"square_fore_edge", "case", nullptr, "flat", 2},
                              Dragged{"setback", "case", nullptr, "flat", 2},
                              Dragged{"margin", "case", nullptr, "flat", 5},
                              Dragged{"square_head", "case", nullptr, "flat", 3},
                              Dragged{"corner_ratio", "case", "link.corner-closer", "flat", 0.3},
                              Dragged{"round_depth", "measure", nullptr, "rounded", 2},
                              Dragged{"shoulder_height", "measure", nullptr, "backed", 2}}) {
    SCOPED_TRACE(each.value);
    Job job = plainJob();
    job.given["spine_shape"] = {std::string(each.shape), {}};
    open(job);
    window_->setStage(*stageNamed(each.stage));
    settle();
    if (each.link != nullptr) click(each.link);
    const std::string before = writeJob(saved());
    const double began = value(each.value);
    const QPointF at = take(each.value, each.more);
    const double now = value(each.value);
    EXPECT_NEAR(now, began + each.more, std::max(0.26, 0.1 * each.more));
    EXPECT_EQ(writeJob(saved()), before);  // nothing is kept while it is held
    const auto handle = table().handleOf(each.value);
    ASSERT_TRUE(handle.has_value());
    const double mark = std::hypot(handle->pull.x(), handle->pull.y()) * 0.5;
    EXPECT_LT(QLineF(handle->at, at).length(), mark + 4) << "it slipped from under the hand";
    drop(at);
    EXPECT_NE(writeJob(saved()), before);
    EXPECT_NEAR(value(each.value), now, 1e-9);
    document().undoStack()->undo();
    settle();
    EXPECT_EQ(writeJob(saved()), before);
  }
}

// Whatever can be taken hold of in any drawing of the other structures follows the hand, and stays
// under it, or what cannot be is told.
TEST_F(Dragging, inEveryDrawingOfEveryStructureTheHandIsFollowed) {
  for (const char* book : {"hive-book-stabbed", "estuary-birds", "seed-list", "ferry-accounts",
                           "tide-pocket-book", "chart-folder"}) {
    const std::string path = projectFile(std::string("demo/") + book + ".json");
    open(readJob(path, "demo").job.value());
    const double mark = document().plan().resolution.mm();
    std::set<std::string> dragged;
    const auto dragAll = [&](const std::string& view) {
      for (const InputRule& rule : document().plan().rules->inputs) {
        const auto handle = table().handleOf(rule.id);
        if (!handle || rule.kind != InputKind::Length) continue;
        SCOPED_TRACE(std::string(book) + " " + view + " " + rule.id);
        const double began = value(rule.id.c_str());
        const double more = began + 2 * mark < rule.most ? 2 * mark : -2 * mark;
        const QPointF at = take(rule.id, more);
        EXPECT_NEAR(value(rule.id.c_str()), began + more, 0.51 * mark);
        const auto now = table().handleOf(rule.id);
        ASSERT_TRUE(now.has_value());
        const double pixels = std::hypot(now->pull.x(), now->pull.y()) * mark;
        EXPECT_LT(QLineF(now->at, at).length(), pixels + 4) << "it slipped from under the hand";
        drop(at);
        document().undoStack()->undo();
        settle();
        EXPECT_NEAR(value(rule.id.c_str()), began, 1e-9);
        dragged.insert(rule.id);
      }
    };
    for (const Stage& stage : tableStages()) {
      if (!isShown((std::string("docket.") + stage.id).c_str())) continue;
      click((std::string("docket.") + stage.id).c_str());
      dragAll(stage.id);
      for (const ViewRule& view : document().plan().rules->views) {
        const std::string link = "link." + view.id;
        if (!isShown(link.c_str())) continue;
        click(link.c_str());
        dragAll(view.id);
        if (isShown("link.back")) click("link.back");
      }
    }
    EXPECT_GE(dragged.size(), 6U) << book;
  }
}

TEST_F(Dragging, standsOnMarksOfTheRuleAndFreelyWithShift) {
  openPlain();
  showCase();
  QPointF at = take("setback", 1.37);
  EXPECT_NEAR(value("setback"), 8.5, 1e-9);
  move(at, Qt::ShiftModifier);
  EXPECT_NEAR(value("setback"), 8.37, 0.011);
  drop(at);
}

TEST_F(Dragging, escapeLetsGoAndTheRangeHolds) {
  openPlain();
  showCase();
  const std::string before = writeJob(saved());
  take("setback", 3000);
  const InputRule& rule = *document().plan().rules->input("setback");
  EXPECT_NEAR(value("setback"), rule.most, 1e-9);
  table().setFocus();
  press(Qt::Key_Escape);
  EXPECT_EQ(writeJob(saved()), before);
  EXPECT_NEAR(value("setback"), 7, 1e-9);
  drop({5, 5});
  EXPECT_EQ(writeJob(saved()), before);
}

TEST_F(Dragging, whatIsMeasuredOrAMaterialsOwnCannotBe) {
  openPlain();
  for (const char* value : {"text_height", "text_width", "board_thickness"})
    EXPECT_FALSE(table().handleOf(value).has_value()) << value;
  showCase();
  for (const char* value : {"board_width", "covering_thickness", "method"})
    EXPECT_FALSE(table().handleOf(value).has_value()) << value;
}

// What was measured stays; what was only supposed is planned by the hand, and can be dragged again.
TEST_F(Dragging, aRoundIsPlannedByTheHandUntilItIsMeasured) {
  Job job = plainJob();
  job.given["spine_shape"] = {std::string("rounded"), {}};
  open(job);
  drop(take("round_depth", 1));
  const auto node = *document().plan().rules->find("round_depth");
  EXPECT_TRUE(document().plan().isPlanned(node));
  EXPECT_TRUE(table().handleOf("round_depth").has_value());
  keep("round_depth", "5");
  EXPECT_FALSE(table().handleOf("round_depth").has_value());
}

// Rules may be read anew at any moment, also while something is held.
TEST_F(Dragging, rulesThatAreReadAnewMeanwhileDoNoHarm) {
  openPlain();
  showCase();
  const QPointF at = take("setback", 1);
  workspace_->reloadRules();
  settle();
  move(at + QPointF(3, 0));
  drop(at);
  EXPECT_NEAR(value("setback"), 8, 0.51);
}

}  // namespace
}  // namespace drapery::test
