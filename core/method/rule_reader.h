// A rule file's tree to a Method: keys, types, ranges. Formulas are only carried, not understood.
#pragma once

#include "core/diag/node.h"
#include "core/method/method.h"
#include "core/toml/issue_placer.h"

namespace drapery {

/// Reads what can be read; every mistake goes to `placer`.
Method readRules(const Node& root, IssuePlacer& placer);

}  // namespace drapery
