#include "app/sewing/hole_button.h"

#include <QKeyEvent>
#include <QPainter>

namespace drapery {

HoleButton::HoleButton(int hole, const Palette& palette, QWidget* parent)
    : QAbstractButton(parent), palette_(palette) {
  setObjectName(QString("sew.hole.%1").arg(hole + 1));
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::PointingHandCursor);
  resize(sizeHint());
}

QSize HoleButton::sizeHint() const { return {28, 28}; }

void HoleButton::paintEvent(QPaintEvent*) {
  if (!hasFocus()) return;
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(QPen(palette_.accent, 2.0));
  painter.drawEllipse(QRectF(rect()).adjusted(1.5, 1.5, -1.5, -1.5));
}

/// Enter too: the space bar is the button's own.
void HoleButton::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) return click();
  QAbstractButton::keyPressEvent(event);
}

}  // namespace drapery
