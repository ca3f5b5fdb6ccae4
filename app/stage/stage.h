// A stage of the work and how it joins the window. Docket, shortcuts, the command line and the
// tests walk the table of them (app/stage/stages.h).
#pragma once

#include <QString>

#include "core/plan/plan.h"

class QWidget;

namespace drapery {

class StagePage;
class Workspace;
struct Palette;

/// How a stage stands, in a few words: "210.4 × 143.8 × 22.6", "squares 3.0", "2 to measure".
struct StageStatus {
  QString text;
  bool isStop = false;
};

/// Makes the page that a stage is worked on.
using PageMaker = StagePage* (*)(Workspace& workspace, const Palette& palette, QWidget* parent);

struct Stage {
  const char* id;     // as in rule files and on the command line: "measure"
  const char* title;  // in the window, to be translated
  StageStatus (*status)(const Stage& stage, Workspace& workspace);
  /// Whether these rules have work for it.
  bool (*applies)(const Stage& stage, const RuleSet& rules);
  PageMaker makePage;       // stages with one maker share one page
  bool tellsTrial = false;  // whether the case on the book is told beside it

  [[nodiscard]] QString words() const;  // the title in the reader's language
};

}  // namespace drapery
