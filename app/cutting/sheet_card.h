// One sheet of the lay-out among the others, all at one scale: pressed, it is looked at closely; a
// piece of it can be carried to another.
#pragma once

#include <QAbstractButton>
#include <QStringList>
#include <optional>
#include <vector>

#include "core/drawing/sheet_drawing.h"
#include "paint/sheet_painter.h"

namespace drapery {

class SheetCard : public QAbstractButton {
  Q_OBJECT

 public:
  SheetCard(const Palette& palette, QWidget* parent);
  /// @param below what is told of it below its title: the first of these, one or more, that there
  /// is room for.
  void setSheet(SheetDrawing drawing, QString title, QStringList below,
                std::function<SheetWords(std::size_t)> words);
  void setLit(const Subject& subject);
  /// Pixels to the mm.
  void setScale(double scale);
  /// What the sheet needs at a scale of one.
  [[nodiscard]] QSizeF sheetSize() const;
  [[nodiscard]] bool isLying() const { return drawing_.isLying; }
  /// All of it, were that the scale.
  [[nodiscard]] QSize sizeAt(double scale) const;
  [[nodiscard]] QSize sizeHint() const override { return sizeAt(scale_); }

 signals:
  /// A piece follows the pointer, which is there on the screen; it is this large.
  void carried(std::size_t placement, const QPoint& at, const QSize& size);
  void putDown(std::size_t placement, const QPoint& at);

 protected:
  /// A piece under the pointer tells what it is: its words may have found no room.
  bool event(QEvent* event) override;
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;

 private:
  /// Where the sheet is drawn.
  [[nodiscard]] QRectF sheetPlace() const;
  struct Shown {
    std::size_t placement = 0;
    QRectF place;
  };
  [[nodiscard]] std::optional<Shown> pieceAt(QPointF at) const;
  struct Held {
    Shown piece;
    QPointF grip;
    bool isCarried = false;
  };
  [[nodiscard]] int lettering() const;

  const Palette& palette_;
  SheetDrawing drawing_;
  Box bounds_;  // of it
  QString title_;
  QStringList below_{QString()};
  std::function<SheetWords(std::size_t)> wordsOn_;
  struct Words {
    double scale = 0.0;         // of the letters
    int title = 0, height = 0;  // pixels
    std::vector<int> below;     // of each of these
  };
  [[nodiscard]] const Words& words() const;
  /// The first that is no wider, else the last.
  [[nodiscard]] std::size_t belowIn(int width) const;
  mutable std::optional<Words> words_;  // measured once
  Subject lit_;
  double scale_ = 0.2;
  std::optional<Held> held_;
};

}  // namespace drapery
