#include "exchange/pdf_layers.h"

#define POINTERHOLDER_TRANSITION 4  // the library asks for its standard pointers
#include <qpdf/Buffer.hh>
#include <qpdf/QPDF.hh>
#include <qpdf/QPDFPageDocumentHelper.hh>
#include <qpdf/QPDFPageObjectHelper.hh>
#include <qpdf/QPDFWriter.hh>

#include "core/quantity/length.h"

namespace drapery {

namespace {

constexpr double kPointsPerMm = 72.0 / kMmPerInch;

QPDFObjectHandle boxOf(const QRectF& mm, double paperHeight) {
  return QPDFObjectHandle::newArray(QPDFObjectHandle::Rectangle(
      mm.left() * kPointsPerMm, paperHeight - mm.bottom() * kPointsPerMm, mm.right() * kPointsPerMm,
      paperHeight - mm.top() * kPointsPerMm));
}

/// An optional content group that is seen on a screen and not printed.
QPDFObjectHandle addGroup(QPDF& pdf, const QString& name) {
  auto group = pdf.makeIndirectObject(QPDFObjectHandle::parse(
      "<< /Type /OCG /Usage << /Print << /PrintState /OFF >> /View << /ViewState /ON >> >> >>"));
  group.replaceKey("/Name", QPDFObjectHandle::newUnicodeString(name.toStdString()));
  const auto list = [&] { return QPDFObjectHandle::newArray({group}); };
  auto events = QPDFObjectHandle::newArray();
  for (const char* event : {"/Print", "/View"}) {
    auto use = QPDFObjectHandle::newDictionary();
    use.replaceKey("/Event", QPDFObjectHandle::newName(event));
    use.replaceKey("/Category", QPDFObjectHandle::newArray({QPDFObjectHandle::newName(event)}));
    use.replaceKey("/OCGs", list());
    events.appendItem(use);
  }
  auto usual = QPDFObjectHandle::newDictionary();
  usual.replaceKey("/Order", list());
  usual.replaceKey("/ON", list());
  usual.replaceKey("/AS", events);
  auto properties = QPDFObjectHandle::newDictionary();
  properties.replaceKey("/OCGs", list());
  properties.replaceKey("/D", usual);
  pdf.getRoot().replaceKey("/OCProperties", properties);
  return group;
}

void layOver(QPDF& pdf, QPDFPageObjectHelper& page, QPDFPageObjectHelper& notes,
             const QString& layer) {
  auto form = notes.getFormXObjectForPage();
  form.getDict().replaceKey("/OC", addGroup(pdf, layer));
  auto resources = page.getAttribute("/Resources", true);
  if (!resources.getKey("/XObject").isDictionary())
    resources.replaceKey("/XObject", QPDFObjectHandle::newDictionary());
  resources.getKey("/XObject").replaceKey("/Notes", form);
  // What Qt leaves of its own scale is put away first.
  page.addPageContents(pdf.newStream("q\n"), true);
  page.addPageContents(pdf.newStream("\nQ\nq\n/Notes Do\nQ\n"), false);
}

}  // namespace

Painted withNotesLaidOver(const QByteArray& bytes, const QString& layer, const QRectF& trim,
                          const QRectF& bleed) {
  try {
    QPDF pdf;
    pdf.setSuppressWarnings(true);
    pdf.processMemoryFile("jacket", bytes.constData(), static_cast<std::size_t>(bytes.size()));
    QPDFPageDocumentHelper document(pdf);
    auto pages = document.getAllPages();
    layOver(pdf, pages.at(0), pages.at(1), layer);
    const double height = pages[0].getMediaBox().getArrayAsRectangle().ury;
    auto page = pages[0].getObjectHandle();
    page.replaceKey("/TrimBox", boxOf(trim, height));
    page.replaceKey("/BleedBox", boxOf(bleed, height));
    document.removePage(pages[1]);
    QPDFWriter writer(pdf);
    writer.setOutputMemory();
    writer.setDeterministicID(true);
    writer.write();
    const auto written = writer.getBufferSharedPointer();
    return QByteArray(reinterpret_cast<const char*>(written->getBuffer()),
                      static_cast<qsizetype>(written->getSize()));
  } catch (const std::exception& error) {
    return Issue{"file-unwritable",
                 {{"path", std::string("PDF")}, {"reason", std::string(error.what())}},
                 {},
                 {},
                 {}};
  }
}

}  // namespace drapery
