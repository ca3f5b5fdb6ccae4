// Reads lengths and ratios as binders write them.
#pragma once

#include <string>
#include <string_view>
#include <variant>

#include "core/quantity/length.h"
#include "core/quantity/units.h"

namespace drapery {

enum class LengthFault {
  Empty,
  NotALength,
  TooLong,           // over kLongestLengthText bytes
  TwoUnits,          // 7 in mm
  UnknownUnit,       // 7 ells
  Exponent,          // 1e3
  Thousands,         // 1,234.5 or two decimal signs
  ZeroDenominator,   // 7 3/0
  ImproperFraction,  // 7 17/16
};

inline constexpr std::size_t kLongestLengthText = 40;

/// `210`, `143.8 mm`, `143,8`, `13.75 cm`, `7 3/16`, `7-3/16 in`, `7½"`, `3/16″`. A text without a
/// unit is in `bare`. No exponents, no thousands marks. A sign is read, so that a range can refuse
/// it. What is longer than the rule is a sum: `300 + 120.5`, `12 + 3 1/4 in`; terms without a unit
/// take the one that the others name, and must not when those name two.
std::variant<Length, LengthFault> parseLength(std::string_view text, Units bare);

/// Whether more keys could make a length of it: `8 1/`, `12 in +`, `7 i`. Also where it is one.
bool couldBecomeLength(std::string_view text);

/// `0.25`, `1/3`, `1 1/2`: the same writing without a unit.
std::variant<double, LengthFault> parseRatio(std::string_view text);

/// Whether the text names a unit itself.
bool namesUnit(std::string_view text);
/// In which it does; inches only where it says inches.
Units unitsOf(std::string_view text, Units bare);

/// The text with its unit: a bare figure gets " mm" or " in"; anything else stays as it is.
std::string lengthWithUnit(std::string text, Units bare);

}  // namespace drapery
