// What the entries of a rule set come to on one book, beside its numbers.
#pragma once

#include <optional>
#include <vector>

#include "core/diag/issue.h"
#include "core/rules/section/finding.h"
#include "core/rules/section/mark.h"
#include "core/rules/section/part.h"
#include "core/rules/section/series.h"
#include "core/rules/section/step.h"
#include "core/rules/section/verdict.h"

namespace drapery {

struct PlannedEntries {
  std::vector<PlannedSeries> series;
  std::vector<PlannedPart> parts;
  std::vector<PlannedMark> marks;
  std::vector<PlannedFinding> findings;
  std::vector<PlannedStep> steps;
  std::optional<PlannedVerdict> verdict;
};

}  // namespace drapery
