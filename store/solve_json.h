// What was solved for, as JSON, schema drapery-solve/1.
#pragma once

#include <string>

#include "core/plan/solve.h"

namespace drapery {

/// The last pair at the top, all of them in their order under "solved", and the plan of the changed
/// job. A solution is a number, a plateau [from, to].
std::string writeSolveJson(const SolvedJob& solved, const Plan& plan);

}  // namespace drapery
