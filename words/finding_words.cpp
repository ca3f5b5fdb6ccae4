#include "words/finding_words.h"

#include "words/figure_words.h"

namespace drapery {

namespace {

std::string filled(const RuleWords& words, const std::vector<Figure>& figures,
                   const Notation& notation) {
  std::string out;
  for (const RuleWords::Piece& piece : words.in(notation.language))
    out += piece.expression ? figureWords(figures[*piece.expression], notation) : piece.literal;
  return out;
}

}  // namespace

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
  return filled(mark.rule->says, mark.says, notation);
}

std::string findingSays(const PlannedFinding& finding, const Notation& notation) {
  return filled(finding.rule->says, finding.says, notation);
}

std::string findingRemedy(const PlannedFinding& finding, const Notation& notation) {
  return filled(finding.rule->remedy, finding.remedy, notation);
}

}  // namespace drapery
