// Worked examples as they stand beside a rule file, tried. One to a paragraph:
//
//   [name]
//   text_height = 210            an input, or method, units, round, copies; readings as
//   fixed board_width = 140      "210 | 210.5", a material as "material grey-board-24"; what is
//   as_cut board.width = 139     said instead of computed, and pieces as they are; and what must
//   => board_height = 216        come of it: ID = VALUE, no value ID, finding ID, no finding ID,
//                                mark ID, no mark ID, marks ID = A, B, C, no part PART, verdict ID,
//                                tolerance ID = VALUE, cut PART = COUNT of W x H
//
// Figures in mm unless they say otherwise; values hold to 0.001, cut sizes to a millionth.
#pragma once

#include <functional>
#include <set>
#include <string>
#include <string_view>

#include "core/diag/issue.h"
#include "core/material/material_catalogue.h"
#include "core/plan/job.h"
#include "core/rules/rule_set.h"

namespace drapery {

/// What an example says of an input: "210", "209.6 | 210.4", "material grey-board-24", "backed".
Entry exampleEntry(const std::string& text);

struct TriedExamples {
  int examples = 0, expectations = 0;
  Issues issues;                 // what does not hold or cannot be read, with file and line
  std::set<std::string> values;  // whose figure some example expects
};

/// `rules` finds a rule set by its id; null when there is none. Examples that name no method are
/// `usual`'s.
TriedExamples tryExamples(std::string_view text, const std::string& file, const std::string& usual,
                          const std::function<RuleSetPtr(std::string_view id)>& rules,
                          const CataloguePtr& catalogue);

}  // namespace drapery
