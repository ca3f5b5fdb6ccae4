// Paints a Drawing: the only place that decides how a line and a matter look, on the screen and on
// paper alike.
#pragma once

#include <QTransform>

#include "core/drawing/drawing.h"
#include "paint/palette.h"

class QPainter;

namespace drapery {

/// Lines, ticks and hatches are given in mm of the medium, whatever the drawing's own scale.
struct PaintStyle {
  const Palette* palette = nullptr;
  Subject lit;                 // what is selected; none for nothing
  double perMm = 96.0 / 25.4;  // the painter's units to a mm of the medium; 1 on a page in mm
  double leastWidth = 0.8;     // of a line, in the painter's units; 0 on a page
  bool isTrueSize = false;     // to be laid on the work: folds dashed, cuts continuous
};

/// For a page whose painter counts in mm.
PaintStyle pageStyle(const Palette& palette);

/// `toDevice` maps mm, y up, to the painter's units.
void paintDrawing(QPainter& painter, const Drawing& drawing, const QTransform& toDevice,
                  const PaintStyle& style);

/// The transform that fits `box` (mm, y up) into `target` (y down), centred, at one scale.
QTransform fitted(const Box& box, const QRectF& target);

}  // namespace drapery
