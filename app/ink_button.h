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
  /// Where there is less room than for all of its text it takes more lines, and is not cut short.
  void breakLines();
  [[nodiscard]] int heightForWidth(int width) const override;

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  /// Of a width that is all there is, without what stands beside the text.
  [[nodiscard]] int roomIn(int width) const;

  const Palette& palette_;
  QString hint_;
};

}  // namespace drapery
