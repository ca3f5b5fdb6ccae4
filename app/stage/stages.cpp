#include "app/stage/stages.h"

#include <QCoreApplication>
#include <algorithm>
#include <cmath>

#include "app/cutting/cut_desk.h"
#include "app/cutting/cut_page.h"
#include "app/printing/templates_page.h"
#include "app/sewing/sew_desk.h"
#include "app/sewing/sew_page.h"
#include "app/table/table.h"
#include "app/words/cut_words.h"
#include "app/words/window_words.h"
#include "app/workspace/stock_room.h"
#include "app/workspace/workspace.h"
#include "words/sewing_words.h"
#include "words/summary_words.h"

namespace drapery {

namespace {

struct Words {
  Q_DECLARE_TR_FUNCTIONS(Stage)
};

/// What the rules say about the stage on the docket.
QString ruleStatus(const Stage& stage, const Plan& plan) {
  const auto lines = summaryLines(plan, "docket", windowNotation(plan), stage.id);
  return lines.empty() ? QString() : QString::fromStdString(lines.front());
}

QString toMeasure(std::size_t count) {
  return count == 1 ? Words::tr("1 to measure") : Words::tr("%1 to measure").arg(count);
}

StageStatus measureStatus(const Stage& stage, Workspace& workspace) {
  const std::size_t missing = workspace.book().missing().size();
  if (missing > 0) return {toMeasure(missing)};
  return {ruleStatus(stage, workspace.book().plan())};
}

/// Of what follows without a decision of its own.
StageStatus lineStatus(const Stage& stage, Workspace& workspace) {
  return {workspace.book().missing().empty() ? ruleStatus(stage, workspace.book().plan())
                                             : Words::tr("waits for the measures")};
}

StageStatus caseStatus(const Stage& stage, Workspace& workspace) {
  const Plan& plan = workspace.book().plan();
  const bool isStop = plan.has(Severity::Stop);
  if (!workspace.book().missing().empty()) return {Words::tr("waits for the measures"), isStop};
  return {isStop ? Words::tr("stop: not to be cut yet") : ruleStatus(stage, plan), isStop};
}

QString threadShort(double mm, const Notation& notation) {
  constexpr double kMetre = 1000.0;
  if (notation.units == Units::Inches) return QString::fromStdString(threadWords(mm, notation));
  // Up: never less than it takes.
  return Words::tr("%1 m").arg(std::ceil(mm / kMetre * 100.0) / 100.0, 0, 'f', 2);
}

StageStatus sewingStatus(const SewnBook& book, const Notation& notation) {
  if (const auto* stab = std::get_if<SewnStab>(&book.sewn))
    return {Words::tr("%1 holes, %2 of thread")
                .arg(stab->graph.holes.size())
                .arg(threadShort(stab->plan.number("thread_needed").value_or(0.0), notation)),
            stab->plan.has(Severity::Stop)};
  if (const auto* link = std::get_if<SewnLink>(&book.sewn))
    return {Words::tr("2 rows, %1 each")
                .arg(threadShort(link->plan.number("thread_head").value_or(0.0), notation)),
            link->plan.has(Severity::Stop)};
  if (const auto* tapes = std::get_if<SewnTapes>(&book.sewn)) {
    const QString sections = QString::number(tapes->plan.number("sections").value_or(0.0));
    const QString words =
        tapes->pieces.size() == 1
            ? Words::tr("%1 sections, one piece of thread").arg(sections)
            : Words::tr("%1 sections, %2 pieces").arg(sections).arg(tapes->pieces.size());
    return {words, tapes->plan.has(Severity::Stop)};
  }
  return {};
}

bool hasViews(const Stage& stage, const RuleSet& rules) {
  return std::any_of(rules.views.begin(), rules.views.end(),
                     [&](const ViewRule& view) { return view.stage == stage.id; });
}

bool hasPieces(const Stage&, const RuleSet& rules) { return !rules.parts.empty(); }

/// How much of what lies there is taken, and what finds no room.
StageStatus cutStatus(const Stage&, Workspace& workspace) {
  const CutDesk& desk = workspace.cutting();
  if (!workspace.book().missing().empty()) return {Words::tr("waits for the measures")};
  if (workspace.stock().stock().items.empty()) return {Words::tr("nothing lies there yet")};
  const Notation notation = windowNotation(workspace.book().plan());
  return {cutStatusWords(desk.found(), notation), withoutRoom(desk.found()) > 0};
}

StagePage* makeTable(Workspace& workspace, const Palette& palette, QWidget* parent) {
  auto* table = new Table(workspace.book(), palette, parent);
  table->setTrueScale([&workspace, table] {
    return workspace.settings().number("screen_dots_per_mm") / table->devicePixelRatioF();
  });
  return table;
}

StagePage* makeCutPage(Workspace& workspace, const Palette& palette, QWidget* parent) {
  return new CutPage(workspace, palette, parent);
}

StagePage* makeSewPage(Workspace& workspace, const Palette& palette, QWidget* parent) {
  return new SewPage(workspace, palette, parent);
}

bool isSewn(const Stage&, const RuleSet& rules) { return rules.sewing.isSewn(); }

/// "11 holes, 1.63 m of thread".
StageStatus sewStatus(const Stage&, Workspace& workspace) {
  if (!workspace.book().missing().empty()) return {Words::tr("waits for the measures")};
  const auto sewn = workspace.sewing().sewn();
  if (!sewn->missing.empty()) return {toMeasure(sewn->missing.size())};
  if (!sewn->issues.empty()) return {Words::tr("cannot be sewn so"), true};
  return sewingStatus(*sewn, windowNotation(workspace.book().plan()));
}

StagePage* makeTemplates(Workspace& workspace, const Palette& palette, QWidget* parent) {
  return new TemplatesPage(workspace, palette, parent);
}

bool hasTemplates(const Stage&, const RuleSet& rules) {
  return !rules.templates.empty() || !rules.parts.empty();
}

/// How many there are of what is laid on the work.
StageStatus templatesStatus(const Stage&, Workspace& workspace) {
  if (!workspace.book().missing().empty()) return {Words::tr("waits for the measures")};
  const Plan& plan = workspace.book().plan();
  const auto count = std::count_if(
      plan.rules->templates.begin(), plan.rules->templates.end(),
      [&](const TemplateRule& rule) { return rule.when.formula.holds(plan.table()); });
  if (count == 0) return {Words::tr("pieces at true size")};
  return {Words::tr("%1 to lay on the work").arg(count)};
}

}  // namespace

QString Stage::words() const { return Words::tr(title); }

const std::vector<Stage>& allStages() {
  static const std::vector<Stage> kStages{
      {"measure", QT_TRANSLATE_NOOP("Stage", "Measure"), measureStatus, hasViews, makeTable, false},
      {"linings", QT_TRANSLATE_NOOP("Stage", "Linings"), lineStatus, hasViews, makeTable, false},
      {"case", QT_TRANSLATE_NOOP("Stage", "Case"), caseStatus, hasViews, makeTable, true},
      {"cover", QT_TRANSLATE_NOOP("Stage", "Cover"), caseStatus, hasViews, makeTable, false},
      {"folds", QT_TRANSLATE_NOOP("Stage", "Folds"), lineStatus, hasViews, makeTable, false},
      {"holes", QT_TRANSLATE_NOOP("Stage", "Holes"), lineStatus, hasViews, makeTable, false},
      {"spring", QT_TRANSLATE_NOOP("Stage", "Spring"), lineStatus, hasViews, makeTable, false},
      {"sew", QT_TRANSLATE_NOOP("Stage", "Sew"), sewStatus, isSewn, makeSewPage, false},
      {"cut", QT_TRANSLATE_NOOP("Stage", "Cut"), cutStatus, hasPieces, makeCutPage, false},
      {"jacket", QT_TRANSLATE_NOOP("Stage", "Jacket"), lineStatus, hasViews, makeTable, false},
      {"templates", QT_TRANSLATE_NOOP("Stage", "Templates"), templatesStatus, hasTemplates,
       makeTemplates, false}};
  return kStages;
}

const Stage* stageNamed(const QString& id) {
  const auto& all = allStages();
  const auto at = std::find_if(all.begin(), all.end(),
                               [&id](const Stage& stage) { return id == QLatin1String(stage.id); });
  return at == all.end() ? nullptr : &*at;
}

}  // namespace drapery
