// Sections sewn, their folds from outside with the head at the left, each section a row; what lies
// inside a fold is dashed. Along the folds to scale, across them drawn apart.
#pragma once

#include <QRectF>
#include <limits>

#include "core/sewing/sew_sections.h"
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

void paintLink(QPainter& painter, const SewnLink& sewn, const SewnPart& part, const QRectF& target,
               const Palette& palette);
void paintTapes(QPainter& painter, const SewnTapes& sewn, const SewnPart& part,
                const QRectF& target, const Palette& palette);

}  // namespace drapery
