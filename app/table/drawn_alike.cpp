#include "app/table/drawn_alike.h"

#include <algorithm>

#include "paint/drawing_painter.h"

namespace drapery {

double scaleForAll(const std::vector<const Drawing*>& drawings, const QSizeF& room) {
  double least = 1e9;
  for (const Drawing* drawing : drawings) {
    const Box box = boundsOf(*drawing);
    if (box.width() <= 0.0 || box.height() <= 0.0) continue;
    least = std::min({least, room.width() / box.width(), room.height() / box.height()});
  }
  return least;
}

QSizeF sizeAt(const Drawing& drawing, double scale) {
  const Box box = boundsOf(drawing);
  return {box.width() * scale, box.height() * scale};
}

void paintStanding(QPainter& painter, const Drawing& drawing, double scale, QPointF corner,
                   const Palette& palette) {
  const QSizeF size = sizeAt(drawing, scale);
  if (size.width() <= 0.0) return;
  PaintStyle style;
  style.palette = &palette;
  paintDrawing(painter, drawing,
               fitted(boundsOf(drawing), QRectF(corner - QPointF(0, size.height()), size)), style);
}

}  // namespace drapery
