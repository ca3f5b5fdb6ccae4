// A house's file changed entry by entry: nothing else in it moves.
#include "store/house_rules.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/rules/load_rules.h"

namespace drapery {
namespace {

const RulePlace kWidth{"derive", "board_width", "formula"};

std::string begun() {
  static const RuleLibrary kLibrary;
  return houseBegun(kLibrary, "case-sunk-joint", "ours");
}

TEST(HouseRules, aFileThatIsBegunSaysNothingOfItsOwnAndLoads) {
  static const RuleLibrary kLibrary;
  const LoadedRules loaded =
      loadRules({"ours.toml", begun()}, [](std::string_view id) { return kLibrary.source(id); });
  ASSERT_NE(loaded.rules, nullptr);
  EXPECT_EQ(loaded.rules->derived.size(), kLibrary.load("case-sunk-joint").rules->derived.size());
  EXPECT_FALSE(ruleText(begun(), kWidth).has_value());
}

// Whatever text is said, it is read back as it was said; taken out, the file says it no more; and
// what stood there before stands there still.
RC_GTEST_PROP(HouseRules, areReadBackAsTheyWereSaid, (std::string text)) {
  std::erase_if(text, [](char c) { return c < ' ' || c > '~'; });
  const std::string other = withRuleEdit(begun(), {{"finding", "no-groove", "when"}, "1 > 2"});
  const std::string first = withRuleEdit(other, {kWidth, "board_height"});
  const std::string file = withRuleEdit(first, {kWidth, text});
  RC_ASSERT(ruleText(file, kWidth) == text);
  RC_ASSERT(ruleText(file, {"finding", "no-groove", "when"}) == std::string("1 > 2"));
  const std::string because =
      withRuleEdit(file, {{"derive", "board_width", "because"}, "it is ours"});
  RC_ASSERT(ruleText(because, kWidth) == text);
  const std::string out = withRuleEdit(because, {kWidth, std::nullopt});
  RC_ASSERT(!ruleText(out, kWidth).has_value());
  RC_ASSERT(ruleText(out, {"derive", "board_width", "because"}) == std::string("it is ours"));
  RC_ASSERT(withRuleEdit(first, {kWidth, "board_height"}) == first);
}

TEST(HouseRules, keepACommentAndTheOtherEntriesToTheLastByte) {
  const std::string file =
      "# ours, do not touch\nid = \"ours\"\n\n[[derive]]\nid = \"board_width\"  # the board\n"
      "formula = \"1 mm\" # was 2\n\n[[derive]]\nid = \"gap\"\nformula = '''a\nb'''\n";
  EXPECT_EQ(withRuleEdit(file, {kWidth, "2 mm"}),
            "# ours, do not touch\nid = \"ours\"\n\n[[derive]]\nid = \"board_width\"  # the board\n"
            "formula = \"2 mm\" # was 2\n\n[[derive]]\nid = \"gap\"\nformula = '''a\nb'''\n");
  const std::string out = withRuleEdit(file, {{"derive", "gap", "formula"}, std::nullopt});
  EXPECT_TRUE(out.ends_with("[[derive]]\nid = \"gap\"\n"));
}

TEST(HouseRules, tellWhereInATextAMistakeStands) {
  const std::string file = withRuleEdit(begun(), {kWidth, "block_width + \\\"x"});
  std::size_t line = 1, column = 1;
  for (std::size_t i = 0; i < file.find("block_width"); ++i)
    file[i] == '\n' ? (++line, column = 1) : ++column;
  EXPECT_EQ(offsetIn(file, kWidth, static_cast<int>(line), static_cast<int>(column) + 3), 3U);
  EXPECT_FALSE(offsetIn(file, kWidth, 1, 1).has_value());
}

}  // namespace
}  // namespace drapery
