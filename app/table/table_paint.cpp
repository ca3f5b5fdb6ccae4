// What the table paints itself: drawings, leaders, the ties to the notes, the graduated rule.
#include <QPaintEvent>
#include <QPainter>
#include <algorithm>
#include <cstdlib>

#include "app/table/graduated_rule.h"
#include "app/table/table.h"
#include "paint/drawing_painter.h"
#include "paint/fonts.h"
#include "paint/set_words.h"

namespace drapery {

void Table::paintEvent(QPaintEvent* event) {
  QPainter painter(this);
  // Part by part between the tags: a part is a copy, a region with holes is filled line by line.
  for (const QRect& part : isPanned_ ? event->region() - drawingArea() : event->region()) {
    painter.setClipRect(part);
    painter.fillRect(part, palette_.ground);
  }
  paintDrawings(painter, event->region());
  painter.setClipRect(drawingArea());
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(QPen(palette_.secondInk, 0.8));
  for (const HangingTag& hanging : rack_->hanging())
    if (hanging.panel != nullptr) painter.drawLine(hanging.leader());
  paintLabels(painter);
  paintHandle(painter);
  painter.setClipping(false);
  paintTies(painter);
  if (event->region().intersects(ruleArea())) paintRule(painter);
}

/// While they are only moved they are not drawn anew: the picture of them moves along.
void Table::paintDrawings(QPainter& painter, const QRegion& seen) {
  PaintStyle style;
  style.palette = &palette_;
  style.lit = selected_;
  const auto draw = [&](QPainter& on) {
    for (const PlacedPanel& placed : panels_.shown())
      paintDrawing(on, placed.panel.drawing, placed.toTable, style);
  };
  const QRect area = drawingArea();
  const QPoint pan = panels_.pan().toPoint();
  if (!isPanned_) {
    painter.setClipRect(area);
    return draw(painter);
  }
  // With a rim, so that little moves bring nothing new in.
  constexpr int kRim = 160;
  const QRect whole = area.adjusted(-kRim, -kRim, kRim, kRim);
  const QPoint by = pan - pictured_;
  const bool isWithin = std::abs(by.x()) <= kRim && std::abs(by.y()) <= kRim;
  const QSize size = whole.size() * devicePixelRatioF();
  if (picture_.isNull() || picture_.size() != size || !isWithin) {
    picture_ = QPixmap(size);
    picture_.setDevicePixelRatio(devicePixelRatioF());
    picture_.fill(palette_.ground);
    QPainter on(&picture_);
    on.translate(-whole.topLeft());
    draw(on);
    pictured_ = pan;
  }
  const QPoint at = whole.topLeft() + pan - pictured_;
  for (const QRect& part : seen& area) {
    painter.setClipRect(part);
    painter.drawPixmap(at, picture_);
  }
}

/// A leader goes behind the words that it meets.
bool Table::crossesALeader(const QRectF& words) const {
  const auto& all = rack_->hanging();
  return std::any_of(all.begin(), all.end(), [&](const HangingTag& hanging) {
    if (hanging.panel == nullptr) return false;
    const QLineF leader = hanging.leader();
    const QPointF corners[]{words.topLeft(), words.topRight(), words.bottomRight(),
                            words.bottomLeft()};
    if (words.contains(leader.p1()) || words.contains(leader.p2())) return true;
    for (int i = 0; i < 4; ++i)
      if (leader.intersects(QLineF(corners[i], corners[(i + 1) % 4]), nullptr) ==
          QLineF::BoundedIntersection)
        return true;
    return false;
  });
}

void Table::paintLabels(QPainter& painter) {
  painter.setPen(palette_.secondInk);
  for (const PlacedPanel& placed : panels_.shown()) {
    painter.setFont(textFont(kCaptionPixels));
    paintWords(painter, placed.captionRect(), Qt::AlignLeft | Qt::AlignTop | Qt::TextDontClip,
               placed.panel.caption);
    painter.setFont(textFont(kLabelPixels));
    for (const DrawingLabel& label : placed.panel.drawing.labels) {
      const QRectF words = placed.labelRect(label);
      const bool isClear = label.side == LabelSide::Before || label.side == LabelSide::Over;
      if (isClear || crossesALeader(words))
        painter.fillRect(words.adjusted(-3, 0, 3, 0), palette_.ground);
      paintWords(painter, words, Qt::AlignCenter | Qt::TextDontClip, labelWords(label));
    }
  }
}

/// What is held, or could be; and while it is held what becomes of it, beside the pointer.
void Table::paintHandle(QPainter& painter) {
  if (handleHere_ && !drag_.isDragging()) {
    painter.setPen(QPen(palette_.accent, 1.6));
    painter.setBrush(palette_.ground);
    painter.drawEllipse(handleHere_->at, 5, 5);
    painter.setBrush(Qt::NoBrush);
  }
  if (dragTold_.isEmpty()) return;
  const QFont font = textFont(kLabelPixels + 1, true);
  const QRectF room(0, 0, 17 * em(), 400);
  QRectF words = QFontMetrics(font).boundingRect(room.toRect(), Qt::TextWordWrap, dragTold_);
  words.moveTo(pointer_ + QPointF(16, 14));
  const QRectF area = QRectF(drawingArea()).adjusted(8, 8, -8, -8);
  if (words.right() > area.right()) words.moveRight(pointer_.x() - 16);
  if (words.bottom() > area.bottom()) words.moveBottom(pointer_.y() - 14);
  painter.fillRect(words.adjusted(-6, -3, 6, 3), palette_.onAccent);
  painter.setFont(font);
  painter.setPen(palette_.ink);
  paintWords(painter, words, Qt::TextWordWrap, dragTold_);
}

void Table::paintTies(QPainter& painter) {
  if (!hasMargin()) return;
  painter.setRenderHint(QPainter::Antialiasing);
  // They go behind the drawings.
  QRegion open(rect());
  for (const PlacedPanel& placed : panels_.shown()) open -= placed.drawn().toAlignedRect();
  painter.setClipRegion(open);
  const bool isMirrored = isRightToLeft();
  const double x = isMirrored ? notes_->geometry().right() + 6 : notes_->geometry().left() - 6;
  const double on = isMirrored ? -8 : 8, before = isMirrored ? 16 : -16;
  for (const auto& [subject, y] : notes_->ties()) {
    const HangingTag* hanging = rack_->hangingOf(subject.toStdString());
    if (hanging == nullptr || hanging->panel == nullptr) continue;
    const QRectF tag = hanging->tag->geometry();
    const QPointF from(isMirrored ? tag.left() - 1 : tag.right() + 1, tag.center().y());
    const double bend = x + before;
    const QPointF elbow(isMirrored ? std::min(from.x(), bend) : std::max(from.x(), bend), from.y());
    painter.setPen(QPen(palette_.accent, 0.9));
    painter.drawPolyline(QPolygonF{from, elbow, QPointF(x, y), QPointF(x + on, y)});
  }
  painter.setClipping(false);
}

void Table::paintRule(QPainter& painter) {
  const QRect area = ruleArea();
  int from = area.left();
  for (const HangingTag& hanging : rack_->hanging())
    if (hanging.panel == nullptr) from = std::max(from, hanging.tag->geometry().right() + 16);
  // The scale of the last drawing that shows something and has one.
  const auto& shown = panels_.shown();
  const auto drawn = std::find_if(shown.rbegin(), shown.rend(), [](const PlacedPanel& placed) {
    return !placed.panel.drawing.shapes.empty() && placed.panel.drawing.isToScale;
  });
  if (drawn == shown.rend()) return;
  paintGraduatedRule(painter,
                     QRectF(QPointF(from, area.top()), QPointF(area.right() - 8, area.bottom())),
                     drawn->toTable.m11(), document_.plan().units, palette_);
}

}  // namespace drapery
