// What the largest pieces cost by themselves: where few are large and many small, hardly less than
// all of it.
#pragma once

#include <cstdint>
#include <functional>

#include "core/cutting/material_job.h"

namespace drapery {

/// Whether some that are few enough to be tried come to much of all of it.
bool isAnyLarge(const MaterialJob& job);

/// What no lay-out costs less than, since no lay-out of its largest pieces does; of more and more
/// of them until that takes too long.
/// @param work as of exactBelow. @param least a bound, returned where it is higher.
/// @param known what a lay-out costs by now: where the largest alone do not cost less, that.
/// @param isEnough asked often; then what was found out by then is told.
double boundOfLargest(const MaterialJob& job, std::uint64_t& work, double least,
                      const std::function<double()>& known, const std::function<bool()>& isEnough);

}  // namespace drapery
