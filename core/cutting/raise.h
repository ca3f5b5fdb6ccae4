// Many numbers made at least as large as sums of others, several at a time.
#pragma once

#include <cstddef>
#include <cstdint>

namespace drapery {

/// Each is at least the sum of the two.
void raise(std::int32_t* to, const std::int32_t* low, const std::int32_t* high, std::size_t count);
/// Each is at least the sum of that number and another.
void raiseAbove(std::int32_t* to, std::int32_t low, const std::int32_t* above, std::size_t count);

}  // namespace drapery
