#include "store/utf8.h"

#include <gtest/gtest.h>

namespace drapery {
namespace {

// The boundary forms of RFC 3629.
TEST(Utf8, acceptsWellFormedText) {
  for (const std::string_view text :
       {"", "plain", "é", "‰", "𝄞", "\x7f", "\xEF\xBF\xBF", "\xF4\x8F\xBF\xBF"})
    EXPECT_EQ(firstNotUtf8(text), text.size()) << text;
}

TEST(Utf8, refusesWhatIsNot) {
  for (const std::string_view text : {"\x80", "\xC0\xAF", "\xE0\x80\xAF", "\xED\xA0\x80",
                                      "\xF4\x90\x80\x80", "\xFF", "\xE2\x82", "\xC3"})
    EXPECT_EQ(firstNotUtf8(text), 0U);
  EXPECT_EQ(firstNotUtf8("ab\xE9"
                         "c"),
            2U);
}

}  // namespace
}  // namespace drapery
