// Sections linked through a slotted spine, the spine seen from outside as the book stands: the
// head above, each section a column, the first at the right, beside the front. What lies inside a
// fold is dashed. Along the folds to scale, a long slot broken off; across them drawn apart.
#pragma once

#include <QRectF>

#include "core/sewing/sew_sections.h"
#include "paint/palette.h"
#include "paint/sewn_part.h"

class QPainter;

namespace drapery {

void paintLink(QPainter& painter, const SewnLink& sewn, const SewnPart& part, const QRectF& target,
               const Palette& palette);

}  // namespace drapery
