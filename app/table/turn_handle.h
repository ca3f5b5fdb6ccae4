// The handle at the edge of a cover: dragged, or moved by the arrow keys, it turns the cover; and
// it plays the opening.
#pragma once

#include <QAbstractSlider>
#include <QVariantAnimation>

#include "core/drawing/drawing.h"
#include "paint/palette.h"

namespace drapery {

/// Degrees from shut, as far as it goes round.
class TurnHandle : public QAbstractSlider {
  Q_OBJECT

 public:
  TurnHandle(const Palette& palette, QWidget* parent);
  /// How it is held; where that is on its parent, and what it turns about.
  void hang(const Grip& grip, QPointF hinge, QPointF at);
  /// From closed to as far as it goes; where the desktop wants no motion, at once.
  void play(double most);
  void stop();
  [[nodiscard]] bool isPlaying() const { return playing_.state() != QAbstractAnimation::Stopped; }

 signals:
  void turned(double degrees);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;
  [[nodiscard]] QSize sizeHint() const override;

 private:
  const Palette& palette_;
  Grip grip_;
  QPointF hinge_;
  QVariantAnimation playing_{this};
};

}  // namespace drapery
