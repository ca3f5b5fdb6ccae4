// What several readings of one measure say beside their mean.
#pragma once

#include <cstddef>
#include <string>

namespace drapery {

struct Readings {
  int count = 0;  // 0 when there was one plain value or none
  double smallest = 0.0, mean = 0.0, largest = 0.0;
  [[nodiscard]] double spread() const { return largest - smallest; }
  [[nodiscard]] double above() const { return largest - mean; }
};

/// One of them, as the binder took it.
struct OneReading {
  std::size_t input = 0;  // index into the rules' inputs
  std::string name;       // its place, or its number from 1 where it has none of its own
  std::string by;         // the way of measuring; may be empty
  double value = 0.0;     // mm for a length
  bool counts = true;     // not where it was a plan and the thing is measured now
};

}  // namespace drapery
