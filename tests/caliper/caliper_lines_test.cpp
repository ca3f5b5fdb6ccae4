// Lines that a caliper sends, and what becomes of everything else.
#include "caliper/caliper_lines.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cstdio>

namespace drapery {
namespace {

double mmOf(const CaliperLine& line) {
  const auto* length = std::get_if<Length>(&line.reading);
  return length != nullptr ? length->mm() : -1e9;
}
CaliperFault faultOf(const std::string& bytes) {
  CaliperLines lines;
  lines.take("+000.00 mm\n");
  const auto read = lines.take(bytes);
  EXPECT_EQ(read.size(), 1U) << bytes;
  const auto* fault = read.empty() ? nullptr : std::get_if<CaliperFault>(&read.front().reading);
  EXPECT_NE(fault, nullptr) << bytes;
  return fault != nullptr ? *fault : CaliperFault::Garbled;
}

// However the bytes are cut up on their way, each line is read once, to the last digit.
RC_GTEST_PROP(CaliperLines, readsWhatWasSentHoweverItComes, ()) {
  const auto sent = *rc::gen::container<std::vector<int>>(rc::gen::inRange(0, 30000));
  std::string bytes;
  for (const int hundredths : sent) {
    char text[32];
    std::snprintf(text, sizeof text, "+%06.2f mm\r\n", hundredths / 100.0);
    bytes += text;
  }
  CaliperLines lines;
  std::vector<double> read;
  while (!bytes.empty()) {
    const auto some = static_cast<std::size_t>(*rc::gen::inRange(1, 12));
    for (const CaliperLine& line : lines.take(std::string_view(bytes).substr(0, some)))
      read.push_back(mmOf(line));
    bytes.erase(0, some);
  }
  RC_ASSERT(read.size() == sent.size());
  for (std::size_t i = 0; i < sent.size(); ++i)
    RC_ASSERT(std::abs(read[i] - sent[i] / 100.0) < 1e-9);
}

// Any bytes at all: no reading that is not written there, and no line kept for ever.
RC_GTEST_PROP(CaliperLines, takesNothingForAReadingThatIsNone, (const std::string& bytes)) {
  CaliperLines lines;
  for (const CaliperLine& line : lines.take(bytes + "\n")) {
    const auto* length = std::get_if<Length>(&line.reading);
    if (length == nullptr) continue;
    RC_ASSERT(line.text.ends_with("mm") || line.text.ends_with("in") || line.text.ends_with("MM") ||
              line.text.ends_with("IN"));
  }
}

TEST(CaliperLines, inchesAndSignsAreRead) {
  CaliperLines lines;
  const auto read = lines.take("+00.9235 in\r\n-000.02 MM\r\n+012.50mm\n");
  ASSERT_EQ(read.size(), 3U);
  EXPECT_NEAR(mmOf(read[0]), 0.9235 * 25.4, 1e-12);
  EXPECT_NEAR(mmOf(read[1]), -0.02, 1e-12);
  EXPECT_NEAR(mmOf(read[2]), 12.5, 1e-12);
}

TEST(CaliperLines, whatIsNoWholeLineIsToldApart) {
  EXPECT_EQ(faultOf("+02#.46 mm\n"), CaliperFault::Garbled);
  EXPECT_EQ(faultOf("+023.46\n"), CaliperFault::NoUnit);
  EXPECT_EQ(faultOf("+023.46 ells\n"), CaliperFault::Garbled);
  EXPECT_EQ(faultOf("ERR 2\n"), CaliperFault::Garbled);
  EXPECT_EQ(faultOf("\xf8\x80\x98\xff\xe6\n"), CaliperFault::Unreadable);
  EXPECT_EQ(faultOf(std::string(40, 'x')), CaliperFault::Unreadable);
}

// Half a line is a sound figure too, and a wrong one: "+023.46 mm" without its beginning.
TEST(CaliperLines, halfALineIsNoReading) {
  CaliperLines fresh;
  const auto read = fresh.take("3.46 mm\r\n+023.46 mm\r\n23.46 mm\r\n+23.46 mm\r\n");
  ASSERT_EQ(read.size(), 4U);
  EXPECT_TRUE(std::holds_alternative<CaliperFault>(read[0].reading));
  EXPECT_NEAR(mmOf(read[1]), 23.46, 1e-12);
  EXPECT_TRUE(std::holds_alternative<CaliperFault>(read[2].reading));  // a letter is missing
  EXPECT_TRUE(std::holds_alternative<CaliperFault>(read[3].reading));
}

}  // namespace
}  // namespace drapery
