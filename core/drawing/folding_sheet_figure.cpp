#include <algorithm>

#include "core/drawing/figure.h"

namespace drapery {

namespace {

constexpr double kUsualWidth = 420.0;
constexpr double kUsualHeight = 594.0;
constexpr int kMostHalvings = 8;  // more would be a grey band
constexpr double kOff = 0.06;     // of the longer side: from the sheet to its measuring lines

class FoldingSheet {
 public:
  explicit FoldingSheet(const FigureSource& source) : source_(source) {
    isKnown_ = source.has("width") && source.has("height");
    width_ = isKnown_ ? source.number("width") : kUsualWidth;
    height_ = isKnown_ ? source.number("height") : kUsualHeight;
    netWidth_ = std::max(0.0, width_ - source.numberOr("off_width", 0.0));
    netHeight_ = std::max(0.0, height_ - source.numberOr("off_height", 0.0));
  }

  Sketch draw() {
    const Subject sheet = source_.subject("sheet");
    sketch_.add(closedShape(isKnown_, Matter::Paper, rectangle(0, 0, width_, height_), sheet));
    if (netWidth_ < width_ || netHeight_ < height_)
      sketch_.add(openShape(LineKind::Cut,
                            {{netWidth_, 0}, {netWidth_, netHeight_}, {0, netHeight_}}, sheet));
    halve();
    const double grain = source_.numberOr("grain", 0.0);
    if (grain != 0.0) addGrain(grain > 0.0);
    addSpots();
    return std::move(sketch_);
  }

 private:
  [[nodiscard]] int times(const char* input) const {
    return static_cast<int>(std::clamp(source_.numberOr(input, 0.0), 0.0, double{kMostHalvings}));
  }

  /// Each halving goes across the longer side of what the ones before left, and through all of it.
  void halve() {
    double width = netWidth_, height = netHeight_;
    const int cuts = times("cuts"), all = cuts + times("folds");
    cutAt_ = foldAt_ = {netWidth_, netHeight_ / 2};
    for (int k = 0; k < all; ++k) {
      const LineKind kind = k < cuts ? LineKind::Cut : LineKind::Fold;
      const bool isAcrossWidth = width > height;
      double& side = isAcrossWidth ? width : height;
      side /= 2;
      const double whole = isAcrossWidth ? netWidth_ : netHeight_;
      for (double at = side; at < whole - side / 2; at += 2 * side)
        addLine(kind, isAcrossWidth, at);
      const Point end = isAcrossWidth ? Point{side, netHeight_} : Point{netWidth_, side};
      if (k == 0) cutAt_ = end;
      if (k == cuts) foldAt_ = end;
    }
    leaf_ = {width, height};
    // Under the lines, which go over its edges.
    Shape leaf = closedShape(LineKind::Leaf, Matter::Leaves, rectangle(0, 0, width, height),
                             source_.subject("leaf"));
    sketch_.shapes.insert(sketch_.shapes.begin() + 1, std::move(leaf));
  }
  void addLine(LineKind kind, bool isAcrossWidth, double at) {
    sketch_.add(openShape(kind,
                          isAcrossWidth ? std::vector<Point>{{at, 0}, {at, netHeight_}}
                                        : std::vector<Point>{{0, at}, {netWidth_, at}},
                          source_.subject("sheet")));
  }

  void addGrain(bool isLong) {
    const bool isAlongWidth = isLong == (width_ > height_);
    const double reach = 0.12 * std::max(width_, height_);
    const Point middle{0.75 * netWidth_, 0.75 * netHeight_};
    grainAt_ = middle;
    sketch_.add(openShape(
        LineKind::Grain,
        isAlongWidth
            ? std::vector<Point>{{middle.x - reach, middle.y}, {middle.x + reach, middle.y}}
            : std::vector<Point>{{middle.x, middle.y - reach}, {middle.x, middle.y + reach}},
        source_.subject("sheet")));
  }

  void addSpots() {
    const double off = kOff * std::max(width_, height_);
    sketch_.point("sheet", {0.1 * width_, height_});
    sketch_.line("width", {0, -off}, {width_, -off});
    sketch_.line("height", {-off, 0}, {-off, height_});
    sketch_.point("off_width", {(netWidth_ + width_) / 2, 0.3 * netHeight_});
    sketch_.point("off_height", {0.35 * netWidth_, (netHeight_ + height_) / 2});
    sketch_.point("grain", grainAt_.x > 0.0 ? grainAt_ : Point{0.75 * netWidth_, height_});
    sketch_.point("cuts", cutAt_);
    sketch_.point("folds", foldAt_);
    sketch_.point("leaf", {leaf_.x, leaf_.y / 2});
  }

  const FigureSource& source_;
  Sketch sketch_;
  bool isKnown_ = false;
  double width_ = 0, height_ = 0, netWidth_ = 0, netHeight_ = 0;  // net: squared up
  Point cutAt_{}, foldAt_{}, leaf_{}, grainAt_{};
};

}  // namespace

Sketch sketchFoldingSheet(const FigureSource& source) { return FoldingSheet(source).draw(); }

}  // namespace drapery
