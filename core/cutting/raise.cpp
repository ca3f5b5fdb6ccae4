#include "core/cutting/raise.h"

#include <algorithm>

#include "core/cutting/wide.h"

namespace drapery {

namespace {

DRAPERY_WIDE void raiseWide(std::int32_t* __restrict to, const std::int32_t* low,
                            const std::int32_t* high, std::size_t count) {
  for (std::size_t i = 0; i < count; ++i) to[i] = std::max(to[i], low[i] + high[i]);
}
DRAPERY_WIDE void raiseAboveWide(std::int32_t* __restrict to, std::int32_t low,
                                 const std::int32_t* above, std::size_t count) {
  for (std::size_t i = 0; i < count; ++i) to[i] = std::max(to[i], low + above[i]);
}

}  // namespace

void raise(std::int32_t* to, const std::int32_t* low, const std::int32_t* high, std::size_t count) {
  raiseWide(to, low, high, count);
}
void raiseAbove(std::int32_t* to, std::int32_t low, const std::int32_t* above, std::size_t count) {
  raiseAboveWide(to, low, above, count);
}

}  // namespace drapery
