// The stage Cut, driven as a binder would.
#include <gmock/gmock.h>

#include <QElapsedTimer>
#include <QHelpEvent>
#include <QToolTip>
#include <set>

#include "app/cutting/sheet_card.h"
#include "app/words/cut_words.h"
#include "core/cutting/edge_cuts.h"
#include "tests/app/cut_bench.h"

namespace drapery::test {
namespace {

using ::testing::HasSubstr;
using ::testing::Not;

TEST_F(Cutting, laysTheBookOutOnWhatLiesThere) {
  openPlain();
  showCut();
  EXPECT_FALSE(layout().sheets.empty());
  EXPECT_TRUE(layout().unplaced.empty());
  EXPECT_TRUE(isShown("cut.card.1"));
  EXPECT_THAT(find("docket.cut")->accessibleName().toStdString(), HasSubstr("of roll"));
  EXPECT_THAT(margin(), HasSubstr("nothing is cheaper"));
  // Two folded endpapers, 288 by 210, lie side by side on a sheet of 640 by 900.
  EXPECT_THAT(margin(), HasSubstr("(the largest 640\u00a0×\u00a0690\u00a0mm)"));
  int endpapers = 0;
  for (const auto* card : page().findChildren<SheetCard*>())
    if (card->isVisible() &&
        card->accessibleName().contains("endpaper 640 x 900, 2 × Endpaper, 21 % used"))
      ++endpapers;
  EXPECT_EQ(endpapers, 1);
  // While a size is typed the lay-out follows.
  click("docket.case");
  type("board_width", "300");
  workspace_->cutting().settle();
  bool isFound = false;
  for (const CutPiece& piece : problem().pieces)
    isFound = isFound || (piece.id == "board" && piece.width == 300'000);
  EXPECT_TRUE(isFound);
}

// What lies on a sheet is named below it where there is room for that, else counted.
TEST_F(Cutting, theFirstWordsThatThereIsRoomForAreTold) {
  openPlain();
  showCut();
  const auto width = [&](QStringList below) {
    SheetCard card(lightPalette(), nullptr);
    card.setSheet({}, "", std::move(below), {});
    return card.sizeAt(0.0).width();
  };
  const QString named = "2 × Board, Stiffener, 86 % used", counted = "3 pieces, 86 % used";
  EXPECT_EQ(width({named, counted}), width({named}));
  EXPECT_EQ(width({named.repeated(4), counted}), width({counted}));
  EXPECT_LT(width({counted}), width({named}));
}

// Never less than it takes; in inches as everything else.
TEST_F(Cutting, whatIsTakenIsToldInTheBooksUnits) {
  Notation notation{Units::Millimetres, Length::fromMm(0.5), '.', {}};
  EXPECT_EQ(takenWords(2, 252'500, notation), "2 sheets, 0.26 m of roll");
  EXPECT_EQ(takenWords(0, 3'030'000, notation), "3.03 m of roll");
  notation.units = Units::Inches;
  EXPECT_EQ(takenWords(1, 254'000, notation), "1 sheet, 10 in of roll");
}

TEST_F(Cutting, tellsWhatIsMissing) {
  openWithNothingThere();
  EXPECT_THAT(margin(), HasSubstr("Nothing lies there yet"));
  EXPECT_THAT(find("docket.cut")->accessibleName().toStdString(), HasSubstr("nothing lies there"));
  folder_.write("drapery/stock.json", R"({"schema": "drapery-stock/1", "stocks": [{"id": "a"}]})");
  click("docket.case");
  showCut();
  EXPECT_THAT(margin(), HasSubstr("stock.json:1:"));
  EXPECT_THAT(margin(), HasSubstr("material"));
  // A board that no sheet holds, and why.
  folder_.write("drapery/stock.json", projectFile("demo/stock/shelf.json"));
  Job job = plainJob();
  job.given["text_height"] = {590.0, {}};
  job.given["text_width"] = {590.0, {}};
  open(job);
  click("docket.case");
  showCut();
  EXPECT_THAT(margin(), HasSubstr("find"));
  EXPECT_THAT(margin(), HasSubstr("more across the grain"));
}

TEST_F(Cutting, aPieceStaysWhereItIsPut) {
  openPlain();
  showCut();
  look("board");
  clickPiece(0);
  EXPECT_THAT(margin(), HasSubstr("grain has to run head to tail"));
  const CutSheet before = layout().sheets[look("board")];
  clickPiece(0);
  dragPiece(0, QPoint(0, -60));  // up the sheet
  const auto pins = saved().cutting.pins;
  ASSERT_EQ(pins.size(), 1U);
  EXPECT_GT(pins[0].y, 1.0);
  bool isThere = false;
  for (const CutSheet& sheet : layout().sheets)
    for (const CutPlacement& at : sheet.placements)
      isThere = isThere || (sheet.pinned && double(at.y) / 1000 == pins[0].y);
  EXPECT_TRUE(isThere);
  EXPECT_TRUE(layout().untaken.empty());
  // Over the edge it is refused, with the reason, and stays.
  look("board");
  for (std::size_t i = 0; i < layout().sheets[look("board")].placements.size(); ++i)
    if (layout().sheets[look("board")].placements[i].y == std::llround(pins[0].y * 1000)) {
      dragPiece(i, QPoint(4000, 0));
      EXPECT_THAT(margin(), HasSubstr("over the edge"));
      break;
    }
  EXPECT_EQ(saved().cutting.pins, pins);
  press(Qt::Key_Z, Qt::ControlModifier);
  settleCut();
  EXPECT_TRUE(saved().cutting.pins.empty());
}

TEST_F(Cutting, isPinnedTurnedAndLetGoByKeys) {
  openPlain();
  showCut();
  look("board");
  clickPiece(0);
  press(Qt::Key_T);
  EXPECT_THAT(margin(), HasSubstr("pull against the others"));
  EXPECT_TRUE(saved().cutting.pins.empty());
  press(Qt::Key_P);
  settleCut();
  EXPECT_EQ(saved().cutting.pins.size(), 1U);
  look("board");
  clickPiece(0);
  clickCut("cut.to.new");
  press(Qt::Key_Escape);
  EXPECT_EQ(saved().cutting.pins.size(), 1U);
  clickCut("cut.let-all-go");
  EXPECT_TRUE(saved().cutting.pins.empty());
}

// From the card of one sheet to that of another one; where it is let go elsewhere it stays.
TEST_F(Cutting, aPieceIsCarriedToAnotherSheet) {
  Job job = plainJob();
  job.copies = "24";
  open(job);
  showCut();
  std::vector<SheetCard*> cards;  // of board
  for (auto* card : page().findChildren<SheetCard*>())
    if (card->isVisible() && card->accessibleName().contains("grey board")) cards.push_back(card);
  ASSERT_GT(cards.size(), 1U);
  const auto carry = [&](QPoint to) {
    SheetCard& from = *cards[0];
    const QPoint grip(from.width() / 3, from.height() / 2);
    QTest::mousePress(&from, Qt::LeftButton, {}, grip);
    QTest::mouseMove(&from, grip + QPoint(0, 30));
    QTest::mouseMove(&from, to);
    QTest::mouseRelease(&from, Qt::LeftButton, {}, to);
    settleCut();
  };
  carry(cards[0]->mapFromGlobal(page().mapToGlobal(QPoint(3, page().height() - 3))));
  EXPECT_TRUE(saved().cutting.pins.empty());
  carry(cards[0]->mapFromGlobal(cards[1]->mapToGlobal(cards[1]->rect().center())));
  ASSERT_EQ(saved().cutting.pins.size(), 1U);
  EXPECT_TRUE(layout().untaken.empty());
  EXPECT_FALSE(view().isVisible());  // nothing was opened by it
}

// Where they do not go beside each other at a size at which they can be read, one turns on.
TEST_F(Cutting, sheetsAreNotShrunkUntilNothingCanBeRead) {
  Job job = plainJob();
  job.copies = "24";
  open(job);
  window_->resize(1024, 560);
  showCut();
  int boards = 0;
  for (auto* card : page().findChildren<SheetCard*>()) {
    if (!card->isVisible() || !card->accessibleName().contains("grey board 700 x 1000")) continue;
    ++boards;
    EXPECT_GT(card->height(), 110 + 2 * QFontMetrics(card->font()).height());
  }
  EXPECT_GT(boards, 0);
}

TEST_F(Cutting, aWideSheetIsSeenToItsEnd) {
  folder_.write("drapery/stock.json",
                R"({"schema": "drapery-stock/1", "stocks": [{"id": "wide", "material": "board",
                    "form": "sheet", "W": 1800, "L": 600, "cost": 3}]})");
  workspace_->stock().reload();
  openPlain();
  window_->resize(1024, 700);
  showCut();
  const auto* card = page().findChild<SheetCard*>();
  ASSERT_NE(card, nullptr);
  // At one scale both ways, so no higher than a third of its width, but for its words.
  EXPECT_LT(card->height(), card->width() / 3 + 4 * QFontMetrics(card->font()).height());
  EXPECT_LE(card->geometry().right(), card->parentWidget()->width());
}

TEST_F(Cutting, aPatternedPaperLiesWithItsTopUp) {
  openPlain();
  showCut();
  clickCut("cut.shelf");
  auto* grain = find<QComboBox>("stock.3.grain");
  grain->setCurrentIndex(4);
  emit grain->activated(4);
  settleCut();
  EXPECT_EQ(stockNow().items[3].lies.pattern, StockPattern::Across);
  EXPECT_EQ(stockNow().items[3].lies.grain, StockGrain::Along);
  press(Qt::Key_Escape);
  // With their grain head to tail the endpapers cannot lie so.
  EXPECT_THAT(margin(), HasSubstr("would lie on its side"));
}

TEST_F(Cutting, goesThroughTheCuts) {
  openPlain();
  showCut();
  look("board");
  EXPECT_THAT(margin(), HasSubstr("set to"));
  page().setFocus();
  press(Qt::Key_Down);
  press(Qt::Key_Down);
  int checked = 0;
  for (auto* button : find("cut.margin")->findChildren<QAbstractButton*>())
    if (button->objectName().startsWith("cut.step.") && button->isChecked()) ++checked;
  EXPECT_EQ(checked, 1);
  press(Qt::Key_Escape);
  press(Qt::Key_Escape);
  EXPECT_FALSE(view().isVisible());
}

// No gauge is set for that.
TEST_F(Cutting, tellsWhichRectanglesAreCutInTwo) {
  Job job = plainJob();
  job.copies = "3";
  job.allowances["covering_style"] = {std::string("half"), {}};
  open(job);
  showCut();
  look("cloth");
  EXPECT_THAT(margin(), HasSubstr("6 rectangles for 12 × Corner are cut in two"));
}

// A piece that is spoilt has to be cut again; the sheet that it came from stays taken. A sheet that
// is spoilt is taken, and nothing comes of it.
TEST_F(Cutting, whatIsSpoiltIsCutAgain) {
  openPlain();
  showCut();
  const auto boards = [this] {
    for (const CutPiece& piece : problem().pieces)
      if (piece.id == "board") return piece.count;
    return 0;
  };
  look("board");
  clickCut("cut.done");
  ASSERT_EQ(boards(), 0);
  const Stock cut = stockNow();
  clickCut("cut.spoilt.0.board");
  EXPECT_EQ(boards(), 1);
  EXPECT_EQ(saved().cutting.done[0].pieces.at("board"), 1);
  EXPECT_EQ(saved().cutting.done[0].spoilt.at("board"), 1);
  EXPECT_THAT(margin(), HasSubstr("spoilt: Board"));
  EXPECT_EQ(writeStock(stockNow()), writeStock(cut));
  clickCut("cut.again.0");
  EXPECT_EQ(boards(), 2);
  EXPECT_TRUE(saved().cutting.done[0].pieces.empty());
  press(Qt::Key_Z, Qt::ControlModifier);
  press(Qt::Key_Z, Qt::ControlModifier);
  settleCut();
  EXPECT_EQ(boards(), 0);
  look("paper");
  clickCut("cut.sheet-spoilt");
  EXPECT_EQ(stockNow().named("endpaper 640 x 900")->lies.count, 59);
  EXPECT_EQ(saved().cutting.done[1].sheetsSpoilt, 1);
  EXPECT_THAT(margin(), HasSubstr("spoilt: 1 sheet\n"));
  look("paper");
  clickCut("cut.sheet-spoilt");
  ASSERT_EQ(saved().cutting.done.size(), 2U);
  EXPECT_EQ(saved().cutting.done[1].sheetsSpoilt, 2);
  press(Qt::Key_Z, Qt::ControlModifier);
  settleCut();
  EXPECT_EQ(stockNow().named("endpaper 640 x 900")->lies.count, 59);
}

// Of several sheets alike one is cut today; a book measured again later no longer has the pieces'
// sizes, and that is told until they are said to be spoilt.
TEST_F(Cutting, oneOfTheSheetsIsCutAndTheBookMeasuredAgain) {
  Job job = plainJob();
  job.copies = 24.0;
  open(job);
  showCut();
  const std::size_t which = look("paper");
  const int often = layout().sheets[which].repeat;
  const auto each = static_cast<int>(layout().sheets[which].placements.size());
  ASSERT_GT(often, 1);
  clickCut("cut.one-done");
  ASSERT_EQ(saved().cutting.done.size(), 1U);
  EXPECT_EQ(saved().cutting.done[0].pieces.at("endpaper"), each);
  EXPECT_EQ(stockNow().named("endpaper 640 x 900")->lies.count, 59);
  for (const CutPiece& piece : problem().pieces)
    EXPECT_TRUE(piece.id != "endpaper" || piece.count == 48 - each);
  look("paper");
  clickCut("cut.done");
  ASSERT_EQ(saved().cutting.done.size(), 1U);
  EXPECT_EQ(saved().cutting.done[0].pieces.at("endpaper"), 48);
  EXPECT_THAT(margin(), Not(HasSubstr("was cut")));
  click("docket.measure");
  keep("text_width", "150");
  click("docket.cut");
  settleCut();
  EXPECT_THAT(margin(), HasSubstr("too small"));
  EXPECT_THAT(margin(), HasSubstr("Endpaper was cut "));
}

// A mock-up takes its sheet from the shelf too, and the book itself is still to be cut.
TEST_F(Cutting, aMockUpIsCutForItself) {
  openPlain();
  showCut();
  const std::size_t kinds = problem().pieces.size();
  clickCut("cut.mock-up.endpaper 640 x 900");
  const auto sheets = static_cast<int>(layout().sheets.size());
  ASSERT_GT(sheets, 0);
  for (int i = 0; i < sheets && !layout().sheets.empty(); ++i) {
    look("paper");
    clickCut("cut.done");
  }
  EXPECT_TRUE(layout().sheets.empty());
  EXPECT_TRUE(saved().cutting.done[0].isMockUp);
  EXPECT_LT(stockNow().named("endpaper 640 x 900")->lies.count.value(), 60);
  EXPECT_THAT(margin(), HasSubstr("endpaper 640 x 900, for a mock-up: "));
  clickCut("cut.mock-up.endpaper 640 x 900");
  EXPECT_EQ(problem().pieces.size(), kinds);
}

// A setting is in hand, and what lies there becomes another: none is in hand any more. The sheet
// that is looked at stays, though it has another number.
TEST_F(Cutting, anotherLayOutIsLookedAtFromItsBeginning) {
  openPlain();
  showCut();
  const std::size_t which = look("cloth");
  page().setFocus();
  for (int i = 0; i < 9; ++i) press(Qt::Key_Down);
  Stock shelf = stockNow();
  for (StockItem& item : shelf.items)
    if (item.lies.material == "cloth") item.lies.across = item.lies.across * 7 / 10;
  std::erase_if(shelf.items, [](const StockItem& item) { return item.lies.material == "board"; });
  folder_.write("drapery/stock.json", writeStock(shelf));
  workspace_->stock().reload();
  settleCut();
  ASSERT_TRUE(view().isVisible());
  const std::string open = page().closerLook().id;
  ASSERT_NE(open, "sheet/" + std::to_string(which + 1));
  const CutSheet& sheet = layout().sheets[std::stoul(open.substr(6)) - 1];
  EXPECT_EQ(problem().stocks[sheet.stock].material, "cloth");
  for (auto* button : find("cut.margin")->findChildren<QAbstractButton*>())
    EXPECT_FALSE(button->objectName().startsWith("cut.step.") && button->isChecked());
  page().setFocus();
  press(Qt::Key_Up);
  press(Qt::Key_Down);
  EXPECT_TRUE(view().isVisible());
}

// The stage is left, another kind of book comes with fewer pieces, and the window becomes another
// size: what was shown before stays what it was until the stage is looked at again.
TEST_F(Cutting, whatIsShownIsOfOneBook) {
  Job job = plainJob();
  job.copies = 24.0;
  job.allowances["covering_style"] = {std::string("half"), {}};
  open(job);
  showCut();
  const std::size_t pieces = problem().pieces.size();
  CutPage& page = this->page();
  const auto firstCard = [&] { return page.findChildren<SheetCard*>().front()->accessibleName(); };
  const auto moments = [&] {
    QStringList words;
    const auto* cards = page.findChildren<SheetCard*>().front()->parentWidget();
    for (const QLabel* label : cards->findChildren<QLabel*>())
      if (!label->isHidden()) words << label->text();
    return words.join(", ").toStdString();
  };
  const QString before = firstCard();
  const std::string momentsBefore = moments();
  EXPECT_THAT(momentsBefore, HasSubstr("After lining"));
  click("docket.measure");
  open(plainJob("stab-boarded"));
  settleCut();
  ASSERT_LT(problem().pieces.size(), pieces);
  for (const int width : {1500, 1000, 1280}) {
    window_->resize(width, 700);
    settle();
    page.select(Subject::field("sheet/1"));
    page.setNotesFolded(width < 1280);
    EXPECT_EQ(moments(), momentsBefore);
  }
  EXPECT_EQ(firstCard(), before);
  showCut();
  EXPECT_NE(firstCard(), before);
}

// A book that it is cut together with has a stop: sheets with its pieces are not cut yet. One
// without a title is called as its file is.
TEST_F(Cutting, aStopOfAnotherBookIsToldWhereItsPiecesLie) {
  Job other = plainJob();
  other.title.clear();
  other.id = "other";
  other.given["text_width"] = {20.0, {}};  // less than the set-back
  other.allowances["setback"] = {25.0, {}};
  folder_.write("other.json", writeJob(other));
  Job job = plainJob();
  job.cutting.with = {"other.json"};
  open(job);
  showCut();
  ASSERT_TRUE(workspace_->cutting().found().books.at(1).plan->has(Severity::Stop));
  bool isTold = false;
  for (std::size_t i = 0; i < layout().sheets.size(); ++i) {
    page().select(Subject::field("sheet/" + std::to_string(i + 1)));
    settle();
    bool isOther = false;
    for (const CutPlacement& at : layout().sheets[i].placements)
      isOther = isOther || workspace_->cutting().found().work.pieces[at.piece].book == 1;
    EXPECT_EQ(isShown("cut.done"), !isOther);
    EXPECT_EQ(margin().find("other has a stop") != std::string::npos, isOther);
    isTold = isTold || isOther;
  }
  EXPECT_TRUE(isTold);
}

// The very first time, before anything was reckoned; what was cut is told then, too.
TEST_F(Cutting, beginsWithNothingThere) {
  std::filesystem::remove(stock());
  begin();
  Job job = plainJob();
  job.cutting.done.emplace_back();
  job.cutting.done[0].stock = "grey board";
  job.cutting.done[0].pieces = {{"board", 1}};
  open(job);
  click("docket.cut");
  EXPECT_THAT(margin(), HasSubstr("grey board: Board"));
  settleCut();
  EXPECT_THAT(margin(), HasSubstr("grey board: Board"));
  EXPECT_THAT(margin(), HasSubstr("To buy"));
}

// With an empty shelf it is told what to buy; what was bought is put there, and the book lies on
// it.
TEST_F(Cutting, tellsWhatToBuyAndPutsItOnTheShelf) {
  openWithNothingThere();
  EXPECT_THAT(margin(), HasSubstr("To buy"));
  EXPECT_FALSE(workspace_->cutting().found().shopping.isRough);
  EXPECT_THAT(margin(), HasSubstr("2.4 mm thick"));
  EXPECT_THAT(margin(), HasSubstr("for 2 × Board"));
  // It lies on sheets as they are sold; nothing can be put anywhere or cut there.
  click("docket.measure");
  keep("text_width", "180");
  showCut();
  EXPECT_TRUE(workspace_->cutting().found().isSupposed);
  EXPECT_EQ(problem().pieces[0].width, std::llround(1000 * value("board.cut_width")));
  EXPECT_TRUE(layout().unplaced.empty());
  look("board");
  EXPECT_FALSE(isShown("cut.done"));
  EXPECT_FALSE(isShown("cut.sheet-spoilt"));
  clickPiece(0);
  press(Qt::Key_P);
  EXPECT_TRUE(saved().cutting.pins.empty());
  press(Qt::Key_Escape);
  press(Qt::Key_Escape);
  const QString first = find<QAbstractButton>("cut.bought.0.0")->text();
  EXPECT_THAT(first.toStdString(), HasSubstr("1 of 500 × 700 mm, "));
  clickCut("cut.bought.0.0");
  ASSERT_EQ(stockNow().items.size(), 1U);
  const StockItem board = stockNow().items[0];
  EXPECT_EQ(board.lies.id, "board, 2.4 mm, 500 × 700 mm");
  EXPECT_EQ(board.lies.count, 1);
  EXPECT_EQ(board.thickness, 2400);
  EXPECT_FALSE(workspace_->cutting().found().isSupposed);
  EXPECT_EQ(layout().sheets.size(), 1U);
  EXPECT_THAT(margin(), HasSubstr("Nothing lies there to cut these from: Covering"));
  while (!workspace_->cutting().found().shopping.missing.empty()) {
    const std::size_t before = workspace_->cutting().found().shopping.missing.size();
    std::size_t which = 0;
    while (which < before && workspace_->cutting().found().shopping.missing[which].sold.empty())
      ++which;
    if (which == before) break;
    clickCut(("cut.bought." + std::to_string(which) + ".0").c_str());
    ASSERT_LT(workspace_->cutting().found().shopping.missing.size(), before);
  }
  EXPECT_TRUE(layout().unplaced.empty());
  press(Qt::Key_Z, Qt::ControlModifier);
  settleCut();
  EXPECT_FALSE(layout().unplaced.empty());
}

// What an edition takes is told at once, and then whether less will do.
TEST_F(Cutting, anEditionLiesThereAtAGlance) {
  std::filesystem::remove(stock());
  workspace_->stock().reload();
  Job job = plainJob();
  job.copies = "60";
  open(job);
  find<QAbstractButton>("docket.cut")->click();
  const auto isTold = [this] { return margin().find("To buy") != std::string::npos; };
  ASSERT_TRUE(QTest::qWaitFor(isTold, kLong));
  EXPECT_THAT(margin(), HasSubstr("At a glance"));
  EXPECT_FALSE(layout().sheets.empty());
  settleCut();
  EXPECT_TRUE(isTold());
  EXPECT_THAT(margin(), Not(HasSubstr("At a glance")));
}

// In large letters beside a small table words to press take two lines.
TEST_F(Cutting, whatCanBePressedIsNeverCutShort) {
  setFontScale(1.5);
  begin();
  window_->resize(1024, 700);
  std::filesystem::remove(stock());
  workspace_->stock().reload();
  open(readJob(projectFile("demo/estuary-birds.json"), "demo").job.value());
  showCut();
  int broken = 0;
  for (const auto* button : find("cut.margin")->findChildren<QAbstractButton*>()) {
    EXPECT_GE(button->height(), button->heightForWidth(button->width()))
        << qPrintable(button->text());
    if (button->width() < button->sizeHint().width()) ++broken;
  }
  EXPECT_GT(broken, 0);
  setFontScale(1.0);
}

// Numbers from the command line of which there is no piece or no cut do nothing.
TEST_F(Cutting, aPieceOrACutThatIsNotThereIsNotTaken) {
  openPlain();
  showCut();
  auto& page = window_->page();
  page.typeAndKeep("", "piece/1,step/1,piece/0");
  look("board");
  const std::string before = margin();
  page.typeAndKeep("", "piece/0,piece/99,step/0,piece/-1,piece/x");
  EXPECT_EQ(margin(), before);
  page.typeAndKeep("", "step/99");
  press(Qt::Key_Up);
  page.typeAndKeep("", "piece/1");
  EXPECT_THAT(margin(), HasSubstr("Board"));
}

// No board of 4.8 mm lies there, of 2.4 mm does: two make one, and the job keeps that.
TEST_F(Cutting, boardsOfTwoLayersAreCutTwice) {
  openPlain();
  type("board_thickness", "4.8");
  settle();
  showCut();
  look("board");
  const auto boards = [this] {
    for (const CutPiece& piece : problem().pieces)
      if (piece.id == "board") return piece.count;
    return 0;
  };
  EXPECT_EQ(boards(), 4);
  clickCut("cut.done");
  EXPECT_EQ(saved().cutting.done[0].pieces.at("board"), 4);
  EXPECT_EQ(saved().cutting.done[0].layers.at("board"), 2);
  EXPECT_EQ(boards(), 0);
  clickCut("cut.spoilt.0.board");
  EXPECT_EQ(boards(), 1);
  ASSERT_TRUE(window_->openFile(QString::fromStdString(path_)));
  showCut();
  EXPECT_EQ(boards(), 1);
  EXPECT_THAT(margin(), HasSubstr("Board is reckoned 4.8 mm thick: 2 layers of "));
  EXPECT_THAT(margin(), HasSubstr("Paste layers together"));
}

// The board is planned as thick as no board that lies there; and an off-cut that would hold a piece
// lies idle.
TEST_F(Cutting, tellsWhatLiesThereOfAnotherMakeOrIdle) {
  openPlain();
  type("board_thickness", "1");
  settle();
  showCut();
  EXPECT_THAT(margin(), HasSubstr("Board is reckoned 1 mm thick; "));
  type("board_thickness", "2.4");
  click("docket.case");
  click("docket.cut");
  clickCut("cut.first.sheets");
  EXPECT_THAT(margin(), Not(HasSubstr("is reckoned")));
  EXPECT_THAT(
      margin(),
      HasSubstr("What lies on one grey board 700 x 1000 would find room on grey board, off-cut 1"));
  clickCut("cut.first.off-cuts");
  EXPECT_THAT(margin(), Not(HasSubstr("would find room")));
}

// What is cut is taken from the stock, what is left over lies there by its name, and all of it can
// be taken back.
// By hand: two endpapers of 288 by 210 to a book, of which eight lie on a sheet of 640 by 900.
TEST_F(Cutting, forHowManyItIsEnoughIsTold) {
  openPlain();
  Stock few = stockNow();
  for (StockItem& item : few.items)
    if (item.lies.material == "paper") item.lies.count = 1;
  folder_.write("drapery/stock.json", writeStock(few));
  workspace_->stock().reload();
  showCut();
  EXPECT_THAT(margin(), HasSubstr("Enough for at least 4 copies; then paper runs out."));
  look("paper");
  clickPiece(0);
  EXPECT_THAT(margin(), HasSubstr("One such sheet gives 8 of them."));
  click("cut.all");
  const auto cutPaper = [&](Micrometres along) {
    for (StockItem& item : few.items)
      if (item.lies.material == "paper") item.lies.along = along;
    folder_.write("drapery/stock.json", writeStock(few));
    workspace_->stock().reload();
    settleCut();
  };
  cutPaper(250'000);
  EXPECT_THAT(margin(), HasSubstr("Enough for one copy; then paper runs out."));
  cutPaper(500'000);
  std::filesystem::copy(path_, folder_.path() + "/other.json");
  Job job = document().job();
  job.cutting.with = {"other.json"};
  open(job);
  showCut();
  EXPECT_THAT(margin(),
              HasSubstr("Enough for at least 2 copies of this book alone; then paper runs out."));
}

// Words may have found no room on it.
TEST_F(Cutting, aPieceTellsWhatItIsUnderThePointer) {
  openPlain();
  showCut();
  const auto told = [&](QWidget& on, const QPointF& at) {
    QHelpEvent help(QEvent::ToolTip, at.toPoint(), on.mapToGlobal(at.toPoint()));
    QCoreApplication::sendEvent(&on, &help);
    return QToolTip::text().toStdString();
  };
  auto* card = window_->findChild<SheetCard*>();
  ASSERT_NE(card, nullptr);
  std::set<std::string> onCard;
  for (int x = 0; x < card->width(); x += 4)
    for (int y = 0; y < card->height(); y += 4) onCard.insert(told(*card, {double(x), double(y)}));
  EXPECT_GT(onCard.size(), 1U);  // nothing above its pieces
  look("board");
  EXPECT_EQ(told(view(), view().rectOf(0)->center()).substr(0, 6), "Board\n");
  told(view(), {1, 1});
  EXPECT_TRUE(QTest::qWaitFor([] { return QToolTip::text().isEmpty(); }, kLong));
}

TEST_F(Cutting, whatIsCutIsTakenFromTheStock) {
  openPlain();
  showCut();
  const Stock before = stockNow();
  const std::size_t kinds = problem().pieces.size();
  const std::size_t which = look("cloth");
  const Micrometres length =
      lengthUsed(problem().stocks[layout().sheets[which].stock], layout().sheets[which]);
  clickCut("cut.done");
  Stock after = stockNow();
  EXPECT_EQ(before.named("book cloth, roll")->lies.along - length,
            after.named("book cloth, roll")->lies.along);
  ASSERT_EQ(after.items.size(), before.items.size() + 1);
  EXPECT_EQ(after.items.back().lies.id, "book cloth, roll, off-cut 1");
  EXPECT_TRUE(after.items.back().isOffCut);
  EXPECT_EQ(after.items.back().place, "rail");
  EXPECT_EQ(saved().cutting.done.size(), 1U);
  EXPECT_LT(problem().pieces.size(), kinds);
  EXPECT_THAT(margin(), HasSubstr("Cut already"));
  EXPECT_THAT(margin(), HasSubstr("book cloth, roll: Covering"));
  press(Qt::Key_Z, Qt::ControlModifier);
  settleCut();
  EXPECT_EQ(writeStock(stockNow()), writeStock(before));
  EXPECT_TRUE(saved().cutting.done.empty());
  EXPECT_EQ(problem().pieces.size(), kinds);
  // Done again; meanwhile somebody uses the off-cut, and it cannot be taken back.
  press(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
  settleCut();
  after = stockNow();
  after.items.pop_back();
  folder_.write("drapery/stock.json", writeStock(after));
  press(Qt::Key_Z, Qt::ControlModifier);
  settleCut();
  EXPECT_THAT(banner().toStdString(), HasSubstr("used meanwhile"));
  EXPECT_EQ(writeStock(stockNow()), writeStock(after));
  // Done again it takes nothing twice.
  press(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
  settleCut();
  EXPECT_EQ(writeStock(stockNow()), writeStock(after));
}

// Two books from one sheet: what was cut of the other one is told when that is open, and is not cut
// twice.
TEST_F(Cutting, whatIsCutOfAnotherBookIsToldThereToo) {
  Job other = plainJob();
  other.id = "other";
  other.title = "Other";
  other.given["text_height"] = {200.0, {}};
  const std::string theirs = folder_.write("other.json", writeJob(other));
  Job job = plainJob();
  job.title = "Knot";
  job.cutting.with = {"other.json"};
  open(job);
  showCut();
  look("board");
  clickCut("cut.done");
  const std::vector<CutDone> done = saved().cutting.done;
  ASSERT_EQ(done.size(), 2U);
  EXPECT_EQ(done[0].book, "");
  EXPECT_EQ(done[0].pieces.at("board"), 2);
  EXPECT_EQ(done[1].book, "other.json");
  EXPECT_EQ(done[1].pieces.at("board"), 2);
  EXPECT_THAT(margin(), HasSubstr("2 × Board, Stiffener, for Other"));
  const auto openTheirs = [&] {
    ASSERT_TRUE(window_->openFile(QString::fromStdString(theirs)));
    showCut();
  };
  openTheirs();
  EXPECT_NE(problem().pieces.front().id, "board");
  EXPECT_THAT(margin(), HasSubstr("2 × Board, Stiffener\ntogether with Knot"));
  EXPECT_FALSE(isShown("cut.spoilt.0.board"));
  // One of them is spoilt.
  ASSERT_TRUE(window_->openFile(QString::fromStdString(path_)));
  showCut();
  clickCut("cut.spoilt.1.board");
  EXPECT_EQ(saved().cutting.done[1].spoilt.at("board"), 1);
  openTheirs();
  EXPECT_EQ(problem().pieces.front().id, "board");
  EXPECT_EQ(problem().pieces.front().count, 1);
}

// Another window cut from the roll meanwhile: its off-cut has the name that this one would have.
TEST_F(Cutting, twoWindowsGiveNoTwoOffCutsOneName) {
  openPlain();
  showCut();
  Stock shelf = stockNow();
  StockItem theirs = *shelf.named("grey board, off-cut 1");
  theirs.lies.id = "book cloth, roll, off-cut 1";
  shelf.items.push_back(theirs);
  folder_.write("drapery/stock.json", writeStock(shelf));
  look("cloth");
  clickCut("cut.done");
  EXPECT_THAT(margin(), HasSubstr("something else on the shelf is called"));
  EXPECT_EQ(writeStock(stockNow()), writeStock(shelf));
  EXPECT_TRUE(saved().cutting.done.empty());
  look("cloth");
  clickCut("cut.done");
  EXPECT_NE(stockNow().named("book cloth, roll, off-cut 2"), nullptr);
  EXPECT_EQ(saved().cutting.done.size(), 1U);
}

TEST_F(Cutting, layOutsAreKeptAndComparedAndTakenUp) {
  openPlain();
  showCut();
  clickCut("cut.keep");
  ASSERT_EQ(saved().cutting.kept.size(), 1U);
  EXPECT_EQ(saved().cutting.kept[0].name, "A");
  clickCut("cut.first.sheets");
  EXPECT_EQ(saved().cutting.first, StockFirst::WholeSheets);
  for (const CutSheet& sheet : layout().sheets)
    EXPECT_THAT(problem().stocks[sheet.stock].id, Not(HasSubstr("off-cut")));
  clickCut("cut.keep");
  EXPECT_THAT(margin(), HasSubstr("A: "));
  EXPECT_THAT(margin(), HasSubstr("B: "));
  clickCut("cut.take.0");
  EXPECT_TRUE(layout().untaken.empty());
  for (const CutSheet& sheet : layout().sheets) EXPECT_TRUE(sheet.pinned.has_value());
  clickCut("cut.forget.1");
  EXPECT_EQ(saved().cutting.kept.size(), 1U);
  // For another book it is not the same any more.
  click("docket.case");
  keep("text_width", "190");
  showCut();
  EXPECT_THAT(margin(), HasSubstr("does not lie where it was put"));
}

TEST_F(Cutting, aMockUpAndOtherBooksAreCutToo) {
  openPlain();
  showCut();
  clickCut("cut.mock-up.kraft 700 x 1000");
  for (const CutSheet& sheet : layout().sheets)
    EXPECT_EQ(problem().stocks[sheet.stock].id, "kraft 700 x 1000");
  EXPECT_TRUE(layout().unplaced.empty());
  clickCut("cut.mock-up.kraft 700 x 1000");
  const std::size_t alone = problem().pieces.size();
  Job other = plainJob();
  other.title = "Other book";
  const std::string path = folder_.write("other.json", writeJob(other));
  FileQuestions ask;
  ask.open = [&](QWidget*, const QString&) { return QString::fromStdString(path); };
  window_->setQuestions(ask);
  clickCut("cut.with");
  EXPECT_EQ(saved().cutting.with, std::vector<std::string>{"other.json"});
  EXPECT_EQ(problem().pieces.size(), 2 * alone);
  std::filesystem::remove(path);
  click("docket.case");
  keep("text_height", "212");
  showCut();
  EXPECT_THAT(margin(), HasSubstr("other.json"));
  clickCut("cut.without.0");
  EXPECT_EQ(problem().pieces.size(), alone);
}

TEST_F(Cutting, theGrainTestIsKeptWithTheSheet) {
  openPlain();
  showCut();
  look("cloth");
  EXPECT_THAT(margin(), HasSubstr("not tested yet"));
  clickCut("cut.grain.tear");
  EXPECT_THAT(margin(), HasSubstr("tested by tearing"));
  ASSERT_TRUE(stockNow().named("book cloth, roll")->grainTest.has_value());
  EXPECT_EQ(stockNow().named("book cloth, roll")->grainTest->sign, GrainSign::Tear);
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_FALSE(stockNow().named("book cloth, roll")->grainTest.has_value());
}

// The list of what lies there is changed where it stands; a wrong figure is told and not kept.
TEST_F(Cutting, theStockIsChangedWhereItStands) {
  openPlain();
  showCut();
  clickCut("cut.shelf");
  const auto say = [&](const char* name, const char* text) {
    auto* field = find<QLineEdit>(name);
    field->setFocus();
    field->selectAll();
    QTest::keyClick(field, Qt::Key_Delete);
    QTest::keyClicks(field, text);
    QTest::keyClick(field, Qt::Key_Return);
    settleCut();
  };
  const auto wrong = [&] { return find<QLabel>("cut.wrong")->text().toStdString(); };
  say("stock.0.count", "7");
  EXPECT_EQ(stockNow().items[0].lies.count, 7);
  say("stock.0.size", "27 1/2 x 39 in");
  EXPECT_EQ(stockNow().items[0].lies.across, 698'500);
  EXPECT_EQ(stockNow().items[0].units, Units::Inches);
  say("stock.0.place", "under the bench");
  say("stock.0.grammage", "1490.5");
  EXPECT_EQ(stockNow().items[0].grammage, 1490.5);
  EXPECT_EQ(stockNow().items[0].place, "under the bench");
  for (const auto& [name, text] : {std::pair{"stock.0.count", "many"},
                                   {"stock.0.size", "700"},
                                   {"stock.0.cost", "-3"},
                                   {"stock.0.thick", "fat"},
                                   {"stock.0.grammage", "heavy"},
                                   {"stock.0.grammage", "5001"},
                                   {"stock.0.grammage", "0"},
                                   {"stock.0.trim", "8 8"},
                                   {"stock.0.trim", "400 400 0 0"},
                                   {"stock.0.kerf", "600"},
                                   {"stock.0.name", "mull, roll"}}) {
    const std::string before = readFile(stock());
    say(name, text);
    EXPECT_THAT(wrong(), Not(::testing::IsEmpty())) << name;
    EXPECT_EQ(readFile(stock()), before);
    say(name, "");  // nothing is a count, and no thickness
  }
  EXPECT_FALSE(stockNow().items[0].lies.count.has_value());
  say("stock.2.trim", "10 9 0 0");
  EXPECT_EQ(stockNow().items[2].lies.left, 10'000);
  EXPECT_EQ(stockNow().items[2].lies.right, 9'000);
  say("stock.2.kerf", "0.5");
  EXPECT_EQ(stockNow().items[2].lies.kerf, 500);
  const std::size_t items = stockNow().items.size();
  clickCut("stock.add");
  EXPECT_EQ(stockNow().items.size(), items + 1);
  say(("stock." + std::to_string(items) + ".name").c_str(), "side cloth");
  ASSERT_NE(stockNow().named("side cloth"), nullptr) << wrong() << readFile(stock());
  clickCut(("stock." + std::to_string(items) + ".take").c_str());
  EXPECT_EQ(stockNow().named("side cloth"), nullptr);
  press(Qt::Key_Z, Qt::ControlModifier);
  settleCut();
  EXPECT_NE(stockNow().named("side cloth"), nullptr);
  say("stock.shear", "600");
  EXPECT_EQ(workspace_->settings().number("shear_mm"), 600.0);
  say("stock.shear", "9 km");
  EXPECT_THAT(wrong(), HasSubstr("no length of a cut"));
  say("stock.usable", "30 x 100");
  EXPECT_EQ(stockNow().usable.narrow, 30'000);
  press(Qt::Key_Escape);
  EXPECT_FALSE(isShown("cut.stock"));
}

// Told twice of the same book before there is a first lay-out, what is shown is of its own pieces.
TEST_F(Cutting, aLayOutIsNeverOfOtherPieces) {
  openPlain();
  showCut();
  const auto isSound = [&] {
    for (const CutSheet& sheet : layout().sheets) {
      if (sheet.stock >= problem().stocks.size()) return false;
      for (const CutPlacement& at : sheet.placements) {
        if (at.piece >= problem().pieces.size()) return false;
        const CutPiece& piece = problem().pieces[at.piece];
        if (at.across != (at.isTurned ? piece.height : piece.width)) return false;
      }
    }
    return true;
  };
  for (const double height : {230.0, 180.0, 250.0}) {
    document().keep("given/text_height", Entry{height, {}});
    emit document().planChanged();
    emit document().planChanged();
    EXPECT_TRUE(isSound());
    workspace_->cutting().stop();
    emit document().planChanged();
    EXPECT_TRUE(isSound());
    settleCut();
    EXPECT_TRUE(isSound());
  }
}

TEST_F(Cutting, thePagesAreWrittenBesideTheWindow) {
  openPlain();
  showCut();
  const std::string pdf = folder_.path() + "/list.pdf";
  FileQuestions ask;
  ask.savePages = [&](QWidget*, const QString& suggested) {
    EXPECT_TRUE(suggested.endsWith("-cut.pdf"));
    return QString::fromStdString(pdf);
  };
  window_->setQuestions(ask);
  clickCut("cut.pages");
  EXPECT_THAT(banner().toStdString(), HasSubstr("The cut list is in"));
  EXPECT_THAT(run({"pdftotext", "-layout", pdf, "-"}).out, HasSubstr("From the shelf"));
}

// Gone to while a short search is still without a lay-out, it takes its time all the same.
TEST_F(Cutting, whatIsLookedAtIsSearchedForLong) {
  Job job = plainJob();
  job.copies = 40.0;
  job.allowances["covering_style"] = {std::string("half"), {}};
  job.given.erase("text_height");
  open(job);
  QElapsedTimer timer;
  timer.start();
  document().keep("given/text_height", Entry{210.0, {}});
  ASSERT_TRUE(workspace_->cutting().isSearching() && layout().sheets.empty());
  showCut();
  EXPECT_FALSE(layout().sheets.empty());
  constexpr int kLonger = 2000;  // ms, than where nobody looks
  EXPECT_TRUE(timer.elapsed() > kLonger || layout().isSettled);
}

// An edition: the search is over at a word. What is shown then stays, and what is to be bought for
// it is told all the same.
TEST_F(Cutting, anEditionIsSearchedForAsLongAsOneLikes) {
  Job job = plainJob();
  job.copies = 300.0;
  for (const auto& [choice, option] : {std::pair{"covering_style", "half"}})
    job.allowances[choice] = {std::string(option), {}};
  open(job);
  click("docket.cut");
  EXPECT_TRUE(QTest::qWaitFor([&] { return !layout().sheets.empty(); }, kLong));
  CutDesk& desk = workspace_->cutting();
  if (desk.isSearching()) {
    click("cut.stop");
    EXPECT_FALSE(desk.isSearching());
  }
  const auto shown = desk.bench();
  ASSERT_FALSE(layout().unplaced.empty());
  EXPECT_TRUE(QTest::qWaitFor([&] { return !desk.found().shopping.isEmpty(); }, kLong));
  settle();
  EXPECT_THAT(margin(), HasSubstr("To buy"));
  EXPECT_EQ(desk.bench(), shown);
  EXPECT_FALSE(desk.isSearching());
  EXPECT_FALSE(layout().isSettled);
}

// What is not proven is looked for again by other chances, and nothing is left for less meanwhile.
TEST_F(Cutting, aBetterOneIsLookedForOnceMore) {
  Job job = plainJob();
  job.copies = 40.0;
  job.allowances["covering_style"] = {std::string("half"), {}};
  open(job);
  click("docket.cut");
  CutDesk& desk = workspace_->cutting();
  EXPECT_TRUE(QTest::qWaitFor([&] { return !layout().sheets.empty(); }, kLong));
  ASSERT_TRUE(desk.isSearching());
  EXPECT_FALSE(desk.canLookOn());
  click("cut.stop");
  ASSERT_TRUE(desk.canLookOn());
  const auto left = [&] { return largestLeft(desk.found().work.problem, layout()); };
  const double leftBefore = left();
  const std::size_t nowhere = layout().unplaced.size();
  std::map<std::string, MaterialCost> before;
  for (const MaterialCost& cost : layout().materials) before[cost.material] = cost;
  click("cut.on");
  EXPECT_TRUE(desk.isSearching());
  settleCut();
  bool isBetter = left() > leftBefore;
  for (const MaterialCost& cost : layout().materials) {
    const MaterialCost& then = before.at(cost.material);
    EXPECT_LE(cost.cost, then.cost) << cost.material;
    EXPECT_GE(cost.bound, then.bound) << cost.material;
    isBetter = isBetter || cost.cost < then.cost;
  }
  EXPECT_EQ(layout().unplaced.size(), nowhere);
  EXPECT_EQ(desk.isInVain(), !isBetter);
  const bool isTold = margin().find("none was found") != std::string::npos;
  EXPECT_EQ(isTold, desk.canLookOn() && desk.isInVain());
}

}  // namespace

// Each rounded by itself 81, 19 and 0.7 % would be told.
TEST(CutWords, sharesComeToTheWhole) {
  EXPECT_EQ(percents({0.806, 0.187, 0.007}), QStringList({"80.6", "18.7", "0.7"}));
  EXPECT_EQ(percents({0.345, 0.345, 0.31}), QStringList({"35", "34", "31"}));
  EXPECT_EQ(percents({1.0}), QStringList{"100"});
}

}  // namespace drapery::test
