#include <algorithm>

#include "core/drawing/book_drawings.h"
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
};

double numberOr(const Plan& plan, const char* name, double usual) {
  return plan.number(name).value_or(usual);
}

Block blockOf(const Plan& plan) {
  Block block{};
  block.height = numberOr(plan, "text_height", kUsualHeight);
  block.width = numberOr(plan, "text_width", kUsualWidth);
  block.thickness = numberOr(plan, "text_thickness", kUsualThickness);
  block.spine = numberOr(plan, "spine_thickness", block.thickness);
  block.board = numberOr(plan, "board_thickness", kUsualBoard);
  const bool isRound = plan.number("spine_arc").has_value();  // and not past half a circle
  block.depth = isRound ? numberOr(plan, "round_depth", 0.0) : 0.0;
  block.shoulder = numberOr(plan, "shoulder_height", 0.0);
  block.span = block.depth > 0.0 ? numberOr(plan, "spine_span", block.spine) : block.spine;
  block.isMeasured =
      plan.number("text_height") && plan.number("text_width") && plan.number("text_thickness");
  block.hasBoard = plan.number("board_thickness").has_value();
  return block;
}

void addBlock(Drawing& drawing, std::vector<Point> outline, bool isMeasured) {
  addClosed(drawing, isMeasured ? Role::Leaves : Role::Hidden, std::move(outline), "text_block");
}

/// Leaves seen from an edge, between two sides that may differ in thickness.
void addLeaves(Drawing& drawing, Point a, Point b, double thicknessAtA, double thicknessAtB,
               bool across) {
  for (int i = 1; i < kLeafLines; ++i) {
    const double f = static_cast<double>(i) / kLeafLines - 0.5;
    if (across) {
      addOpen(drawing, Role::LeafEdge,
              {{a.x, a.y + f * thicknessAtA}, {b.x, b.y + f * thicknessAtB}}, "text_block");
    } else {
      addOpen(drawing, Role::LeafEdge,
              {{a.x + f * thicknessAtA, a.y}, {b.x + f * thicknessAtB, b.y}}, "text_block");
    }
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
void hangShape(Drawing& drawing, const Block& k, double middle) {
  const double top = middle + k.span / 2;
  drawing.tags.push_back({"spine_shape", {-0.5 * k.depth, middle + 0.6 * k.span}, Side::Left});
  drawing.tags.push_back({"shoulder_height", {0, top}, Side::Left});
  drawing.tags.push_back({"round_depth", {-k.depth, middle}, Side::Left});
  drawing.tags.push_back({"round_fraction", {-0.5 * k.depth, middle - 0.35 * k.span}, Side::Left});
}

}  // namespace

Drawing drawTextBlock(const Plan& plan) {
  Drawing drawing;
  drawing.id = "block";
  const Block k = blockOf(plan);
  const double gap = 0.16 * std::max(k.height, k.width);   // between the views
  const double off = 0.035 * std::max(k.height, k.width);  // from a view to its measuring line
  const double thick = std::max({k.thickness, k.spine, k.span});

  // The face.
  addBlock(drawing, rectangle(0, 0, k.width, k.height), k.isMeasured);
  // The spine, to the left of it.
  const double spineRight = -gap;
  const double spineLeft = spineRight - k.span;
  addBlock(drawing, rectangle(spineLeft, 0, spineRight, k.height), k.isMeasured);
  const double spineMiddle = (spineLeft + spineRight) / 2;
  addLeaves(drawing, {spineMiddle, 0}, {spineMiddle, k.height}, k.span, k.span, false);
  // The head, above the face: the spine edge lies at the left.
  const double middle = k.height + gap + thick / 2;
  addBlock(drawing, headOutline(k, middle), k.isMeasured);
  addLeaves(drawing, {0, middle}, {k.width - k.depth, middle},
            k.shoulder > 0.0 ? k.thickness : k.spine, k.thickness, true);
  // The board, seen from its edge, above that.
  const double boardBottom = middle + thick / 2 + 0.9 * gap;
  addClosed(drawing, k.hasBoard ? Role::Board : Role::Hidden,
            rectangle(0, boardBottom, k.width, boardBottom + k.board), "board");

  const double right = k.width + off;
  addDimension(drawing, {right, 0}, {right, k.height}, "text_height", Side::Right);
  addDimension(drawing, {0, -off}, {k.width, -off}, "text_width", Side::Below);
  addDimension(drawing, {right, middle - k.thickness / 2}, {right, middle + k.thickness / 2},
               "text_thickness", Side::Right);
  addDimension(drawing, {right, boardBottom}, {right, boardBottom + k.board}, "board_thickness",
               Side::Right);
  addDimension(drawing, {spineLeft, -off}, {spineRight, -off}, "spine_thickness", Side::Below);
  hangShape(drawing, k, middle);
  drawing.labels = {{"view.face", {k.width / 2, k.height / 2}, false},
                    {"view.spine", {spineMiddle, k.height}, true},
                    {"view.head", {k.width / 2, middle + thick / 2}, true},
                    {"view.board", {k.width / 2, boardBottom + k.board}, true}};
  return drawing;
}

}  // namespace drapery
