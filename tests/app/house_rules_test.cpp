// House rules in the window: a rule made our own in its note, checked as it is typed.
#include <QPlainTextEdit>
#include <filesystem>
#include <fstream>

#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

class HouseRules : public BenchWindow {
 protected:
  HouseRules() {
    methods_ = folder_.path() + "/methods";
    begin(methods_);
    openPlain();
    showCase();
  }
  void makeOurOwn(const char* value) {
    entry(value)->setFocus();
    settle();
    press(Qt::Key_F2);
  }
  QPlainTextEdit* text(const char* key) {
    return find<QPlainTextEdit>((std::string("ruleeditor.") + key).c_str());
  }
  void write(const char* key, const char* words) {
    text(key)->selectAll();
    QTest::keyClicks(text(key), words);
    settle();
  }
  QString told() { return find<QLabel>("ruleeditor.told")->text(); }
  std::string file() { return readFile(methods_ + "/case-sunk-joint-house.toml"); }

  std::string methods_;
};

TEST_F(HouseRules, aFormulaIsChangedInItsNoteCheckedDrawnKeptAndUndone) {
  const double before = value("board_width");
  makeOurOwn("board_width");
  EXPECT_EQ(saved().method, "case-sunk-joint");  // asking changes nothing
  EXPECT_TRUE(text("formula")->toPlainText().contains("block_width - setback"));
  write("formula", "block_width - setback + square_fore_edge + 1 mm");
  EXPECT_NEAR(value("board_width"), before + 1, 1e-9);  // drawn while it is typed
  EXPECT_TRUE(told().contains("by the former"));
  EXPECT_FALSE(std::filesystem::exists(methods_));  // and not yet written
  QTest::keyClick(text("formula"), Qt::Key_Return);
  settle();
  EXPECT_EQ(saved().method, "case-sunk-joint-house");
  EXPECT_NE(file().find("+ 1 mm"), std::string::npos);
  EXPECT_NEAR(value("board_width"), before + 1, 1e-9);
  document().undoStack()->undo();  // one step: the rule and the book's going by it
  settle();
  EXPECT_EQ(saved().method, "case-sunk-joint");
  EXPECT_EQ(file().find("+ 1 mm"), std::string::npos);
  EXPECT_NEAR(value("board_width"), before, 1e-9);
  document().undoStack()->redo();
  settle();
  EXPECT_NEAR(value("board_width"), before + 1, 1e-9);
}

TEST_F(HouseRules, aMistakeIsUnderlinedWhereItStandsWithItsReason) {
  const double before = value("board_width");
  makeOurOwn("board_width");
  for (const auto& [wrong, words, at] : {std::tuple{"block_width + widht", "widht", 14},
                                         {"block_width + 3", "3", 14},
                                         {"block_width +", "", 0},
                                         {"block_width > 2 mm", "", 0}}) {
    write("formula", wrong);
    EXPECT_TRUE(told().contains(words) && !told().isEmpty()) << wrong;
    EXPECT_FALSE(text("formula")->extraSelections().isEmpty()) << wrong;
    const auto marks = text("formula")->extraSelections();
    if (at > 0 && !marks.isEmpty()) {
      EXPECT_EQ(marks.first().cursor.selectionStart(), at) << wrong;
    }
    EXPECT_NEAR(value("board_width"), before, 1e-9) << wrong;
    QTest::keyClick(text("formula"), Qt::Key_Return);
    settle();
    EXPECT_FALSE(std::filesystem::exists(methods_)) << wrong;
  }
  QTest::keyClick(text("formula"), Qt::Key_Escape);
  settle();
  EXPECT_FALSE(isShown("ruleeditor"));
  EXPECT_NEAR(value("board_width"), before, 1e-9);
}

TEST_F(HouseRules, aDefaultIsOursAndTakenOutAgain) {
  makeOurOwn("setback");
  write("default", "8 mm");
  EXPECT_NEAR(value("setback"), 8, 1e-9);
  QTest::keyClick(text("default"), Qt::Key_Return);
  settle();
  EXPECT_NEAR(value("setback"), 8, 1e-9);
  makeOurOwn("setback");
  click("ruleeditor.back");
  EXPECT_NEAR(value("setback"), 7, 1e-9);
  EXPECT_EQ(file().find("8 mm"), std::string::npos);
}

// Rules that others changed on disk are taken up, and an edit is made on those.
TEST_F(HouseRules, anEditIsMadeOnWhatTheFileSaysNow) {
  makeOurOwn("setback");
  write("default", "8 mm");
  QTest::keyClick(text("default"), Qt::Key_Return);
  settle();
  std::ofstream(methods_ + "/case-sunk-joint-house.toml", std::ios::app)
      << "\n[[allowance]]\nid = \"square_head\"\ndefault = \"4 mm\"\n";
  workspace_->reloadRules();
  settle();
  EXPECT_NEAR(value("square_head"), 4, 1e-9);
  makeOurOwn("setback");
  write("default", "9 mm");
  QTest::keyClick(text("default"), Qt::Key_Return);
  settle();
  EXPECT_NEAR(value("setback"), 9, 1e-9);
  EXPECT_NEAR(value("square_head"), 4, 1e-9);
}

TEST_F(HouseRules, aFindingsLimitIsMovedInItsNote) {
  Job job = plainJob();
  job.given["text_height"].readings = {{209.0, "spine", ""}, {211.0, "middle", ""}};
  open(job);
  window_->setStage(*stageNamed("measure"));
  settle();
  ASSERT_TRUE(notes().contains("2 mm apart"));
  click("rule.height-uneven");
  write("when", "text_height.spread >= 3 mm");
  QTest::keyClick(text("when"), Qt::Key_Return);
  settle();
  EXPECT_FALSE(notes().contains("2 mm apart"));
}

// The notes stand still only while something is typed, and never for another book.
TEST_F(HouseRules, theEditorGoesWithWhatItIsAbout) {
  makeOurOwn("board_width");
  entry("setback")->setFocus();
  settle();
  EXPECT_FALSE(isShown("ruleeditor"));
  EXPECT_TRUE(notes().contains("Set-back"));
  makeOurOwn("board_width");
  write("formula", "block_width");
  entry("setback")->setFocus();
  settle();
  EXPECT_TRUE(isShown("ruleeditor"));  // what is typed is not lost
  openPlain();
  EXPECT_FALSE(isShown("ruleeditor"));
  EXPECT_EQ(saved().method, "case-sunk-joint");
  EXPECT_FALSE(std::filesystem::exists(methods_));
}

// Tried, what comes out otherwise stands over what is there, at one scale; the rest waits.
TEST_F(HouseRules, theBookIsDrawnByTheChangedRuleAndUnderItAsItIs) {
  const QString usual = table().accessibleDescription();
  makeOurOwn("square_fore_edge");
  write("default", "9 mm");
  EXPECT_EQ(table().accessibleDescription(), "By the changed rule; By the rule as it is");
  const auto& shown = table().panels().shown();
  ASSERT_EQ(shown.size(), 2U);
  EXPECT_EQ(shown[0].panel.drawing.id, shown[1].panel.drawing.id);
  EXPECT_NEAR(shown[0].toTable.m11(), shown[1].toTable.m11(), 1e-9);
  EXPECT_NEAR(shown[0].onTable({0, 0}).x(), shown[1].onTable({0, 0}).x(), 1e-6);
  EXPECT_FALSE(shown[0].drawn().intersects(shown[1].drawn()));
  EXPECT_NEAR(boundsOf(shown[0].panel.drawing).right - boundsOf(shown[1].panel.drawing).right, 6,
              0.6);
  write("default", "9 mm +");  // no rule: as it was
  EXPECT_EQ(table().accessibleDescription(), usual);
  write("default", "8 mm");
  QTest::keyClick(text("default"), Qt::Key_Return);
  settle();
  EXPECT_EQ(table().accessibleDescription(), usual);
}

TEST_F(HouseRules, whatIsTypedAndTheCloserLookComeThroughAnotherTheme) {
  click("link.joint-closer");
  const double before = value("rod_diameter");
  makeOurOwn("rod_diameter");
  write("default", "5 mm");
  press(Qt::Key_B, Qt::ControlModifier);
  settle();
  EXPECT_EQ(text("default")->toPlainText(), "5 mm");
  EXPECT_NEAR(value("rod_diameter"), 5, 1e-9);
  EXPECT_FALSE(table().closerLook().empty());
  QTest::keyClick(text("default"), Qt::Key_Escape);
  settle();
  EXPECT_NEAR(value("rod_diameter"), before, 1e-9);
  EXPECT_FALSE(table().closerLook().empty());
}

TEST_F(HouseRules, aFindingsWordsAreChanged) {
  Job job = plainJob();
  job.given["text_height"].readings = {{209.0, "spine", ""}, {211.0, "middle", ""}};
  open(job);
  window_->setStage(*stageNamed("measure"));
  settle();
  click("rule.height-uneven");
  write("says", "Here {text_height.spread} is too much.");
  write("do", "Ask at the bench.");
  QTest::keyClick(text("do"), Qt::Key_Return);
  settle();
  EXPECT_TRUE(notes().contains("Here 2 mm is too much.")) << notes().toStdString();
  EXPECT_TRUE(notes().contains("Ask at the bench."));
  document().undoStack()->undo();  // both at once
  settle();
  EXPECT_TRUE(notes().contains("2 mm apart"));
  EXPECT_FALSE(notes().contains("Ask at the bench."));
}

TEST_F(HouseRules, aStepThatCannotBeWrittenIsTold) {
  makeOurOwn("setback");
  write("default", "8 mm");
  QTest::keyClick(text("default"), Qt::Key_Return);
  settle();
  std::filesystem::remove(methods_ + "/case-sunk-joint-house.toml");
  std::filesystem::create_directory(methods_ + "/case-sunk-joint-house.toml");
  document().undoStack()->undo();
  settle();
  EXPECT_TRUE(banner().contains("could not be written")) << banner().toStdString();
}

}  // namespace
}  // namespace drapery::test
