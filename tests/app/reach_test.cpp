// Everything by keyboard, everything with a name, and one drawing at a time where there is little
// room.
#include <gmock/gmock.h>

#include <QAccessible>

#include <filesystem>
#include <set>

#include "app/cutting/cut_desk.h"
#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

class Reach : public BenchWindow {};

TEST_F(Reach, tabComesToEverythingThatCanBeUsed) {
  openPlain();
  for (const Stage& stage : allStages()) {
    window_->setStage(stage);
    workspace_->cutting().settle();  // until all that there is to press is there
    QApplication::processEvents();
    if (auto* table = dynamic_cast<Table*>(&window_->page()))
      table->tags().front()->focusTarget()->setFocus();
    else
      window_->page().setFocus();
    std::set<QWidget*> reached;
    while (QApplication::focusWidget() != nullptr &&
           reached.insert(QApplication::focusWidget()).second)
      press(Qt::Key_Tab);
    for (QWidget* widget : window_->findChildren<QWidget*>()) {
      const bool isUsable =
          widget->isVisible() && widget->isEnabled() && (widget->focusPolicy() & Qt::TabFocus) != 0;
      if (isUsable && !widget->objectName().startsWith("qt_")) {
        EXPECT_TRUE(reached.contains(widget)) << widget->objectName().toStdString();
      }
    }
  }
}

TEST_F(Reach, everythingThatTakesTheFocusHasAName) {
  openPlain();
  showCase();
  int named = 0;
  for (QWidget* widget : window_->findChildren<QWidget*>()) {
    if (!widget->isVisible() || (widget->focusPolicy() & Qt::TabFocus) == 0) continue;
    if (widget->objectName().startsWith("qt_")) continue;
    EXPECT_FALSE(widget->accessibleName().isEmpty()) << widget->objectName().toStdString();
    ++named;
  }
  EXPECT_GT(named, 25);
}

TEST_F(Reach, enterLeadsThroughTheWholeCase) {
  openPlain();
  showCase();
  table().startTyping();
  std::vector<std::string> way;
  for (int i = 0; i < 20 && QApplication::focusWidget() != &table(); ++i) {
    way.push_back(QApplication::focusWidget()->objectName().toStdString());
    press(Qt::Key_Return);
    if (way.size() > 1 && way.back() == way[way.size() - 2])
      press(Qt::Key_Tab);  // a choice keeps Enter
  }
  for (const char* tag :
       {"tag.setback", "tag.rod_diameter", "tag.square_fore_edge", "tag.margin", "tag.square_head"})
    EXPECT_THAT(way, ::testing::Contains(tag));
}

TEST_F(Reach, withLargeLettersOneDrawingAtATime) {
  setFontScale(1.5);
  begin();
  window_->resize(1280, 800);
  openPlain();
  showCase();
  EXPECT_TRUE(isShown("tag.setback"));
  EXPECT_FALSE(isShown("tag.margin"));
  click("table.switch");
  EXPECT_TRUE(isShown("tag.margin"));
  EXPECT_FALSE(isShown("tag.setback"));
  const auto tags = table().tags();
  for (std::size_t i = 0; i < tags.size(); ++i)
    for (std::size_t k = i + 1; k < tags.size(); ++k)
      EXPECT_FALSE(tags[i]->geometry().intersects(tags[k]->geometry()))
          << tags[i]->value() << " and " << tags[k]->value();
  // Enter at the joint's last measure goes on in the flat case.
  click("table.switch");
  entry("square_fore_edge")->setFocus();
  press(Qt::Key_Return);
  EXPECT_TRUE(isShown("tag.margin"));
  setFontScale(1.0);
}

// A structure that is no case: its drawings, tags, docket line and slips come from its rule file.
TEST_F(Reach, aStructureOfItsOwnIsDrawnAndMeasured) {
  begin();
  Job job;
  job.id = "x";
  job.method = "stab-plain";
  open(job);
  EXPECT_EQ(document().missing().size(), 3U);
  keep("text_height", "200");
  keep("text_width", "150");
  keep("text_thickness", "9");
  keep("board_thickness", "1.4");
  EXPECT_FALSE(isShown("docket.case"));
  EXPECT_FALSE(isShown("docket.jacket"));
  click("docket.holes");
  EXPECT_TRUE(isShown("tag.hole_count"));
  EXPECT_THAT(find("docket.holes")->accessibleName().toStdString(),
              ::testing::HasSubstr("7 holes, 25.4 mm apart"));
  keep("hole_count", "5");
  EXPECT_NEAR(value("hole_pitch"), 38.1, 1e-9);
  EXPECT_TRUE(isShown("slip.hole_template"));
  // Of the same kind of book alone; what is decided alike goes along.
  click("docket.cover");
  choose("method", 0);
  EXPECT_EQ(document().job().method, "stab-boarded");
  EXPECT_EQ(document().job().allowances.at("hole_count").value, Written(std::string("5")));
}

TEST_F(Reach, aClickOnABoardLightsItsSlip) {
  openPlain();
  showCase();
  Table& table = BenchWindow::table();
  // The boards lie where the flat case is drawn: look for one along the middle of its panel.
  Subject found;
  for (int x = 0; x < table.width() && !found.isPart("board"); x += 6) {
    QTest::mouseClick(&table, Qt::LeftButton, {}, QPoint(x, table.height() * 2 / 3));
    found = table.selected();
  }
  EXPECT_EQ(found, Subject::part("board"));
  EXPECT_TRUE(find<QAbstractButton>("slip.board")->isChecked());
}

// Where words run from right to left the docket lies on the right and the margin on the left.
TEST_F(Reach, theBenchIsMirroredWhereWordsRunFromRightToLeft) {
  QApplication::setLayoutDirection(Qt::RightToLeft);
  begin();
  openPlain();
  for (const Stage& stage : tableStages()) {
    window_->setStage(stage);
    settle();
    EXPECT_GT(find("docket")->x(), table().width() / 2);
    const QRect notes = find("notes")->geometry();
    EXPECT_EQ(notes.left(), 0);
    const auto tags = table().tags();
    for (std::size_t i = 0; i < tags.size(); ++i) {
      EXPECT_FALSE(tags[i]->geometry().intersects(notes)) << tags[i]->value();
      for (std::size_t k = i + 1; k < tags.size(); ++k)
        EXPECT_FALSE(tags[i]->geometry().intersects(tags[k]->geometry()))
            << tags[i]->value() << " and " << tags[k]->value();
    }
  }
  const auto slip = [&](const char* part) { return find<QWidget>(part)->geometry(); };
  EXPECT_GT(slip("slip.board").left(), slip("slip.covering").right());
  EXPECT_LT(slip("slip.board").right(), find("slips")->width());
  // As cut stands beside the piece, not on it: the piece lies on the right.
  EXPECT_LT(find<QWidget>("ascut.board")->geometry().right(), slip("slip.board").width() - 20);
  keep("text_height", "211");
  EXPECT_EQ(saved().given.at("text_height").value, Written(std::string("211 mm")));
  QApplication::setLayoutDirection(Qt::LeftToRight);
}

// What a reader aloud is told: a role, a name, and what stands there.
TEST_F(Reach, everyPartHasARoleANameAndAValue) {
  openPlain();
  showCase();
  const auto told = [&](QWidget* widget) {
    auto* face = QAccessible::queryAccessibleInterface(widget);
    return std::tuple(face->role(), face->text(QAccessible::Name).toStdString(),
                      face->text(QAccessible::Value).toStdString());
  };
  using Told = std::tuple<QAccessible::Role, std::string, std::string>;
  EXPECT_EQ(told(entry("setback")), Told(QAccessible::EditableText, "Set-back", "7"));
  EXPECT_EQ(told(entry("board_width")), Told(QAccessible::EditableText, "Board's width", "140"));
  EXPECT_EQ(std::get<0>(told(find("tag.method"))), QAccessible::ComboBox);
  // A list is called by what is chosen in it; what for is told beside it.
  EXPECT_EQ(std::get<1>(told(find("tag.method"))), "Sunk joint, computed");
  EXPECT_EQ(find("tag.method")->accessibleDescription(), "made as");
  EXPECT_NE(std::get<1>(told(find("slip.board"))).find("140 × 216 mm"), std::string::npos);
  EXPECT_EQ(std::get<0>(told(find("link.corner-closer"))), QAccessible::Button);
  click("link.opened-closer");
  click("link.pose-half");
  EXPECT_EQ(std::get<0>(told(find("turn"))), QAccessible::Slider);
  EXPECT_EQ(std::get<1>(told(find("turn"))), "The front cover, degrees open");
  auto* turn = QAccessible::queryAccessibleInterface(find("turn"))->valueInterface();
  ASSERT_NE(turn, nullptr);
  EXPECT_EQ(turn->currentValue().toInt(), 90);
  window_->setStage(*stageNamed("measure"));
  settle();
  entry("text_height")->setFocus();
  press(Qt::Key_Down, Qt::AltModifier);
  EXPECT_EQ(told(entry("text_height@middle")),
            Told(QAccessible::EditableText, "in the middle", ""));
}

}  // namespace
}  // namespace drapery::test
