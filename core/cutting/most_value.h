// What is worth most on one sheet: not all pieces need be placed.
#pragma once

#include <functional>

#include "core/cutting/exact_lay_out.h"
#include "core/cutting/watch.h"

namespace drapery {

/// From one sheet of the first stock; the value as `cost`, and as `bound` what no lay-out is worth
/// more than. Filled as chance has it at first; then all is tried that promises more, as long as
/// that is not too much, and else it is filled anew until the time is over.
/// @param better called with each that is worth more than those before.
MaterialLayOut mostValue(const MaterialJob& job, std::uint64_t seed, const Watch& watch,
                         const std::function<void(const MaterialLayOut&)>& better);

}  // namespace drapery
