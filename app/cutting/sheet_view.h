// One sheet, large: pieces are chosen and moved on it, the cuts are gone through one by one.
#pragma once

#include <QWidget>
#include <optional>

#include "core/drawing/sheet_drawing.h"
#include "paint/sheet_painter.h"

namespace drapery {

class SheetView : public QWidget {
  Q_OBJECT

 public:
  SheetView(const Palette& palette, QWidget* parent);
  void setSheet(SheetDrawing drawing, std::function<SheetWords(std::size_t)> words);
  void setLit(const Subject& subject);
  /// The setting in hand; 0: none.
  void setCut(int number);
  /// Where a placement is drawn, in pixels; none where it is not to be seen.
  [[nodiscard]] std::optional<QRectF> rectOf(std::size_t placement) const;
  [[nodiscard]] double pixelsPerMm() const { return std::abs(toView_.m11()); }

 signals:
  void chosen(std::size_t placement);
  void nothingChosen();
  /// Let go with its lower left corner there, mm on the stock.
  void moved(std::size_t placement, double x, double y);

 protected:
  /// A piece under the pointer tells what it is: its words may have found no room.
  bool event(QEvent* event) override;
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;

 private:
  void fit();
  [[nodiscard]] const SheetDrawing::Piece* pieceAt(QPointF at) const;

  const Palette& palette_;
  SheetDrawing drawing_;
  std::function<SheetWords(std::size_t)> words_;
  QTransform toView_;
  Subject lit_;
  int cut_ = 0;
  struct Held {
    std::size_t placement = 0;
    QRectF from;
    QPointF grip, now;
    bool isMoving = false;
  };
  std::optional<Held> held_;
};

}  // namespace drapery
