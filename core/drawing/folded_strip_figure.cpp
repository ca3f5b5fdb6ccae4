#include <algorithm>

#include "core/drawing/strip_shapes.h"

namespace drapery {

namespace {

constexpr double kUsualHeight = 140.0;
constexpr double kLean = 0.5;  // of a panel's width, how far apart two folds stand half open
constexpr double kOff = 0.06;  // of the larger side, from the page to its measuring lines

/// Above, the strip half open seen from the head, a cover at each end and a bar on every face that
/// carries a picture; below, its first page from the face, the picture in it.
class FoldedStrip {
 public:
  explicit FoldedStrip(const FigureSource& source)
      : source_(source),
        width_(source.numberOr("panel_width", kUsualPanel)),
        height_(source.numberOr("panel_height", kUsualHeight)),
        foot_(height_ + 0.35 * std::max(width_, height_)) {}

  Sketch draw() {
    drawStrip();
    drawPage();
    return std::move(sketch_);
  }

 private:
  void drawStrip() {
    const Zigzag strip{width_, kLean * width_, {0, foot_}};
    addStrip(sketch_, source_, strip, source_.has("panel_width") && source_.has("panel_height"));
    const Point last = strip.fold(panelsDrawn(source_));
    sketch_.point("strip", {last.x / 2, strip.fold(1).y});
    sketch_.point("strip_foot", {last.x / 2, foot_});
    sketch_.point("strip_end", last);
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
  double foot_;  // of the strip, above the page
  Sketch sketch_;
};

}  // namespace

Sketch sketchFoldedStrip(const FigureSource& source) { return FoldedStrip(source).draw(); }

}  // namespace drapery
