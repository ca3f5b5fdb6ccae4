#include <algorithm>

#include "core/drawing/figure.h"

namespace drapery {

namespace {

constexpr double kApart = 0.26;  // of the leaf's width, from picture to picture
constexpr double kThick = 0.02;  // of it, paper as drawn; card twice that

/// How a lever is made, from the head, the spine edge at the left, thicknesses larger than they
/// are: the card on the waste leaf; the leaf's outer part folded over; all of it folded in half.
class Lever {
 public:
  explicit Lever(const FigureSource& source)
      : source_(source),
        width_(source.number("width")),
        gap_(source.numberOr("gap", 0.0)),
        lever_(source.number("lever")),
        strip_(source.number("strip")) {}

  Sketch draw() {
    if (!(width_ > 0.0) || !(lever_ > 0.0) || !(strip_ > 0.0) || strip_ >= width_) return {};
    const double apart = kApart * width_, paper = kThick * width_;
    const double first = 2 * apart, second = apart, third = 0.0;
    const double folded = width_ - strip_;  // wide after the first fold
    const double half = folded / 2;
    int number = 0;
    for (const double y : {first, second, third}) {
      addBlock(y);
      addCard(y);
      DrawingLabel label{{}, {-0.03 * width_, y}, LabelSide::Before};
      label.words.text = std::to_string(++number);
      sketch_.labels.push_back(std::move(label));
    }
    leaf({{0, first}, {width_, first}});
    sketch_.add(openShape(LineKind::Fold, {{folded, first - paper}, {folded, first + 2 * paper}},
                          source_.subject("leaf")));
    const double over = 2.6 * paper;
    leaf(
        {{0, second}, {folded, second}, {folded, second + over}, {folded - strip_, second + over}});
    sketch_.add(openShape(LineKind::Fold, {{half, second - paper}, {half, second + over + paper}},
                          source_.subject("leaf")));
    // Folded in half: each of the two layers comes back over itself.
    const double top = third + 2 * over;
    leaf({{0, third}, {half, third}, {half, top + 0.6 * over}, {0, top + 0.6 * over}});
    leaf({{half - 0.6 * paper, third + over}, {half - 0.6 * paper, top}, {0.02 * half, top}});
    const double trim = lever_;
    sketch_.add(openShape(LineKind::Cut, {{trim, third - 2 * paper}, {trim, top + 2 * over}},
                          source_.subject("lever")));
    sketch_.line("strip", {folded, first - 2.4 * paper}, {width_, first - 2.4 * paper},
                 {{{width_, first}, {width_, first - 2.4 * paper}}});
    sketch_.line(
        "lever", {0, third - 3.2 * paper}, {trim, third - 3.2 * paper},
        {{{0, third}, {0, third - 3.2 * paper}}, {{trim, third}, {trim, third - 3.2 * paper}}});
    sketch_.point("gap", {gap_ / 2, first});
    sketch_.point("card", {gap_ + lever_ / 2, first + 2 * paper});
    sketch_.point("fold", {folded, second + over});
    sketch_.point("trim", {trim, top + 2 * over});
    return std::move(sketch_);
  }

 private:
  void leaf(std::vector<Point> path) {
    sketch_.add(openShape(LineKind::Cut, std::move(path), source_.subject("leaf")));
  }
  void addCard(double y) {
    sketch_.add(closedShape(
        LineKind::Outline, Matter::Card,
        rectangle(gap_, y + 0.3 * kThick * width_, gap_ + lever_, y + 2 * kThick * width_),
        source_.subject("lever")));
  }
  /// What lies under it, broken off.
  void addBlock(double y) {
    const double deep = 0.035 * width_;
    sketch_.add(closedShape(LineKind::Outline, Matter::Leaves,
                            rectangle(0, y - deep, width_, y - 0.3 * kThick * width_),
                            source_.subject("block")));
  }

  const FigureSource& source_;
  double width_, gap_, lever_, strip_;
  Sketch sketch_;
};

}  // namespace

Sketch sketchLever(const FigureSource& source) { return Lever(source).draw(); }

}  // namespace drapery
