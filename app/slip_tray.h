// The pieces lying on the table's edge, in their true proportions to each other.
#pragma once

#include <QAbstractButton>
#include <QPolygonF>
#include <QWidget>
#include <vector>

#include "core/plan/plan.h"
#include "paint/palette.h"

namespace drapery {

/// One kind of piece: its shape with the grain arrow, lettered as a binder would.
class Slip : public QAbstractButton {
  Q_OBJECT

 public:
  Slip(QString partId, const Palette& palette, QWidget* parent);
  void setPart(const PlannedPart& part, const Plan& plan);
  /// The piece's size at a scale of 1 pixel to the mm.
  [[nodiscard]] QSizeF pieceSize() const { return piece_; }
  void setScale(double pixelsPerMm);
  void setLetteringSize(double size) { size_ = size; }
  [[nodiscard]] int letteringWidth() const;
  [[nodiscard]] QString partId() const { return partId_; }
  [[nodiscard]] QSize sizeHint() const override;

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  const Palette& palette_;
  QString partId_, name_, figures_, below_;
  QSizeF piece_;
  QPolygonF outline_;  // in parts of width and height
  bool grainAcross_ = false;
  double scale_ = 0.2;
  double size_ = 1.0;  // of the lettering
};

class SlipTray : public QWidget {
  Q_OBJECT

 public:
  SlipTray(const Palette& palette, QWidget* parent = nullptr);
  void setPlan(const Plan& plan);
  void setSelected(const QString& subject);

 signals:
  void selected(const QString& partId);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;

 private:
  void layOut();
  [[nodiscard]] double letteringWidth(double size) const;
  void replaceSlip(std::size_t i, const QString& id);

  const Palette& palette_;
  std::vector<Slip*> slips_;
  QString selected_;
  bool isStopped_ = false;
};

}  // namespace drapery
