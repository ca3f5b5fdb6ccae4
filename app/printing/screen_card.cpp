#include "app/printing/screen_card.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "paint/fonts.h"

namespace drapery {

namespace {
constexpr double kUsual = 96.0 / 25.4;
constexpr double kSmallest = 1.0, kLargest = 40.0;  // pixels to the mm
constexpr QPointF kAt(20.0, 20.0);
constexpr double kHandle = 7.0;
}  // namespace

const std::vector<ScreenCard::Thing>& ScreenCard::things() {
  static const std::vector<Thing> kThings{
      {"card", QT_TR_NOOP("a bank or identity card"), 85.60, 53.98},
      {"euro", QT_TR_NOOP("a coin of 1 euro"), 23.25, 23.25, true},
      {"quarter", QT_TR_NOOP("a US quarter"), 24.26, 24.26, true}};
  return kThings;
}

void ScreenCard::lay(const Thing& thing) {
  thing_ = &thing;
  update();
}

ScreenCard::ScreenCard(const Palette& palette, QWidget* parent)
    : QWidget(parent), palette_(palette), thing_(&things().front()), perMm_(kUsual) {
  setFocusPolicy(Qt::StrongFocus);
  setObjectName("screen.card");
  setAccessibleName(tr("A card as large as on this screen"));
  setCursor(Qt::SizeFDiagCursor);
}

void ScreenCard::setScale(double perMm) {
  perMm_ = std::clamp(perMm > 0.0 ? perMm : kUsual, kSmallest, kLargest);
  update();
}

QPointF ScreenCard::corner() const { return kAt + QPointF(thing_->wide, thing_->high) * perMm_; }

/// Along the diagonal, so that both sides count.
void ScreenCard::pullTo(const QPointF& at) {
  const QPointF from = at - kAt;
  const double along = (from.x() * thing_->wide + from.y() * thing_->high) /
                       (thing_->wide * thing_->wide + thing_->high * thing_->high);
  setScale(std::max(kSmallest, along));
}

void ScreenCard::mousePressEvent(QMouseEvent* event) {
  isHeld_ = true;
  pullTo(event->position());
}
void ScreenCard::mouseMoveEvent(QMouseEvent* event) {
  if (isHeld_) pullTo(event->position());
}
void ScreenCard::mouseReleaseEvent(QMouseEvent* event) {
  if (!isHeld_) return;
  isHeld_ = false;
  pullTo(event->position());
  emit measured(perMm_);
}

void ScreenCard::keyPressEvent(QKeyEvent* event) {
  const bool isLarger = event->key() == Qt::Key_Right || event->key() == Qt::Key_Down;
  const bool isSmaller = event->key() == Qt::Key_Left || event->key() == Qt::Key_Up;
  if (!isLarger && !isSmaller) return QWidget::keyPressEvent(event);
  // By a pixel of the card's width.
  setScale(perMm_ + (isLarger ? 1.0 : -1.0) / thing_->wide);
  emit measured(perMm_);
}

void ScreenCard::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const QRectF card(kAt, corner());
  painter.setPen(QPen(palette_.ink, 1.5));
  painter.setBrush(palette_.onAccent);
  if (thing_->isRound)
    painter.drawEllipse(card);
  else
    painter.drawRoundedRect(card, 3.18 * perMm_, 3.18 * perMm_);  // the standard's corners
  painter.setPen(palette_.ink);
  painter.setFont(textFont(13.0));
  painter.drawText(QRectF(kAt.x(), card.bottom() + 18, 420, 120), Qt::TextWordWrap,
                   tr("Lay %1 here, in its upper left corner. Pull the lower right one until both "
                      "are alike; arrow keys go by a pixel.")
                       .arg(tr(thing_->title)));
  painter.setPen(Qt::NoPen);
  painter.setBrush(palette_.accent);
  painter.drawEllipse(corner(), kHandle, kHandle);
  if (!hasFocus()) return;
  painter.setPen(QPen(palette_.accent, 1.0, Qt::DotLine));
  painter.setBrush(Qt::NoBrush);
  painter.drawRect(card.adjusted(-4, -4, 4, 4));
}

}  // namespace drapery
