// A newcomer's way in: what is there to begin with, and what the book is for.
#include <gmock/gmock.h>

#include "core/plan/job_field.h"
#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

class WayIn : public BenchWindow {
 protected:
  void say(const char* value, const char* text) {
    auto* entry = find<QLineEdit>((std::string("wayin.") + value).c_str());
    entry->setFocus();
    entry->selectAll();
    QTest::keyClicks(entry, text);
    QTest::keyClick(entry, Qt::Key_Return);
    settle();
  }
  bool isPlanned(const char* value) {
    const Plan& plan = document().plan();
    return plan.isPlanned(*plan.rules->find(value));
  }
};

TEST_F(WayIn, hangsOnAnEmptyBlockAndKeepsSilentOnceAFigureIsTyped) {
  EXPECT_TRUE(isShown("wayin"));
  keep("text_height", "210");
  EXPECT_FALSE(isShown("wayin"));
  openPlain();
  EXPECT_FALSE(isShown("wayin"));
  click("docket.new");
  EXPECT_TRUE(isShown("wayin"));
  showCase();
  EXPECT_FALSE(isShown("wayin"));
}

TEST_F(WayIn, aWantedOutsideSizePlansTheBlock) {
  click("wayin.outside-size");
  say("board_thickness", "2.4");
  say("outside_height", "220");
  say("outside_width", "5 7/8 in");
  say("outside_thickness", "30");
  EXPECT_NEAR(value("outside_height"), 220, 1e-6);
  EXPECT_NEAR(value("outside_width"), 5.875 * 25.4, 1e-6);
  EXPECT_NEAR(value("outside_thickness"), 30, 1e-6);
  for (const char* planned : {"text_height", "text_width", "text_thickness"})
    EXPECT_TRUE(isPlanned(planned)) << planned;
  EXPECT_FALSE(isPlanned("board_thickness"));
  click("wayin.end");
  EXPECT_FALSE(isShown("wayin"));
  // Measured at last, it is no plan any more.
  keep("text_height", "213.5");
  EXPECT_FALSE(isPlanned("text_height"));
}

// Worked the other way by hand: the leaves are as high as the board less its squares.
TEST_F(WayIn, boardsThatAreCutPlanTheirBlock) {
  click("wayin.boards-cut");
  say("board_thickness", "2.5");
  say("board_height", "236");
  say("board_width", "160");
  EXPECT_NEAR(value("text_height"), 236 - 2 * 3, 1e-6);
  EXPECT_NEAR(value("board_width"), 160, 1e-6);
}

TEST_F(WayIn, aStackOfPaperGoesToTheSheet) {
  click("wayin.stack-of-paper");
  EXPECT_TRUE(find<QComboBox>("tag.sheet")->hasFocus());
}

TEST_F(WayIn, aFinishedBlockIsMeasuredAndWhatItIsForSetsTheMethod) {
  click("wayin.finished-block");
  EXPECT_TRUE(entry("text_height")->hasFocus());
  click("wayin.for.case-strip-set");
  EXPECT_EQ(document().job().method, "case-strip-set");
  EXPECT_TRUE(find<QAbstractButton>("wayin.for.case-strip-set")->isChecked());
  EXPECT_FALSE(find<QAbstractButton>("wayin.for.case-sunk-joint")->isChecked());
  EXPECT_TRUE(find("wayin.for.case-card")->accessibleDescription().contains("never"));
}

TEST_F(WayIn, whatCannotBeIsSaidThereAndKeepsNothing) {
  click("wayin.outside-size");
  for (const char* wrong : {"2 ells", "4000", "1"}) {
    say("outside_height", wrong);
    EXPECT_FALSE(document().job().given.contains("text_height")) << wrong;
    EXPECT_FALSE(find("wayin.outside_height")->accessibleDescription().isEmpty()) << wrong;
  }
  say("outside_height", "220");
  EXPECT_TRUE(find("wayin.outside_height")->accessibleDescription().isEmpty());
}

// A book of another kind is begun by what it is for, and asks what such a book begins with.
TEST_F(WayIn, anotherKindOfBookIsChosenByWhatItIsFor) {
  click("docket.new");
  click("wayin.kind");
  EXPECT_FALSE(isShown("kinds.take.case-card"));  // one for each kind
  EXPECT_TRUE(isShown("kinds.take.stab-boarded"));
  click("kinds.use.class");
  EXPECT_TRUE(isShown("kinds.take.stab-plain"));  // of its kind the one that serves
  EXPECT_FALSE(isShown("kinds.take.stab-boarded"));
  click("kinds.use.class");
  click("kinds.use.both-sides");
  EXPECT_THAT(find("kinds.take.concertina")->accessibleDescription().toStdString(),
              ::testing::HasSubstr("never sewn"));
  EXPECT_LT(find("kinds.take.concertina")->y(), find("kinds.take.spring-back")->y() + 1);
  click("kinds.take.concertina");
  EXPECT_EQ(document().job().method, "concertina");
  EXPECT_TRUE(isShown("wayin.blank-book"));
  EXPECT_TRUE(isShown("tag.pictures"));
  EXPECT_TRUE(isShown("docket.folds"));
  EXPECT_FALSE(isShown("docket.case"));
}

// The same leaves in another kind of book; taken back, all is as it was.
TEST_F(WayIn, aMeasuredBookBecomesAnotherKindOfTheSameLeaves) {
  openPlain();
  document().keep("allowances/rod_diameter", Entry{5.0, {}});
  settle();
  const std::string before = writeJob(document().job());
  click("docket.measure");
  click("link.all-kinds");
  EXPECT_FALSE(find("kinds.take.case-sunk-joint")->isEnabled());
  click("kinds.use.lies-flat");  // those that serve come first
  click("kinds.take.soft-slotted");
  EXPECT_EQ(document().job().method, "soft-slotted");
  EXPECT_EQ(value("text_height"), 210);
  EXPECT_EQ(value("text_width"), 144);
  EXPECT_EQ(value("spine_thickness"), 25);
  EXPECT_FALSE(document().job().allowances.contains("rod_diameter"));
  EXPECT_TRUE(isShown("tag.card_thickness"));
  document().undoStack()->undo();
  settle();
  EXPECT_EQ(writeJob(document().job()), before);
}

}  // namespace
}  // namespace drapery::test
