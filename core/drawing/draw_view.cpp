#include "core/drawing/draw_view.h"

#include <algorithm>

#include "core/drawing/drawn_lines.h"
#include "core/drawing/figure.h"

namespace drapery {

namespace {

class ViewDrawing {
 public:
  ViewDrawing(const ViewRule& view, const Plan& plan, const Pose& pose)
      : view_(view), plan_(plan), pose_(pose) {
    drawing_.id = view.id;
    drawing_.isToScale = view.spec != nullptr && view.spec->isToScale;
  }

  Drawing draw() {
    Sketch sketch = sketchFigure(view_.figure, FigureSource(view_, plan_, pose_));
    drawing_.shapes = std::move(sketch.shapes);
    drawing_.labels = std::move(sketch.labels);
    drawing_.grip = sketch.grip;
    const bool hasShapes = !drawing_.shapes.empty();
    if (hasShapes) addLines(view_.lines, plan_, drawing_.shapes);
    if (hasShapes) addLabels();
    for (const ViewTag& tag : view_.tags) hang(tag, sketch.spots);
    hangReadings(sketch.readings);
    if (view_.window && hasShapes) lookThrough(*view_.window);
    return std::move(drawing_);
  }

 private:
  [[nodiscard]] bool holds(const RuleFormula& when) const {
    return when.formula.holds(plan_.table());
  }

  void addLabels() {
    eachLabel(view_.labels, plan_,
              [&](Point at, const RuleWords& says, std::vector<Amount> figures) {
                DrawingLabel label{{}, at, LabelSide::Over};
                label.says = &says;
                label.figures = std::move(figures);
                drawing_.labels.push_back(std::move(label));
              });
  }

  void lookThrough(const std::pair<RulePoint, RulePoint>& window) {
    const auto a = pointOn(plan_, window.first), b = pointOn(plan_, window.second);
    if (!a || !b) return;
    drawing_.window =
        Box{std::min(a->x, b->x), std::min(a->y, b->y), std::max(a->x, b->x), std::max(a->y, b->y)};
  }

  void hang(const ViewTag& tag, const std::vector<Spot>& spots) {
    if (!holds(tag.when)) return;
    if (tag.at) return hangAt(tag);
    const auto spot = std::find_if(spots.begin(), spots.end(),
                                   [&](const Spot& each) { return each.name == tag.spot; });
    if (spot == spots.end()) return;
    for (const auto& [from, to] : spot->extensions)
      drawing_.shapes.push_back(openShape(LineKind::Extension, {from, to}, tag.subject));
    hangOn(tag, spot->from, spot->to);
  }

  void hangAt(const ViewTag& tag) {
    const auto from = pointOn(plan_, *tag.at);
    const auto to = tag.to ? pointOn(plan_, *tag.to) : from;
    if (from && to && !drawing_.shapes.empty()) hangOn(tag, *from, *to);
  }

  void hangOn(const ViewTag& tag, Point from, Point to) {
    if (from.x != to.x || from.y != to.y)
      drawing_.shapes.push_back(openShape(LineKind::Dimension, {from, to}, tag.subject));
    drawing_.tags.push_back(
        {tag.subject, {(from.x + to.x) / 2, (from.y + to.y) / 2}, tag.side, from, to});
  }

  /// Of an upright measuring line above it; of one across beside it. The place of a reading that
  /// was not taken has the line as an extension.
  static Side sideOf(const Spot& spot) {
    const auto& [from, to] =
        spot.extensions.empty() ? std::pair(spot.from, spot.to) : spot.extensions.front();
    return from.x == to.x ? Side::Above : Side::Right;
  }

  void hangReadings(const std::vector<Spot>& readings) {
    for (const Spot& spot : readings) {
      ViewTag tag;
      tag.subject = Subject::value(view_.readingsOf + "@" + spot.name);
      tag.side = sideOf(spot);
      hangOn(tag, spot.from, spot.to);
    }
  }

  const ViewRule& view_;
  const Plan& plan_;
  const Pose& pose_;
  Drawing drawing_;
};

}  // namespace

Drawing drawView(const ViewRule& view, const Plan& plan, const Pose& pose) {
  return ViewDrawing(view, plan, pose).draw();
}

std::optional<Drawing> drawAgain(const Drawing& drawing, const Plan& plan, const Pose& pose) {
  for (const ViewRule& view : plan.rules->views)
    if (view.id == drawing.id) return drawView(view, plan, pose);
  return std::nullopt;
}

std::vector<const ViewRule*> viewsOf(const Plan& plan, std::string_view stage) {
  std::vector<const ViewRule*> views;
  for (const ViewRule& view : plan.rules->views)
    if (view.stage == stage && view.detailOf.empty() && view.when.formula.holds(plan.table()))
      views.push_back(&view);
  return views;
}

std::vector<const ViewRule*> detailsOf(const Plan& plan, std::string_view view) {
  std::vector<const ViewRule*> details;
  for (const ViewRule& each : plan.rules->views)
    if (each.detailOf == view && each.when.formula.holds(plan.table())) details.push_back(&each);
  return details;
}

}  // namespace drapery
