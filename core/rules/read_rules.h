// A merged rule file as a tree to the rules in it, not yet tied together.
#pragma once

#include "core/rules/rule_set.h"
#include "core/toml/issue_placer.h"

namespace drapery {

/// Reads what it can; every mistake goes to the placer.
RuleSet readRules(const Node& root, IssuePlacer& placer);

}  // namespace drapery
