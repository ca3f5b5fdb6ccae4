// From a job's text to its plan, or every mistake on the way, placed.
#pragma once

#include "core/method/method_library.h"
#include "core/plan/planner.h"
#include "store/job_file.h"

namespace drapery {

struct OpenedJob {
  JobDocument document;
  std::optional<Planner> planner;  // none when the method could not be loaded
  Plan plan;
  Issues issues;  // the document's, the method's and the plan's
};

OpenedJob openJob(std::string_view text, const std::string& file, const MethodLibrary& library);

}  // namespace drapery
