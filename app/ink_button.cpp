#include "app/ink_button.h"

#include <QPainter>
#include <algorithm>

#include "paint/fonts.h"
#include "paint/set_words.h"

namespace drapery {

namespace {
constexpr double kText = 14.0;
constexpr double kHint = 12.0;
constexpr int kBeside = 2, kOver = 6;  // the text
constexpr int kBetween = 14;
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

void InkButton::breakLines() {
  QSizePolicy policy = sizePolicy();
  policy.setHeightForWidth(true);
  setSizePolicy(policy);
}

int InkButton::roomIn(int width) const {
  const int hint = hint_.isEmpty() ? 0 : wordsWidth(textFont(kHint), hint_) + kBetween;
  return width - hint - 2 * kBeside;
}

QSize InkButton::sizeHint() const {
  return {wordsWidth(textFont(kText), text()) - roomIn(0),
          QFontMetrics(textFont(kText)).height() + kOver};
}

int InkButton::heightForWidth(int width) const {
  const int room = roomIn(width);
  const bool isBroken = wordsWidth(textFont(kText), text()) > room;
  return isBroken ? wordsHeight(textFont(kText), text(), room) + kOver : sizeHint().height();
}

void InkButton::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setFont(textFont(kText));
  painter.setPen(isChecked() ? palette_.ink : isEnabled() ? palette_.accent : palette_.secondInk);
  const QRect room = rect().adjusted(1, 0, -1, 0);
  const int wide = wordsWidth(textFont(kText), text());
  const bool isBroken = sizePolicy().hasHeightForWidth() && wide > roomIn(width());
  if (isBroken)
    paintWords(painter, QRect(room.topLeft(), QSize(roomIn(width()), room.height())),
               Qt::AlignLeft | Qt::AlignVCenter | Qt::TextWordWrap, text());
  else
    paintWords(painter, room, Qt::AlignLeft | Qt::AlignVCenter,
               shortened(painter.font(), text(), room.width()));
  if (isChecked() || (isEnabled() && (hasFocus() || underMouse())))
    painter.drawLine(room.left(), room.bottom() - 1, std::min(room.left() + wide, room.right()),
                     room.bottom() - 1);
  if (hint_.isEmpty()) return;
  painter.setFont(textFont(kHint));
  painter.setPen(palette_.secondInk);
  paintWords(painter, room, Qt::AlignRight | Qt::AlignVCenter, hint_);
}

}  // namespace drapery
