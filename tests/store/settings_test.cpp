#include "store/settings.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include "tests/support/command.h"
#include "words/issue_words.h"

namespace drapery {
namespace {

using ::testing::ElementsAre;
using ::testing::HasSubstr;
using ::testing::IsEmpty;

Settings read(const std::string& path, std::vector<std::string>& told) {
  Issues issues;
  Settings settings = Settings::load(path, issues);
  for (const Issue& issue : issues) told.push_back(placedWords(issue, {}));
  return settings;
}

// Every key of the table: its usual value is allowed, can be set, written and read again.
TEST(Settings, eachIsUsualUntilSaidAndIsRemembered) {
  const test::TemporaryFolder folder;
  const std::string path = folder.path() + "/new/settings.json";
  std::vector<std::string> told;
  Settings settings = read(path, told);
  for (const SettingKind& kind : settingKinds()) {
    EXPECT_FALSE(settings.set(kind.key, kind.usual)) << kind.key;
    if (std::holds_alternative<double>(kind.usual)) {
      EXPECT_FALSE(settings.set(kind.key, kind.most));
      EXPECT_TRUE(settings.set(kind.key, kind.most + 1));
      EXPECT_TRUE(settings.set(kind.key, std::string("much")));
    } else {
      const std::string value = kind.allowed.empty() ? "any" : kind.allowed.back();
      EXPECT_FALSE(settings.set(kind.key, value));
      EXPECT_EQ(settings.set(kind.key, std::string("none of these")).has_value(),
                !kind.allowed.empty());
    }
  }
  EXPECT_FALSE(settings.save());
  const Settings again = read(path, told);
  EXPECT_EQ(again.text("theme"), "bench");
  EXPECT_EQ(again.text("units"), "in");
  EXPECT_EQ(again.number("font_scale"), kLargestLetters);
  EXPECT_THAT(told, IsEmpty());
}

TEST(Settings, whatIsWrongIsToldAndTheRestHolds) {
  const test::TemporaryFolder folder;
  const std::string path = folder.write("s.json", R"({"schema": "drapery-settings/1",
 "theme": "pink", "font_scale": 9, "units": 3, "window_width": 900, "lamp": {"due": [1]}})");
  std::vector<std::string> told;
  Settings settings = read(path, told);
  EXPECT_THAT(told,
              ElementsAre(HasSubstr(":2:2: theme: \"pink\" is not allowed; allowed: light, bench"),
                          HasSubstr("from 0.5 to 3"), HasSubstr("units")));
  EXPECT_EQ(settings.text("theme"), "light");
  EXPECT_EQ(settings.number("window_width"), 900);
  EXPECT_FALSE(settings.set("window_height", 700.0));
  EXPECT_FALSE(settings.save());
  EXPECT_THAT(test::readFile(path), HasSubstr(R"("lamp": {"due": [1]})"));
  told.clear();
  read(folder.write("t.json", "{\"theme\": "), told);
  EXPECT_THAT(told, ElementsAre(HasSubstr("t.json:1:11: not JSON")));
  told.clear();
  Settings list = read(folder.write("u.json", "[1]"), told);
  EXPECT_THAT(told, ElementsAre(HasSubstr("u.json:1:1: no settings")));
  EXPECT_FALSE(list.set("theme", std::string("bench")));
  EXPECT_FALSE(list.save());
  EXPECT_EQ(test::readFile(folder.path() + "/u.json"), "[1]");
}

TEST(Settings, whatHoldsForNowIsNotWritten) {
  const test::TemporaryFolder folder;
  const std::string path = folder.path() + "/settings.json";
  std::vector<std::string> told;
  Settings settings = read(path, told);
  EXPECT_FALSE(settings.setForNow("theme", std::string("bench")));
  EXPECT_EQ(settings.text("theme"), "bench");
  EXPECT_FALSE(settings.save());
  EXPECT_EQ(read(path, told).text("theme"), "light");
  EXPECT_FALSE(settings.set("theme", std::string("light")));  // the binder's own choice goes before
  EXPECT_EQ(settings.text("theme"), "light");
}

}  // namespace
}  // namespace drapery
