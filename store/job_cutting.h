// A job's "cutting": what was decided about it and what was cut.
#pragma once

#include <string>

#include "core/diag/issue.h"
#include "core/diag/node.h"
#include "core/plan/job_cutting.h"

namespace drapery {

/// Mistakes are told with their place in `file`; what they are about is left out.
JobCutting readCutting(const Node& node, const std::string& file, Issues& issues);

}  // namespace drapery
