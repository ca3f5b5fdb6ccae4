// Sections sewn, their folds from outside with the head at the left, each section a row; what lies
// inside a fold is dashed. Along the folds to scale, across them drawn apart.
#pragma once

#include <QRectF>

#include "core/sewing/sew_sections.h"
#include "paint/palette.h"

class QPainter;

namespace drapery {

/// Steps before `done` are drawn, those from `present` on as the present move.
struct SewnSoFar {
  std::size_t done = 0, present = 0;
};

void paintLink(QPainter& painter, const SewnLink& sewn, const SewnSoFar& far, const QRectF& target,
               const Palette& palette);
void paintTapes(QPainter& painter, const SewnTapes& sewn, const SewnSoFar& far,
                const QRectF& target, const Palette& palette);

}  // namespace drapery
