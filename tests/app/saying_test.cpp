// What is said in more than one figure, or against a rule: readings place by place, a computed
// figure said over, a piece as it was cut.
#include <QSignalSpy>
#include <set>

#include "app/slip_tray.h"
#include "app/table/giving_list.h"
#include "core/plan/job_field.h"
#include "exchange/slip_page.h"
#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

class Saying : public BenchWindow {
 protected:
  bool hasTag(const std::string& value) {
    const auto tags = table().tags();
    return std::any_of(tags.begin(), tags.end(),
                       [&](const Tag* tag) { return tag->value() == value && tag->isVisible(); });
  }
  void empty(const std::string& value) {
    entry(value)->setFocus();
    entry(value)->selectAll();
    press(Qt::Key_Backspace);
    press(Qt::Key_Return);
  }
  GivingList& giving() { return *dynamic_cast<GivingList*>(find("giving")); }
  QLineEdit* asCut(const char* part) {
    return find<QLineEdit>((std::string("ascut.") + part).c_str());
  }
};

TEST_F(Saying, aMeasureOpensToItsPlacesAndBack) {
  openPlain();
  EXPECT_FALSE(hasTag("text_width@head"));
  // The ticks beside the figure.
  QWidget* tag = entry("text_width")->parentWidget();
  QTest::mouseClick(tag, Qt::LeftButton, {}, QPoint(tag->width() - 10, tag->height() - 10));
  settle();
  for (const char* place : {"head", "middle", "tail"})
    EXPECT_TRUE(hasTag(std::string("text_width@") + place)) << place;
  EXPECT_TRUE(entry("text_width@head")->hasFocus());
  keep("text_width@head", "143.8 rule");
  EXPECT_TRUE(entry("text_width@middle")->hasFocus());
  keep("text_width@middle", "100 + 44.2");
  keep("text_width@tail", "144.8 caliper");
  const auto readings = saved().given.at("text_width").readings;
  ASSERT_EQ(readings.size(), 4U);  // the plain figure is one of them
  EXPECT_EQ(readings[2].by, "rule");
  EXPECT_EQ(readings[3].by, "caliper");
  EXPECT_EQ(readings[2].value, Written(std::string("100 + 44.2 mm")));
  EXPECT_NEAR(value("text_width"), (144 + 143.8 + 144.2 + 144.8) / 4, 1e-9);
  EXPECT_TRUE(notes().contains("1 mm apart"));
  empty("text_width@1");
  EXPECT_EQ(saved().given.at("text_width").readings.size(), 3U);
  click("link.block");
  EXPECT_FALSE(hasTag("text_width@head"));
}

TEST_F(Saying, aReadingIsSteppedAndItsWayIsTold) {
  openPlain();
  entry("text_height")->setFocus();
  press(Qt::Key_Down, Qt::AltModifier);
  keep("text_height@spine", "210 strip");
  entry("text_height@spine")->setFocus();
  settle();
  EXPECT_TRUE(notes().contains("goes round a curve"));
  press(Qt::Key_Up);
  EXPECT_NEAR(value("text_height"), (210 + 210.5) / 2, 1e-9);
  document().save();
  EXPECT_EQ(saved().given.at("text_height").readings.back().by, "strip");
}

TEST_F(Saying, aWrongReadingIsToldAtItsPlaceAndKeepsNothing) {
  openPlain();
  entry("text_height")->setFocus();
  press(Qt::Key_Down, Qt::AltModifier);
  const std::string before = writeJob(saved());
  keep("text_height@middle", "5000");
  EXPECT_TRUE(message("text_height@middle").contains("5000"));
  EXPECT_EQ(writeJob(saved()), before);
  keep("text_height@middle", "210 hammer");
  EXPECT_FALSE(message("text_height@middle").isEmpty());
  EXPECT_EQ(writeJob(saved()), before);
}

TEST_F(Saying, overAComputedFigureAsksWhatGivesWay) {
  openPlain();
  showCase();
  const double before = value("board_width"), square = value("square_fore_edge");
  keep("board_width", "141.25");
  ASSERT_TRUE(giving().isVisible());
  EXPECT_FALSE(saved().fixed.contains("board_width"));  // nothing is kept before it is answered
  EXPECT_EQ(window_->findChild<QWidget*>("giving.text_width"), nullptr);
  find<QAbstractButton>("giving.square_fore_edge")->setFocus();
  settle();
  EXPECT_NEAR(value("board_width"), 141.25, 1e-9);  // drawn while it is looked at
  // A figure that grew on the way is seen whole.
  const QLineEdit* grown = this->entry("square_fore_edge");
  EXPECT_GE(grown->width(), grown->fontMetrics().horizontalAdvance(grown->text()) + 4);
  press(Qt::Key_Return);
  EXPECT_FALSE(giving().isVisible());
  const FieldValue now = fieldValue(saved(), "allowances/square_fore_edge");
  ASSERT_TRUE(now.has_value());
  EXPECT_NEAR(std::get<double>(now->value), square + 141.25 - before, 1e-9);
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_NEAR(value("board_width"), before, 1e-9);
}

TEST_F(Saying, escapeLeavesAllAsItWas) {
  openPlain();
  showCase();
  const std::string before = writeJob(saved());
  const double width = value("board_width");
  keep("board_width", "141");
  press(Qt::Key_Down);
  press(Qt::Key_Escape);
  EXPECT_FALSE(giving().isVisible());
  EXPECT_EQ(writeJob(saved()), before);
  EXPECT_NEAR(value("board_width"), width, 1e-9);
  keep("board_width", "7 ells");
  EXPECT_FALSE(giving().isVisible());
  EXPECT_FALSE(message("board_width").isEmpty());
}

TEST_F(Saying, aFigureIsSaidAsItIsAndLetGo) {
  openPlain();
  showCase();
  const double rule = value("board_width");
  keep("board_width", "138");
  click("giving.fixed");
  EXPECT_EQ(saved().fixed.at("board_width").value, Written(std::string("138 mm")));
  EXPECT_NEAR(value("board_width"), 138, 1e-9);
  entry("board_width")->setFocus();
  settle();
  EXPECT_TRUE(notes().contains("by the rule it would be"));
  EXPECT_TRUE(entry("board_width")->accessibleDescription().contains("said; rule"));
  empty("board_width");
  EXPECT_FALSE(saved().fixed.contains("board_width"));
  EXPECT_NEAR(value("board_width"), rule, 1e-9);
}

TEST_F(Saying, aPieceIsTriedAsItWasCut) {
  openPlain();
  showCase();
  click("slip.board");
  QLineEdit* entry = asCut("board");
  ASSERT_TRUE(entry->isVisible());
  entry->setFocus();
  QTest::keyClicks(entry, "x 214");
  settle();
  const double tried = value("square_head_tried") + value("square_tail_tried");
  EXPECT_NEAR(tried, 214 - 210, 1e-9);  // while it is typed
  press(Qt::Key_Return);
  EXPECT_FALSE(saved().asCut.at("board").contains("width"));
  EXPECT_EQ(saved().asCut.at("board").at("height").value, Written(std::string("214 mm")));
  EXPECT_TRUE(notes().contains("Tried as it was cut"));
  entry->setFocus();
  entry->selectAll();
  QTest::keyClicks(entry, "139 × 208");
  press(Qt::Key_Return);
  EXPECT_TRUE(notes().contains("make", Qt::CaseInsensitive) || notes().contains("trim"));
  entry->setFocus();
  entry->selectAll();
  press(Qt::Key_Backspace);
  press(Qt::Key_Return);
  EXPECT_TRUE(saved().asCut.empty());
}

TEST_F(Saying, aWrongSizeIsToldAndNotKept) {
  openPlain();
  click("slip.board");
  asCut("board")->setFocus();
  for (const char* wrong : {"139", "139 × 214 × 3", "0 × 214", "139 × 4000"}) {
    asCut("board")->selectAll();
    QTest::keyClicks(asCut("board"), wrong);
    press(Qt::Key_Return);
    EXPECT_TRUE(saved().asCut.empty()) << wrong;
    EXPECT_FALSE(find<SlipTray>("slips")->told().isEmpty()) << wrong;
  }
  press(Qt::Key_Escape);
  EXPECT_TRUE(find<SlipTray>("slips")->told().isEmpty());
  EXPECT_EQ(asCut("board")->text(), "");
}

// Among all methods the present one is kept, with a line of one's own why.
TEST_F(Saying, whyThisMethodIsKeptInTheBookItsNotesAndItsSlip) {
  openPlain();
  showCase();
  click("link.all-methods");
  auto* why = find<QLineEdit>("methods.why");
  ASSERT_TRUE(why->isVisible());
  why->setFocus();
  QTest::keyClicks(why, "the other volumes are so");
  press(Qt::Key_Return);
  EXPECT_EQ(saved().why, "the other volumes are so");
  EXPECT_EQ(slipPage(saved(), document().plan()).book.find("the other volumes are so") ==
                std::string::npos,
            false);
  click("link.joint");
  EXPECT_TRUE(notes().contains("the other volumes are so"));
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(saved().why, "");
}

// More than eight kinds of piece fold by the moment at which they are cut.
TEST_F(Saying, manySlipsFoldByTheMomentOfCuttingAndOpenWithTheirPiece) {
  openPlain();
  const auto lying = [&] {
    QStringList parts;
    for (const Slip* slip : window_->findChildren<Slip*>())
      if (slip->isVisible()) parts << slip->partId();
    return parts;
  };
  EXPECT_EQ(lying().size(), static_cast<qsizetype>(document().plan().parts.size()));
  Job job = plainJob();
  job.given["spine_shape"] = {std::string("backed"), {}};
  job.given["headband_height"] = {2.0, {}};
  job.allowances["covering_style"] = {std::string("half"), {}};
  job.allowances["tape_count"] = {3.0, {}};
  job.allowances["with_jacket"] = {std::string("with"), {}};
  open(job);
  ASSERT_GT(document().plan().parts.size(), 8U);
  std::set<std::string> seen;
  for (int i = 0; isShown(QString("slips.moment.%1").arg(i).toLatin1().constData()); ++i) {
    click(QString("slips.moment.%1").arg(i).toLatin1().constData());
    for (const QString& part : lying())
      EXPECT_TRUE(seen.insert(part.toStdString()).second) << part.toStdString();
    if (i == 20) break;
  }
  EXPECT_EQ(seen.size(), document().plan().parts.size());
  table().select(Subject::part("board"));
  settle();
  EXPECT_TRUE(lying().contains("board"));
  table().select(Subject::part("jacket"));
  settle();
  EXPECT_TRUE(lying().contains("jacket"));
  EXPECT_FALSE(lying().contains("board"));
}

// What was being typed is the former book's: it is kept there, and nothing of it comes to the next.
TEST_F(Saying, leavingABookKeepsWhatIsTypedInItAndInNoOther) {
  openPlain();
  const std::string former = path_;
  click("slip.board");
  asCut("board")->setFocus();
  QTest::keyClicks(asCut("board"), "139 × 214");
  showCase();
  click("link.all-methods");
  find<QLineEdit>("methods.why")->setFocus();
  QTest::keyClicks(find<QLineEdit>("methods.why"), "as its neighbours");
  window_->startNew();
  settle();
  EXPECT_EQ(saved(former).why, "as its neighbours");
  EXPECT_EQ(saved(former).asCut.size(), 1U);
  EXPECT_EQ(document().job().why, "");
  EXPECT_TRUE(document().job().asCut.empty());
}

TEST_F(Saying, aUnitBehindBothSidesIsOfBoth) {
  Job job = plainJob();
  job.units = Units::Inches;
  open(job);
  click("slip.board");
  asCut("board")->setFocus();
  QTest::keyClicks(asCut("board"), "139 × 214 mm");
  press(Qt::Key_Return);
  EXPECT_EQ(saved().asCut.at("board").at("width").value, Written(std::string("139mm")));
  EXPECT_EQ(saved().asCut.at("board").at("height").value, Written(std::string("214 mm")));
}

TEST_F(Saying, whatIsTypedWhereSomethingWasPlannedIsNoPlan) {
  Job job = plainJob();
  job.given.erase("text_height");
  job.given["text_height"].readings = {{205.0, "", "planned"}};
  open(job);
  entry("text_height")->setFocus();
  press(Qt::Key_Down, Qt::AltModifier);
  keep("text_height@spine", "211");
  EXPECT_EQ(saved().given.at("text_height").readings.back().by, "");
  EXPECT_NEAR(value("text_height"), 211, 1e-9);
}

// The same size said once more is no step to take back.
TEST_F(Saying, sayingTheSameAgainIsNoStep) {
  openPlain();
  click("slip.board");
  for (int i = 0; i < 2; ++i) {
    asCut("board")->setFocus();
    asCut("board")->selectAll();
    QTest::keyClicks(asCut("board"), "139 × 214");
    press(Qt::Key_Return);
    EXPECT_EQ(document().undoStack()->count(), 1);
  }
}

}  // namespace
}  // namespace drapery::test
