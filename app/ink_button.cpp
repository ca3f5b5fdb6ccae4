#include "app/ink_button.h"

#include <QPainter>

#include "paint/fonts.h"
#include "paint/set_words.h"

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
  const int room = hint_.isEmpty() ? 0 : wordsWidth(textFont(kHint), hint_) + 14;
  return {wordsWidth(textFont(kText), text()) + room + 4,
          QFontMetrics(textFont(kText)).height() + 6};
}

void InkButton::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setFont(textFont(kText));
  painter.setPen(isChecked() ? palette_.ink : isEnabled() ? palette_.accent : palette_.secondInk);
  const QRect room = rect().adjusted(1, 0, -1, 0);
  const bool isWhole = wordsWidth(textFont(kText), text()) <= room.width();
  paintWords(
      painter, room, Qt::AlignLeft | Qt::AlignVCenter,
      isWhole ? text() : painter.fontMetrics().elidedText(text(), Qt::ElideRight, room.width()));
  if (isChecked() || (isEnabled() && (hasFocus() || underMouse()))) {
    const int width = wordsWidth(textFont(kText), text());
    painter.drawLine(room.left(), room.bottom() - 1, room.left() + width, room.bottom() - 1);
  }
  if (hint_.isEmpty()) return;
  painter.setFont(textFont(kHint));
  painter.setPen(palette_.secondInk);
  paintWords(painter, room, Qt::AlignRight | Qt::AlignVCenter, hint_);
}

}  // namespace drapery
