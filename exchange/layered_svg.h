// An SVG of true size whose layers are named groups: what Qt paints for each, in one file.
#pragma once

#include <QByteArray>
#include <QSizeF>
#include <QString>
#include <functional>
#include <vector>

class QPainter;

namespace drapery {

struct SvgLayer {
  QString id, title;
  /// The painter counts in mm, y down.
  std::function<void(QPainter&)> paint;
};

/// @param size mm
QByteArray layeredSvg(const QSizeF& size, const QString& title,
                      const std::vector<SvgLayer>& layers);

}  // namespace drapery
