// Drawings beside one another at one scale, to be compared.
#pragma once

#include <QPainter>
#include <QSizeF>
#include <vector>

#include "core/drawing/drawing.h"
#include "paint/palette.h"

namespace drapery {

/// Pixels to the mm at which each of them has room; drawings of nothing want none.
double scaleForAll(const std::vector<const Drawing*>& drawings, const QSizeF& room);
/// Pixels.
QSizeF sizeAt(const Drawing& drawing, double scale);
/// Standing on its lower left corner.
void paintStanding(QPainter& painter, const Drawing& drawing, double scale, QPointF corner,
                   const Palette& palette);

}  // namespace drapery
