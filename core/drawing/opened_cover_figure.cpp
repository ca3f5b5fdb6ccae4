#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/drawing/figure.h"
#include "core/geometry/arc.h"
#include "core/geometry/turned_cover.h"

namespace drapery {

namespace {

constexpr double kFlat = 180.0;
constexpr int kLeafLines = 4;

/// The joint cut through with its cover closed, half open, and opened as far as it goes.
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
    double from = 0.0;
    int k = 0;
    for (const double turn : {0.0, kFlat / 2, kFlat}) {
      const TurnedCover cover = turnedCover(joint_, gap_, turn);
      if (cover.cloth.empty()) return {};
      static constexpr const char* kSpots[]{"closed", "half", "opened"};
      addState(cover, from - leftOf(cover), kSpots[k]);
      from += rightOf(cover) - leftOf(cover) + 0.35 * shown_;
      ++k;
    }
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
  [[nodiscard]] double leftOf(const TurnedCover& cover) const {
    return std::min(boundsOf(board(cover.turn)).left, boundsOf(spineSide()).left);
  }
  [[nodiscard]] double rightOf(const TurnedCover& cover) const {
    return std::max(boundsOf(board(cover.turn)).right, 0.8 * shown_);
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

  void addState(const TurnedCover& cover, double shift, const char* spot) {
    const auto put = [&](std::vector<Point> points) {
      for (Point& p : points) p.x += shift;
      return points;
    };
    const double t = joint_.stiffener.mm(), e = joint_.edgeHeight.mm(), end = 0.8 * shown_;
    const std::vector<Point> side = spineSide();
    std::vector<Point> block = t > 0.0 ? std::vector<Point>{{0, -deep_}, {0, 0}} : side;
    block.insert(block.end(), {{0, 0}, {end, 0}, {end, -deep_}});
    sketch_.add(closedShape(LineKind::Outline, Matter::Leaves, put(std::move(block)),
                            source_.subject("block")));
    for (int i = 1; i < kLeafLines; ++i)
      sketch_.add(openShape(LineKind::Leaf,
                            put({{0, -deep_ * i / kLeafLines}, {end, -deep_ * i / kLeafLines}}),
                            source_.subject("block")));
    if (t > 0.0)
      sketch_.add(closedShape(LineKind::Outline, Matter::Card, put(rectangle(-t, -deep_, 0, e)),
                              source_.subject("stiffener")));
    sketch_.add(closedShape(LineKind::Outline, Matter::Board, put(board(cover.turn)),
                            source_.subject("board")));
    const std::vector<Point> cloth = clothOf(cover);
    std::vector<Point> covering = side;
    covering.insert(covering.end(), cloth.begin(), cloth.end());
    covering.push_back(turned({joint_.setback.mm() + shown_, joint_.board.mm()}, cover.turn));
    const Point middle = cloth[cloth.size() / 2];
    Shape shape =
        openShape(LineKind::Section, put(std::move(covering)), source_.subject("covering"));
    shape.thickness = source_.numberOr("covering", 0.4);
    sketch_.add(std::move(shape));
    sketch_.point(spot, {middle.x + shift, middle.y});
    const bool isMet = t <= 0.0 && (isWithin(side, cover.inside) || isWithin(side, cover.arris));
    sketch_.labels.push_back(
        {cover.isPulled ? "view.pulls"
         : isMet        ? "view.gives"
                        : std::string("view.") + spot,
         {shift + (leftOf(cover) + rightOf(cover)) / 2, -deep_ - 0.12 * shown_},
         LabelSide::On});
  }

  const FigureSource& source_;
  Joint joint_;
  Length gap_;
  double shown_ = 0.0, deep_ = 0.0;  // of board and block
  Sketch sketch_;
};

}  // namespace

Sketch sketchOpenedCover(const FigureSource& source) { return OpenedCover(source).draw(); }

}  // namespace drapery
