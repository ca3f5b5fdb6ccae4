// The cover turned by its handle: dragged, by keys, by its words, played.
#include <QSignalSpy>
#include <QVariantAnimation>

#include "app/table/turn_handle.h"
#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

class Opening : public BenchWindow {
 protected:
  void openCover(const Job& job) {
    open(job);
    showCase();
    click("link.opened-closer");
  }
  TurnHandle& handle() { return *dynamic_cast<TurnHandle*>(find("turn")); }
  QPoint middle() { return handle().geometry().center(); }
};

TEST_F(Opening, arrowsTurnItFromClosedToAsFarAsItGoes) {
  openCover(plainJob());
  handle().setFocus();
  press(Qt::Key_Home);
  EXPECT_EQ(handle().value(), 0);
  const QPoint closed = middle();
  press(Qt::Key_Left);
  EXPECT_EQ(handle().value(), 5);
  press(Qt::Key_Left, Qt::ShiftModifier);
  EXPECT_EQ(handle().value(), 6);
  EXPECT_LT(middle().y(), closed.y());
  press(Qt::Key_End);
  EXPECT_EQ(handle().value(), 180);
  EXPECT_LT(middle().x(), closed.x());
}

// Where the cloth pulls it stays, and so does the handle.
TEST_F(Opening, itGoesNoFurtherThanItsCloth) {
  openCover(plainJob("case-board-gap"));
  const double most = value("opening_angle_tried");
  ASSERT_LT(most, 120);
  click("link.pose-over");
  EXPECT_EQ(handle().value(), std::lround(most));
  click("link.pose-half");
  EXPECT_EQ(handle().value(), 90);
  click("link.pose-closed");
  EXPECT_EQ(handle().value(), 0);
}

TEST_F(Opening, theHandleFollowsThePointerAboutTheHinge) {
  openCover(plainJob());
  click("link.pose-closed");
  // Straight up over where it turns, which lies left of the closed handle.
  const QPoint closed = middle();
  click("link.pose-over");
  const QPoint over = middle();
  const QPoint hinge((closed.x() + over.x()) / 2, (closed.y() + over.y()) / 2);
  QTest::mousePress(&handle(), Qt::LeftButton, {}, handle().rect().center());
  QMouseEvent move(QEvent::MouseMove, handle().mapFromParent(hinge - QPoint(0, 150)),
                   QCursor::pos(), Qt::LeftButton, Qt::LeftButton, {});
  QApplication::sendEvent(&handle(), &move);
  EXPECT_NEAR(handle().value(), 90, 3);
  EXPECT_TRUE(saved().fixed.empty());  // looking changes nothing
}

TEST_F(Opening, playsToTheEndAndStopsAtAKey) {
  openCover(plainJob());
  click("link.pose-closed");
  click("link.pose-play");
  EXPECT_TRUE(QTest::qWaitFor([&] { return !handle().isPlaying(); }, kLong));
  EXPECT_EQ(handle().value(), 180);
  // Again, with the test for a clock.
  QVariantAnimation& playing = *handle().findChild<QVariantAnimation*>();
  const auto playTo = [&](double part) {
    playing.setCurrentTime(static_cast<int>(part * playing.duration()));
  };
  click("link.pose-play");
  playing.pause();
  playTo(0);
  EXPECT_EQ(handle().value(), 0);
  QSignalSpy turned(&handle(), &TurnHandle::turned);
  for (int i = 1; i <= 24; ++i) {
    const QPoint before = middle();
    playTo(i / 24.0);
    EXPECT_EQ(turned.count(), i);
    EXPECT_NE(middle(), before);
    EXPECT_EQ(handle().isPlaying(), i < 24);
  }
  EXPECT_EQ(handle().value(), 180);
  click("link.pose-play");
  playing.pause();
  playTo(0.5);
  EXPECT_EQ(handle().value(), 90);
  handle().setFocus();
  press(Qt::Key_Home);
  EXPECT_FALSE(handle().isPlaying());
  EXPECT_EQ(handle().value(), 0);
}

TEST_F(Opening, theOtherCoverComesAlongAndTheHandleGoesWithTheDrawing) {
  openCover(plainJob());
  const QPoint alone = middle();
  click("link.pose-both");
  EXPECT_NE(middle(), alone);
  click("link.joint");
  EXPECT_FALSE(handle().isVisible());
}

// Whatever turns: dragged to where it stands at so many degrees it has as many, from one end to
// the other, and its words take it there.
TEST_F(Opening, whatTurnsFollowsThePointerInEveryStructure) {
  struct Turned {
    const char *book, *stage, *view;
    int whole;
  };
  for (const Turned& of : {Turned{"hive-book-stabbed", "cover", "hinge-turned-closer", 180},
                           {"chart-folder", "measure", "hinge-turned-closer", 360},
                           {"estuary-birds", "measure", "pulled-closer", 180},
                           {"seed-list", "cover", "lifted-closer", 180},
                           {"tide-pocket-book", "cover", "lifted-closer", 180},
                           {"ferry-accounts", "spring", "spring-on-closer", 180}}) {
    SCOPED_TRACE(of.book);
    open(readJob(projectFile(std::string("demo/") + of.book + ".json"), "demo").job.value());
    click((std::string("docket.") + of.stage).c_str());
    click((std::string("link.") + of.view).c_str());
    EXPECT_EQ(handle().maximum(), of.whole);
    for (const int degrees : {of.whole / 6, of.whole / 2, 3 * of.whole / 4}) {
      handle().setValue(degrees);
      const QPoint there = middle();
      handle().setValue(degrees == of.whole / 2 ? 0 : of.whole / 2);
      ASSERT_NE(middle(), there);
      QTest::mousePress(&handle(), Qt::LeftButton, {}, handle().rect().center());
      QMouseEvent move(QEvent::MouseMove, handle().mapFromParent(there), QCursor::pos(),
                       Qt::LeftButton, Qt::LeftButton, {});
      QApplication::sendEvent(&handle(), &move);
      QTest::mouseRelease(&handle(), Qt::LeftButton);
      EXPECT_NEAR(handle().value(), degrees, of.whole / 20.0);
    }
    click("link.pose-closed");
    EXPECT_EQ(handle().value(), handle().minimum());
    click("link.pose-over");
    EXPECT_EQ(handle().value(), of.whole);
  }
}

// Pulled down round the leaves the sides of a wrapper go no further; from there they lift.
TEST_F(Opening, aWrapperGoesDownAndThenLifts) {
  open(readJob(projectFile("demo/seed-list.json"), "demo").job.value());
  click("docket.cover");
  click("link.folded-closer");
  const auto whereIt = [&](int degrees) {
    handle().setValue(degrees);
    return middle();
  };
  const auto pullTo = [&](QPoint there) {
    QMouseEvent move(QEvent::MouseMove, handle().mapFromParent(there), QCursor::pos(),
                     Qt::LeftButton, Qt::LeftButton, {});
    QApplication::sendEvent(&handle(), &move);
  };
  const QPoint half = whereIt(45), low = whereIt(90), lifted = whereIt(150);
  click("link.pose-closed");
  EXPECT_EQ(handle().value(), 0);
  QTest::mousePress(&handle(), Qt::LeftButton, {}, handle().rect().center());
  pullTo(half);
  EXPECT_NEAR(handle().value(), 45, 4);
  pullTo(low - QPoint(60, 0));  // past the leaves
  EXPECT_EQ(handle().value(), 90);
  pullTo(low - QPoint(60, 0));
  EXPECT_EQ(handle().value(), 90);
  pullTo(lifted);
  EXPECT_NEAR(handle().value(), 150, 4);
  QTest::mouseRelease(&handle(), Qt::LeftButton);
  EXPECT_TRUE(saved().fixed.empty());
}

// A figure typed while the cover is open turns what is seen at once.
TEST_F(Opening, followsTheCaseThatIsTried) {
  openCover(plainJob("case-board-gap"));
  click("link.pose-over");
  const double before = value("opening_angle_tried");
  document().keep("allowances/gap_ratio", Entry{1.6, {}});
  settle();
  EXPECT_GT(value("opening_angle_tried"), before + 5);
  EXPECT_EQ(handle().value(), std::lround(value("opening_angle_tried")));
}

}  // namespace
}  // namespace drapery::test
