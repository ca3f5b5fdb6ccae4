// The graduated rule along the table's lower edge, at the drawing's scale.
#pragma once

#include <QRectF>

#include "core/quantity/units.h"
#include "paint/palette.h"

class QPainter;

namespace drapery {

/// `pixelsPerMm` is the drawing's scale. Marks finer than 4 pixels are left out; every labelled
/// mark has room for its figure.
void paintGraduatedRule(QPainter& painter, const QRectF& area, double pixelsPerMm, Units units,
                        const Palette& palette);

}  // namespace drapery
