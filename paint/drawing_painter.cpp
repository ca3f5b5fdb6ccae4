#include "paint/drawing_painter.h"

#include <QLineF>
#include <QPainter>
#include <QPolygonF>
#include <algorithm>
#include <cmath>

#include "core/geometry/hatch.h"
#include "paint/dashes.h"

namespace drapery {

namespace {

// mm of the medium.
constexpr double kStrong = 0.37;   // outlines of what is cut
constexpr double kOutline = 0.32;  // of the book
constexpr double kFine = 0.26;     // measures, breaks
constexpr double kHair = 0.22;     // single leaves, extensions
constexpr double kThread = 0.6;
constexpr double kLit = 0.37;         // wider when selected
constexpr double kTick = 1.2;         // half of a measuring line's tick
constexpr double kArrowHead = 1.3;    // of the grain
constexpr double kLeastCloth = 0.64;  // the covering from its edge, however thin
constexpr double kClothEdge = 0.21;   // its outline, either side
constexpr double kFoldDash = 3.0, kFoldGap = 1.5, kCreaseDot = 0.5;  // of templates
constexpr double kHatch = 1.5;                                       // from line to line
constexpr double kHatchLine = 0.2;
constexpr double kHatchOver = 1.6;  // as far apart as those of a matter
constexpr double kWeave = 2.1;      // from thread to thread
constexpr double kWeaveDash = 0.8;
constexpr double kWaste = 0.09;  // darker than the ground

QColor mixed(const QColor& a, const QColor& b, double part) {
  const auto mix = [part](int x, int y) { return static_cast<int>(x + (y - x) * part); };
  return {mix(a.red(), b.red()), mix(a.green(), b.green()), mix(a.blue(), b.blue())};
}

Point pointOf(const QPointF& p) { return {p.x(), p.y()}; }

class ShapePainter {
 public:
  ShapePainter(QPainter& painter, const QTransform& toDevice, const PaintStyle& style)
      : painter_(painter), toDevice_(toDevice), style_(style), colours_(*style.palette) {
    // What cannot be seen is not hatched.
    const QRectF seen =
        painter.hasClipping() ? painter.clipBoundingRect() : QRectF(-1e6, -1e6, 2e6, 2e6);
    window_ = {seen.left(), seen.top(), seen.right(), seen.bottom()};
  }

  void paint(const Shape& shape) {
    QPolygonF points;
    for (const Point& p : shape.points) points << toDevice_.map(QPointF(p.x, p.y));
    isLit_ = !style_.lit.empty() && style_.lit == shape.subject;
    switch (shape.line) {
      case LineKind::Outline:
        return outline(points, shape);
      case LineKind::Hidden:
        return hidden(points, shape.isClosed);
      case LineKind::Leaf:
        return line(points, colours_.hairline, kHair, Qt::SolidLine);
      case LineKind::Section:
        return section(points, shape);
      case LineKind::Cut:
        return line(points, colours_.ink, kStrong, Qt::SolidLine);
      case LineKind::Fold:
        return style_.isTrueSize ? dashed(points, {kFoldDash, kFoldGap})
                                 : line(points, colours_.ink, kFine, Qt::DashDotDotLine);
      case LineKind::Crease:
        return style_.isTrueSize ? dashed(points, {kFoldDash, kFoldGap, kCreaseDot, kFoldGap})
                                 : line(points, colours_.ink, kFine, Qt::DashDotLine);
      case LineKind::Mark:
        return line(points, colours_.ink, kFine, Qt::SolidLine);
      case LineKind::Hole:
        return filled(points, colours_.ground, kFine);
      case LineKind::Hatch:
        return hatchedOver(points);
      case LineKind::Thread:
        return line(points, colours_.accent, kThread, Qt::SolidLine);
      case LineKind::Break:
        return line(points, colours_.secondInk, kFine, Qt::SolidLine);
      case LineKind::Grain:
        return grain(points);
      case LineKind::Dimension:
        return dimension(points);
      case LineKind::Extension:
        return line(points, colours_.hairline, kHair, Qt::SolidLine);
    }
  }

 private:
  /// Millimetres of the medium in the painter's units.
  [[nodiscard]] double wide(double mm) const { return std::max(style_.leastWidth, along(mm)); }
  [[nodiscard]] double along(double mm) const { return mm * style_.perMm; }
  [[nodiscard]] QColor lineColour(const QColor& usual) const {
    return isLit_ ? colours_.accent : usual;
  }

  void outline(const QPolygonF& points, const Shape& shape) {
    switch (shape.matter) {
      case Matter::Leaves:
      case Matter::Paper:
        return filled(points, colours_.leaves, kOutline);
      case Matter::Rod:
        return filled(points, colours_.rod, kFine);
      case Matter::Waste:
        return filled(points, mixed(colours_.ground, Qt::black, kWaste), kOutline);
      case Matter::Board:
        fill(points, colours_.board);
        hatch(points, colours_.board, slanted(-45.0));
        break;
      case Matter::Card:
        fill(points, colours_.stiffener);
        hatch(points, colours_.stiffener, slanted(45.0));
        break;
      case Matter::Cloth:
        fill(points, colours_.cloth);
        weave(points);
        break;
      case Matter::None:
        break;
    }
    edge(points, kStrong);
  }

  [[nodiscard]] HatchLines slanted(double angle) const {
    HatchLines lines;
    lines.angle = angle;
    lines.spacing = along(kHatch);
    return lines;
  }
  /// Warp and weft, each other thread to be seen.
  void weave(const QPolygonF& points) {
    HatchLines lines;
    lines.spacing = along(kWeave);
    lines.dash = along(kWeaveDash);
    lines.gap = lines.spacing - lines.dash;
    for (const double angle : {0.0, 90.0}) {
      lines.angle = angle;
      lines.shift = lines.spacing * (angle == 0.0 ? 0.3 : 0.2);
      lines.start = lines.spacing * (angle == 0.0 ? 0.15 : 0.6);
      hatch(points, colours_.cloth, lines);
    }
  }
  /// Crossed, over whatever lies below.
  void hatchedOver(const QPolygonF& points) {
    HatchLines lines = slanted(60.0);
    lines.spacing *= kHatchOver;
    const QColor ink = isLit_ ? colours_.accent : mixed(colours_.ground, colours_.ink, 0.6);
    for (const double angle : {60.0, -60.0}) {
      lines.angle = angle;
      drawHatch(points, ink, lines);
    }
  }
  void hatch(const QPolygonF& points, const QColor& ground, const HatchLines& lines) {
    drawHatch(points, mixed(ground, colours_.ink, 0.28), lines);
  }
  void drawHatch(const QPolygonF& points, const QColor& ink, const HatchLines& lines) {
    if (points.isEmpty()) return;
    std::vector<Point> shape;
    shape.reserve(static_cast<std::size_t>(points.size()));
    for (const QPointF& p : points) shape.push_back(pointOf(p));
    QVector<QLineF> drawn;
    for (const auto& [a, b] : hatched(shape, lines, shape.front(), window_))
      drawn << QLineF(a.x, a.y, b.x, b.y);
    // Short upright threads are sharper, and quicker, on whole pixels.
    const bool isUpright = std::fmod(lines.angle, 90.0) == 0.0;
    painter_.setRenderHint(QPainter::Antialiasing, !isUpright);
    painter_.setPen(QPen(ink, wide(kHatchLine), Qt::SolidLine, Qt::FlatCap));
    painter_.drawLines(drawn);
    painter_.setRenderHint(QPainter::Antialiasing, true);
  }

  /// The outline hides the fill's steps, and plain spans are filled several times as fast.
  void fill(const QPolygonF& points, const QColor& colour) {
    painter_.setRenderHint(QPainter::Antialiasing, false);
    painter_.setPen(Qt::NoPen);
    painter_.setBrush(colour);
    painter_.drawPolygon(points);
    painter_.setRenderHint(QPainter::Antialiasing, true);
  }
  void edge(const QPolygonF& points, double mm) {
    painter_.setPen(QPen(lineColour(colours_.ink), wide(isLit_ ? mm + kLit : mm)));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawPolygon(points);
  }
  void filled(const QPolygonF& points, const QColor& colour, double mm) {
    fill(points, colour);
    edge(points, mm);
  }
  void line(const QPolygonF& points, const QColor& colour, double mm, Qt::PenStyle kind) {
    painter_.setPen(QPen(lineColour(colour), wide(isLit_ ? mm + kLit / 2 : mm), kind));
    painter_.setBrush(Qt::NoBrush);
    painter_.drawPolyline(points);
  }
  /// Dashes of so many mm, whatever the line's width.
  void dashed(const QPolygonF& points, std::vector<double> lengths) {
    for (double& mm : lengths) mm = along(mm);
    painter_.setPen(QPen(lineColour(colours_.ink), wide(kFine), Qt::SolidLine, Qt::FlatCap));
    drawDashed(painter_, points, lengths);
  }
  void hidden(QPolygonF points, bool isClosed) {
    if (isClosed && !points.isEmpty()) points << points.first();
    line(points, colours_.secondInk, kFine, Qt::DashLine);
  }
  /// The covering, at its true thickness or as thick as can be seen.
  [[nodiscard]] QColor cutThrough(Matter matter) const {
    switch (matter) {
      case Matter::Board:
        return mixed(colours_.board, colours_.ink, 0.2);
      case Matter::Card:
        return mixed(colours_.stiffener, colours_.ink, 0.2);
      case Matter::Paper:
      case Matter::Leaves:
        return colours_.leaves;
      default:
        return mixed(colours_.cloth, colours_.note, 0.35);
    }
  }
  void section(const QPolygonF& points, const Shape& shape) {
    const double scale = std::sqrt(std::abs(toDevice_.determinant()));
    const double width = std::max(along(kLeastCloth), shape.thickness * scale);
    painter_.setBrush(Qt::NoBrush);
    painter_.setPen(QPen(lineColour(colours_.ink), width + 2 * along(kClothEdge), Qt::SolidLine,
                         Qt::FlatCap, Qt::RoundJoin));
    painter_.drawPolyline(points);
    painter_.setPen(
        QPen(cutThrough(shape.matter), width, Qt::SolidLine, Qt::FlatCap, Qt::RoundJoin));
    painter_.drawPolyline(points);
  }
  void dimension(const QPolygonF& points) {
    if (points.size() != 2) return;
    line(points, colours_.secondInk, kFine, Qt::SolidLine);
    const QLineF measure(points[0], points[1]);
    // Short slanted ticks: they stay apart even when the measure is a hair.
    const double turn = std::atan2(measure.dy(), measure.dx()) + 0.785398;
    const QPointF tick(along(kTick) * std::cos(turn), along(kTick) * std::sin(turn));
    painter_.setPen(QPen(lineColour(colours_.ink), wide(kStrong)));
    for (const QPointF& end : points) painter_.drawLine(end - tick, end + tick);
  }
  void grain(const QPolygonF& points) {
    if (points.size() != 2) return;
    const QPointF from = points[0], to = points[1];
    const double length = QLineF(from, to).length();
    if (length < along(0.25)) return;
    painter_.setPen(QPen(lineColour(colours_.ink), wide(kFine)));
    painter_.drawLine(from, to);
    const QPointF back = (to - from) / length * std::min(along(kArrowHead), length / 3);
    const QPointF aside(-back.y() * 0.5, back.x() * 0.5);
    for (const double side : {1.0, -1.0}) {
      painter_.drawLine(to, to - back + side * aside);
      painter_.drawLine(from, from + back + side * aside);
    }
  }

  QPainter& painter_;
  const QTransform& toDevice_;
  const PaintStyle& style_;
  const Palette& colours_;
  Box window_;
  bool isLit_ = false;
};

}  // namespace

PaintStyle pageStyle(const Palette& palette) { return {&palette, {}, 1.0, 0.0}; }

void paintDrawing(QPainter& painter, const Drawing& drawing, const QTransform& toDevice,
                  const PaintStyle& style) {
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  ShapePainter shapes(painter, toDevice, style);
  if (drawing.window) {
    const Box& seen = *drawing.window;
    const QRectF window =
        toDevice.mapRect(QRectF(QPointF(seen.left, seen.bottom), QPointF(seen.right, seen.top)));
    painter.setPen(QPen(style.palette->hairline, std::max(style.leastWidth, 0.2 * style.perMm)));
    painter.drawRect(window);
    painter.setClipRect(window, Qt::IntersectClip);
  }
  for (const Shape& shape : drawing.shapes) shapes.paint(shape);
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

}  // namespace drapery
