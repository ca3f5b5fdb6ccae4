// The slider through the moves, marked where the sewing turns back.
#pragma once

#include <QSlider>
#include <vector>

#include "paint/palette.h"

namespace drapery {

class MoveSlider : public QSlider {
 public:
  MoveSlider(const Palette& palette, QWidget* parent);
  void setMarks(std::vector<int> moves);
  [[nodiscard]] const std::vector<int>& marks() const { return marks_; }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  const Palette& palette_;
  std::vector<int> marks_;
};

}  // namespace drapery
