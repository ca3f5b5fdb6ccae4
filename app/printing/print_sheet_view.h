// One printed sheet as it will come out: small among the others, or large, up to its true size.
#pragma once

#include <QWidget>
#include <memory>
#include <optional>

#include "exchange/print_job.h"
#include "paint/palette.h"

namespace drapery {

class PrintSheetView : public QWidget {
  Q_OBJECT

 public:
  PrintSheetView(const Palette& palette, QWidget* parent);

  void setSheet(std::shared_ptr<const PrintJob> print, std::size_t sheet);
  /// Pixels to the mm of the paper.
  void setScale(double perMm);
  [[nodiscard]] double scale() const { return perMm_; }
  /// The thing that is looked at; none for none.
  void setLit(const std::string& thing);
  /// Of the paper, mm.
  [[nodiscard]] QSizeF paper() const;
  [[nodiscard]] QSize sizeHint() const override;
  /// The thing that lies there; none for bare paper.
  [[nodiscard]] std::optional<std::size_t> thingAt(const QPointF& at) const;
  /// Where a thing lies in the widget; none where it lies on another sheet.
  [[nodiscard]] std::optional<QRectF> placeOf(std::size_t thing) const;

 signals:
  /// The index of a thing of the job, or -1 for bare paper.
  void pressed(int thing);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;

 private:
  /// From mm of the paper, y down, to pixels.
  [[nodiscard]] QTransform paperToView() const;
  /// From true mm of the room, y up, to pixels.
  [[nodiscard]] QTransform roomToView() const;

  const Palette& palette_;
  std::shared_ptr<const PrintJob> print_;
  std::size_t sheet_ = 0;
  double perMm_ = 1.0;
  std::string lit_;
};

}  // namespace drapery
