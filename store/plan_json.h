// A Plan as JSON, schema drapery-plan/1.
#pragma once

#include <string>

#include "core/plan/job.h"
#include "core/plan/plan.h"

namespace drapery {

/// Lengths in mm and unrounded, angles in degrees; what could not be computed is left out.
std::string writePlanJson(const Job& job, const Plan& plan);

}  // namespace drapery
