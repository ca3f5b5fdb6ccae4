#include <algorithm>
#include <cmath>

#include "core/drawing/figure.h"
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

Section sectionOf(const FigureSource& source) {
  const auto length = [&](const char* input, double usual) {
    return Length::fromMm(source.numberOr(input, usual));
  };
  Section s{};
  s.joint.board = length("board", 2.5);
  s.joint.stiffener = length("stiffener", s.joint.board.mm());
  s.joint.edgeHeight = length("edge", 0.0);
  // A gap too short for its board has no set-back: the board is shown hard against the spine edge.
  s.joint.setback = length("setback", 0.0);
  s.rod = length("rod", 4.0);
  s.covering = source.numberOr("covering", 0.4);
  s.square = source.numberOr("square", 3.0);
  s.spine = source.numberOr("spine", 22.0);
  s.hasStiffener = s.joint.stiffener > Length();
  s.span = source.numberOr("span", s.spine);
  s.depth = source.numberOr("depth", 0.0);
  const double j = s.joint.setback.mm();
  const double b = s.joint.board.mm();
  s.isTaut = source.has("gap") && source.has("taut") &&
             std::abs(source.number("gap") - source.number("taut")) < kSame;
  s.shownBoard = std::max({2.2 * j, 5 * b, 12.0});
  s.shownBlock = std::clamp(s.spine / 2, 1.2 * b, std::max(3.0 * b, 7.0));
  s.isMeasured = source.has("board");
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

class JointFigure {
 public:
  explicit JointFigure(const FigureSource& source) : source_(source), s_(sectionOf(source)) {
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

  Sketch draw() {
    drawPieces();
    drawCovering();
    if (hasRod()) drawRod();
    drawBreaks();
    addSpots();
    return std::move(sketch_);
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
    const Subject book = source_.subject("block"), board = source_.subject("board");
    std::vector<Point> spineSide = spineLine();
    std::vector<Point> block{{break_, floor_}, {break_, 0}, {0, 0}};
    block.insert(block.end(), spineSide.begin(), spineSide.end());
    add(Matter::Leaves, std::move(block), book);
    add(Matter::Leaves, rectangle(again_, floor_, leavesEnd_, 0), book);
    for (int i = 1; i < 5; ++i) {
      const double y = floor_ * i / 5;
      sketch_.add(openShape(LineKind::Leaf, {{0.6 * spineSide.back().x, y}, {break_, y}}, book));
      sketch_.add(openShape(LineKind::Leaf, {{again_, y}, {leavesEnd_, y}}, book));
    }
    if (s_.hasStiffener)
      add(Matter::Card, rectangle(-t_, floor_, 0, e_), source_.subject("stiffener"));
    add(Matter::Board, rectangle(j_, 0, break_, b_), board);
    add(Matter::Board, rectangle(again_, 0, boardEnd_, b_), board);
  }

  void add(Matter matter, std::vector<Point> outline, Subject subject) {
    sketch_.add(closedShape(s_.isMeasured, matter, std::move(outline), std::move(subject)));
  }

  void addCloth(std::vector<Point> path) {
    sketch_.add(
        sectionShape(Matter::Cloth, s_.covering, std::move(path), source_.subject("covering")));
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
    sketch_.add(
        closedShape(LineKind::Outline, Matter::Rod, std::move(circle), source_.subject("rod")));
  }

  void drawBreaks() {
    const double width = 0.05 * s_.shownBoard;
    const double top = b_ + 0.4 * b_;
    sketch_.add(openShape(LineKind::Break, breakLine(break_, top, floor_, width), {}));
    sketch_.add(openShape(LineKind::Break, breakLine(again_, top, floor_, width), {}));
  }

  void addSpots() {
    const double above = std::max(b_, e_) + 0.12 * s_.shownBoard;
    sketch_.point("spine", {-t_ / 2, floor_});
    if (j_ > 0.0)
      sketch_.line("setback", {0, above}, {j_, above},
                   {{{0, std::max(0.0, e_)}, {0, above}}, {{j_, b_}, {j_, above}}});
    sketch_.point("groove", {j_ * 0.5, 0});
    if (hasRod()) sketch_.point("rod", {j_ * 0.5, std::min(s_.rod.mm(), j_)});
    if (s_.hasStiffener) sketch_.point("stiffener", {-t_, e_});
    sketch_.point("hinge", {j_ + 0.35 * s_.shownBoard, b_});
    sketch_.point("covering", {j_ + 0.8 * s_.shownBoard, b_});
    const double foot = -0.12 * s_.shownBoard;
    sketch_.line("square", {leavesEnd_, foot}, {boardEnd_, foot},
                 {{{boardEnd_, 0}, {boardEnd_, foot}}});
    sketch_.point("board_edge", {boardEnd_, b_ / 2});
  }

  const FigureSource& source_;
  Section s_;
  Sketch sketch_;
  double j_ = 0, b_ = 0, t_ = 0, e_ = 0, break_ = 0, again_ = 0, leavesEnd_ = 0, boardEnd_ = 0,
         floor_ = 0;
};

}  // namespace

Sketch sketchJoint(const FigureSource& source) { return JointFigure(source).draw(); }

}  // namespace drapery
