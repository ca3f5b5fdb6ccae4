// The stages of the work, in order, and what each draws.
#pragma once

#include <QString>
#include <vector>

#include "core/drawing/drawing.h"
#include "core/plan/plan.h"

namespace drapery {

enum class Stage { Measure, Case };

/// One drawing of a stage and its share of the height.
struct StagePanel {
  Drawing drawing;
  double share = 1.0;
  QString caption;  // may be empty
};

std::vector<StagePanel> stagePanels(Stage stage, const Plan& plan);
QString stageTitle(Stage stage);
/// How the stage stands, in a few words: "210.4 × 143.8 × 22.6", "squares 3.0", "2 to measure".
QString stageStatus(Stage stage, const Plan& plan, std::size_t missing);
QString stageId(Stage stage);  // "measure", "case"
/// Whether the rules have a drawing for it.
bool stageApplies(Stage stage, const RuleSet& rules);
const std::vector<Stage>& allStages();

}  // namespace drapery
