// What is worth most on one sheet: not all pieces need be placed.
#pragma once

#include "core/cutting/exact_lay_out.h"
#include "core/cutting/watch.h"

namespace drapery {

/// From one sheet of the first stock; the value as `cost`, and as `bound` what no lay-out is worth
/// more than. Of few pieces all is tried; of more as many as can be, then sheets are filled as
/// chance has it until the time is over or nothing is worth more.
MaterialLayOut mostValue(const MaterialJob& job, std::uint64_t seed, const Watch& watch);

}  // namespace drapery
