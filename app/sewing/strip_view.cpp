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

QRectF StripView::room() const { return QRectF(rect()).adjusted(kEdge, kEdge, -kEdge, -kEdge); }

QPointF StripView::placeOf(std::size_t hole, Face face) const {
  return stitchRoom(picture_, room()).map(stitchPlace(picture_, hole, face));
}

void StripView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  if (other_)
    other_(painter, room());
  else
    paintStitches(painter, picture_, room(), palette_);
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
  const QPointF at = stitchRoom(picture_, room()).inverted().map(event->position());
  if (at.x() < 0) return emit edgePressed(Round::Head);
  if (at.x() > picture_.graph->spineLength) return emit edgePressed(Round::Tail);
  if (std::abs(at.y()) <= picture_.thickness / 2) emit edgePressed(Round::Spine);
}

ThreadBar::ThreadBar(const Palette& palette, QWidget* parent) : QWidget(parent), palette_(palette) {
  setObjectName("sew.thread");
  setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
}

void ThreadBar::show(const Lengths& lengths) {
  lengths_ = lengths;
  setAccessibleName(lengths.words + " " + lengths.ruleWords);
  updateGeometry();
  update();
}

QSize ThreadBar::sizeHint() const { return {200, static_cast<int>(4.4 * em())}; }

void ThreadBar::paintEvent(QPaintEvent*) {
  double needed = 0.0;
  for (const double piece : lengths_.pieces) needed += piece;
  const double most = std::max(needed, lengths_.byRule);
  if (most <= 0.0) return;
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const double left = kEdge, room = width() - 2 * kEdge, line = 1.25 * em();
  const double upper = line + 6, lower = upper + 7;
  double x = left;
  for (const double piece : lengths_.pieces) {
    const double wide = piece / most * room;
    painter.setPen(QPen(palette_.hairline, 3.0));
    painter.drawLine(QPointF(x, upper), QPointF(x + wide, upper));
    painter.setPen(QPen(palette_.ink, 1.2));
    painter.drawLine(QPointF(x, upper - 5), QPointF(x, upper + 5));
    painter.drawLine(QPointF(x + wide, upper - 5), QPointF(x + wide, upper + 5));
    x += wide;
  }
  if (lengths_.drawn > 0.0) {
    painter.setPen(QPen(palette_.accent, 3.0));
    painter.drawLine(QPointF(left, upper), QPointF(left + lengths_.drawn / most * room, upper));
  }
  if (lengths_.byRule > 0.0) {
    painter.setPen(QPen(palette_.secondInk, 1.2, Qt::DashLine));
    painter.drawLine(QPointF(left, lower + 4),
                     QPointF(left + lengths_.byRule / most * room, lower + 4));
  }
  painter.setFont(textFont(13.0, true));
  painter.setPen(palette_.ink);
  painter.drawText(QRectF(left, 0, room, line), Qt::AlignLeft | Qt::AlignVCenter, lengths_.words);
  painter.setFont(textFont(kLabelPixels));
  painter.setPen(palette_.secondInk);
  painter.drawText(QRectF(left, lower + 7, room, line), Qt::AlignLeft | Qt::AlignVCenter,
                   lengths_.ruleWords);
}

}  // namespace drapery
