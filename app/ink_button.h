// A command written in ink: no frame, underlined when it has the focus or the pointer.
#pragma once

#include <QAbstractButton>

#include "paint/palette.h"

namespace drapery {

class InkButton : public QAbstractButton {
  Q_OBJECT

 public:
  InkButton(const QString& text, const Palette& palette, QWidget* parent = nullptr);
  [[nodiscard]] QSize sizeHint() const override;
  /// A dimmer hint behind the text: the keys that do the same.
  void setHint(const QString& hint);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  const Palette& palette_;
  QString hint_;
};

}  // namespace drapery
