#include <algorithm>
#include <cmath>

#include "core/drawing/figure.h"

namespace drapery {

namespace {

constexpr double kUsualWidth = 100.0;
constexpr double kUsualHeight = 140.0;
constexpr double kUsualPanels = 6.0;
constexpr int kMostDrawn = 40;  // more would be a grey band
constexpr double kLean = 0.5;   // of a panel's width, how far apart two folds stand half open
constexpr double kOff = 0.06;

}  // namespace

/// Above, the strip half open seen from the head; below, its first panel from the face.
Sketch sketchFoldedStrip(const FigureSource& source) {
  Sketch sketch;
  const double width = source.numberOr("panel_width", kUsualWidth);
  const double height = source.numberOr("panel_height", kUsualHeight);
  const double wanted = source.numberOr("panels", kUsualPanels);
  const int panels = static_cast<int>(std::clamp(wanted, 1.0, double{kMostDrawn}));
  const bool isMeasured = source.has("panel_width") && source.has("panel_height");
  const Subject strip = source.subject("strip");
  const double across = kLean * width, deep = std::sqrt(width * width - across * across);
  const double foot = height + 0.3 * std::max(width, height);
  std::vector<Point> zigzag;
  for (int i = 0; i <= panels; ++i)
    zigzag.push_back({i * across, foot + (i % 2 == 0 ? 0.0 : deep)});
  sketch.add(openShape(isMeasured ? LineKind::Cut : LineKind::Hidden, zigzag, strip));
  sketch.add(closedShape(isMeasured, Matter::Paper, rectangle(0, 0, width, height), strip));
  const double off = kOff * std::max(width, height);
  sketch.line("panel", {0, -off}, {width, -off});
  sketch.line("height", {-off, 0}, {-off, height});
  sketch.point("strip", {panels * across / 2, foot + deep / 2});
  return sketch;
}

}  // namespace drapery
