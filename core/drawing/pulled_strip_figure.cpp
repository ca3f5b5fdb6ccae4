#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/drawing/strip_shapes.h"

namespace drapery {

namespace {

constexpr double kGap = 0.35;        // of a panel, between the shut book and the strip pulled out
constexpr double kOff = 0.08;        // of a panel, to a measuring line
constexpr int kMostNumbered = 12;    // of more panels the numbers would hide the strip
constexpr double kLeastPanel = 0.3;  // of a panel along the strip: nearer, its number has no room

/// The shut book from its head, and beside it the strip pulled out as far as one likes, on the
/// bench.
class PulledStrip {
 public:
  explicit PulledStrip(const FigureSource& source)
      : source_(source),
        panel_(source.numberOr("panel_width", kUsualPanel)),
        panels_(panelsDrawn(source)),
        stack_(source.numberOr("stack", 0.1 * panel_)),
        board_(source.numberOr("board", 0.02 * panel_)) {}

  Sketch draw() {
    drawShut();
    drawPulled();
    return std::move(sketch_);
  }

 private:
  void drawShut() {
    const bool isMeasured = source_.has("panel_width") && source_.has("stack");
    const double right = -kGap * panel_, left = right - stack_ - 2 * board_;
    const double square = source_.numberOr("square", 0.0);
    // Panels even, both covers lie on one face of the strip; shut, they are the outsides anyway.
    for (const double x : {left, right - board_})
      sketch_.add(closedShape(isMeasured, Matter::Board,
                              rectangle(x, -square, x + board_, panel_ + square),
                              source_.subject("cover")));
    std::vector<Point> folded;
    for (int i = 0; i <= panels_; ++i)
      folded.push_back({left + board_ + stack_ * i / panels_, i % 2 == 0 ? 0.0 : panel_});
    sketch_.add(
        openShape(isMeasured ? LineKind::Cut : LineKind::Hidden, folded, source_.subject("strip")));
    const double above = panel_ + square + kOff * panel_;
    sketch_.line(
        "closed", {left, above}, {right, above},
        {{{left, panel_ + square}, {left, above}}, {{right, panel_ + square}, {right, above}}});
    sketch_.point("cover", {left, 0.3 * panel_});
  }

  void drawPulled() {
    const double turn = std::min(source_.turn(90.0), 180.0);
    const double lean = std::sin(turn / 2 * std::numbers::pi / 180.0) * panel_;
    const Zigzag strip{panel_, std::max(lean, stack_ / panels_), {0, 0}};
    // The bench, as far as the strip can be pulled out, and the room over it.
    const double end = (panels_ + kOff) * panel_, start = -kOff * panel_;
    const double high = (1 + kOff) * panel_;
    sketch_.add(openShape(LineKind::Extension, {{start, 0}, {end, 0}}, {}));
    sketch_.add(openShape(LineKind::Extension, {{end, start}, {end, high}}, {}));
    addStrip(sketch_, source_, strip, source_.has("panel_width"));
    drawJoins(strip);
    if (strip.across > kLeastPanel * panel_ && panels_ <= kMostNumbered)
      for (int i = 0; i < panels_; ++i) {
        const std::vector<Point> band = strip.along(i, i % 2 == 0 ? -1 : 1, 0.17 * panel_, 0, 0.01);
        DrawingLabel number{{}, band.front(), LabelSide::Over};
        number.words.text = std::to_string(i + 1);
        sketch_.labels.push_back(std::move(number));
      }
    sketch_.grip =
        Grip{strip.fold(0), strip.fold(1), turn, 180.0, Turning::Folds, 180.0, 90.0, -0.5};
    sketch_.point("strip", {panels_ * panel_ / 2, panel_});
    sketch_.line("pulled", {0, -kOff * panel_}, {panels_ * panel_, -kOff * panel_});
    DrawingLabel open{"fold.open", {panels_ * panel_ / 2, panel_ * (1 + kOff)}, LabelSide::Above};
    open.words.text = std::to_string(static_cast<int>(std::lround(turn)));
    sketch_.labels.push_back(std::move(open));
    const int all = static_cast<int>(source_.numberOr("panels", panels_));
    if (all <= panels_) return;
    DrawingLabel some{"fold.some", {0.9 * panels_ * panel_, panel_ * (1 + kOff)}, LabelSide::Above};
    some.words.text = std::to_string(panels_);
    sketch_.labels.push_back(std::move(some));
  }

  /// Where one strip ends and the next begins: a panel that both have, or a tab behind a fold.
  void drawJoins(const Zigzag& strip) {
    const double full = source_.numberOr("full", 0.0), step = source_.numberOr("step", 0.0);
    if (full < 1.0 || step < 1.0) return;
    constexpr double kBehind = 0.025;  // of a panel, as drawn
    const double side = -1.0;
    for (double end = full; end < panels_; end += step) {
      const int panel = static_cast<int>(end) - (source_.number("is_lapped") > 0.0 ? 1 : 0);
      const double share = source_.number("is_lapped") > 0.0 ? 1.0 : 0.2;
      std::vector<Point> band =
          strip.along(panel, panel % 2 == 0 ? side : -side, kBehind * panel_, 0, share);
      sketch_.add(openShape(LineKind::Cut, {band[0], band[1]}, source_.subject("strip")));
    }
  }

  const FigureSource& source_;
  double panel_;
  int panels_;
  double stack_, board_;
  Sketch sketch_;
};

}  // namespace

Sketch sketchPulledStrip(const FigureSource& source) { return PulledStrip(source).draw(); }

}  // namespace drapery
