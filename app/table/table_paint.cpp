// What the table paints itself: drawings, leaders, the ties to the notes, the graduated rule.
#include <QPainter>
#include <algorithm>

#include "app/table/graduated_rule.h"
#include "app/table/table.h"
#include "paint/drawing_painter.h"
#include "paint/fonts.h"

namespace drapery {

namespace {

QPointF nearestOn(const QRectF& rect, QPointF to) {
  return {std::clamp(to.x(), rect.left(), rect.right()),
          std::clamp(to.y(), rect.top(), rect.bottom())};
}

}  // namespace

QString Table::labelWords(const std::string& id) {
  if (id == "view.face") return tr("the face");
  if (id == "view.spine") return tr("the spine");
  if (id == "view.head") return tr("the head");
  if (id == "flat.waits") return tr("the pieces wait for the measures");
  if (id == "flat.missing") return tr("not every piece has a place yet");
  if (id == "view.board") return tr("a board, from its edge");
  return {};
}

void Table::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), palette_.ground);
  const PaintStyle style{&palette_, selected_};
  painter.setClipRect(drawingArea());
  for (const Placed& placed : panels_)
    paintDrawing(painter, placed.panel.drawing, placed.toTable, style);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(QPen(palette_.secondInk, 0.8));
  for (const Hanging& hanging : hanging_) {
    if (hanging.panel == nullptr) continue;
    painter.drawLine(hanging.anchor, nearestOn(hanging.tag->geometry(), hanging.anchor));
  }
  paintWords(painter);
  painter.setClipping(false);
  paintTies(painter);
  paintRule(painter);
}

/// A leader goes behind the words that it meets.
bool Table::crossesALeader(const QRectF& words) const {
  return std::any_of(hanging_.begin(), hanging_.end(), [&](const Hanging& hanging) {
    if (hanging.panel == nullptr) return false;
    const QLineF leader(hanging.anchor, nearestOn(hanging.tag->geometry(), hanging.anchor));
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
  for (const Placed& placed : panels_) {
    painter.setFont(textFont(kPanelWordsPixels));
    painter.drawText(captionRect(placed), Qt::AlignLeft | Qt::AlignTop | Qt::TextDontClip,
                     placed.panel.caption);
    painter.setFont(textFont(kLabelPixels));
    for (const DrawingLabel& label : placed.panel.drawing.labels) {
      const QRectF words = labelRect(placed, label);
      if (crossesALeader(words)) painter.fillRect(words.adjusted(-3, 0, 3, 0), palette_.ground);
      painter.drawText(words, Qt::AlignCenter | Qt::TextDontClip, labelWords(label.id));
    }
  }
}

void Table::paintTies(QPainter& painter) {
  if (!hasMargin()) return;
  painter.setRenderHint(QPainter::Antialiasing);
  const double x = notes_->geometry().left() - 6;
  for (const auto& [subject, y] : notes_->ties()) {
    const auto hanging = std::find_if(
        hanging_.begin(), hanging_.end(),
        [&s = subject](const auto& h) { return QString::fromStdString(h.tag->value()) == s; });
    if (hanging == hanging_.end() || hanging->panel == nullptr) continue;
    const QRectF tag = hanging->tag->geometry();
    const QPointF from(tag.right() + 1, tag.center().y());
    const QPointF elbow(std::max(from.x(), x - 16), from.y());
    painter.setPen(QPen(palette_.accent, 0.9));
    painter.drawPolyline(QPolygonF{from, elbow, QPointF(x, y), QPointF(x + 8, y)});
  }
}

void Table::paintRule(QPainter& painter) {
  const QRect area = ruleArea();
  int from = area.left();
  for (const Hanging& hanging : hanging_)
    if (hanging.panel == nullptr) from = std::max(from, hanging.tag->geometry().right() + 16);
  // The scale of the last drawing that shows something.
  const auto drawn = std::find_if(panels_.rbegin(), panels_.rend(), [](const Placed& placed) {
    return !placed.panel.drawing.shapes.empty();
  });
  if (drawn == panels_.rend()) return;
  const QTransform& scale = drawn->toTable;
  paintGraduatedRule(painter,
                     QRectF(QPointF(from, area.top()), QPointF(area.right() - 8, area.bottom())),
                     scale.m11(), document_.plan().units, palette_);
}

}  // namespace drapery
