// A Plan as JSON, schema drapery-plan/1.
#pragma once

#include <string>

#include "core/plan/job.h"
#include "core/plan/planner.h"

namespace drapery {

/// Lengths in mm and unrounded, angles in degrees; what could not be computed is left out.
std::string writePlanJson(const Job& job, const Plan& plan, const Planner::Detail& detail = {});

/// The same with the job's file before it, {"file": "...", "plan": {...}}, on one line.
std::string writePlanLine(const std::string& file, const Job& job, const Plan& plan,
                          const Planner::Detail& detail = {});

}  // namespace drapery
