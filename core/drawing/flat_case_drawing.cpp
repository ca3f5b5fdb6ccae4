#include <algorithm>

#include "core/drawing/book_drawings.h"

namespace drapery {

namespace {

Role roleOf(const PlannedPart& part) {
  if (part.material == "cloth") return Role::Cloth;
  if (part.material == "paper") return Role::Paper;
  return part.rule->id == "stiffener" ? Role::Stiffener : Role::Board;
}

/// What lies under what, seen from the inside: paper, the cloth it laps, the boards.
int layerOf(const PlannedPart& part) {
  switch (roleOf(part)) {
    case Role::Paper:
      return 0;
    case Role::Cloth:
      return 1;
    default:
      return 2;
  }
}

class FlatCase {
 public:
  explicit FlatCase(const Plan& plan) : plan_(plan) { drawing_.id = "flat-case"; }

  Drawing draw() {
    for (const int layer : {0, 1, 2})
      for (const PlannedPart& part : plan_.parts)
        if (layerOf(part) == layer) drawPart(part);
    const PlannedPart* board = plan_.part("board");
    const PlannedPart* stiffener = plan_.part("stiffener");
    if (board == nullptr) {
      const Box box = boundsOf(drawing_);
      const char* label = drawing_.shapes.empty() ? "flat.waits" : "flat.no-boards";
      drawing_.labels.push_back({label, {(box.left + box.right) / 2, box.top}, true});
    }
    hangCovering();
    if (board != nullptr && board->places.size() == 2) hangBoards(*board);
    if (stiffener != nullptr && !stiffener->places.empty()) hangStiffener(*stiffener, board);
    return std::move(drawing_);
  }

 private:
  /// Of what lies in the case, whether nothing but this part has a size yet.
  [[nodiscard]] bool isAlone(const PlannedPart& part) const {
    for (const PlannedPart& other : plan_.parts)
      if (&other != &part && !other.rule->places.empty()) return false;
    return !part.rule->places.empty();
  }

  void drawPart(const PlannedPart& part) {
    std::vector<Placement> places = part.places;
    // With the rest of the case unknown a piece still shows its size.
    if (places.empty() && isAlone(part)) places.emplace_back();
    for (const Placement& place : places) {
      addClosed(drawing_, roleOf(part), placedOutline(part.outline, place), part.rule->id);
      for (const auto& [from, to] : part.slits)
        addOpen(drawing_, Role::Slit, placed({from, to}, part.outline, place), part.rule->id);
      addGrain(part, place.at);
    }
  }

  void addGrain(const PlannedPart& part, Point at) {
    const PartRule& rule = *part.rule;
    const double w = part.width.mm();
    const double h = part.height.mm();
    if (layerOf(part) < 2 || rule.grain == Grain::Any) return;  // boards lie over the others
    const double x = at.x + w / 2;
    const double y = at.y + h / 2;
    const double reach = 0.14 * h;
    if (rule.grain == Grain::Height)
      addOpen(drawing_, Role::Grain, {{x, y - reach}, {x, y + reach}}, rule.id);
    else
      addOpen(drawing_, Role::Grain, {{x - reach, y}, {x + reach, y}}, rule.id);
  }

  void hangCovering() {
    const auto width = plan_.length("covering_width");
    const auto height = plan_.length("covering_height");
    if (!width || !height || drawing_.shapes.empty()) return;
    const double w = width->mm();
    const double h = height->mm();
    isCovered_ = true;
    wholeHeight_ = h;
    wholeWidth_ = w;
    off_ = 0.035 * std::max(w, h);
    const PlannedPart* side = plan_.part("side");
    const PlannedPart* cloth = plan_.part("spine_cloth");
    if (side != nullptr && cloth != nullptr && !cloth->places.empty()) {
      addDimension(drawing_, {0, -off_}, {side->width.mm(), -off_}, "side_width", Side::Below);
      const double from = cloth->places[0].at.x;
      addDimension(drawing_, {from, -off_}, {from + cloth->width.mm(), -off_}, "spine_cloth_width",
                   Side::Below);
    } else {
      addDimension(drawing_, {0, -off_}, {w, -off_}, "covering_width", Side::Below);
    }
    addDimension(drawing_, {-off_, 0}, {-off_, h}, "covering_height", Side::Left);
    drawing_.tags.push_back({"covering_style", {0.1 * w, h}, Side::Above});
    const double leg = plan_.number("corner_head_x").value_or(0);
    if (leg > 0.0)
      drawing_.tags.push_back({"corner_distance", {w - leg / 2, h - leg / 2}, Side::Right});
  }

  /// The leaves' outline under the right-hand board: where the paste-down will lie.
  void hangBoards(const PlannedPart& board) {
    const Point left = board.places[0].at;
    const Point right = board.places[1].at;
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
    if (!isCovered_) {
      wholeHeight_ = h;
      wholeWidth_ = w;
    }
    const double top = wholeHeight_ + off_;
    addOpen(drawing_, Role::Extension, {{left.x, left.y + h}, {left.x, top}}, "board_width");
    addOpen(drawing_, Role::Extension, {{left.x + w, left.y + h}, {left.x + w, top}},
            "board_width");
    addDimension(drawing_, {left.x, top}, {left.x + w, top}, "board_width", Side::Above);
    const double side = wholeWidth_ + off_;
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
    const Point at = stiffener.places[0].at;
    const double w = stiffener.width.mm();
    const double h = stiffener.height.mm();
    const double top = wholeHeight_ + off_;
    addOpen(drawing_, Role::Extension, {{at.x, at.y + h}, {at.x, top}}, "stiffener_width");
    addOpen(drawing_, Role::Extension, {{at.x + w, at.y + h}, {at.x + w, top}}, "stiffener_width");
    addDimension(drawing_, {at.x, top}, {at.x + w, top}, "stiffener_width", Side::Above);
    drawing_.tags.push_back({"stiffener_school", {at.x + w / 2, at.y}, Side::Below});
    if (board == nullptr || board->places.size() != 2) return;
    const double boardEnd = board->places[0].at.x + board->width.mm();
    addOpen(drawing_, Role::Dimension, {{boardEnd, at.y + 0.3 * h}, {at.x, at.y + 0.3 * h}},
            "joint_gap");
  }

  const Plan& plan_;
  Drawing drawing_;
  double off_ = 0.0;
  double wholeHeight_ = 0.0;
  double wholeWidth_ = 0.0;
  bool isCovered_ = false;
};

}  // namespace

Drawing drawFlatCase(const Plan& plan) { return FlatCase(plan).draw(); }

}  // namespace drapery
