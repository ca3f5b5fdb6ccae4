// Closer looks: what counts rarely is said in a drawing of its own.
#include <gmock/gmock.h>

#include <cmath>

#include "core/drawing/draw_view.h"
#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

class Closer : public BenchWindow {
 protected:
  bool hasTag(const std::string& value) { return isShown(("tag." + value).c_str()); }

  /// Types a figure of the input's range at its tag, sees it in the file, and takes it back.
  void sayAndTakeBack(const Tag& tag) {
    const RuleSet& rules = *document().plan().rules;
    const InputRule& rule = *rules.input(tag.value());
    const bool isWhole = rule.kind == InputKind::Count;
    const double part = rule.least + 0.3 * (std::min(rule.most, rule.least + 40) - rule.least);
    const double figure = isWhole ? std::floor(part) + 1 : std::round(part * 100) / 100;
    const std::string before = writeJob(saved());
    keep(tag.value(), QString::number(figure).toLatin1().constData());
    const Job job = saved();
    const Entries& entries = rule.role == InputRole::Given ? job.given : job.allowances;
    ASSERT_TRUE(entries.contains(rule.id)) << rule.id << ": " << message(rule.id).toStdString();
    EXPECT_NEAR(value(rule.id.c_str()), figure, 1e-9) << rule.id;
    said_.insert(rule.id);
    while (writeJob(saved()) != before) {
      ASSERT_TRUE(document().undoStack()->canUndo()) << rule.id;
      document().undoStack()->undo();
      settle();
    }
  }
  void sayAll() {
    std::vector<std::string> values;
    for (const Tag* tag : table().tags())
      if (tag->kind() == Tag::Kind::Entry && tag->value() != "round" && tag->isVisible())
        values.push_back(tag->value());
    for (const std::string& value : values)
      for (const Tag* tag : table().tags())
        if (tag->value() == value) {
          sayAndTakeBack(*tag);
          break;
        }
  }

  /// Alt+Down opens a measure; each of its places takes a figure and by what it was read.
  void sayReadings(const std::string& measure) {
    entry(measure)->setFocus();
    press(Qt::Key_Down, Qt::AltModifier);
    const std::string before = writeJob(saved());
    const InputRule& rule = *document().plan().rules->input(measure);
    const double plain = value(measure.c_str());
    const bool isSaid = saved().given.contains(measure);
    std::size_t readings = isSaid ? 1 : 0;  // the plain figure stays one
    for (const std::string& place : rule.places) {
      keep(measure + "@" + place, "30 + 1.5 strip");
      ASSERT_EQ(saved().given.at(measure).readings.size(), ++readings);
      EXPECT_EQ(saved().given.at(measure).readings.back().at, place);
      EXPECT_EQ(saved().given.at(measure).readings.back().by, "strip");
    }
    EXPECT_NEAR(value(measure.c_str()), isSaid ? (plain + 3 * 31.5) / 4 : 31.5, 1e-9);
    while (writeJob(saved()) != before) {
      ASSERT_TRUE(document().undoStack()->canUndo()) << measure;
      document().undoStack()->undo();
      settle();
    }
  }

  std::set<std::string> said_;
};

TEST_F(Closer, comesAtAClickAndGoesAtEscape) {
  openPlain();
  showCase();
  EXPECT_FALSE(hasTag("corner_ratio"));
  EXPECT_TRUE(hasTag("board_width"));
  click("link.corner-closer");
  EXPECT_TRUE(hasTag("corner_ratio"));
  EXPECT_FALSE(hasTag("board_width"));
  keep("corner_ratio", "2");
  EXPECT_EQ(saved().allowances.at("corner_ratio").value, Written(std::string("2")));
  table().setFocus();
  press(Qt::Key_Escape);  // nothing is selected any more
  press(Qt::Key_Escape);
  EXPECT_FALSE(hasTag("corner_ratio"));
  EXPECT_TRUE(hasTag("board_width"));
}

TEST_F(Closer, isReachedFromAnotherAndTurnedBackFrom) {
  openPlain();
  showCase();
  click("link.corner-closer");
  click("link.covering-closer");
  EXPECT_TRUE(hasTag("margin_tail"));
  click("link.flat-case");
  EXPECT_FALSE(hasTag("margin_tail"));
  EXPECT_TRUE(isShown("link.corner-closer"));
}

TEST_F(Closer, comesWithTheStageThatItBelongsTo) {
  openPlain();
  showCase();
  click("link.corner-closer");
  click("docket.measure");
  click("docket.case");
  EXPECT_FALSE(hasTag("corner_ratio"));
}

TEST_F(Closer, goesWithTheBook) {
  openPlain();
  showCase();
  click("link.corner-closer");
  press(Qt::Key_N, Qt::ControlModifier);
  openPlain();
  showCase();
  EXPECT_FALSE(hasTag("corner_ratio"));
  EXPECT_TRUE(hasTag("board_width"));
}

TEST_F(Closer, isTakenOfWhatIsSelectedInIt) {
  openPlain();
  showCase();
  table().select(Subject::value("corner_ratio"));
  settle();
  EXPECT_TRUE(hasTag("corner_ratio"));
  table().select(Subject::value("margin_head"));  // it hangs in two, and in this one
  settle();
  EXPECT_TRUE(hasTag("corner_ratio"));
  table().select(Subject::value("board_width"));
  settle();
  EXPECT_TRUE(hasTag("board_width"));
  table().select(Subject::value("spine_lining"));  // of another stage
  settle();
  EXPECT_TRUE(hasTag("board_width"));
}

TEST_F(Closer, whatIsNoFigureThereStaysToldUntilItIsMended) {
  openPlain();
  showCase();
  click("link.corner-closer");
  type("corner_ratio", "x");
  press(Qt::Key_Return);
  EXPECT_FALSE(message("corner_ratio").isEmpty());
  click("link.flat-case");
  click("link.corner-closer");
  EXPECT_EQ(entry("corner_ratio")->text(), "x");
  EXPECT_FALSE(message("corner_ratio").isEmpty());
  keep("corner_ratio", "2");
  EXPECT_TRUE(message("corner_ratio").isEmpty());
}

// The methods beside one another: one is taken up, and the figures follow.
TEST_F(Closer, showsTheBookByEveryMethod) {
  openPlain();
  showCase();
  click("link.all-methods");
  EXPECT_TRUE(isShown("methods"));
  EXPECT_FALSE(hasTag("board_width"));
  EXPECT_FALSE(isShown("notes"));
  auto* present = find<QAbstractButton>("take.case-sunk-joint");
  auto* other = find<QAbstractButton>("take.case-strip-set");
  EXPECT_FALSE(present->isEnabled());
  EXPECT_THAT(other->accessibleName().toStdString(), ::testing::HasSubstr("by the strip"));
  EXPECT_THAT(other->accessibleDescription().toStdString(), ::testing::HasSubstr("6.35 mm"));
  EXPECT_THAT(other->accessibleDescription().toStdString(), ::testing::HasSubstr("Board "));
  other->setFocus();
  press(Qt::Key_Space);
  EXPECT_EQ(saved().method, "case-strip-set");
  EXPECT_FALSE(other->isEnabled());
  EXPECT_TRUE(present->isEnabled());
  document().undoStack()->undo();
  settle();
  EXPECT_EQ(saved().method, "case-sunk-joint");
  EXPECT_TRUE(other->isEnabled());
  click("link.joint");
  EXPECT_FALSE(isShown("methods"));
  EXPECT_TRUE(hasTag("board_width"));
  EXPECT_TRUE(isShown("notes"));
}

TEST_F(Closer, aMethodThatDoesNotTakeTheBookSaysWhy) {
  Job job = plainJob();
  job.given.erase("text_width");
  open(job);
  showCase();
  click("link.all-methods");
  auto* other = find<QAbstractButton>("take.case-card");
  EXPECT_FALSE(other->isEnabled());
  EXPECT_THAT(other->accessibleDescription().toStdString(),
              ::testing::HasSubstr("Not for this book: "));
}

// Whatever has a tag on a book with nearly everything can be typed there, and is in the file.
TEST_F(Closer, everyEntryOfEveryStageCanBeSaid) {
  Job job = plainJob();
  job.given["spine_shape"] = {std::string("backed"), {}};
  job.given["headband_height"] = {2.0, {}};
  for (const auto& [choice, option] :
       {std::pair{"covering_style", "half"}, {"lining_kind", "separate"}, {"with_jacket", "with"}})
    job.allowances[choice] = {std::string(option), {}};
  job.allowances["tape_count"] = {3.0, {}};
  job.allowances["ribbon_count"] = {1.0, {}};
  open(job);
  for (const Stage& stage : tableStages()) {
    window_->setStage(stage);
    settle();
    sayAll();
    for (const ViewRule* view : viewsOf(document().plan(), stage.id))
      for (const ViewRule* detail : detailsOf(document().plan(), view->id)) {
        window_->setStage(*stageNamed(stage.id == std::string("measure") ? "case" : "measure"));
        window_->setStage(stage);
        settle();
        if (!detail->readingsOf.empty()) {
          sayReadings(detail->readingsOf);
          continue;
        }
        click(("link." + detail->id).c_str());
        sayAll();
      }
  }
  EXPECT_GT(said_.size(), 60U);
}

}  // namespace
}  // namespace drapery::test
