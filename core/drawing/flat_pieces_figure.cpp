#include <algorithm>

#include "core/drawing/drawn_lines.h"
#include "core/drawing/figure.h"
#include "core/drawing/piece_shapes.h"

namespace drapery {

namespace {

constexpr double kOff = 0.035;  // of the larger side: from the pieces to their measuring lines

/// What lies under what, seen from the inside: paper, the cloth it laps, the boards.
int depthOf(const PlannedPart& part) {
  switch (matterOf(part.material)) {
    case Matter::Paper:
      return 0;
    case Matter::Cloth:
      return 1;
    default:
      return 2;
  }
}

class FlatPieces {
 public:
  explicit FlatPieces(const FigureSource& source)
      : source_(source), plan_(source.plan()), wanted_(source.layers()) {}

  Sketch draw() {
    for (const int depth : {0, 1, 2})
      for (const PlannedPart& part : plan_.parts)
        if (depthOf(part) == depth && isWanted(part.rule->id)) drawPart(part);
    const bool isThere = !sketch_.shapes.empty();
    if (!isThere && !wanted_.empty() && source_.asksForMeasure()) standIn();
    if (!sketch_.shapes.empty()) addSpots(!isThere);
    if (sketch_.shapes.empty() || (isThere && isSomethingMissing()))
      sketch_.labels.push_back({isThere ? "flat.missing" : "flat.waits",
                                {(whole_.left + whole_.right) / 2, whole_.top},
                                LabelSide::Above});
    return std::move(sketch_);
  }

 private:
  struct Lying {
    std::string part;
    std::vector<Box> boxes;  // one for each place
  };

  [[nodiscard]] bool isWanted(const std::string& part) const {
    return wanted_.empty() || std::find(wanted_.begin(), wanted_.end(), part) != wanted_.end();
  }

  /// Whether it belongs into the drawing: it has a place, or the view asks for it by name.
  [[nodiscard]] bool lies(const PartRule& part) const {
    return isWanted(part.id) && (!wanted_.empty() || !part.places.empty());
  }

  /// Of what lies in the drawing, whether nothing but this part has a size yet.
  [[nodiscard]] bool isAlone(const PlannedPart& part) const {
    for (const PlannedPart& other : plan_.parts)
      if (&other != &part && lies(*other.rule)) return false;
    return lies(*part.rule);
  }

  /// A piece that every such book has, but this one not yet.
  [[nodiscard]] bool isSomethingMissing() const {
    return std::any_of(
        plan_.rules->parts.begin(), plan_.rules->parts.end(), [&](const PartRule& rule) {
          const bool isAlways = rule.when.empty() && lies(rule) && rule.materials.size() == 1;
          return isAlways && plan_.part(rule.id) == nullptr;
        });
  }

  void drawPart(const PlannedPart& part) {
    std::vector<Placement> places = part.places;
    // With the rest unknown a piece still shows its size.
    if (places.empty() && isAlone(part)) places.emplace_back();
    Lying lying{part.rule->id, {}};
    for (const Placement& place : places) {
      for (Shape& shape : pieceShapes(part, place)) sketch_.add(std::move(shape));
      lying.boxes.push_back(boundsOf(placedOutline(part.outline, place)));
      label(part, place);
    }
    constexpr double kGrainReach = 0.14;  // boards lie over the others
    if (depthOf(part) == 2)
      for (const Box& box : lying.boxes)
        if (auto grain = grainArrow(part, box, kGrainReach * box.height()))
          sketch_.add(std::move(*grain));
    if (!lying.boxes.empty()) lying_.push_back(std::move(lying));
  }

  void label(const PlannedPart& part, const Placement& place) {
    eachLabel(part.rule->labels, plan_,
              [&](Point at, const RuleWords& says, std::vector<Amount> figures) {
                std::vector<Point> with = part.outline;
                with.push_back(at);
                DrawingLabel label{{}, placedOutline(with, place).back(), LabelSide::Over};
                label.says = &says;
                label.figures = std::move(figures);
                sketch_.labels.push_back(std::move(label));
              });
  }

  /// Something of a usual size for the measures to hang on.
  void standIn() {
    constexpr double kWidth = 100.0, kHeight = 140.0;
    sketch_.add(closedShape(false, Matter::None, rectangle(0, 0, kWidth, kHeight),
                            Subject::part(wanted_.front())));
    lying_.push_back({wanted_.front(), {{0, 0, kWidth, kHeight}}});
    sketch_.labels.push_back({kFaceLabel, {kWidth / 2, kHeight / 2}, LabelSide::On});
  }

  void addSpots(bool isStandIn) {
    whole_ = lying_.front().boxes.front();
    for (const Lying& lying : lying_)
      for (const Box& box : lying.boxes)
        whole_ = {std::min(whole_.left, box.left), std::min(whole_.bottom, box.bottom),
                  std::max(whole_.right, box.right), std::max(whole_.top, box.top)};
    const double off = kOff * std::max(whole_.width(), whole_.height());
    const double below = whole_.bottom - off, left = whole_.left - off;
    if (!isStandIn) {
      sketch_.line("whole.width_below", {whole_.left, below}, {whole_.right, below});
      sketch_.line("whole.height_left", {left, whole_.bottom}, {left, whole_.top});
    }
    sketch_.point("whole.head", {whole_.left + 0.1 * whole_.width(), whole_.top});
    for (const Lying& lying : lying_) addSpotsOf(lying, off);
  }

  /// Widths are measured at a piece's first place, heights at its last.
  void addSpotsOf(const Lying& lying, double off) {
    const std::string id = lying.part + ".";
    const Box& first = lying.boxes.front();
    const Box& last = lying.boxes.back();
    const double above = whole_.top + off, below = whole_.bottom - off;
    const double left = whole_.left - off, right = whole_.right + off;
    sketch_.line(id + "width_above", {first.left, above}, {first.right, above},
                 {{{first.left, first.top}, {first.left, above}},
                  {{first.right, first.top}, {first.right, above}}});
    sketch_.line(id + "width_below", {first.left, below}, {first.right, below});
    sketch_.line(id + "height_left", {left, first.bottom}, {left, first.top});
    sketch_.line(id + "height_right", {right, last.bottom}, {right, last.top},
                 {{{last.right, last.bottom}, {right, last.bottom}},
                  {{last.right, last.top}, {right, last.top}}});
    const double along = last.left + 0.7 * last.width();
    sketch_.spots.push_back({id + "head", {along, last.top}, {along, last.top}, {}});
    sketch_.spots.push_back({id + "tail", {along, last.bottom}, {along, last.bottom}, {}});
    const double middle = (first.left + first.right) / 2;
    sketch_.spots.push_back({id + "foot", {middle, first.bottom}, {middle, first.bottom}, {}});
  }

  const FigureSource& source_;
  const Plan& plan_;
  const std::vector<std::string>& wanted_;  // ids of parts; none: all
  Sketch sketch_;
  std::vector<Lying> lying_;
  Box whole_;
};

}  // namespace

Sketch sketchFlatPieces(const FigureSource& source) { return FlatPieces(source).draw(); }

}  // namespace drapery
