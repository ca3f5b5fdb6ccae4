// Materials named at a tag in place of a figure.
#include <gmock/gmock.h>

#include <QAbstractItemView>
#include <filesystem>

#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

class Materials : public BenchWindow {
 protected:
  /// The list is a window of its own.
  QAbstractItemView* names(const std::string& value) {
    for (QWidget* widget : QApplication::allWidgets())
      if (widget->objectName().toStdString() == "names." + value)
        return qobject_cast<QAbstractItemView*>(widget);
    ADD_FAILURE() << "no list at " << value;
    return nullptr;
  }
  QStringList listed(const std::string& value) {
    QStringList all;
    const QAbstractItemModel* model = names(value)->model();
    for (int i = 0; i < model->rowCount(); ++i) all << model->index(i, 0).data().toString();
    return all;
  }
};

TEST_F(Materials, aPartOfANameThatIsInOneOnlyIsEnough) {
  openPlain();
  showCase();
  keep("covering_thickness", "buck");
  EXPECT_EQ(saved().given.at("covering_thickness").material, "buckram");
  EXPECT_DOUBLE_EQ(value("covering_thickness"), 0.5);
  EXPECT_EQ(entry("covering_thickness")->text(), "0.5");
  table().select(Subject::value("covering_thickness"));
  settle();
  EXPECT_TRUE(notes().contains("Named: Buckram."));
}

TEST_F(Materials, areListedAndSearchedWhileTyping) {
  openPlain();
  type("board_thickness", "mill");
  EXPECT_TRUE(names("board_thickness")->isVisible());
  EXPECT_THAT(listed("board_thickness").join("; ").toStdString(), ::testing::HasSubstr("Mill"));
  EXPECT_EQ(listed("board_thickness").size(), 1);
  EXPECT_TRUE(message("board_thickness").isEmpty());
  type("board_thickness", "2.5");  // a figure is no search
  EXPECT_FALSE(names("board_thickness")->isVisible());
  press(Qt::Key_Return);
  EXPECT_EQ(saved().given.at("board_thickness").value, Written(std::string("2.5 mm")));
}

TEST_F(Materials, theWholeListIsOpenedByKeyAndChosenFrom) {
  openPlain();
  entry("board_thickness")->setFocus();
  press(Qt::Key_Down, Qt::AltModifier);
  ASSERT_TRUE(names("board_thickness")->isVisible());
  EXPECT_GT(listed("board_thickness").size(), 5);
  QTest::keyClick(names("board_thickness"), Qt::Key_Down);
  QTest::keyClick(names("board_thickness"), Qt::Key_Return);
  settle();
  EXPECT_FALSE(saved().given.at("board_thickness").material.empty());
}

TEST_F(Materials, asMeasuredKeepsTheFigureWithoutTheName) {
  openPlain();
  keep("board_thickness", "mill");
  ASSERT_EQ(saved().given.at("board_thickness").material, "mill-board-20");
  entry("board_thickness")->setFocus();
  press(Qt::Key_Down, Qt::AltModifier);
  EXPECT_EQ(listed("board_thickness").back(), "as measured");
  keep("board_thickness", "as measured");
  EXPECT_EQ(saved().given.at("board_thickness"), (Entry{std::string("2 mm"), {}}));
}

// A house's own, whose names begin with a figure, or have in them what is typed on the way.
TEST_F(Materials, ofTheHouseAreNamedAsTheyAreWritten) {
  std::filesystem::create_directories(folder_.path() + "/materials");
  folder_.write("materials/mine.toml", R"(schema = "drapery-materials/1"
[[material]]
id = "sea-board"
kind = "board"
title = "3 mm sea board"
thickness = "3 mm"
[[material]]
id = "bass"
kind = "board"
title = "Bass wood"
thickness = "4 mm"
)");
  begin({}, {}, allStages(), folder_.path() + "/materials");
  openPlain();
  keep("board_thickness", "3 mm sea board · board");
  EXPECT_EQ(saved().given.at("board_thickness").material, "sea-board");
  keep("board_thickness", "as measured");  // "as" is in Bass alone
  EXPECT_EQ(saved().given.at("board_thickness"), (Entry{std::string("3 mm"), {}}));
}

TEST_F(Materials, whatIsNoneIsToldAndChangesNothing) {
  openPlain();
  keep("board_thickness", "cheese");
  EXPECT_THAT(message("board_thickness").toStdString(),
              ::testing::HasSubstr("the material \"cheese\" is not known"));
  EXPECT_FALSE(saved().given.contains("board_thickness") &&
               !saved().given.at("board_thickness").material.empty());
  press(Qt::Key_Escape);
  keep("board_thickness", "board");  // in more than one
  EXPECT_FALSE(message("board_thickness").isEmpty());
}

}  // namespace
}  // namespace drapery::test
