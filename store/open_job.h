// From a job's text to its plan, or every mistake on the way, placed.
#pragma once

#include <map>
#include <memory>

#include "core/method/method_library.h"
#include "core/plan/planner.h"
#include "store/job_file.h"

namespace drapery {

/// Of a method that `library.ids()` does not hold, with the nearest that it does.
Issue unknownMethod(const std::string& id, const std::vector<std::string>& known);

struct OpenedJob {
  JobDocument document;
  std::shared_ptr<Planner> planner;  // none when the method could not be loaded
  Plan plan;
  Issues issues;  // the document's, the method's and the plan's
};

/// Planners by method, for whoever opens many jobs. For one thread, like its planners.
using PlannerCache = std::map<std::string, std::shared_ptr<Planner>, std::less<>>;

/// The method's planner, from the cache where there is one.
std::shared_ptr<Planner> plannerFor(const MethodPtr& method, const MethodLibrary& library,
                                    PlannerCache* cache);

/// With a cache, a planner found there is used and a new one kept there.
OpenedJob openJob(std::string_view text, const std::string& file, const MethodLibrary& library,
                  PlannerCache* cache = nullptr);

}  // namespace drapery
