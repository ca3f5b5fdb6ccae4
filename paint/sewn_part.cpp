#include "paint/sewn_part.h"

#include <QPainter>
#include <algorithm>

namespace drapery {

namespace {

constexpr double kThin = 1.0, kDrawn = 2.2, kHeavy = 3.8;  // pixels

}  // namespace

QPen threadPen(const SewnPart& part, const Palette& palette, bool isInside) {
  QPen pen(palette.hairline, kThin);
  if (part.how == SewnPart::How::Drawn) pen = QPen(palette.ink, kDrawn);
  if (part.how == SewnPart::How::Present) pen = QPen(palette.accent, kHeavy);
  pen.setCapStyle(isInside ? Qt::FlatCap : Qt::RoundCap);
  if (isInside) pen.setDashPattern({3, 2.5});
  return pen;
}

void paintPass(QPainter& painter, const SewnPart& part, const Palette& palette, const QPointF& at,
               double most) {
  const bool isPresent = part.how == SewnPart::How::Present;
  const bool isDone = part.how != SewnPart::How::ToCome;
  const double radius = isPresent ? 4.5 : std::min(3.0, most);
  painter.setPen(QPen(isDone ? palette.ink : palette.hairline, kThin));
  painter.setBrush(isPresent ? palette.accent : isDone ? palette.ink : palette.ground);
  painter.drawEllipse(at, radius, radius);
}

}  // namespace drapery
