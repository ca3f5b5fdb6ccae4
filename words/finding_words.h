// The words of findings, marks and steps with their figures in them.
#pragma once

#include <string>

#include "core/plan/plan.h"
#include "core/quantity/format_length.h"
#include "words/translate.h"

namespace drapery {

/// The words with the figures of their expressions in them.
std::string filledWords(const RuleWords& words, const std::vector<Amount>& figures,
                        const Notation& notation);
const char* severityName(Severity severity);  // stop, mind, note
/// Its words, and what is marked from one edge, as it is marked.
std::string markSays(const PlannedMark& mark, const Notation& notation);
std::string verdictSays(const PlannedVerdict& verdict, const Notation& notation);
std::string stepDoes(const PlannedStep& step, const Notation& notation);
std::string stepCare(const PlannedStep& step, const Notation& notation);
/// What is done, how long it takes and what to beware of: "Glue up. (20 min; then leave for 12 h)".
std::string stepLine(const PlannedStep& step, const Notation& notation,
                     const Translate& translate = {});
std::string findingSays(const PlannedFinding& finding, const Notation& notation);
std::string findingRemedy(const PlannedFinding& finding, const Notation& notation);

}  // namespace drapery
