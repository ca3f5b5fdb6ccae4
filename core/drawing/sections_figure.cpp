#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/drawing/figure.h"

namespace drapery {

namespace {

// Drawn apart, at no scale of its own: a leaf is too thin to be seen at the book's.
constexpr int kDrawn = 3;         // sections
constexpr int kMostFolios = 6;    // of a section
constexpr double kLong = 120.0;   // spine to fore-edge, broken off
constexpr double kLeaf = 2.6;     // from leaf to leaf
constexpr double kBetween = 9.0;  // from section to section
constexpr int kTurn = 8;          // sides of half a fold

/// A folio from the head: two leaves and the fold between them, so far in from the outermost.
std::vector<Point> folio(double middle, double half, double in) {
  std::vector<Point> line{{kLong, middle + half}};
  for (int i = 0; i <= kTurn; ++i) {
    const double turn = std::numbers::pi * (0.5 + static_cast<double>(i) / kTurn);
    line.push_back({in + half * (1 + std::cos(turn)), middle + half * std::sin(turn)});
  }
  line.push_back({kLong, middle - half});
  return line;
}

}  // namespace

Sketch sketchSections(const FigureSource& source) {
  Sketch sketch;
  const int folios =
      static_cast<int>(std::clamp(source.numberOr("folios", 4.0), 1.0, double{kMostFolios}));
  const bool hasSpacers = source.numberOr("spacers", 0.0) >= 1.0;
  const double inserts = source.numberOr("inserts", 0.0), half = kLeaf * (folios - 0.5);
  const double apart = 2 * half + kBetween;
  const Subject block = source.subject("block");
  for (int i = 0; i < kDrawn; ++i) {
    const double middle = i * apart;
    for (int k = 0; k < folios; ++k)
      sketch.add(openShape(LineKind::Cut,
                           folio(middle, kLeaf * (k + 0.5), half - kLeaf * (k + 0.5)), block));
    sketch.add(openShape(LineKind::Thread,
                         {{half - 0.5 * kLeaf, middle}, {half + 2.5 * kLeaf, middle}},
                         source.subject("thread")));
    if (i == 0) continue;
    const double between = middle - apart / 2, thick = 0.34 * kBetween;
    if (hasSpacers)
      sketch.add(closedShape(LineKind::Outline, Matter::Paper,
                             rectangle(0, between - thick, 24, between + thick),
                             source.subject("spacer")));
    if (inserts > 0.0)
      sketch.add(closedShape(LineKind::Outline, Matter::Card,
                             rectangle(0.45 * kLong, between - thick, 0.9 * kLong, between + thick),
                             source.subject("block")));
  }
  const double top = (kDrawn - 1) * apart + half, middle = apart, between = 0.5 * apart;
  sketch.line("block", {kLong + 8, -half}, {kLong + 8, top});
  sketch.point("sections", {0.3 * kLong, top});
  sketch.point("folios", {0, top - half});
  sketch.point("thread", {half + kLeaf, middle});
  sketch.point("swell", {half + kLeaf, 0});
  sketch.point("leaf", {kLong, top});
  sketch.point("paper", {kLong, top - kLeaf});
  sketch.point("bulk", {kLong, top - 2 * kLeaf});
  sketch.point("inserts", {0.7 * kLong, between});
  sketch.point("spacer", {12, between});
  sketch.point("spacer_end", {24, between});
  sketch.point("pages", {0.62 * kLong, top});
  sketch.point("blank", {0.45 * kLong, -half});
  sketch.point("waste", {0.75 * kLong, -half});
  return sketch;
}

}  // namespace drapery
