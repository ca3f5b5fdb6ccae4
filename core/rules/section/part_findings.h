// What is told of a piece that the rule in hand is too coarse for, whatever the structure.
#pragma once

#include <vector>

#include "core/quantity/length.h"
#include "core/rules/section/finding.h"

namespace drapery {

struct PartRule;
struct PlannedPart;

/// "piece-lost" (stop): rounded to the rule in hand, nothing is left to cut. "piece-coarse" (mind):
/// the rule's marks are farther apart than the piece is wide or high. "piece-crossed" (stop): its
/// cuts would cross one another or leave it, so that it is given uncut.
struct PartFindings {
  FindingRule lost, coarse, crossed;
};
PartFindings partFindings(const PartRule& part);

/// Those that apply to the piece as planned.
std::vector<PlannedFinding> findingsOf(const PlannedPart& part, Length resolution);

}  // namespace drapery
