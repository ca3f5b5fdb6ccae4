#include "exchange/pdf_layers.h"

#include "core/quantity/length.h"
#include "exchange/pdf_overlay.h"

namespace drapery {

namespace {

constexpr double kPointsPerMm = 72.0 / kMmPerInch;

PdfBox boxOf(const QRectF& mm, double paperHeight) {
  return {mm.left() * kPointsPerMm, paperHeight - mm.bottom() * kPointsPerMm,
          mm.right() * kPointsPerMm, paperHeight - mm.top() * kPointsPerMm};
}

}  // namespace

Painted withNotesLaidOver(const QByteArray& bytes, const QString& layer, const QRectF& trim,
                          const QRectF& bleed) {
  const std::string pdf = bytes.toStdString();
  std::string why;
  // The paper is whole points high, whatever was asked for; Qt counts from its upper edge.
  const double height = pageHeight(pdf, why);
  const std::string made =
      height > 0.0
          ? laidOver(pdf, {layer.toStdString(), boxOf(trim, height), boxOf(bleed, height)}, why)
          : std::string();
  if (!made.empty()) return QByteArray::fromStdString(made);
  return Issue{"file-unwritable", {{"path", std::string("PDF")}, {"reason", why}}, {}, {}, {}};
}

}  // namespace drapery
