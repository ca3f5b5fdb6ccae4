// A learner's path in one line: as much of it about one of its steps as there is room for.
#pragma once

#include <QFontMetricsF>
#include <QStringList>

namespace drapery {

struct StepLine {
  QStringList steps;
  qsizetype about = 0;    // of these, the one that is always seen
  bool isMarked = false;  // in brackets and bold
};

/// What is left out on either side is an ellipsis. Rich text where a step is marked.
QString shownIn(const StepLine& line, double width, const QFontMetricsF& metrics);

}  // namespace drapery
