// The pieces of a plan by the moment at which they are cut, as slip and text tell them.
#pragma once

#include <string>
#include <vector>

#include "core/plan/plan.h"
#include "core/quantity/format_length.h"
#include "words/translate.h"

namespace drapery {

struct CutGroup {
  CutWhen when = CutWhen::AfterTrimming;
  std::string title;                       // "After trimming"
  std::vector<std::string> first;          // what to measure or try before
  std::vector<const PlannedPart*> pieces;  // of the plan, in its order
};

/// "After trimming".
std::string momentTitle(CutWhen when, const Translate& translate = {});

/// In the order of the work; a moment with no piece is left out.
std::vector<CutGroup> cutGroups(const Plan& plan, const Notation& notation,
                                const Translate& translate = {});

}  // namespace drapery
