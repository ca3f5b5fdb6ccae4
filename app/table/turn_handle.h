// The handle at the edge of a cover: dragged, or moved by the arrow keys, it turns the cover; and
// it plays the opening.
#pragma once

#include <QAbstractSlider>
#include <QElapsedTimer>
#include <QTimer>

#include "core/drawing/drawing.h"
#include "paint/palette.h"

namespace drapery {

/// Degrees from closed, 0 to 180.
class TurnHandle : public QAbstractSlider {
  Q_OBJECT

 public:
  TurnHandle(const Palette& palette, QWidget* parent);
  /// Where it hangs and what it turns about, on its parent.
  void hang(QPointF hinge, QPointF at);
  /// From closed to as far as it goes; where the desktop wants no motion, at once.
  void play(double most);
  void stop();
  [[nodiscard]] bool isPlaying() const { return playing_.isActive(); }

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
  void advance();

  const Palette& palette_;
  QPointF hinge_;
  QTimer playing_;
  QElapsedTimer since_;
  double most_ = 180.0;
};

}  // namespace drapery
