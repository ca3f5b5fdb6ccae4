// A stage's drawings: the views that name it in the rule file.
#pragma once

#include <QString>
#include <vector>

#include "app/stage/stage.h"
#include "core/drawing/drawing.h"

namespace drapery {

/// One drawing of a stage and its share of the height.
struct StagePanel {
  Drawing drawing;
  double share = 1.0;
  QString caption;  // may be empty
};

std::vector<StagePanel> stagePanels(const Stage& stage, const Plan& plan);

}  // namespace drapery
