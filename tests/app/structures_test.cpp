// Each structure that is no case, in the window: chosen by what it is for, its measures typed, its
// stages gone through, its file, slip, templates and lay-out looked at from outside.
#include <gmock/gmock.h>

#include <filesystem>
#include <set>

#include "app/cutting/cut_desk.h"
#include "app/printing/templates_page.h"
#include "app/stage/stages.h"
#include "app/workspace/stock_room.h"
#include "tests/app/bench_window.h"
#include "tests/support/command.h"
#include "words/plan_text.h"

namespace drapery::test {
namespace {

using ::testing::HasSubstr;
using ::testing::Not;

class StructureWindow : public BenchWindow, public ::testing::WithParamInterface<std::string> {
 protected:
  StructureWindow() : wanted_(plainJob(GetParam())) {
    if (isSewnInSections()) {
      wanted_.given["pages_wanted"] = {144.0, {}};
      wanted_.given["leaf_caliper"] = {0.12, {}};
    }
    std::filesystem::create_directories(folder_.path() + "/drapery");
    folder_.write("drapery/stock.json", projectFile("demo/stock/shelf.json"));
    workspace_->stock().reload();
  }
  static bool isSewnInSections() {
    return GetParam() == "spring-back" || GetParam() == "soft-slotted";
  }
  void measure() {
    click("docket.new");
    click("wayin.kind");
    // One for each kind; others of it are taken up by what they are told apart by.
    const std::string take = "kinds.take." + GetParam();
    if (isShown(take.c_str()))
      click(take.c_str());
    else
      ASSERT_FALSE(document().keep("method", Entry{GetParam(), {}}));
    settle();
    for (const auto& [id, entry] : wanted_.given) {
      const std::string typed = std::to_string(std::get<double>(entry.value));
      if (id == "pages_wanted" || id == "leaf_caliper") {  // these hang in a closer look
        ASSERT_FALSE(document().keep("given/" + id, Entry{typed, {}}));
        continue;
      }
      // A tag hangs where it is measured: on any stage of the table.
      for (const Stage& stage : tableStages()) {
        const std::string docket = std::string("docket.") + stage.id;
        if (window_->findChild<QLineEdit*>(("tag." + id).c_str()) != nullptr) break;
        if (isShown(docket.c_str())) click(docket.c_str());
      }
      keep(id, typed.c_str());
    }
    path_ = document().path().toStdString();
  }
  /// As the window writes it.
  std::string slip() {
    const std::string pdf = folder_.path() + "/slip.pdf";
    FileQuestions ask = fileDialogs();
    ask.savePages = [&](QWidget*, const QString&) { return QString::fromStdString(pdf); };
    window_->setQuestions(ask);
    click("docket.slip");
    settle();
    return run({"pdftotext", "-layout", pdf, "-"}).out;
  }
  Notation notation() const { return {Units::Millimetres, Length::fromMm(0.5), '.', {}}; }

  Job wanted_;
};

TEST_P(StructureWindow, isPlannedAsItIsWithoutOne) {
  measure();
  EXPECT_TRUE(document().missing().empty());
  const Plan plan = planOf(wanted_).plan;
  ASSERT_EQ(document().plan().rules->id, GetParam());
  for (const DerivedRule& rule : plan.rules->derived)
    EXPECT_NEAR(document().plan().number(rule.id).value_or(-1e9),
                plan.number(rule.id).value_or(-1e9), 1e-9)
        << rule.id;
  EXPECT_EQ(saved().method, GetParam());
  for (const auto& [id, entry] : wanted_.given)
    EXPECT_EQ(planOf(saved()).plan.number(id), plan.number(id)) << id;
}

TEST_P(StructureWindow, everyStageHasSomethingToShow) {
  measure();
  std::set<std::string> shown;
  for (const Stage& stage : allStages()) {
    const std::string docket = std::string("docket.") + stage.id;
    if (!isShown(docket.c_str())) continue;
    click(docket.c_str());
    shown.insert(stage.id);
    const std::string told = find(docket.c_str())->accessibleName().toStdString();
    EXPECT_THAT(told, Not(HasSubstr("waits"))) << stage.id;
    EXPECT_THAT(told, Not(HasSubstr("stop"))) << stage.id;
    EXPECT_THAT(told, Not(HasSubstr("cannot"))) << stage.id;
    EXPECT_THAT(told, Not(HasSubstr("to measure"))) << stage.id;
  }
  std::set<std::string> stages{"cut", "templates"};
  for (const ViewRule& view : document().plan().rules->views)
    if (view.figure != "portrait") stages.insert(view.stage);
  if (document().plan().rules->sewing.isSewn()) stages.insert("sew");
  EXPECT_EQ(shown, stages);
}

TEST_P(StructureWindow, itsSlipTellsEveryPieceAndTheThread) {
  measure();
  const std::string slip = this->slip();
  const Plan& plan = document().plan();
  ASSERT_FALSE(plan.parts.empty());
  for (const PlannedPart& part : plan.parts) {
    EXPECT_THAT(slip, HasSubstr(sizeWords(part.cutWidth, part.cutHeight, notation())))
        << part.rule->id;
    EXPECT_THAT(slip, HasSubstr(part.rule->title.text));
  }
  if (!plan.rules->sewing.isSewn()) return;
  EXPECT_THAT(slip, ::testing::AnyOf(HasSubstr("Thread"), HasSubstr("thread")));
}

TEST_P(StructureWindow, itsPiecesGoToTheTemplatesAndTheStock) {
  measure();
  const Plan& plan = document().plan();
  click("docket.templates");
  const PrintJob* print = dynamic_cast<TemplatesPage&>(window_->page()).print();
  ASSERT_NE(print, nullptr);
  EXPECT_FALSE(print->sheets.empty());
  const std::vector<TrueSize> all = trueSizes(plan);
  for (const PlannedPart& part : plan.parts)
    EXPECT_TRUE(std::any_of(all.begin(), all.end(), [&](const TrueSize& thing) {
      return thing.part == &part && !thing.isSticker;
    })) << part.rule->id;
  click("docket.cut");
  workspace_->cutting().settle();
  settle();
  const auto& problem = workspace_->cutting().found().work.problem;
  int wanted = 0, asked = 0;
  for (const PlannedPart& part : plan.parts) wanted += part.count * plan.copies;
  for (const CutPiece& piece : problem.pieces) asked += piece.count;
  EXPECT_EQ(asked, wanted);
}

INSTANTIATE_TEST_SUITE_P(All, StructureWindow, ::testing::ValuesIn(kStructures),
                         [](const auto& of) {
                           std::string name = of.param;
                           std::erase(name, '-');
                           return name;
                         });

}  // namespace
}  // namespace drapery::test
