#include "core/quantity/format_length.h"

#include <fmt/format.h>

#include <cmath>
#include <cstdlib>
#include <numeric>

namespace drapery {

namespace {
constexpr long kFinest = 64;
constexpr double kOnMark = 1e-6;  // of an inch's 64th

bool isOn64th(Length length) {
  const double parts = length.inches() * kFinest;
  return std::abs(parts - std::round(parts)) < kOnMark;
}
std::string nearest64th(Length length) {
  return formatFraction(std::lround(length.inches() * kFinest), kFinest);
}
}  // namespace

std::string formatNumber(double value, int places, char decimal) {
  std::string text = fmt::format("{:.{}f}", value, places);
  if (text.find('.') != std::string::npos) {
    while (text.back() == '0') text.pop_back();
    if (text.back() == '.') text.pop_back();
  }
  if (text == "-0") text = "0";
  if (decimal != '.')
    if (const auto at = text.find('.'); at != std::string::npos) text[at] = decimal;
  return text;
}

std::string formatFraction(long numerator, long denominator) {
  const std::string sign = numerator < 0 ? "-" : "";
  numerator = std::labs(numerator);
  const long whole = numerator / denominator;
  long upper = numerator % denominator;
  if (upper == 0) return fmt::format("{}{}", whole == 0 ? "" : sign, whole);
  const long common = std::gcd(upper, denominator);
  upper /= common;
  denominator /= common;
  if (whole == 0) return fmt::format("{}{}/{}", sign, upper, denominator);
  return fmt::format("{}{} {}/{}", sign, whole, upper, denominator);
}

std::string formatBare(Length length, const Notation& notation) {
  if (notation.units == Units::Millimetres) return formatNumber(length.mm(), 2, notation.decimal);
  if (isOn64th(length)) return nearest64th(length);
  // Cloth and paper: thousandths, since a 64th says nothing about them.
  constexpr double kThin = 1.0 / 16.0;
  if (std::abs(length.inches()) < kThin) return formatNumber(length.inches(), 3, notation.decimal);
  return "≈" + nearest64th(length);
}

std::string formatLength(Length length, const Notation& notation) {
  return formatBare(length, notation) + (notation.units == Units::Millimetres ? " mm" : " in");
}

std::string formatExact(Length length, Units units) {
  if (units == Units::Millimetres) return formatNumber(length.mm(), 6) + " mm";
  return (isOn64th(length) ? nearest64th(length) : formatNumber(length.inches(), 8)) + " in";
}

}  // namespace drapery
