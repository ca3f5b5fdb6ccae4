// Sheets of a lay-out that make way for others which cost less.
#pragma once

#include <vector>

#include "core/cutting/bin.h"

namespace drapery {

/// By their stock, of the job.
struct SheetSwap {
  std::vector<std::size_t> out, in;
  double more = 0.0;  // room there is then; mostly less than 0
};

/// One sheet or two for none, one or two that cost less together, as far as there is room for all,
/// and stock. Those with the most room first; none for sheets with pins.
/// @param needed the area of all pieces.
std::vector<SheetSwap> cheaperSwaps(const MaterialJob& job, const std::vector<Bin>& bins,
                                    double needed);

}  // namespace drapery
