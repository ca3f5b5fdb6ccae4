#include "core/geometry/sheet.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace drapery {

namespace {
constexpr double kMostHalvings = 12.0;
constexpr double kDust = 1e-9;
}  // namespace

HalvedSheet halvedSheet(Length oneSide, Length otherSide, double halvings) {
  constexpr Length kNone = Length::fromMm(std::numeric_limits<double>::quiet_NaN());
  if (!(halvings >= 1.0 && halvings <= kMostHalvings) || halvings != std::floor(halvings) ||
      !(oneSide > Length()) || !(otherSide > Length()))
    return {kNone, kNone, true};
  Length alongLong = std::max(oneSide, otherSide);
  Length alongShort = std::min(oneSide, otherSide);
  HalvedSheet sheet;
  for (int i = 0; i < static_cast<int>(halvings); ++i) {
    sheet.isWidthAlongLongSide = alongLong > alongShort;
    Length& halved = sheet.isWidthAlongLongSide ? alongLong : alongShort;
    halved = halved / 2;
  }
  sheet.width = sheet.isWidthAlongLongSide ? alongLong : alongShort;
  sheet.height = sheet.isWidthAlongLongSide ? alongShort : alongLong;
  return sheet;
}

double wholeAbove(double value) {
  return std::ceil(value - kDust * std::max(1.0, std::abs(value)));
}

Length caliperOf(double grammage, double bulk) {
  constexpr double kPerThousand = 1000.0;
  return Length::fromMm(grammage * bulk / kPerThousand);
}

}  // namespace drapery
