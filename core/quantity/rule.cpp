#include "core/quantity/rule.h"

#include <cmath>

namespace drapery {

namespace {
constexpr double kDust = 1e-6;
}

Length roundTo(Length length, Length resolution, Rounding direction) {
  const double marks = length / resolution;
  const double nearest = std::round(marks);
  if (std::abs(marks - nearest) <= kDust) return nearest * resolution;
  switch (direction) {
    case Rounding::Up:
      return std::ceil(marks) * resolution;
    case Rounding::Down:
      return std::floor(marks) * resolution;
    case Rounding::Nearest:
      break;
  }
  // A tie that dust pushed just under the half still goes away from zero.
  const double away = std::copysign(std::floor(std::abs(marks) + 0.5 + kDust), marks);
  return away * resolution;
}

Length usualResolution(Units units) {
  return units == Units::Inches ? Length::fromInches(1.0 / 32.0) : Length::fromMm(0.5);
}

}  // namespace drapery
