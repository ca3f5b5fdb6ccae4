// The stage Templates, driven as a binder would: sheets, a thing looked at, gauges and printers
// kept, files written, pages printed.
#include <gmock/gmock.h>

#include <QPrinter>
#include <filesystem>

#include "app/printing/print_sheet_view.h"
#include "app/printing/screen_card.h"
#include "app/printing/templates_page.h"
#include "store/shop_json.h"
#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

using ::testing::HasSubstr;

class TemplatesTest : public BenchWindow {
 protected:
  TemplatesPage& page() { return dynamic_cast<TemplatesPage&>(window_->page()); }
  void show(const Job& job = plainJob()) {
    open(job);
    click("docket.templates");
  }
  std::string margin() {
    QStringList words;
    for (const QLabel* label : find("templates.margin")->findChildren<QLabel*>())
      words << label->text();
    for (const auto* button : find("templates.margin")->findChildren<QAbstractButton*>())
      words << button->text();
    return words.join("\n").toStdString();
  }
  void fill(const char* name, const char* text) {
    auto* entry = find<QLineEdit>(name);
    entry->setFocus();
    QTest::keyClicks(entry, text);
  }
  void fillAndKeep(const char* name, const char* text) {
    fill(name, text);
    QTest::keyClick(find<QLineEdit>(name), Qt::Key_Return);
    settle();
  }
  Shop shop() { return std::get<Shop>(shopIn(folder_.path() + "/drapery/shop.json")); }
};

TEST_F(TemplatesTest, sheetsFollowBookAndPaper) {
  show();
  ASSERT_NE(page().print(), nullptr);
  const std::size_t sheets = page().print()->sheets.size();
  EXPECT_THAT(margin(), HasSubstr(std::to_string(sheets) + " sheets of A4"));
  click("templates.paper.roll");
  ASSERT_EQ(page().print()->sheets.size(), 1U);
  fillAndKeep("templates.roll", "60");
  EXPECT_THAT(margin(), HasSubstr("180"));  // what is allowed
  EXPECT_TRUE(page().print()->paper.isRoll);
  click("templates.paper.a3");
  EXPECT_LT(page().print()->sheets.size(), sheets);
  // Another board, another spacer and corner.
  ASSERT_FALSE(
      document().keep("given/board_thickness", FieldValue(Entry{std::string("3 mm"), {}})));
  settle();
  click("templates.thing.corner-guide");
  EXPECT_THAT(margin(), HasSubstr("4.5 mm from the board"));
}

TEST_F(TemplatesTest, aThingIsLookedAtAndLeftOut) {
  show();
  const std::size_t before = page().print()->things.size();
  auto* first = find<PrintSheetView>("templates.sheet.1");
  QTest::mouseClick(first, Qt::LeftButton);
  settle();
  auto* sheet = find<PrintSheetView>("templates.sheet");
  ASSERT_TRUE(sheet->isVisible());
  // The gap's spacer, where it lies on this sheet.
  std::size_t spacer = 0;
  while (page().print()->things[spacer].id != "gap-spacer") ++spacer;
  const auto place = sheet->placeOf(spacer);
  ASSERT_TRUE(place.has_value());
  QTest::mouseClick(sheet, Qt::LeftButton, {}, place->center().toPoint());
  settle();
  EXPECT_THAT(margin(), HasSubstr("2 mm more than is marked; with one layer fewer, 0.4 mm of card "
                                  "beside make it just this"));
  click("templates.toggle");
  EXPECT_EQ(page().print()->things.size(), before - 1);
  EXPECT_THAT(margin(), HasSubstr("Not printed"));
  press(Qt::Key_Escape);
  press(Qt::Key_Escape);
  EXPECT_FALSE(sheet->isVisible());
  click("templates.thing.corner-guide");
  click("templates.alone");
  ASSERT_EQ(page().print()->things.size(), 1U);
  EXPECT_EQ(page().print()->things[0].id, "corner-guide");
  click("templates.alone");
  EXPECT_EQ(page().print()->things.size(), before - 1);
  click("templates.thing.piece/board");
  EXPECT_EQ(page().selected(), Subject::part("board"));
  click("templates.toggle");
  EXPECT_EQ(page().print()->things.size(), before);
}

TEST_F(TemplatesTest, theShopsGaugesAreKeptByName) {
  show();
  click("templates.thing.margin-gauge");
  fill("templates.gauge.name", "brass rule");
  fillAndKeep("templates.gauge.wide", "no rule");
  EXPECT_THAT(margin(), HasSubstr("no rule"));
  EXPECT_TRUE(shop().gauges.empty());
  find<QLineEdit>("templates.gauge.wide")->clear();
  fillAndKeep("templates.gauge.wide", "18.2");
  ASSERT_EQ(shop().gauges.size(), 1U);
  EXPECT_THAT(margin(), HasSubstr("Your brass rule: 0.2 mm wider."));
  click("templates.gauge.drop.brass rule");
  EXPECT_TRUE(shop().gauges.empty());
}

TEST_F(TemplatesTest, aPrinterIsPutRightAndKeptByName) {
  show();
  fill("templates.printer.name", "hall");
  fill("templates.printer.across", "80");
  fillAndKeep("templates.printer.along", "100");
  EXPECT_THAT(margin(), HasSubstr("100 %"));  // it is set to scale
  EXPECT_TRUE(shop().printers.empty());
  find<QLineEdit>("templates.printer.across")->clear();
  fillAndKeep("templates.printer.across", "99.2");
  ASSERT_EQ(shop().printers.size(), 1U);
  EXPECT_NEAR(shop().errorOf("hall").across, 0.992, 1e-9);
  EXPECT_NEAR(page().print()->error.across, 0.992, 1e-9);
  // What is read of a sheet that was put right is off what it was off.
  fill("templates.printer.across", "100.1");
  fillAndKeep("templates.printer.along", "100");
  EXPECT_NEAR(shop().errorOf("hall").across, 0.992 * 1.001, 1e-9);
}

TEST_F(TemplatesTest, pagesArePrintedAndWritten) {
  show();
  const std::string pdf = folder_.path() + "/printed.pdf", dxf = folder_.path() + "/t.dxf";
  FileQuestions ask;
  ask.savePages = [&](QWidget*, const QString& suggested) {
    EXPECT_TRUE(suggested.endsWith("-templates.dxf")) << suggested.toStdString();
    return QString::fromStdString(dxf);
  };
  window_->setQuestions(ask);
  page().askForPrinter([&](QPrinter& printer, QWidget*) {
    printer.setOutputFormat(QPrinter::PdfFormat);
    printer.setOutputFileName(QString::fromStdString(pdf));
    return true;
  });
  const std::size_t sheets = page().print()->sheets.size();
  click("templates.print");
  EXPECT_THAT(
      run({"pdfinfo", pdf}).out,
      ::testing::AllOf(HasSubstr("Pages:           " + std::to_string(sheets)), HasSubstr("(A4)")));
  EXPECT_THAT(margin(), HasSubstr("Hold a rule against the bars"));
  click("templates.dxf");
  settle();
  EXPECT_THAT(readFile(dxf), HasSubstr("ENGRAVE"));
  EXPECT_THAT(banner().toStdString(), HasSubstr("t.dxf"));
}

TEST_F(TemplatesTest, aCardTellsHowLargeAMmIs) {
  show();
  click("templates.true");
  auto* card = find<ScreenCard>("screen.card");
  ASSERT_TRUE(card->isVisible());
  const double usual = card->scale();
  const QPoint corner = card->corner().toPoint();
  QTest::mousePress(card, Qt::LeftButton, {}, corner);
  QTest::mouseMove(card, corner + QPoint(86, 54));
  QTest::mouseRelease(card, Qt::LeftButton, {}, corner + QPoint(86, 54));
  EXPECT_NEAR(card->scale(), usual + 1.0, 0.02);  // 86 by 54 pixels are a pixel to the mm
  click("templates.card.done");
  auto* sheet = find<PrintSheetView>("templates.sheet");
  ASSERT_TRUE(sheet->isVisible());
  EXPECT_NEAR(sheet->scale(), usual + 1.0, 0.02);
  click("templates.fit");
  EXPECT_LT(sheet->scale(), usual + 0.9);
}

// What is half typed stays, whatever is made anew around it.
TEST_F(TemplatesTest, halfTypedFiguresStay) {
  show();
  click("templates.thing.margin-gauge");
  fill("templates.gauge.name", "brass");
  fill("templates.printer.across", "99");
  click("templates.paper.a3");
  click("templates.thing.margin-gauge");
  click("templates.thing.margin-gauge");
  EXPECT_EQ(find<QLineEdit>("templates.gauge.name")->text(), "brass");
  EXPECT_EQ(find<QLineEdit>("templates.printer.across")->text(), "99");
  window_->dressAnew();
  settle();
  EXPECT_EQ(find<QLineEdit>("templates.printer.across")->text(), "99");
}

TEST_F(TemplatesTest, keysGoFromSheetToSheet) {
  show();
  page().setFocus();
  auto* sheet = find<PrintSheetView>("templates.sheet");
  press(Qt::Key_Right);
  ASSERT_TRUE(sheet->isVisible());
  EXPECT_EQ(page().closerLook().id, "sheet/1");
  press(Qt::Key_Right);
  EXPECT_EQ(page().closerLook().id, "sheet/2");
  press(Qt::Key_Left);
  press(Qt::Key_Left);
  EXPECT_EQ(page().closerLook().id, "sheet/1");
  press(Qt::Key_Escape);
  EXPECT_TRUE(page().closerLook().empty());
  press(Qt::Key_Left);
  EXPECT_EQ(page().closerLook().id, "sheet/" + std::to_string(page().print()->sheets.size()));
}

TEST_F(TemplatesTest, aFileThatIsWrongIsToldAndLeftAlone) {
  const std::string wrong = "{\"schema\": \"drapery-shop/1\", \"gauges\": 7}";
  std::filesystem::create_directories(folder_.path() + "/drapery");
  folder_.write("drapery/shop.json", wrong);
  begin();
  show();
  EXPECT_THAT(margin(), HasSubstr("gauges"));
  click("templates.thing.margin-gauge");
  fill("templates.gauge.name", "brass");
  fillAndKeep("templates.gauge.wide", "18");
  EXPECT_EQ(readFile(folder_.path() + "/drapery/shop.json"), wrong);
  EXPECT_EQ(find<QLineEdit>("templates.gauge.name")->text(), "brass");  // typed once is enough
  EXPECT_EQ(find<QLineEdit>("templates.gauge.wide")->text(), "18");
}

// A name of the binder's own for a printer holds whatever the queue is called.
TEST_F(TemplatesTest, aPrinterOfOnesOwnNameIsPutRightInPrint) {
  show();
  fill("templates.printer.name", "hall");
  fill("templates.printer.across", "99");
  fillAndKeep("templates.printer.along", "100");
  const std::string pdf = folder_.path() + "/printed.pdf";
  page().askForPrinter([&](QPrinter& printer, QWidget*) {
    printer.setOutputFormat(QPrinter::PdfFormat);
    printer.setOutputFileName(QString::fromStdString(pdf));
    return true;
  });
  click("templates.thing.gap-spacer");
  click("templates.alone");
  click("templates.print");
  EXPECT_THAT(run({"pdftotext", pdf, "-"}).out, HasSubstr("Corrected for hall alone."));
  EXPECT_THAT(margin(), HasSubstr("1 sheet is with the printer."));
}

TEST_F(TemplatesTest, aBookThatIsNotMeasuredHasNone) {
  Job job = plainJob();
  job.given.erase("text_height");
  show(job);
  EXPECT_EQ(page().print(), nullptr);
  EXPECT_THAT(margin(), HasSubstr("not measured yet"));
}

// In a narrow window, with large letters and mirrored: nothing lies over anything else, and the
// margin's words have room.
TEST_F(TemplatesTest, hasRoomInEveryWindow) {
  for (const bool isMirrored : {false, true})
    for (const double letters : {1.0, 1.5}) {
      QApplication::setLayoutDirection(isMirrored ? Qt::RightToLeft : Qt::LeftToRight);
      setFontScale(letters);
      begin();
      window_->resize(1024, 700);
      show();
      click("templates.thing.gap-spacer");
      const auto* column = find("templates.margin");
      for (const QLabel* label : column->findChildren<QLabel*>()) {
        const QRect at(label->mapTo(column, QPoint()), label->size());
        EXPECT_GE(at.left(), 0) << label->text().toStdString();
        EXPECT_LE(at.right(), column->width()) << label->text().toStdString();
      }
      std::vector<QRect> sheets;
      for (const auto* sheet : window_->findChildren<PrintSheetView*>()) {
        if (!sheet->isVisible()) continue;
        for (const QRect& other : sheets) EXPECT_FALSE(other.intersects(sheet->geometry()));
        sheets.push_back(sheet->geometry());
      }
      EXPECT_FALSE(sheets.empty());
    }
  QApplication::setLayoutDirection(Qt::LeftToRight);
  setFontScale(1.0);
}

}  // namespace
}  // namespace drapery::test
