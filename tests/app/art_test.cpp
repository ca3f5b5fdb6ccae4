// The jacket as a page to design on, driven as a binder would.
#include <gmock/gmock.h>

#include <QImage>

#include "app/table/art_sheet.h"
#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

using ::testing::HasSubstr;

class ArtTest : public BenchWindow {
 protected:
  ArtSheet& sheet() { return *find<ArtSheet>("art"); }
  void show(std::map<std::string, std::string> more = {}) {
    Job job = plainJob();
    job.allowances["with_jacket"] = {std::string("with"), {}};
    for (const auto& [field, value] : more) job.allowances[field] = {value, {}};
    open(job);
    click("docket.jacket");
    window_->page().select(Subject::field("page-to-print"));
    settle();
  }
  void fill(const char* name, const char* text) {
    auto* entry = find<QLineEdit>(name);
    entry->setFocus();
    entry->selectAll();
    QTest::keyClicks(entry, text);
    QTest::keyClick(entry, Qt::Key_Return);
    settle();
  }
  std::string told() { return find<QLabel>("art.wrong")->text().toStdString(); }
  std::string pictureFile(const char* name, int width, int height) {
    QImage image(width, height, QImage::Format_RGB32);
    image.fill(QColor("#2B5B7A"));
    const std::string path = folder_.path() + "/" + name;
    EXPECT_TRUE(image.save(QString::fromStdString(path)));
    return path;
  }
  void choosePicture(const char* panel, const std::string& path) {
    FileQuestions ask;
    ask.openPicture = [path](QWidget*, const QString&) { return QString::fromStdString(path); };
    window_->setQuestions(ask);
    click((std::string("art.") + panel + ".picture").c_str());
  }
};

TEST_F(ArtTest, titlesAndPicturesAreKeptUndoneAndReadAgain) {
  show();
  EXPECT_THAT(
      find<QLabel>("art.positions")->text().toStdString(),
      HasSubstr("100, 252.6, 283.2, 435.8; the right edge 535.8 mm. From the right edge they "
                "are the same."));
  fill("art.spine.title", "Tide ledger");
  ASSERT_EQ(sheet().page()->titles.size(), 1U);
  EXPECT_EQ(sheet().page()->titles[0].turn, 90.0);  // down the spine, until it is said otherwise
  click("art.spine.runs");
  click("art.spine.ink");
  fill("art.front.title", "Tide ledger");
  fill("art.front.letters", "9 mm");
  choosePicture("front", pictureFile("sea.png", 2000, 2800));
  PanelArt front = saved().art["jacket"]["front"];
  EXPECT_EQ(front.title, "Tide ledger");
  EXPECT_EQ(front.letters, 9.0);
  EXPECT_EQ(front.picture, "sea.png");  // from the book's folder
  EXPECT_EQ(saved().art["jacket"]["spine"].runs, TitleRuns::Up);
  EXPECT_EQ(saved().art["jacket"]["spine"].ink, TitleInk::Light);
  ASSERT_EQ(sheet().page()->pictures.size(), 1U);
  EXPECT_TRUE(sheet().page()->notes.empty()) << told();
  // It goes on over the head and the tail by the bleed, and ends at the folds.
  const ArtPage::Picture& put = sheet().page()->pictures[0];
  EXPECT_NEAR(put.seen.top(), -3.0, 1e-9);
  EXPECT_NEAR(put.seen.left(), 283.2, 1e-6);
  EXPECT_NEAR(put.seen.right(), 435.8, 1e-6);
  click("art.front.drop");
  EXPECT_TRUE(saved().art["jacket"]["front"].picture.empty());
  document().undoStack()->undo();
  EXPECT_EQ(saved().art["jacket"]["front"].picture, "sea.png");
}

TEST_F(ArtTest, whatIsWrongIsToldBesideThePage) {
  show({{"title_clear", "2 mm"}});
  fill("art.spine.title", "Tide ledger");
  fill("art.spine.letters", "29 mm");
  EXPECT_THAT(told(), HasSubstr("the title on the spine comes within 0.8 mm of a fold; 2 mm"));
  fill("art.spine.letters", "none");
  EXPECT_THAT(told(), HasSubstr("none"));
  EXPECT_EQ(saved().art["jacket"]["spine"].letters, 29.0);
  fill("art.spine.letters", "8");
  EXPECT_FALSE(find<QLabel>("art.wrong")->isVisible()) << told();
  choosePicture("back", pictureFile("small.png", 300, 400));
  EXPECT_THAT(told(), HasSubstr("small.png on the back comes to 46 dots an inch"));
  choosePicture("back", folder_.write("words.png", "no picture at all"));
  EXPECT_THAT(told(), HasSubstr("words.png is no picture"));
  EXPECT_TRUE(sheet().page()->pictures.empty());
  choosePicture("back",
                folder_.write("other.svg",
                              "<svg xmlns='http://www.w3.org/2000/svg' width='10' height='10'>"
                              "<image href='/etc/hostname' width='5' height='5'/></svg>"));
  EXPECT_THAT(told(), HasSubstr("draws on another file, /etc/hostname"));
}

TEST_F(ArtTest, aJacketThatOpensTheOtherWayIsMirrored) {
  show({{"jacket_opens", "right_to_left"}});
  const auto& panels = sheet().page()->art.panels;
  ASSERT_EQ(panels.size(), 5U);
  EXPECT_EQ(panels.front().rule->id, "front_flap");
  EXPECT_EQ(panels.back().rule->id, "back_flap");
  EXPECT_EQ(sheet().page()->art.closes(), 0.0);
}

TEST_F(ArtTest, isOfferedOnlyWhereThereIsAJacket) {
  openPlain();
  click("docket.jacket");
  window_->page().select(Subject::field("page-to-print"));
  settle();
  EXPECT_EQ(window_->findChild<QWidget*>("art"), nullptr);
  ASSERT_FALSE(
      document().keep("allowances/with_jacket", FieldValue(Entry{std::string("with"), {}})));
  settle();
  window_->page().select({});
  window_->page().select(Subject::field("page-to-print"));
  settle();
  EXPECT_TRUE(sheet().isVisible());
  EXPECT_EQ(sheet().page()->art.panels.size(), 5U);
  find<QLineEdit>("art.front.title")->setFocus();
  press(Qt::Key_Escape);
  EXPECT_FALSE(sheet().isVisible());
}

// What is typed and not kept yet is kept on every way out.
TEST_F(ArtTest, aTitleThatIsBeingTypedIsNotLost) {
  show();
  auto* title = find<QLineEdit>("art.back.title");
  title->setFocus();
  QTest::keyClicks(title, "Half a title");
  click("docket.case");
  EXPECT_EQ(saved().art["jacket"]["back"].title, "Half a title");
}

TEST_F(ArtTest, measuredAndComputedStandBesideOneAnother) {
  Job job = plainJob();
  job.allowances["with_jacket"] = {std::string("with"), {}};
  job.given["jacket_cover_measured"] = {158.0, {}};
  open(job);
  click("docket.jacket");
  EXPECT_EQ(value("jacket_cover"), 158.0);
  window_->page().select(Subject::field("jacket-measured"));
  settle();
  EXPECT_TRUE(isShown("tag.jacket_cover_measured"));
  EXPECT_TRUE(isShown("tag.jacket_cover_by_case"));
  choose("jacket_follows", 1);
  EXPECT_NEAR(value("jacket_cover"), 152.6, 1e-9);
  EXPECT_EQ(std::get<std::string>(saved().allowances.at("jacket_follows").value), "case");
}

TEST_F(ArtTest, thePageIsWritten) {
  show();
  fill("art.front.title", "Tide ledger");
  const std::string pdf = folder_.path() + "/page.pdf";
  FileQuestions ask;
  ask.savePages = [&](QWidget*, const QString& suggested) {
    EXPECT_TRUE(suggested.endsWith("-jacket.pdf")) << suggested.toStdString();
    return QString::fromStdString(pdf);
  };
  window_->setQuestions(ask);
  click("art.pdf");
  EXPECT_THAT(run({"pdftotext", pdf, "-"}).out, HasSubstr("Tide ledger"));
}

// The page, its words and its rows stand one under the other, whatever the window.
TEST_F(ArtTest, hasRoomInEveryWindow) {
  for (const double letters : {1.0, 1.5}) {
    setFontScale(letters);
    begin();
    window_->resize(1024, 700);
    show();
    fill("art.spine.title", "Tide ledger of the east quay");
    fill("art.spine.letters", "30 mm");
    fill("art.front.title", "Tideledger");  // too long in such letters: warnings take several lines
    fill("art.front.letters", "90 mm");
    EXPECT_THAT(told(), HasSubstr("\n"));
    std::vector<std::pair<QString, QRect>> places;
    for (const char* name : {"art.page", "art.positions", "art.wrong", "art.pdf", "art.front.title",
                             "art.front.letters", "art.front.picture", "art.spine.runs",
                             "art.spine.ink", "art.spine.picture"}) {
      const auto* widget = find(name);
      places.emplace_back(name, QRect(widget->mapTo(&sheet(), QPoint()), widget->size()));
    }
    for (std::size_t i = 0; i < places.size(); ++i)
      for (std::size_t j = i + 1; j < places.size(); ++j)
        EXPECT_FALSE(places[i].second.intersects(places[j].second))
            << places[i].first.toStdString() << " and " << places[j].first.toStdString();
  }
  setFontScale(1.0);
}

}  // namespace
}  // namespace drapery::test
