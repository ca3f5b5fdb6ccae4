// libqpdf behind a narrow door: its headers are for C++17.
#pragma once

#include <string>

namespace drapery {

/// Points from the lower left corner of the page.
struct PdfBox {
  double left, bottom, right, top;
};

/// What is said of the first page; the second is laid over it.
struct PdfOverlay {
  std::string layer;  // its name
  PdfBox trim, bleed;
};

/// One page of two. @returns an empty text with the reason in `why` where the library refuses it.
std::string laidOver(const std::string& pdf, const PdfOverlay& overlay, std::string& why);

/// The height of the first page, points; 0 with the reason in `why` likewise.
double pageHeight(const std::string& pdf, std::string& why);

}  // namespace drapery
