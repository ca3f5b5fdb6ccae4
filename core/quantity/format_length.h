// Writes lengths as binders read them.
#pragma once

#include <string>

#include "core/quantity/length.h"
#include "core/quantity/units.h"

namespace drapery {

/// How figures are written: unit, the rule's resolution, decimal sign.
struct Notation {
  Units units = Units::Millimetres;
  Length resolution = Length::fromMm(0.5);
  char decimal = '.';
  std::string language = {};  // of the words around them, "de"; empty: the first of each file
};

/// Without the unit. Millimetres: at most two decimals, no idle zeros. Inches: a reduced fraction
/// to 1/64; a length that lies on no 64th carries "≈", and below 1/16 in is written in thousandths.
std::string formatBare(Length length, const Notation& notation);

/// The same with " mm" or " in".
std::string formatLength(Length length, const Notation& notation);

/// A text that parses back to the same length to within a millionth of a millimetre: a fraction
/// when it is on a 64th of an inch, else decimals; always with its unit and a decimal point.
std::string formatExact(Length length, Units units);

/// A plain number: at most `places` decimals, no idle zeros.
std::string formatNumber(double value, int places, char decimal = '.');

/// 43 64ths is 43/64, 40 is 5/8, 72 is 1 1/8. `denominator` must be positive.
std::string formatFraction(long numerator, long denominator);

}  // namespace drapery
