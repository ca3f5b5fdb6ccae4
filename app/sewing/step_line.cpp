#include "app/sewing/step_line.h"

#include <algorithm>

namespace drapery {

QString shownIn(const StepLine& line, double width, const QFontMetricsF& metrics) {
  if (line.steps.isEmpty()) return {};
  const QString more = QStringLiteral("\u2026");
  const qsizetype count = line.steps.size(),
                  about = std::clamp<qsizetype>(line.about, 0, count - 1);
  const double space = metrics.horizontalAdvance(' ');
  const auto wide = [&](qsizetype step) {
    return metrics.horizontalAdvance(line.steps[step]) + space;
  };
  constexpr double kBold = 1.15;  // times as wide
  double left = width - kBold * wide(about) - 2 * (metrics.horizontalAdvance(more) + space) -
                metrics.horizontalAdvance("[]");
  qsizetype from = about, to = about + 1;
  for (bool isOpen = true; isOpen;) {
    isOpen = false;
    if (from > 0 && wide(from - 1) <= left) {
      left -= wide(--from);
      isOpen = true;
    }
    if (to < count && wide(to) <= left) {
      left -= wide(to++);
      isOpen = true;
    }
  }
  QStringList shown = line.steps.mid(from, to - from);
  if (line.isMarked) shown[about - from] = "<b>[" + shown[about - from] + "]</b>";
  if (from > 0) shown.prepend(more);
  if (to < count) shown.append(more);
  return shown.join(' ');
}

}  // namespace drapery
