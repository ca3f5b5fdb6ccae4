#include "app/stage/stage.h"

#include <QCoreApplication>
#include <algorithm>

#include "app/words/window_words.h"
#include "core/drawing/book_drawings.h"

namespace drapery {

namespace {

QString tr(const char* text, int n = -1) {
  return QCoreApplication::translate("Stage", text, nullptr, n);
}

QString measureStatus(const Plan& plan, std::size_t missing) {
  if (missing > 0) return missing == 1 ? tr("1 to measure") : tr("%1 to measure").arg(missing);
  const auto height = plan.length("text_height");
  const auto width = plan.length("text_width");
  const auto thickness = plan.length("text_thickness");
  if (!height || !width || !thickness) return {};
  const Notation notation = windowNotation(plan);
  return QString("%1 × %2 × %3")
      .arg(bareWords(*height, notation), bareWords(*width, notation),
           bareWords(*thickness, notation));
}

QString caseStatus(const Plan& plan) {
  const auto stops = std::count_if(plan.findings.begin(), plan.findings.end(), [](const auto& f) {
    return f.rule->severity == Severity::Stop;
  });
  if (stops > 0) return tr("stop: not to be cut yet");
  const auto square = plan.length("square_least_tried");
  if (!square) return {};
  return tr("smallest square %1").arg(lengthWords(*square, windowNotation(plan)));
}

}  // namespace

std::vector<StagePanel> stagePanels(Stage stage, const Plan& plan) {
  std::vector<StagePanel> panels;
  if (stage == Stage::Measure) {
    panels.push_back({drawTextBlock(plan), 1.0});
  } else {
    panels.push_back({drawJoint(plan), 0.42});
    panels.push_back({drawFlatCase(plan), 0.58});
  }
  return panels;
}

QString stageTitle(Stage stage) { return stage == Stage::Measure ? tr("Measure") : tr("Case"); }
QString stageId(Stage stage) { return stage == Stage::Measure ? "measure" : "case"; }

QString stageStatus(Stage stage, const Plan& plan, std::size_t missing) {
  if (stage == Stage::Measure) return measureStatus(plan, missing);
  return missing > 0 ? tr("waits for the measures") : caseStatus(plan);
}

const std::vector<Stage>& allStages() {
  static const std::vector<Stage> kAll{Stage::Measure, Stage::Case};
  return kAll;
}

}  // namespace drapery
