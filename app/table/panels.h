// The stage's drawings on the table: each in its share of the room, at the scale that leaves its
// tags their place, moved and enlarged by the binder.
#pragma once

#include <QFontMetrics>
#include <QPointF>
#include <QRectF>
#include <QTransform>
#include <functional>
#include <vector>

#include "app/stage/stage_drawings.h"

namespace drapery {

struct PlacedPanel {
  StagePanel panel;
  QRectF area;  // the panel's share of the table
  QTransform toTable;

  /// The drawing on the table.
  [[nodiscard]] QRectF drawn() const;
  [[nodiscard]] QRectF captionRect() const;
  [[nodiscard]] QRectF labelRect(const DrawingLabel& label) const;
  [[nodiscard]] QPointF onTable(const Point& at) const { return toTable.map(QPointF(at.x, at.y)); }
  /// The room inside the area that is left for the drawing when tags need `tags` around it.
  [[nodiscard]] QRectF roomInside(const QMarginsF& tags) const;
};

QString labelWords(const DrawingLabel& label);

class Panels {
 public:
  /// Shares `whole` among the drawings; with little height one at a time.
  void take(std::vector<StagePanel> all, const QRectF& whole);
  /// Gives each its scale; `tags` tells the room that a panel's tags want on each side.
  void fit(const std::function<QMarginsF(const PlacedPanel&)>& tags);

  [[nodiscard]] const std::vector<PlacedPanel>& shown() const { return shown_; }
  /// Draws one anew where it stands.
  void redraw(std::size_t which, Drawing drawing) {
    shown_[which].panel.drawing = std::move(drawing);
  }
  [[nodiscard]] bool isOneAtATime() const { return isOneAtATime_; }
  /// Whether more of the work follows in another drawing.
  [[nodiscard]] bool isLast() const { return isLast_; }
  /// The caption of the drawing that is shown next, while there is one at a time.
  [[nodiscard]] const QString& nextCaption() const { return nextCaption_; }
  void bringNextToFront() { inFront_ = nextKey_; }

  void zoomBy(double factor, QPointF about, const QRectF& whole);
  void panBy(QPointF by) { pan_ += by; }
  [[nodiscard]] QPointF pan() const { return pan_; }
  void resetView();

  /// What lies on top at a point of the table; none on bare ground.
  [[nodiscard]] Subject subjectAt(QPointF at) const;

 private:
  [[nodiscard]] std::string inFrontOf(const std::vector<StagePanel>& all) const;

  std::vector<PlacedPanel> shown_;
  bool isOneAtATime_ = false;
  bool isLast_ = true;
  std::string inFront_, nextKey_;
  QString nextCaption_;
  double zoom_ = 1.0;
  QPointF pan_;
};

}  // namespace drapery
