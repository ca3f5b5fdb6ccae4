#include "paint/lettering.h"

#include <QFontMetricsF>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

namespace drapery {

namespace {
/// A font of few pixels is too coarse for Qt: it is set larger and the painter scaled.
constexpr double kFinest = 12.0;
}  // namespace

Lettering::Face Lettering::faceOf(double mm, bool isBold) const {
  const double pixels = mm * perMm_;
  Face face{QFont("IBM Plex Sans"), pixels < kFinest / 2 ? kFinest : 1.0};
  face.font.setPixelSize(std::max(1, static_cast<int>(std::lround(pixels * face.fine))));
  face.font.setWeight(isBold ? QFont::DemiBold : QFont::Normal);
  if (face.fine > 1.0) face.font.setHintingPreference(QFont::PreferNoHinting);
  return face;
}

double Lettering::widthOf(const QString& text, double mm, bool isBold) const {
  const Face face = faceOf(mm, isBold);
  return QFontMetricsF(face.font).horizontalAdvance(text) / face.fine / perMm_;
}

QStringList Lettering::broken(const QString& text, double mm, double width) const {
  QStringList lines;
  for (const QString& word : text.split(' ', Qt::SkipEmptyParts)) {
    const QString longer = lines.isEmpty() ? word : lines.last() + ' ' + word;
    if (!lines.isEmpty() && widthOf(longer, mm) <= width)
      lines.last() = longer;
    else
      lines << word;
  }
  return lines;
}

QString Lettering::shortened(const QString& text, double mm, double width, bool isBold) const {
  const Face face = faceOf(mm, isBold);
  return QFontMetricsF(face.font).elidedText(text, Qt::ElideRight, width * perMm_ * face.fine);
}

void Lettering::draw(const QPointF& baseline, const QString& text, const Face& face,
                     const QColor& colour) {
  painter_.setFont(face.font);
  painter_.setPen(colour);
  painter_.scale(1 / face.fine, 1 / face.fine);
  // A size reads alike where the window is mirrored.
  painter_.setLayoutDirection(text.isRightToLeft() ? Qt::RightToLeft : Qt::LeftToRight);
  if (!isOutlined_) return painter_.drawText(baseline * face.fine, text);
  QPainterPath shapes;
  shapes.addText(baseline * face.fine, face.font, text);
  painter_.fillPath(shapes, colour);
}

void Lettering::writeMiddle(const QPointF& middle, const QString& text, double mm,
                            const QColor& colour, bool isBold, double turn) {
  const Face face = faceOf(mm, isBold);
  const QFontMetricsF metrics(face.font);
  painter_.save();
  painter_.translate(middle);
  painter_.rotate(turn);
  draw(QPointF(-metrics.horizontalAdvance(text) / 2, (metrics.ascent() - metrics.descent()) / 2) /
           face.fine,
       text, face, colour);
  painter_.restore();
}

void Lettering::write(const QPointF& topLeft, const QString& text, double mm, const QColor& colour,
                      bool isBold) {
  const Face face = faceOf(mm, isBold);
  painter_.save();
  painter_.translate(topLeft);
  draw(QPointF(0, QFontMetricsF(face.font).ascent() / face.fine), text, face, colour);
  painter_.restore();
}

}  // namespace drapery
