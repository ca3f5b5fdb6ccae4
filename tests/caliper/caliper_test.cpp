// The caliper of no metal on its pseudo-terminal, through the same port and into the same window.
#include <QMenu>
#include <QProcess>

#include "app/words/caliper_words.h"
#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

class Caliper : public BenchWindow {
 protected:
  /// Starts it and listens; its readings come from now on.
  void plugIn(const QStringList& options) {
    sim_.setProgram(QString(DRAPERY_BIN_DIR) + "/drapery-caliper-sim");
    sim_.setArguments(options);
    sim_.start();
    ASSERT_TRUE(sim_.waitForReadyRead(5000));
    port_ = QString::fromUtf8(sim_.readLine()).trimmed();
    caliper().use(port_);
    ASSERT_TRUE(caliper().isOpen()) << port_.toStdString();
  }
  /// The button of the caliper is pressed.
  void send() { sim_.write("\n"); }
  CaliperPort& caliper() { return workspace_->caliper(); }
  bool comes(const std::function<bool()>& what) { return QTest::qWaitFor(what, kLong); }
  std::size_t readings(const char* measure) {
    const auto& given = document().job().given;
    const auto found = given.find(measure);
    return found == given.end() ? 0 : found->second.readings.size();
  }
  ~Caliper() override {
    caliper().use({});
    sim_.kill();
    sim_.waitForFinished();
  }

  QProcess sim_;
  QString port_;
};

TEST_F(Caliper, fillsOnePlaceAfterTheOther) {
  openPlain();
  entry("text_height")->setFocus();
  press(Qt::Key_Down, Qt::AltModifier);
  ASSERT_TRUE(entry("text_height@spine")->hasFocus());
  plugIn({"--every", "400", "--readings", "209.6,210.2,210.4"});
  ASSERT_TRUE(comes([&] { return readings("text_height") == 4; }));
  const auto read = saved().given.at("text_height").readings;
  EXPECT_EQ(read[1].at, "spine");
  EXPECT_EQ(read[1].by, "caliper");
  EXPECT_EQ(read[1].value, Written(std::string("209.6 mm")));
  EXPECT_EQ(read[2].at, "middle");
  EXPECT_EQ(read[3].at, "fore-edge");
  EXPECT_EQ(read[3].value, Written(std::string("210.4 mm")));
}

TEST_F(Caliper, aPlainMeasureTakesItToo) {
  openPlain();
  entry("board_thickness")->setFocus();
  plugIn({"--on-enter", "--readings", "2.36"});
  send();
  ASSERT_TRUE(comes([&] { return std::abs(value("board_thickness") - 2.36) < 1e-9; }));
  EXPECT_FALSE(entry("board_thickness")->hasFocus());  // on to the next
}

TEST_F(Caliper, inchesStayInches) {
  openPlain();
  entry("text_thickness")->setFocus();
  plugIn({"--on-enter", "--inches", "--readings", "25.4"});
  send();
  ASSERT_TRUE(comes([&] { return std::abs(value("text_thickness") - 25.4) < 1e-9; }));
  EXPECT_EQ(saved().given.at("text_thickness").value, Written(std::string("1 in")));
}

TEST_F(Caliper, whatCannotBeReadIsSaidAtTheTagAndKeepsNothing) {
  openPlain();
  const std::string before = writeJob(saved());
  const auto told = [&](const QStringList& options, const char* words) {
    entry("text_width")->setFocus();
    plugIn(QStringList{"--on-enter", "--readings", "143.5,143.5,143.5"} + options);
    for (int i = 0; i < 2; ++i) send();
    EXPECT_TRUE(comes([&] { return message("text_width").contains(words); }))
        << words << ": " << message("text_width").toStdString();
    EXPECT_EQ(writeJob(saved()), before) << words;
    caliper().use({});
    sim_.kill();
    sim_.waitForFinished();
  };
  told({"--garbled", "1"}, "no whole reading");
  told({"--no-unit"}, "without mm or in");
  told({"--noise"}, "4800 bits a second");
}

TEST_F(Caliper, aSecondOneTooSoonIsLeftOut) {
  openPlain();
  entry("text_width")->setFocus();
  plugIn({"--every", "60", "--readings", "143.5,144.5", "--stay"});
  EXPECT_TRUE(comes([&] { return std::abs(value("text_width") - 143.5) < 1e-9; }));
  const auto isTold = [&] {
    for (const Tag* tag : table().tags())
      if (tag->kind() == Tag::Kind::Entry && message(tag->value()).contains("left out"))
        return true;
    return banner().contains("left out");
  };
  EXPECT_TRUE(comes(isTold));
  EXPECT_NEAR(value("text_width"), 143.5, 1e-9);
}

TEST_F(Caliper, unpluggedIsToldAndBackItGoesOn) {
  openPlain();
  entry("text_width")->setFocus();
  plugIn({"--every", "1", "--readings", "143.5"});
  EXPECT_TRUE(comes([&] { return !caliper().isOpen(); }));
  EXPECT_TRUE(comes([&] { return caliperStatus(caliper()) == "unplugged"; }));
  EXPECT_NEAR(value("text_width"), 143.5, 1e-9);
  sim_.waitForFinished();  // it hangs up before it ends
  plugIn({"--on-enter", "--stay"});
  EXPECT_TRUE(caliper().isOpen());
}

TEST_F(Caliper, withNoPlaceChosenItAsksForOne) {
  openPlain();
  table().select({});
  table().setFocus();
  plugIn({"--on-enter", "--readings", "99"});
  send();
  EXPECT_TRUE(comes([&] { return banner().contains("Choose where it goes"); }));
}

TEST_F(Caliper, outOfRangeIsToldLikeATypedOne) {
  openPlain();
  entry("board_thickness")->setFocus();
  const double before = value("board_thickness");
  plugIn({"--on-enter", "--readings", "-4.5"});
  send();
  EXPECT_TRUE(comes([&] { return message("board_thickness").contains("4.5"); }));
  EXPECT_NEAR(value("board_thickness"), before, 1e-9);
}

TEST_F(Caliper, itsPortIsChosenAtTheDocketAndRemembered) {
  plugIn({"--on-enter", "--stay"});
  click("docket.caliper");
  auto* menu = window_->findChild<QMenu*>("caliper.ports");
  ASSERT_NE(menu, nullptr);
  const auto actions = menu->actions();
  ASSERT_GE(actions.size(), 2);
  EXPECT_TRUE(std::any_of(actions.begin(), actions.end(), [&](const QAction* action) {
    return action->text() == port_ && action->isChecked();
  }));
  actions.last()->trigger();
  menu->close();
  EXPECT_TRUE(caliper().path().isEmpty());
  EXPECT_EQ(workspace_->settings().text("caliper"), "");
}

// A button pressed at a measure that was read in places does not wipe the readings out.
TEST_F(Caliper, goesToAnEmptyPlaceOfAMeasureThatWasReadAlready) {
  Job job = plainJob();
  job.given["text_height"].readings = {{209.0, "spine", "rule"}, {211.0, "middle", "rule"}};
  open(job);
  entry("text_height")->setFocus();
  plugIn({"--on-enter", "--readings", "210.5,210.7"});
  send();
  ASSERT_TRUE(comes([&] { return readings("text_height") == 3; }));
  EXPECT_EQ(saved().given.at("text_height").readings.back().at, "fore-edge");
  entry("text_height")->setFocus();
  QTest::qWait(400);  // sooner would be left out
  send();
  EXPECT_TRUE(comes([&] { return banner().contains("Choose where it goes"); }));
  EXPECT_EQ(readings("text_height"), 3U);
}

}  // namespace
}  // namespace drapery::test
