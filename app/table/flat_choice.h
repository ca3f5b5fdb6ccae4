// A choice without a frame: its text and a small mark that there is more.
#pragma once

#include <QComboBox>

#include "paint/palette.h"

namespace drapery {

/// The mark of a list that opens, at the right end of `room`.
void paintListMark(QPainter& painter, const QRect& room, const Palette& palette);

/// The mark of a measure that opens to its readings: ticks on a line.
void paintPlacesMark(QPainter& painter, const QRect& room, const Palette& palette);

class FlatChoice : public QComboBox {
  Q_OBJECT

 public:
  FlatChoice(const Palette& palette, QWidget* parent);
  [[nodiscard]] QSize sizeHint() const override;

 protected:
  void paintEvent(QPaintEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;

 private:
  const Palette& palette_;
};

}  // namespace drapery
