#include "exchange/pdf_overlay.h"

#define POINTERHOLDER_TRANSITION 4  // the library asks for its standard pointers
#include <qpdf/Buffer.hh>
#include <qpdf/QPDF.hh>
#include <qpdf/QPDFPageDocumentHelper.hh>
#include <qpdf/QPDFPageObjectHelper.hh>
#include <qpdf/QPDFWriter.hh>

namespace drapery {

namespace {

QPDFObjectHandle boxOf(const PdfBox& box) {
  return QPDFObjectHandle::newArray(
      QPDFObjectHandle::Rectangle(box.left, box.bottom, box.right, box.top));
}

/// An optional content group that is seen on a screen and not printed.
QPDFObjectHandle addGroup(QPDF& pdf, const std::string& name) {
  auto group = pdf.makeIndirectObject(QPDFObjectHandle::parse(
      "<< /Type /OCG /Usage << /Print << /PrintState /OFF >> /View << /ViewState /ON >> >> >>"));
  group.replaceKey("/Name", QPDFObjectHandle::newUnicodeString(name));
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
             const std::string& layer) {
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

std::string laidOver(const std::string& bytes, const PdfOverlay& overlay, std::string& why) {
  try {
    QPDF pdf;
    pdf.setSuppressWarnings(true);
    pdf.processMemoryFile("pages", bytes.data(), bytes.size());
    QPDFPageDocumentHelper document(pdf);
    auto pages = document.getAllPages();
    layOver(pdf, pages.at(0), pages.at(1), overlay.layer);
    auto page = pages[0].getObjectHandle();
    page.replaceKey("/TrimBox", boxOf(overlay.trim));
    page.replaceKey("/BleedBox", boxOf(overlay.bleed));
    document.removePage(pages[1]);
    QPDFWriter writer(pdf);
    writer.setOutputMemory();
    writer.setDeterministicID(true);
    writer.write();
    const auto written = writer.getBufferSharedPointer();
    return {reinterpret_cast<const char*>(written->getBuffer()), written->getSize()};
  } catch (const std::exception& error) {
    why = error.what();
    return {};
  }
}

double pageHeight(const std::string& bytes, std::string& why) {
  try {
    QPDF pdf;
    pdf.setSuppressWarnings(true);
    pdf.processMemoryFile("pages", bytes.data(), bytes.size());
    return QPDFPageDocumentHelper(pdf).getAllPages().at(0).getMediaBox().getArrayAsRectangle().ury;
  } catch (const std::exception& error) {
    why = error.what();
    return 0.0;
  }
}

}  // namespace drapery
