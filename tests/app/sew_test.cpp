// The stage Sew: shown move by move, practised and judged, patterns chosen, kept in the file.
#include <gmock/gmock.h>

#include <QLabel>
#include <QLineEdit>
#include <QSlider>
#include <QTest>
#include <filesystem>

#include "app/sewing/move_slider.h"
#include "app/sewing/pattern_button.h"
#include "app/sewing/sew_desk.h"
#include "app/sewing/sew_page.h"
#include "app/sewing/strip_view.h"
#include "app/workspace/stock_room.h"
#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

using ::testing::AllOf;
using ::testing::HasSubstr;

class SewStage : public BenchWindow {
 protected:
  void openStabBook() {
    begin();
    open(plainJob("stab-boarded"));
    click("docket.sew");
  }
  SewPage& page() { return dynamic_cast<SewPage&>(window_->page()); }
  StripView& strip() { return *find<StripView>("sew.strip"); }
  std::string words() { return page().words().toStdString(); }
  void clickHole(int number, Face face) {
    const QPointF at = strip().placeOf(static_cast<std::size_t>(number - 1), face);
    QTest::mouseClick(&strip(), Qt::LeftButton, {}, at.toPoint());
    settle();
  }
};

TEST_F(SewStage, showsEveryMoveToTheKnot) {
  openStabBook();
  EXPECT_THAT(find("docket.sew")->accessibleName().toStdString(),
              HasSubstr("7 holes, 1.63 m of thread"));
  EXPECT_THAT(words(), HasSubstr("Ready to sew"));
  EXPECT_THAT(find<QLabel>("sew.aside")->text().toStdString(), HasSubstr("tie the stack at holes"));
  press(Qt::Key_Space);
  EXPECT_THAT(words(), HasSubstr("From the back to the front through hole 4. Leave 115 mm"));
  press(Qt::Key_Right);
  EXPECT_THAT(words(), HasSubstr("On the front to hole 3, and through it to the back."));
  press(Qt::Key_Left);
  EXPECT_EQ(page().move(), 1U);
  press(Qt::Key_End);
  EXPECT_THAT(words(), HasSubstr("draw the knot in"));
  EXPECT_EQ(find<QSlider>("sew.slider")->value(), static_cast<int>(page().moves()));
  press(Qt::Key_Home);
  EXPECT_EQ(page().move(), 0U);
  find<QSlider>("sew.slider")->setValue(3);
  EXPECT_EQ(page().move(), 3U);
  click("sew.from.back");
  EXPECT_TRUE(strip().picture().isFromBack);
}

TEST_F(SewStage, judgesWhatIsClickedAndTyped) {
  openStabBook();
  click("sew.practice");
  EXPECT_TRUE(isShown("sew.entry"));
  EXPECT_FALSE(isShown("sew.slider"));
  clickHole(4, Face::Front);
  clickHole(3, Face::Back);
  EXPECT_THAT(words(), HasSubstr("Right so far"));
  clickHole(1, Face::Back);
  EXPECT_THAT(words(), HasSubstr("Hole 2 was passed over"));
  EXPECT_EQ(strip().picture().done, 3U);  // two passes and a stretch: the thread stops there
  QTest::keyClicks(find<QLineEdit>("sew.entry"), "s 3- 2+");
  press(Qt::Key_Return);
  EXPECT_THAT(words(), HasSubstr("Right so far"));
  EXPECT_EQ(find<QLabel>("sew.aside")->text(), "4+ 3- spine 3- 2+");
  QTest::keyClicks(find<QLineEdit>("sew.entry"), "9+");
  press(Qt::Key_Return);
  EXPECT_THAT(words(), HasSubstr("is no step here"));
  press(Qt::Key_Backspace);
  EXPECT_EQ(find<QLabel>("sew.aside")->text(), "4+ 3- spine 3-");
  click("sew.shown");
  EXPECT_TRUE(isShown("sew.slider"));
}

// On the dark ground a move is read from two metres: capitals of a quarter of an inch, at 96 pixels
// to the inch (an inch for 25 feet, common practice).
TEST_F(SewStage, onTheBenchAMoveIsReadFromAfar) {
  constexpr double kCapitals = 96.0 / 25 * (2000 / 304.8);
  openStabBook();
  const auto capitals = [this] {
    return QFontMetricsF(find<QLabel>("sew.words")->font()).capHeight();
  };
  press(Qt::Key_Right);
  EXPECT_LT(capitals(), kCapitals);
  click("docket.theme");
  settle();
  for (std::size_t move = 1; move < page().moves(); ++move) {
    press(Qt::Key_Right);
    EXPECT_GE(capitals(), kCapitals) << words();
    auto* label = find<QLabel>("sew.words");
    const QRect needed =
        QFontMetrics(label->font())
            .boundingRect(QRect(0, 0, label->width(), 10000), Qt::TextWordWrap, label->text());
    EXPECT_LE(needed.height(), label->height()) << words();
  }
}

// However long the path, its last step is seen; of somebody else's the one that is looked at.
TEST_F(SewStage, theStepThatCountsIsSeen) {
  const QFontMetricsF metrics(textFont(13.0));
  StepLine line;
  for (int hole = 1; hole <= 60; ++hole) line.steps << QString::number(hole) + "+";
  for (const qsizetype about : {0, 17, 59})
    for (const double width : {30.0, 200.0, 700.0, 5000.0}) {
      line.about = about;
      const QString shown = shownIn(line, width, metrics);
      const QStringList steps = shown.split(' ');
      EXPECT_TRUE(steps.contains(line.steps[about])) << shown.toStdString();
      EXPECT_EQ(steps.front() == "…", !steps.contains("1+"));
      EXPECT_EQ(steps.back() == "…", !steps.contains("60+"));
      const bool hasRoom = width > 100.0;
      EXPECT_TRUE(!hasRoom || metrics.horizontalAdvance(shown) <= width) << shown.toStdString();
      EXPECT_EQ(shown == line.steps.join(' '), width == 5000.0);
    }
  EXPECT_EQ(shownIn({}, 100.0, metrics), "");
  openStabBook();
  click("sew.practice");
  const QString half =
      "4+ 3- s 3- 2+ s 2+ h 2+ 1- s 1- h 1- 2+ 3- 4+ s 4+ 5- s 5- 6+ s 6+ t 6+ 7- s";
  QTest::keyClicks(find<QLineEdit>("sew.entry"), half);
  press(Qt::Key_Return);
  EXPECT_THAT(words(), HasSubstr("Right so far"));
  window_->resize(1024, 700);
  settle();
  auto* aside = find<QLabel>("sew.aside");
  EXPECT_TRUE(aside->text().endsWith("7- spine"));
  EXPECT_LE(QFontMetricsF(aside->font()).horizontalAdvance(aside->text()), aside->width());
}

// The slider is marked where the way turns back, and the place outlasts the window.
TEST_F(SewStage, theTurningsAreMarkedAndThePlaceIsKept) {
  const std::string settings = folder_.path() + "/settings.json";
  begin({}, settings);
  open(plainJob("stab-boarded"));
  click("docket.sew");
  const auto* slider = find<MoveSlider>("sew.slider");
  const SewnBook sewn = *workspace_->sewing().sewn();
  ASSERT_TRUE(std::holds_alternative<SewnStab>(sewn.sewn));
  EXPECT_EQ(slider->marks().size(),
            static_cast<std::size_t>(std::get<SewnStab>(sewn.sewn).trail.turns));
  EXPECT_GE(slider->marks().size(), 2U);
  slider->parentWidget()->setFocus();
  for (int i = 0; i < 7; ++i) press(Qt::Key_Right);
  const QString there = page().words().isEmpty() ? QString() : page().words();
  workspace_->close();
  begin({}, settings);
  ASSERT_TRUE(window_->openFile(QString::fromStdString(path_)));
  settle();
  click("docket.sew");
  EXPECT_EQ(page().move(), 7U);
  EXPECT_EQ(page().words(), there);
  open(plainJob("stab-plain"));  // another book begins at its beginning
  Job other = plainJob("stab-boarded");
  other.id = "00000000-0000-4000-8000-000000000001";
  open(other);
  click("docket.sew");
  EXPECT_EQ(page().move(), 0U);
}

// Nothing that was practised is lost to another knot, nor what was typed to a slip before it.
TEST_F(SewStage, practiceOutlastsAnotherFinish) {
  openStabBook();
  click("sew.practice");
  auto* entry = find<QLineEdit>("sew.entry");
  QTest::keyClicks(entry, "4+ 3- s 3- 1+ 2+ s");
  press(Qt::Key_Return);
  EXPECT_THAT(words(), HasSubstr("Hole 2 was passed over"));
  EXPECT_EQ(entry->text(), "2+ s");
  press(Qt::Key_Return);
  EXPECT_EQ(find<QLabel>("sew.aside")->text(), "4+ 3- spine 3- 2+ spine");
  click("sew.finish.glued");
  EXPECT_EQ(find<QLabel>("sew.aside")->text(), "4+ 3- spine 3- 2+ spine");
  EXPECT_EQ(strip().picture().done, 8U);  // and the two stretches between
  click("sew.pattern.row-four");
  EXPECT_EQ(find<QLabel>("sew.aside")->text(), "");
}

TEST_F(SewStage, anUnknownPatternIsToldAndAnotherChosen) {
  begin();
  Job job = plainJob("stab-boarded");
  job.sewing = JobSewing();
  job.sewing->kind = "stab";
  job.sewing->pattern = "zigzga";
  open(job);
  EXPECT_THAT(find("docket.sew")->accessibleName().toStdString(), HasSubstr("cannot be sewn so"));
  click("docket.sew");
  EXPECT_THAT(words(), AllOf(HasSubstr("\"zigzga\" is not known"), HasSubstr("mean zigzag?")));
  EXPECT_FALSE(isShown("sew.slider"));
  click("sew.pattern.zigzag");
  EXPECT_THAT(words(), HasSubstr("Ready to sew"));
}

// A pattern that is written while the window is open, first with a mistake.
TEST_F(SewStage, theHousesPatternsAreTakenUp) {
  std::filesystem::create_directories(patterns());
  openStabBook();
  const char* const kOurs = R"(schema = "drapery-pattern/1"
id = "ours"
base = "row"
title = "Our row"
)";
  folder_.write("drapery/patterns/ours.toml", std::string(kOurs) + "titel = 1\n");
  workspace_->reloadRules();
  settle();
  QStringList told;
  for (const QLabel* label : find("sew.margin")->findChildren<QLabel*>()) told << label->text();
  EXPECT_THAT(told.join(" ").toStdString(), AllOf(HasSubstr("ours.toml"), HasSubstr("titel")));
  folder_.write("drapery/patterns/ours.toml", kOurs);
  workspace_->reloadRules();
  settle();
  click("sew.pattern.ours");
  EXPECT_EQ(saved().sewing.value().pattern, "ours");
  EXPECT_THAT(words(), HasSubstr("Ready to sew"));
}

TEST_F(SewStage, aPatternIsChosenAndKept) {
  openStabBook();
  EXPECT_TRUE(find<PatternButton>("sew.pattern.zigzag")->isChecked());
  click("sew.pattern.row-four");
  EXPECT_EQ(saved().sewing.value().pattern, "row-four");
  EXPECT_TRUE(find<PatternButton>("sew.pattern.row-four")->isChecked());
  EXPECT_EQ(strip().picture().graph->holes.size(), 4U);
  click("sew.hand.left");
  click("sew.finish.ornament");
  EXPECT_EQ(saved().sewing.value().hand, "left");
  EXPECT_EQ(saved().sewing.value().finish, "ornament");
  document().undoStack()->undo();
  EXPECT_EQ(saved().sewing.value().finish, "");
  // A case is sewn at another place: it has no such stage.
  openPlain();
  EXPECT_FALSE(isShown("docket.sew"));
}

TEST_F(SewStage, sectionsAreSewnMoveByMoveToo) {
  begin();
  Job job = plainJob("soft-slotted");
  job.given["sections_wanted"] = {5.0, {}};
  job.given["leaf_caliper"] = {0.12, {}};
  open(job);
  click("docket.sew");
  EXPECT_THAT(find("docket.sew")->accessibleName().toStdString(), HasSubstr("2 rows, 0.61 m each"));
  press(Qt::Key_Space);
  EXPECT_THAT(words(), HasSubstr("Out of section 1 beside the slot. Leave the tail"));
  press(Qt::Key_End);
  EXPECT_THAT(words(), HasSubstr("Knot the thread round itself inside section 1"));
}

// Sizes are typed where they lie: the book's own into the book, the others into its sewing.
TEST_F(SewStage, sizesAreTypedOnTheStrip) {
  openStabBook();
  EXPECT_TRUE(isShown("tag.hole_end"));
  EXPECT_TRUE(isShown("tag.sewing/spine_length"));
  const double before = strip().picture().hole;
  keep("sewing/thread_diameter", "1.2");
  EXPECT_EQ(saved().sewing.value().allowances.at("thread_diameter"), (Entry{"1.2 mm", {}}));
  EXPECT_EQ(saved().sewing.value().kind, "stab");
  EXPECT_GT(strip().picture().hole, before);
  type("hole_end", "20");  // while it is typed the strip shows it
  EXPECT_DOUBLE_EQ(strip().picture().graph->holes.front().along, 20.0);
  EXPECT_FALSE(saved().allowances.contains("hole_end"));
  press(Qt::Key_Return);
  EXPECT_TRUE(saved().allowances.contains("hole_end"));
  // What cannot be is told there, and the strip stays.
  keep("sewing/needle_width", "9");
  EXPECT_THAT(message("sewing/needle_width").toStdString(), HasSubstr("0.2 mm to 8 mm"));
  keep("hole_end", "150");
  EXPECT_NE(message("hole_end"), "");
  EXPECT_NE(strip().picture().graph, nullptr);
  EXPECT_FALSE(saved().sewing.value().allowances.contains("needle_width"));
  document().undoStack()->undo();
  document().undoStack()->undo();
  EXPECT_FALSE(saved().sewing.has_value());
  EXPECT_DOUBLE_EQ(strip().picture().hole, before);
  // One of a pattern that the book does not name is the sewing's own; practice hides them all.
  click("sew.pattern.half-hexagon");
  keep("sewing/near", "9");
  EXPECT_EQ(saved().sewing.value().allowances.at("near"), (Entry{"9 mm", {}}));
  click("sew.practice");
  EXPECT_FALSE(isShown("tag.sewing/near"));
  // Another pattern lets go what it does not know, and is drawn so beforehand.
  click("sew.shown");
  keep("sewing/thread_diameter", "1");
  click("sew.pattern.row-four");
  EXPECT_FALSE(saved().sewing.value().allowances.contains("near"));
  EXPECT_EQ(saved().sewing.value().allowances.at("thread_diameter"), (Entry{"1 mm", {}}));
  EXPECT_THAT(words(), HasSubstr("Ready to sew"));
}

// A book that is opened and left again without a look at its sewing takes the other one's place in
// the moves from nobody.
TEST_F(SewStage, thePlaceInTheMovesIsThatOfTheBookSewnLast) {
  openStabBook();
  press(Qt::Key_Space);
  press(Qt::Key_Right);
  const std::string place = workspace_->settings().text("sewing_at");
  SewPage& sew = page();
  click("docket.measure");
  Job other = plainJob("stab-boarded");
  other.id = "another";
  open(other);
  sew.keepTyped();
  EXPECT_EQ(workspace_->settings().text("sewing_at"), place);
}

// What is wrong at a tag is of this book: the next one, of whatever kind, never gets it, and there
// is nothing to be taken back.
TEST_F(SewStage, whatIsWrongAtATagIsNotTakenToAnotherBook) {
  for (const char* next : {"paperback-wrapper", "stab-boarded", "case-sunk-joint"}) {
    openStabBook();
    SewPage& sew = page();
    keep("sewing/needle_width", "9");
    EXPECT_FALSE(message("sewing/needle_width").isEmpty());
    click("docket.measure");
    open(plainJob(next));
    EXPECT_FALSE(document().undoStack()->canUndo());
    sew.keepTyped();
    settle();
    EXPECT_FALSE(document().undoStack()->canUndo()) << next;
    EXPECT_FALSE(saved().sewing.has_value()) << next;
  }
}

// What could not be kept is typed again once the file was read anew, with what is wrong with it.
TEST_F(SewStage, whatIsWrongAtATagOutlastsTheFile) {
  openStabBook();
  keep("sewing/needle_width", "9");
  const auto typed = page().typed();
  ASSERT_EQ(typed.size(), 1U);
  EXPECT_EQ(typed.front().first, "sewing/needle_width");
  QTest::keyClick(entry("sewing/needle_width"), Qt::Key_Escape);
  settle();
  EXPECT_TRUE(page().typed().empty());
  page().typeAgain(typed);
  settle();
  EXPECT_EQ(page().typed(), typed);
  EXPECT_THAT(message("sewing/needle_width").toStdString(), HasSubstr("0.2 mm to 8 mm"));
}

TEST_F(SewStage, theOtherSizesAreListed) {
  openStabBook();
  click("sew.sizes");
  keep("sewing/start_tail", "200");
  EXPECT_THAT(words(), HasSubstr("Ready to sew"));
  EXPECT_EQ(saved().sewing.value().allowances.at("start_tail"), (Entry{"200 mm", {}}));
  find("sew.slider")->parentWidget()->setFocus();
  press(Qt::Key_Space);
  EXPECT_THAT(words(), HasSubstr("Leave 200 mm"));
  // Sections have theirs too.
  Job job = plainJob("soft-slotted");
  job.given["sections_wanted"] = {5.0, {}};
  job.given["leaf_caliper"] = {0.12, {}};
  open(job);
  click("docket.sew");
  if (!isShown("tag.sewing/start_tail")) click("sew.sizes");
  // Both ends of the slot are one figure of the book's.
  EXPECT_EQ(find("sew.margin")->findChildren<QLineEdit*>("tag.slot_end").size(), 1);
  keep("sewing/start_tail", "90");
  EXPECT_EQ(saved().sewing.value().kind, "link");
  EXPECT_EQ(saved().sewing.value().allowances.at("start_tail"), (Entry{"90 mm", {}}));
}

// Without a mouse: each hole can be reached, says what it is, and is sewn through with Enter.
TEST_F(SewStage, holesAreSewnThroughByTabAndEnter) {
  openStabBook();
  EXPECT_FALSE(isShown("sew.hole.4"));
  click("sew.practice");
  QWidget* hole = find("sew.hole.4");
  EXPECT_EQ(hole->accessibleName(), "hole 4, inner row, 0 of 4 passes, to the front");
  EXPECT_NE(hole->focusPolicy() & Qt::TabFocus, 0);
  hole->setFocus();
  press(Qt::Key_Return);
  EXPECT_EQ(find<QLabel>("sew.aside")->text(), "4+");
  EXPECT_TRUE(hole->hasFocus());  // on to the next with Tab
  EXPECT_EQ(hole->accessibleName(), "hole 4, inner row, 1 of 4 passes, to the front");
  find("sew.hole.3")->setFocus();
  press(Qt::Key_Space);
  EXPECT_EQ(find<QLabel>("sew.aside")->text(), "4+ 3-");
  click("sew.drill.slip");
  EXPECT_FALSE(isShown("sew.hole.4"));
}

// Where the cloth's pieces lie tells where the tapes do: that is not said twice.
TEST_F(SewStage, whatTheBookReckonsIsNotSaidHere) {
  Job job = plainJob("spring-back");
  job.given["pages_wanted"] = {144.0, {}};
  job.given["leaf_caliper"] = {0.12, {}};
  open(job);
  click("docket.sew");
  click("sew.sizes");
  EXPECT_TRUE(isShown("tag.sewing/kettle_head"));
  EXPECT_FALSE(isShown("tag.sewing/tape_from_end"));
  EXPECT_FALSE(isShown("tag.sewing/tape_from_tail"));
}

TEST_F(SewStage, aLearnerIsAsked) {
  openStabBook();
  click("sew.practice");
  click("sew.drill.slip");
  EXPECT_TRUE(isShown("sew.slider"));
  EXPECT_FALSE(isShown("sew.entry"));
  press(Qt::Key_End);
  press(Qt::Key_Return);
  EXPECT_THAT(words(), HasSubstr("look back"));
  const int all = find<QSlider>("sew.slider")->maximum();
  int found = 0;
  for (int i = 1; i <= all && found == 0; ++i) {
    find<QSlider>("sew.slider")->setValue(i);
    press(Qt::Key_Return);
    if (words().find("That is the slip.") != std::string::npos) found = i;
  }
  EXPECT_GT(found, 0);
  EXPECT_LT(found, all);
  click("sew.drill.wrap");
  int right = 0;
  for (int hole = 1; hole <= 7; ++hole) {
    clickHole(hole, Face::Front);
    if (words().find("Right.") != std::string::npos) ++right;
  }
  EXPECT_EQ(right, 1);
  click("sew.drill.thread");
  auto* entry = find<QLineEdit>("sew.entry");
  QTest::keyClicks(entry, "90 mm");
  press(Qt::Key_Return);
  EXPECT_THAT(words(), HasSubstr("gives out at the move \"From the back to the front"));
  entry->clear();
  QTest::keyClicks(entry, "30000");
  press(Qt::Key_Return);
  EXPECT_THAT(words(), HasSubstr("is left over"));
  entry->clear();
  QTest::keyClicks(entry, "an arm");
  press(Qt::Key_Return);
  EXPECT_THAT(words(), HasSubstr("is no length of thread"));
  click("sew.drill.go-on");
  const auto begun = find<QLabel>("sew.aside")->text().size();
  EXPECT_GT(begun, 0);
  click("sew.drill.whole");
  EXPECT_EQ(find<QLabel>("sew.aside")->text(), "");
}

// Where the shelf holds thread, what is left of it is told, and it can be taken off.
TEST_F(SewStage, threadComesOffTheShelf) {
  std::filesystem::create_directories(folder_.path() + "/drapery");
  folder_.write("drapery/stock.json", R"({"schema": "drapery-stock/1", "stocks": [
    {"id": "heavy", "material": "thread", "form": "roll", "W": 2, "L": 900, "grain": "L", "count": 1, "kerf": 0, "cost": 1},
    {"id": "waxed linen", "material": "thread", "form": "roll", "W": 0.8, "L": 5000, "grain": "L", "count": 1, "kerf": 0, "cost": 1}]})");
  openStabBook();
  const auto told = [this] {
    QStringList words;
    for (const QLabel* label : find("sew.margin")->findChildren<QLabel*>()) words << label->text();
    return words.join(" ").toStdString();
  };
  const auto left = [this] { return workspace_->stock().stock().named("waxed linen")->lies.along; };
  EXPECT_THAT(told(), AllOf(HasSubstr("waxed linen: 3.37 m left"), HasSubstr("heavy: too little")));
  click("sew.take.0");
  const double needed = std::get<SewnStab>(workspace_->sewing().sewn()->sewn)
                            .plan.number("thread_needed")
                            .value_or(0);
  EXPECT_NEAR(static_cast<double>(left()), 5e6 - 1000 * needed, 1.0);
  EXPECT_THAT(told(), HasSubstr("waxed linen: 1.75 m left"));
  document().undoStack()->undo();
  settle();
  EXPECT_EQ(left(), 5'000'000);
  Job job = plainJob("stab-boarded");
  job.copies = 4.0;
  open(job);
  click("docket.sew");
  EXPECT_THAT(told(), HasSubstr("waxed linen: too little"));
}

}  // namespace
}  // namespace drapery::test
