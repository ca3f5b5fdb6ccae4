// What a bound comes to once sheets are whole.
#pragma once

#include "core/cutting/material_job.h"

namespace drapery {

/// The least that whole sheets of such prices can come to without being under `bound`. Of one roll:
/// pushed together, pieces end where a sum of their lengths does.
double leastSumFrom(const MaterialJob& job, double bound);

}  // namespace drapery
