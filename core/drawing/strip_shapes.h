// A folded strip with its covers and pictures, as shapes.
#pragma once

#include "core/drawing/figure.h"
#include "core/drawing/zigzag.h"

namespace drapery {

constexpr double kUsualPanel = 100.0;  // mm, fold to fold, while it is not known

/// How many panels are drawn: all, or so many that they can still be told apart, even or odd alike.
int panelsDrawn(const FigureSource& source);

/// The strip, a cover at each end, a bar on every face that carries a picture. From the inputs
/// `panels` and `is_both`; things `strip` and `cover`.
void addStrip(Sketch& sketch, const FigureSource& source, const Zigzag& strip, bool isMeasured);

}  // namespace drapery
