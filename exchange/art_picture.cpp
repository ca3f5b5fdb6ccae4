#include "exchange/art_picture.h"

#include <QFile>
#include <QFileInfo>
#include <QImageReader>
#include <QPainter>
#include <QSvgRenderer>
#include <QXmlStreamReader>
#include <algorithm>
#include <cmath>
#include <optional>

namespace drapery {

namespace {

constexpr double kPointsPerMm = 16.0;  // of a drawing that is made points: about 400 dots an inch
constexpr int kMostMade = 8000;        // points, either way

Issue unreadable(const std::string& path, const QString& reason) {
  return {"picture-unreadable",
          {{"path", path}, {"reason", reason.toStdString()}},
          {},
          {path, 0, 0},
          {}};
}

Issue tooLarge(const std::string& path, const QSizeF& size) {
  return {"picture-too-large",
          {{"path", path},
           {"value", QString("%1 × %2").arg(size.width()).arg(size.height()).toStdString()},
           {"most", QString("%1 × %1").arg(ArtPicture::kMostSide).toStdString()}},
          {},
          {path, 0, 0},
          {}};
}

/// What in the value of an attribute or a style lies outside the file.
std::optional<QString> outside(const QString& value) {
  const QString lower = value.toLower();
  for (qsizetype at = lower.indexOf("url("); at >= 0; at = lower.indexOf("url(", at + 4)) {
    QString target = lower.mid(at + 4).trimmed();
    while (target.startsWith('"') || target.startsWith('\'')) target = target.mid(1).trimmed();
    if (!target.startsWith('#') && !target.startsWith("data:")) return target.section(')', 0, 0);
  }
  if (lower.contains("@import")) return lower.section("@import", 1).trimmed();
  return std::nullopt;
}

/// Another file that an SVG draws on; none for one that stands alone. What is no XML at all is the
/// reader's to tell.
std::optional<QString> otherFileOf(const QByteArray& text) {
  QXmlStreamReader xml(text);
  while (!xml.atEnd()) {
    const auto token = xml.readNext();
    if (token == QXmlStreamReader::DTD && !xml.entityDeclarations().isEmpty())
      return xml.entityDeclarations().front().name().toString();
    if (token == QXmlStreamReader::Characters)
      if (auto found = outside(xml.text().toString())) return found;
    if (token != QXmlStreamReader::StartElement) continue;
    for (const QXmlStreamAttribute& attribute : xml.attributes()) {
      const QString value = attribute.value().toString().trimmed();
      const bool isLink = attribute.name() == QLatin1String("href");
      if (isLink && !value.isEmpty() && !value.startsWith('#') && !value.startsWith("data:") &&
          xml.name() != QLatin1String("a"))
        return value;
      if (auto found = outside(value)) return found;
    }
  }
  return std::nullopt;
}

bool isSvg(const QByteArray& bytes) {
  const QByteArray head = bytes.left(4096).toLower();
  return head.contains("<svg") || (head.contains("<?xml") && bytes.toLower().contains("<svg"));
}

}  // namespace

std::variant<ArtPicture, Issue> ArtPicture::read(const std::string& path) {
  QFile file(QString::fromStdString(path));
  if (!QFileInfo(file).isFile() || !file.open(QIODevice::ReadOnly))
    return unreadable(path, file.exists() ? QString() : QStringLiteral("there is no such file"));
  if (file.size() > kMostBytes)
    return Issue{"file-too-large",
                 {{"limit", QString("%1 MB").arg(kMostBytes / 1'000'000).toStdString()}},
                 {},
                 {path, 0, 0},
                 {}};
  const QByteArray bytes = file.readAll();
  ArtPicture picture;
  if (isSvg(bytes)) {
    if (const auto other = otherFileOf(bytes))
      return Issue{"picture-names-files",
                   {{"path", path}, {"value", shortened(other->toStdString())}},
                   {},
                   {path, 0, 0},
                   {}};
    picture.svg_ = std::make_shared<QSvgRenderer>(bytes);
    const QSizeF size = picture.size();
    if (!picture.svg_->isValid() || !(size.width() > 0) || !(size.height() > 0))
      return unreadable(path, {});
    return picture;
  }
  file.seek(0);
  QImageReader reader(&file);
  reader.setDecideFormatFromContent(true);
  reader.setAutoTransform(true);
  const QSize size = reader.size();
  if (size.width() > kMostSide || size.height() > kMostSide ||
      static_cast<double>(size.width()) * size.height() > kMostPoints)
    return tooLarge(path, size);
  QImageReader::setAllocationLimit(1024);
  picture.image_ = reader.read();
  if (picture.image_.isNull()) return unreadable(path, reader.errorString());
  return picture;
}

QSizeF ArtPicture::size() const { return svg_ ? svg_->viewBoxF().size() : QSizeF(image_.size()); }

void ArtPicture::paint(QPainter& painter, const QRectF& into, const QRectF& seen,
                       bool canClip) const {
  if (svg_ && canClip) {
    painter.save();
    painter.setClipRect(seen, Qt::IntersectClip);
    svg_->render(&painter, into);
    painter.restore();
    return;
  }
  QImage made;
  if (svg_) {
    const double fine =
        std::min({kPointsPerMm, kMostMade / into.width(), kMostMade / into.height()});
    made = QImage((into.size() * fine).toSize().expandedTo({1, 1}),
                  QImage::Format_ARGB32_Premultiplied);
    made.fill(Qt::transparent);
    QPainter maker(&made);
    svg_->render(&maker, QRectF(made.rect()));
  }
  const QImage& image = svg_ ? made : image_;
  const double across = image.width() / into.width(), along = image.height() / into.height();
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  painter.drawImage(seen, image,
                    QRectF((seen.left() - into.left()) * across, (seen.top() - into.top()) * along,
                           seen.width() * across, seen.height() * along));
}

}  // namespace drapery
