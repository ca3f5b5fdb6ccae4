// A comparison as JSON, schema drapery-compare/1.
#pragma once

#include <string>

#include "core/plan/compare.h"

namespace drapery {

/// Lengths in mm and unrounded, angles in degrees. A method that does not take the book tells why
/// under "refused" and has nothing else.
std::string writeCompareJson(const Job& job, const Comparison& comparison);

}  // namespace drapery
