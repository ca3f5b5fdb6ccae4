// A stage of another kind joins the window by its line in the table of stages alone.
#include <gmock/gmock.h>

#include "tests/app/bench_window.h"

namespace drapery::test {

namespace {

/// A page with one thing to write on.
class Slate : public StagePage {
 public:
  explicit Slate(QWidget* parent) : StagePage(parent), text_(new QLineEdit(this)) {
    text_->setObjectName("slate");
  }
  void setStage(const Stage&) override {}
  void select(const Subject& subject) override { selected_ = subject; }
  [[nodiscard]] const Subject& selected() const override { return selected_; }
  void setNotesFolded(bool folded) override { isFolded = folded; }
  void startTyping() override { text_->setFocus(); }
  void keepTyped() override { kept = text_->text(); }
  [[nodiscard]] TypedTexts typed() const override { return {{"slate", text_->text()}}; }
  void typeAgain(const TypedTexts& texts) override { text_->setText(texts.front().second); }

  bool isFolded = false;
  QString kept;

 private:
  QLineEdit* text_;
  Subject selected_;
};

StagePage* makeSlate(Workspace&, const Palette&, QWidget* parent) { return new Slate(parent); }
StageStatus slateStatus(const Stage&, Workspace& workspace) {
  const Document& book = workspace.book();
  return {QString("%1 missing").arg(book.missing().size()), book.plan().has(Severity::Stop)};
}
/// Only case bindings are written about.
bool isCase(const Stage&, const RuleSet& rules) { return rules.id.rfind("case", 0) == 0; }

const std::vector<Stage>& stagesWithSlate() {
  static const std::vector<Stage> kStages = [] {
    std::vector<Stage> stages = allStages();
    stages.push_back({"slate", "Slate", slateStatus, isCase, makeSlate});
    return stages;
  }();
  return kStages;
}

/// It stands last of those that a case has: measure, linings, case, cut, jacket, templates.
constexpr Qt::Key kSlateKey = Qt::Key_7;

}  // namespace

class Stages : public BenchWindow {
 protected:
  Stages() { begin({}, {}, stagesWithSlate()); }
  Slate& slate() { return dynamic_cast<Slate&>(window_->page()); }
  QString status() { return find("docket.slate")->accessibleName(); }
};

TEST_F(Stages, docketAndShortcutTurnToAnotherKindOfPage) {
  EXPECT_EQ(status(), "Slate, 4 missing");
  openPlain();
  EXPECT_EQ(status(), "Slate, 0 missing");
  press(kSlateKey, Qt::AltModifier);
  EXPECT_TRUE(isShown("slate"));
  EXPECT_FALSE(isShown("notes"));
  EXPECT_FALSE(slate().isFolded);
  window_->resize(900, 700);
  settle();
  EXPECT_TRUE(slate().isFolded);
  click("docket.case");
  EXPECT_FALSE(isShown("slate"));
  EXPECT_TRUE(isShown("tag.margin"));
  click("docket.slate");
  EXPECT_TRUE(isShown("slate"));
}

TEST_F(Stages, whatIsTypedIsKeptWhenThePageIsLeftAndComesThroughAnotherTheme) {
  openPlain();
  type("text_height", "217");
  click("docket.slate");
  EXPECT_EQ(saved().given.at("text_height").value, Written(std::string("217 mm")));
  slate().startTyping();
  QTest::keyClicks(find<QLineEdit>("slate"), "thread: 25/3");
  press(Qt::Key_B, Qt::ControlModifier);
  EXPECT_EQ(find<QLineEdit>("slate")->text(), "thread: 25/3");
  Slate& left = slate();
  click("docket.measure");
  EXPECT_EQ(left.kept, "thread: 25/3");
}

TEST_F(Stages, aStageWithoutWorkOnTheseRulesIsNotTurnedTo) {
  openPlain();
  click("docket.slate");
  Job stab = plainJob("stab-plain");
  stab.given = {};
  open(stab);
  EXPECT_EQ(QString(window_->stage().id), "measure");
  EXPECT_FALSE(isShown("docket.slate"));
  press(kSlateKey, Qt::AltModifier);
  EXPECT_NE(QString(window_->stage().id), "slate");
  click("docket.measure");
  EXPECT_TRUE(isShown("notes"));
}

}  // namespace drapery::test
