// How large a mm is on this screen: a card of known size is laid on the drawn one, whose corner is
// pulled until both are alike.
#pragma once

#include <QWidget>

#include "paint/palette.h"

namespace drapery {

class ScreenCard : public QWidget {
  Q_OBJECT

 public:
  /// Bank and identity cards: ISO/IEC 7810, ID-1.
  static constexpr double kCardWide = 85.60, kCardHigh = 53.98;  // mm

  ScreenCard(const Palette& palette, QWidget* parent);

  /// Pixels to the mm that the card is drawn at.
  void setScale(double perMm);
  [[nodiscard]] double scale() const { return perMm_; }
  /// Its lower right corner, in the widget.
  [[nodiscard]] QPointF corner() const;

 signals:
  /// The corner was let go, or moved by a key.
  void measured(double perMm);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void pullTo(const QPointF& at);

  const Palette& palette_;
  double perMm_;
  bool isHeld_ = false;
};

}  // namespace drapery
