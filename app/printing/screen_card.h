// How large a mm is on this screen: a card of known size is laid on the drawn one, whose corner is
// pulled until both are alike.
#pragma once

#include <QWidget>
#include <vector>

#include "paint/palette.h"

namespace drapery {

class ScreenCard : public QWidget {
  Q_OBJECT

 public:
  /// What is laid on the screen, mm.
  struct Thing {
    const char* id;
    const char* title;  // to be translated
    double wide, high;
    bool isRound = false;
  };
  /// A bank or identity card (ISO/IEC 7810, ID-1); coins (their mints' figures, from memory).
  static const std::vector<Thing>& things();

  ScreenCard(const Palette& palette, QWidget* parent);

  [[nodiscard]] const Thing& thing() const { return *thing_; }
  void lay(const Thing& thing);
  /// Pixels to the mm that it is drawn at.
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
  const Thing* thing_;
  double perMm_;
  bool isHeld_ = false;
};

}  // namespace drapery
