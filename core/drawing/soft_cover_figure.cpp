#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/drawing/turn_arc.h"

namespace drapery {

namespace {

constexpr int kLeafLines = 9, kMostSections = 40, kMostFolios = 6, kMostLines = 16;
constexpr double kOff = 0.05;  // of the leaves' width, to a measuring line

/// A soft cover from the head, round the folds of its spine; the front one lifts at its crease,
/// as far as one likes. In it single leaves, glued, or folded sections.
class SoftCover {
 public:
  explicit SoftCover(const FigureSource& source)
      : source_(source),
        thick_(source.number("thickness")),
        spine_(std::max(thick_, source.numberOr("spine", thick_))),
        width_(source.number("width")),
        card_(source.numberOr("card", 0.3)),
        crease_(source.numberOr("crease", 0.0)),
        reach_(source.numberOr("reach", width_)),
        sections_(static_cast<int>(
            std::clamp(source.numberOr("sections", 0.0), 0.0, double{kMostSections}))) {}

  Sketch draw() {
    if (crease_ > 0.0) {  // what it is about lies at the spine
      const double shown = std::max({2.5 * thick_, 6.0 * crease_, 30.0});
      width_ = std::min(width_, shown);
      reach_ = std::min(reach_, 1.05 * shown);
    }
    if (!(thick_ > 0.0) || !(width_ > 0.0) || !(reach_ > crease_)) return {};
    if (sections_ > 0)
      addSections();
    else
      addLeaves();
    addCover();
    addSpots();
    return std::move(sketch_);
  }

 private:
  void addLeaves() {
    const Subject block = source_.subject("block");
    sketch_.add(
        closedShape(LineKind::Outline, Matter::Leaves, rectangle(0, 0, width_, thick_), block));
    for (int i = 1; i < kLeafLines; ++i) {
      const double y = thick_ * i / kLeafLines;
      sketch_.add(openShape(LineKind::Leaf, {{0, y}, {width_, y}}, block));
    }
    // What it is glued with: the spine, and as far as the outer creases.
    sketch_.add(sectionShape(Matter::Cloth, std::max(0.3, 0.02 * thick_),
                             {{crease_, 0}, {0, 0}, {0, thick_}, {crease_, thick_}},
                             source_.subject("glue")));
    const double cord = std::min(source_.numberOr("cord", 0.0), width_);
    sketch_.point("cord", {cord / 2, 0.35 * thick_});
    if (cord > 0.0)
      sketch_.add(closedShape(LineKind::Outline, Matter::Rod, rectangle(0, 0, cord, thick_),
                              source_.subject("cord")));
  }

  /// Folios in one another, the inner ones standing out by the creep.
  void addSections() {
    const Subject block = source_.subject("block");
    const double each = thick_ / sections_, creep = source_.numberOr("creep", 0.0);
    const int folios =
        static_cast<int>(std::clamp(source_.numberOr("folios", 4.0), 1.0, double{kMostFolios}));
    for (int i = 0; i < sections_; ++i) {
      const double middle = (i + 0.5) * each;
      const int drawn = std::min(folios, std::max(1, kMostLines / sections_));
      for (int k = 0; k < drawn; ++k) {
        const double half = 0.46 * each * (drawn - k) / drawn;
        const double out = drawn > 1 ? creep * k / (drawn - 1) : 0.0;
        std::vector<Point> folio{{width_ + out, middle + half}};
        for (const Point& p : leftOf({half + out, middle}, half)) folio.push_back(p);
        folio.push_back({width_ + out, middle - half});
        sketch_.add(k == 0 ? closedShape(LineKind::Outline, Matter::Leaves, std::move(folio), block)
                           : openShape(LineKind::Leaf, std::move(folio), block));
      }
    }
  }

  /// The left half of a circle, from its top.
  static std::vector<Point> leftOf(Point middle, double radius) {
    constexpr int kSteps = 8;
    std::vector<Point> points;
    for (int i = 0; i <= kSteps; ++i) {
      const double a = std::numbers::pi * (0.5 + static_cast<double>(i) / kSteps);
      points.push_back({middle.x + radius * std::cos(a), middle.y + radius * std::sin(a)});
    }
    return points;
  }

  /// Where the front cover bends.
  [[nodiscard]] TurnArc arc() const {
    return {{crease_, spine_ + card_ / 2}, 1.05 * (reach_ - crease_), 0.0, 180.0};
  }

  void addCover() {
    const double low = -card_ / 2, high = spine_ + card_ / 2;
    const double turn = std::min(source_.turn(90.0), 180.0);
    const TurnArc lifting = arc();
    const Point end = lifting.at(turn, (reach_ - crease_) / lifting.radius);
    // Where it lies shut, and where it is now.
    sketch_.add(openShape(LineKind::Hidden, {lifting.hinge, {reach_, high}}, {}));
    sketch_.add(
        sectionShape(Matter::Card, card_,
                     {{reach_, low}, {-card_ / 2, low}, {-card_ / 2, high}, lifting.hinge, end},
                     source_.subject("card")));
    addTurnArc(sketch_, lifting);
    sketch_.grip = Grip{lifting.hinge, end, turn, 180.0};
  }

  void addSpots() {
    const double off = kOff * width_;
    const double spine = source_.numberOr("spine", thick_);
    sketch_.line("spine", {-off, 0}, {-off, spine},
                 {{{0, 0}, {-off, 0}}, {{0, spine}, {-off, spine}}});
    const double below = -card_ - off;
    sketch_.line("panel", {0, below}, {reach_, below},
                 {{{0, 0}, {0, below}}, {{reach_, 0}, {reach_, below}}});
    sketch_.point("card", {0.6 * reach_, -card_ / 2});
    if (crease_ > 0.0)
      sketch_.line("crease", {0, below / 2}, {crease_, below / 2},
                   {{{crease_, -card_}, {crease_, below / 2}}});
    sketch_.point("leaves", {width_, thick_ / 2});
    if (reach_ > width_)
      sketch_.line("square", {width_, below / 2}, {reach_, below / 2},
                   {{{width_, 0}, {width_, below / 2}}});
    else
      sketch_.point("square", {width_, 0});
    sketch_.point("creep", {width_ + source_.numberOr("creep", 0.0), 0.8 * thick_});
    DrawingLabel label{"hinge.free", arc().at(90, 1.03), LabelSide::Above};
    label.words.text = std::to_string(static_cast<int>(std::lround(sketch_.grip->turn)));
    sketch_.labels.push_back(std::move(label));
  }

  const FigureSource& source_;
  double thick_, spine_, width_, card_, crease_, reach_;
  int sections_;
  Sketch sketch_;
};

}  // namespace

Sketch sketchSoftCover(const FigureSource& source) { return SoftCover(source).draw(); }

}  // namespace drapery
