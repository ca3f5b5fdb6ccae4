#include "app/sewing/move_slider.h"

#include <QPainter>
#include <QStyle>
#include <QStyleOptionSlider>

namespace drapery {

MoveSlider::MoveSlider(const Palette& palette, QWidget* parent)
    : QSlider(Qt::Horizontal, parent), palette_(palette) {}

void MoveSlider::setMarks(std::vector<int> moves) {
  marks_ = std::move(moves);
  update();
}

/// A small wedge over the groove at each.
void MoveSlider::paintEvent(QPaintEvent* event) {
  QSlider::paintEvent(event);
  QStyleOptionSlider option;
  initStyleOption(&option);
  const int handle = style()->pixelMetric(QStyle::PM_SliderLength, &option, this);
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(Qt::NoPen);
  painter.setBrush(palette_.secondInk);
  constexpr double kHalf = 4.0, kHigh = 6.0;
  for (const int move : marks_) {
    const double x =
        handle / 2.0 + QStyle::sliderPositionFromValue(minimum(), maximum(), move, width() - handle,
                                                       option.upsideDown);
    const QPointF wedge[] = {{x - kHalf, 0}, {x + kHalf, 0}, {x, kHigh}};
    painter.drawPolygon(wedge, 3);
  }
}

}  // namespace drapery
