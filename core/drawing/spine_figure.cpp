#include <algorithm>
#include <cmath>

#include "core/drawing/figure.h"
#include "core/geometry/arc.h"

namespace drapery {

namespace {

constexpr int kLeafLines = 9;

}  // namespace

/// From the head, the spine at the left: the block, boards lying on it, the lining, and the strip
/// of paper laid round from board to board.
Sketch sketchSpine(const FigureSource& source) {
  Sketch sketch;
  const double thickness = source.numberOr("thickness", 22.0);
  const double spine = source.numberOr("spine", thickness);
  const double depth = source.numberOr("depth", 0.0);
  const double span = depth > 0.0 ? source.numberOr("span", spine) : spine;
  const double shoulder = source.numberOr("shoulder", 0.0);
  const double board = source.numberOr("board", 2.5);
  const double setback = std::max(source.numberOr("setback", 7.0), shoulder);
  const bool isMeasured = source.has("thickness");
  const double away = std::max(1.6 * span, setback + 0.9 * span);  // where it is broken off
  const Subject block = source.subject("block");
  std::vector<Point> arc = arcPoints(Length::fromMm(span), Length::fromMm(depth));
  if (arc.empty()) arc = {{0, span / 2}, {0, -span / 2}};

  std::vector<Point> outline = arc;
  if (shoulder > 0.0) outline.push_back({shoulder, -thickness / 2});
  outline.push_back({away, -thickness / 2});
  outline.push_back({away, thickness / 2});
  if (shoulder > 0.0) outline.push_back({shoulder, thickness / 2});
  sketch.add(closedShape(isMeasured, Matter::Leaves, std::move(outline), block));
  for (int i = 1; i < kLeafLines; ++i) {
    const double f = static_cast<double>(i) / kLeafLines - 0.5;
    sketch.add(openShape(LineKind::Leaf, {{0, f * span}, {away, f * thickness}}, block));
  }
  for (const double side : {1.0, -1.0}) {
    const double at = side * (thickness / 2), to = at + side * board;
    sketch.add(closedShape(source.has("board"), Matter::Board,
                           rectangle(setback, std::min(at, to), away, std::max(at, to)),
                           source.subject("board")));
  }
  const double lining = std::max(source.numberOr("lining", 0.5), 0.012 * span);
  const auto off = [&](double by) {
    return arcPointsOff(Length::fromMm(span), Length::fromMm(depth), Length::fromMm(by));
  };
  sketch.add(openShape(LineKind::Cut, off(lining), source.subject("lining")));
  // The strip stands off, so that it is seen.
  const double standing = lining + 0.07 * span;
  std::vector<Point> strip{{setback, thickness / 2 + board}};
  for (const Point& p : off(standing)) strip.push_back(p);
  strip.push_back({setback, -thickness / 2 - board});
  sketch.add(openShape(LineKind::Fold, strip, source.subject("strip")));

  const double left = -depth - standing - 0.1 * span;
  sketch.line("span", {left, -span / 2}, {left, span / 2});
  sketch.line("thickness", {away + 0.08 * span, -thickness / 2},
              {away + 0.08 * span, thickness / 2});
  sketch.point("arc", {-depth - standing, 0});
  sketch.point("lining", {-0.6 * depth - lining, -0.25 * span});
  sketch.point("round", {-0.6 * depth, 0.25 * span});
  sketch.point("shoulder", {shoulder / 2, span / 2});
  sketch.point("strip", {setback / 2, thickness / 2 + 0.8 * board});
  sketch.point("board", {away, thickness / 2 + board / 2});
  return sketch;
}

}  // namespace drapery
