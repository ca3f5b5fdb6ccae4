#include "core/rules/load_rules.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <pthread.h>

#include <filesystem>
#include <sstream>
#include <thread>

#include "core/plan/planner.h"
#include "core/rules/rule_library.h"
#include "core/rules/rule_words.h"
#include "tests/support/books.h"
#include "tests/support/command.h"
#include "words/finding_words.h"
#include "words/issue_words.h"

namespace drapery {
namespace {

using ::testing::Contains;
using ::testing::ElementsAre;
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

#if defined(__SANITIZE_ADDRESS__)
constexpr std::size_t kStack = 4U << 20U;  // its frames are larger
#else
constexpr std::size_t kStack = 1U << 20U;
#endif

constexpr int kFormulaLine = 26;  // of the derived value

std::optional<TomlFile> noBases(std::string_view) { return std::nullopt; }

LoadedRules load(const std::string& text) { return loadRules({"small.toml", text}, noBases); }

/// The sound file with `from` replaced by `to`.
std::string with(const std::string& from, const std::string& to) {
  std::string text = kSound;
  const auto at = text.find(from);
  EXPECT_NE(at, std::string::npos) << from;
  return text.replace(at, from.size(), to);
}

std::vector<std::string> messages(const LoadedRules& loaded) {
  std::vector<std::string> all;
  for (const Issue& issue : loaded.issues) all.push_back(placedWords(issue, {}));
  return all;
}

TEST(LoadRules, readsASoundFile) {
  const LoadedRules loaded = load(kSound);
  ASSERT_THAT(messages(loaded), IsEmpty());
  const RuleSet& method = *loaded.rules;
  EXPECT_EQ(method.id, "small");
  ASSERT_NE(method.input("square"), nullptr);
  EXPECT_EQ(method.input("square")->most, 30);
  EXPECT_TRUE(method.find("board.cut_width").has_value());
  EXPECT_EQ(method.order.size(), method.nodes.size());
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
  const LoadedRules loaded = load(with(GetParam().from, GetParam().to));
  EXPECT_EQ(loaded.rules, nullptr);
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
        Mistake{"angleToLength", "height + 2 * square", "height + arc_angle(height, square)",
                "small.toml:26:21: \"arc_angle(height, square\" is an angle; a length is needed"},
        Mistake{"bareNumber", "height + 2 * square", "height + 3",
                "small.toml:26:21: a bare 3 cannot stand for a length; write its unit, like 3 mm "
                "or 1/8 in"},
        Mistake{"wrongOption", "school == plain", "school == plane",
                "small.toml:39:52: \"plane\" is not known; did you mean \"plain\"?"},
        Mistake{"noOption", "school == plain", "school == square",
                "\"square\" is no option of \"school\""},
        Mistake{"lengthOfTurns", "count = 2", "count = \"height\"",
                "\"height\" is a length; a plain number is needed"},
        Mistake{"valueNamedAsAnOption", "id = \"board_height\"", "id = \"flush\"",
                "\"flush\" is used twice"},
        Mistake{"optionNamedAsAValue", "\"plain\", \"flush\"", "\"plain\", \"height\"",
                "\"height\" is used twice"},
        Mistake{"minusInId", "id = \"board_height\"", "id = \"board-height\"",
                "small.toml:24:6: \"board-height\" would be read as a subtraction"},
        Mistake{"minusInOption", "\"plain\", \"flush\"", "\"plain\", \"fl-ush\"",
                "\"fl-ush\" is not an id"},
        Mistake{"dotInOption", "\"plain\", \"flush\"", "\"plain\", \"fl.ush\"",
                "\"fl.ush\" is not an id"},
        Mistake{"jobsOwnField", "id = \"square\"", "id = \"round\"",
                "\"round\" is a word that formulas or jobs have already"},
        Mistake{"unitAsId", "id = \"square\"", "id = \"in\"",
                "\"in\" is a word that formulas or jobs have already"},
        Mistake{"otherName", "id = \"small\"", "id = \"smaller\"",
                "small.toml:2:6: the id \"smaller\" is not the file's name, \"small\""},
        Mistake{"rangeOfNothing", "[\"0 mm\", \"30 mm\"]", "[nan, \"30 mm\"]",
                "two figures are needed"},
        Mistake{"wordsOfNoKey", "title = \"Board\"\ncount",
                "title = \"Board\"\nwords.de.titel = \"Deckel\"\ncount",
                "\"titel\" is not known in words.de; did you mean \"title\"?"},
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
        Mistake{"weightBackwards", "title = \"Board\"\ncount",
                "title = \"Board\"\ngrammage = [160, 120]\ncount",
                "grammage: a list is not allowed; expected pair of g/m2, the least and the most"},
        Mistake{"weightOfOne", "title = \"Board\"\ncount",
                "title = \"Board\"\ngrammage = [120]\ncount", "expected pair of g/m2"},
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

TEST(LoadRules, saysEveryMistakeAtOnce) {
  std::string text = with("because =", "becuase =");
  text.replace(text.find("30 mm"), 5, "-1 mm");
  text.replace(text.find("touches = [\"square\"]"), 20, "touches = [\"sqare\"]");
  const auto all = messages(load(text));
  EXPECT_THAT(all, Contains(HasSubstr("becuase")));
  EXPECT_THAT(all, Contains(HasSubstr("above its end")));
  EXPECT_THAT(all, Contains(HasSubstr("sqare")));
}

TEST(LoadRules, showsTheLineWithACaret) {
  const LoadedRules loaded = load(with("height + 2 * square", "height + 2 * sqare"));
  ASSERT_EQ(loaded.issues.size(), 1U);
  const std::string text = placedWordsWithCaret(loaded.issues.front());
  EXPECT_THAT(text, HasSubstr("\n  formula = \"height + 2 * sqare\"\n"
                              "                          ^\n"));
}

// The place is that of the letter in the file, behind escapes, letters of several bytes and line
// ends.
TEST(LoadRules, placesMistakesInsideLongAndEscapedTexts) {
  const auto placeOf = [](const std::string& to) {
    const LoadedRules loaded = load(with("\"height + 2 * square\"", to));
    EXPECT_EQ(loaded.issues.size(), 1U) << to;
    const SourcePosition& at = loaded.issues.front().where;
    return std::to_string(at.line - kFormulaLine) + ":" + std::to_string(at.column);
  };
  EXPECT_EQ(placeOf("\"height + sqare\""), "0:21");
  EXPECT_EQ(placeOf("'height + sqare'"), "0:21");
  EXPECT_EQ(placeOf(R"("height \u002B sqare")"), "0:26");
  EXPECT_EQ(placeOf(R"("height\t+ sqare")"), "0:22");
  EXPECT_EQ(placeOf("\"\"\"height + sqare\"\"\""), "0:23");
  EXPECT_EQ(placeOf("\"\"\"\nheight + sqare\"\"\""), "1:10");
  EXPECT_EQ(placeOf("'''\r\nheight +\n  sqare'''"), "2:3");
  EXPECT_EQ(placeOf("\"\"\"height \\\n    + sqare\"\"\""), "1:7");
  // In words, a letter of two bytes is one column; so is what an escape of it takes.
  const LoadedRules words = load(with("Only {board_height}.", "Größe nur {bord_height}."));
  EXPECT_EQ(words.issues.front().where.column, 20);
  const LoadedRules escaped = load(with("Only {board_height}.", "Gr\\u00f6sse nur {bord_height}."));
  EXPECT_EQ(escaped.issues.front().where.column, 26);
}

TEST(LoadRules, aMissingKeyIsPlacedAtTheBeginning) {
  EXPECT_THAT(messages(load("# nothing\n\n\ntitle = \"T\"\n")),
              Contains("small.toml:1:1: \"schema\" is missing in this file"));
}

TEST(LoadRules, aLongCircleIsShownByItsEnds) {
  std::string text = kSound;
  for (int i = 0; i < 50; ++i)
    text += "[[derive]]\nid = \"d" + std::to_string(i) + "\"\ntitle = \"d\"\nformula = \"d" +
            std::to_string((i + 1) % 50) + "\"\nbecause = \"b\"\n";
  const LoadedRules loaded = load(text);
  ASSERT_EQ(loaded.issues.size(), 1U);
  EXPECT_GT(loaded.issues.front().where.line, kFormulaLine);
  const std::string said = messages(loaded).front();
  EXPECT_THAT(said, HasSubstr(" -> … -> "));
  EXPECT_LT(said.size(), 120U);
}

TEST(LoadRules, figuresThatAreNoneAreRefused) {
  for (const char* range : {"[nan, 3]", "[1, inf]", R"(["nan", "3 mm"])", R"(["1 mm", "inf mm"])",
                            R"(["1\u0000 mm", "3 mm"])", "[-inf, 3]"}) {
    const LoadedRules loaded = load(with(R"(["20 mm", "1200 mm"])", range));
    EXPECT_EQ(loaded.rules, nullptr) << range;
  }
}

TEST(LoadRules, tellsTheFirstHundredMistakes) {
  std::string text = kSound;
  for (int i = 0; i < 3000; ++i) text += "[unknown" + std::to_string(i) + "]\n";
  const LoadedRules loaded = load(text);
  ASSERT_EQ(loaded.issues.size(), 101U);
  EXPECT_EQ(messages(loaded).back(), "small.toml: more than 100 mistakes; mend these first");
}

TEST(LoadRules, aKeyOfManyPartsIsRefusedBeforeItFillsTheStack) {
  std::string parts = "a";
  for (int i = 0; i < 100'000; ++i) parts += ".a";
  const auto refused = [](const std::string& line) {
    const auto all = messages(load(std::string(kSound) + line));
    return all.size() == 1 && all.front().find("a key of more than 16 parts") != std::string::npos;
  };
  EXPECT_TRUE(refused(parts + " = 1\n"));
  EXPECT_TRUE(refused("[" + parts + "]\n"));
  EXPECT_TRUE(refused("x = { " + parts + " = 1 }\n"));
  EXPECT_TRUE(refused("\"q\"." + parts + " = 1\n"));
  // Points in texts and comments are none.
  EXPECT_THAT(
      messages(load(with("\"Small\"", "'Small. . . . . . . . . . . . . . . . . . . . . .'") +
                    "# ............................\n")),
      IsEmpty());
}

// As deep as is allowed both ways is read in a thread's small stack; deeper is refused at its
// place.
TEST(LoadRules, nestingIsBounded) {
  std::string key = "a";
  for (int i = 1; i < 16; ++i) key += ".a";
  const auto nested = [&](int levels) {
    std::string text = kSound;
    text += "x = ";
    for (int i = 0; i < levels; ++i) text += "{" + key + " = ";
    text += "1" + std::string(static_cast<std::size_t>(levels), '}') + "\n";
    return text;
  };
  pthread_attr_t small;
  ::pthread_attr_init(&small);
  ::pthread_attr_setstacksize(&small, kStack);
  std::string text = nested(32);
  pthread_t thread{};
  ASSERT_EQ(::pthread_create(
                &thread, &small,
                [](void* rules) -> void* {
                  load(*static_cast<std::string*>(rules));
                  return nullptr;
                },
                &text),
            0);
  ::pthread_join(thread, nullptr);
  EXPECT_THAT(messages(load(text)), Contains(HasSubstr("\"x\" is not known in finding")));
  EXPECT_THAT(messages(load(nested(33))),
              ElementsAre(HasSubstr("nested deeper than 32, the most that is allowed")));
  EXPECT_THAT(messages(load(std::string(kSound) + "x = " + std::string(500'000, '['))),
              ElementsAre(HasSubstr(":43:37: nested deeper than 32")));
  // Headers that are not closed are a mistake of their own, however many there are.
  std::string headers = kSound;
  for (int i = 0; i < 50; ++i) headers += "[t" + std::to_string(i) + "\n";
  EXPECT_THAT(messages(load(headers)), ElementsAre(HasSubstr(":43:4: not TOML")));
}

// The rule in hand is coarser than the piece: told; nothing is left of it: a stop, and no piece.
TEST(Parts, whatTheRuleInHandLosesIsAStop) {
  const LoadedRules loaded = load(kSound);
  Job job;
  job.given["height"] = {20.0, {}};
  const auto found = [&](const char* round) {
    job.round = std::string(round);
    const Plan plan = Planner(loaded.rules).plan(job).plan;
    std::string told = plan.part("board") != nullptr ? "board " : "";
    for (const PlannedFinding& finding : plan.findings)
      if (finding.rule->id.starts_with("piece-")) {
        told += finding.rule->id;
        EXPECT_THAT(findingSays(finding, {}), HasSubstr("Board: 13 mm × 26 mm"));
      }
    return told;
  };
  EXPECT_EQ(found("13 mm"), "board ");
  EXPECT_EQ(found("14 mm"), "board piece-coarse");
  EXPECT_EQ(found("25.4 mm"), "board piece-coarse");
  job.allowances["square"] = {0.0, {}};  // 10 × 20 mm
  job.round = std::string("25 mm");
  const Plan plan = Planner(loaded.rules).plan(job).plan;
  EXPECT_EQ(plan.part("board"), nullptr);
  ASSERT_FALSE(plan.findings.empty());
  EXPECT_EQ(plan.findings.front().rule->id, "piece-lost");
  EXPECT_TRUE(plan.has(Severity::Stop));
  EXPECT_EQ(findingSays(plan.findings.front(), {}),
            "Board: 10 mm × 20 mm would be cut 0 mm × 25 mm, for the rule in hand goes by 25 mm. "
            "Nothing is left of it.");
  EXPECT_EQ(findingRemedy(plan.findings.front(), {}),
            "Take a rule whose marks are 10 mm apart or less.");
}

TEST(Formulas, mayAskForTheRuleInHand) {
  const LoadedRules loaded = load(with("height + 2 * square", "height + 2 * resolution"));
  ASSERT_THAT(messages(loaded), IsEmpty());
  Job job;
  job.given["height"] = {200.0, {}};
  job.round = std::string("1 mm");
  EXPECT_EQ(Planner(loaded.rules).plan(job).plan.number("board_height"), 202);
}

TEST(LoadRules, aChildOverridesOnlyWhatItNames) {
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
  const LoadedRules loaded = loadRules({"child.toml", child}, bases);
  ASSERT_THAT(messages(loaded), IsEmpty());
  EXPECT_EQ(loaded.rules->input("square")->fallback.formula.nodes()[0].number, 5);
  EXPECT_EQ(loaded.rules->input("square")->title.text, "Square");
  EXPECT_TRUE(loaded.rules->find("extra"));
  EXPECT_EQ(loaded.rules->parts.size(), 1U);
}

TEST(LoadRules, aMistakeInTheBaseIsPlacedInTheBase) {
  const std::string broken = with("height + 2 * square", "heigth + 2 * square");
  const auto bases = [&](std::string_view) { return TomlFile{"small.toml", broken}; };
  const LoadedRules loaded = loadRules(
      {"child.toml",
       "schema = \"drapery-method/1\"\nid = \"child\"\nbase = \"small\"\ntitle = \"C\"\n"},
      bases);
  EXPECT_THAT(messages(loaded), Contains(HasSubstr("small.toml:26:12: \"heigth\"")));
}

TEST(LoadRules, basesMayNotGoInACircle) {
  const std::string text =
      "schema = \"drapery-method/1\"\nid = \"a\"\nbase = \"a\"\ntitle = \"A\"\n";
  const auto bases = [&](std::string_view) { return TomlFile{"a.toml", text}; };
  EXPECT_THAT(messages(loadRules({"a.toml", text}, bases)),
              Contains(HasSubstr("leads in a circle")));
}

TEST(LoadRules, aMethodMustSupplyWhatItsBaseWants) {
  const std::string text =
      "schema = \"drapery-method/1\"\nid = \"mine\"\nbase = \"case\"\ntitle = \"Mine\"\n";
  const RuleLibrary library;
  const auto loaded =
      loadRules({"mine.toml", text}, [&](std::string_view id) { return library.source(id); });
  EXPECT_THAT(messages(loaded),
              Contains(HasSubstr("\"setback\" is missing; methods on case must supply it")));
}

TEST(RuleWords, splitLiteralsAndExpressions) {
  RuleWords words;
  const auto parsed = parseWords("{{a}} is {a + b:deg}, {c}.", {}, words);
  const auto& pieces = std::get<RuleWords::Text>(parsed);
  ASSERT_EQ(pieces.size(), 5U);
  EXPECT_EQ(pieces[0].literal, "{a} is ");
  EXPECT_EQ(words.expressions[0].formula.text(), "a + b");
  EXPECT_EQ(words.expressions[0].named, Unit::Degree);
  EXPECT_FALSE(words.expressions[*pieces[3].expression].named.has_value());
  for (const char* wrong : {"{", "}", "{}", "a { b"})
    EXPECT_TRUE(std::holds_alternative<BracePosition>(parseWords(wrong, {}, words))) << wrong;
}

/// What the finding of the small file says of a book so high, with other words in it.
std::string saidOf(const std::string& words, double height) {
  const LoadedRules loaded =
      load(with("says = \"Only {board_height}.\"", "says = \"" + words + "\""));
  EXPECT_THAT(messages(loaded), IsEmpty()) << words;
  if (loaded.rules == nullptr) return {};
  Job job;
  job.given["height"] = {height, {}};
  const Plan plan = Planner(loaded.rules).plan(job).plan;
  return plan.findings.empty() ? "nothing" : findingSays(plan.findings.front(), {});
}

// What stands in brackets is left out when it has nothing to say.
TEST(RuleWords, leaveOutWhatIsMissingOrNothing) {
  EXPECT_EQ(saidOf("High: [{height} of leaves][, {height - height} more].", 20),
            "High: 20 mm of leaves.");
  EXPECT_EQ(saidOf("[{sqrt(0 - 1):1} ]High.", 20), "High.");
  EXPECT_EQ(saidOf("[if height > 25 mm; tall][if height <= 25 mm; low].", 20), "low.");
  EXPECT_EQ(saidOf("[if height > 25 mm; tall][if height <= 25 mm; low].", 30), "tall.");
  // A figure that is 0 is told all the same where a condition asks.
  EXPECT_EQ(saidOf("a[if school == plain;  {height - height}].", 20), "a 0 mm.");
  // Brackets without a figure, and such as are not closed, are signs.
  EXPECT_EQ(saidOf("[sic] {height} ] a [ b", 20), "[sic] 20 mm ] a [ b");
  EXPECT_THAT(messages(load(with("Only {board_height}.", "Only [if heigth; x]."))),
              ElementsAre(HasSubstr("\"heigth\" is not known")));
}

// A usual value's twin in inches counts in jobs in inches; a child's own usual value has none but
// its own.
TEST(Inputs, haveATwinInInches) {
  const std::string twins =
      with("default = \"3 mm\"", "default = \"3 mm\"\ndefault_in = \"1/8 in\"");
  const auto squareOf = [](const LoadedRules& loaded, Units units) {
    Job job;
    job.units = units;
    job.given["height"] = {200.0, {}};
    return Planner(loaded.rules).plan(job).plan.number("square");
  };
  const LoadedRules base = load(twins);
  ASSERT_THAT(messages(base), IsEmpty());
  EXPECT_EQ(squareOf(base, Units::Millimetres), 3.0);
  EXPECT_EQ(squareOf(base, Units::Inches), 3.175);
  const auto child = [&](const std::string& says) {
    return loadRules({"child.toml",
                      "schema = \"drapery-method/1\"\nid = \"child\"\nbase = \"small\"\n"
                      "title = \"Child\"\n[[allowance]]\nid = \"square\"\n" +
                          says},
                     [&](std::string_view) {
                       return TomlFile{"small.toml", twins};
                     });
  };
  EXPECT_EQ(squareOf(child("practice = \"ours\""), Units::Inches), 3.175);
  EXPECT_EQ(squareOf(child("default = \"5 mm\""), Units::Inches), 5.0);
  EXPECT_EQ(squareOf(child("default = \"5 mm\"\ndefault_in = \"1/4 in\""), Units::Inches), 6.35);
}

// Marks from one edge, a mark rounded by the rule in hand, a verdict with what to trim, the moment
// of cutting, and the material that was named.
TEST(Entries, tellMarksVerdictsMomentsAndMaterials) {
  const std::string text = with("[[finding]]", R"([[given]]
id = "stuff"
title = "Stuff"
range = ["0.1 mm", "10 mm"]
materials = ["board", "card"]
default = "2 mm"

[[derive]]
id = "halfway"
title = "Halfway"
formula = "height / 3"
round = "nearest"
range = ["10 mm", "20 mm"]
because = "Marked."

[[mark]]
id = "along"
title = "Along"
part = [["board", "school == plain"], ["lid", "school != plain"]]
at = [
  { name = "end", at = "height" }, { name = "third", at = "height / 3" },
  { name = "never", at = "height / 2", when = "school != plain" },
]

[[verdict]]
id = "trim"
when = "height > 100 mm"
says = "Trim {height - 100 mm}."
trim = { head = "height - 100 mm" }

[[verdict]]
id = "fits"
says = "It fits."

[[finding]]
id = "cards"
severity = "note"
when = "stuff.is_card"
says = "Card."
do = "Nothing."
touches = ["stuff"]

[[finding]])");
  std::string cut = text;
  cut.replace(
      cut.find("material = \"board\""), 18,
      "material = \"board\"\nmaterial_of = \"stuff\"\ncut_when = [[\"last\", \"height > 100 mm\"], "
      "[\"before-sewing\", \"1\"]]\ntop = \"school == plain\"");
  const LoadedRules loaded = load(cut);
  ASSERT_THAT(messages(loaded), IsEmpty());
  Job job;
  job.given["height"] = {110.0, {}};
  job.given["stuff"] = {0.0, {}, "grey-card-08"};
  const CataloguePtr catalogue = makeCatalogue();
  for (const Material& material : catalogue->all())
    if (material.kind == "card") job.given["stuff"].material = material.id;
  const Planner planner(loaded.rules);
  const Plan plan = planner.plan(job).plan;
  EXPECT_EQ(plan.number("halfway"), 36.5);
  ASSERT_EQ(plan.marks.size(), 1U);
  EXPECT_EQ(markSays(plan.marks[0], {}), "Along: third 36.5, end 110 mm.");
  EXPECT_NEAR(plan.marks[0].places[0].at.exact.mm(), 110.0 / 3, 1e-12);
  EXPECT_EQ(plan.marks[0].part, "board");
  ASSERT_TRUE(plan.verdict.has_value());
  EXPECT_EQ(verdictSays(*plan.verdict, {}), "Trim 10 mm.");
  EXPECT_EQ(plan.verdict->trim, std::vector<double>{10.0});
  const PlannedPart& board = *plan.part("board");
  EXPECT_EQ(board.cutWhen, CutWhen::Last);
  EXPECT_EQ(board.material, "card");
  EXPECT_FALSE(board.named.empty());
  EXPECT_TRUE(board.hasTop);
  EXPECT_EQ(plan.findings.back().rule->id, "cards");
  // Moved, what is marked goes along without its steps.
  const auto moved = planner.influences(plan, *plan.rules->find("halfway"));
  ASSERT_EQ(moved.size(), 1U);
  EXPECT_NEAR(moved[0].change, 1.0 / 3, 1e-12);
  job.given["height"] = {90.0, {}};
  EXPECT_EQ(planner.plan(job).plan.verdict->rule->id, "fits");
  EXPECT_EQ(planner.plan(job).plan.part("board")->cutWhen, CutWhen::BeforeSewing);
}

TEST(Entries, sayWhatIsWrongWithThem) {
  const auto told = [](const std::string& part, const std::string& more = {}) {
    return messages(load(with("material = \"board\"", "material = \"board\"\n" + part) + more));
  };
  EXPECT_THAT(told("cut_when = \"whenever\""),
              ElementsAre(AllOf(HasSubstr("\"whenever\""), HasSubstr("after-trimming"))));
  EXPECT_THAT(told("material_of = \"stuf\""), ElementsAre(HasSubstr("\"stuf\" is not known")));
  EXPECT_THAT(told("", "[[verdict]]\nid = \"v\"\nsays = \"x\"\ntrim = 3\n"),
              ElementsAre(HasSubstr("table of formulas")));
  EXPECT_THAT(told("", "[[mark]]\nid = \"m\"\n"), ElementsAre(HasSubstr("\"says\" is missing")));
  EXPECT_THAT(told("",
                   "[[derive]]\nid = \"d\"\ntitle = \"D\"\nformula = \"height\"\nbecause = \"b\"\n"
                   "range = [\"3 mm\"]\n"),
              ElementsAre(HasSubstr("range")));
}

// Cuts that cross are told of any piece, also of a house's own that no rule foresees.
TEST(Parts, whoseCutsCrossAreGivenUncut) {
  const LoadedRules loaded = load(with("size = [\"board_height / 2\", \"board_height\"]",
                                       "size = [\"board_height / 2\", \"board_height\"]\noutline = "
                                       "[[\"0\", \"0\"], [\"square\", \"0\"], "
                                       "[\"0\", \"square\"], [\"square\", \"square\"]]"));
  ASSERT_THAT(messages(loaded), IsEmpty());
  Job job;
  job.given["height"] = {200.0, {}};
  const Plan plan = Planner(loaded.rules).plan(job).plan;
  EXPECT_TRUE(plan.part("board")->isUncut);
  EXPECT_EQ(plan.part("board")->outline.size(), 4U);
  EXPECT_EQ(plan.findings.front().rule->id, "piece-crossed");
  EXPECT_THAT(findingSays(plan.findings.front(), {}), HasSubstr("103 mm × 206 mm"));
}

// Corners from a series are bounded: whether they cross is asked of every two of them.
TEST(Parts, withMoreCornersThanCanBeMeantAreRefused) {
  const auto planned = [](const char* count) {
    std::string text = with("[[finding]]", std::string(R"t([[series]]
id = "tooth"
title = "Tooth"
part = "board"
count = ")t") + count + R"t("
x = "square * (1 + i / 2 - floor(i / 2))"
y = "board_height * (1 - i / (tooth.count + 1))"

[[finding]])t");
    const std::string size = "size = [\"board_height / 2\", \"board_height\"]";
    text.replace(text.find(size), size.size(), size + R"t(
outline = [["0", "board_height"], { each = "tooth", at = ["tooth.x", "tooth.y"] }, ["0", "0"]])t");
    const LoadedRules loaded = load(text);
    EXPECT_THAT(messages(loaded), IsEmpty());
    Job job;
    job.given["height"] = {200.0, {}};
    return Planner(loaded.rules).plan(job);
  };
  const PlanOutcome most = planned("1998");
  EXPECT_THAT(most.issues, IsEmpty());
  EXPECT_EQ(most.plan.part("board")->outline.size(), 2000U);
  const PlanOutcome over = planned("1999");
  ASSERT_EQ(over.issues.size(), 1U);
  EXPECT_EQ(issueWords(over.issues.front(), {}),
            "board.outline: 2001 is not allowed; at most 2000");
  EXPECT_EQ(over.plan.part("board")->outline.size(), 4U);
}

// One way to carry other languages, for every kind of text; what a house says otherwise is no
// longer what the translation translates.
TEST(LoadRules, carriesOtherLanguages) {
  const LoadedRules loaded =
      loadRules({"two.toml", test::projectFile("tests/rules/two.toml")}, noBases);
  ASSERT_THAT(messages(loaded), IsEmpty());
  const RuleSet& rules = *loaded.rules;
  EXPECT_EQ(rules.title.in("de"), "Zwei Sprachen");
  EXPECT_EQ(rules.input("height")->title.in("de"), "Höhe");
  EXPECT_EQ(rules.input("height")->measure.in("de"), "Von Kopf bis Fuß");
  EXPECT_EQ(rules.input("height")->title.in("fr"), "Height");
  EXPECT_EQ(rules.input("shape")->optionTitles[1].in("de"), "gerundet");
  EXPECT_EQ(rules.derived[0].because.in("de"), "Block und zwei Kanten.");
  Job job;
  job.given["height"] = {210.0, {}};
  const Plan plan = Planner(loaded.rules).plan(job).plan;
  const Notation english{}, german_{Units::Millimetres, Length::fromMm(0.5), ',', "de"};
  EXPECT_EQ(findingSays(plan.findings.at(0), english), "The board is 216.5 mm high for 210 mm.");
  EXPECT_EQ(findingSays(plan.findings.at(0), german_),
            "Für 210 mm Block ist der Deckel 216,5 mm hoch.");
  EXPECT_EQ(findingRemedy(plan.findings.at(0), german_), "Take 3,2 mm of squares.");
  EXPECT_EQ(markSays(plan.marks.at(0), german_), "Kante: 3,25 mm.");
  const auto bases = [&](std::string_view) {
    return TomlFile{"two.toml", test::projectFile("tests/rules/two.toml")};
  };
  const LoadedRules house = loadRules(
      {"house.toml",
       "schema = \"drapery-method/1\"\nid = \"house\"\nbase = \"two\"\ntitle = \"House\"\n"
       "[[given]]\nid = \"height\"\ntitle = \"Block height\"\n"},
      bases);
  ASSERT_THAT(messages(house), IsEmpty());
  EXPECT_EQ(house.rules->input("height")->title.in("de"), "Block height");
  EXPECT_EQ(house.rules->input("height")->measure.in("de"), "Von Kopf bis Fuß");
  EXPECT_EQ(house.rules->title.in("de"), "House");
}

// Today's house files plan alike tomorrow: what a key was called before is still read.
TEST(LoadRules, readsAFormerHouseFileAsItWasMeant) {
  const RuleLibrary library;
  const LoadedRules former =
      loadRules({"former-house.toml", test::projectFile("tests/rules/former-house.toml")},
                [&](std::string_view id) { return library.source(id); });
  ASSERT_THAT(messages(former), IsEmpty());
  Job job = test::plainJob();
  job.allowances["covering_style"] = {std::string("half"), {}};
  job.allowances["trim_head"] = {2.0, {}};
  const Planner ours(former.rules), shipped(library.load("case-sunk-joint").rules);
  const Plan a = ours.plan(job).plan, b = shipped.plan(job).plan;
  EXPECT_EQ(a.values.size(), b.values.size());
  for (const char* id : {"side", "corner_piece"}) {
    const auto& mine = a.part(id)->places;
    const auto& theirs = b.part(id)->places;
    ASSERT_EQ(mine.size(), theirs.size()) << id;
    for (std::size_t i = 0; i < mine.size(); ++i) {
      EXPECT_EQ(mine[i].at.x, theirs[i].at.x);
      EXPECT_EQ(mine[i].at.y, theirs[i].at.y);
      EXPECT_EQ(mine[i].turn, theirs[i].turn) << id << i;
      EXPECT_EQ(mine[i].isMirrored, theirs[i].isMirrored) << id << i;
    }
  }
  EXPECT_TRUE(ours.detail(job, a).before.has_value());
  EXPECT_EQ(settledBy(Moment::Cut, a).fixed, settledBy(Moment::Cut, b).fixed);
}

TEST(Views, sayWhatIsWrongWithThem) {
  const auto issues = [&](const std::string& rest) {
    return messages(load(
        with("[[finding]]", "[[view]]\nid = \"v\"\nstage = \"case\"\n" + rest + "\n[[finding]]")));
  };
  const std::string flat = "figure = \"flat-pieces\"\n";
  EXPECT_THAT(issues("figure = \"hat\""), Contains(HasSubstr("allowed: text-block, joint")));
  EXPECT_THAT(issues("figure = \"joint\"\nbind = 3"),
              Contains(HasSubstr("bind: a number is not allowed; expected table")));
  EXPECT_THAT(issues("figure = \"joint\"\nbind = { board = \"2 deg\" }"),
              ::testing::IsSupersetOf({HasSubstr("joint also needs setback"),
                                       HasSubstr("is an angle; a length is needed")}));
  EXPECT_THAT(issues("figure = \"joint\"\nshow = { board = 3, hat = \"x\" }"),
              ::testing::IsSupersetOf({HasSubstr("expected the id of a part or value"),
                                       HasSubstr("\"hat\" is not known in joint")}));
  EXPECT_THAT(issues(flat + "tags = [[\"height\", \"board.nose\", \"above\"]]"),
              Contains(HasSubstr("flat-pieces has no spot \"board.nose\"")));
  EXPECT_THAT(issues(flat + "tags = [[\"hat\", \"whole.head\", \"above\"]]"),
              Contains(HasSubstr("v touches \"hat\"")));
  EXPECT_THAT(issues(flat + "detail_of = \"hat\"\nasks = \"more\""),
              Contains(HasSubstr("v touches \"hat\"")));
  EXPECT_THAT(issues(flat + "detail_of = \"hat\""), Contains(HasSubstr("asks")));
  EXPECT_THAT(issues(flat + "layers = [\"hat\", 3]"),
              ::testing::IsSupersetOf(
                  {HasSubstr("v touches \"hat\""), HasSubstr("expected ids of parts")}));
  EXPECT_THAT(issues(flat + "window = [[\"0 mm\", \"0 mm\"]]"),
              Contains(HasSubstr("expected two points")));
  EXPECT_THAT(issues(flat + "window = [[\"0 mm\", \"0 mm\"], [\"2 deg\", \"1 mm\"]]"),
              Contains(HasSubstr("is an angle; a length is needed")));
  EXPECT_THAT(issues(flat + "lines = [{ each = \"hole\", path = [[\"0\", \"0\"]] }]"),
              Contains(HasSubstr("there is no series \"hole\"")));
  EXPECT_THAT(issues(flat + "lines = [{ path = 3 }]"),
              Contains(HasSubstr("path: a number is not allowed")));
}

// A row of holes: its formulas run over i, others ask of it, and a list repeats for each.
TEST(Series, runOverTheirIndex) {
  const LoadedRules loaded = load(with("[[finding]]", R"rules([[series]]
id = "hole"
title = "Hole"
kind = "hole"
part = "board"
count = "height / 45 mm"
x = "square"
y = "i * height / (hole.count + 1)"
also = { depth = "hole.y / 2" }

[[derive]]
id = "reach"
title = "Reach"
formula = "hole.y.last - hole.y.first + hole.x.sum + hole.depth.most"
because = "From the first hole to the last."

[[part]]
id = "strip"
title = "Strip"
material = "card"
size = ["20 mm", "height"]
count = "hole.count"
slits = [{ each = "hole", at = ["0", "hole.y"], to = ["hole.x", "hole.y"] }]
places = [{ each = "hole", at = ["hole.x * i", "hole.y"], turn = "90 deg", mirrored = "i == 2" }]

[[mark]]
id = "hole-marked"
each = "hole"
when = "i > 1"
says = "Hole {i:1}: {hole.y}."

[[finding]]
id = "few"
severity = "note"
when = "hole.count < 9"
says = "{hole.count} holes."
do = "Nothing."
touches = ["hole.count"]

[[finding]])rules"));
  ASSERT_THAT(messages(loaded), IsEmpty());
  Job job;
  job.given["height"] = {200.0, {}};
  const Planner planner(loaded.rules);
  const Plan plan = planner.plan(job).plan;
  ASSERT_EQ(plan.series.size(), 1U);
  EXPECT_EQ(plan.series[0].rows[2], (std::vector<double>{3, 3, 120, 60}));
  EXPECT_DOUBLE_EQ(*plan.number("reach"), 160 - 40 + 4 * 3 + 80);
  const PlannedPart& strip = *plan.part("strip");
  EXPECT_EQ(strip.count, 4);
  ASSERT_EQ(strip.slits.size(), 4U);
  EXPECT_DOUBLE_EQ(strip.slits[3].second.y, 160);
  ASSERT_EQ(strip.places.size(), 4U);
  EXPECT_TRUE(strip.places[1].isMirrored);
  EXPECT_FALSE(strip.places[2].isMirrored);
  EXPECT_DOUBLE_EQ(strip.places[2].turn, 90);
  ASSERT_EQ(plan.marks.size(), 3U);
  EXPECT_EQ(markSays(plan.marks[0], {}), "Hole 2: 80 mm.");
  EXPECT_EQ(findingSays(plan.findings.back(), {}), "4 holes.");
  job.given["height"] = {50.0, {}};
  const Plan one = planner.plan(job).plan;
  ASSERT_EQ(one.series.size(), 1U);
  EXPECT_EQ(one.series[0].rows.size(), 1U);
  EXPECT_DOUBLE_EQ(*one.number("reach"), 3 + 12.5);
  job.given["height"] = {40.0, {}};
  const Plan none = planner.plan(job).plan;
  EXPECT_TRUE(none.series.empty());
  EXPECT_EQ(none.number("reach"), std::nullopt);
  EXPECT_EQ(none.part("strip"), nullptr);
}

TEST(Parts, areBounded) {
  Job job;
  job.given["height"] = {200.0, {}};
  const auto issuesOf = [&](const std::string& from, const std::string& to) {
    const LoadedRules loaded = load(with(from, to));
    EXPECT_THAT(messages(loaded), IsEmpty());
    std::vector<std::string> words;
    for (const Issue& issue : Planner(loaded.rules).plan(job).issues)
      words.push_back(issueWords(issue, {}));
    return words;
  };
  EXPECT_THAT(issuesOf("\"board_height / 2\"", "\"board_height * 10000\""),
              ElementsAre("board.width: 2060000 mm is not allowed; at most 100000 mm"));
  EXPECT_THAT(issuesOf("count = 2", "count = \"200 * height / square\""),
              ElementsAre("board: 13333.333 is not allowed; at most 10000"));
}

TEST(Series, areBoundedAndAskNothingOfThemselves) {
  const std::string series = "[[series]]\nid = \"hole\"\ntitle = \"Hole\"\n";
  const auto issues = [&](const std::string& rest) {
    return messages(load(with("[[finding]]", series + rest + "\n[[finding]]")));
  };
  EXPECT_THAT(issues("count = 3\nx = \"hole.y\"\ny = \"square\""),
              Contains(HasSubstr("\"hole.y\" is not known")));
  EXPECT_THAT(issues("count = 3\nx = \"hole.x.last\""), Contains(HasSubstr("is not known")));
  EXPECT_THAT(issues("count = 3"), Contains(HasSubstr("from 1 to 16 formulas")));
  EXPECT_THAT(issues("count = \"hole.x.sum / square\"\nx = \"square\""),
              Contains(HasSubstr("go in a circle: hole.count -> hole.x.sum -> hole.count")));
  const LoadedRules endless =
      load(with("[[finding]]",
                series + "count = \"1000 * height / square\"\nx = \"i * square\"\n[[finding]]"));
  ASSERT_THAT(messages(endless), IsEmpty());
  Job job;
  job.given["height"] = {200.0, {}};
  const PlanOutcome outcome = Planner(endless.rules).plan(job);
  ASSERT_EQ(outcome.issues.size(), 1U);
  EXPECT_EQ(issueWords(outcome.issues[0], {}), "hole.count: 66666 is not allowed; at most 10000");
}

// The files that ship, each on its own and with every formula tried.
TEST(ShippedMethods, areSound) {
  const RuleLibrary library;
  for (const TomlFile& source : shippedRules()) {
    const auto loaded = loadRules(source, [&](std::string_view id) { return library.source(id); });
    EXPECT_THAT(messages(loaded), IsEmpty()) << source.file;
  }
}

TEST(ShippedMethods, areAllThatStandInTheFolderAndEachHasCases) {
  std::vector<std::string> shipped;
  for (const TomlFile& source : shippedRules()) shipped.push_back(source.file);
  for (const auto& entry :
       std::filesystem::directory_iterator(std::string(DRAPERY_SOURCE_DIR) + "/methods")) {
    if (entry.path().extension() != ".toml") continue;
    EXPECT_THAT(shipped, Contains(entry.path().filename().string()));
    auto cases = entry.path();
    EXPECT_TRUE(std::filesystem::exists(cases.replace_extension(".cases"))) << cases;
  }
}

TEST(RuleLibrary, offersAFoldersOwnFilesAfterTheShippedOnes) {
  const test::TemporaryFolder folder;
  folder.write("small.toml", kSound);
  folder.write("case-sunk-joint.toml", kSound);  // a shipped id is not taken over
  folder.write("notes.txt", "nothing");
  const RuleLibrary library(folder.path());
  std::vector<std::string> offered = test::kMethods;
  offered.push_back("small");
  EXPECT_EQ(library.ids(), offered);
  // Told side by side are those for the same kind of book.
  EXPECT_EQ(library.alike("case-card"), test::kSchools);
  EXPECT_EQ(library.alike("stab-plain"), (std::vector<std::string>{"stab-boarded", "stab-plain"}));
  EXPECT_EQ(library.alike("small"), offered);
  EXPECT_NE(library.load("small").rules, nullptr);
  EXPECT_EQ(library.load("case-sunk-joint").rules->title.text, "Sunk joint, computed");
  EXPECT_FALSE(library.knows("case"));
  ASSERT_EQ(library.leftOut().size(), 1U);
  EXPECT_THAT(placedWords(library.leftOut()[0], {}),
              HasSubstr("case-sunk-joint.toml: left out: rules with the id"));
}

TEST(RuleLibrary, knowsABaseHoweverItIsWritten) {
  const test::TemporaryFolder folder;
  std::string text = kSound;
  text.replace(text.find("title"), 0, "is_base=true\n");
  folder.write("small.toml", text);
  const RuleLibrary library(folder.path());
  EXPECT_FALSE(library.knows("small"));
  EXPECT_TRUE(library.source("small").has_value());
  for (const TomlFile& source : shippedRules()) {
    const std::string id = source.file.substr(0, source.file.rfind('.'));
    EXPECT_EQ(library.knows(id), !library.load(id).rules->isBase) << id;
  }
}

TEST(RuleLibrary, loadsOnceForAllThreads) {
  const RuleLibrary library;
  std::vector<RuleSetPtr> loaded(4);
  std::vector<std::thread> threads;
  threads.reserve(loaded.size());
  for (RuleSetPtr& rules : loaded)
    threads.emplace_back([&] { rules = library.load("case-card").rules; });
  for (std::thread& thread : threads) thread.join();
  for (const RuleSetPtr& rules : loaded) EXPECT_EQ(rules, loaded[0]);
  EXPECT_NE(loaded[0]->fingerprint, library.load("case-sunk-joint").rules->fingerprint);
}

}  // namespace
}  // namespace drapery
