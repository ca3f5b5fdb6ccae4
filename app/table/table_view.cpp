// Moving about on the table: zoom, pan, picking a thing.
#include <QKeyEvent>
#include <QWheelEvent>
#include <cmath>

#include "app/table/table.h"
#include "app/words/notes_text.h"
#include "app/words/window_words.h"

namespace drapery {

void Table::zoomBy(double factor, QPointF about) {
  panels_.zoomBy(factor, about, drawingArea());
  renew(Renewal::View);
}

void Table::panBy(QPointF by) {
  panels_.panBy(by);
  renew(Renewal::Pan);
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
  if (event->button() == Qt::LeftButton && handleHere_) {
    const DragHandle taken = *handleHere_;  // selecting makes the table anew
    select(Subject::value(taken.value));
    return drag_.begin(taken, event->position());
  }
  select(panels_.subjectAt(event->position()));
}

/// What can be dragged there, if anything.
void Table::hover(QPointF at) {
  const auto here = showsSheet() ? std::nullopt : drag_.handleAt(at, pose_);
  if (here.has_value() == handleHere_.has_value() && (!here || here->value == handleHere_->value))
    return;
  handleHere_ = here;
  if (here)
    setCursor(Qt::SizeAllCursor);
  else
    unsetCursor();
  paintAnew();
}

void Table::mouseMoveEvent(QMouseEvent* event) {
  pointer_ = event->position();
  if (drag_.isDragging()) {
    const bool isFree = (event->modifiers() & Qt::ShiftModifier) != 0;
    const auto issue = drag_.dragTo(pointer_, isFree);
    dragTold_ = issue ? issueText(*issue, windowNotation(document_.plan()))
                      : draggedWords(document_.plan(), drag_.value());
    return paintAnew();
  }
  if (!dragFrom_) return hover(pointer_);
  const QPointF by = event->position() - *dragFrom_;
  dragFrom_ = event->position();
  panBy(by);
}

void Table::mouseReleaseEvent(QMouseEvent*) {
  if (drag_.isDragging()) {
    dragTold_.clear();
    handleHere_.reset();
    if (const auto issue = drag_.drop()) emit refused(*issue);
  }
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
      panels_.resetView();
      return renew(Renewal::View);
    case Qt::Key_Escape:
      if (drag_.isDragging()) {
        dragTold_.clear();
        handleHere_.reset();
        return drag_.leave();
      }
      if (selected_.empty() && !detail_.empty()) return open({});
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
