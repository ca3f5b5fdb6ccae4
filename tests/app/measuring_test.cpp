// Measures changed where they stand, and the file that follows.
#include <gmock/gmock.h>

#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

class Measuring : public BenchWindow {};

TEST_F(Measuring, aKeptMeasureIsInTheFileAndInTheDrawing) {
  openPlain();
  keep("text_width", "150.5");
  EXPECT_DOUBLE_EQ(value("board_width"), 146.5);
  EXPECT_EQ(saved().given.at("text_width").value, Written(std::string("150.5 mm")));
  EXPECT_EQ(entry("text_width")->text(), "150.5");
}

TEST_F(Measuring, inchesAreTakenAsTheyAreWritten) {
  openPlain();
  keep("text_height", "8 1/4 in");
  EXPECT_EQ(saved().given.at("text_height").value, Written(std::string("8 1/4 in")));
  EXPECT_DOUBLE_EQ(value("text_height"), 209.55);
  choose("units", 1);
  EXPECT_EQ(saved().units, Units::Inches);
  EXPECT_EQ(entry("text_height")->text(), "8 1/4");
  keep("text_width", "5-5/8");  // a bare figure is in the unit in use
  EXPECT_EQ(saved().given.at("text_width").value, Written(std::string("5-5/8 in")));
}

TEST_F(Measuring, theDrawingFollowsEachKeyAndNothingIsKeptBeforeEnter) {
  openPlain();
  type("text_width", "160");
  EXPECT_DOUBLE_EQ(value("text_width"), 160);
  EXPECT_EQ(saved().given.at("text_width").value, Written(144.0));
  press(Qt::Key_Escape);
  EXPECT_DOUBLE_EQ(value("text_width"), 144);
  EXPECT_EQ(entry("text_width")->text(), "144");
  EXPECT_FALSE(document().undoStack()->canUndo());
}

TEST_F(Measuring, enterGoesOnInTheOrderOfTheWork) {
  openPlain();
  keep("text_height", "211");
  EXPECT_EQ(QApplication::focusWidget(), entry("text_width"));
  press(Qt::Key_Return);  // nothing typed: only goes on
  EXPECT_EQ(QApplication::focusWidget(), entry("text_thickness"));
  press(Qt::Key_Tab);
  EXPECT_EQ(QApplication::focusWidget(), entry("board_thickness"));
  EXPECT_EQ(document().undoStack()->count(), 1);
}

TEST_F(Measuring, leavingATagKeepsWhatWasTyped) {
  openPlain();
  type("text_width", "150");
  press(Qt::Key_Tab);
  EXPECT_EQ(saved().given.at("text_width").value, Written(std::string("150 mm")));
}

TEST_F(Measuring, upAndDownStepByTheRuleInHand) {
  openPlain();
  entry("text_width")->setFocus();
  press(Qt::Key_Up);
  EXPECT_DOUBLE_EQ(value("text_width"), 144.5);
  press(Qt::Key_Down);
  press(Qt::Key_Down);
  EXPECT_DOUBLE_EQ(value("text_width"), 143.5);
  keep("text_width", "143.8");
  entry("text_width")->setFocus();
  press(Qt::Key_Up);
  EXPECT_DOUBLE_EQ(value("text_width"), 144);  // on to the next mark
  choose("units", 1);
  keep("round", "1/16");
  keep("text_width", "5 5/8");
  entry("text_width")->setFocus();
  press(Qt::Key_Up);
  const Written expected{std::string("5 11/16 in")};
  EXPECT_TRUE(QTest::qWaitFor([&] { return saved().given.at("text_width").value == expected; }));
}

// Steps of one figure in one go are one undo step and one write, a moment after the last of them.
TEST_F(Measuring, stepsAreOneEdit) {
  openPlain();
  const std::string before = readFile(path_);
  int writes = 0;
  QObject::connect(&document(), &Document::saved, window_.get(), [&] { ++writes; });
  entry("text_width")->setFocus();
  for (int i = 0; i < 5; ++i) press(Qt::Key_Up);
  EXPECT_DOUBLE_EQ(value("text_width"), 146.5);
  EXPECT_EQ(document().undoStack()->count(), 1);
  EXPECT_EQ(document().undoStack()->undoText(), "given/text_width");
  EXPECT_EQ(readFile(path_), before);
  EXPECT_TRUE(QTest::qWaitFor([&] { return writes == 1; }));
  EXPECT_EQ(saved().given.at("text_width").value, Written(std::string("146.5 mm")));
  // Another figure is another edit; coming back begins a new one.
  entry("text_height")->setFocus();
  press(Qt::Key_Down);
  entry("text_width")->setFocus();
  press(Qt::Key_Up);
  EXPECT_EQ(document().undoStack()->count(), 3);
  document().undoStack()->undo();
  document().undoStack()->undo();
  document().undoStack()->undo();
  settle();
  EXPECT_EQ(readFile(path_), before);
}

// What is stepped and not yet written goes into the file on the way out.
TEST_F(Measuring, leavingWritesTheLastStep) {
  openPlain();
  entry("text_width")->setFocus();
  press(Qt::Key_Up);
  window_->close();
  QApplication::processEvents();
  EXPECT_EQ(saved().given.at("text_width").value, Written(std::string("144.5 mm")));
}

TEST_F(Measuring, undoAndRedoWriteTheFileToo) {
  openPlain();
  keep("text_width", "150");
  choose("units", 1);
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(saved().units, Units::Millimetres);
  click("docket.undo");
  EXPECT_EQ(saved().given.at("text_width").value, Written(144.0));
  EXPECT_DOUBLE_EQ(value("text_width"), 144);
  click("docket.redo");
  EXPECT_EQ(saved().given.at("text_width").value, Written(std::string("150 mm")));
  EXPECT_FALSE(find<QAbstractButton>("docket.undo")->isEnabled() &&
               !document().undoStack()->canUndo());
}

TEST_F(Measuring, anEmptyAllowanceGoesBackToItsUsualValue) {
  Job job = plainJob();
  job.allowances["setback"] = {5.5, {}};
  open(job);
  showCase();
  type("setback", "");
  QTest::keyClick(entry("setback"), Qt::Key_Backspace);
  QTest::keyClick(entry("setback"), Qt::Key_Return);
  EXPECT_EQ(saved().allowances.count("setback"), 0U);
  EXPECT_DOUBLE_EQ(value("setback"), 7);
}

TEST_F(Measuring, readingsAreShownAsTheirMeanAndKeptUntilTypedOver) {
  Job job = plainJob();
  job.given["text_width"].readings = {{143.8, "head", "rule"}, {144.4, "tail", "rule"}};
  open(job);
  EXPECT_EQ(entry("text_width")->text(), "144.1");
  keep("text_height", "211");
  EXPECT_EQ(saved().given.at("text_width").readings.size(), 2U);
  keep("text_width", "144");
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(saved().given.at("text_width").readings.size(), 2U);
}

struct Wrong {
  const char* text;
  const char* message;
  friend void PrintTo(const Wrong& each, std::ostream* out) { *out << each.text; }
};

class WrongEntry : public BenchWindow, public ::testing::WithParamInterface<Wrong> {};

// A message with the value and what is allowed at the tag; the old state kept in plan and file.
TEST_P(WrongEntry, isToldAtItsTagAndChangesNothing) {
  openPlain();
  const std::string before = readFile(path_);
  keep("text_height", GetParam().text);
  EXPECT_THAT(message("text_height").toStdString(), ::testing::HasSubstr(GetParam().message));
  EXPECT_EQ(QApplication::focusWidget(), entry("text_height"));
  EXPECT_EQ(entry("text_height")->text(), GetParam().text);  // to be mended, not typed again
  EXPECT_DOUBLE_EQ(value("text_height"), 210);
  EXPECT_EQ(readFile(path_), before);
  press(Qt::Key_Escape);
  EXPECT_EQ(entry("text_height")->text(), "210");
  EXPECT_TRUE(message("text_height").isEmpty());
}

INSTANTIATE_TEST_SUITE_P(
    Texts, WrongEntry,
    ::testing::Values(Wrong{"0", "0 mm is not allowed; from 20 mm to 1200 mm"},
                      Wrong{"-5", "-5 mm is not allowed"},
                      Wrong{"40000", "40000 mm is not allowed"},
                      Wrong{"abc", "\"abc\" is not a length"}, Wrong{"7 3/0", "divides by 0"},
                      Wrong{"7 in mm", "names two units"}, Wrong{"nan", "\"nan\" is not a length"},
                      Wrong{"1e400", "has an exponent"}, Wrong{"1,234.5", "two decimal signs"},
                      Wrong{"77777777777777777777777777777777777777777777777", "too long"}));

// Left by Tab a wrong figure stays told where it stands, through other edits, until it is mended.
TEST_F(Measuring, aWrongFigureStaysToldUntilItIsMended) {
  openPlain();
  type("text_height", "21x");
  press(Qt::Key_Tab);
  EXPECT_EQ(entry("text_height")->text(), "21x");
  EXPECT_THAT(message("text_height").toStdString(), ::testing::HasSubstr("\"21x\""));
  keep("text_width", "150");
  showCase();
  click("docket.measure");
  EXPECT_EQ(entry("text_height")->text(), "21x");
  EXPECT_FALSE(message("text_height").isEmpty());
  EXPECT_DOUBLE_EQ(value("text_height"), 210);
  keep("text_height", "212");
  EXPECT_TRUE(message("text_height").isEmpty());
  EXPECT_DOUBLE_EQ(value("text_height"), 212);
  type("text_height", "x");
  press(Qt::Key_Tab);
  openPlain();  // another book is another paper
  EXPECT_EQ(entry("text_height")->text(), "210");
  EXPECT_TRUE(message("text_height").isEmpty());
}

// What is wrong with the rule in hand is told without covering what hangs above it.
TEST_F(Measuring, aMessageAtTheRuleCoversNoTag) {
  openPlain();
  for (const char* stage : {"docket.measure", "docket.case"}) {
    click(stage);
    type("round", "0.0001");
    press(Qt::Key_Return);
    EXPECT_FALSE(message("round").isEmpty());
    const auto tags = table().tags();
    for (std::size_t i = 0; i < tags.size(); ++i)
      for (std::size_t k = i + 1; k < tags.size(); ++k)
        EXPECT_FALSE(tags[i]->geometry().intersects(tags[k]->geometry()))
            << tags[i]->value() << " and " << tags[k]->value();
    press(Qt::Key_Escape);
  }
}

TEST_F(Measuring, theUnitsNameHasRoomForItself) {
  openPlain();
  choose("units", 1);
  auto* units = find<QComboBox>("tag.units");
  EXPECT_EQ(units->currentText(), "inches");
  EXPECT_GE(units->width(), units->sizeHint().width());
  choose("units", 0);
  choose("units", 1);
  EXPECT_GE(units->width(), units->sizeHint().width());
}

TEST_F(Measuring, aFigureOnItsWayToASoundOneIsNoMistake) {
  openPlain();
  for (const char* text : {"2", "21", "8 1/", "8 1", "8.", "21m"}) {
    type("text_height", text);
    EXPECT_TRUE(message("text_height").isEmpty())
        << text << ": " << message("text_height").toStdString();
  }
  type("text_height", "2x");
  EXPECT_FALSE(message("text_height").isEmpty());
}

TEST_F(Measuring, underACommaLocaleCommasAreShownAndReadAndPointsAreWritten) {
  QLocale::setDefault(QLocale(QLocale::German, QLocale::Germany));
  openPlain();
  keep("text_width", "150,5");
  EXPECT_EQ(entry("text_width")->text(), "150,5");
  EXPECT_DOUBLE_EQ(value("text_width"), 150.5);
  press(Qt::Key_Up);
  QLocale::setDefault(QLocale::c());
  const PlanOutcome again = planOf(saved());
  EXPECT_TRUE(again.issues.empty());
  EXPECT_DOUBLE_EQ(valueOf(again.plan, "text_width"), 150.5);
}

TEST_F(Measuring, anotherSchoolIsChosenAtTheStiffener) {
  openPlain();
  showCase();
  keep("setback", "6");
  choose("method", 1);
  EXPECT_EQ(saved().method, "case-fixed-gap");
  EXPECT_TRUE(saved().otherAllowances.at("case-sunk-joint").contains("setback"));
  keep("joint_gap", "7");
  EXPECT_LT(value("setback"), 6);
  press(Qt::Key_Z, Qt::ControlModifier);
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(saved().method, "case-sunk-joint");
  EXPECT_DOUBLE_EQ(value("setback"), 6);
  choose("stiffener_school", 1);
  EXPECT_DOUBLE_EQ(value("edge_height"), 2.4);
  EXPECT_EQ(saved().allowances.at("stiffener_school").value, Written(std::string("flush")));
}

}  // namespace
}  // namespace drapery::test
