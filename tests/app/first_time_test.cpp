// Four books sized by somebody who was never told anything: only by what the window asks and shows.
#include "app/table/panels.h"
#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

class FirstTime : public BenchWindow {
 protected:
  void measure(const char* height, const char* width, const char* thickness, const char* board) {
    keep("text_height", height);
    keep("text_width", width);
    keep("text_thickness", thickness);
    keep("board_thickness", board);
  }
  /// Nothing stops the work, every piece has a size, and the case is tried.
  void expectACase(std::size_t pieces) {
    const Plan& plan = document().plan();
    EXPECT_TRUE(document().missing().empty());
    EXPECT_FALSE(plan.has(Severity::Stop)) << notes().toStdString();
    EXPECT_GE(plan.parts.size(), pieces);
    showCase();
    EXPECT_TRUE(notes().contains("The case fits")) << notes().toStdString();
  }
};

TEST_F(FirstTime, aThinAlbumOfPastedInPictures) {
  click("wayin.finished-block");
  click("wayin.for.case-board-gap");
  measure("180", "240", "7", "2");
  click("link.between-closer");
  keep("inserts_thickness", "2.5");
  expectACase(3);
  EXPECT_EQ(document().job().method, "case-board-gap");
  EXPECT_GT(value("board_width"), value("board_height"));  // it lies across
}

TEST_F(FirstTime, aRoundedAndBackedBookFromOneStrip) {
  click("wayin.finished-block");
  measure("222", "145", "28", "2.5");
  choose("spine_shape", 2);
  click("link.spine-closer");
  keep("spine_arc_measured", "46 strip");  // as one would say it; a strip has one place
  EXPECT_FALSE(message("spine_arc_measured").isEmpty());
  keep("spine_arc_measured", "46");
  EXPECT_GT(value("round_depth"), 3);
  EXPECT_NEAR(value("stiffener_width"), 46, 1e-6);  // the strip tells it
  expectACase(5);
}

TEST_F(FirstTime, aClassSetOfSmallBooksInInches) {
  choose("units", 1);
  click("wayin.finished-block");
  click("wayin.for.case-strip-set");
  measure("5 1/2", "4 1/4", "3/8", "0.08");
  auto* copies = find<QLineEdit>("docket.copies");
  copies->setFocus();
  QTest::keyClicks(copies, "24");
  press(Qt::Key_Return);
  EXPECT_EQ(document().plan().copies, 24);
  EXPECT_TRUE(find("slip.board")->accessibleName().contains("48 × Board"));
  EXPECT_TRUE(find("slip.board")->accessibleName().contains("in"));
  expectACase(2);
  copies->setFocus();
  copies->selectAll();
  QTest::keyClicks(copies, "many");
  press(Qt::Key_Return);
  EXPECT_FALSE(copies->accessibleDescription().isEmpty());
  EXPECT_EQ(document().plan().copies, 24);
}

TEST_F(FirstTime, aCaseForBoardsThatAreCut) {
  click("wayin.finished-block");
  measure("210", "144", "25", "2.4");
  click("slip.board");
  auto* cut = find<QLineEdit>("ascut.board");
  cut->setFocus();
  QTest::keyClicks(cut, "139 × 214");
  press(Qt::Key_Return);
  EXPECT_TRUE(notes().contains("Tried as it was cut"));
  EXPECT_NEAR(value("square_head_tried") + value("square_tail_tried"), 4, 1e-9);
  expectACase(3);
}

// What was wrong with the copies of one book is not told of the next.
TEST_F(FirstTime, wrongCopiesGoWithTheirBook) {
  openPlain();
  auto* copies = find<QLineEdit>("docket.copies");
  copies->setFocus();
  QTest::keyClicks(copies, "0");
  press(Qt::Key_Return);
  EXPECT_FALSE(copies->accessibleDescription().isEmpty());
  openPlain();
  EXPECT_TRUE(copies->accessibleDescription().isEmpty());
  EXPECT_EQ(copies->text(), "");
}

}  // namespace
}  // namespace drapery::test
