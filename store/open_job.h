// From a job's text to its plan, or every mistake on the way, placed.
#pragma once

#include <optional>

#include "core/plan/planner.h"
#include "core/rules/rule_library.h"
#include "store/job_file.h"

namespace drapery {

/// Of a method that `library.ids()` does not hold, with the nearest that it does.
Issue unknownMethod(const std::string& id, const std::vector<std::string>& known);

struct OpenedJob {
  JobDocument document;
  std::optional<Planner> planner;  // none when the method could not be loaded
  Plan plan;
  Issues issues;  // the document's, the method's and the plan's
};

OpenedJob openJob(JobDocument document, const RuleLibrary& library);
OpenedJob openJob(std::string_view text, const std::string& file, const RuleLibrary& library);

}  // namespace drapery
