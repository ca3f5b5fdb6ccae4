#include "app/cutting/sheet_view.h"

#include <QApplication>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>

#include "app/cutting/piece_tip.h"
#include "paint/fonts.h"

namespace drapery {

namespace {
constexpr double kEdge = 20.0;
}

SheetView::SheetView(const Palette& palette, QWidget* parent) : QWidget(parent), palette_(palette) {
  setObjectName("cut.sheet");
  setMouseTracking(true);
}

void SheetView::setSheet(SheetDrawing drawing, std::function<SheetWords(std::size_t)> words) {
  drawing_ = std::move(drawing);
  words_ = std::move(words);
  held_.reset();
  fit();
  update();
}

void SheetView::setLit(const Subject& subject) {
  lit_ = subject;
  update();
}

void SheetView::setCut(int number) {
  cut_ = number;
  update();
}

void SheetView::fit() {
  toView_ =
      fitted(boundsOf(drawing_.drawing), QRectF(rect()).adjusted(kEdge, kEdge, -kEdge, -kEdge));
}

void SheetView::resizeEvent(QResizeEvent*) { fit(); }

std::optional<QRectF> SheetView::rectOf(std::size_t placement) const {
  for (const SheetDrawing::Piece& piece : drawing_.pieces)
    if (piece.placement == placement)
      return toView_.mapRect(QRectF(QPointF(piece.box.left, piece.box.bottom),
                                    QPointF(piece.box.right, piece.box.top)));
  return std::nullopt;
}

const SheetDrawing::Piece* SheetView::pieceAt(QPointF at) const {
  for (const SheetDrawing::Piece& piece : drawing_.pieces)
    if (rectOf(piece.placement)->contains(at)) return &piece;
  return nullptr;
}

bool SheetView::event(QEvent* event) {
  if (event->type() != QEvent::ToolTip) return QWidget::event(event);
  const auto* help = static_cast<QHelpEvent*>(event);
  const SheetDrawing::Piece* piece = pieceAt(help->pos());
  if (piece == nullptr) return tellNothing();
  return tellPiece(*help, words_(piece->placement), *rectOf(piece->placement), this);
}

void SheetView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  SheetLook look;
  look.style.palette = &palette_;
  look.style.lit = lit_;
  look.letters = fontScale();
  look.litCut = cut_;
  look.words = words_;
  if (words_) paintSheet(painter, drawing_, toView_, look);
  if (!held_ || !held_->isMoving) return;
  painter.setPen(QPen(palette_.accent, 2, Qt::DashLine));
  QColor shade = palette_.onAccent;
  shade.setAlpha(150);
  painter.setBrush(shade);
  painter.drawRect(held_->from.translated(held_->now - held_->grip));
}

void SheetView::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  const SheetDrawing::Piece* piece = pieceAt(event->position());
  if (piece == nullptr) {
    emit nothingChosen();
    return;
  }
  const std::size_t placement = piece->placement;
  held_ = Held{placement, *rectOf(placement), event->position(), event->position(), false};
  emit chosen(placement);
}

void SheetView::mouseMoveEvent(QMouseEvent* event) {
  setCursor(held_ || pieceAt(event->position()) != nullptr ? Qt::OpenHandCursor : Qt::ArrowCursor);
  if (!held_) return;
  held_->now = event->position();
  if (!held_->isMoving)
    held_->isMoving =
        (held_->now - held_->grip).manhattanLength() >= QApplication::startDragDistance();
  update();
}

void SheetView::mouseReleaseEvent(QMouseEvent*) {
  if (!held_) return;
  const Held held = *held_;
  held_.reset();
  update();
  if (!held.isMoving) return;
  const QRectF to = toView_.inverted().mapRect(held.from.translated(held.now - held.grip));
  const Box on = drawing_.onStock({to.left(), to.top(), to.right(), to.bottom()});
  emit moved(held.placement, on.left, on.bottom);
}

}  // namespace drapery
