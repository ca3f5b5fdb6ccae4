#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/drawing/turn_arc.h"

namespace drapery {

namespace {

constexpr double kRight = 90.0;  // degrees: down round the leaves
constexpr int kLeafLines = 9;
constexpr double kOff = 0.06;  // of what is shown of a side, from a crease to its number

/// A creased cover from the head, outside up, on leaves that stand below its spine: its sides go
/// down round them at the spine's two creases, and then lift at the two outer ones. Both sides
/// alike; the right one is taken hold of.
class FoldedCover {
 public:
  explicit FoldedCover(const FigureSource& source)
      : source_(source),
        thick_(source.number("thickness")),
        half_(source.numberOr("spine", thick_) / 2),
        card_(source.numberOr("card", 0.3)),
        crease_(source.number("crease")),
        side_(std::min(source.number("side"), std::max({2.5 * thick_, 6.0 * crease_, 30.0}))) {}

  Sketch draw() {
    if (!(thick_ > 0.0) || !(crease_ > 0.0) || !(side_ > crease_)) return {};
    const double turn = std::clamp(source_.turn(125.0), 0.0, 2 * kRight);
    down_ = std::min(turn, kRight);
    lifted_ = turn - down_;
    addLeaves();
    sketch_.add(sectionShape(Matter::Card, card_,
                             {end(-1), outer(-1), fold(-1), fold(1), outer(1), end(1)},
                             source_.subject("card")));
    addArcs();
    addSpots();
    addGrip(turn);
    return std::move(sketch_);
  }

 private:
  [[nodiscard]] Point fold(int side) const { return {side * half_, card_ / 2}; }
  /// From a point outward and down, by so many degrees.
  static Point from(Point at, int side, double length, double degrees) {
    const double a = degrees * std::numbers::pi / 180.0;
    return {at.x + side * length * std::cos(a), at.y - length * std::sin(a)};
  }
  [[nodiscard]] Point outer(int side) const { return from(fold(side), side, crease_, down_); }
  [[nodiscard]] Point end(int side) const {
    return from(outer(side), side, side_ - crease_, down_ - lifted_);
  }

  void addLeaves() {
    const Subject block = source_.subject("block");
    const double left = -thick_ / 2;
    sketch_.add(closedShape(LineKind::Outline, Matter::Leaves,
                            rectangle(left, -side_, left + thick_, 0), block));
    for (int i = 1; i < kLeafLines; ++i) {
      const double x = left + thick_ * i / kLeafLines;
      sketch_.add(openShape(LineKind::Leaf, {{x, -side_}, {x, 0}}, block));
    }
    sketch_.add(sectionShape(Matter::Cloth, std::max(0.3, 0.02 * thick_),
                             {{left, -crease_}, {left, 0}, {-left, 0}, {-left, -crease_}},
                             source_.subject("glue")));
  }

  /// What a side can reach, down and then up again.
  void addArcs() {
    addTurnArc(sketch_, {fold(1), side_, -kRight, kRight});
    const Point shut = from(fold(1), 1, crease_, kRight);
    addTurnArc(sketch_, {shut, side_ - crease_, -kRight, kRight});
    keepRoom(sketch_, {{-half_ - side_, fold(1).y + 2 * kOff * side_}, {half_ + side_, -side_}});
  }

  void addSpots() {
    const double above = fold(1).y + 2 * kOff * side_, low = -(1 + kOff) * side_;
    sketch_.line("spine", {-half_, above}, {half_, above},
                 {{fold(-1), {-half_, above}}, {fold(1), {half_, above}}});
    sketch_.line("crease", {0, 0}, {0, -crease_},
                 {{{-thick_ / 2, -crease_}, {thick_ / 2, -crease_}}});
    sketch_.line(
        "leaves", {-thick_ / 2, low}, {thick_ / 2, low},
        {{{-thick_ / 2, -side_}, {-thick_ / 2, low}}, {{thick_ / 2, -side_}, {thick_ / 2, low}}});
    sketch_.point("card", {0, card_});
    // From left to right as in the flat drawing, each off its crease on the outside.
    const double off = kOff * side_;
    const auto number = [&](Point crease, int side, double degrees, const char* words) {
      const double a = degrees * std::numbers::pi / 180.0;
      DrawingLabel label{{}, {crease.x + side * off * std::sin(a), crease.y + off * std::cos(a)}};
      label.words.text = words;
      sketch_.labels.push_back(std::move(label));
    };
    number(outer(-1), -1, down_, "1");
    number(fold(-1), -1, down_ / 2, "2");
    number(fold(1), 1, down_ / 2, "3");
    number(outer(1), 1, down_, "4");
    DrawingLabel told{lifted_ > 0.0 ? "cover.lifted" : "cover.down",
                      {half_ + 0.75 * side_, fold(1).y + kOff * side_},
                      LabelSide::Above};
    told.words.text =
        std::to_string(static_cast<int>(std::lround(lifted_ > 0.0 ? lifted_ : down_)));
    sketch_.labels.push_back(std::move(told));
  }

  /// Going down it turns about the spine's crease; once it is down, up again about the outer one.
  void addGrip(double turn) {
    Grip grip;
    grip.at = end(1);
    grip.turn = turn;
    grip.turning = Turning::Round;
    if (turn < kRight) {
      grip.hinge = fold(1);
      grip.per = -1.0;
      grip.high = kRight;
    } else {
      grip.hinge = outer(1);
      grip.from = -2 * kRight;
      grip.low = kRight;
    }
    sketch_.grip = grip;
  }

  const FigureSource& source_;
  double thick_, half_, card_, crease_, side_;
  double down_ = 0.0, lifted_ = 0.0;  // degrees
  Sketch sketch_;
};

}  // namespace

Sketch sketchFoldedCover(const FigureSource& source) { return FoldedCover(source).draw(); }

}  // namespace drapery
