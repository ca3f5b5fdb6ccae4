// What the table paints itself: drawings, leaders, the ties to the notes, the graduated rule.
#include <QPainter>
#include <algorithm>

#include "app/table/graduated_rule.h"
#include "app/table/table.h"
#include "paint/drawing_painter.h"
#include "paint/fonts.h"

namespace drapery {

void Table::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), palette_.ground);
  PaintStyle style;
  style.palette = &palette_;
  style.lit = selected_;
  painter.setClipRect(drawingArea());
  for (const PlacedPanel& placed : panels_.shown())
    paintDrawing(painter, placed.panel.drawing, placed.toTable, style);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(QPen(palette_.secondInk, 0.8));
  for (const HangingTag& hanging : rack_->hanging())
    if (hanging.panel != nullptr) painter.drawLine(hanging.leader());
  paintWords(painter);
  painter.setClipping(false);
  paintTies(painter);
  paintRule(painter);
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

void Table::paintWords(QPainter& painter) {
  painter.setPen(palette_.secondInk);
  for (const PlacedPanel& placed : panels_.shown()) {
    painter.setFont(textFont(kCaptionPixels));
    painter.drawText(placed.captionRect(), Qt::AlignLeft | Qt::AlignTop | Qt::TextDontClip,
                     placed.panel.caption);
    painter.setFont(textFont(kLabelPixels));
    for (const DrawingLabel& label : placed.panel.drawing.labels) {
      const QRectF words = placed.labelRect(label);
      const bool isClear = label.side == LabelSide::Before || label.side == LabelSide::Over;
      if (isClear || crossesALeader(words))
        painter.fillRect(words.adjusted(-3, 0, 3, 0), palette_.ground);
      painter.drawText(words, Qt::AlignCenter | Qt::TextDontClip, labelWords(label));
    }
  }
}

void Table::paintTies(QPainter& painter) {
  if (!hasMargin()) return;
  painter.setRenderHint(QPainter::Antialiasing);
  // They go behind the drawings.
  QRegion open(rect());
  for (const PlacedPanel& placed : panels_.shown()) open -= placed.drawn().toAlignedRect();
  painter.setClipRegion(open);
  const double x = notes_->geometry().left() - 6;
  for (const auto& [subject, y] : notes_->ties()) {
    const HangingTag* hanging = rack_->hangingOf(subject.toStdString());
    if (hanging == nullptr || hanging->panel == nullptr) continue;
    const QRectF tag = hanging->tag->geometry();
    const QPointF from(tag.right() + 1, tag.center().y());
    const QPointF elbow(std::max(from.x(), x - 16), from.y());
    painter.setPen(QPen(palette_.accent, 0.9));
    painter.drawPolyline(QPolygonF{from, elbow, QPointF(x, y), QPointF(x + 8, y)});
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
