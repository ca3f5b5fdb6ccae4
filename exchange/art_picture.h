// A picture for a panel, read with care: no larger than can be painted, and drawing on no other
// file.
#pragma once

#include <QImage>
#include <QRectF>
#include <QSizeF>
#include <memory>
#include <string>
#include <variant>

#include "core/diag/issue.h"

class QPainter;
class QSvgRenderer;

namespace drapery {

class ArtPicture {
 public:
  static constexpr int kMostSide = 20'000;           // points
  static constexpr double kMostPoints = 120e6;       // points in all
  static constexpr qint64 kMostBytes = 256'000'000;  // of the file

  /// A raster that Qt reads, or an SVG that holds all it shows.
  static std::variant<ArtPicture, Issue> read(const std::string& path);

  [[nodiscard]] bool isVector() const { return svg_ != nullptr; }
  /// Points of a raster, units of a drawing.
  [[nodiscard]] QSizeF size() const;
  /// All of it into the rectangle, of which only what lies in `seen` is painted. Without clipping
  /// (for what writes SVG) a drawing is made points first.
  void paint(QPainter& painter, const QRectF& into, const QRectF& seen, bool canClip) const;

 private:
  QImage image_;
  std::shared_ptr<QSvgRenderer> svg_;
};

}  // namespace drapery
