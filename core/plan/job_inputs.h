// A job's entries read against its method: numbers for the method's inputs, or what is wrong.
#pragma once

#include <vector>

#include "core/method/method.h"
#include "core/plan/job.h"
#include "core/quantity/length.h"

namespace drapery {

struct JobInputs {
  std::vector<double> values;  // one for each of the method's inputs; NaN where nothing was said
  Length mark;                 // the rule in hand
  Issues issues;               // a wrong entry leaves NaN and an issue with its field
};

/// Reads every entry; unknown keys, wrong kinds, values out of range and missing measures are
/// issues.
JobInputs readInputs(const Job& job, const Method& method);

/// One entry on its own, as when a tag is typed into. The field is "given/..." or "allowances/...".
std::variant<double, Issue> readEntry(const Entry& entry, const InputRule& rule);

/// Reads the rule in hand: 0.01 mm to 25.4 mm.
std::variant<Length, Issue> readMark(const Job& job);

/// "given/text_height"
std::string fieldOf(const InputRule& rule);

}  // namespace drapery
