#include <algorithm>

#include "core/drawing/figure.h"
#include "core/geometry/arc.h"

namespace drapery {

namespace {

// An unmeasured book is drawn like a common octavo.
constexpr double kUsualHeight = 210.0;
constexpr double kUsualWidth = 145.0;
constexpr double kUsualThickness = 22.0;
constexpr double kUsualBoard = 2.5;
constexpr int kLeafLines = 7;

struct Block {
  double height, width, thickness, spine, board;
  double depth, shoulder;  // 0 where there is no round, no shoulder
  double span;
  bool isMeasured;
  bool hasBoard;
  Subject subject;
};

Block blockOf(const FigureSource& source) {
  Block block{};
  block.height = source.numberOr("height", kUsualHeight);
  block.width = source.numberOr("width", kUsualWidth);
  block.thickness = source.numberOr("thickness", kUsualThickness);
  block.spine = source.numberOr("spine", block.thickness);
  block.board = source.numberOr("board", kUsualBoard);
  block.depth = source.numberOr("depth", 0.0);
  block.shoulder = source.numberOr("shoulder", 0.0);
  block.span = block.depth > 0.0 ? source.numberOr("span", block.spine) : block.spine;
  block.isMeasured = source.has("height") && source.has("width") && source.has("thickness");
  block.hasBoard = source.has("board");
  block.subject = source.subject("block");
  return block;
}

void addBlock(Sketch& sketch, std::vector<Point> outline, const Block& k) {
  sketch.add(closedShape(k.isMeasured, Matter::Leaves, std::move(outline), k.subject));
}

/// Leaves seen from an edge, between two sides that may differ in thickness.
void addLeaves(Sketch& sketch, const Block& k, Point a, Point b, double thicknessAtA,
               double thicknessAtB, bool across) {
  for (int i = 1; i < kLeafLines; ++i) {
    const double f = static_cast<double>(i) / kLeafLines - 0.5;
    const double atA = f * thicknessAtA, atB = f * thicknessAtB;
    std::vector<Point> leaf{{a.x + atA, a.y}, {b.x + atB, b.y}};
    if (across) leaf = {{a.x, a.y + atA}, {b.x, b.y + atB}};
    sketch.add(openShape(LineKind::Leaf, std::move(leaf), k.subject));
  }
}

/// The book's head: at the left the spine, flat or over its round, with shoulders where there are
/// any; at the right the fore-edge, as hollow as the spine is round.
std::vector<Point> headOutline(const Block& k, double middle) {
  std::vector<Point> outline;
  const auto spine = arcPoints(Length::fromMm(k.span), Length::fromMm(k.depth));
  outline.reserve(2 * spine.size() + 4);
  for (const Point& p : spine) outline.push_back({p.x, middle + p.y});
  if (k.shoulder > 0.0) outline.push_back({k.shoulder, middle - k.thickness / 2});
  auto foreEdge = arcPoints(Length::fromMm(k.thickness), Length::fromMm(k.depth));
  if (foreEdge.empty()) foreEdge = {{0.0, k.thickness / 2}, {0.0, -k.thickness / 2}};
  for (auto p = foreEdge.rbegin(); p != foreEdge.rend(); ++p)
    outline.push_back({k.width + p->x, middle + p->y});
  if (k.shoulder > 0.0) outline.push_back({k.shoulder, middle + k.thickness / 2});
  return outline;
}

/// What shapes the spine; on a flat one most of these have no place and no tag is made.
void addShapeSpots(Sketch& sketch, const Block& k, double middle) {
  sketch.point("shape", {-0.5 * k.depth, middle + 0.6 * k.span});
  sketch.point("shoulder", {0, middle + k.span / 2});
  sketch.point("round", {-k.depth, middle});
  sketch.point("arc", {-0.5 * k.depth, middle - 0.35 * k.span});
}

}  // namespace

Sketch sketchTextBlock(const FigureSource& source) {
  Sketch sketch;
  const Block k = blockOf(source);
  const double gap = 0.16 * std::max(k.height, k.width);   // between the views
  const double off = 0.035 * std::max(k.height, k.width);  // from a view to its measuring line
  const double thick = std::max({k.thickness, k.spine, k.span});

  // The face.
  addBlock(sketch, rectangle(0, 0, k.width, k.height), k);
  // The spine, to the left of it.
  const double spineRight = -gap;
  const double spineLeft = spineRight - k.span;
  addBlock(sketch, rectangle(spineLeft, 0, spineRight, k.height), k);
  const double spineMiddle = (spineLeft + spineRight) / 2;
  addLeaves(sketch, k, {spineMiddle, 0}, {spineMiddle, k.height}, k.span, k.span, false);
  // The head, above the face: the spine edge lies at the left.
  const double middle = k.height + gap + thick / 2;
  addBlock(sketch, headOutline(k, middle), k);
  addLeaves(sketch, k, {0, middle}, {k.width - k.depth, middle},
            k.shoulder > 0.0 ? k.thickness : k.spine, k.thickness, true);
  // The board, seen from its edge, above that.
  const double boardBottom = middle + thick / 2 + 0.9 * gap;
  sketch.add(closedShape(k.hasBoard, Matter::Board,
                         rectangle(0, boardBottom, k.width, boardBottom + k.board),
                         source.subject("board")));

  const double right = k.width + off;
  sketch.line("height", {right, 0}, {right, k.height});
  sketch.line("width", {0, -off}, {k.width, -off});
  sketch.line("thickness", {right, middle - k.thickness / 2}, {right, middle + k.thickness / 2});
  sketch.line("board", {right, boardBottom}, {right, boardBottom + k.board});
  // Flat across the spine; a round or backed one spans more or less than that.
  sketch.line("spine", {spineMiddle - k.spine / 2, -off}, {spineMiddle + k.spine / 2, -off});
  addShapeSpots(sketch, k, middle);
  sketch.labels = {{kFaceLabel, {k.width / 2, k.height / 2}, LabelSide::On},
                   {"view.spine", {spineMiddle, k.height}, LabelSide::Above},
                   {"view.head", {k.width / 2, middle + thick / 2}, LabelSide::Above},
                   {"view.board", {k.width / 2, boardBottom + k.board}, LabelSide::Above}};
  return sketch;
}

}  // namespace drapery
