// A hole to be sewn through: with Tab and Enter, and by name for who does not see it. What is to be
// seen of it is its ring while it has the focus.
#pragma once

#include <QAbstractButton>

#include "paint/palette.h"

namespace drapery {

class HoleButton : public QAbstractButton {
  Q_OBJECT

 public:
  HoleButton(int hole, const Palette& palette, QWidget* parent);
  [[nodiscard]] QSize sizeHint() const override;

 protected:
  void paintEvent(QPaintEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  const Palette& palette_;
};

}  // namespace drapery
