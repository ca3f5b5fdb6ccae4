#include "exchange/art_files.h"

#include <QBuffer>
#include <QCoreApplication>
#include <QPageSize>
#include <QPainter>
#include <QPdfWriter>

#include "core/quantity/length.h"
#include "exchange/layered_svg.h"
#include "exchange/page_column.h"
#include "exchange/pdf_layers.h"

namespace drapery {

namespace {

struct Words {
  Q_DECLARE_TR_FUNCTIONS(Artwork)
};

}  // namespace

Painted artPdf(const ArtPage& page) {
  QBuffer buffer;
  buffer.open(QIODevice::WriteOnly);
  {
    QPdfWriter writer(&buffer);
    setUpPages(writer, page.book, false);
    writer.setPageSize(QPageSize(page.paper(), QPageSize::Millimeter, {}, QPageSize::ExactMatch));
    writer.setPageMargins(QMarginsF(0, 0, 0, 0));
    QPainter painter(&writer);
    const double scale = writer.resolution() / kMmPerInch;
    painter.scale(scale, scale);
    painter.translate(page.offset(), page.offset());
    paintArt(painter, page);
    paintArtMarks(painter, page);
    writer.newPage();
    paintArtNotes(painter, page);
  }
  const QRectF trim(QPointF(page.offset(), page.offset()), page.trim());
  const double bleed = page.art.bleed;
  return withNotesLaidOver(buffer.data(), Words::tr("Folds and panels, not printed"), trim,
                           trim.adjusted(-bleed, -bleed, bleed, bleed));
}

QByteArray artSvg(const ArtPage& page) {
  const auto layer = [&](auto paint) {
    return [&page, paint](QPainter& painter) {
      painter.translate(page.offset(), page.offset());
      paint(painter);
    };
  };
  return layeredSvg(
      page.paper(), page.book,
      {{"art", Words::tr("Art"), layer([&](QPainter& to) { paintArt(to, page, false); })},
       {"marks", Words::tr("Marks"), layer([&](QPainter& to) { paintArtMarks(to, page); })},
       {"notes", Words::tr("Folds and panels, not printed"),
        layer([&](QPainter& to) { paintArtNotes(to, page); })}});
}

}  // namespace drapery
