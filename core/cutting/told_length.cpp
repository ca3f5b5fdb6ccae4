#include "core/cutting/told_length.h"

#include <cmath>

namespace drapery {

Length toldLength(Micrometres length) {
  constexpr double kMark = 25'400.0 / 64, kOff = 5.0;
  const double marks = std::round(static_cast<double>(length) / kMark);
  const bool isMark = std::abs(marks * kMark - static_cast<double>(length)) <= kOff;
  return isMark && length % 10 != 0 ? Length::fromInches(marks / 64)
                                    : Length::fromMm(static_cast<double>(length) / 1000);
}

}  // namespace drapery
