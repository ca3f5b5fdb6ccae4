#include "core/drawing/true_size.h"

#include <algorithm>
#include <cmath>

#include "core/drawing/drawn_lines.h"
#include "core/drawing/piece_shapes.h"

namespace drapery {

namespace {

constexpr double kTick = 6.0;   // of a running mark, mm
constexpr double kCross = 3.0;  // half of a hole's cross, mm
constexpr double kPunch = 0.5;  // a hole's dot, its radius, mm
constexpr int kMostLabels = 12;
constexpr double kStickerWide = 56.0, kStickerHigh = 27.0;  // mm
constexpr double kHeadRoom = 12.0;                          // a piece that has it is marked, mm
constexpr double kPanelName = 0.85;  // of the height, over the words of the folds
constexpr double kMost = 10'000.0;   // mm

/// A line of the drawing that is cut, though it belongs to no piece.
Shape edge(std::vector<Point> points) {
  Shape shape = closedShape(LineKind::Outline, Matter::None, std::move(points), {});
  shape.layer = Layer::Pieces;
  return shape;
}

class Drawer {
 public:
  explicit Drawer(const Plan& plan) : plan_(plan) {}

  std::vector<TrueSize> all() {
    for (const TemplateRule& rule : plan_.rules->templates)
      if (rule.when.formula.holds(plan_.table())) add(fromRule(rule));
    for (const Artwork& art : artworksOn(plan_)) add(folded(art));
    for (const PlannedPart& part : plan_.parts)
      if (!isPrintedOn(part)) add(piece(part));
    for (const PlannedPart& part : plan_.parts)
      for (int i = 0; i < std::min(part.count, kMostLabels); ++i) add(sticker(part, i));
    return std::move(all_);
  }

 private:
  /// Its outline and folds are there already.
  [[nodiscard]] bool isPrintedOn(const PlannedPart& part) const {
    return std::any_of(all_.begin(), all_.end(), [&](const TrueSize& each) {
      return each.artwork && each.artwork->rule->part == part.rule->id;
    });
  }

  /// Moved to its lower left corner, where it has an extent.
  void add(TrueSize size) {
    size.drawing.id = size.id;
    const Box box = boundsOf(size.drawing);
    const bool isSound =
        box.width() > 0.0 && box.height() > 0.0 && box.width() <= kMost && box.height() <= kMost;
    if (!isSound) return;
    for (Shape& shape : size.drawing.shapes)
      for (Point& point : shape.points) point = {point.x - box.left, point.y - box.bottom};
    for (TrueSizeLabel& label : size.labels)
      label.at = {label.at.x - box.left, label.at.y - box.bottom};
    size.width = Length::fromMm(box.width());
    size.height = Length::fromMm(box.height());
    all_.push_back(std::move(size));
  }

  TrueSize fromRule(const TemplateRule& rule) const {
    TrueSize size;
    size.id = rule.id;
    size.title = rule.title;
    size.rule = &rule;
    size.says = figures(rule.says, plan_);
    size.block = figures(rule.block, plan_);
    if (!rule.gives.empty()) {
      const double gives = rule.gives.formula.evaluate(plan_.table());
      if (!(gives > 0.0) || !std::isfinite(gives)) return {};
      size.gives = Length::fromMm(gives);
    }
    if (rule.isLayOut) layOut(size);
    std::vector<Point> outline;
    for (const TemplateCorner& corner : rule.outline)
      eachOf(corner, plan_, [&](const double* locals) {
        if (const auto at = pointOn(plan_, corner.at, locals)) outline.push_back(*at);
      });
    outline = tidied(std::move(outline));
    if (!rule.outline.empty() && (outline.size() < 3 || crossesItself(outline))) return {};
    if (!outline.empty()) size.drawing.shapes.push_back(edge(std::move(outline)));
    addLines(rule.lines, plan_, size.drawing.shapes);
    addLabels(rule.labels, size);
    return size;
  }

  void addLabels(const std::vector<DrawnLabel>& labels, TrueSize& size) const {
    eachLabel(labels, plan_, [&](Point at, const RuleWords& says, std::vector<Amount> figures) {
      size.labels.push_back({at, &says, std::move(figures)});
    });
  }

  /// Every piece where it lies, what is under what first, and the running marks at the edges.
  void layOut(TrueSize& size) const {
    std::vector<const PlannedPart*> parts;
    for (const PlannedPart& part : plan_.parts)
      if (!part.places.empty()) parts.push_back(&part);
    for (const PlannedPart* part : parts)
      for (const Placement& place : part->places) {
        for (Shape& shape : pieceShapes(*part, place)) {
          shape.matter = Matter::None;
          size.drawing.shapes.push_back(std::move(shape));
        }
        const Box box = boundsOf(placedOutline(part->outline, place));
        if (matterOf(part->material) == Matter::Board || matterOf(part->material) == Matter::Card)
          size.labels.push_back({{(box.left + box.right) / 2, (box.bottom + box.top) / 2},
                                 nullptr,
                                 {},
                                 part->rule->title,
                                 box.width() < box.height()});
      }
    for (const PlannedMark& mark : plan_.marks) runningMarks(mark, size);
  }

  /// As marked, from the edge of the piece that they are on: across along its tail and its head.
  void runningMarks(const PlannedMark& mark, TrueSize& size) const {
    const PlannedPart* on = plan_.part(mark.part);
    if (mark.places.empty() || on == nullptr || on->places.empty()) return;
    const Box box = boundsOf(placedOutline(on->outline, on->places.front()));
    for (const PlannedMarkPlace& place : mark.places) {
      const double at = place.at.cut.mm();
      const auto line = [&](Point from, Point to) {
        size.drawing.shapes.push_back(
            openShape(LineKind::Mark, {from, to}, Subject::part(on->rule->id)));
      };
      if (!mark.rule->isUpward) {
        line({box.left + at, box.bottom}, {box.left + at, box.bottom + kTick});
        line({box.left + at, box.top - kTick}, {box.left + at, box.top});
      } else {
        line({box.left, box.bottom + at}, {box.left + kTick, box.bottom + at});
        line({box.right - kTick, box.bottom + at}, {box.right, box.bottom + at});
      }
    }
  }

  /// The piece as it is cut, and what a series puts on it.
  TrueSize piece(const PlannedPart& part) const {
    TrueSize size;
    size.id = "piece/" + part.rule->id;
    size.title = part.rule->title;
    size.part = &part;
    size.drawing = pieceDrawing(part);
    for (Shape& shape : size.drawing.shapes) shape.matter = Matter::None;
    for (const PlannedSeries& series : plan_.series)
      if (series.rule->part == part.rule->id) addSeries(series, part, size.drawing.shapes);
    addLabels(part.rule->labels, size);
    if (part.cutWidth.mm() > kHeadRoom && part.cutHeight.mm() > kHeadRoom)
      size.labels.push_back({{part.cutWidth.mm() / 2, part.cutHeight.mm() - kHeadRoom / 3},
                             nullptr,
                             {},
                             {},
                             false,
                             true});
    return size;
  }

  /// To stick on a piece: a frame, and room for its name, size and grain.
  static TrueSize sticker(const PlannedPart& part, int number) {
    TrueSize size;
    size.id = "label/" + part.rule->id + "/" + std::to_string(number + 1);
    size.title = part.rule->title;
    size.part = &part;
    size.isSticker = true;
    size.drawing.shapes.push_back(edge(rectangle(0, 0, kStickerWide, kStickerHigh)));
    return size;
  }

  static void addSeries(const PlannedSeries& series, const PlannedPart& part,
                        std::vector<Shape>& shapes) {
    const auto column = [&](std::string_view id) {
      const auto& all = series.rule->columns;
      const auto found = std::find_if(all.begin(), all.end(),
                                      [&](const SeriesColumn& each) { return each.id == id; });
      return found == all.end() ? std::optional<std::size_t>()
                                : std::optional<std::size_t>(found - all.begin() + 1);
    };
    const auto x = column("x"), y = column("y");
    const Subject subject = Subject::part(part.rule->id);
    for (const auto& row : series.rows) {
      if (!x || !std::isfinite(row[*x]) || (y && !std::isfinite(row[*y]))) continue;
      if (!y) {
        shapes.push_back(openShape(series.rule->kind == "fold" ? LineKind::Fold : LineKind::Hidden,
                                   {{row[*x], 0}, {row[*x], part.cutHeight.mm()}}, subject));
        continue;
      }
      const Point at{row[*x], row[*y]};
      shapes.push_back(
          closedShape(LineKind::Hole, Matter::None, circleAround(at, kPunch), subject));
      for (const auto& [dx, dy] : {std::pair{kCross, 0.0}, std::pair{0.0, kCross}})
        shapes.push_back(
            openShape(LineKind::Mark, {{at.x - dx, at.y - dy}, {at.x + dx, at.y + dy}}, subject));
    }
  }

  static TrueSize folded(const Artwork& art) {
    TrueSize size;
    size.id = "folds/" + art.rule->id;
    size.title = art.rule->title;
    size.artwork = art;
    size.drawing.shapes.push_back(edge(rectangle(0, 0, art.width(), art.height)));
    // Its outside is up: everything goes round behind it.
    for (const double at : art.folds()) {
      size.drawing.shapes.push_back(openShape(LineKind::Fold, {{at, 0}, {at, art.height}}, {}));
      size.drawing.shapes.back().turns = Turns::Away;
    }
    for (const Artwork::Panel& panel : art.panels)
      size.labels.push_back({{panel.left + panel.width / 2, kPanelName * art.height},
                             nullptr,
                             {},
                             panel.rule->title,
                             panel.width < art.height / 4});
    return size;
  }

  const Plan& plan_;
  std::vector<TrueSize> all_;
};

}  // namespace

std::vector<TrueSize> trueSizes(const Plan& plan) { return Drawer(plan).all(); }

}  // namespace drapery
