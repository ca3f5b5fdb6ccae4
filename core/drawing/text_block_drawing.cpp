#include <algorithm>

#include "core/drawing/book_drawings.h"

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

}  // namespace

Drawing drawTextBlock(const Plan& plan) {
  Drawing drawing;
  drawing.id = "block";
  const Block k = blockOf(plan);
  const double gap = 0.16 * std::max(k.height, k.width);   // between the views
  const double off = 0.035 * std::max(k.height, k.width);  // from a view to its measuring line
  const double thick = std::max(k.thickness, k.spine);

  // The face.
  addBlock(drawing, rectangle(0, 0, k.width, k.height), k.isMeasured);
  // The spine, to the left of it.
  const double spineRight = -gap;
  const double spineLeft = spineRight - k.spine;
  addBlock(drawing, rectangle(spineLeft, 0, spineRight, k.height), k.isMeasured);
  const double spineMiddle = (spineLeft + spineRight) / 2;
  addLeaves(drawing, {spineMiddle, 0}, {spineMiddle, k.height}, k.spine, k.spine, false);
  // The head, above the face: the spine edge lies at the left.
  const double middle = k.height + gap + thick / 2;
  addBlock(drawing,
           {{0, middle - k.spine / 2},
            {k.width, middle - k.thickness / 2},
            {k.width, middle + k.thickness / 2},
            {0, middle + k.spine / 2}},
           k.isMeasured);
  addLeaves(drawing, {0, middle}, {k.width, middle}, k.spine, k.thickness, true);
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
  drawing.tags.push_back({"spine_shape", {spineLeft, k.height}, Side::Above});
  drawing.labels = {{"view.face", {k.width / 2, k.height / 2}, false},
                    {"view.spine", {spineMiddle, k.height}, true},
                    {"view.head", {k.width / 2, middle + thick / 2}, true},
                    {"view.board", {k.width / 2, boardBottom + k.board}, true}};
  return drawing;
}

}  // namespace drapery
