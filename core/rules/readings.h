// What several readings of one measure say beside their mean.
#pragma once

namespace drapery {

struct Readings {
  int count = 0;  // 0 when there was one plain value or none
  double smallest = 0.0, mean = 0.0, largest = 0.0;
  [[nodiscard]] double spread() const { return largest - smallest; }
  [[nodiscard]] double above() const { return largest - mean; }
};

}  // namespace drapery
