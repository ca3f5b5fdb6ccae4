#include "paint/drawing_painter.h"

#include <QHash>
#include <QLineF>
#include <QPainter>
#include <QPixmap>
#include <QPolygonF>
#include <algorithm>
#include <cmath>

namespace drapery {

namespace {

enum class Hatch { None, Rising, Falling, Weave };

/// A tile that repeats: 45 degree lines for board, the other way for the stiffener, a weave for
/// cloth.
QPixmap makeTile(Hatch hatch, QColor ground, QColor line) {
  constexpr int kTile = 8;
  QPixmap tile(kTile, kTile);
  tile.fill(ground);
  QPainter painter(&tile);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(QPen(line, 1.0));
  if (hatch == Hatch::Rising) {
    for (int shift = -kTile; shift <= kTile; shift += kTile)
      painter.drawLine(QPointF(shift, kTile), QPointF(shift + kTile, 0));
  } else if (hatch == Hatch::Falling) {
    for (int shift = -kTile; shift <= kTile; shift += kTile)
      painter.drawLine(QPointF(shift, 0), QPointF(shift + kTile, kTile));
  } else {
    painter.drawLine(QPointF(1, 2.5), QPointF(4, 2.5));
    painter.drawLine(QPointF(6.5, 5), QPointF(6.5, 8));
  }
  return tile;
}

QBrush hatched(Hatch hatch, const QColor& ground, const QColor& line) {
  static QHash<quint64, QPixmap> tiles;
  const quint64 key = (quint64(ground.rgb()) << 8U) + static_cast<quint64>(hatch);
  auto tile = tiles.find(key);
  if (tile == tiles.end()) tile = tiles.insert(key, makeTile(hatch, ground, line));
  return {*tile};
}

QColor mixed(const QColor& a, const QColor& b, double part) {
  const auto mix = [part](int x, int y) { return static_cast<int>(x + (y - x) * part); };
  return {mix(a.red(), b.red()), mix(a.green(), b.green()), mix(a.blue(), b.blue())};
}

class RolePainter {
 public:
  RolePainter(QPainter& painter, const QTransform& toDevice, const PaintStyle& style)
      : painter_(painter), toDevice_(toDevice), style_(style), colours_(*style.palette) {}

  void paint(const Shape& shape) {
    QPolygonF points;
    for (const Point& p : shape.points) points << toDevice_.map(QPointF(p.x, p.y));
    isLit_ = !style_.lit.isEmpty() && style_.lit == QString::fromStdString(shape.subject);
    switch (shape.role) {
      case Role::Leaves:
        return closed(points, colours_.leaves, 1.2);
      case Role::Board:
        return closed(points, hatch(Hatch::Rising, colours_.board), 1.4);
      case Role::Stiffener:
        return closed(points, hatch(Hatch::Falling, colours_.stiffener), 1.4);
      case Role::Cloth:
        return closed(points, hatch(Hatch::Weave, colours_.cloth), 1.4);
      case Role::Paper:
        return closed(points, colours_.leaves, 1.2);
      case Role::Slit:
      case Role::Cut:
        return line(points, colours_.ink, 1.4, Qt::SolidLine);
      case Role::Rod:
        return closed(points, colours_.rod, 1.0);
      case Role::LeafEdge:
        return line(points, colours_.hairline, 0.8, Qt::SolidLine);
      case Role::Hidden:
        return hidden(points, shape.isClosed);
      case Role::Break:
        return line(points, colours_.secondInk, 1.0, Qt::SolidLine);
      case Role::Fold:
        return line(points, colours_.ink, 0.9, Qt::DashDotDotLine);
      case Role::Extension:
        return line(points, colours_.hairline, 0.9, Qt::SolidLine);
      case Role::ClothPath:
        return cloth(points, shape.thickness);
      case Role::Dimension:
        return dimension(points);
      case Role::Grain:
        return grain(points);
      case Role::Hole:
        return closed(points, colours_.ground, 1.0);
      case Role::Thread:
        return line(points, colours_.accent, 2.2, Qt::SolidLine);
    }
  }

 private:
  QBrush hatch(Hatch kind, const QColor& colour) const {
    return hatched(kind, colour, mixed(colour, colours_.ink, 0.28));
  }
  [[nodiscard]] QColor lineColour(const QColor& usual) const {
    return isLit_ ? colours_.accent : usual;
  }
  void closed(const QPolygonF& points, const QBrush& fill, double width) {
    // On whole pixels: a tile between pixels would be resampled, at several times the cost.
    if (!points.isEmpty()) painter_.setBrushOrigin(points.first().toPoint());
    // The outline hides the fill's steps, and long plain spans are filled several times as fast.
    painter_.setRenderHint(QPainter::Antialiasing, false);
    painter_.setPen(Qt::NoPen);
    painter_.setBrush(fill);
    painter_.drawPolygon(points);
    painter_.setRenderHint(QPainter::Antialiasing, true);
    painter_.setPen(QPen(lineColour(colours_.ink), isLit_ ? width + 1.4 : width));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawPolygon(points);
  }
  void line(const QPolygonF& points, const QColor& colour, double width, Qt::PenStyle kind) {
    painter_.setPen(QPen(lineColour(colour), isLit_ ? width + 0.8 : width, kind));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawPolyline(points);
  }
  void hidden(QPolygonF points, bool isClosed) {
    if (isClosed && !points.isEmpty()) points << points.first();
    line(points, colours_.secondInk, 1.0, Qt::DashLine);
  }
  void cloth(const QPolygonF& points, double thickness) {
    const double scale = std::sqrt(std::abs(toDevice_.determinant()));
    const double width = std::max(2.4, thickness * scale);
    QPen outer(lineColour(colours_.ink), width + 1.6, Qt::SolidLine, Qt::FlatCap, Qt::RoundJoin);
    painter_.setPen(outer);
    painter_.setBrush(Qt::NoBrush);
    painter_.drawPolyline(points);
    painter_.setPen(QPen(mixed(colours_.cloth, colours_.note, 0.35), width, Qt::SolidLine,
                         Qt::FlatCap, Qt::RoundJoin));
    painter_.drawPolyline(points);
  }
  void dimension(const QPolygonF& points) {
    if (points.size() != 2) return;
    line(points, colours_.secondInk, 1.0, Qt::SolidLine);
    const QLineF along(points[0], points[1]);
    // Short slanted ticks: they stay apart even when the measure is a hair.
    const double turn = std::atan2(along.dy(), along.dx()) + 0.785398;
    const QPointF tick(4.5 * std::cos(turn), 4.5 * std::sin(turn));
    painter_.setPen(QPen(lineColour(colours_.ink), 1.4));
    for (const QPointF& end : points) painter_.drawLine(end - tick, end + tick);
  }
  void grain(const QPolygonF& points) {
    if (points.size() != 2) return;
    painter_.setPen(QPen(lineColour(colours_.ink), 1.1));
    paintGrainArrow(painter_, points[0], points[1]);
  }

  QPainter& painter_;
  const QTransform& toDevice_;
  const PaintStyle& style_;
  const Palette& colours_;
  bool isLit_ = false;
};

}  // namespace

void paintDrawing(QPainter& painter, const Drawing& drawing, const QTransform& toDevice,
                  const PaintStyle& style) {
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  RolePainter roles(painter, toDevice, style);
  for (const Shape& shape : drawing.shapes) roles.paint(shape);
  painter.restore();
}

QTransform fitted(const Box& box, const QRectF& target) {
  const double width = std::max(box.width(), 1e-6);
  const double height = std::max(box.height(), 1e-6);
  const double scale = std::min(target.width() / width, target.height() / height);
  const QPointF middle((box.left + box.right) / 2, (box.bottom + box.top) / 2);
  QTransform transform;
  transform.translate(target.center().x(), target.center().y());
  transform.scale(scale, -scale);
  transform.translate(-middle.x(), -middle.y());
  return transform;
}

void paintGrainArrow(QPainter& painter, QPointF from, QPointF to) {
  const QLineF line(from, to);
  if (line.length() < 1.0) return;
  painter.drawLine(line);
  const double head = std::min(6.0, line.length() / 3);
  const QPointF along = (to - from) / line.length() * head;
  const QPointF aside(-along.y() * 0.5, along.x() * 0.5);
  painter.drawLine(to, to - along + aside);
  painter.drawLine(to, to - along - aside);
  painter.drawLine(from, from + along + aside);
  painter.drawLine(from, from + along - aside);
}

}  // namespace drapery
