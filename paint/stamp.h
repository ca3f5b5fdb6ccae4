// A small picture that lies in many places: painted once and laid down again.
#pragma once

#include <QPainter>
#include <QPixmap>
#include <functional>

namespace drapery {

class Stamp {
 public:
  /// `paint` draws about (0, 0), no farther out than half of `size`; pixels of `like`.
  Stamp(const QPainter& like, const QSizeF& size, const std::function<void(QPainter&)>& paint);
  /// With its middle there.
  void put(QPainter& painter, const QPointF& middle) const;

 private:
  QPixmap picture_;
  QPointF half_;
};

}  // namespace drapery
