#include "words/finding_words.h"

#include <cmath>

#include "words/figure_words.h"

namespace drapery {

namespace {

std::string bareFigure(const Figure& figure, const Notation& notation) {
  const bool isLength = figure.unit == Unit::Millimetre && !std::isnan(figure.value);
  return isLength ? formatBare(Length::fromMm(figure.value), notation)
                  : figureWords(figure, notation);
}

}  // namespace

std::string filledWords(const RuleWords& words, const std::vector<Figure>& figures,
                        const Notation& notation) {
  std::string out;
  for (const RuleWords::Piece& piece : words.in(notation.language)) {
    if (!piece.expression)
      out += piece.literal;
    else if (words.expressions[*piece.expression].isBare)
      out += bareFigure(figures[*piece.expression], notation);
    else
      out += figureWords(figures[*piece.expression], notation);
  }
  return out;
}

const char* severityName(Severity severity) {
  switch (severity) {
    case Severity::Stop:
      return "stop";
    case Severity::Mind:
      return "mind";
    case Severity::Note:
      break;
  }
  return "note";
}

std::string markSays(const PlannedMark& mark, const Notation& notation) {
  return filledWords(mark.rule->says, mark.says, notation);
}

std::string findingSays(const PlannedFinding& finding, const Notation& notation) {
  return filledWords(finding.rule->says, finding.says, notation);
}

std::string findingRemedy(const PlannedFinding& finding, const Notation& notation) {
  return filledWords(finding.rule->remedy, finding.remedy, notation);
}

}  // namespace drapery
