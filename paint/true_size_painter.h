// Paints a template: cut edges continuous and ringed, folds dashed with the way that they turn.
#pragma once

#include <QString>
#include <functional>

#include "core/drawing/true_size.h"
#include "paint/drawing_painter.h"

namespace drapery {

/// Which lines are painted: for files whose layers are told apart.
enum class TrueSizeLayer { All, Cut, Fold, Mark, Words };

struct TrueSizeLook {
  PaintStyle style;
  std::function<QString(const TrueSizeLabel&)> words;
  std::function<QString(Turns)> turnWords;  // "away from you"
  TrueSizeLayer layer = TrueSizeLayer::All;
};

/// The layer that a line of a template belongs to.
TrueSizeLayer layerOf(const Shape& shape);

/// `toDevice` maps its mm, y up, to the painter's units.
void paintTrueSize(QPainter& painter, const TrueSize& thing, const QTransform& toDevice,
                   const TrueSizeLook& look);

}  // namespace drapery
