#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <numeric>

#include "core/quantity/format_length.h"
#include "core/quantity/rule.h"

namespace drapery {
namespace {

const Notation kMm{Units::Millimetres, 0.5_mm, '.'};
const Notation kComma{Units::Millimetres, 0.5_mm, ','};
const Notation kInches{Units::Inches, Length::fromInches(1.0 / 32), '.'};

TEST(FormatLength, millimetresWithoutIdleZeros) {
  EXPECT_EQ(formatLength(140_mm, kMm), "140 mm");
  EXPECT_EQ(formatLength(140.5_mm, kMm), "140.5 mm");
  EXPECT_EQ(formatLength(359.174_mm, kMm), "359.17 mm");
  EXPECT_EQ(formatLength(140.5_mm, kComma), "140,5 mm");
  EXPECT_EQ(formatBare(Length::fromMm(-0.0001), kMm), "0");
}

TEST(FormatLength, inchesAsReducedFractions) {
  EXPECT_EQ(formatLength(8.25_in, kInches), "8 1/4 in");
  EXPECT_EQ(formatLength(0.1875_in, kInches), "3/16 in");
  EXPECT_EQ(formatLength(8_in, kInches), "8 in");
  EXPECT_EQ(formatLength(Length::fromInches(-1.5), kInches), "-1 1/2 in");
  EXPECT_EQ(formatLength(143.8_mm, kInches), "≈5 21/32 in");  // 5.6614 in; 21/32 is 0.65625
}

TEST(FormatLength, thinStuffInThousandths) {
  EXPECT_EQ(formatLength(0.4_mm, kInches), "0.016 in");
  EXPECT_EQ(formatLength(Length::fromInches(1.0 / 32), kInches), "1/32 in");
}

RC_GTEST_PROP(FormatFraction, isReducedAndRight, ()) {
  const long numerator = *rc::gen::inRange(0L, 6400L);
  const long denominator = *rc::gen::inRange(1L, 128L);
  const std::string text = formatFraction(numerator, denominator);
  long whole = 0, upper = 0, lower = 1;
  const auto space = text.find(' ');
  const auto slash = text.find('/');
  if (slash == std::string::npos) {
    whole = std::stol(text);
  } else {
    const std::size_t begin = space == std::string::npos ? 0 : space + 1;
    if (space != std::string::npos) whole = std::stol(text.substr(0, space));
    upper = std::stol(text.substr(begin, slash - begin));
    lower = std::stol(text.substr(slash + 1));
  }
  RC_ASSERT((whole * lower + upper) * denominator == numerator * lower);
  RC_ASSERT(upper < lower);
  RC_ASSERT(std::gcd(upper, lower) == 1);
}

TEST(RoundTo, tiesGoAwayFromZero) {
  EXPECT_EQ(roundTo(140.25_mm, 0.5_mm, Rounding::Nearest), 140.5_mm);
  EXPECT_EQ(roundTo(Length::fromMm(-140.25), 0.5_mm, Rounding::Nearest), Length::fromMm(-140.5));
  EXPECT_EQ(roundTo(140.24_mm, 0.5_mm, Rounding::Nearest), 140_mm);
  EXPECT_EQ(roundTo(140.01_mm, 0.5_mm, Rounding::Up), 140.5_mm);
  EXPECT_EQ(roundTo(140.49_mm, 0.5_mm, Rounding::Down), 140_mm);
}

TEST(RoundTo, dustNeverCostsAMark) {
  const Length sum = Length::fromMm(0.1) + Length::fromMm(0.2);  // 0.30000000000000004
  EXPECT_NEAR(roundTo(sum, 0.1_mm, Rounding::Up).mm(), 0.3, 1e-12);
  EXPECT_NEAR(roundTo(Length::fromMm(0.7 - 0.4), 0.1_mm, Rounding::Down).mm(), 0.3, 1e-12);
}

RC_GTEST_PROP(RoundTo, staysWithinAMarkOnTheRightSide, ()) {
  const Length length = Length::fromMm(*rc::gen::inRange(-50000, 50000) / 37.0);
  const Length mark = *rc::gen::element(0.5_mm, 1_mm, 0.1_mm, Length::fromInches(1.0 / 32),
                                        Length::fromInches(1.0 / 16));
  const double dust = 1e-5 * mark.mm();
  const Length up = roundTo(length, mark, Rounding::Up);
  const Length down = roundTo(length, mark, Rounding::Down);
  const Length nearest = roundTo(length, mark, Rounding::Nearest);
  RC_ASSERT(up.mm() >= length.mm() - dust && up.mm() < (length + mark).mm());
  RC_ASSERT(down.mm() <= length.mm() + dust && down.mm() > (length - mark).mm());
  RC_ASSERT(std::abs((nearest - length).mm()) <= mark.mm() / 2 + dust);
  for (const Length rounded : {up, down, nearest}) {
    const double marks = rounded / mark;
    RC_ASSERT(std::abs(marks - std::round(marks)) < 1e-9);
  }
}

TEST(DefaultMark, isHalfAMillimetreOrAThirtySecond) {
  EXPECT_EQ(usualResolution(Units::Millimetres), 0.5_mm);
  EXPECT_DOUBLE_EQ(usualResolution(Units::Inches).mm(), 25.4 / 32);
}

}  // namespace
}  // namespace drapery
