// Paints one sheet of templates, with its bars to hold a rule against.
#pragma once

#include <QTransform>

#include "exchange/print_job.h"
#include "paint/drawing_painter.h"

class QPainter;

namespace drapery {

/// `toDevice` maps mm of the paper, y down from its upper left corner, to the painter's units.
/// Corrected by the printer's error.
void paintPrintSheet(QPainter& painter, const PrintJob& print, std::size_t sheet,
                     const QTransform& toDevice, const PaintStyle& style);

/// From true mm, y up from the lower left corner of a sheet's room, to mm of its paper, y down.
QTransform roomToPaper(const PrintJob& print, std::size_t sheet);

/// For a page whose painter counts in mm.
PaintStyle trueSizeStyle();

/// "away from you"
QString turnWords(Turns turns);

}  // namespace drapery
