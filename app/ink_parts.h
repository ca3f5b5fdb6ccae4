// What the window's own widgets are made of, all alike: words in ink, entries without a frame, and
// rows that are made anew.
#pragma once

#include <QRect>
#include <QString>

#include "paint/palette.h"

class QLabel;
class QLayout;
class QLineEdit;
class QScrollArea;
class QScrollBar;
class QWidget;

namespace drapery {

/// Plain words; `pixels` before the letters are scaled.
QLabel* inkLabel(const QString& words, double pixels, const QColor& ink, QWidget* parent,
                 bool semiBold = false);

/// On the ground that it stands on, without a frame.
void dressEntry(QLineEdit* entry, const Palette& palette, const QColor& ink, const QColor& asking);
/// The colour of what stands there; nothing is done when it has it already.
void inkEntry(QWidget* entry, const QColor& ink);

/// A bar that is only seen where there is more than can be seen, and takes little room.
void thin(QScrollBar* bar, const Palette& palette);
/// An area that scrolls what it holds, on the ground that it stands on, without a frame.
void plainArea(QScrollArea& area, const Palette& palette, QWidget* inside);
inline constexpr int kThinBar = 5;  // pixels

/// A place in a widget, mirrored where words run from right to left.
QRect mirrored(const QWidget& in, const QRect& place);

/// Takes all out of a layout. A widget may be on its way out of its own click: it is gone from
/// sight and from its name at once, and deleted when the loop comes round.
void emptyLayout(QLayout* layout);

}  // namespace drapery
