#include "exchange/layered_svg.h"

#include <QBuffer>
#include <QPainter>
#include <QSvgGenerator>

#include "core/quantity/length.h"

namespace drapery {

namespace {

constexpr int kDotsPerInch = 2540;
constexpr double kPerMm = kDotsPerInch / kMmPerInch;  // 100

/// What Qt writes of one layer, between its definitions and the end.
QByteArray bodyOf(const QSizeF& size, const SvgLayer& layer) {
  QBuffer buffer;
  buffer.open(QIODevice::WriteOnly);
  QSvgGenerator generator;
  generator.setOutputDevice(&buffer);
  generator.setResolution(kDotsPerInch);
  generator.setSize((size * kPerMm).toSize());
  generator.setViewBox(QRectF(QPointF(0, 0), size * kPerMm));
  QPainter painter(&generator);
  painter.scale(kPerMm, kPerMm);
  layer.paint(painter);
  painter.end();
  const QByteArray all = buffer.data();
  const qsizetype begin = all.indexOf("<defs>"), end = all.lastIndexOf("</svg>");
  return begin < 0 || end < begin ? QByteArray() : all.mid(begin, end - begin);
}

QByteArray escaped(const QString& text) { return text.toHtmlEscaped().toUtf8(); }

}  // namespace

QByteArray layeredSvg(const QSizeF& size, const QString& title,
                      const std::vector<SvgLayer>& layers) {
  const auto figure = [](double value) { return QByteArray::number(value, 'f', 4); };
  QByteArray svg = "<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"no\"?>\n<svg width=\"" +
                   figure(size.width()) + "mm\" height=\"" + figure(size.height()) +
                   "mm\" viewBox=\"0 0 " + figure(size.width() * kPerMm) + ' ' +
                   figure(size.height() * kPerMm) +
                   "\" xmlns=\"http://www.w3.org/2000/svg\" "
                   "xmlns:xlink=\"http://www.w3.org/1999/xlink\" version=\"1.1\">\n<title>" +
                   escaped(title) + "</title>\n";
  for (const SvgLayer& layer : layers)
    svg += "<g id=\"" + escaped(layer.id) + "\">\n<title>" + escaped(layer.title) + "</title>\n" +
           bodyOf(size, layer) + "</g>\n";
  return svg + "</svg>\n";
}

}  // namespace drapery
