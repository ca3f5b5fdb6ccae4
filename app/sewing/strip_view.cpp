#include "app/sewing/strip_view.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "paint/fonts.h"

namespace drapery {

namespace {

constexpr double kEdge = 10.0;  // pixels
constexpr double kNear = 16.0;  // pixels from a hole's middle that still mean it

}  // namespace

StripView::StripView(const Palette& palette, QWidget* parent) : QWidget(parent), palette_(palette) {
  setObjectName("sew.strip");
  setAccessibleName(tr("The strip opened about its spine"));
  setMinimumSize(240, 140);
}

void StripView::show(Paint paint) {
  picture_ = {};
  other_ = std::move(paint);
  update();
}

void StripView::show(const StitchPicture& picture) {
  picture_ = picture;
  other_ = {};
  update();
}

void StripView::clear() {
  picture_ = {};
  other_ = {};
  update();
}

QRectF StripView::pictureRoom() const {
  return QRectF(rect()).adjusted(kEdge, kEdge, -kEdge, -kEdge).marginsRemoved(around_);
}

void StripView::keepAround(const QMarginsF& margins, std::vector<QLineF> leaders) {
  around_ = margins;
  leaders_ = std::move(leaders);
  update();
}

QPointF StripView::placeOf(std::size_t hole, Face face) const {
  return stitchRoom(picture_, pictureRoom()).map(stitchPlace(picture_, hole, face));
}

void StripView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  if (other_)
    other_(painter, pictureRoom());
  else
    paintStitches(painter, picture_, pictureRoom(), palette_);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(QPen(palette_.secondInk, 0.8));
  for (const QLineF& leader : leaders_) painter.drawLine(leader);
}

void StripView::mousePressEvent(QMouseEvent* event) {
  if (picture_.graph == nullptr) return;
  double nearest = kNear;
  int pressed = -1;
  for (std::size_t hole = 0; hole < picture_.graph->holes.size(); ++hole)
    for (const Face face : {Face::Front, Face::Back}) {
      const QPointF off = placeOf(hole, face) - event->position();
      const double far = std::hypot(off.x(), off.y());
      if (far >= nearest) continue;
      nearest = far;
      pressed = static_cast<int>(hole);
    }
  if (pressed >= 0) return emit holePressed(pressed);
  const QPointF at = stitchRoom(picture_, pictureRoom()).inverted().map(event->position());
  if (at.x() < 0) return emit edgePressed(Round::Head);
  if (at.x() > picture_.graph->spineLength) return emit edgePressed(Round::Tail);
  if (std::abs(at.y()) <= picture_.thickness / 2) emit edgePressed(Round::Spine);
}

}  // namespace drapery
