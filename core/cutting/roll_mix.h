// A length of a roll, taken as one sheet, and sheets beside it, that together cost less than a
// lay-out of few pieces: which off-cuts to use decides more there than how they are filled.
#pragma once

#include <optional>
#include <random>

#include "core/cutting/bin.h"

namespace drapery {

struct RollMix {
  Counts counts;          // by stock of the job; of the roll one, or none
  Micrometres along = 0;  // of the roll, um
  double cost = 0.0, room = 0.0;
};

/// The roll, where it is the only one, is paid for, nothing is pinned, and there are few pieces.
std::optional<std::size_t> rollOfFew(const MaterialJob& job);

/// As chance has it most of the sheets that are used, others in the place of some, and as much of
/// the roll as all then needs, were it about as full.
/// @param bins all of it. @returns none where none was found.
std::optional<RollMix> cheaperRollMix(const MaterialJob& job, std::size_t roll,
                                      const std::vector<Bin>& bins, std::mt19937_64& random);

}  // namespace drapery
