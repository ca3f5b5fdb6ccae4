#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/drawing/strip_shapes.h"

namespace drapery {

namespace {

constexpr double kBoard = 1.2;  // mm: a cover that is thicker is board
constexpr double kApart = 0.3;  // of the cover's width, between the two pictures
constexpr int kLeaves = 4;      // drawn on either side of the opened book
constexpr double kBow = 0.24;   // of a leaf that is held at the spine: where it bends

/// What a book is like: its front cover with the leaves behind it, and under it the book opened on
/// the bench, from the head. Held leaves rise in a bow and never lie flat; a strip stands.
class Portrait {
 public:
  explicit Portrait(const FigureSource& source)
      : source_(source),
        high_(source.number("front_height")),
        wide_(source.number("front_width")),
        cover_(std::max(0.0, source.numberOr("cover", 0.0))),
        leafHigh_(source.numberOr("leaves_high", 0.0)),
        leafWide_(source.numberOr("leaves_wide", 0.0)),
        thick_(source.numberOr("thickness", 0.0)),
        held_(std::max(0.0, source.numberOr("held", 0.0))) {}

  Sketch draw() {
    if (!(high_ > 0.0) || !(wide_ > 0.0)) return {};
    drawFace();
    foot_ = -kApart * wide_ - reachUp();
    if (source_.numberOr("panels", 0.0) >= 2.0)
      drawStanding();
    else
      drawOpened();
    return std::move(sketch_);
  }

 private:
  [[nodiscard]] Matter matter() const { return cover_ > kBoard ? Matter::Board : Matter::Card; }

  void drawFace() {
    const double left = -wide_ / 2;
    sketch_.add(closedShape(LineKind::Outline, matter(), rectangle(left, 0, left + wide_, high_),
                            source_.subject("cover")));
    if (leafWide_ > 0.0 && leafHigh_ > 0.0) {
      const double right = wide_ / 2 - source_.numberOr("fore", 0.0);
      const double low = source_.numberOr("tail", 0.0);
      sketch_.add(closedShape(LineKind::Hidden, Matter::None,
                              rectangle(right - leafWide_, low, right, low + leafHigh_),
                              source_.subject("block")));
    }
    if (const double hinge = source_.numberOr("hinge", 0.0); hinge > 0.0)
      sketch_.add(openShape(LineKind::Crease, {{left + hinge, 0}, {left + hinge, high_}},
                            source_.subject("cover")));
  }

  /// What the opened book rises over the bench.
  [[nodiscard]] double reachUp() const {
    if (source_.numberOr("panels", 0.0) >= 2.0) return wide_;
    return cover_ + held_ + bow(kLeaves) + thick_ / 2;
  }
  [[nodiscard]] double bow(int leaf) const {
    const double base = held_ > 0.0 ? kBow * std::max(0.0, leafWide_ - held_) : 0.0;
    return base * leaf / kLeaves + (held_ > 0.0 ? 0.0 : thick_ / 2 * leaf / kLeaves);
  }

  void drawOpened() {
    const Subject block = source_.subject("block");
    const double gutter = held_ > 0.0 ? thick_ / 2 : 0.0;
    for (const double side : {-1.0, 1.0}) {
      const double from = side * gutter, to = side * (gutter + wide_);
      sketch_.add(closedShape(
          LineKind::Outline, matter(),
          rectangle(std::min(from, to), foot_, std::max(from, to), foot_ + std::max(cover_, 0.4)),
          source_.subject("cover")));
      if (leafWide_ <= 0.0) continue;
      if (held_ <= 0.0) {
        std::vector<Point> half = leafPath(side, kLeaves);
        half.push_back({side * leafWide_, foot_ + cover_});
        half.push_back({0, foot_ + cover_});
        sketch_.add(closedShape(LineKind::Outline, Matter::Leaves, std::move(half), block));
        continue;
      }
      for (int leaf = 1; leaf <= kLeaves; ++leaf)
        sketch_.add(openShape(LineKind::Cut, leafPath(side, leaf), block));
    }
    if (held_ > 0.0 && leafWide_ > 0.0)
      sketch_.add(closedShape(LineKind::Outline, Matter::Leaves,
                              rectangle(-gutter, foot_ + cover_, gutter, foot_ + cover_ + held_),
                              block));
  }

  /// Up from where it is held, round a quarter of a circle, then level to its fore-edge.
  [[nodiscard]] std::vector<Point> leafPath(double side, int leaf) const {
    constexpr int kSteps = 8;
    const double r = bow(leaf),
                 start = held_ > 0.0 ? thick_ / 2 * (1.0 - leaf / (kLeaves + 1.0)) : 0;
    const double base = foot_ + cover_ + held_;
    std::vector<Point> path;
    for (int i = 0; i <= kSteps; ++i) {
      const double a = std::numbers::pi / 2 * i / kSteps;
      path.push_back({side * (start + r * (1 - std::cos(a))), base + r * std::sin(a)});
    }
    const double rest = leafWide_ - held_ - r * std::numbers::pi / 2;
    if (rest > 0.0) path.push_back({path.back().x + side * rest, path.back().y});
    return path;
  }

  void drawStanding() {
    constexpr double kLean = 0.55;
    const double panel = leafWide_ > 0.0 ? leafWide_ : wide_, across = kLean * panel;
    addStrip(sketch_, source_, {panel, across, {-across * panelsDrawn(source_) / 2, foot_}}, true);
  }

  const FigureSource& source_;
  double high_, wide_, cover_, leafHigh_, leafWide_, thick_, held_;
  double foot_ = 0.0;  // of the opened book, under the face
  Sketch sketch_;
};

}  // namespace

Sketch sketchPortrait(const FigureSource& source) { return Portrait(source).draw(); }

}  // namespace drapery
