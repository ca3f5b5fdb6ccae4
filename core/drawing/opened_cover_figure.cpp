#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/drawing/turn_arc.h"
#include "core/geometry/arc.h"
#include "core/geometry/turned_cover.h"

namespace drapery {

namespace {

constexpr int kLeafLines = 4;
constexpr double kStraight = 0.05;  // mm: cloth that is no longer than this against its chord

/// The joint cut through with its cover turned, an arc about it to tell how far.
class OpenedCover {
 public:
  explicit OpenedCover(const FigureSource& source) : source_(source) {
    const auto length = [&](const char* input, double usual) {
      return Length::fromMm(source.numberOr(input, usual));
    };
    joint_ = {length("setback", 7.0), length("edge", 0.0), length("board", 2.5),
              length("stiffener", 0.0)};
    gap_ = Length::fromMm(source.number("gap"));
    const double j = joint_.setback.mm(), b = joint_.board.mm();
    shown_ = std::max({2.4 * std::abs(j), 6 * b, 14.0});
    deep_ = std::clamp(source.numberOr("spine", 22.0) / 2, 2 * b, 0.8 * shown_);
  }

  Sketch draw() {
    const TurnedCover cover = turnedCover(joint_, gap_, source_.turn(90.0));
    if (cover.cloth.empty()) return {};
    radius_ = joint_.setback.mm() + 1.08 * shown_;
    most_ = openingAngle(joint_, gap_);
    addBlock();
    addCover(cover, false);
    if (source_.pose().isBoth) addCover(cover, true);
    addArc();
    // However it bulges, cloth gets no further from its start than it is long.
    const Point start{-joint_.stiffener.mm(), joint_.edgeHeight.mm()};
    const double far = gap_.mm();
    const std::vector<Point> reached{{start.x - far, start.y - far},
                                     {start.x + far, start.y + far}};
    keepRoom(sketch_, reached);
    const double inside = -joint_.setback.mm();  // of a board that begins beyond the spine edge
    if (inside > 0.0)
      keepRoom(sketch_, {{-inside, -std::hypot(inside, joint_.board.mm())}, {0, 0}});
    if (source_.pose().isBoth) keepRoom(sketch_, mirrored(reached));
    addSpots(cover);
    tell(cover);
    return std::move(sketch_);
  }

 private:
  static Point turned(const Point& p, double degrees) {
    const double a = degrees * std::numbers::pi / 180.0;
    return {p.x * std::cos(a) - p.y * std::sin(a), p.x * std::sin(a) + p.y * std::cos(a)};
  }
  [[nodiscard]] std::vector<Point> board(double turn) const {
    const double j = joint_.setback.mm(), b = joint_.board.mm();
    std::vector<Point> outline = rectangle(j, 0, j + shown_, b);
    for (Point& p : outline) p = turned(p, turn);
    return outline;
  }
  /// From the break up to where the joint's cloth begins: straight, or over the round.
  [[nodiscard]] std::vector<Point> spineSide() const {
    const double t = joint_.stiffener.mm(), e = joint_.edgeHeight.mm();
    const double span = source_.numberOr("span", 0.0), depth = source_.numberOr("depth", 0.0);
    std::vector<Point> side;
    if (t <= 0.0 && depth > 0.0)
      for (const Point& p : arcPoints(Length::fromMm(span), Length::fromMm(depth)))
        if (p.y + e - span / 2 > -deep_) side.push_back({p.x, p.y + e - span / 2});
    if (side.empty()) side = {{-t, e}};
    side.push_back({side.back().x, -deep_});
    std::reverse(side.begin(), side.end());
    return side;
  }

  /// Whether a point lies in the round, which the model lets the board pass.
  [[nodiscard]] static bool isWithin(const std::vector<Point>& side, const Point& at) {
    for (std::size_t i = 1; i < side.size(); ++i) {
      const Point &below = side[i - 1], &above = side[i];
      if (at.y < below.y || at.y >= above.y) continue;
      const double part = (at.y - below.y) / (above.y - below.y);
      return at.x < 0.0 && at.x > below.x + part * (above.x - below.x);
    }
    return false;
  }

  /// Closed it lies as it was formed under the rod, where that is all there is of it.
  [[nodiscard]] std::vector<Point> clothOf(const TurnedCover& cover) const {
    constexpr double kSame = 1e-6;
    const Length rod = Length::fromMm(source_.number("rod"));
    const bool isFormed =
        cover.turn == 0.0 && std::abs((gapFormed(joint_, rod) - gap_).mm()) < kSame;
    return isFormed ? formedPath(joint_, rod) : cover.cloth;
  }

  /// The same on the other side of the book.
  [[nodiscard]] std::vector<Point> mirrored(std::vector<Point> points) const {
    for (Point& p : points) p.y = -2 * deep_ - p.y;
    return points;
  }

  /// The leaves and what stands at their spine: down to the middle, or to the other side.
  void addBlock() {
    const double t = joint_.stiffener.mm(), e = joint_.edgeHeight.mm(), end = 0.8 * shown_;
    const bool isBoth = source_.pose().isBoth;
    const double bottom = isBoth ? -2 * deep_ : -deep_;
    std::vector<Point> block{{0, bottom}, {0, 0}};
    if (t <= 0.0) {
      block = spineSide();
      if (isBoth) {
        std::vector<Point> below = mirrored(block);
        std::reverse(below.begin(), below.end());
        block.insert(block.begin(), below.begin(), below.end());
        block.insert(block.begin(), {0, bottom});
      }
    }
    block.insert(block.end(), {{0, 0}, {end, 0}, {end, bottom}});
    sketch_.add(
        closedShape(LineKind::Outline, Matter::Leaves, std::move(block), source_.subject("block")));
    const int leaves = isBoth ? 2 * kLeafLines : kLeafLines;
    for (int i = 1; i < leaves; ++i)
      sketch_.add(openShape(LineKind::Leaf, {{0, bottom * i / leaves}, {end, bottom * i / leaves}},
                            source_.subject("block")));
    if (t > 0.0)
      sketch_.add(closedShape(LineKind::Outline, Matter::Card,
                              rectangle(-t, isBoth ? bottom - e : bottom, 0, e),
                              source_.subject("stiffener")));
  }

  /// One cover with its cloth; the other one is its mirror image.
  void addCover(const TurnedCover& cover, bool isOther) {
    const auto put = [&](std::vector<Point> points) {
      return isOther ? mirrored(std::move(points)) : points;
    };
    const std::vector<Point> side = spineSide();
    sketch_.add(closedShape(LineKind::Outline, Matter::Board, put(board(cover.turn)),
                            source_.subject("board")));
    const std::vector<Point> cloth = clothOf(cover);
    std::vector<Point> covering = side;
    covering.insert(covering.end(), cloth.begin(), cloth.end());
    covering.push_back(turned({joint_.setback.mm() + shown_, joint_.board.mm()}, cover.turn));
    sketch_.add(sectionShape(Matter::Cloth, source_.numberOr("covering", 0.4),
                             put(std::move(covering)), source_.subject("covering")));
  }

  [[nodiscard]] TurnArc arc() const { return {{0, 0}, radius_, 0.0, 180.0}; }

  /// From closed to turned right over, and the mark where the cloth pulls.
  void addArc() {
    if (source_.pose().isBoth) {
      Sketch other;
      addTurnArc(other, arc());
      Shape& round = other.shapes.front();
      round.points = mirrored(std::move(round.points));
      sketch_.add(std::move(round));
    }
    addTurnArc(sketch_, arc());
    addStop(sketch_, arc(), most_);
  }

  void addSpots(const TurnedCover& cover) {
    const double end = joint_.setback.mm() + shown_;
    sketch_.grip = Grip{{0, 0},
                        turned({end, joint_.board.mm() / 2}, cover.turn),
                        cover.turn,
                        most_,
                        Turning::Cover,
                        180.0,
                        0.0,
                        1.0,
                        true};
    sketch_.point("hinge", {0, 0});
    sketch_.point("gap", {-joint_.stiffener.mm(), joint_.edgeHeight.mm()});
    sketch_.point("most", arc().at(most_));
  }

  /// How the cloth lies, above the arc.
  void tell(const TurnedCover& cover) {
    const Point start{-joint_.stiffener.mm(), joint_.edgeHeight.mm()};
    const double chord = std::hypot(cover.arris.x - start.x, cover.arris.y - start.y);
    const std::vector<Point> side = spineSide();
    const bool isMet = joint_.stiffener.mm() <= 0.0 &&
                       (isWithin(side, cover.inside) || isWithin(side, cover.arris));
    DrawingLabel label{cover.isPulled                  ? "view.pulls"
                       : isMet                         ? "view.gives"
                       : gap_.mm() - chord < kStraight ? "view.straight"
                                                       : "view.slack",
                       arc().at(90, 1.04), LabelSide::Above};
    label.words.text = std::to_string(static_cast<int>(std::lround(cover.turn)));
    sketch_.labels.push_back(std::move(label));
  }

  const FigureSource& source_;
  Joint joint_;
  Length gap_;
  double shown_ = 0.0, deep_ = 0.0;     // of board and block
  double radius_ = 0.0, most_ = 180.0;  // of the arc; how far the cloth lets it go
  Sketch sketch_;
};

}  // namespace

Sketch sketchOpenedCover(const FigureSource& source) { return OpenedCover(source).draw(); }

}  // namespace drapery
