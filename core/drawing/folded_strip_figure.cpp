#include <algorithm>
#include <cmath>

#include "core/drawing/figure.h"

namespace drapery {

namespace {

constexpr double kUsualWidth = 100.0;
constexpr double kUsualHeight = 140.0;
constexpr double kUsualPanels = 6.0;
constexpr int kMostDrawn = 24;       // more would be a grey band
constexpr double kLean = 0.5;        // of a panel's width, how far apart two folds stand half open
constexpr double kOff = 0.06;        // of the larger side, from the page to its measuring lines
constexpr double kBar = 0.05;        // of a panel's width, from its face to the picture's bar
constexpr double kBarLength = 0.62;  // of a panel
constexpr double kCover = 0.05;      // of a panel's width, a cover's thickness as drawn

/// Above, the strip half open seen from the head, a cover at each end and a bar on every face that
/// carries a picture; below, its first page from the face, the picture in it.
class FoldedStrip {
 public:
  explicit FoldedStrip(const FigureSource& source)
      : source_(source),
        width_(source.numberOr("panel_width", kUsualWidth)),
        height_(source.numberOr("panel_height", kUsualHeight)),
        panels_(static_cast<int>(
            std::clamp(source.numberOr("panels", kUsualPanels), 1.0, double{kMostDrawn}))),
        foot_(height_ + 0.35 * std::max(width_, height_)) {}

  Sketch draw() {
    drawStrip();
    drawPage();
    return std::move(sketch_);
  }

 private:
  [[nodiscard]] Point fold(int i) const {
    const double across = kLean * width_;
    return {i * across, foot_ + (i % 2 == 0 ? 0.0 : std::sqrt(width_ * width_ - across * across))};
  }

  /// A band along a panel, so far off its upper (1) or lower (-1) face.
  [[nodiscard]] std::vector<Point> along(int panel, double side, double off, double thick,
                                         double share) const {
    const Point a = fold(panel), b = fold(panel + 1);
    const Point u{(b.x - a.x) / width_, (b.y - a.y) / width_};
    const Point n{-u.y * side, u.x * side};
    const double in = width_ * (1 - share) / 2;
    const auto at = [&](double far, double out) {
      return Point{a.x + u.x * far + n.x * out, a.y + u.y * far + n.y * out};
    };
    return {at(in, off), at(width_ - in, off), at(width_ - in, off + thick), at(in, off + thick)};
  }

  void drawStrip() {
    const bool isMeasured = source_.has("panel_width") && source_.has("panel_height");
    const Subject strip = source_.subject("strip");
    std::vector<Point> zigzag;
    for (int i = 0; i <= panels_; ++i) zigzag.push_back(fold(i));
    sketch_.add(openShape(isMeasured ? LineKind::Cut : LineKind::Hidden, zigzag, strip));
    // The front cover sits on the face that is below at the left; the back one on the same face
    // of the strip where the panels are even.
    const double front = -1.0, back = panels_ % 2 == 0 ? front : -front;
    for (int i = 0; i < panels_; ++i)
      for (const double side : {-front, front}) {
        const bool isCovered = (i == 0 && side == front) || (i == panels_ - 1 && side == back);
        const bool hasPicture =
            !isCovered && (source_.numberOr("is_both", 1.0) > 0.0 || side == -front);
        if (isCovered)
          sketch_.add(closedShape(isMeasured, Matter::Board,
                                  along(i, side, 0, kCover * width_, 1.06),
                                  source_.subject("cover")));
        if (hasPicture && isMeasured)
          sketch_.add(closedShape(true, Matter::Paper,
                                  along(i, side, kBar * width_, 0.4 * kBar * width_, kBarLength),
                                  strip));
      }
    const Point last = fold(panels_);
    const double deep = std::sqrt(1 - kLean * kLean) * width_;
    sketch_.point("strip", {last.x / 2, foot_ + deep});
    sketch_.point("strip_foot", {last.x / 2, foot_});
    sketch_.point("strip_end", {last.x, last.y});
    sketch_.point("cover", {0, foot_});
  }

  void drawPage() {
    const bool isMeasured = source_.has("panel_width") && source_.has("panel_height");
    const Subject strip = source_.subject("strip");
    sketch_.add(closedShape(isMeasured, Matter::Paper, rectangle(0, 0, width_, height_), strip));
    const double wide = std::min(source_.numberOr("picture_wide", 0.86 * width_), width_);
    const double high = std::min(source_.numberOr("picture_high", 0.86 * height_), height_);
    const double left = (width_ - wide) / 2, low = (height_ - high) / 2;
    sketch_.add(closedShape(source_.has("picture_wide") && source_.has("picture_high"),
                            Matter::None, rectangle(left, low, left + wide, low + high), strip));
    const double off = kOff * std::max(width_, height_);
    sketch_.line("panel", {0, -off}, {width_, -off});
    sketch_.line("height", {-off, 0}, {-off, height_});
    sketch_.point("picture", {width_ / 2, low});
    sketch_.point("picture_side", {left + wide, height_ / 2});
    sketch_.point("border", {width_, 0.75 * height_});
    sketch_.labels.push_back({kFaceLabel, {width_ / 2, height_ / 2}, LabelSide::On});
  }

  const FigureSource& source_;
  double width_, height_;
  int panels_;
  double foot_;  // of the strip, above the page
  Sketch sketch_;
};

}  // namespace

Sketch sketchFoldedStrip(const FigureSource& source) { return FoldedStrip(source).draw(); }

}  // namespace drapery
