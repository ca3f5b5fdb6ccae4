#include "core/geometry/sheet.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

#include "core/material/material.h"
#include "tests/support/books.h"

namespace drapery {
namespace {

Length mm(double value) { return Length::fromMm(value); }

// Cutting by hand: the longer side in two, again and again.
RC_GTEST_PROP(HalvedSheet, isTheSheetCutByHand, ()) {
  const double a = *rc::gen::inRange(100, 2000), b = *rc::gen::inRange(100, 2000);
  const int times = *rc::gen::inRange(1, 9);
  double longer = std::max(a, b), shorter = std::min(a, b);
  bool isLongerTheSheetsOwn = true, wasHalvedTheSheetsOwn = true;
  double halved = 0, kept = 0;
  for (int i = 0; i < times; ++i) {
    halved = longer / 2;
    kept = shorter;
    wasHalvedTheSheetsOwn = isLongerTheSheetsOwn;
    if (halved < kept) isLongerTheSheetsOwn = !isLongerTheSheetsOwn;
    longer = std::max(halved, kept);
    shorter = std::min(halved, kept);
    RC_PRE(longer - shorter > 1e-6);  // of two equal sides either may be the longer
  }
  const HalvedSheet sheet = halvedSheet(mm(a), mm(b), times);
  RC_ASSERT(std::abs(sheet.width.mm() - halved) < 1e-9);
  RC_ASSERT(std::abs(sheet.height.mm() - kept) < 1e-9);
  RC_PRE(a != b);
  RC_ASSERT(sheet.isWidthAlongLongSide == wasHalvedTheSheetsOwn);
}

TEST(HalvedSheet, needsAWholeNumberOfHalvings) {
  for (const double wrong : {0.0, -1.0, 1.5, 13.0, std::nan("")})
    EXPECT_TRUE(std::isnan(halvedSheet(mm(420), mm(594), wrong).width.mm())) << wrong;
}

double column(const InputRule& rule, const std::string& option, std::size_t which) {
  const auto at = std::find(rule.options.begin(), rule.options.end(), option);
  EXPECT_NE(at, rule.options.end()) << option;
  return rule.columns[which].figures[static_cast<std::size_t>(at - rule.options.begin())];
}

// ISO 216 and ISO 217: sides in the proportion 1 to the root of 2; each size is the one above it
// halved, a half millimetre dropped; A0 is a square metre, B0 a metre wide.
TEST(SheetSizes, followTheStandards) {
  const RuleSetPtr method = test::shippedMethod("case-sunk-joint");
  const InputRule& sheet = *method->input("sheet");
  for (const auto& [series, last] :
       {std::pair<std::string, int>{"a", 6}, {"b", 6}, {"ra", 4}, {"sra", 4}}) {
    for (int n = 0; n <= last; ++n) {
      const std::string id = series + std::to_string(n);
      const double width = column(sheet, id, 0), height = column(sheet, id, 1);
      EXPECT_NEAR(height / width, std::sqrt(2.0), 0.011) << id;
      if (series.size() == 1) {
        const double foot = series == "a" ? -0.25 : 0.0;
        EXPECT_NEAR(width, 1000 * std::pow(2.0, foot - n / 2.0), 1.0) << id;
      }
      if (n == 0) continue;
      const std::string above = series + std::to_string(n - 1);
      EXPECT_EQ(height, column(sheet, above, 0)) << id;
      EXPECT_EQ(width, std::floor(column(sheet, above, 1) / 2)) << id;
    }
  }
  // ANSI/ASME Y14.1, NIST SP 811: an inch is 25.4 mm.
  EXPECT_DOUBLE_EQ(column(sheet, "letter", 0), 215.9);
  EXPECT_DOUBLE_EQ(column(sheet, "tabloid", 1), 431.8);
}

// ISO 534: bulk is thickness over grammage; a paper of 80 g/m2 and 1.25 cm3/g is a tenth thick.
TEST(Caliper, isGrammageTimesBulk) {
  EXPECT_NEAR(caliperOf(80, 1.25).mm(), 0.1, 1e-12);
  EXPECT_NEAR(caliperOf(120, 0.8).mm(), 0.096, 1e-12);
}

}  // namespace
}  // namespace drapery
