// What no lay-out on one roll can be shorter than: what lies end to end along it is no longer than
// it is, so it has to be wide enough for all of that side by side.
#pragma once

#include <functional>

#include "core/cutting/material_job.h"

namespace drapery {

/// In the roll's cost; `least` for anything but one roll that costs something.
/// @param least a bound. @param known what a lay-out costs.
double stackBound(const MaterialJob& job, double least, double known,
                  const std::function<bool()>& isOver);

}  // namespace drapery
