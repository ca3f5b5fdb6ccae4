// A Plan as JSON, schema drapery-plan/1.
#pragma once

#include <string>

#include "core/plan/job.h"
#include "core/plan/planner.h"

namespace drapery {

enum class JsonLayout {
  Lines,   // indented, ending in a newline
  OneLine  // as in JSON Lines, without a newline
};

/// Lengths in mm and unrounded, angles in degrees; what could not be computed is left out.
std::string writePlanJson(const Job& job, const Plan& plan, const Planner::Detail& detail = {},
                          JsonLayout layout = JsonLayout::Lines);

}  // namespace drapery
