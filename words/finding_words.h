// The words of findings and marks with their figures in them.
#pragma once

#include <string>

#include "core/plan/plan.h"
#include "core/quantity/format_length.h"

namespace drapery {

/// The words with the figures of their expressions in them.
std::string filledWords(const RuleWords& words, const std::vector<Figure>& figures,
                        const Notation& notation);
const char* severityName(Severity severity);  // stop, mind, note
std::string markSays(const PlannedMark& mark, const Notation& notation);
std::string findingSays(const PlannedFinding& finding, const Notation& notation);
std::string findingRemedy(const PlannedFinding& finding, const Notation& notation);

}  // namespace drapery
