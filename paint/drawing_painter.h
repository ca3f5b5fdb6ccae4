// Paints a Drawing: the only place that decides how a role looks.
#pragma once

#include <QString>
#include <QTransform>

#include "core/drawing/drawing.h"
#include "paint/palette.h"

class QPainter;

namespace drapery {

struct PaintStyle {
  const Palette* palette = nullptr;
  QString lit;  // the subject that is selected; empty for none
};

/// `toDevice` maps mm, y up, to the painter's units; lines keep their width whatever the scale.
void paintDrawing(QPainter& painter, const Drawing& drawing, const QTransform& toDevice,
                  const PaintStyle& style);

/// The transform that fits `box` (mm, y up) into `target` (y down), centred, at one scale.
QTransform fitted(const Box& box, const QRectF& target);

/// A grain arrow between two device points, with a head at both ends.
void paintGrainArrow(QPainter& painter, QPointF from, QPointF to);

}  // namespace drapery
