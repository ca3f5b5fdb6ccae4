#include "app/ink_button.h"

#include <QPainter>

#include "paint/fonts.h"

namespace drapery {

namespace {
constexpr double kText = 14.0;
constexpr double kHint = 12.0;
}  // namespace

InkButton::InkButton(const QString& text, const Palette& palette, QWidget* parent)
    : QAbstractButton(parent), palette_(palette) {
  setText(text);
  setAccessibleName(text);
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::PointingHandCursor);
  setAttribute(Qt::WA_Hover);
}

void InkButton::setHint(const QString& hint) { hint_ = hint; }

QSize InkButton::sizeHint() const {
  const QFontMetrics text(textFont(kText));
  const QFontMetrics hint(textFont(kHint));
  const int room = hint_.isEmpty() ? 0 : hint.horizontalAdvance(hint_) + 14;
  return {text.horizontalAdvance(this->text()) + room + 4, text.height() + 6};
}

void InkButton::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setFont(textFont(kText));
  painter.setPen(isChecked() ? palette_.ink : isEnabled() ? palette_.accent : palette_.secondInk);
  const QRect room = rect().adjusted(1, 0, -1, 0);
  painter.drawText(room, Qt::AlignLeft | Qt::AlignVCenter, text());
  if (isChecked() || (isEnabled() && (hasFocus() || underMouse()))) {
    const int width = painter.fontMetrics().horizontalAdvance(text());
    painter.drawLine(room.left(), room.bottom() - 1, room.left() + width, room.bottom() - 1);
  }
  if (hint_.isEmpty()) return;
  painter.setFont(textFont(kHint));
  painter.setPen(palette_.secondInk);
  painter.drawText(room, Qt::AlignRight | Qt::AlignVCenter, hint_);
}

}  // namespace drapery
