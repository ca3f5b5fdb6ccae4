// How much room stock can have that together costs less than so much.
#pragma once

#include "core/cutting/material_job.h"

namespace drapery {

/// um2 of usable rectangles, as enlarged by their kerfs; of a roll as much of it as can be paid.
/// Not too little: where there is too much to try, as if the last sheet could be paid for in part.
double mostRoom(const MaterialJob& job, double below);

}  // namespace drapery
