// Paints a sheet of a lay-out with its lettering, on the screen and on paper alike.
#pragma once

#include <QString>
#include <functional>
#include <vector>

#include "core/drawing/sheet_drawing.h"
#include "paint/drawing_painter.h"

namespace drapery {

/// What is written on a piece; lines that find no room are left out, the last first.
struct SheetWords {
  QStringList lines;  // name, size
  QString mark;       // stands there where not even the name finds room
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

/// How many lines of its words find room on each of the drawing's pieces. The painter tells only
/// how wide they are.
std::vector<qsizetype> linesTold(QPainter& painter, const SheetDrawing& sheet,
                                 const QTransform& toDevice, const SheetLook& look);

}  // namespace drapery
