// The way about, the notes, the pieces, and the files.
#include <gmock/gmock.h>
#include <sys/resource.h>

#include <QMessageBox>
#include <QSignalSpy>
#include <QToolTip>
#include <csignal>
#include <filesystem>

#include "core/drawing/draw_view.h"
#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

using ::testing::AllOf;
using ::testing::HasSubstr;
using ::testing::Not;

class Window : public BenchWindow {
 protected:
  /// No two tags of the drawings overlap, none is cut off by the table, none lies on the words that
  /// turn to another drawing.
  void expectTagsApart(const std::string& what) {
    const auto tags = table().tags();
    for (std::size_t i = 0; i < tags.size(); ++i) {
      ASSERT_TRUE(tags[i]->isVisible()) << what;
      EXPECT_TRUE(table().rect().contains(tags[i]->geometry())) << what << ": " << tags[i]->value();
      for (std::size_t k = i + 1; k < tags.size(); ++k)
        EXPECT_FALSE(tags[i]->geometry().intersects(tags[k]->geometry()))
            << what << ": " << tags[i]->value() << " and " << tags[k]->value();
      for (const QAbstractButton* link : table().findChildren<QAbstractButton*>())
        EXPECT_FALSE(link->isVisible() && link->objectName().startsWith("link.") &&
                     tags[i]->geometry().intersects(link->geometry()))
            << what << ": " << tags[i]->value() << " and " << link->text().toStdString();
    }
  }
  /// The same in each closer look of the stage.
  void expectTagsApartCloser(const Stage& stage, const std::string& what) {
    for (const ViewRule* view : viewsOf(document().plan(), stage.id))
      for (const ViewRule* detail : detailsOf(document().plan(), view->id)) {
        table().select(Subject::field(detail->id));
        QApplication::processEvents();
        expectTagsApart(what + ", " + detail->id);
      }
  }
};

TEST_F(Window, docketTellsHowTheWorkStands) {
  openPlain();
  EXPECT_THAT(find("docket.measure")->accessibleName().toStdString(), HasSubstr("210 × 144 × 25"));
  EXPECT_THAT(find("docket.case")->accessibleName().toStdString(),
              HasSubstr("smallest square 2.73 mm"));
  Job job = plainJob("case-fixed-gap");
  job.given["board_thickness"] = {6.5, {}};  // more than the gap
  open(job);
  EXPECT_THAT(find("docket.case")->accessibleName().toStdString(), HasSubstr("stop"));
}

TEST_F(Window, anyFigureCanBeAskedWhy) {
  openPlain();
  showCase();
  click("tag.board_width");
  const std::string words = notes().toStdString();
  EXPECT_THAT(words, HasSubstr("Board's width"));
  EXPECT_THAT(words, HasSubstr("Width − Set-back + Square at fore-edge"));
  EXPECT_THAT(words, HasSubstr("144 − 7 + 3 = 140 mm"));
  EXPECT_THAT(words, HasSubstr("The board starts at the groove"));
  EXPECT_THAT(words, HasSubstr("Set-back −1 mm"));
  EXPECT_THAT(words, HasSubstr("common practice · Sunk joint, computed"));
  // Every figure of both stages has something to say.
  for (const Stage& stage : tableStages()) {
    window_->setStage(stage);
    for (const Tag* tag : table().tags()) {
      if (tag->value() == "units" || tag->value() == "round" || tag->value() == "method") continue;
      table().select(Subject::value(tag->value()));
      QApplication::processEvents();
      EXPECT_TRUE(isShown("note.why")) << tag->value();
    }
  }
}

// What a shape of spine needs hangs there when it is chosen, and its pieces lie on the tray.
TEST_F(Window, aBackedBookIsAskedForItsRoundAndGetsItsPieces) {
  openPlain();
  EXPECT_FALSE(isShown("tag.shoulder_height"));
  choose("spine_shape", 2);
  EXPECT_TRUE(isShown("tag.shoulder_height"));
  EXPECT_TRUE(isShown("slip.mull"));
  EXPECT_FALSE(isShown("slip.spine_card"));
  keep("shoulder_height", "3");
  keep("round_depth", "6.5 mm");
  EXPECT_EQ(saved().given.at("shoulder_height"), (Entry{std::string("3 mm"), {}}));
  EXPECT_DOUBLE_EQ(value("spine_span"), 31.0);
  showCase();
  EXPECT_FALSE(isShown("tag.stiffener_school"));  // for flat spines
  choose("covering_style", 2);
  EXPECT_TRUE(isShown("slip.corner_piece"));
  EXPECT_FALSE(isShown("slip.covering"));
}

TEST_F(Window, readingsAreToldWithWhatTheyLeaveUncertain) {
  Job job = plainJob();
  job.given["text_width"] = entryOf("143.8 | 144.2");
  open(job);
  showCase();
  EXPECT_THAT(
      notes().toStdString(),
      HasSubstr("The readings leave the square at the fore-edge uncertain: by 0.2 mm either way."));
  click("tag.board_width");
  EXPECT_THAT(notes().toStdString(), HasSubstr("The readings leave 0.2 mm either way."));
  click("slip.covering");
  EXPECT_THAT(notes().toStdString(),
              AllOf(HasSubstr("Width +2 mm wide"), HasSubstr("Height +1 mm high"),
                    HasSubstr("The readings leave 0.4 mm in width and 0 mm in height")));
  click("docket.measure");
  table().select(Subject::value("text_width"));
  QApplication::processEvents();
  EXPECT_THAT(notes().toStdString(), HasSubstr("2 readings, from 143.8 mm to 144.2 mm"));
}

TEST_F(Window, findingsStandAsNotesAndAtTheirTags) {
  Job job = plainJob("case-fixed-gap");
  job.given["board_thickness"] = {6.5, {}};
  open(job);
  showCase();
  EXPECT_THAT(notes().toStdString(), HasSubstr("■  stop"));
  EXPECT_THAT(notes().toStdString(), HasSubstr("Widen the gap to 13 mm or more"));
  keep("joint_gap", "14");
  EXPECT_THAT(notes().toStdString(), Not(HasSubstr("stop")));
}

TEST_F(Window, aPieceLightsUpInTheDrawingAndOnTheTray) {
  openPlain();
  showCase();
  EXPECT_THAT(find("slip.board")->accessibleName().toStdString(),
              HasSubstr("2 × Board, 140 × 216 mm, board, grain head to tail"));
  click("slip.stiffener");
  EXPECT_EQ(table().selected(), Subject::part("stiffener"));
  EXPECT_TRUE(find<QAbstractButton>("slip.stiffener")->isChecked());
  click("slip.board");
  EXPECT_EQ(table().selected(), Subject::part("board"));
  EXPECT_FALSE(find<QAbstractButton>("slip.stiffener")->isChecked());
}

TEST_F(Window, aNewBookAsksAndIsWrittenAtItsFirstMeasure) {
  click("docket.new");
  EXPECT_THAT(notes().toStdString(), HasSubstr("A new book"));
  EXPECT_EQ(QApplication::focusWidget(), entry("text_height"));
  EXPECT_EQ(entry("text_height")->accessibleName(), "How high, head to tail?");
  const std::string path = document().path().toStdString();
  EXPECT_THAT(path, HasSubstr(folder_.path() + "/drapery/jobs/"));
  EXPECT_FALSE(std::filesystem::exists(path));
  for (const char* figure : {"210", "144", "25"}) {
    QTest::keyClicks(QApplication::focusWidget(), figure);
    press(Qt::Key_Return);
  }
  keep("board_thickness", "2.4");
  EXPECT_DOUBLE_EQ(value("board_width"), 140);
  EXPECT_TRUE(planOf(saved(path)).issues.empty());
  EXPECT_EQ(saved(path).id.size(), 36U);
  click("docket.new");
  EXPECT_NE(document().path().toStdString(), path);
}

TEST_F(Window, theTitleIsWrittenOnTheDocket) {
  openPlain();
  auto* title = find<QLineEdit>("docket.title");
  title->setFocus();
  title->selectAll();
  QTest::keyClicks(title, "Choir book, tenor");
  press(Qt::Key_Return);
  EXPECT_EQ(saved().title, "Choir book, tenor");
  EXPECT_THAT(window_->windowTitle().toStdString(), HasSubstr("Choir book, tenor"));
  press(Qt::Key_Z, Qt::ControlModifier);
  table().setFocus();
  click("docket.undo");
  EXPECT_EQ(saved().title, "A plain book");
}

TEST_F(Window, aWrongFileIsRefusedAndThePresentBookStays) {
  openPlain();
  const std::string wrong =
      folder_.write("wrong.json", "{\"schema\": \"drapery-job/1\", \"giving\": 7}");
  FileQuestions questions = fileDialogs();
  questions.open = [&](QWidget*, const QString&) { return QString::fromStdString(wrong); };
  window_->setQuestions(questions);
  click("docket.open");
  EXPECT_THAT(banner().toStdString(), HasSubstr("wrong.json:1:1: \"given\" is missing"));
  EXPECT_EQ(document().path().toStdString(), path_);
  EXPECT_DOUBLE_EQ(value("text_width"), 144);
  questions.open = [&](QWidget*, const QString&) { return QString::fromStdString(path_); };
  window_->setQuestions(questions);
  click("docket.open");
  EXPECT_TRUE(banner().isEmpty());
}

TEST_F(Window, aCopyIsItsOwnBook) {
  Job job = plainJob();
  job.cutting.done.emplace_back().stock = "grey board";
  job.cutting.with = {"./other.json"};
  open(job);
  const std::string copy = folder_.path() + "/copy.json";
  FileQuestions questions = fileDialogs();
  questions.saveJob = [&](QWidget*, const QString&) {
    return QString::fromStdString(folder_.path() + "/copy");
  };
  window_->setQuestions(questions);
  click("docket.copy");
  EXPECT_NE(saved(copy).id, saved().id);
  EXPECT_EQ(saved().cutting.done.size(), 1U);
  EXPECT_TRUE(saved(copy).cutting.done.empty());  // of this one nothing was cut yet
  EXPECT_EQ(saved(copy).cutting.with, saved().cutting.with);
  keep("text_width", "150");
  EXPECT_EQ(saved(copy).given.at("text_width").value, Written(std::string("150 mm")));
  EXPECT_EQ(saved().given.at("text_width").value, Written(144.0));
}

TEST_F(Window, aCopyInAnotherFolderNamesTheSameFiles) {
  Job job = plainJob();
  job.cutting.with = {"other.json", "../shared.json", "/srv/far.json"};
  job.art["jacket"]["front"].picture = "pictures/front.svg";
  open(job);
  std::filesystem::create_directories(folder_.path() + "/shelf/spring");
  const std::string copy = folder_.path() + "/shelf/spring/copy.json";
  FileQuestions questions = fileDialogs();
  questions.saveJob = [&](QWidget*, const QString&) { return QString::fromStdString(copy); };
  window_->setQuestions(questions);
  click("docket.copy");
  EXPECT_THAT(saved(copy).cutting.with,
              ::testing::ElementsAre("../../other.json", "../../../shared.json", "/srv/far.json"));
  EXPECT_EQ(saved(copy).art.at("jacket").at("front").picture, "../../pictures/front.svg");
  EXPECT_EQ(saved().cutting.with.front(), "other.json");
}

TEST_F(Window, aPlaceThatCannotBeWrittenIsToldAndAnotherOffered) {
  openPlain();
  FileQuestions questions = fileDialogs();
  QString answer = QString::fromStdString(folder_.path() + "/no/such/folder/copy.json");
  questions.saveJob = [&](QWidget*, const QString&) { return answer; };
  questions.savePages = [&](QWidget*, const QString&) {
    return QString::fromStdString(folder_.path() + "/no/slip.pdf");
  };
  window_->setQuestions(questions);
  click("docket.copy");
  EXPECT_THAT(banner().toStdString(),
              HasSubstr("copy.json cannot be written: No such file or directory"));
  EXPECT_EQ(document().path().toStdString(), path_);
  answer = QString::fromStdString(folder_.path() + "/copy.json");
  click("banner.way0");
  EXPECT_EQ(document().path(), answer);
  click("docket.slip");
  EXPECT_THAT(banner().toStdString(), HasSubstr("slip.pdf cannot be written"));
}

TEST_F(Window, aHouseRuleWithAMistakeIsToldAndNotTakenUp) {
  const std::string own = folder_.path() + "/drapery/methods";
  std::filesystem::create_directories(own);
  folder_.write("drapery/methods/house.toml",
                "schema = \"drapery-method/1\"\nid = \"house\"\nbase = \"case-sunk-joint\"\ntitle "
                "= \"Our house\"\n"
                "[[derive]]\nid = \"board_width\"\nformula = \"text_widht\"\n");
  begin(own);
  openPlain();
  showCase();
  const std::string before = readFile(path_);
  EXPECT_EQ(find<QComboBox>("tag.method")->itemText(5), "Our house");
  choose("method", 5);
  EXPECT_THAT(
      banner().toStdString(),
      HasSubstr("house.toml:7:12: \"text_widht\" is not known; did you mean \"text_width\"?"));
  EXPECT_EQ(find<QComboBox>("tag.method")->currentText(), "Sunk joint, computed");
  EXPECT_EQ(readFile(path_), before);
}

class ForeignChange : public Window {
 protected:
  void changeUnderneath() {
    openPlain();
    Job other = plainJob();
    other.given["text_height"] = {333.0, {}};
    folder_.write("job.json", writeJob(other));
    keep("text_width", "150");
    EXPECT_THAT(banner().toStdString(), HasSubstr("changed by another program"));
    EXPECT_EQ(saved().given.at("text_height").value, Written(333.0));  // not overwritten
    EXPECT_DOUBLE_EQ(value("text_width"), 150);                        // and not lost
  }
};

TEST_F(ForeignChange, theFilesVersionCanBeTaken) {
  changeUnderneath();
  click("banner.way0");
  EXPECT_DOUBLE_EQ(value("text_height"), 333);
  EXPECT_DOUBLE_EQ(value("text_width"), 144);
}

TEST_F(ForeignChange, oursCanBeKeptInAnotherFile) {
  changeUnderneath();
  FileQuestions questions = fileDialogs();
  questions.saveJob = [&](QWidget*, const QString&) {
    return QString::fromStdString(folder_.path() + "/mine.json");
  };
  window_->setQuestions(questions);
  click("banner.way1");
  EXPECT_EQ(saved(folder_.path() + "/mine.json").given.at("text_width").value,
            Written(std::string("150 mm")));
  EXPECT_EQ(saved().given.at("text_height").value, Written(333.0));
}

TEST_F(ForeignChange, oursCanBeWrittenOverIt) {
  changeUnderneath();
  click("banner.way2");
  EXPECT_EQ(saved().given.at("text_width").value, Written(std::string("150 mm")));
  keep("text_width", "151");
  EXPECT_TRUE(banner().isEmpty());
}

class Leaving : public Window {
 protected:
  /// An edit that could not be saved: the file was taken away.
  void loseTheFile() {
    openPlain();
    std::filesystem::remove(path_);
    keep("text_width", "150");
    EXPECT_FALSE(document().isSaved());
    EXPECT_THAT(banner().toStdString(), HasSubstr("no longer where it was"));
  }
  void answerCopy(const std::string& name) {
    FileQuestions questions = fileDialogs();
    questions.saveJob = [this, name](QWidget*, const QString&) {
      return QString::fromStdString(folder_.path() + "/" + name);
    };
    questions.open = [this](QWidget*, const QString&) {
      return QString::fromStdString(folder_.write("other.json", writeJob(plainJob("case-card"))));
    };
    window_->setQuestions(questions);
  }
};

TEST_F(Leaving, byNewOpenOrCloseTellsOfEditsThatAreInNoFile) {
  loseTheFile();
  answerCopy("mine.json");
  for (const char* way : {"docket.new", "docket.open"}) {
    click(way);
    EXPECT_THAT(banner().toStdString(), HasSubstr("The last edits are not in the file."));
    EXPECT_DOUBLE_EQ(value("text_width"), 150);
    EXPECT_TRUE(document().undoStack()->canUndo());
  }
  EXPECT_FALSE(window_->close());
  EXPECT_THAT(banner().toStdString(), HasSubstr("The last edits are not in the file."));
  click("banner.way0");  // keep mine in another file, and then out
  QApplication::processEvents();
  EXPECT_FALSE(window_->isVisible());
  EXPECT_EQ(saved(folder_.path() + "/mine.json").given.at("text_width").value,
            Written(std::string("150 mm")));
}

TEST_F(Leaving, withoutTheEditsOnlyWhenTheBinderSaysSo) {
  loseTheFile();
  click("docket.new");
  click("banner.way1");
  EXPECT_EQ(document().missing().size(), 4U);
  EXPECT_TRUE(banner().isEmpty());
}

// What the banner offered was for the book before.
TEST_F(Leaving, takesTheFormerBooksBannerAlong) {
  loseTheFile();
  click("banner.way0");  // write it there again
  EXPECT_TRUE(document().isSaved());
  std::filesystem::remove(path_);
  keep("text_width", "151");
  answerCopy("mine.json");
  click("docket.open");
  click("banner.way1");
  EXPECT_EQ(document().job().method, "case-card");
  EXPECT_TRUE(banner().isEmpty());
}

TEST_F(Leaving, aTitleTypedBeforehandStaysWithItsBook) {
  openPlain();
  auto* title = find<QLineEdit>("docket.title");
  title->setFocus();
  title->selectAll();
  QTest::keyClicks(title, "Marsh log");
  press(Qt::Key_N, Qt::ControlModifier);
  EXPECT_EQ(saved().title, "Marsh log");
  EXPECT_EQ(document().job().title, "");
}

TEST_F(Window, aRefusedFileLeavesANewBookThatSavesItsEdits) {
  EXPECT_FALSE(window_->openFile(QString::fromStdString(folder_.path() + "/none.json")));
  table().startTyping();
  QTest::keyClicks(QApplication::focusWidget(), "210");
  press(Qt::Key_Return);
  EXPECT_TRUE(document().isSaved());
  EXPECT_EQ(saved(document().path().toStdString()).given.at("text_height").value,
            Written(std::string("210 mm")));
}

// A long title is cut with a sign, and whole when it is written; passing through changes nothing.
TEST_F(Window, aLongTitleIsShownShortAndKeptWhole) {
  Job job = plainJob();
  for (int i = 0; i < 60; ++i) job.title += "tide ";
  job.title += "🌊";
  open(job);
  const std::string before = readFile(path_);
  auto* title = find<QLineEdit>("docket.title");
  table().setFocus();
  EXPECT_TRUE(title->text().endsWith("…")) << title->text().toStdString();
  title->setFocus();
  EXPECT_EQ(title->text().toStdString(), job.title);
  press(Qt::Key_Tab);
  EXPECT_TRUE(title->text().endsWith("…"));
  EXPECT_EQ(readFile(path_), before);
}

TEST_F(Window, aFullDiskIsToldAndTriedAgain) {
  Job job = plainJob();
  job.title = std::string(150, 'x');
  open(job);
  const std::string before = readFile(path_);
  rlimit limit{};
  ::getrlimit(RLIMIT_FSIZE, &limit);
  rlimit full = limit;
  full.rlim_cur = 64;
  auto* handler = std::signal(SIGXFSZ, SIG_IGN);
  ::setrlimit(RLIMIT_FSIZE, &full);
  keep("text_width", "150");
  ::setrlimit(RLIMIT_FSIZE, &limit);
  std::signal(SIGXFSZ, handler);
  EXPECT_THAT(banner().toStdString(), HasSubstr("cannot be written"));
  EXPECT_EQ(readFile(path_), before);
  EXPECT_DOUBLE_EQ(value("text_width"), 150);
  EXPECT_FALSE(document().isSaved());
  click("banner.way0");  // try again
  EXPECT_TRUE(document().isSaved());
  EXPECT_EQ(saved().given.at("text_width").value, Written(std::string("150 mm")));
}

// The largest book's pieces are seen whole on the tray, from edge to edge.
TEST_F(Window, noPieceIsHigherThanItsPlaceOnTheTray) {
  Job job = plainJob();
  job.given["text_height"] = {1180.0, {}};
  job.given["text_width"] = {900.0, {}};
  job.given["text_thickness"] = {120.0, {}};
  open(job);
  for (const Slip* slip : window_->findChildren<Slip*>())
    EXPECT_LT(slip->shownSize().height(), slip->height()) << slip->partId().toStdString();
}

// Moving and enlarging the drawing renews no note and keeps every tag.
TEST_F(Window, aPanRenewsNothingButTheView) {
  openPlain();
  showCase();
  QSignalSpy written(find<MarginNotes>("notes"), &MarginNotes::written);
  const auto before = table().tags();
  const QRect where = find("tag.board_width")->parentWidget()->geometry();
  table().setFocus();
  press(Qt::Key_Right, Qt::ControlModifier);
  press(Qt::Key_Plus);
  EXPECT_NE(find("tag.board_width")->parentWidget()->geometry(), where);
  EXPECT_EQ(table().tags(), before);
  EXPECT_EQ(written.count(), 0);
  press(Qt::Key_0);
  EXPECT_EQ(find("tag.board_width")->parentWidget()->geometry(), where);
  table().select(Subject::value("board_width"));
  EXPECT_EQ(written.count(), 1);
}

TEST_F(Window, theSlipIsPrinted) {
  openPlain();
  const std::string pdf = folder_.path() + "/slip.pdf";
  FileQuestions questions = fileDialogs();
  questions.savePages = [&](QWidget*, const QString&) { return QString::fromStdString(pdf); };
  window_->setQuestions(questions);
  type("text_width", "150");  // typed, not yet kept: the slip must not be older than the screen
  press(Qt::Key_P, Qt::ControlModifier);
  EXPECT_THAT(banner().toStdString(), HasSubstr(pdf));
  EXPECT_THAT(run({"pdftotext", "-layout", pdf, "-"}).out, HasSubstr("146 × 216 mm"));
  click("docket.new");
  click("docket.slip");
  EXPECT_THAT(banner().toStdString(), HasSubstr("must be measured first"));
}

// The smallest and the largest book, in both units, in a small and a large window: no tag on
// another.
TEST_F(Window, tagsNeverCollide) {
  struct Size {
    double height, width, thickness, board;
  };
  for (const Size& size :
       {Size{20, 20, 0.5, 0.2}, Size{1200, 1200, 400, 10}, Size{210.4, 143.8, 22.6, 2.4},
        Size{60, 300, 12, 1.5}, Size{900, 60, 90, 4}}) {
    for (const Units units : {Units::Millimetres, Units::Inches}) {
      Job job = plainJob(units == Units::Inches ? "case-fixed-gap" : "case-sunk-joint");
      job.units = units;
      job.given = {{"text_height", {size.height, {}}},
                   {"text_width", {size.width, {}}},
                   {"text_thickness", {size.thickness, {}}},
                   {"board_thickness", {size.board, {}}}};
      open(job);
      for (const QSize& window : {QSize(1280, 800), QSize(1024, 700), QSize(1920, 1080)}) {
        window_->resize(window);
        for (const Stage& stage : tableStages()) {
          window_->setStage(stage);
          QApplication::processEvents();
          const std::string what = std::to_string(size.height) + " high, window " +
                                   std::to_string(window.width()) + ", " + stage.id;
          expectTagsApart(what);
          expectTagsApartCloser(stage, what);
        }
      }
    }
  }
}

// 3.5 inches are no mark of a rule, but 3.5 mm are: the next book does not get them.
TEST_F(Window, whatIsWrongAtATagIsNotTakenToAnotherBook) {
  Job inches = plainJob();
  inches.units = Units::Inches;
  open(inches);
  keep("round", "3.5");
  EXPECT_FALSE(message("round").isEmpty());
  entry("round")->setFocus();
  open(plainJob("spring-back"));
  click("docket.measure");
  window_->setFocus();
  settle();
  EXPECT_FALSE(document().undoStack()->canUndo());
  EXPECT_EQ(writeJob(saved()), writeJob(plainJob("spring-back")));
}

// As large as a usual window has room for; on a larger screen they may be larger.
TEST_F(Window, theLargestLettersCanBeWorkedWith) {
  openPlain();
  for (int i = 0; i < 20 && banner().isEmpty(); ++i) press(Qt::Key_Plus, Qt::ControlModifier);
  EXPECT_EQ(workspace_->settings().number("font_scale"), 1.75);
  EXPECT_THAT(banner().toStdString(), HasSubstr("usual size"));
  click("banner.way0");
  for (const char* demo : {"tide-ledger", "lantern-log", "tern-notes", "hive-diary"}) {
    path_ = folder_.write("demo.json", projectFile("demo/" + std::string(demo) + ".json"));
    ASSERT_TRUE(window_->openFile(QString::fromStdString(path_)));
    for (const Stage& stage : tableStages()) {
      click(("docket." + std::string(stage.id)).c_str());
      EXPECT_EQ(window_->size(), QSize(1280, 800));
      expectTagsApart(std::string(demo) + ", " + stage.id);
      expectTagsApartCloser(stage, demo);
      click(
          ("docket." + std::string(stage.id == std::string("case") ? "measure" : "case")).c_str());
      click(("docket." + std::string(stage.id)).c_str());
      if (!isShown("table.switch")) continue;
      const QWidget* other = find("table.switch");
      for (const Tag* tag : table().tags())
        EXPECT_FALSE(tag->geometry().intersects(other->geometry())) << demo << tag->value();
      click("table.switch");
      expectTagsApart(std::string(demo) + ", the other drawing");
    }
  }
  press(Qt::Key_0, Qt::ControlModifier);
  EXPECT_EQ(workspace_->settings().number("font_scale"), 1.0);
}

// A folder's or a book's name is letters, whatever it looks like.
TEST_F(Window, namesAreNeverReadAsRichText) {
  const QString rich = "<img src='/etc/passwd'><b>bold</b>";
  Job job = plainJob();
  job.title = rich.toStdString();
  open(job);
  EXPECT_EQ(window_->openFile("/no/" + rich + ".json"), false);
  EXPECT_TRUE(banner().contains(rich));
  QMessageBox box(QMessageBox::Warning, "Copy", "Replace " + rich + "?", QMessageBox::Ok);
  box.show();
  QToolTip::showText(QPoint(10, 10), rich, window_.get());
  QApplication::processEvents();
  int labels = 0;
  for (QWidget* widget : QApplication::allWidgets())
    if (const auto* label = qobject_cast<QLabel*>(widget)) {
      EXPECT_EQ(label->textFormat(), Qt::PlainText) << label->text().toStdString();
      labels += label->text().contains("img");
    }
  EXPECT_GE(labels, 3);  // banner, box and tip
  QToolTip::hideText();
}

// The rule in hand is what must change: its tag says so.
TEST_F(Window, aRuleTooCoarseForAPieceIsToldAtItsTag) {
  Job job = plainJob();
  job.given["text_thickness"] = {8.0, {}};
  open(job);
  const auto tag = [this] { return table().grab(find("tag.round")->parentWidget()->geometry()); };
  const auto isRed = [](const QPixmap& picture) {
    const QImage image = picture.toImage();
    for (int y = 0; y < image.height(); ++y)
      for (int x = 0; x < image.width(); ++x)
        if (image.pixelColor(x, y) == lightPalette().stop) return true;
    return false;
  };
  EXPECT_FALSE(isRed(tag()));
  keep("round", "20 mm");
  EXPECT_TRUE(isRed(tag()));
  EXPECT_THAT(notes().toStdString(), HasSubstr("Take a rule whose marks are 8 mm apart or less."));
  keep("round", "8 mm");
  EXPECT_FALSE(isRed(tag()));
}

// The figures that wait for a method are looked at before they are taken.
TEST_F(Window, unsoundFiguresOfAnotherMethodWaitAndAreTold) {
  Job job = plainJob();
  job.otherAllowances["case-fixed-gap"] = {
      {"joint_gap", {99.0, {}}}, {"margin", {17.0, {}}}, {"nonsense", {1.0, {}}}};
  open(job);
  document().keep("method", Entry{std::string("case-fixed-gap"), {}});
  settle();
  EXPECT_THAT(banner().toStdString(),
              AllOf(HasSubstr("joint_gap: 99 is not allowed"), HasSubstr("nonsense")));
  EXPECT_EQ(value("margin"), 17);
  EXPECT_EQ(saved().otherAllowances.at("case-fixed-gap").size(), 2U);
  // The file can be opened again, and nothing of it is lost on the way back.
  ASSERT_TRUE(window_->openFile(QString::fromStdString(path_))) << banner().toStdString();
  document().keep("method", Entry{std::string("case-sunk-joint"), {}});
  EXPECT_EQ(saved().otherAllowances.at("case-fixed-gap").size(), 3U);
}

TEST_F(Window, zoomAndPanMoveTheDrawingAndZeroBringsItBack) {
  openPlain();
  table().setFocus();
  const QRect before = entry("text_width")->parentWidget()->geometry();
  press(Qt::Key_Right, Qt::ControlModifier);
  EXPECT_NE(entry("text_width")->parentWidget()->geometry(), before);
  press(Qt::Key_Plus);
  press(Qt::Key_0);
  EXPECT_EQ(entry("text_width")->parentWidget()->geometry(), before);
}

TEST_F(Window, notesFoldAwayInANarrowWindowAndComeWhenAsked) {
  openPlain();
  window_->resize(1024, 700);
  QApplication::processEvents();
  EXPECT_FALSE(isShown("notes"));
  entry("text_width")->setFocus();
  QApplication::processEvents();
  EXPECT_TRUE(isShown("notes"));
  press(Qt::Key_Escape);
  table().setFocus();
  press(Qt::Key_Escape);
  EXPECT_FALSE(isShown("notes"));
}

/// Relative luminance and contrast, WCAG 2.1, definitions.
double luminance(const QColor& colour) {
  const auto channel = [](double c) {
    return c <= 0.03928 ? c / 12.92 : std::pow((c + 0.055) / 1.055, 2.4);
  };
  return 0.2126 * channel(colour.redF()) + 0.7152 * channel(colour.greenF()) +
         0.0722 * channel(colour.blueF());
}
double contrast(const QColor& a, const QColor& b) {
  const double la = luminance(a), lb = luminance(b);
  return (std::max(la, lb) + 0.05) / (std::min(la, lb) + 0.05);
}

TEST(PaletteContrast, everyTextColourIsReadableOnEveryGround) {
  for (const Palette* palette : {&lightPalette(), &benchPalette()})
    for (const QColor& ground : {palette->ground, palette->paper, palette->onAccent})
      for (const QColor& text : {palette->ink, palette->secondInk, palette->accent, palette->stop,
                                 palette->mind, palette->note})
        EXPECT_GE(contrast(text, ground), 4.5)
            << text.name().toStdString() << " on " << ground.name().toStdString();
}

TEST(Fonts, figuresLineUp) {
  const QFontMetricsF metrics(textFont(100, true));
  for (const QChar digit : QString("123456789"))
    EXPECT_DOUBLE_EQ(metrics.horizontalAdvance(digit), metrics.horizontalAdvance(QChar('0')));
  EXPECT_EQ(QFontInfo(textFont(14)).family(), "IBM Plex Sans");
}

}  // namespace
}  // namespace drapery::test
