#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/drawing/figure.h"

namespace drapery {

/// A board rolled on a dowel, from its end, and under it the same board flat.
Sketch sketchDowel(const FigureSource& source) {
  Sketch sketch;
  const double dowel = source.number("dowel"), width = source.number("width");
  const double thick = source.numberOr("thickness", 1.5);
  if (!(dowel > 0.0) || !(width > 0.0)) return {};
  const double radius = dowel / 2, middle = radius + thick / 2;
  std::vector<Point> rod, bent;
  constexpr int kSteps = 60;
  for (int i = 0; i < kSteps; ++i) {
    const double a = 2 * std::numbers::pi * i / kSteps;
    rod.push_back({radius * std::cos(a), radius * std::sin(a)});
  }
  sketch.add(closedShape(LineKind::Outline, Matter::Rod, rod, source.subject("dowel")));
  // As long as it is, along its middle; more than once round it would lie on itself.
  const double round = std::min(width / middle, 1.9 * std::numbers::pi);
  for (int i = 0; i <= kSteps; ++i) {
    const double a = std::numbers::pi + round * (static_cast<double>(i) / kSteps - 0.5);
    bent.push_back({middle * std::cos(a), middle * std::sin(a)});
  }
  sketch.add(sectionShape(Matter::Board, thick, bent, source.subject("spring")));
  const double low = -middle - 0.3 * std::max(dowel, width) - thick;
  sketch.add(closedShape(LineKind::Outline, Matter::Board,
                         rectangle(-width / 2, low, width / 2, low + thick),
                         source.subject("spring")));
  const double off = 0.1 * width;
  sketch.line("width", {-width / 2, low - off}, {width / 2, low - off});
  sketch.line("dowel", {-radius, middle + off}, {radius, middle + off},
              {{{-radius, 0}, {-radius, middle + off}}, {{radius, 0}, {radius, middle + off}}});
  sketch.point("spring", {-middle, 0});
  sketch.point("thickness", {width / 2, low + thick / 2});
  return sketch;
}

}  // namespace drapery
