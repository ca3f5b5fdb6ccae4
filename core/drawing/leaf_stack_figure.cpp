#include <algorithm>

#include "core/drawing/figure.h"

namespace drapery {

namespace {

// Drawn apart, at no scale of its own: a leaf is too thin to be seen at the book's.
constexpr int kDrawn = 7;                                  // leaves
constexpr double kLong = 120.0;                            // spine edge to fore-edge
constexpr double kApart = 6.0;                             // from leaf to leaf
constexpr double kUsualSpacer = 0.2, kLeastSpacer = 0.06;  // of the leaf's width

}  // namespace

Sketch sketchLeafStack(const FigureSource& source) {
  Sketch sketch;
  const Subject block = source.subject("block");
  const bool hasSpacers = source.numberOr("spacers", 0.0) >= 1.0;
  const double width = source.numberOr("width", 0.0);
  const double share = width > 0.0 ? source.numberOr("reach", 0.0) / width : kUsualSpacer;
  const double spacer = kLong * std::clamp(share, kLeastSpacer, 0.9);
  for (int i = 0; i < kDrawn; ++i)
    sketch.add(openShape(LineKind::Cut, {{0, i * kApart}, {kLong, i * kApart}}, block));
  const double thick = 0.3 * kApart;
  for (int i = 1; i + 2 < kDrawn; i += 2) {
    const double between = (i + 0.5) * kApart;
    if (hasSpacers)
      sketch.add(closedShape(LineKind::Outline, Matter::Paper,
                             rectangle(0, between - thick, spacer, between + thick),
                             source.subject("spacer")));
    if (source.numberOr("inserts", 0.0) > 0.0)
      sketch.add(closedShape(LineKind::Outline, Matter::Card,
                             rectangle(0.5 * kLong, between - thick, 0.85 * kLong, between + thick),
                             block));
  }
  const double top = (kDrawn - 1) * kApart, between = 1.5 * kApart;
  sketch.line("block", {-8, 0}, {-8, top});
  sketch.point("leaves", {0.25 * kLong, top});
  sketch.point("pages", {0.7 * kLong, top});
  sketch.point("blank", {kLong, 0});
  sketch.point("leaf", {kLong, top});
  sketch.point("paper", {kLong, top - kApart});
  sketch.point("bulk", {kLong, top - 2 * kApart});
  sketch.point("inserts", {0.85 * kLong, 3.5 * kApart});
  sketch.point("spacer", {0.5 * spacer, between});
  sketch.point("spacer_end", {spacer, between});
  return sketch;
}

}  // namespace drapery
