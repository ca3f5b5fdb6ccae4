#include <algorithm>
#include <cmath>

#include "core/drawing/book_drawings.h"
#include "core/geometry/arc.h"
#include "core/geometry/joint.h"

namespace drapery {

namespace {

constexpr double kSame = 1e-6;  // mm

/// The section's measures, with stand-ins where the plan has none.
struct Section {
  Joint joint;
  Length rod;
  double covering, square, spine;
  double span, depth;  // of the round; depth 0 on a flat spine
  bool isTaut;         // no groove: the cloth lies straight from arris to arris
  bool hasStiffener;   // with an edge of its own, over which the cloth passes
  double shownBoard;   // of the board, from its spine edge to the break
  double shownBlock;   // of the text block, from its face down to the break
  bool isMeasured;
};

Length lengthOr(const Plan& plan, const char* name, double usual) {
  return plan.length(name).value_or(Length::fromMm(usual));
}

Section sectionOf(const Plan& plan) {
  Section s{};
  s.joint.board = lengthOr(plan, "board_thickness", 2.5);
  s.joint.stiffener = lengthOr(plan, "stiffener_edge", s.joint.board.mm());
  s.joint.edgeHeight = lengthOr(plan, "edge_height", 0.0);
  // A gap too short for its board has no set-back: the board is shown hard against the spine edge.
  s.joint.setback = lengthOr(plan, "setback", 0.0);
  s.rod = lengthOr(plan, "rod_diameter", 4.0);
  s.covering = lengthOr(plan, "covering_thickness", 0.4).mm();
  s.square = lengthOr(plan, "square_fore_edge", 3.0).mm();
  s.spine = lengthOr(plan, "spine_thickness", 22.0).mm();
  s.hasStiffener = s.joint.stiffener > Length();
  s.span = plan.number("spine_span").value_or(s.spine);
  s.depth = plan.number("spine_arc") ? plan.number("round_depth").value_or(0.0) : 0.0;
  const double j = s.joint.setback.mm();
  const double b = s.joint.board.mm();
  const auto gap = plan.number("joint_gap"), taut = plan.number("gap_taut");
  s.isTaut = gap && taut && std::abs(*gap - *taut) < kSame;
  s.shownBoard = std::max({2.2 * j, 5 * b, 12.0});
  s.shownBlock = std::clamp(s.spine / 2, 1.2 * b, std::max(3.0 * b, 7.0));
  s.isMeasured = plan.number("board_thickness").has_value();
  return s;
}

/// A zigzag line down a break, from `top` to `bottom`.
std::vector<Point> breakLine(double x, double top, double bottom, double width) {
  const double middle = (top + bottom) / 2;
  const double step = std::min(width, (top - bottom) / 6);
  return {{x, top},
          {x, middle + step},
          {x + width / 2, middle + step / 2},
          {x - width / 2, middle - step / 2},
          {x, middle - step},
          {x, bottom}};
}

class JointDrawing {
 public:
  explicit JointDrawing(const Plan& plan) : s_(sectionOf(plan)) {
    drawing_.id = "joint";
    j_ = s_.joint.setback.mm();
    b_ = s_.joint.board.mm();
    t_ = s_.joint.stiffener.mm();
    e_ = s_.joint.edgeHeight.mm();
    break_ = j_ + s_.shownBoard;
    again_ = break_ + 0.25 * s_.shownBoard;
    leavesEnd_ = again_ + 0.8 * s_.shownBoard;
    boardEnd_ = leavesEnd_ + s_.square;
    floor_ = -s_.shownBlock;
  }

  Drawing draw() {
    drawPieces();
    drawCovering();
    if (hasRod()) drawRod();
    drawBreaks();
    hangTags();
    return std::move(drawing_);
  }

 private:
  bool hasRod() const { return j_ > 0.0 && !s_.isTaut; }

  /// The spine from its upper edge, or the shoulder's top, down to where the drawing ends.
  std::vector<Point> spineLine() const {
    std::vector<Point> line{{0, e_}};
    for (const Point& p : arcPoints(Length::fromMm(s_.span), Length::fromMm(s_.depth))) {
      const double y = p.y + e_ - s_.span / 2;
      if (y < e_ && y > floor_) line.push_back({p.x, y});
    }
    line.push_back({line.back().x, floor_});
    return line;
  }

  void drawPieces() {
    const Role leaves = s_.isMeasured ? Role::Leaves : Role::Hidden;
    const Role board = s_.isMeasured ? Role::Board : Role::Hidden;
    std::vector<Point> spineSide = spineLine();
    std::vector<Point> block{{break_, floor_}, {break_, 0}, {0, 0}};
    block.insert(block.end(), spineSide.begin(), spineSide.end());
    addClosed(drawing_, leaves, std::move(block), "text_block");
    addClosed(drawing_, leaves, rectangle(again_, floor_, leavesEnd_, 0), "text_block");
    for (int i = 1; i < 5; ++i) {
      const double y = floor_ * i / 5;
      addOpen(drawing_, Role::LeafEdge, {{0.6 * spineSide.back().x, y}, {break_, y}}, "text_block");
      addOpen(drawing_, Role::LeafEdge, {{again_, y}, {leavesEnd_, y}}, "text_block");
    }
    if (s_.hasStiffener)
      addClosed(drawing_, s_.isMeasured ? Role::Stiffener : Role::Hidden,
                rectangle(-t_, floor_, 0, e_), "stiffener");
    addClosed(drawing_, board, rectangle(j_, 0, break_, b_), "board");
    addClosed(drawing_, board, rectangle(again_, 0, boardEnd_, b_), "board");
  }

  void addCloth(std::vector<Point> path) {
    drawing_.shapes.push_back({Role::ClothPath, std::move(path), false, "covering", s_.covering});
  }

  void drawCovering() {
    std::vector<Point> path{{-t_, floor_}};
    if (!s_.hasStiffener) {
      path = spineLine();
      std::reverse(path.begin(), path.end());
      path.pop_back();  // the joint's own begins there
    }
    if (s_.isTaut) {
      path.push_back({-t_, e_});
      path.push_back({j_, b_});
    } else {
      for (const Point& p : formedPath(s_.joint, s_.rod)) path.push_back(p);
    }
    path.push_back({break_, b_});
    addCloth(std::move(path));
    // Round the fore-edge; the turn-in runs back under the board.
    addCloth({{again_, b_}, {boardEnd_, b_}, {boardEnd_, 0}, {again_ + 0.2 * s_.shownBoard, 0}});
  }

  void drawRod() {
    const double r = std::min(s_.rod.mm(), j_) / 2;
    std::vector<Point> circle;
    constexpr int kSides = 48;
    for (int i = 0; i < kSides; ++i) {
      const double a = 2 * 3.14159265358979323846 * i / kSides;
      circle.push_back({j_ / 2 + r * std::cos(a), r + r * std::sin(a)});
    }
    addClosed(drawing_, Role::Rod, std::move(circle), "rod_diameter");
  }

  void drawBreaks() {
    const double width = 0.05 * s_.shownBoard;
    const double top = b_ + 0.4 * b_;
    addOpen(drawing_, Role::Break, breakLine(break_, top, floor_, width), "");
    addOpen(drawing_, Role::Break, breakLine(again_, top, floor_, width), "");
  }

  void hangTags() {
    const double above = std::max(b_, e_) + 0.12 * s_.shownBoard;
    if (j_ > 0.0) {
      addOpen(drawing_, Role::Extension, {{0, std::max(0.0, e_)}, {0, above}}, "setback");
      addOpen(drawing_, Role::Extension, {{j_, b_}, {j_, above}}, "setback");
    }
    drawing_.tags.push_back({"method", {-t_ / 2, floor_}, Side::Below});
    if (j_ > 0.0) addDimension(drawing_, {0, above}, {j_, above}, "setback", Side::Above);
    drawing_.tags.push_back({"joint_gap", {j_ * 0.5, 0}, Side::Below});
    if (hasRod())
      drawing_.tags.push_back({"rod_diameter", {j_ * 0.5, std::min(s_.rod.mm(), j_)}, Side::Above});
    if (s_.hasStiffener) drawing_.tags.push_back({"stiffener_thickness", {-t_, e_}, Side::Above});
    drawing_.tags.push_back({"opening_angle", {j_ + 0.35 * s_.shownBoard, b_}, Side::Above});
    drawing_.tags.push_back({"covering_thickness", {j_ + 0.8 * s_.shownBoard, b_}, Side::Above});
    const double foot = -0.12 * s_.shownBoard;
    addOpen(drawing_, Role::Extension, {{boardEnd_, 0}, {boardEnd_, foot}}, "square_fore_edge");
    addDimension(drawing_, {leavesEnd_, foot}, {boardEnd_, foot}, "square_fore_edge", Side::Right);
    drawing_.tags.push_back({"square_fore_edge_tried", {boardEnd_, b_ / 2}, Side::Right});
  }

  Section s_;
  Drawing drawing_;
  double j_ = 0, b_ = 0, t_ = 0, e_ = 0, break_ = 0, again_ = 0, leavesEnd_ = 0, boardEnd_ = 0,
         floor_ = 0;
};

}  // namespace

Drawing drawJoint(const Plan& plan) { return JointDrawing(plan).draw(); }

}  // namespace drapery
