// Sections sewn all along over tapes, as they lie while they are sewn: their folds from outside
// with the head at the left, each section a row; what lies inside a fold is dashed. Along the folds
// to scale, across them drawn apart; of more sections than there is room for, those about the
// present one.
#pragma once

#include <QRectF>

#include "core/sewing/sew_sections.h"
#include "paint/palette.h"
#include "paint/sewn_part.h"

class QPainter;

namespace drapery {

/// The section at the top when so many steps are done; 1 where there is room for all.
int topSection(const SewnTapes& sewn, std::size_t done, const QRectF& target);

/// The sections from `top` on.
void paintTapes(QPainter& painter, const SewnTapes& sewn, const SewnPart& part, int top,
                const QRectF& target, const Palette& palette);

}  // namespace drapery
