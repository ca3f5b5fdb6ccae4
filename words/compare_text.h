// A comparison as plain text: the methods side by side.
#pragma once

#include <string>

#include "core/plan/compare.h"

namespace drapery {

/// Methods one below another with their findings, then only the values that differ, a column for
/// each method.
std::string compareText(const Job& job, const Comparison& comparison);

}  // namespace drapery
