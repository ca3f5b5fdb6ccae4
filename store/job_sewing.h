// A job's key `sewing`: read and written.
#pragma once

#include <map>
#include <string>

#include "core/diag/issue.h"
#include "core/diag/node.h"
#include "core/plan/job.h"

namespace drapery {

/// By field: "given/strip_width", "start".
using SewingPlaces = std::map<std::string, SourcePosition>;

/// Every mistake goes to `issues`, with its place.
JobSewing readJobSewing(const Node& node, const std::string& file, Issues& issues,
                        SewingPlaces& places);

}  // namespace drapery
