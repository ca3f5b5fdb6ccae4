// The opened strip with its thread, and where one may click to sew.
#pragma once

#include <QColor>
#include <QLineF>
#include <QMarginsF>
#include <QPixmap>
#include <QStringList>
#include <QWidget>
#include <functional>
#include <optional>
#include <vector>

#include "paint/sewn_part.h"
#include "paint/stitch_painter.h"

namespace drapery {

class HoleButton;

class StripView : public QWidget {
  Q_OBJECT

 public:
  StripView(const Palette& palette, QWidget* parent);

  /// What is shown must last until it is shown no more.
  void show(const StitchPicture& picture);
  /// Goes on in what is shown: only so many of its steps are done.
  void goTo(std::size_t done, std::size_t present);
  /// Sections, likewise.
  using Paint = std::function<void(QPainter&, const SewnPart& part, const QRectF& room)>;
  void show(Paint paint);
  void clear();
  [[nodiscard]] const StitchPicture& picture() const { return picture_; }
  /// Where a hole lies on a face, in the widget.
  [[nodiscard]] QPointF placeOf(std::size_t hole, Face face) const;
  /// Offers the holes to Tab and Enter, by these names, where they lie on a face; none: no more.
  void offerHoles(const QStringList& names, Face face);
  [[nodiscard]] bool hasHoleFocus() const;
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
  void paintLayers(QPainter& painter);
  void paintSteps(QPainter& painter, const SewnPart& part) const;
  /// All of that colour, and as large as the view; what it was before is used again.
  void clear(QPixmap& layer, const QColor& colour) const;
  void forgetLayers() { isPainted_ = false; }

  StitchPicture picture_;
  std::vector<HoleButton*> holes_;
  /// What lies still under the thread, the same with the thread so far, and the rings over it,
  /// filled as far.
  QPixmap ground_, sewn_, rings_;
  bool isPainted_ = false;
  std::size_t drawn_ = 0;  // steps in them
  QColor under_;           // the ground that they were made for
  Paint other_;
};

}  // namespace drapery
