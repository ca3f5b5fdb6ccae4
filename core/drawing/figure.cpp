#include "core/drawing/figure.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

namespace drapery {

FigureSource::FigureSource(const ViewRule& view, const Plan& plan, const Pose& pose)
    : view_(view), plan_(plan), pose_(pose) {
  for (const RuleFormula& bound : view.bound)
    numbers_.push_back(bound.formula.evaluate(plan.table()));
}

double FigureSource::number(std::string_view input) const {
  for (std::size_t i = 0; i < numbers_.size(); ++i)
    if (view_.spec->inputs[i].id == input) return numbers_[i];
  return std::numeric_limits<double>::quiet_NaN();
}

bool FigureSource::has(std::string_view input) const { return !std::isnan(number(input)); }

double FigureSource::numberOr(std::string_view input, double usual) const {
  const double value = number(input);
  return std::isnan(value) ? usual : value;
}

bool FigureSource::asksForMeasure() const {
  return std::any_of(view_.tags.begin(), view_.tags.end(), [this](const ViewTag& tag) {
    const InputRule* input = plan_.rules->input(tag.subject.id);
    return input != nullptr && !input->optional && !plan_.number(input->id);
  });
}

Sketch sketchFigure(std::string_view figure, const FigureSource& source) {
  using Draw = Sketch (*)(const FigureSource&);
  static constexpr std::array<std::pair<std::string_view, Draw>, 21> kFigures{
      {{"text-block", sketchTextBlock},
       {"joint", sketchJoint},
       {"flat-pieces", sketchFlatPieces},
       {"folded-strip", sketchFoldedStrip},
       {"folding-sheet", sketchFoldingSheet},
       {"sections", sketchSections},
       {"leaf-stack", sketchLeafStack},
       {"spine", sketchSpine},
       {"layers", sketchLayers},
       {"jacket", sketchJacket},
       {"opened-cover", sketchOpenedCover},
       {"hinge", sketchHinge},
       {"portrait", sketchPortrait},
       {"soft-cover", sketchSoftCover},
       {"folded-cover", sketchFoldedCover},
       {"spring", sketchSpring},
       {"lever", sketchLever},
       {"dowel", sketchDowel},
       {"pulled-strip", sketchPulledStrip},
       {"readings", sketchReadings},
       {"wrapped", sketchWrapped}}};
  for (const auto& [id, draw] : kFigures)
    if (id == figure) return draw(source);
  return {};
}

}  // namespace drapery
