#include "paint/true_size_painter.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "paint/dashes.h"
#include "paint/lettering.h"

namespace drapery {

namespace {

// mm of the thing itself.
constexpr double kRing = 1.3;     // its radius
constexpr double kRinged = 14.0;  // an edge that is long enough for one
constexpr double kLine = 0.26;
constexpr double kLetters = 3.2, kLeastLetters = 1.8;
constexpr double kArrow = 5.0, kArrowHead = 1.5;
constexpr double kTurned = 40.0;  // a fold that is long enough for the word

class TrueSizePainter {
 public:
  TrueSizePainter(QPainter& painter, const TrueSize& thing, const QTransform& toDevice,
                  const TrueSizeLook& look)
      : painter_(painter),
        thing_(thing),
        toDevice_(toDevice),
        look_(look),
        colours_(*look.style.palette),
        scale_(std::sqrt(std::abs(toDevice.determinant()))),
        letters_(painter, scale_) {}

  void paint() {
    Drawing drawing;
    for (const Shape& shape : thing_.drawing.shapes)
      if (isShown(layerOf(shape))) drawing.shapes.push_back(shape);
    paintDrawing(painter_, drawing, toDevice_, look_.style);
    painter_.save();
    painter_.setRenderHint(QPainter::Antialiasing);
    if (isShown(TrueSizeLayer::Words)) words();
    painter_.restore();
  }

 private:
  [[nodiscard]] bool isShown(TrueSizeLayer layer) const {
    return look_.layer == TrueSizeLayer::All || look_.layer == layer;
  }
  [[nodiscard]] QPointF at(const Point& point) const {
    return toDevice_.map(QPointF(point.x, point.y));
  }
  [[nodiscard]] QPen pen() const {
    return {colours_.ink, std::max(look_.style.leastWidth, kLine * look_.style.perMm)};
  }

  void words() {
    if (!thing_.isSticker)
      for (const Shape& shape : thing_.drawing.shapes) {
        if (layerOf(shape) == TrueSizeLayer::Cut && shape.line != LineKind::Hole) rings(shape);
        if (shape.turns != Turns::Unsaid) turn(shape);
      }
    for (const TrueSizeLabel& label : thing_.labels) write(label);
  }

  /// In the middle of each long edge, so that nobody takes it for a fold.
  void rings(const Shape& shape) {
    painter_.setPen(pen());
    painter_.setBrush(Qt::NoBrush);
    const std::size_t sides = shape.points.size() - (shape.isClosed ? 0 : 1);
    for (std::size_t i = 0; i < sides; ++i) {
      const Point& a = shape.points[i];
      const Point& b = shape.points[(i + 1) % shape.points.size()];
      if (std::hypot(b.x - a.x, b.y - a.y) < kRinged) continue;
      painter_.drawEllipse(at({(a.x + b.x) / 2, (a.y + b.y) / 2}), kRing * scale_, kRing * scale_);
    }
  }

  /// An arrow over the fold, and the word beside it.
  void turn(const Shape& fold) {
    const Point& a = fold.points.front();
    const Point& b = fold.points.back();
    const double length = std::hypot(b.x - a.x, b.y - a.y);
    if (length < kTurned) return;
    const Point along{(b.x - a.x) / length, (b.y - a.y) / length};
    const Point across{along.y, -along.x};
    // A fifth of the way up, where no label of a panel stands.
    const Point on{a.x + 0.2 * (b.x - a.x), a.y + 0.2 * (b.y - a.y)};
    const auto point = [&](double over, double up) {
      return at({on.x + over * across.x + up * along.x, on.y + over * across.y + up * along.y});
    };
    painter_.setPen(pen());
    // What goes behind is dashed as in a drawing.
    const double dash = fold.turns == Turns::Away ? 1.2 * scale_ : 3 * kArrow * scale_;
    drawDashed(painter_, QPolygonF({point(-kArrow, 0), point(kArrow, 0)}), {dash, 0.7 * scale_});
    for (const double up : {kArrowHead / 2, -kArrowHead / 2})
      painter_.drawLine(point(kArrow, 0), point(kArrow - kArrowHead, up));
    const double turned = std::atan2(b.y - a.y, b.x - a.x) * -180.0 / M_PI;
    letters_.writeMiddle(point(-kLetters * 0.8, 14.0), look_.turnWords(fold.turns),
                         kLeastLetters * 1.3, colours_.ink, false, turned);
  }

  void write(const TrueSizeLabel& label) {
    const QString words = look_.words(label);
    if (!words.isEmpty())
      letters_.writeMiddle(at(label.at), words, kLetters, colours_.ink, false,
                           label.isUpright ? -90.0 : 0.0);
  }

  QPainter& painter_;
  const TrueSize& thing_;
  const QTransform& toDevice_;
  const TrueSizeLook& look_;
  const Palette& colours_;
  double scale_;
  Lettering letters_;
};

}  // namespace

TrueSizeLayer layerOf(const Shape& shape) {
  switch (shape.line) {
    case LineKind::Outline:
    case LineKind::Cut:
    case LineKind::Hole:
      return TrueSizeLayer::Cut;
    case LineKind::Fold:
    case LineKind::Crease:
      return TrueSizeLayer::Fold;
    default:
      return TrueSizeLayer::Mark;
  }
}

void paintTrueSize(QPainter& painter, const TrueSize& thing, const QTransform& toDevice,
                   const TrueSizeLook& look) {
  TrueSizePainter(painter, thing, toDevice, look).paint();
}

}  // namespace drapery
