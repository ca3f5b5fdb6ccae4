#include "app/table/flat_choice.h"

#include <QPainter>
#include <QWheelEvent>

#include "paint/set_words.h"

namespace drapery {

namespace {
constexpr int kMark = 16;
}

void paintListMark(QPainter& painter, const QRect& room, const Palette& palette) {
  painter.setRenderHint(QPainter::Antialiasing);
  const QPointF middle(room.right() + 1 - kMark / 2.0, room.top() + room.height() / 2.0 + 1);
  painter.setPen(QPen(palette.accent, 1.6));
  painter.drawLine(middle + QPointF(-4, -2), middle + QPointF(0, 2));
  painter.drawLine(middle + QPointF(0, 2), middle + QPointF(4, -2));
}

void paintPlacesMark(QPainter& painter, const QRect& room, const Palette& palette) {
  painter.setRenderHint(QPainter::Antialiasing);
  const QPointF middle(room.right() + 1 - kMark / 2.0, room.top() + room.height() / 2.0 + 1);
  painter.setPen(QPen(palette.accent, 1.4));
  painter.drawLine(middle + QPointF(-6, 4), middle + QPointF(6, 4));
  for (const int x : {-5, 0, 5}) painter.drawLine(middle + QPointF(x, 4), middle + QPointF(x, -3));
}

FlatChoice::FlatChoice(const Palette& palette, QWidget* parent)
    : QComboBox(parent), palette_(palette) {
  setFocusPolicy(Qt::StrongFocus);
  // Not to its contents: that would shrink it behind the tag's back.
  setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
}

QSize FlatChoice::sizeHint() const {
  return {wordsWidth(font(), currentText()) + kMark + 6, QFontMetrics(font()).height() + 2};
}

void FlatChoice::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setLayoutDirection(layoutDirection());
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(palette_.ink);
  const QRect room = rect().adjusted(2, 0, -kMark, 0);
  paintWords(painter, room, Qt::AlignLeft | Qt::AlignVCenter,
             shortened(font(), currentText(), room.width()));
  paintListMark(painter, rect(), palette_);
}

/// The wheel belongs to the drawing, not to whatever lies under the pointer.
void FlatChoice::wheelEvent(QWheelEvent* event) { event->ignore(); }

}  // namespace drapery
