// What is worth most on one sheet: not all pieces need be placed.
#pragma once

#include "core/cutting/exact_lay_out.h"

namespace drapery {

/// From one sheet of the first stock; the value as `cost`, and as `bound` what no lay-out is worth
/// more than. Where there are too many pieces to try all, those that are worth most by their area.
/// Nothing where it is ended before.
MaterialLayOut mostValue(const MaterialJob& job, const std::function<bool()>& isEnded);

}  // namespace drapery
