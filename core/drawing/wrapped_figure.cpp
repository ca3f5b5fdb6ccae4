#include <algorithm>
#include <cmath>

#include "core/drawing/drawn_lines.h"
#include "core/drawing/figure.h"
#include "core/geometry/arc.h"

namespace drapery {

namespace {

constexpr int kLeafLines = 5;
constexpr double kFold = 1.1, kFoldOfWidth = 0.012;  // a fold's dot: mm at least; of the leaves
constexpr double kOff = 0.07;  // of the leaves' width: from the sheet to its measuring lines

/// The closed book seen from the head, its spine at the left, and the sheet that goes round it. An
/// unmeasured one is a common octavo.
struct Wrapped {
  double width, thickness, span, depth;  // of the leaves
  double board, boardWidth, square;      // of the case as it is cut
  double across;                         // over the case's outside, boards and covering
  double stands;                         // the stiffener's edge before the spine edge
  double covering;
  double cover, spine, flap;  // panels

  [[nodiscard]] double foreEdge() const { return width + square; }
  /// How much more the spine's panel is than the case's own outside, chord and depth alike.
  [[nodiscard]] double looser() const {
    const double own = arcLength(Length::fromMm(across), Length::fromMm(depth)).mm();
    return std::isfinite(own) && own > 0.0 ? spine / own : 1.0;
  }
  /// What it takes to go round the fore-edge: the board and the covering on both its sides.
  [[nodiscard]] double round() const { return board + 2 * covering; }
};

Wrapped wrappedOf(const FigureSource& source) {
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
  return of;
}

/// One half of the sheet as it lies: from its fold at the spine over the cover, round the fore-edge
/// and in. At the spine it stands off as far as its panel does, at the fore-edge it lies on the
/// board; its slant between the two is neglected. `side` is 1 above the leaves, -1 under them.
struct Half {
  Point spineFold, outer, fold, end;

  Half(const Wrapped& of, double side) {
    const double onBoard = of.thickness / 2 + of.board + of.covering;
    spineFold = {-of.stands, side * of.across * of.looser() / 2};
    outer = {-of.stands + of.cover - of.round(), side * onBoard};
    fold = {outer.x, side * (onBoard - of.round())};
    end = {fold.x - of.flap, fold.y};
  }
};

void addBook(Sketch& sketch, const Wrapped& of, const Subject& block, const Subject& board) {
  std::vector<Point> leaves = arcPoints(Length::fromMm(of.span), Length::fromMm(of.depth));
  if (leaves.empty()) leaves = {{0.0, of.thickness / 2}, {0.0, -of.thickness / 2}};
  leaves.push_back({of.width, -of.thickness / 2});
  leaves.push_back({of.width, of.thickness / 2});
  sketch.add(closedShape(LineKind::Outline, Matter::Leaves, leaves, block));
  for (int i = 1; i < kLeafLines; ++i) {
    const double y = (static_cast<double>(i) / kLeafLines - 0.5) * of.thickness;
    sketch.add(openShape(LineKind::Leaf, {{0.0, y}, {of.width, y}}, block));
  }
  for (const double bottom : {of.thickness / 2, -of.thickness / 2 - of.board})
    sketch.add(closedShape(
        LineKind::Outline, Matter::Board,
        rectangle(of.foreEdge() - of.boardWidth, bottom, of.foreEdge(), bottom + of.board), board));
}

/// Both halves and the spine between them in one line; then its folds.
void addSheet(Sketch& sketch, const Wrapped& of, const Half& upper, const Half& lower,
              const Subject& sheet) {
  std::vector<Point> line{upper.end, upper.fold, upper.outer, upper.spineFold};
  for (const Point& p :
       arcPoints(Length::fromMm(of.across * of.looser()), Length::fromMm(of.depth * of.looser())))
    line.push_back({p.x - of.stands, p.y});
  line.insert(line.end(), {lower.spineFold, lower.outer, lower.fold, lower.end});
  sketch.add(openShape(LineKind::Cut, line, sheet));
  const double dot = std::max(kFold, kFoldOfWidth * of.width);
  for (const Half& half : {upper, lower})
    for (const Point& fold : {half.spineFold, half.fold})
      sketch.add(closedShape(LineKind::Hole, Matter::None, circleAround(fold, dot), sheet));
}

}  // namespace

/// A printed sheet round the closed book, seen from the head: the spine at the left.
Sketch sketchWrapped(const FigureSource& source) {
  Sketch sketch;
  const Wrapped of = wrappedOf(source);
  const Half upper(of, 1.0), lower(of, -1.0);
  addBook(sketch, of, source.subject("block"), source.subject("board"));
  addSheet(sketch, of, upper, lower, source.subject("sheet"));

  const double off = kOff * of.width;
  const double above = std::max(upper.outer.y, upper.spineFold.y) + off, below = -above;
  const double left = -of.stands - of.depth * of.looser() - off;
  sketch.line(
      "cover", {upper.spineFold.x, above}, {upper.outer.x, above},
      {{upper.spineFold, {upper.spineFold.x, above}}, {upper.outer, {upper.outer.x, above}}});
  sketch.line("spine", {left, lower.spineFold.y}, {left, upper.spineFold.y});
  sketch.line("flap", {lower.end.x, below}, {lower.fold.x, below},
              {{lower.end, {lower.end.x, below}}});
  sketch.point("fold", upper.fold);
  sketch.point("bare", upper.end);
  return sketch;
}

}  // namespace drapery
