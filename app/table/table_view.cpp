// Moving about on the table: zoom, pan, picking a piece.
#include <QKeyEvent>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>

#include "app/table/table.h"

namespace drapery {

namespace {
constexpr double kLargestZoom = 12.0;
constexpr double kSmallestZoom = 0.4;
}  // namespace

void Table::resizeEvent(QResizeEvent*) { refresh(); }

void Table::resetView() {
  zoom_ = 1.0;
  pan_ = {};
}

void Table::zoomBy(double factor, QPointF about) {
  const double before = zoom_;
  zoom_ = std::clamp(zoom_ * factor, kSmallestZoom, kLargestZoom);
  const double scale = zoom_ / before;
  const QPointF middle = QRectF(drawingArea()).center() + pan_;
  pan_ += (about - middle) * (1 - scale);
  if (std::abs(zoom_ - 1.0) < 0.02) resetView();
  refresh();
}

void Table::panBy(QPointF by) {
  pan_ += by;
  refresh();
}

void Table::wheelEvent(QWheelEvent* event) {
  if (!drawingArea().contains(event->position().toPoint())) return QWidget::wheelEvent(event);
  zoomBy(std::pow(1.0015, event->angleDelta().y()), event->position());
  event->accept();
}

void Table::mousePressEvent(QMouseEvent* event) {
  if (isSpaceDown_ || event->button() == Qt::MiddleButton) {
    dragFrom_ = event->position();
    setCursor(Qt::ClosedHandCursor);
    return;
  }
  setFocus();
  for (auto placed = panels_.rbegin(); placed != panels_.rend(); ++placed) {
    const QPointF at = placed->toTable.inverted().map(event->position());
    const auto& shapes = placed->panel.drawing.shapes;
    for (auto shape = shapes.rbegin(); shape != shapes.rend(); ++shape) {
      if (!shape->isClosed || shape->subject.empty()) continue;
      QPolygonF polygon;
      for (const Point& p : shape->points) polygon << QPointF(p.x, p.y);
      if (polygon.containsPoint(at, Qt::OddEvenFill))
        return select(QString::fromStdString(shape->subject));
    }
  }
  select({});
}

void Table::mouseMoveEvent(QMouseEvent* event) {
  if (!dragFrom_) return;
  const QPointF by = event->position() - *dragFrom_;
  dragFrom_ = event->position();
  panBy(by);
}

void Table::mouseReleaseEvent(QMouseEvent*) {
  dragFrom_.reset();
  unsetCursor();
}

void Table::keyPressEvent(QKeyEvent* event) {
  const QPointF middle = QRectF(drawingArea()).center();
  const bool isControl = (event->modifiers() & Qt::ControlModifier) != 0;
  constexpr double kPan = 40.0;
  switch (event->key()) {
    case Qt::Key_Space:
      isSpaceDown_ = true;
      return;
    case Qt::Key_Plus:
    case Qt::Key_Equal:
      return zoomBy(1.25, middle);
    case Qt::Key_Minus:
      return zoomBy(0.8, middle);
    case Qt::Key_0:
      resetView();
      return refresh();
    case Qt::Key_Escape:
      return select({});
    case Qt::Key_Left:
      if (isControl) return panBy({kPan, 0});
      break;
    case Qt::Key_Right:
      if (isControl) return panBy({-kPan, 0});
      break;
    case Qt::Key_Up:
      if (isControl) return panBy({0, kPan});
      break;
    case Qt::Key_Down:
      if (isControl) return panBy({0, -kPan});
      break;
    default:
      break;
  }
  QWidget::keyPressEvent(event);
}

void Table::keyReleaseEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Space && !event->isAutoRepeat()) isSpaceDown_ = false;
  QWidget::keyReleaseEvent(event);
}

}  // namespace drapery
