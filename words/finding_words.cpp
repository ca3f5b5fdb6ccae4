#include "words/finding_words.h"

#include "words/figure_words.h"

namespace drapery {

namespace {

std::string filled(const WordsTemplate& words, const std::vector<Figure>& figures,
                   const Notation& notation) {
  std::string out;
  std::size_t next = 0;
  for (const auto& piece : words.pieces)
    out += piece.expression.empty() ? piece.literal : figureWords(figures[next++], notation);
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
