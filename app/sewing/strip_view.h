// The opened strip with its thread, and where one may click to sew.
#pragma once

#include <QLineF>
#include <QMarginsF>
#include <QWidget>
#include <functional>
#include <optional>
#include <vector>

#include "paint/stitch_painter.h"

namespace drapery {

class StripView : public QWidget {
  Q_OBJECT

 public:
  StripView(const Palette& palette, QWidget* parent);

  /// What is shown must last until it is shown no more.
  void show(const StitchPicture& picture);
  /// Anything else, painted into the widget.
  using Paint = std::function<void(QPainter&, const QRectF& room)>;
  void show(Paint paint);
  void clear();
  [[nodiscard]] const StitchPicture& picture() const { return picture_; }
  /// Where a hole lies on a face, in the widget.
  [[nodiscard]] QPointF placeOf(std::size_t hole, Face face) const;
  /// Keeps room around the picture, for what stands there, and ties it to the picture.
  void keepAround(const QMarginsF& margins, std::vector<QLineF> leaders);
  /// What is left for the picture.
  [[nodiscard]] QRectF pictureRoom() const;

 signals:
  /// A hole was clicked.
  void holePressed(int hole);
  /// The band, or what lies beyond head or tail: the edge that the thread goes round.
  void edgePressed(drapery::Round round);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;

 private:
  const Palette& palette_;
  QMarginsF around_;
  std::vector<QLineF> leaders_;
  StitchPicture picture_;
  Paint other_;
};

}  // namespace drapery
