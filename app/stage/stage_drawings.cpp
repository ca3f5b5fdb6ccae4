#include "app/stage/stage_drawings.h"

#include "app/words/window_words.h"
#include "core/drawing/draw_view.h"

namespace drapery {

std::vector<StagePanel> stagePanels(const Stage& stage, const Plan& plan) {
  std::vector<StagePanel> panels;
  for (const ViewRule* view : viewsOf(plan, stage.id))
    panels.push_back({drawView(*view, plan), view->share, localText(view->caption)});
  return panels;
}

}  // namespace drapery
