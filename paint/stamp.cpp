#include "paint/stamp.h"

#include <QPaintDevice>
#include <cmath>

namespace drapery {

Stamp::Stamp(const QPainter& like, const QSizeF& size,
             const std::function<void(QPainter&)>& paint) {
  const double ratio = like.device()->devicePixelRatioF();
  // Even on both sides, so that its middle is a pixel's corner wherever it is laid.
  const QSize half(static_cast<int>(std::ceil(size.width() / 2)) + 1,
                   static_cast<int>(std::ceil(size.height() / 2)) + 1);
  half_ = QPointF(half.width(), half.height());
  picture_ = QPixmap(2 * half * ratio);
  picture_.setDevicePixelRatio(ratio);
  picture_.fill(Qt::transparent);
  QPainter painter(&picture_);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.translate(half_);
  paint(painter);
}

void Stamp::put(QPainter& painter, const QPointF& middle) const {
  painter.drawPixmap(middle - half_, picture_);
}

}  // namespace drapery
