// Figures and messages as the window shows them: the locale's decimal sign, translated words.
#pragma once

#include <QString>

#include "core/diag/issue.h"
#include "core/plan/plan.h"
#include "core/quantity/format_length.h"

namespace drapery {

Notation windowNotation(const Plan& plan);
/// In the window's language where the rule file has it.
QString localText(const LocalText& text);
QString bareWords(Length length, const Notation& notation);
QString lengthWords(Length length, const Notation& notation);
QString issueText(const Issue& issue, const Notation& notation);
QString findingText(const PlannedFinding& finding, const Notation& notation);
QString remedyText(const PlannedFinding& finding, const Notation& notation);
/// "stop", "mind", "note", each with its mark: a square, a triangle, a disc.
QString severityWords(Severity severity);
QString severityMark(Severity severity);

/// A value without its unit, as a tag shows it.
QString valueWords(const Plan& plan, std::size_t node);
/// Any figure as that value is shown; empty for none.
QString figureWords(const Plan& plan, std::size_t node, double figure);
/// "mm", "in", "°" or nothing.
QString unitWords(const Plan& plan, std::size_t node);

}  // namespace drapery
