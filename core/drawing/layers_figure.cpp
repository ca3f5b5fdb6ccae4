#include <algorithm>

#include "core/drawing/figure.h"
#include "core/drawing/piece_shapes.h"

namespace drapery {

namespace {

// A slanted view: what lies away from the eye goes up and to the right.
constexpr double kSlant = 0.42;
constexpr double kRise = 0.3;
constexpr double kStep = 0.62;   // of what the deepest layer rises: from layer to layer
constexpr int kMostPieces = 12;  // of one layer

class Layers {
 public:
  explicit Layers(const FigureSource& source)
      : source_(source),
        liesAlong_(source.numberOr("lies_along", 0.0) != 0.0),
        ground_{source.numberOr("width", 25.0), source.numberOr("height", 210.0)} {
    const Point lying = flat(ground_);
    double deepest = lying.y;
    for (const std::string& id : source.layers())
      if (const PlannedPart* part = source.plan().part(id); part != nullptr && part->places.empty())
        deepest = std::max(deepest, flat({part->width.mm(), part->height.mm()}).y);
    step_ = std::max(kStep * kRise * deepest, 0.04 * lying.x);
  }

  Sketch draw() {
    const Subject ground = source_.subject("ground");
    if (!ground.empty()) add(Matter::Leaves, ground, {piece(ground_, 0, 0)}, "ground.");
    const bool isKnown = source_.has("width") && source_.has("height");
    if (!isKnown && !sketch_.shapes.empty()) sketch_.shapes.front().line = LineKind::Hidden;
    for (const std::string& id : source_.layers())
      if (const PlannedPart* part = source_.plan().part(id)) addPart(*part);
    if (sketch_.shapes.empty())
      sketch_.labels.push_back({"flat.waits", {0, 0}, LabelSide::Above, {}});
    return std::move(sketch_);
  }

 private:
  /// Head to tail lies across the drawing where the view says so.
  [[nodiscard]] Point flat(const Point& p) const { return liesAlong_ ? Point{p.y, p.x} : p; }
  [[nodiscard]] std::vector<Point> seen(std::vector<Point> outline) const {
    for (Point& p : outline) {
      const Point at = flat(p);
      p = {at.x + kSlant * at.y, kRise * at.y + level_ * step_};
    }
    return outline;
  }
  /// A rectangle with its middle so far from the middle of the ground.
  [[nodiscard]] std::vector<Point> piece(const Point& size, double x, double y) const {
    const double left = (ground_.x - size.x) / 2 + x, tail = (ground_.y - size.y) / 2 + y;
    return seen(rectangle(left, tail, left + size.x, tail + size.y));
  }

  void addPart(const PlannedPart& part) {
    if (!sketch_.shapes.empty()) ++level_;
    std::vector<std::vector<Point>> pieces;
    for (const Placement& place : part.places)
      pieces.push_back(seen(placedOutline(part.outline, place)));
    if (pieces.empty()) pieces = spread(part);
    add(matterOf(part.material), Subject::part(part.rule->id), std::move(pieces),
        part.rule->id + ".");
    Point at = sketch_.shapes.back().points.front();
    for (const Point& p : sketch_.shapes[sketch_.shapes.size() - drawn_].points)
      if (p.x < at.x) at = p;
    sketch_.labels.push_back({"", at, LabelSide::Before, part.rule->title});
  }

  /// Several along the ground, the outer ones at its ends; one where they have no room.
  [[nodiscard]] std::vector<std::vector<Point>> spread(const PlannedPart& part) const {
    const Point size{part.width.mm(), part.height.mm()};
    const double room = liesAlong_ ? ground_.y - size.y : ground_.x - size.x;
    const double own = liesAlong_ ? size.y : size.x;
    const int wanted = std::clamp(part.count, 1, kMostPieces);
    const int count = own * (wanted - 1) <= room ? wanted : 1;
    std::vector<std::vector<Point>> pieces;
    for (int i = 0; i < count; ++i) {
      const double off = count == 1 ? 0.0 : room * (static_cast<double>(i) / (count - 1) - 0.5);
      pieces.push_back(piece(size, liesAlong_ ? 0.0 : off, liesAlong_ ? off : 0.0));
    }
    return pieces;
  }

  void add(Matter matter, const Subject& subject, std::vector<std::vector<Point>> pieces,
           const std::string& name) {
    Box box = boundsOf(pieces.front());
    drawn_ = pieces.size();
    for (std::vector<Point>& outline : pieces) {
      const Box each = boundsOf(outline);
      box = {std::min(box.left, each.left), std::min(box.bottom, each.bottom),
             std::max(box.right, each.right), std::max(box.top, each.top)};
      sketch_.add(closedShape(LineKind::Outline, matter, std::move(outline), subject));
    }
    const auto point = [&](const char* spot, Point at) {
      sketch_.spots.push_back({name + spot, at, at, {}});
    };
    const double across = (box.left + box.right) / 2;
    point("left", {box.left + 0.1 * box.width(), box.bottom});
    point("right", {box.right - kSlant * box.height() / (2 * kRise), (box.bottom + box.top) / 2});
    point("front", {across, box.bottom});
    point("back", {across, box.top});
  }

  const FigureSource& source_;
  bool liesAlong_;
  Point ground_;
  double step_ = 0.0;
  int level_ = 0;
  std::size_t drawn_ = 0;  // pieces of the last layer
  Sketch sketch_;
};

}  // namespace

Sketch sketchLayers(const FigureSource& source) { return Layers(source).draw(); }

}  // namespace drapery
