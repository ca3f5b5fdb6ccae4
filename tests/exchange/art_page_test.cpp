// How pictures and titles lie on a jacket's panels.
#include <gmock/gmock.h>

#include <QImage>
#include <QPainter>

#include "exchange/art_files.h"
#include "paint/lettering.h"
#include "tests/exchange/page_picture.h"
#include "tests/support/books.h"
#include "tests/support/command.h"
#include "words/issue_words.h"

namespace drapery::test {
namespace {

using ::testing::HasSubstr;
using ::testing::IsEmpty;

class ArtPageTest : public ::testing::Test {
 protected:
  ArtPageTest() {
    job_.allowances["with_jacket"] = {std::string("with"), {}};
    job_.title = "Tide ledger";
  }
  ArtPage page() {
    plan_ = std::make_shared<const Plan>(planOf(job_).plan);
    return makeArtPage(job_, plan_, artworksOn(*plan_).at(0), folder_.path());
  }
  std::string picture(const char* name, int width, int height) {
    QImage image(width, height, QImage::Format_RGB32);
    image.fill(Qt::darkBlue);
    EXPECT_TRUE(image.save(QString::fromStdString(folder_.path() + "/" + name)));
    return name;
  }
  PanelArt& on(const char* panel) { return job_.art["jacket"][panel]; }
  static std::string told(const Issues& issues) {
    std::string words;
    for (const Issue& issue : issues) words += issueWords(issue, {}) + "\n";
    return words;
  }

  const TemporaryFolder folder_;
  Job job_ = plainJob();
  std::shared_ptr<const Plan> plan_;
};

// At its own proportion: one side as long as the panel with its bleed, the other longer or shorter.
TEST_F(ArtPageTest, aPictureFillsItsPanelOrLiesWhollyOnIt) {
  on("front").picture = picture("wide.png", 4000, 1000);
  on("front_flap").picture = picture("high.png", 1000, 9000);
  on("back").picture = "wide.png";
  on("back").fit = PictureFit::Whole;
  const ArtPage page = this->page();
  ASSERT_EQ(page.pictures.size(), 3U);
  const Artwork::Panel &front = *page.art.panel("front"), &flap = *page.art.panel("front_flap");
  const double high = page.art.height + 2 * page.art.bleed;
  const auto &back = page.pictures[0], &filled = page.pictures[1], &edge = page.pictures[2];
  EXPECT_NEAR(filled.into.height(), high, 1e-9);
  EXPECT_NEAR(filled.into.width(), 4 * high, 1e-9);
  EXPECT_NEAR(filled.into.center().x(), front.left + front.width / 2, 1e-9);
  EXPECT_NEAR(filled.seen.width(), front.width, 1e-9);  // it ends at the folds
  EXPECT_NEAR(filled.seen.height(), high, 1e-9);
  EXPECT_NEAR(edge.seen.right(), flap.right() + page.art.bleed, 1e-9);  // and goes on at the edge
  EXPECT_NEAR(edge.seen.left(), flap.left, 1e-9);
  EXPECT_NEAR(back.into.width(), page.art.panel("back")->width, 1e-9);
  EXPECT_NEAR(back.into.height(), page.art.panel("back")->width / 4, 1e-9);
  EXPECT_EQ(back.into, back.seen);
}

// What is to be seen whole loses nothing to the knife.
TEST_F(ArtPageTest, aWholePictureKeepsOffTheBleed) {
  on("back_flap") = {picture("high.png", 1000, 9000), PictureFit::Whole, "", 0.0};
  on("front") = {picture("square.png", 3000, 3000), PictureFit::Whole, "", 0.0};
  on(ArtPage::kWhole) = {"square.png", PictureFit::Whole, "", 0.0};
  const ArtPage page = this->page();
  ASSERT_EQ(page.pictures.size(), 3U);
  for (const ArtPage::Picture& put : page.pictures) {
    EXPECT_EQ(put.into, put.seen);
    EXPECT_GE(put.seen.left(), -1e-9);
    EXPECT_GE(put.seen.top(), -1e-9);
    EXPECT_LE(put.seen.bottom(), page.art.height + 1e-9);
  }
}

TEST_F(ArtPageTest, lettersThatNobodyCanReadAreTold) {
  on("spine").title = std::string(500, 'W');
  on("spine").runs = TitleRuns::Down;
  EXPECT_THAT(told(page().notes), HasSubstr("the title on the spine is"));
  on("spine") = {"", PictureFit::Fill, "LEDGER", 9.0, TitleRuns::Across};
  const ArtPage across = page();  // across the spine it keeps off the folds
  EXPECT_LE(across.titles[0].letters, 9.0);
  for (const Issue& note : across.notes) EXPECT_NE(note.id, IssueId("title-near-fold"));
}

TEST_F(ArtPageTest, aPictureOverAllLiesUnderTheOthers) {
  on("front").picture = picture("a.png", 3000, 3000);
  on(ArtPage::kWhole).picture = picture("b.png", 9000, 3600);
  const ArtPage page = this->page();
  ASSERT_EQ(page.pictures.size(), 2U);
  EXPECT_NEAR(page.pictures[0].seen.left(), -page.art.bleed, 1e-9);
  EXPECT_NEAR(page.pictures[0].seen.right(), page.art.width() + page.art.bleed, 1e-9);
  EXPECT_THAT(page.notes, IsEmpty());
}

// Letters that nobody spoke of are as large as suits; said ones stay, and what is wrong is told.
TEST_F(ArtPageTest, titlesAreSetToTheirPanels) {
  on("spine").title = "Tide ledger";
  on("spine").runs = TitleRuns::Down;
  on("front").title = "A title of so many words that it takes several lines of its panel";
  const ArtPage usual = page();
  ASSERT_EQ(usual.titles.size(), 2U);
  EXPECT_THAT(usual.notes, IsEmpty()) << told(usual.notes);
  const ArtPage::Title &spine = usual.titles[0], &front = usual.titles[1];
  EXPECT_EQ(spine.lines.size(), 1);
  EXPECT_EQ(spine.turn, 90.0);
  const Artwork::Panel& panel = *usual.art.panel("spine");
  EXPECT_NEAR(spine.middle.x(), panel.left + panel.width / 2, 1e-9);
  EXPECT_GT(front.lines.size(), 1);
  QImage medium(1, 1, QImage::Format_RGB32);
  QPainter painter(&medium);
  const Lettering letters(painter, 20.0);
  for (const QString& line : front.lines)
    EXPECT_LT(letters.widthOf(line, front.letters), usual.art.panel("front")->width);

  on("spine").letters = panel.width - 1.0;
  EXPECT_THAT(told(page().notes), HasSubstr("comes within 0.5 mm of a fold; 2 mm is the least"));
  on("spine").letters = panel.width - 4.1;
  EXPECT_THAT(page().notes, IsEmpty());
  on("spine").title = std::string(300, 'M');
  const ArtPage tooLong = page();
  EXPECT_THAT(told(tooLong.notes), HasSubstr("the title on the spine is"));
  EXPECT_LE(letters.widthOf(tooLong.titles[0].lines[0], tooLong.titles[0].letters),
            tooLong.art.height);
}

TEST_F(ArtPageTest, everySpineWithinItsFolds) {
  on("spine").title = "Ledger of the tides at the east quay";
  on("spine").runs = TitleRuns::Up;
  for (const double thickness : {4.0, 9.0, 25.0, 90.0}) {
    job_.given["text_thickness"] = {thickness, {}};
    const ArtPage page = this->page();
    ASSERT_EQ(page.titles.size(), 1U);
    EXPECT_THAT(page.notes, IsEmpty()) << thickness << told(page.notes);
    EXPECT_LE(page.titles[0].letters, page.art.panel("spine")->width - 2 * page.art.clear + 1e-9);
  }
}

// Light letters are seen on a dark picture, in the page and in both files.
TEST_F(ArtPageTest, whatIsPaintedIsOnTheFiles) {
  on("front") = {picture("dark.png", 3000, 4000),
                 PictureFit::Fill,
                 "Tide ledger",
                 20.0,
                 TitleRuns::Across,
                 TitleInk::Light};
  const ArtPage page = this->page();
  QImage image((page.paper() * 2.0).toSize(), QImage::Format_RGB32);
  image.fill(Qt::white);
  QPainter painter(&image);
  painter.scale(2.0, 2.0);
  painter.translate(page.offset(), page.offset());
  paintArt(painter, page);
  painter.end();
  const Artwork::Panel& front = *page.art.panel("front");
  int light = 0, dark = 0;
  for (int y = 60; y < 300; ++y)
    for (int x = static_cast<int>(2 * (page.offset() + front.left)) + 2;
         x < static_cast<int>(2 * (page.offset() + front.right())) - 2; ++x)
      (qGray(image.pixel(x, y)) > 128 ? light : dark)++;
  EXPECT_GT(light, 300);
  EXPECT_GT(dark, 30 * light / 10);
  const QByteArray svg = artSvg(page);
  EXPECT_TRUE(svg.contains("data:image/"));
  EXPECT_FALSE(svg.contains(">Tide ledger</text>"));  // its letters are shapes
  const std::string pdf = folder_.write("j.pdf", std::get<QByteArray>(artPdf(page)).toStdString());
  EXPECT_THAT(run({"pdfimages", "-list", pdf}).out, HasSubstr("4000"));
}

TEST_F(ArtPageTest, smallBooksHaveTheirMarksToo) {
  job_.given["text_height"] = {40.0, {}};
  job_.given["text_width"] = {30.0, {}};
  const std::string pdf =
      folder_.write("j.pdf", std::get<QByteArray>(artPdf(page())).toStdString());
  const std::string words = run({"pdftotext", "-layout", pdf, "-"}).out;
  for (const char* told : {"100 mm", "Tide ledger: Dust jacket", "Print at 100 %"})
    EXPECT_THAT(words, HasSubstr(told));
  // A jacket so small that its paper has no room for 100 mm is given half of it.
  for (const auto& [panel, mm] : {std::pair{"cover", 20.0}, {"flap", 10.0}, {"spine", 3.0}})
    job_.given["jacket_" + std::string(panel) + "_measured"] = {mm, {}};
  const ArtPage least = page();
  EXPECT_LT(least.paper().width(), 108.0);
  const std::string small =
      folder_.write("s.pdf", std::get<QByteArray>(artPdf(least)).toStdString());
  EXPECT_THAT(run({"pdftotext", small, "-"}).out,
              ::testing::AllOf(HasSubstr("50 mm"), ::testing::Not(HasSubstr("100 mm"))));
  const PagePicture picture = PagePicture::ofPdf(small, 1, 254);
  const double bar = least.offset() + least.art.height + least.art.bleed + ArtPage::kMargin - 3.0;
  const std::vector<double> ends = picture.across(bar - 1.7, 1.0, least.paper().width() - 1.0);
  ASSERT_GE(ends.size(), 2U);
  EXPECT_NEAR(ends[1] - ends[0], 50.0, 0.1);
}

}  // namespace
}  // namespace drapery::test
