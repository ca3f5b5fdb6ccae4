#include "core/quantity/parse_length.h"

#include <fmt/format.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <type_traits>

#include "core/quantity/format_length.h"
#include "tests/support/command.h"

namespace drapery {
namespace {

static_assert(!std::is_convertible_v<double, Length>, "a bare number is not a length");
static_assert(!std::is_convertible_v<Length, double>, "a length is not a bare number");
static_assert(!std::is_constructible_v<Length, double>, "the unit is always named");

struct Readable {
  const char* text;
  double mm;
  friend void PrintTo(const Readable& each, std::ostream* out) { *out << each.text; }
};

class ReadableLength : public ::testing::TestWithParam<Readable> {};

TEST_P(ReadableLength, isRead) {
  const auto parsed = parseLength(GetParam().text, Units::Millimetres);
  ASSERT_TRUE(std::holds_alternative<Length>(parsed)) << GetParam().text;
  EXPECT_DOUBLE_EQ(std::get<Length>(parsed).mm(), GetParam().mm) << GetParam().text;
}

// The ways in which binders write, from the contract and from common practice.
INSTANTIATE_TEST_SUITE_P(
    AsBindersWrite, ReadableLength,
    ::testing::Values(Readable{"210", 210}, Readable{"137.5", 137.5}, Readable{"137,5 mm", 137.5},
                      Readable{"13.75 cm", 137.5}, Readable{"5 7/16 in", 138.1125},
                      Readable{"5-7/16 in", 138.1125}, Readable{"5 7/16\"", 138.1125},
                      Readable{"5.4375 in", 138.1125}, Readable{"5 7/16″", 138.1125},
                      Readable{"7½ in", 190.5}, Readable{"7 ½ in", 190.5}, Readable{"½\"", 12.7},
                      Readable{"⅜ in", 9.525}, Readable{"3/16 in", 4.7625},
                      Readable{"3 / 16 in", 4.7625}, Readable{"3⁄16in", 4.7625},
                      Readable{"  22.6mm ", 22.6}, Readable{".5", 0.5}, Readable{"5.", 5},
                      Readable{"7 MM", 7}, Readable{"1 inch", 25.4}, Readable{"2 inches", 50.8},
                      Readable{"7\u00a03/16 in", 182.5625}, Readable{"-3", -3},
                      Readable{"\u22123 mm", -3}, Readable{"+4", 4}, Readable{"9/8 in", 28.575},
                      // What is longer than the rule: laid twice or more.
                      Readable{"300 + 120.5", 420.5}, Readable{"300+120,5 mm", 420.5},
                      Readable{"12 + 3 1/4 in", 387.35}, Readable{"12 in + 50 mm", 354.8},
                      Readable{"30 cm + 30 cm + 4.5 cm", 645}));

TEST(ParseLength, aBareFigureIsInTheUnitInUse) {
  EXPECT_EQ(std::get<Length>(parseLength("8 1/4", Units::Inches)), 8.25_in);
  EXPECT_EQ(std::get<Length>(parseLength("8.25 mm", Units::Inches)), 8.25_mm);
}

struct Refused {
  const char* text;
  LengthFault fault;
  friend void PrintTo(const Refused& each, std::ostream* out) { *out << each.text; }
};

class RefusedLength : public ::testing::TestWithParam<Refused> {};

TEST_P(RefusedLength, isRefusedForItsReason) {
  const auto parsed = parseLength(GetParam().text, Units::Millimetres);
  ASSERT_TRUE(std::holds_alternative<LengthFault>(parsed)) << GetParam().text;
  EXPECT_EQ(std::get<LengthFault>(parsed), GetParam().fault) << GetParam().text;
}

INSTANTIATE_TEST_SUITE_P(
    Mistakes, RefusedLength,
    ::testing::Values(
        Refused{"", LengthFault::Empty}, Refused{"   ", LengthFault::Empty},
        Refused{"abc", LengthFault::NotALength}, Refused{"mm", LengthFault::NotALength},
        Refused{"NaN", LengthFault::NotALength}, Refused{"inf", LengthFault::NotALength},
        Refused{"7 3/0", LengthFault::ZeroDenominator}, Refused{"7 in mm", LengthFault::TwoUnits},
        Refused{"7 in in", LengthFault::TwoUnits}, Refused{"1e3", LengthFault::Exponent},
        Refused{"1e400", LengthFault::Exponent}, Refused{"1,234.5", LengthFault::Thousands},
        Refused{"1.2.3", LengthFault::Thousands}, Refused{"7 17/16", LengthFault::ImproperFraction},
        Refused{"7 16/16", LengthFault::ImproperFraction}, Refused{"7 3", LengthFault::NotALength},
        Refused{"7 3/", LengthFault::NotALength}, Refused{"1.5 1/2", LengthFault::NotALength},
        Refused{"7 ells", LengthFault::UnknownUnit}, Refused{"7 m", LengthFault::UnknownUnit},
        Refused{"0x10", LengthFault::UnknownUnit}, Refused{"7%", LengthFault::UnknownUnit},
        Refused{"--7", LengthFault::NotALength},
        Refused{"00000000000000000000000000000000000000001", LengthFault::TooLong}));

TEST(ParseLength, nineMillionDigitsAreRefusedAtOnce) {
  const std::string digits(9'000'000, '7');
  EXPECT_EQ(std::get<LengthFault>(parseLength(digits, Units::Millimetres)), LengthFault::TooLong);
}

TEST(ParseRatio, readsNumbersAndFractions) {
  EXPECT_DOUBLE_EQ(std::get<double>(parseRatio("1/3")), 1.0 / 3);
  EXPECT_DOUBLE_EQ(std::get<double>(parseRatio("1 1/2")), 1.5);
  EXPECT_DOUBLE_EQ(std::get<double>(parseRatio("0,25")), 0.25);
  EXPECT_TRUE(std::holds_alternative<LengthFault>(parseRatio("1/3 mm")));
  EXPECT_TRUE(std::holds_alternative<LengthFault>(parseRatio("third")));
}

// Whatever is a length was on its way to one at every key.
RC_GTEST_PROP(ParseLength, isOnItsWayAtEveryKey, ()) {
  const auto text = *rc::gen::elementOf(std::vector<std::string>{
      "210", "-3", "137,5 mm", "13.75 cm", "5 7/16 in", "5-7/16 inches", "7 63/64\"", ".5 in",
      "0 1/8 inch", "300 + 120.5", "12 in + 3 1/4 in", "1/16", "7 17/99 in"});
  for (std::size_t end = 0; end <= text.size(); ++end)
    RC_ASSERT(couldBecomeLength(text.substr(0, end)));
}

TEST(ParseLength, whatNoKeyCanMendIsWrongAtOnce) {
  for (const char* text :
       {"x", "7 in m", "12a", "7 mm 3", "1e3", "1,234.5", "7 ells", "3//4", "mm"})
    EXPECT_FALSE(couldBecomeLength(text)) << text;
}

TEST(LengthWithUnit, addsTheUnitInUseToABareFigureOnly) {
  EXPECT_EQ(lengthWithUnit("8 1/4", Units::Inches), "8 1/4 in");
  EXPECT_EQ(lengthWithUnit("209,5", Units::Millimetres), "209,5 mm");
  EXPECT_EQ(lengthWithUnit("8 cm", Units::Inches), "8 cm");
  EXPECT_EQ(lengthWithUnit("eight", Units::Inches), "eight");
}

// What is written reads back: every 64th of an inch up to a metre, every hundredth of a millimetre.
RC_GTEST_PROP(ParseLength, readsBackWhatIsWrittenInInches, ()) {
  const int parts = *rc::gen::inRange(0, 64 * 40);
  const Length length = Length::fromInches(parts / 64.0);
  const auto parsed = parseLength(formatExact(length, Units::Inches), Units::Millimetres);
  RC_ASSERT(std::abs((std::get<Length>(parsed) - length).mm()) < 1e-9);
}

RC_GTEST_PROP(ParseLength, readsBackWhatIsWrittenInMillimetres, ()) {
  const Length length = Length::fromMm(*rc::gen::inRange(0, 120001) / 100.0);
  const char decimal = *rc::gen::element('.', ',');
  const Notation notation{Units::Millimetres, 0.5_mm, decimal};
  const auto parsed = parseLength(formatLength(length, notation), Units::Inches);
  RC_ASSERT(std::abs((std::get<Length>(parsed) - length).mm()) < 1e-9);
}

RC_GTEST_PROP(ParseLength, neverCrashesAndNeverGivesNonsense, (const std::string& text)) {
  const auto parsed = parseLength(text, Units::Millimetres);
  if (const auto* length = std::get_if<Length>(&parsed)) RC_ASSERT(std::isfinite(length->mm()));
}

// Outside check: GNU units, whose inch is the exact one (NIST SP 811, 25.4 mm).
TEST(ParseLength, agreesWithGnuUnits) {
  std::string questions;
  std::vector<double> ours;
  for (int i = 0; i < 60; ++i) {
    const int whole = (i * 7) % 31;
    const int upper = 1 + (i * 5) % 63;
    questions += fmt::format("{}+{}|64 inch\nmm\n{}.{} cm\nmm\n", whole, upper, whole, upper);
    for (const std::string& text :
         {fmt::format("{} {}/64 in", whole, upper), fmt::format("{}.{} cm", whole, upper)})
      ours.push_back(std::get<Length>(parseLength(text, Units::Millimetres)).mm());
  }
  // "(0+5|64) inch": without the bracket units would read 0 + 5|64 inch.
  std::string bracketed;
  for (std::size_t at = 0; at < questions.size();) {
    const std::size_t end = questions.find('\n', at);
    std::string line = questions.substr(at, end - at);
    if (const auto inch = line.find(" inch"); inch != std::string::npos)
      line = "(" + line.substr(0, inch) + ") inch";
    bracketed += line + "\n";
    at = end + 1;
  }
  const auto answer = test::run({"units", "--terse", "--digits", "15"}, bracketed);
  ASSERT_EQ(answer.code, 0) << answer.err;
  std::size_t at = 0;
  for (const double expected : ours) {
    const std::size_t end = answer.out.find('\n', at);
    ASSERT_NE(end, std::string::npos) << answer.out;
    EXPECT_NEAR(std::stod(answer.out.substr(at, end - at)), expected, 1e-9);
    at = end + 1;
  }
}

}  // namespace
}  // namespace drapery
