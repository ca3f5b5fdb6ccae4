// The opened strip with its thread, and where one may click to sew.
#pragma once

#include <QWidget>
#include <functional>
#include <optional>

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

 signals:
  /// A hole was clicked.
  void holePressed(int hole);
  /// The band, or what lies beyond head or tail: the edge that the thread goes round.
  void edgePressed(drapery::Round round);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;

 private:
  [[nodiscard]] QRectF room() const;

  const Palette& palette_;
  StitchPicture picture_;
  Paint other_;
};

/// Thread to scale: what this book takes, its pieces, and the rule of thumb beneath.
class ThreadBar : public QWidget {
  Q_OBJECT

 public:
  ThreadBar(const Palette& palette, QWidget* parent);
  struct Lengths {
    std::vector<double> pieces;  // mm
    double byRule = 0.0;         // 0: none
    double drawn = 0.0;          // of all pieces together, so far
    QString words, ruleWords;
  };
  void show(const Lengths& lengths);
  [[nodiscard]] QSize sizeHint() const override;

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  const Palette& palette_;
  Lengths lengths_;
};

}  // namespace drapery
