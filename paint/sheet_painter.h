// Paints a sheet of a lay-out with its lettering, on the screen and on paper alike.
#pragma once

#include <QString>
#include <functional>

#include "core/drawing/sheet_drawing.h"
#include "paint/drawing_painter.h"

namespace drapery {

/// What is written on a piece; lines that find no room are left out, the last first.
struct SheetWords {
  QStringList lines;  // name, size
  bool isPinned = false;
  bool waits = false;  // cut at a later moment than the one in hand
};

struct SheetLook {
  PaintStyle style;
  double letters = 1.0;   // the lettering against its usual size
  bool showsCuts = true;  // with their numbers
  int litCut = 0;         // the number of the setting in hand; 0: none
  std::function<SheetWords(std::size_t placement)> words;
};

/// `toDevice` maps the drawing's mm, y up, to the painter's units.
void paintSheet(QPainter& painter, const SheetDrawing& sheet, const QTransform& toDevice,
                const SheetLook& look);

}  // namespace drapery
