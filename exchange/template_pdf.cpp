#include "exchange/template_pdf.h"

#include <QBuffer>
#include <QPageSize>
#include <QPainter>
#include <QPdfWriter>

#include "core/quantity/length.h"
#include "exchange/page_column.h"
#include "exchange/print_page.h"

namespace drapery {

QByteArray templatePdf(const PrintJob& print) {
  QBuffer buffer;
  buffer.open(QIODevice::WriteOnly);
  QPdfWriter writer(&buffer);
  setUpPages(writer, print.book, false);
  const auto setPage = [&](std::size_t sheet) {
    writer.setPageSize(
        QPageSize(print.paperSize(sheet), QPageSize::Millimeter, {}, QPageSize::ExactMatch));
    writer.setPageMargins(QMarginsF(0, 0, 0, 0));
  };
  setPage(0);
  QPainter painter(&writer);
  const double scale = writer.resolution() / kMmPerInch;
  for (std::size_t sheet = 0; sheet < print.sheets.size(); ++sheet) {
    if (sheet > 0) {
      setPage(sheet);
      writer.newPage();
    }
    painter.save();
    painter.scale(scale, scale);
    paintPrintSheet(painter, print, sheet, {}, trueSizeStyle());
    painter.restore();
  }
  painter.end();
  return buffer.data();
}

}  // namespace drapery
