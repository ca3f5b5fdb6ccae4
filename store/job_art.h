// A job's "art": pictures and titles on the panels of what is printed.
#pragma once

#include <string>

#include "core/diag/issue.h"
#include "core/diag/node.h"
#include "core/plan/job_art.h"

namespace drapery {

/// Mistakes are told with their place in `file`; what they are about is left out.
JobArt readArt(const Node& node, const std::string& file, Issues& issues);

}  // namespace drapery
