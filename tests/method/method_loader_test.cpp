#include "core/method/method_loader.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <filesystem>
#include <sstream>

#include "core/method/method_library.h"
#include "core/method/words_template.h"
#include "tests/support/command.h"
#include "words/issue_words.h"

namespace drapery {
namespace {

using ::testing::Contains;
using ::testing::HasSubstr;
using ::testing::IsEmpty;

// A small sound file; tests put one mistake at a time into it.
const char* const kSound = R"(schema = "drapery-method/1"
id = "small"
title = "Small"

[[given]]
id = "height"
title = "Height"
range = ["20 mm", "1200 mm"]

[[allowance]]
id = "square"
title = "Square"
range = ["0 mm", "30 mm"]
default = "3 mm"

[[allowance]]
id = "school"
kind = "choice"
title = "School"
options = ["plain", "flush"]
default = "plain"

[[derive]]
id = "board_height"
title = "Board"
formula = "height + 2 * square"
because = "Leaves and squares."

[[part]]
id = "board"
title = "Board"
count = 2
material = "board"
size = ["board_height / 2", "board_height"]

[[finding]]
id = "low"
severity = "mind"
when = "board.cut_height < 2 * height && school == plain"
says = "Only {board_height}."
do = "Give {2 * square:mm} more."
touches = ["square"]
)";

std::optional<TomlFile> noBases(std::string_view) { return std::nullopt; }

LoadedMethod load(const std::string& text) { return loadMethod({"small.toml", text}, noBases); }

/// The sound file with `from` replaced by `to`.
std::string with(const std::string& from, const std::string& to) {
  std::string text = kSound;
  const auto at = text.find(from);
  EXPECT_NE(at, std::string::npos) << from;
  return text.replace(at, from.size(), to);
}

std::vector<std::string> messages(const LoadedMethod& loaded) {
  std::vector<std::string> all;
  for (const Issue& issue : loaded.issues) all.push_back(placedWords(issue, {}));
  return all;
}

TEST(MethodLoader, readsASoundFile) {
  const LoadedMethod loaded = load(kSound);
  ASSERT_THAT(messages(loaded), IsEmpty());
  const Method& method = *loaded.method;
  EXPECT_EQ(method.id, "small");
  ASSERT_NE(method.input("square"), nullptr);
  EXPECT_EQ(method.input("square")->most, 30);
  EXPECT_TRUE(method.find("board.cut_width").has_value());
  EXPECT_EQ(method.order.size(), method.nodes.size());
  EXPECT_EQ(explainedFormula(method, *method.find("board.cut_height")), "nearest(board.height)");
}

struct Mistake {
  const char* name;
  const char* from;
  const char* to;
  const char* message;  // file:line:column and what must stand in the words
  friend void PrintTo(const Mistake& each, std::ostream* out) { *out << each.name; }
};

class RuleFileMistake : public ::testing::TestWithParam<Mistake> {};

TEST_P(RuleFileMistake, isPlacedAndSaid) {
  const LoadedMethod loaded = load(with(GetParam().from, GetParam().to));
  EXPECT_EQ(loaded.method, nullptr);
  EXPECT_THAT(messages(loaded), Contains(HasSubstr(GetParam().message)));
}

INSTANTIATE_TEST_SUITE_P(
    Each, RuleFileMistake,
    ::testing::Values(
        Mistake{"syntax", "range = [\"20 mm\"", "range = [\"20 mm", "small.toml:8"},
        Mistake{"schema", "drapery-method/1", "drapery-method/9",
                "small.toml:1:10: schema: \"drapery-method/9\" is not allowed; allowed: "
                "drapery-method/1"},
        Mistake{"unknownKey", "because =", "becuase =",
                "small.toml:27:1: \"becuase\" is not known in derive; did you mean \"because\"?"},
        Mistake{"missingKey", "because = \"Leaves and squares.\"\n", "",
                "small.toml:23:1: \"because\" is missing in this derive"},
        Mistake{"wrongType", "count = 2", "count = [2]",
                "small.toml:32:9: count: a list is not allowed; expected number or formula"},
        Mistake{"wrongCount", "count = 2", "count = 0",
                "count: \"0\" is not allowed; allowed: whole numbers"},
        Mistake{"unknownName", "height + 2 * square", "heigth + 2 * square",
                "small.toml:26:12: \"heigth\" is not known; did you mean \"height\"?"},
        Mistake{"unknownFunction", "height + 2 * square", "height + hypott(1, 2)",
                "small.toml:26:21: there is no function \"hypott\"; did you mean \"hypot\"?"},
        Mistake{"badFormula", "height + 2 * square", "height + 2 * ",
                "the formula breaks off here"},
        Mistake{"assignment", "height + 2 * square", "height = 2",
                "small.toml:26:19: a formula compares with =="},
        Mistake{"twoResults", "height + 2 * square", "height + 2,5", "two results"},
        Mistake{"circle", "height + 2 * square", "height + board.cut_height",
                "these formulas go in a circle: board_height -> board.cut_height -> board.height "
                "-> board_height"},
        Mistake{"duplicateId", "id = \"square\"", "id = \"height\"", "\"height\" is used twice"},
        Mistake{"duplicateInList", "id = \"school\"", "id = \"square\"",
                "small.toml:17:6: \"square\" is used twice; the first is in line 11"},
        Mistake{"badId", "id = \"square\"", "id = \"Square width\"",
                "\"Square width\" is not an id"},
        Mistake{"rangeBackwards", "[\"0 mm\", \"30 mm\"]", "[\"30 mm\", \"0 mm\"]",
                "small.toml:13:9: the range begins at 30, above its end at 0"},
        Mistake{"rangeOfOne", "[\"0 mm\", \"30 mm\"]", "[\"0 mm\"]", "two figures are needed"},
        Mistake{"defaultOutside", "default = \"3 mm\"", "default = \"31 mm\"",
                "small.toml:14:11: square: the default 31 mm is outside its range, 0 to 30"},
        Mistake{"badOption", "default = \"plain\"", "default = \"plane\"",
                "default: \"plane\" is not allowed; allowed: plain, flush"},
        Mistake{"badSeverity", "severity = \"mind\"", "severity = \"worry\"",
                "severity: \"worry\" is not allowed; allowed: stop, mind, note"},
        Mistake{"brace", "Only {board_height}.", "Only {board_height.",
                "small.toml:40:14: says: a brace without its partner"},
        Mistake{"unknownInWords", "{board_height}", "{bord_height}",
                "small.toml:40:15: \"bord_height\" is not known; did you mean \"board_height\"?"},
        Mistake{"touches", "touches = [\"square\"]", "touches = [\"sqare\"]",
                "low touches \"sqare\", which is not known"},
        Mistake{"unknownBase", "title = \"Small\"", "title = \"Small\"\nbase = \"large\"",
                "the base \"large\" is not known"},
        Mistake{"date", "title = \"Small\"", "title = 1979-05-27",
                "title: a date or nothing is not allowed; expected text"}),
    [](const auto& each) { return each.param.name; });

TEST(MethodLoader, saysEveryMistakeAtOnce) {
  std::string text = with("because =", "becuase =");
  text.replace(text.find("30 mm"), 5, "-1 mm");
  text.replace(text.find("touches = [\"square\"]"), 20, "touches = [\"sqare\"]");
  const auto all = messages(load(text));
  EXPECT_THAT(all, Contains(HasSubstr("becuase")));
  EXPECT_THAT(all, Contains(HasSubstr("above its end")));
  EXPECT_THAT(all, Contains(HasSubstr("sqare")));
}

TEST(MethodLoader, showsTheLineWithACaret) {
  const LoadedMethod loaded = load(with("height + 2 * square", "height + 2 * sqare"));
  ASSERT_EQ(loaded.issues.size(), 1U);
  const std::string text = placedWordsWithCaret(loaded.issues.front());
  EXPECT_THAT(text, HasSubstr("\n  formula = \"height + 2 * sqare\"\n"
                              "                          ^\n"));
}

TEST(MethodLoader, aChildOverridesOnlyWhatItNames) {
  const std::string child = R"(schema = "drapery-method/1"
id = "child"
base = "small"
title = "Child"
[[allowance]]
id = "square"
default = "5 mm"
[[derive]]
id = "extra"
title = "Extra"
formula = "2 * board_height"
because = "Twice."
)";
  const auto bases = [](std::string_view id) -> std::optional<TomlFile> {
    if (id != "small") return std::nullopt;
    return TomlFile{"small.toml", kSound};
  };
  const LoadedMethod loaded = loadMethod({"child.toml", child}, bases);
  ASSERT_THAT(messages(loaded), IsEmpty());
  EXPECT_EQ(loaded.method->input("square")->fallback.text, "5");
  EXPECT_EQ(loaded.method->input("square")->title.text, "Square");
  EXPECT_TRUE(loaded.method->find("extra"));
  EXPECT_EQ(loaded.method->parts.size(), 1U);
}

TEST(MethodLoader, aMistakeInTheBaseIsPlacedInTheBase) {
  const std::string broken = with("height + 2 * square", "heigth + 2 * square");
  const auto bases = [&](std::string_view) { return TomlFile{"small.toml", broken}; };
  const LoadedMethod loaded = loadMethod(
      {"child.toml",
       "schema = \"drapery-method/1\"\nid = \"child\"\nbase = \"small\"\ntitle = \"C\"\n"},
      bases);
  EXPECT_THAT(messages(loaded), Contains(HasSubstr("small.toml:26:12: \"heigth\"")));
}

TEST(MethodLoader, basesMayNotGoInACircle) {
  const std::string text =
      "schema = \"drapery-method/1\"\nid = \"a\"\nbase = \"a\"\ntitle = \"A\"\n";
  const auto bases = [&](std::string_view) { return TomlFile{"a.toml", text}; };
  EXPECT_THAT(messages(loadMethod({"a.toml", text}, bases)),
              Contains(HasSubstr("leads in a circle")));
}

TEST(MethodLoader, aMethodMustSupplyWhatItsBaseWants) {
  const std::string text =
      "schema = \"drapery-method/1\"\nid = \"mine\"\nbase = \"case\"\ntitle = \"Mine\"\n";
  const MethodLibrary library;
  const auto loaded =
      loadMethod({"mine.toml", text}, [&](std::string_view id) { return library.source(id); });
  EXPECT_THAT(messages(loaded),
              Contains(HasSubstr("\"setback\" is missing; methods on case must supply it")));
}

TEST(WordsTemplate, splitsLiteralsAndExpressions) {
  const auto parsed = parseWords({"{{a}} is {a + b:deg}, {c}.", {}});
  const auto& words = std::get<WordsTemplate>(parsed);
  ASSERT_EQ(words.pieces.size(), 5U);
  EXPECT_EQ(words.pieces[0].literal, "{a} is ");
  EXPECT_EQ(words.pieces[1].expression.text, "a + b");
  EXPECT_EQ(words.pieces[1].unit, Unit::Degree);
  EXPECT_FALSE(words.pieces[3].unit.has_value());
  for (const char* wrong : {"{", "}", "{}", "a { b"})
    EXPECT_TRUE(std::holds_alternative<std::size_t>(parseWords({wrong, {}}))) << wrong;
}

// The files that ship, each on its own and with every formula tried.
TEST(ShippedMethods, areSound) {
  const MethodLibrary library;
  for (const TomlFile& source : shippedMethods()) {
    const auto loaded = loadMethod(source, [&](std::string_view id) { return library.source(id); });
    EXPECT_THAT(messages(loaded), IsEmpty()) << source.file;
  }
}

TEST(ShippedMethods, areAllThatStandInTheFolderAndEachHasCases) {
  std::vector<std::string> shipped;
  for (const TomlFile& source : shippedMethods()) shipped.push_back(source.file);
  for (const auto& entry :
       std::filesystem::directory_iterator(std::string(DRAPERY_SOURCE_DIR) + "/methods")) {
    if (entry.path().extension() != ".toml") continue;
    EXPECT_THAT(shipped, Contains(entry.path().filename().string()));
    auto cases = entry.path();
    EXPECT_TRUE(std::filesystem::exists(cases.replace_extension(".cases"))) << cases;
  }
}

TEST(MethodLibrary, offersAFoldersOwnFilesAfterTheShippedOnes) {
  const test::TemporaryFolder folder;
  folder.write("small.toml", kSound);
  folder.write("case-sunk-joint.toml", kSound);  // a shipped id is not taken over
  folder.write("notes.txt", "nothing");
  const MethodLibrary library(folder.path());
  EXPECT_EQ(library.ids(),
            (std::vector<std::string>{"case-sunk-joint", "case-fixed-gap", "case-strip-set",
                                      "case-board-gap", "case-card", "small"}));
  EXPECT_NE(library.load("small").method, nullptr);
  EXPECT_EQ(library.load("case-sunk-joint").method->title.text, "Sunk joint, computed");
  EXPECT_FALSE(library.knows("case"));
}

}  // namespace
}  // namespace drapery
