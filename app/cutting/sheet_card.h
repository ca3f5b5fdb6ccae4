// One sheet of the lay-out among the others, all at one scale: pressed, it is looked at closely.
#pragma once

#include <QAbstractButton>

#include "core/drawing/sheet_drawing.h"
#include "paint/sheet_painter.h"

namespace drapery {

class SheetCard : public QAbstractButton {
  Q_OBJECT

 public:
  SheetCard(const Palette& palette, QWidget* parent);
  void setSheet(SheetDrawing drawing, QString title, QString below,
                std::function<SheetWords(std::size_t)> words);
  void setLit(const Subject& subject);
  /// Pixels to the mm.
  void setScale(double scale);
  /// What the sheet needs at a scale of one.
  [[nodiscard]] QSizeF sheetSize() const;
  [[nodiscard]] bool isLying() const { return drawing_.isLying; }
  [[nodiscard]] QSize sizeHint() const override;

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  [[nodiscard]] int lettering() const;

  const Palette& palette_;
  SheetDrawing drawing_;
  QString title_, below_;
  std::function<SheetWords(std::size_t)> words_;
  Subject lit_;
  double scale_ = 0.2;
};

}  // namespace drapery
