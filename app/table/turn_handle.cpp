#include "app/table/turn_handle.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QStyle>
#include <algorithm>
#include <cmath>
#include <numbers>

namespace drapery {

namespace {
constexpr int kSize = 26;
constexpr int kWhole = 1800;  // ms, the opening from end to end
}  // namespace

TurnHandle::TurnHandle(const Palette& palette, QWidget* parent)
    : QAbstractSlider(parent), palette_(palette) {
  setObjectName("turn");
  setSingleStep(5);
  setPageStep(30);
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::OpenHandCursor);
  resize(sizeHint());
  playing_.setDuration(kWhole);
  playing_.setEasingCurve(QEasingCurve::InOutSine);
  connect(&playing_, &QVariantAnimation::valueChanged, this, [this](const QVariant& degrees) {
    if (isPlaying()) emit turned(degrees.toDouble());  // else its ends are being set
  });
  connect(this, &QAbstractSlider::actionTriggered, this, [this] { stop(); });
  connect(this, &QAbstractSlider::valueChanged, this, [this](int degrees) {
    if (!isPlaying()) emit turned(degrees);
  });
}

QSize TurnHandle::sizeHint() const { return {kSize, kSize}; }

void TurnHandle::hang(const Grip& grip, QPointF hinge, QPointF at) {
  grip_ = grip;
  hinge_ = hinge;
  setAccessibleName(grip.turning == Turning::Folds    ? tr("The folds, degrees open")
                    : grip.turning == Turning::Spring ? tr("The spring, degrees sprung open")
                    : grip.turning == Turning::Round
                        ? tr("The cover's sides, degrees folded down and lifted again")
                        : tr("The front cover, degrees open"));
  setRange(0, static_cast<int>(grip.whole));
  setValue(static_cast<int>(std::lround(grip.turn)));
  move((at - QPointF(kSize, kSize) / 2).toPoint());
  raise();
  show();
}

void TurnHandle::play(double most) {
  const bool isStill = style()->styleHint(QStyle::SH_Widget_Animation_Duration, nullptr, this) <= 0;
  if (isStill) return emit turned(most);
  stop();
  playing_.setStartValue(0.0);
  playing_.setEndValue(most);
  playing_.start();
}

void TurnHandle::stop() { playing_.stop(); }

void TurnHandle::mousePressEvent(QMouseEvent* event) {
  stop();
  setFocus(Qt::MouseFocusReason);
  event->accept();
}

/// Toward where the pointer stands about the hinge; beyond an end that end.
void TurnHandle::mouseMoveEvent(QMouseEvent* event) {
  if ((event->buttons() & Qt::LeftButton) == 0) return;
  const QPointF from = mapToParent(event->position().toPoint()) - hinge_;
  const double arm = std::atan2(-from.y(), from.x()) * 180.0 / std::numbers::pi;
  double degrees = (arm - grip_.from) / grip_.per;
  const double round = 360.0 / std::abs(grip_.per), middle = grip_.whole / 2;
  degrees -= round * std::round((degrees - middle) / round);  // the nearest to its middle
  emit turned(std::clamp(degrees, grip_.low, std::min(grip_.high, grip_.whole)));
}

void TurnHandle::keyPressEvent(QKeyEvent* event) {
  stop();
  const int step = (event->modifiers() & Qt::ShiftModifier) != 0 ? 1 : singleStep();
  switch (event->key()) {
    case Qt::Key_Left:
    case Qt::Key_Up:
      return setValue(value() + step);
    case Qt::Key_Right:
    case Qt::Key_Down:
      return setValue(value() - step);
    default:
      QAbstractSlider::keyPressEvent(event);
  }
}

void TurnHandle::focusInEvent(QFocusEvent* event) {
  QAbstractSlider::focusInEvent(event);
  update();
}
void TurnHandle::focusOutEvent(QFocusEvent* event) {
  QAbstractSlider::focusOutEvent(event);
  update();
}

void TurnHandle::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const QPointF middle(kSize / 2.0, kSize / 2.0);
  painter.setPen(QPen(palette_.accent, hasFocus() ? 2.4 : 1.4));
  painter.setBrush(hasFocus() ? palette_.onAccent : palette_.ground);
  painter.drawEllipse(middle, 8, 8);
  painter.setBrush(palette_.accent);
  painter.drawEllipse(middle, 2.4, 2.4);
}

}  // namespace drapery
