#include <algorithm>

#include "core/drawing/book_drawings.h"

namespace drapery {

namespace {

Role roleOf(const PartRule& part) {
  if (part.material == "cloth") return Role::Cloth;
  return part.id == "stiffener" ? Role::Stiffener : Role::Board;
}

class FlatCase {
 public:
  explicit FlatCase(const Plan& plan) : plan_(plan) { drawing_.id = "flat-case"; }

  Drawing draw() {
    for (const PlannedPart& part : plan_.parts) drawPart(part);
    const PlannedPart* board = plan_.part("board");
    const PlannedPart* covering = plan_.part("covering");
    const PlannedPart* stiffener = plan_.part("stiffener");
    if (board == nullptr) {
      const Box box = boundsOf(drawing_);
      const char* label = plan_.parts.empty() ? "flat.waits" : "flat.no-boards";
      drawing_.labels.push_back({label, {(box.left + box.right) / 2, box.top}, true});
    }
    if (covering != nullptr) hangCovering(*covering);
    if (board != nullptr && board->places.size() == 2) hangBoards(*board, covering);
    if (stiffener != nullptr && !stiffener->places.empty()) hangStiffener(*stiffener, board);
    return std::move(drawing_);
  }

 private:
  void drawPart(const PlannedPart& part) {
    const double w = part.width.mm();
    const double h = part.height.mm();
    std::vector<Point> places = part.places;
    // With the rest of the case unknown a piece still shows its size.
    if (places.empty() && plan_.parts.size() == 1) places.push_back({0, 0});
    for (const Point& at : places) {
      addClosed(drawing_, roleOf(*part.rule),
                cutCorners(at.x, at.y, at.x + w, at.y + h, part.corner.mm()), part.rule->id);
      addGrain(*part.rule, at, w, h);
    }
  }

  void addGrain(const PartRule& rule, Point at, double w, double h) {
    if (rule.id == "covering" || rule.grain == Grain::Any) return;
    const double x = at.x + w / 2;
    const double y = at.y + h / 2;
    const double reach = 0.14 * h;
    if (rule.grain == Grain::Height)
      addOpen(drawing_, Role::Grain, {{x, y - reach}, {x, y + reach}}, rule.id);
    else
      addOpen(drawing_, Role::Grain, {{x - reach, y}, {x + reach, y}}, rule.id);
  }

  void hangCovering(const PlannedPart& covering) {
    const double w = covering.width.mm();
    const double h = covering.height.mm();
    off_ = 0.035 * std::max(w, h);
    addDimension(drawing_, {0, -off_}, {w, -off_}, "covering_width", Side::Below);
    addDimension(drawing_, {-off_, 0}, {-off_, h}, "covering_height", Side::Left);
    const double leg = covering.corner.mm();
    if (leg > 0.0)
      drawing_.tags.push_back({"corner_distance", {w - leg / 2, h - leg / 2}, Side::Right});
  }

  /// The leaves' outline under the right-hand board: where the paste-down will lie.
  void hangBoards(const PlannedPart& board, const PlannedPart* covering) {
    const Point left = board.places[0];
    const Point right = board.places[1];
    const double w = board.width.mm();
    const double h = board.height.mm();
    const double head = plan_.number("square_head").value_or(0);
    const double tail = plan_.number("square_tail").value_or(0);
    const double fore = plan_.number("square_fore_edge").value_or(0);
    addOpen(drawing_, Role::Hidden,
            {{right.x, right.y + tail},
             {right.x + w - fore, right.y + tail},
             {right.x + w - fore, right.y + h - head},
             {right.x, right.y + h - head}},
            "text_block");
    wholeHeight_ = covering != nullptr ? covering->height.mm() : h;
    const double wholeWidth = covering != nullptr ? covering->width.mm() : w;
    const double top = wholeHeight_ + off_;
    addOpen(drawing_, Role::Extension, {{left.x, left.y + h}, {left.x, top}}, "board_width");
    addOpen(drawing_, Role::Extension, {{left.x + w, left.y + h}, {left.x + w, top}},
            "board_width");
    addDimension(drawing_, {left.x, top}, {left.x + w, top}, "board_width", Side::Above);
    const double side = wholeWidth + off_;
    addOpen(drawing_, Role::Extension, {{right.x + w, right.y}, {side, right.y}}, "board_height");
    addOpen(drawing_, Role::Extension, {{right.x + w, right.y + h}, {side, right.y + h}},
            "board_height");
    addDimension(drawing_, {side, right.y}, {side, right.y + h}, "board_height", Side::Right);
    drawing_.tags.push_back(
        {"square_head", {right.x + 0.7 * w, right.y + h - head / 2}, Side::Above});
    drawing_.tags.push_back({"square_tail", {right.x + 0.7 * w, right.y + tail / 2}, Side::Below});
    addOpen(drawing_, Role::Dimension, {{0, left.y + h / 4}, {left.x, left.y + h / 4}}, "margin");
    drawing_.tags.push_back({"margin", {left.x / 2, left.y + h / 4}, Side::Left});
  }

  void hangStiffener(const PlannedPart& stiffener, const PlannedPart* board) {
    const Point at = stiffener.places[0];
    const double w = stiffener.width.mm();
    const double h = stiffener.height.mm();
    const double top = wholeHeight_ + off_;
    addOpen(drawing_, Role::Extension, {{at.x, at.y + h}, {at.x, top}}, "stiffener_width");
    addOpen(drawing_, Role::Extension, {{at.x + w, at.y + h}, {at.x + w, top}}, "stiffener_width");
    addDimension(drawing_, {at.x, top}, {at.x + w, top}, "stiffener_width", Side::Above);
    drawing_.tags.push_back({"stiffener_school", {at.x + w / 2, at.y}, Side::Below});
    if (board == nullptr || board->places.size() != 2) return;
    const double boardEnd = board->places[0].x + board->width.mm();
    addOpen(drawing_, Role::Dimension, {{boardEnd, at.y + 0.3 * h}, {at.x, at.y + 0.3 * h}},
            "joint_gap");
  }

  const Plan& plan_;
  Drawing drawing_;
  double off_ = 0.0;
  double wholeHeight_ = 0.0;
};

}  // namespace

Drawing drawFlatCase(const Plan& plan) { return FlatCase(plan).draw(); }

}  // namespace drapery
