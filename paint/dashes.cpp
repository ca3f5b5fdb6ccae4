#include "paint/dashes.h"

#include <QLineF>
#include <QPainter>
#include <algorithm>

namespace drapery {

void drawDashed(QPainter& painter, const QPolygonF& line, const std::vector<double>& lengths) {
  for (qsizetype i = 0; i + 1 < line.size(); ++i) {
    const QLineF side(line[i], line[i + 1]);
    const double length = side.length();
    double from = 0.0;
    for (std::size_t k = 0; from < length; ++k) {
      const double to = std::min(length, from + lengths[k % lengths.size()]);
      if (k % 2 == 0) painter.drawLine(side.pointAt(from / length), side.pointAt(to / length));
      from = to;
    }
  }
}

}  // namespace drapery
