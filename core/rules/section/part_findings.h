// What is told of a piece that the rule in hand is too coarse for, whatever the structure.
#pragma once

#include <optional>

#include "core/quantity/length.h"
#include "core/rules/section/finding.h"

namespace drapery {

struct PartRule;
struct PlannedPart;

/// "piece-lost" (stop): rounded to the rule in hand, nothing is left to cut. "piece-coarse" (mind):
/// the rule's marks are farther apart than the piece is wide or high.
struct PartFindings {
  FindingRule lost, coarse;
};
PartFindings partFindings(const PartRule& part);

/// The one that applies to the piece as planned.
std::optional<PlannedFinding> findingOf(const PlannedPart& part, Length resolution);

}  // namespace drapery
