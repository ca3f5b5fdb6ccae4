// What a piece on a sheet tells under the pointer.
#pragma once

#include <QHelpEvent>
#include <QToolTip>

#include "paint/sheet_painter.h"

namespace drapery {

/// Until the pointer leaves its place.
/// @returns true: the event is done with.
inline bool tellPiece(const QHelpEvent& event, const SheetWords& words, const QRectF& place,
                      QWidget* on) {
  QToolTip::showText(event.globalPos(), words.lines.join('\n'), on, place.toAlignedRect());
  return true;
}
inline bool tellNothing() {
  QToolTip::hideText();
  return true;
}

}  // namespace drapery
