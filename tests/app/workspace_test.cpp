// What outlives the widgets: the book and its writer, settings, rules that change on the disk, work
// beside the window, the log.
#include <gmock/gmock.h>

#include <QSignalSpy>
#include <atomic>
#include <filesystem>
#include <fstream>
#include <semaphore>

#include "app/workspace/log.h"
#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

using ::testing::ElementsAre;
using ::testing::HasSubstr;
using ::testing::Not;

/// A repository whose disk is as slow as the test wants.
struct SlowDisk : JobRepository {
  struct Place : JobPlace {
    explicit Place(SlowDisk& of) : disk(of) {}
    [[nodiscard]] std::string name() const override { return "slow"; }
    std::optional<Issue> write(const Job& job) override {
      disk.go.acquire();
      disk.titles.push_back(job.title);
      return disk.outcome;
    }
    std::optional<Issue> writeOver(const Job& job) override { return write(job); }
    std::optional<Issue> writeTo(const std::string&, const Job& job) override { return write(job); }
    SlowDisk& disk;
  };
  std::variant<Found, Issue> open(const std::string&) override { return Issue{}; }
  std::unique_ptr<JobPlace> fresh() override { return std::make_unique<Place>(*this); }

  std::counting_semaphore<100> go{0};
  std::vector<std::string> titles;  // the writer's, until it has settled
  std::optional<Issue> outcome;
};

Entry titled(const char* title) { return Entry{std::string(title), {}}; }

TEST(BookWriter, anEditDoesNotWaitForTheDiskAndTheLastOneIsWritten) {
  SlowDisk disk;
  Document document(std::make_shared<const RuleLibrary>(), disk, Units::Millimetres);
  QSignalSpy saved(&document, &Document::saved);
  for (const char* title : {"One", "Two", "Three", "Four"}) document.keep("title", titled(title));
  EXPECT_TRUE(document.isWriting());
  EXPECT_FALSE(document.isSaved());
  EXPECT_EQ(document.job().title, "Four");
  disk.go.release(2);
  EXPECT_TRUE(QTest::qWaitFor([&] { return document.isSaved(); }));
  EXPECT_THAT(disk.titles, ElementsAre("One", "Four"));
  EXPECT_EQ(saved.count(), 1);
}

TEST(BookWriter, aSlowFailureIsTold) {
  SlowDisk disk;
  Document document(std::make_shared<const RuleLibrary>(), disk, Units::Millimetres);
  QSignalSpy failed(&document, &Document::saveFailed);
  disk.outcome = Issue{"file-unwritable", {}, {}, {}, {}};
  document.keep("title", titled("One"));
  disk.go.release(1);
  EXPECT_TRUE(failed.wait());
  EXPECT_FALSE(document.isSaved());
  // On the way out it is tried once more.
  disk.outcome.reset();
  disk.go.release(1);
  EXPECT_FALSE(document.save());
  EXPECT_TRUE(document.isSaved());
  EXPECT_THAT(disk.titles, ElementsAre("One", "One"));
}

using Bench = BenchWindow;

TEST_F(Bench, anotherThemeWhileTheWorkGoesOn) {
  begin({}, folder_.path() + "/settings.json");
  openPlain();
  showCase();
  keep("setback", "6");
  click("slip.board");
  const QColor before = window_->grab().toImage().pixelColor(300, 300);
  type("margin", "20");  // not kept yet
  press(Qt::Key_B, Qt::ControlModifier);
  const QColor after = window_->grab().toImage().pixelColor(300, 300);
  EXPECT_GT(before.lightness(), 200);
  EXPECT_LT(after.lightness(), 100);
  EXPECT_EQ(QString(window_->stage().id), "case");
  EXPECT_EQ(value("margin"), 20);
  EXPECT_EQ(saved().allowances.at("margin").value, Written(std::string("20 mm")));
  EXPECT_TRUE(document().undoStack()->canUndo());
  // It is remembered, and the next window has it.
  begin({}, folder_.path() + "/settings.json");
  EXPECT_LT(window_->grab().toImage().pixelColor(300, 300).lightness(), 100);
  click("docket.theme");
  EXPECT_GT(window_->grab().toImage().pixelColor(300, 300).lightness(), 200);
}

TEST_F(Bench, aMessageStaysThroughAnotherTheme) {
  openPlain();
  window_->openFile("/nowhere.json");
  const QString told = banner();
  press(Qt::Key_B, Qt::ControlModifier);
  EXPECT_THAT(told.toStdString(), HasSubstr("Not opened"));
  EXPECT_EQ(banner(), told);
}

TEST_F(Bench, aWrongFigureStaysToldThroughAnotherTheme) {
  openPlain();
  type("text_width", "7 in mm");
  const QString told = message("text_width");
  press(Qt::Key_B, Qt::ControlModifier);
  EXPECT_THAT(told.toStdString(), HasSubstr("two units"));
  EXPECT_EQ(message("text_width"), told);
  EXPECT_EQ(entry("text_width")->text(), "7 in mm");
  EXPECT_DOUBLE_EQ(value("text_width"), 144);
}

TEST_F(Bench, settingsThatCannotBeReadAreToldAndNotWrittenOver) {
  const std::string broken = R"({"theme": "bench", )";
  const std::string settings = folder_.write("settings.json", broken);
  begin({}, settings);
  window_->tellLeftOut();
  EXPECT_THAT(banner().toStdString(), HasSubstr("settings.json:1:20: not JSON"));
  press(Qt::Key_B, Qt::ControlModifier);  // holds for this session
  workspace_->close();
  EXPECT_EQ(readFile(settings), broken);
}

TEST_F(Bench, lettersGrowAndShrink) {
  openPlain();
  const int before = entry("text_width")->font().pixelSize();
  for (int i = 0; i < 3; ++i) press(Qt::Key_Plus, Qt::ControlModifier);
  EXPECT_GT(entry("text_width")->font().pixelSize(), before);
  for (int i = 0; i < 30; ++i) press(Qt::Key_Minus, Qt::ControlModifier);
  EXPECT_GE(fontScale(), 0.5);
  press(Qt::Key_0, Qt::ControlModifier);
  EXPECT_EQ(entry("text_width")->font().pixelSize(), before);
  setFontScale(1.0);
}

TEST_F(Bench, unitsAndBookAreRemembered) {
  const std::string settings = folder_.path() + "/settings.json";
  begin({}, settings);
  openPlain();
  choose("units", 1);
  workspace_->close();
  begin({}, settings);
  EXPECT_EQ(document().plan().units, Units::Inches);
  EXPECT_EQ(workspace_->settings().text("last_book"), path_);
}

std::string houseFile(const char* formula) {
  return "schema = \"drapery-method/1\"\nid = \"house\"\nbase = \"case-sunk-joint\"\ntitle = "
         "\"Our house\"\n[[derive]]\nid = \"board_width\"\nformula = \"" +
         std::string(formula) + "\"\n";
}

TEST_F(Bench, rulesThatChangeOnTheDiskAreTakenUp) {
  const std::string own = folder_.path() + "/methods";
  std::filesystem::create_directories(own);
  folder_.write("methods/house.toml", houseFile("text_width - 5 mm"));
  begin(own);
  workspace_->watchRules();
  open(plainJob("house"));
  EXPECT_DOUBLE_EQ(value("board_width"), 139);
  folder_.write("methods/house.toml", houseFile("text_width - 15 mm"));
  EXPECT_TRUE(QTest::qWaitFor([this] { return value("board_width") == 129; }));
  // Broken, it is told, and the book is planned by what held before.
  folder_.write("methods/house.toml", houseFile("text_widht - 15 mm"));
  EXPECT_TRUE(QTest::qWaitFor([this] { return !banner().isEmpty(); }));
  EXPECT_THAT(banner().toStdString(), HasSubstr("did you mean \"text_width\""));
  EXPECT_DOUBLE_EQ(value("board_width"), 129);
  keep("text_width", "150");
  EXPECT_DOUBLE_EQ(value("board_width"), 135);
  // What is being typed meanwhile stays.
  type("text_height", "2");
  // A file put in the other's place, as editors do.
  folder_.write("methods/house.new", houseFile("text_width - 25 mm"));
  std::filesystem::rename(own + "/house.new", own + "/house.toml");
  EXPECT_TRUE(QTest::qWaitFor([this] { return value("board_width") == 125; }));
  EXPECT_EQ(entry("text_height")->text(), "2");
}

std::string lampFile(const char* names) {
  return houseFile("text_width - 5 mm") + "[[given]]\n" + names +
         "title = \"Lamp\"\nrange = [\"1 mm\", \"9 mm\"]\noptional = true\n";
}

// A field gets another name while the book is open: also what undo brings back has it.
TEST_F(Bench, aRenamedFieldKeepsItsFigure) {
  const std::string own = folder_.path() + "/methods";
  std::filesystem::create_directories(own);
  folder_.write("methods/house.toml", lampFile("id = \"lamp\"\n"));
  begin(own);
  Job job = plainJob("house");
  job.given["lamp"] = {4.0, {}};
  open(job);
  keep("text_width", "150");
  folder_.write("methods/house.toml", lampFile("id = \"lantern\"\nwas = [\"lamp\"]\n"));
  workspace_->reloadRules();
  EXPECT_DOUBLE_EQ(value("lantern"), 4);
  document().undoStack()->undo();
  EXPECT_DOUBLE_EQ(value("lantern"), 4);
  EXPECT_EQ(saved().given.count("lamp"), 0U);
}

TEST_F(Bench, aBookKeptUnderOtherRulesIsTold) {
  Job job = plainJob();
  job.rules = "0123456789abcdef";
  open(job);
  EXPECT_THAT(notes().toStdString(), HasSubstr("Its rules have changed"));
  keep("text_width", "150");
  EXPECT_THAT(notes().toStdString(), Not(HasSubstr("Its rules have changed")));
  EXPECT_EQ(saved().rules, test::shippedMethod("case-sunk-joint")->version());
  open(saved());
  EXPECT_THAT(notes().toStdString(), Not(HasSubstr("Its rules have changed")));
}

TEST(Tasks, tellHowFarTheyAreAndTheirOutcome) {
  Tasks tasks;
  QSignalSpy progressed(&tasks, &Tasks::progressed);
  std::string told;
  tasks.start(
      &tasks,
      [](Tasks::Control& control) {
        control.setProgressValue(40);
        return Tasks::Outcome(Issue{"file-there", {}, {}, {}, {}});
      },
      [&](const Tasks::Outcome& outcome) { told = outcome->id.text(); });
  EXPECT_TRUE(QTest::qWaitFor([&] { return !told.empty(); }));
  EXPECT_EQ(told, "file-there");
  EXPECT_GE(progressed.count(), 1);
  EXPECT_FALSE(tasks.isBusy());
}

TEST(Tasks, areNotTellingWhoIsGone) {
  Tasks tasks;
  auto context = std::make_unique<QObject>();
  bool isTold = false;
  tasks.start(
      context.get(), [](Tasks::Control&) { return Tasks::Outcome(); },
      [&](const Tasks::Outcome&) { isTold = true; });
  context.reset();
  tasks.settle();
  EXPECT_FALSE(isTold);
}

TEST(Tasks, canBeEndedAndAreThenNotDone) {
  Tasks tasks;
  QSignalSpy cancelled(&tasks, &Tasks::cancelled);
  std::atomic<bool> isEnded = false, isDone = false;
  tasks.start(
      &tasks,
      [&](Tasks::Control& control) {
        while (!control.isCanceled()) QThread::msleep(1);
        isEnded = true;
        return Tasks::Outcome();
      },
      [&](const Tasks::Outcome&) { isDone = true; });
  EXPECT_TRUE(tasks.isBusy());
  tasks.cancel();
  EXPECT_TRUE(QTest::qWaitFor([&] { return isEnded.load() && cancelled.count() == 1; }));
  EXPECT_FALSE(isDone);
}

// What a killed write left a day ago goes with the next start.
TEST_F(Bench, leftoversOfKilledWritesGo) {
  std::filesystem::create_directories(folder_.path() + "/drapery/jobs");
  const std::string old = folder_.write("drapery/jobs/.drapery-AbCdEf", "half");
  const std::string fresh = folder_.write("drapery/jobs/.drapery-GhIjKl", "half");
  std::filesystem::last_write_time(
      old, std::filesystem::file_time_type::clock::now() - std::chrono::hours(25));
  workspace_->removeLeftovers();
  settle();
  EXPECT_FALSE(std::filesystem::exists(old));
  EXPECT_TRUE(std::filesystem::exists(fresh));
}

TEST(Log, goesToItsFolderAndTakesWhatQtSays) {
  const TemporaryFolder folder;
  takeQtMessages();
  logNote("from before there was a log");
  startLog(folder.path() + "/state");
  logNote("opened a\nbook\x1b[31m");
  qWarning("something of Qt's");
  const std::string log = readFile(folder.path() + "/state/drapery.log");
  EXPECT_THAT(log, HasSubstr("from before there was a log"));
  EXPECT_THAT(log, HasSubstr("opened a\\nbook\\x1b[31m"));
  EXPECT_THAT(log, HasSubstr("Qt: something of Qt's"));
  EXPECT_THAT(log, Not(HasSubstr("\x1b")));
  // Where it cannot be written, nothing else suffers.
  startLog("/dev/null/state");
  logNote("lost");
  qInstallMessageHandler(nullptr);
}

}  // namespace
}  // namespace drapery::test
