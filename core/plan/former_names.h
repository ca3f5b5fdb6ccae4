// What a job of a former version calls by names that have changed since.
#pragma once

#include "core/plan/job.h"
#include "core/rules/rule_set.h"

namespace drapery {

/// Keys of given and allowances, and options, by the names that the rules have for them now. A key
/// whose present name is said too stays, and is then not known. What stands among the other of the
/// two is taken to where it belongs, likewise.
void takePresentNames(Job& job, const RuleSet& rules);
/// The same for entries that wait for a method.
void takePresentNames(Entries& entries, InputRole role, const RuleSet& rules);

}  // namespace drapery
