#include "app/sewing/strip_view.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/sewing/hole_button.h"
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
  setAttribute(Qt::WA_OpaquePaintEvent);  // nothing shows through: the page need not be painted
}

void StripView::show(Paint paint) {
  picture_ = {};
  other_ = std::move(paint);
  forgetLayers();
  update();
}

void StripView::show(const StitchPicture& picture) {
  picture_ = picture;
  other_ = {};
  forgetLayers();
  update();
}

void StripView::goTo(std::size_t done, std::size_t present) {
  picture_.done = done;
  picture_.present = present;
  update();
}

void StripView::clear(QPixmap& layer, const QColor& colour) const {
  if (layer.size() != size() * devicePixelRatioF()) {
    layer = QPixmap(size() * devicePixelRatioF());
    layer.setDevicePixelRatio(devicePixelRatioF());
  }
  layer.fill(colour);
}

/// What was drawn before is not drawn again: a way may have over a thousand steps.
void StripView::paintLayers(QPainter& painter) {
  const QRectF room = pictureRoom();
  const auto on = [&](QPixmap& pixmap, const auto& paint) {
    QPainter into(&pixmap);
    into.setRenderHint(QPainter::Antialiasing);
    paint(into);
  };
  const bool isNew =
      !isPainted_ || ground_.size() != size() * devicePixelRatioF() || under_ != palette_.ground;
  const bool hasRings = !other_;
  if (isNew) {
    under_ = palette_.ground;
    isPainted_ = true;
    clear(ground_, palette_.ground);
    on(ground_, [&](QPainter& into) {
      if (other_)
        other_(into, {}, room);
      else
        paintStitchGround(into, picture_, room, palette_);
    });
  }
  if (isNew || picture_.present < drawn_) {
    drawn_ = 0;
    if (hasRings) clear(rings_, Qt::transparent);
    if (hasRings)
      on(rings_, [&](QPainter& into) { paintStitchRings(into, picture_, room, palette_); });
  }
  if (drawn_ < picture_.present) {
    const SewnPart drawn{SewnPart::How::Drawn, drawn_, picture_.present};
    if (drawn_ == 0) sewn_ = ground_;
    on(sewn_, [&](QPainter& into) { paintSteps(into, drawn); });
    if (hasRings)
      on(rings_, [&](QPainter& into) {
        paintStitchPasses(into, picture_, drawn.from, drawn.to, room, palette_);
      });
    drawn_ = picture_.present;
  }
  const SewnPart present{SewnPart::How::Present, picture_.present, picture_.done};
  painter.drawPixmap(0, 0, drawn_ > 0 ? sewn_ : ground_);
  paintSteps(painter, present);
  if (!hasRings) return;
  painter.drawPixmap(0, 0, rings_);
  if (picture_.steps == nullptr) return;
  paintStitchPasses(painter, picture_, present.from, present.to, room, palette_);
  paintStitchNeedle(painter, picture_, room, palette_);
}

void StripView::paintSteps(QPainter& painter, const SewnPart& part) const {
  if (other_)
    other_(painter, part, pictureRoom());
  else if (picture_.steps != nullptr)
    paintStitchThread(painter, picture_, part.from, part.to, pictureRoom(), palette_);
}

void StripView::clear() {
  picture_ = {};
  other_ = {};
  forgetLayers();
  update();
}

QRectF StripView::pictureRoom() const {
  return QRectF(rect()).adjusted(kEdge, kEdge, -kEdge, -kEdge).marginsRemoved(around_);
}

void StripView::keepAround(const QMarginsF& margins, std::vector<QLineF> leaders) {
  if (around_ != margins) forgetLayers();
  around_ = margins;
  leaders_ = std::move(leaders);
  update();
}

QPointF StripView::placeOf(std::size_t hole, Face face) const {
  return stitchRoom(picture_, pictureRoom()).map(stitchPlace(picture_, hole, face));
}

void StripView::offerHoles(const QStringList& names, Face face) {
  const auto count = static_cast<std::size_t>(names.size());
  while (holes_.size() < count) {
    const int hole = static_cast<int>(holes_.size());
    auto* button = new HoleButton(hole, palette_, this);
    connect(button, &QAbstractButton::clicked, this, [this, hole] { emit holePressed(hole); });
    holes_.push_back(button);
  }
  for (std::size_t i = 0; i < holes_.size(); ++i) {
    holes_[i]->setVisible(i < count);
    if (i >= count) continue;
    const QString& name = names[static_cast<qsizetype>(i)];
    if (holes_[i]->accessibleName() != name) holes_[i]->setAccessibleName(name);
    const QSize size = holes_[i]->size();
    holes_[i]->move((placeOf(i, face) - QPointF(size.width(), size.height()) / 2).toPoint());
  }
}

bool StripView::hasHoleFocus() const {
  return std::any_of(holes_.begin(), holes_.end(),
                     [](const HoleButton* each) { return each->hasFocus(); });
}

void StripView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  if (other_ || (picture_.graph != nullptr && !picture_.graph->holes.empty()))
    paintLayers(painter);
  else
    painter.fillRect(rect(), palette_.ground);
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
