#include "app/stage/stage.h"

#include <QCoreApplication>

#include "app/words/window_words.h"
#include "core/drawing/draw_view.h"
#include "words/summary_words.h"

namespace drapery {

namespace {

QString tr(const char* text) { return QCoreApplication::translate("Stage", text); }

/// What the rules say about the stage on the docket.
QString ruleStatus(const Plan& plan, Stage stage) {
  const auto lines =
      summaryLines(plan, "docket", windowNotation(plan), stageId(stage).toStdString());
  return lines.empty() ? QString() : QString::fromStdString(lines.front());
}

}  // namespace

std::vector<StagePanel> stagePanels(Stage stage, const Plan& plan) {
  std::vector<StagePanel> panels;
  for (const ViewRule* view : viewsOf(plan, stageId(stage).toStdString()))
    panels.push_back({drawView(*view, plan), view->share, localText(view->caption)});
  return panels;
}

QString stageTitle(Stage stage) { return stage == Stage::Measure ? tr("Measure") : tr("Case"); }
QString stageId(Stage stage) { return stage == Stage::Measure ? "measure" : "case"; }

QString stageStatus(Stage stage, const Plan& plan, std::size_t missing) {
  if (stage == Stage::Measure && missing > 0)
    return missing == 1 ? tr("1 to measure") : tr("%1 to measure").arg(missing);
  if (stage == Stage::Measure) return ruleStatus(plan, stage);
  if (missing > 0) return tr("waits for the measures");
  return plan.has(Severity::Stop) ? tr("stop: not to be cut yet") : ruleStatus(plan, stage);
}

const std::vector<Stage>& allStages() {
  static const std::vector<Stage> kAll{Stage::Measure, Stage::Case};
  return kAll;
}

}  // namespace drapery
