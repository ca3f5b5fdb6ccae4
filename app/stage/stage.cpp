#include "app/stage/stage.h"

#include <QCoreApplication>
#include <algorithm>
#include <array>

#include "app/words/window_words.h"
#include "core/drawing/draw_view.h"
#include "words/summary_words.h"

namespace drapery {

namespace {

struct Words {
  Q_DECLARE_TR_FUNCTIONS(Stage)
};

struct StageEntry {
  Stage stage;
  const char* id;
  const char* title;
};
/// All that there is to say of a stage here; its drawings and its line are in the rule files.
constexpr std::array kStages{
    StageEntry{Stage::Measure, "measure", QT_TRANSLATE_NOOP("Stage", "Measure")},
    StageEntry{Stage::Case, "case", QT_TRANSLATE_NOOP("Stage", "Case")}};

const StageEntry& entryOf(Stage stage) {
  return *std::find_if(kStages.begin(), kStages.end(),
                       [stage](const StageEntry& entry) { return entry.stage == stage; });
}

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

QString stageTitle(Stage stage) { return Words::tr(entryOf(stage).title); }
QString stageId(Stage stage) { return entryOf(stage).id; }

bool stageApplies(Stage stage, const RuleSet& rules) {
  return std::any_of(rules.views.begin(), rules.views.end(),
                     [&](const ViewRule& view) { return view.stage == entryOf(stage).id; });
}

QString stageStatus(Stage stage, const Plan& plan, std::size_t missing) {
  if (stage == Stage::Measure && missing > 0)
    return missing == 1 ? Words::tr("1 to measure") : Words::tr("%1 to measure").arg(missing);
  if (stage == Stage::Measure) return ruleStatus(plan, stage);
  if (missing > 0) return Words::tr("waits for the measures");
  return plan.has(Severity::Stop) ? Words::tr("stop: not to be cut yet") : ruleStatus(plan, stage);
}

const std::vector<Stage>& allStages() {
  static const std::vector<Stage> kAll = [] {
    std::vector<Stage> all;
    all.reserve(kStages.size());
    for (const StageEntry& entry : kStages) all.push_back(entry.stage);
    return all;
  }();
  return kAll;
}

}  // namespace drapery
