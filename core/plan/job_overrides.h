// What a job says in place of the rules, read against its method: `fixed`, `as_cut`; and how many
// copies are made.
#pragma once

#include "core/plan/job.h"
#include "core/plan/overrides.h"

namespace drapery {

struct SaidOverrides {
  Overrides overrides;
  int copies = 1;
  Issues issues;  // a wrong entry is left out and told, with its field
};

/// Values by the range of their given where they have one (a derived value's `range`), else 0 to
/// 3000 mm, above 0 for a piece's size; pieces as cut above 0 to 3000 mm; copies 1 to 10,000.
/// Unknown values and pieces are issues, with the nearest known one.
SaidOverrides readOverrides(const Job& job, const RuleSet& rules);

/// One entry of `fixed` ("fixed/board_width") or `as_cut` ("as_cut/board/width") on its own.
std::variant<double, Issue> readSaid(std::string_view field, const Written& written,
                                     const RuleSet& rules);

/// Takes what is fixed but is said by these rules to where they take it from, unless it is said
/// there already.
void restateFixed(Job& job, const RuleSet& rules);

/// The usual values in force that are others in inches, as fields and mm: what must be said when a
/// job's units are switched, so that no size changes.
std::vector<std::pair<std::string, double>> supposedWithTwins(const Plan& plan);

/// Whole, 1 to 10,000; 1 when nothing was said.
std::variant<int, Issue> readCopies(const Job& job);

}  // namespace drapery
