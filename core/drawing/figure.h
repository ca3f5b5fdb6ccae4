// How the figures of core/figure are drawn: each a function from its numbers to shapes and spots.
#pragma once

#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "core/drawing/drawing.h"
#include "core/plan/plan.h"

namespace drapery {

/// Where a tag can hang: a point, or a measuring line with the lines that lead to it.
struct Spot {
  std::string name;
  Point from, to;
  std::vector<std::pair<Point, Point>> extensions;
  [[nodiscard]] bool isLine() const { return from.x != to.x || from.y != to.y; }
};

struct Sketch {
  std::vector<Shape> shapes;
  std::vector<Spot> spots;
  std::vector<DrawingLabel> labels;
  /// Where a reading of the view's measure hangs, by its name.
  std::vector<Spot> readings = {};
  std::optional<Grip> grip = {};  // where the figure turns

  void add(Shape shape) { shapes.push_back(std::move(shape)); }
  void point(const char* name, Point at) { spots.push_back({name, at, at, {}}); }
  void line(const std::string& name, Point from, Point to,
            std::vector<std::pair<Point, Point>> extensions = {}) {
    spots.push_back({name, from, to, std::move(extensions)});
  }
};

/// What a figure is drawn from.
class FigureSource {
 public:
  FigureSource(const ViewRule& view, const Plan& plan, const Pose& pose = {});
  [[nodiscard]] const Pose& pose() const { return pose_; }
  /// Degrees that it is turned; `first` while nobody has turned it.
  [[nodiscard]] double turn(double first) const { return pose_.turn < 0.0 ? first : pose_.turn; }
  /// NaN when it is not known.
  [[nodiscard]] double number(std::string_view input) const;
  [[nodiscard]] bool has(std::string_view input) const;
  [[nodiscard]] double numberOr(std::string_view input, double usual) const;
  [[nodiscard]] Subject subject(std::string_view thing) const { return view_.subject(thing); }
  [[nodiscard]] const Plan& plan() const { return plan_; }
  /// The measure whose readings the view shows; null for none.
  [[nodiscard]] const InputRule* measured() const { return plan_.rules->input(view_.readingsOf); }
  /// The parts that the view lists.
  [[nodiscard]] const std::vector<std::string>& layers() const { return view_.layers; }
  /// Whether a measure that still has no figure is asked for by the view's tags.
  [[nodiscard]] bool asksForMeasure() const;

 private:
  const ViewRule& view_;
  const Plan& plan_;
  Pose pose_;
  std::vector<double> numbers_;
};

Sketch sketchTextBlock(const FigureSource& source);
Sketch sketchJoint(const FigureSource& source);
Sketch sketchFoldedStrip(const FigureSource& source);
Sketch sketchFlatPieces(const FigureSource& source);
Sketch sketchFoldingSheet(const FigureSource& source);
Sketch sketchSections(const FigureSource& source);
Sketch sketchLeafStack(const FigureSource& source);
Sketch sketchSpine(const FigureSource& source);
Sketch sketchLayers(const FigureSource& source);
Sketch sketchJacket(const FigureSource& source);
Sketch sketchOpenedCover(const FigureSource& source);
Sketch sketchPulledStrip(const FigureSource& source);
Sketch sketchSoftCover(const FigureSource& source);
Sketch sketchFoldedCover(const FigureSource& source);
Sketch sketchSpring(const FigureSource& source);
Sketch sketchLever(const FigureSource& source);
Sketch sketchDowel(const FigureSource& source);
Sketch sketchPortrait(const FigureSource& source);
Sketch sketchHinge(const FigureSource& source);
Sketch sketchWrapped(const FigureSource& source);
Sketch sketchReadings(const FigureSource& source);

/// By the figure's id; an empty sketch when there is no such figure.
Sketch sketchFigure(std::string_view figure, const FigureSource& source);

}  // namespace drapery
