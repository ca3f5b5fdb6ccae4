#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

#include "core/drawing/turn_arc.h"
#include "core/geometry/hinge.h"

namespace drapery {

namespace {

constexpr double kDegree = std::numbers::pi / 180.0;
constexpr int kLeafLines = 5;
constexpr double kMostBeside = 5.0;  // as long as the strip: drawn longer, the hinge is too small
constexpr std::array kLeafShares{0.3, 0.6, 0.85};  // of the cover's turn, for leaves that follow it

/// A cover cut through at its hinge: the board that stays, the gap with its cloths, the board that
/// turns. Under it the leaves that it holds; or, where two boards hinge on one another, what lies
/// between them.
class CoverHinge {
 public:
  explicit CoverHinge(const FigureSource& source)
      : source_(source),
        isPair_(source.numberOr("is_pair", 0.0) > 0.0),
        hinge_{source.number("gap"), source.numberOr("fold", 0.0), source.numberOr("close", 0.0),
               isPair_},
        thick_(source.number("board")),
        deep_(source.numberOr("dip", thick_ / 2)),
        covering_(source.numberOr("covering", 0.2)),
        under_(source.numberOr(isPair_ ? "between" : "leaves", 0.0)) {
    const double fixed = source.number("fixed"), moving = source.number("moving");
    const double shown = std::max({8.0 * thick_, 3.0 * hinge_.gap, 1.3 * under_, 18.0});
    left_ = isPair_ ? std::min(fixed, shown) : fixed;
    right_ = std::min(moving, isPair_ ? shown : std::max(shown, kMostBeside * fixed));
    isWhole_ = right_ == moving;
  }

  Sketch draw() {
    if (!(thick_ > 0.0) || !(hinge_.gap >= 0.0) || !(left_ > 0.0) || !(right_ > 0.0)) return {};
    turned_ = turnedHinge(hinge_, source_.turn(90.0));
    strap_ = {0.0, thick_ - deep_};
    addUnder();
    addBoards();
    addCloths();
    addArc();
    addSpots();
    tell();
    return std::move(sketch_);
  }

 private:
  /// Where a point of the turning cover comes to lie: x from its edge, y from its inside.
  [[nodiscard]] Point moved(double x, double y) const {
    const double half = turned_.angle / 2 * kDegree, a = turned_.angle * kDegree;
    const Point q{strap_.x + hinge_.gap * std::cos(half), strap_.y + hinge_.gap * std::sin(half)};
    const double up = y - (thick_ - deep_);
    return {q.x + x * std::cos(a) - up * std::sin(a), q.y + x * std::sin(a) + up * std::cos(a)};
  }

  void addUnder() {
    if (under_ <= 0.0) return;
    const Subject block = source_.subject("block");
    const double low = -covering_ - under_, high = -covering_;
    const double end = isPair_ ? -0.06 * left_ : leafLength();
    const double start = isPair_ ? -left_ : -left_ + source_.numberOr("hidden", 0.0);
    sketch_.add(
        closedShape(LineKind::Outline, Matter::Leaves, rectangle(start, low, end, high), block));
    for (int i = 1; i < kLeafLines; ++i) {
      const double y = low + under_ * i / kLeafLines;
      sketch_.add(openShape(LineKind::Leaf, {{start, y}, {end, y}}, block));
    }
    if (isPair_) return;
    for (const double share : kLeafShares) {
      std::vector<Point> leaf = bentLeaf(share * turned_.angle, leafLength());
      leaf.insert(leaf.begin(), {start, -covering_});
      sketch_.add(openShape(LineKind::Cut, std::move(leaf), block));
    }
  }

  /// From the edge of the strip that holds it, round a bow to where it stands; so long.
  [[nodiscard]] std::vector<Point> bentLeaf(double degrees, double length) const {
    constexpr int kSteps = 12;
    constexpr double kBow = 0.45;  // of its length
    std::vector<Point> points{{0.0, -covering_}};
    const double step = kBow * length / kSteps;
    for (int i = 0; i < kSteps; ++i) {
      const double a = degrees * kDegree * (i + 0.5) / kSteps;
      const Point& at = points.back();
      points.push_back({at.x + step * std::cos(a), at.y + step * std::sin(a)});
    }
    const double a = degrees * kDegree, rest = (1 - kBow) * length;
    points.push_back({points.back().x + rest * std::cos(a), points.back().y + rest * std::sin(a)});
    return points;
  }

  void addBoards() {
    const auto board = [this](std::vector<Point> outline, const char* thing) {
      sketch_.add(closedShape(LineKind::Outline, Matter::Board, std::move(outline),
                              source_.subject(thing)));
    };
    board(rectangle(-left_, 0, 0, thick_), isPair_ ? "board" : "strip");
    board({moved(0, 0), moved(right_, 0), moved(right_, thick_), moved(0, thick_)}, "board");
  }

  /// Over both boards' faces, down into the gap to where they meet, and up again.
  void addCloths() {
    if (covering_ <= 0.0) return;  // one soft piece, which bends
    for (const double face : {thick_, 0.0}) {
      const double from = face > 0.0 ? -left_ : -left_ + std::min(0.3 * left_, thick_);
      const double to = (face > 0.0 ? 1.0 : 0.7) * right_;
      sketch_.add(sectionShape(Matter::Cloth, covering_,
                               {{from, face},
                                {0.0, face},
                                strap_,
                                moved(0, thick_ - deep_),
                                moved(0, face),
                                moved(to, face)},
                               source_.subject(face > 0.0 ? "outer" : "inner")));
    }
  }

  /// Of a leaf beyond the strip that holds it, as far as it is drawn.
  [[nodiscard]] double leafLength() const {
    const double free = source_.numberOr("free", right_);
    return isWhole_ ? std::max(0.0, free) : std::min(free, right_);
  }

  [[nodiscard]] double flat() const { return isPair_ ? 180.0 : 0.0; }
  [[nodiscard]] TurnArc arc() const {
    return {strap_, hinge_.gap + right_ + thick_, -flat(), 180.0 + flat()};
  }

  void addArc() {
    addTurnArc(sketch_, arc());
    addStop(sketch_, arc(), turned_.most - flat());
    if (isPair_) addStop(sketch_, arc(), turned_.least - flat());
  }

  /// On what does not turn.
  void addSpots() {
    sketch_.grip = Grip{strap_,
                        moved(right_, thick_ / 2),
                        turned_.turn,
                        turned_.most,
                        isPair_ ? Turning::RightRound : Turning::Cover,
                        180.0 + flat(),
                        -flat()};
    sketch_.point("gap", strap_);
    sketch_.point("most", arc().at(turned_.most - flat()));
    sketch_.point("least", arc().at(turned_.least - flat()));
    sketch_.point("strip", {-left_ / 2, thick_});
    sketch_.point("board", {-left_, thick_ / 2});
    if (under_ <= 0.0) return;
    const double low = -covering_ - under_;
    const double off = 0.04 * (left_ + right_);
    sketch_.line("under", {-left_ - off, low}, {-left_ - off, -covering_});
    if (isWhole_ && !isPair_)
      sketch_.line("leaf", {0, low - off}, {leafLength(), low - off},
                   {{{0, 0}, {0, low - off}}, {{leafLength(), low}, {leafLength(), low - off}}});
    else
      sketch_.point("leaf", {isPair_ ? -left_ / 2 : leafLength() / 2, low});
  }

  void tell() {
    const char* const words = turned_.isShort     ? "hinge.short"
                              : turned_.isStopped ? "hinge.stops"
                                                  : "hinge.free";
    DrawingLabel label{words, arc().at(90, 1.03), LabelSide::Above};
    label.words.text = std::to_string(static_cast<int>(std::lround(turned_.turn)));
    sketch_.labels.push_back(std::move(label));
  }

  const FigureSource& source_;
  bool isPair_;
  Hinge hinge_;
  double thick_, deep_, covering_, under_;
  double left_ = 0.0, right_ = 0.0;  // of the boards, as far as they are drawn
  bool isWhole_ = false;             // the one that turns, to its fore-edge
  TurnedHinge turned_;
  Point strap_;  // where the cloths come out between the boards
  Sketch sketch_;
};

}  // namespace

Sketch sketchHinge(const FigureSource& source) { return CoverHinge(source).draw(); }

}  // namespace drapery
