// Sheets that together cost less than a lay-out does, and have room enough for all.
#pragma once

#include <vector>

#include "core/cutting/material_job.h"

namespace drapery {

/// Each by the stock of its sheets, to which none can be added for less than that cost; those with
/// the most room first, some dozens of them.
/// @param needed the area of all pieces, um2.
std::vector<std::vector<std::size_t>> cheaperMixes(const MaterialJob& job, double below,
                                                   double needed);

}  // namespace drapery
