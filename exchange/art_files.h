// The page to design on as a file: PDF with its boxes and a layer of notes that can be switched
// off, SVG with its layers as named groups.
#pragma once

#include "exchange/art_page.h"
#include "exchange/whole_bytes.h"

namespace drapery {

/// TrimBox and BleedBox; folds and panels' names as optional content that is seen and not printed.
Painted artPdf(const ArtPage& page);
/// Groups "art", "marks", "notes".
QByteArray artSvg(const ArtPage& page);

}  // namespace drapery
