#include "app/stage/stages.h"

#include <QCoreApplication>
#include <algorithm>

#include "app/table/table.h"
#include "app/words/window_words.h"
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

StageStatus measureStatus(const Stage& stage, const Plan& plan, std::size_t missing) {
  if (missing == 1) return {Words::tr("1 to measure")};
  if (missing > 1) return {Words::tr("%1 to measure").arg(missing)};
  return {ruleStatus(stage, plan)};
}

/// Of what follows without a decision of its own.
StageStatus lineStatus(const Stage& stage, const Plan& plan, std::size_t missing) {
  return {missing > 0 ? Words::tr("waits for the measures") : ruleStatus(stage, plan)};
}

StageStatus cutStatus(const Stage& stage, const Plan& plan, std::size_t missing) {
  const bool isStop = plan.has(Severity::Stop);
  if (missing > 0) return {Words::tr("waits for the measures"), isStop};
  return {isStop ? Words::tr("stop: not to be cut yet") : ruleStatus(stage, plan), isStop};
}

bool hasViews(const Stage& stage, const RuleSet& rules) {
  return std::any_of(rules.views.begin(), rules.views.end(),
                     [&](const ViewRule& view) { return view.stage == stage.id; });
}

StagePage* makeTable(Document& document, const Palette& palette, QWidget* parent) {
  return new Table(document, palette, parent);
}

}  // namespace

QString Stage::words() const { return Words::tr(title); }

const std::vector<Stage>& allStages() {
  static const std::vector<Stage> kStages{
      {"measure", QT_TRANSLATE_NOOP("Stage", "Measure"), measureStatus, hasViews, makeTable, false},
      {"linings", QT_TRANSLATE_NOOP("Stage", "Linings"), lineStatus, hasViews, makeTable, false},
      {"case", QT_TRANSLATE_NOOP("Stage", "Case"), cutStatus, hasViews, makeTable, true},
      {"jacket", QT_TRANSLATE_NOOP("Stage", "Jacket"), lineStatus, hasViews, makeTable, false}};
  return kStages;
}

const Stage* stageNamed(const QString& id) {
  const auto& all = allStages();
  const auto at = std::find_if(all.begin(), all.end(),
                               [&id](const Stage& stage) { return id == QLatin1String(stage.id); });
  return at == all.end() ? nullptr : &*at;
}

}  // namespace drapery
