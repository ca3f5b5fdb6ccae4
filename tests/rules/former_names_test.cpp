// Names change; what was written under the old ones goes on.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include "core/rules/rule_library.h"
#include "store/job_file.h"
#include "store/open_job.h"
#include "tests/support/command.h"
#include "words/issue_words.h"

namespace drapery::test {
namespace {

using ::testing::HasSubstr;

const char* const kRenamed = R"RULES(schema = "drapery-method/1"
id = "tall"
was = ["high", "lofty"]
title = "Tall"

[[given]]
id = "text_height"
was = ["block_height"]
title = "Height"
range = ["20 mm", "1200 mm"]

[[allowance]]
id = "school"
kind = "choice"
title = "School"
options = ["grooved", "flush"]
options_were = { sunk = "grooved" }
default = "flush"

[[derive]]
id = "board_height"
was = ["cover_height"]
title = "Board"
formula = "text_height + (school == grooved ? 6 mm : 0)"
because = "Leaves and squares."
)RULES";

struct FormerNames : ::testing::Test {
  FormerNames() { folder.write("tall.toml", kRenamed); }

  OpenedJob open(const std::string& given, const std::string& allowances) const {
    const RuleLibrary library(folder.path());
    return openJob(R"({"schema": "drapery-job/1", "id": "x", "method": "lofty", "given": {)" +
                       given + "}, \"allowances\": {" + allowances + "}}",
                   "job.json", library);
  }
  TemporaryFolder folder;
};

TEST_F(FormerNames, ofAJobAreTakenForThePresentOnes) {
  const OpenedJob opened = open(R"("block_height": 200)", R"("school": "sunk")");
  ASSERT_TRUE(opened.issues.empty()) << placedWords(opened.issues.front(), {});
  EXPECT_EQ(opened.plan.number("board_height"), 206);
  // From the next write on the file has the present ones.
  const std::string written = writeJob(*opened.document.job);
  EXPECT_THAT(written, ::testing::AllOf(HasSubstr("\"tall\""), HasSubstr("\"text_height\""),
                                        HasSubstr("\"grooved\"")));
}

TEST_F(FormerNames, besideThePresentOneAreNotKnown) {
  const OpenedJob opened = open(R"("block_height": 200, "text_height": 210)", "");
  ASSERT_EQ(opened.issues.size(), 1U);
  EXPECT_THAT(placedWords(opened.issues.front(), {}), HasSubstr("\"block_height\" is not known"));
}

// A house's file on it may still override and ask by the old names.
TEST_F(FormerNames, inAHouseFileOnTheseRulesHold) {
  folder.write("ours.toml", R"(schema = "drapery-method/1"
id = "ours"
base = "tall"
title = "Ours"
[[given]]
id = "block_height"
title = "Our height"
[[derive]]
id = "liner_height"
title = "Liner"
formula = "cover_height - 4 mm + 0 * block_height"
because = "Shorter than the board."
)");
  const RuleLibrary library(folder.path());
  const LoadedRules loaded = library.load("ours");
  ASSERT_NE(loaded.rules, nullptr) << placedWords(loaded.issues.front(), {});
  EXPECT_EQ(loaded.rules->inputs.size(), 2U);
  EXPECT_EQ(loaded.rules->input("text_height")->title.text, "Our height");
  Job job;
  job.method = "ours";
  job.given["text_height"] = {200.0, {}};
  EXPECT_EQ(Planner(loaded.rules).plan(job).plan.number("liner_height"), 196);
}

TEST_F(FormerNames, mayNotBeTakenByAnother) {
  std::string text = kRenamed;
  text.replace(text.find("was = [\"cover_height\"]"), 22, "was = [\"text_height\"]");
  folder.write("tall.toml", text);
  const LoadedRules loaded = RuleLibrary(folder.path()).load("tall");
  ASSERT_FALSE(loaded.issues.empty());
  EXPECT_THAT(placedWords(loaded.issues.front(), {}), HasSubstr("\"text_height\" is used twice"));
}

TEST(RuleVersion, isOfEveryFileThatTheRulesWereReadFrom) {
  const TemporaryFolder folder;
  const auto versionWith = [&](const std::string& base) {
    folder.write("tall.toml", base);
    folder.write("ours.toml",
                 "schema = \"drapery-method/1\"\nid = \"ours\"\nbase = \"tall\"\ntitle = \"O\"\n");
    return RuleLibrary(folder.path()).load("ours").rules->version();
  };
  const std::string before = versionWith(kRenamed);
  EXPECT_EQ(before.size(), 16U);
  EXPECT_EQ(versionWith(kRenamed), before);
  EXPECT_NE(versionWith(std::string(kRenamed) + "# one more line\n"), before);
}

}  // namespace
}  // namespace drapery::test
