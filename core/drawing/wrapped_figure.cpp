#include <algorithm>
#include <cmath>

#include "core/drawing/drawn_lines.h"
#include "core/drawing/figure.h"
#include "core/geometry/arc.h"

namespace drapery {

namespace {

constexpr int kLeafLines = 5;

struct Wrapped {
  double width, thickness, span, depth;  // of the leaves
  double board, boardWidth, square;      // of the case as it is cut
  double across;                         // over the case's outside, boards and covering
  double stands;                         // the stiffener's edge before the spine edge
  double covering, cover, spine, flap;   // panels
  [[nodiscard]] double foreEdge() const { return width + square; }
};

/// The sheet as it lies round the book: from the spine's middle over one cover, round the fore-edge
/// and in. `side` is 1 above the leaves, -1 under them.
class Half {
 public:
  Half(const Wrapped& of, double side) : of_(of), side_(side) {}

  /// What the panel of the spine takes, chord and depth alike, where it is not the case's own.
  [[nodiscard]] double chord() const {
    const double own = arcLength(Length::fromMm(of_.across), Length::fromMm(of_.depth)).mm();
    return std::isfinite(own) && own > 0.0 ? of_.across * of_.spine / own : of_.spine;
  }
  /// The fold at the spine, the one at the fore-edge, the flap's end.
  [[nodiscard]] Point spineFold() const { return {-of_.stands, side_ * chord() / 2}; }
  [[nodiscard]] double round() const { return of_.board + 2 * of_.covering; }
  [[nodiscard]] Point outer() const {
    return {-of_.stands + of_.cover - round(), side_ * chord() / 2};
  }
  [[nodiscard]] Point fold() const { return {outer().x, side_ * (chord() / 2 - round())}; }
  [[nodiscard]] Point end() const { return {fold().x - of_.flap, fold().y}; }

 private:
  const Wrapped& of_;
  double side_;
};

}  // namespace

/// A printed sheet round the closed book, seen from the head: the spine at the left.
Sketch sketchWrapped(const FigureSource& source) {
  Sketch sketch;
  Wrapped of{};
  of.width = source.numberOr("width", 145.0);
  of.thickness = source.numberOr("thickness", 22.0);
  of.depth = source.numberOr("depth", 0.0);
  of.span = of.depth > 0.0 ? source.numberOr("span", of.thickness) : of.thickness;
  of.board = source.numberOr("board", 2.5);
  of.boardWidth = source.numberOr("board_cut", of.width);
  of.square = source.numberOr("square", 3.0);
  of.covering = source.numberOr("covering", 0.4);
  of.stands = source.numberOr("stiffener", 0.0);
  of.across = source.numberOr("across", of.thickness + 2 * of.board) + 2 * of.covering;
  of.cover = source.numberOr("cover", of.width);
  of.spine = source.numberOr("spine", of.across);
  of.flap = source.numberOr("flap", 90.0);
  const Subject block = source.subject("block"), board = source.subject("board"),
                jacket = source.subject("sheet");

  std::vector<Point> leaves;
  for (const Point& p : arcPoints(Length::fromMm(of.span), Length::fromMm(of.depth)))
    leaves.push_back(p);
  if (leaves.empty()) leaves = {{0.0, of.thickness / 2}, {0.0, -of.thickness / 2}};
  leaves.push_back({of.width, -of.thickness / 2});
  leaves.push_back({of.width, of.thickness / 2});
  sketch.add(closedShape(LineKind::Outline, Matter::Leaves, leaves, block));
  for (int i = 1; i < kLeafLines; ++i) {
    const double y = (static_cast<double>(i) / kLeafLines - 0.5) * of.thickness;
    sketch.add(openShape(LineKind::Leaf, {{0.0, y}, {of.width, y}}, block));
  }
  const double lies = std::max(of.thickness, of.depth > 0.0 ? 0.0 : of.thickness) / 2;
  for (const double side : {1.0, -1.0}) {
    const double in = side * lies, out = side * (lies + of.board);
    sketch.add(closedShape(LineKind::Outline, Matter::Board,
                           rectangle(of.foreEdge() - of.boardWidth, std::min(in, out),
                                     of.foreEdge(), std::max(in, out)),
                           board));
  }

  // Both halves and the spine between them in one line, as it lies; then its folds.
  const Half upper(of, 1.0), lower(of, -1.0);
  std::vector<Point> line{upper.end(), upper.fold(), upper.outer(), upper.spineFold()};
  for (const Point& p : arcPoints(Length::fromMm(upper.chord()),
                                  Length::fromMm(of.depth * of.spine / std::max(of.spine, 1e-6))))
    line.push_back({p.x - of.stands, p.y});
  for (const Point& p : {lower.spineFold(), lower.outer(), lower.fold(), lower.end()})
    line.push_back(p);
  sketch.add(openShape(LineKind::Cut, line, jacket));
  constexpr double kFold = 1.1;  // of the spine panel's mark, mm at least
  const double mark = std::max(kFold, 0.012 * of.width);
  for (const Half& half : {upper, lower})
    for (const Point& fold : {half.spineFold(), half.fold()})
      sketch.add(closedShape(LineKind::Hole, Matter::None, circleAround(fold, mark), jacket));

  const double off = 0.07 * of.width, above = upper.outer().y + off, below = -above;
  const double left = -of.stands - of.depth - off;
  sketch.line("cover", {upper.spineFold().x, above}, {upper.outer().x, above},
              {{{upper.spineFold().x, upper.outer().y}, {upper.spineFold().x, above}},
               {{upper.outer().x, upper.outer().y}, {upper.outer().x, above}}});
  sketch.line("spine", {left, lower.spineFold().y}, {left, upper.spineFold().y});
  sketch.line("flap", {lower.end().x, below}, {lower.fold().x, below},
              {{{lower.end().x, lower.end().y}, {lower.end().x, below}}});
  sketch.point("fold", {upper.fold().x, upper.fold().y});
  sketch.point("bare", {upper.end().x, upper.end().y});
  return sketch;
}

}  // namespace drapery
