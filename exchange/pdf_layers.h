// What Qt cannot say in a PDF, said afterwards: boxes, and a layer that is seen and not printed.
#pragma once

#include <QByteArray>
#include <QRectF>
#include <QString>

#include "exchange/whole_bytes.h"

namespace drapery {

/// @param pdf two pages of one size: what is printed, and the notes that are laid over it.
/// @param trim, bleed mm from the paper's upper left corner.
/// @returns one page; an issue ("file-unwritable") where the library
/// refuses it.
Painted withNotesLaidOver(const QByteArray& pdf, const QString& layer, const QRectF& trim,
                          const QRectF& bleed);

}  // namespace drapery
