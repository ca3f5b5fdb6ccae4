// Which part of a sewn way is painted, and how: as it is to come, drawn, or the present move.
#pragma once

#include <QPen>
#include <QPointF>
#include <cstddef>
#include <limits>

#include "paint/palette.h"

class QPainter;

namespace drapery {

/// What is painted: all that lies still with the whole way as it is to come, or over it the steps
/// from one to before another, as drawn or as the present move.
struct SewnPart {
  enum class How { ToCome, Drawn, Present };
  How how = How::ToCome;
  std::size_t from = 0, to = std::numeric_limits<std::size_t>::max();
  [[nodiscard]] bool has(std::size_t step) const { return step >= from && step < to; }
};

/// The thread of such a part; what lies inside a fold is dashed.
QPen threadPen(const SewnPart& part, const Palette& palette, bool isInside = false);
/// The thread going through at a place; `most` is the largest radius there is room for, pixels.
void paintPass(QPainter& painter, const SewnPart& part, const Palette& palette, const QPointF& at,
               double most);

}  // namespace drapery
