// What is drawn by chance.
#pragma once

#include <random>

namespace drapery {

/// From 0 up to 1, the same on every machine.
inline double drawnPart(std::mt19937_64& chance) {
  return static_cast<double>(chance() >> 11) / 9007199254740992.0;  // 2^53
}

}  // namespace drapery
