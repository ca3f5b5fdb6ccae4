#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <cmath>
#include <filesystem>
#include <regex>
#include <set>

#include "core/diag/nearest_name.h"
#include "core/sewing/pattern_library.h"
#include "tests/support/books.h"
#include "tests/support/command.h"
#include "words/amount_words.h"
#include "words/finding_words.h"
#include "words/formula_words.h"
#include "words/issue_words.h"
#include "words/plan_text.h"

namespace drapery {
namespace {

using ::testing::HasSubstr;
using ::testing::Not;

const Notation kMm{};
const Notation kInches{Units::Inches, Length::fromInches(1.0 / 32), '.'};

TEST(IssueWords, fillTheirFiguresInTheUnitInUse) {
  const Issue issue{"value-out-of-range",
                    {{"name", "text_height"},
                     {"value", "40 m"},
                     {"least", Amount{20, Unit::Millimetre}},
                     {"most", Amount{1200, Unit::Millimetre}}},
                    {},
                    {},
                    {}};
  EXPECT_EQ(issueWords(issue, kMm), "text_height: 40 m is not allowed; from 20 mm to 1200 mm");
  EXPECT_THAT(issueWords(issue, kInches), HasSubstr("≈25/32 in to ≈47 1/4 in"));
}

TEST(IssueWords, leaveOutWhatTheyDoNotKnow) {
  const Issue lost{
      "key-unknown", {{"key", "xyz"}, {"section", "given"}, {"nearest", ""}}, {}, {}, {}};
  EXPECT_EQ(issueWords(lost, kMm), "\"xyz\" is not known in given");
}

TEST(IssueWords, canBeTranslatedBeforeTheirFiguresAreFilledIn) {
  const Issue issue{"given-missing", {{"name", "text_height"}}, {}, {}, {}};
  const auto words =
      issueWords(issue, kMm, [](const char*) { return std::string("{name} fehlt"); });
  EXPECT_EQ(words, "text_height fehlt");
}

/// Names of the sewing's own: what it is asked for and what it finds. A binding may call something
/// else so; its file says what is meant, in the table [sewing].
std::set<std::string> sewingNames() {
  std::set<std::string> names;
  const PatternLibrary patterns;
  for (const RuleSetPtr& rules :
       {patterns.load("row").rules, patterns.kind("link").rules, patterns.kind("tapes").rules})
    for (const ValueNode& node : rules->nodes) names.insert(node.name);
  return names;
}

// No C++ names a value of a binding: what there is to say about one stands in the rule files.
TEST(Sources, nameNoValueOfARuleFile) {
  std::set<std::string> names;
  const std::set<std::string> ofSewing = sewingNames();
  const RuleLibrary library;
  for (const std::string& id : library.ids())
    for (const ValueNode& node : library.load(id).rules->nodes)
      if (node.name.find('_') != std::string::npos) names.insert(node.name);
  EXPECT_GT(names.size(), 200U);
  const std::regex quoted("\"([a-z]+_[a-z_.]+)\"");
  for (const char* part : {"core", "words", "store", "paint", "exchange", "cli", "app"})
    for (const auto& entry : std::filesystem::recursive_directory_iterator(
             std::string(DRAPERY_SOURCE_DIR) + "/" + part)) {
      const std::string path = entry.path().string();
      if (!path.ends_with(".cpp") && !path.ends_with(".h")) continue;
      const std::string source =
          std::regex_replace(test::readFile(path), std::regex("//[^\n]*"), "");
      for (auto it = std::sregex_iterator(source.begin(), source.end(), quoted);
           it != std::sregex_iterator(); ++it) {
        const std::string name = (*it)[1].str();
        const bool isSewing = path.find("sew") != std::string::npos && ofSewing.contains(name);
        EXPECT_TRUE(!names.contains(name) || isSewing) << path << ": " << name;
      }
    }
}

TEST(Shortened, cutsAtFortyCharactersNotBytes) {
  EXPECT_EQ(shortened("short"), "short");
  EXPECT_EQ(shortened(std::string(41, 'x')), std::string(40, 'x') + "…");
  std::string umlauts;
  for (int i = 0; i < 50; ++i) umlauts += "ü";
  EXPECT_EQ(shortened(umlauts).size(), 80U + 3U);
  EXPECT_EQ(shortened(std::string(5000, '\xBC')).size(), 160U + 3U);  // no UTF-8 at all
}

TEST(NearestName, findsTheMisspelt) {
  const std::vector<std::string> known{"text_height", "text_width", "board_thickness"};
  EXPECT_EQ(nearestName("text_hieght", known), "text_height");
  EXPECT_EQ(nearestName("textwidth", known), "text_width");
  EXPECT_EQ(nearestName("zebra", known), "");
  EXPECT_EQ(nearestName(std::string(100'000, 'x'), known), "");
}

TEST(FigureWords, sayTheUnit) {
  EXPECT_EQ(amountWords({179.64, Unit::Degree}, kMm), "179.6°");
  EXPECT_EQ(amountWords({2.0 / 3, Unit::One}, kMm), "0.667");
  EXPECT_EQ(amountWords({std::nan(""), Unit::Millimetre}, kMm), "–");
}

TEST(FormulaWords, showNamesAndNumbers) {
  const Plan plan = test::planOf(test::plainJob()).plan;
  const std::size_t width = *plan.rules->find("board_width");
  EXPECT_EQ(formulaWithTitles(plan, width, kMm), "Width − Set-back + Square at fore-edge");
  EXPECT_EQ(formulaWithNumbers(plan, width, kMm), "144 − 7 + 3");
  const std::size_t stiffener = *plan.rules->find("stiffener_width");
  // Of a formula that asks for the shape, the way that it went.
  EXPECT_EQ(formulaWithNumbers(plan, stiffener, kMm), "25 + (spine is flush then 2 × 2.4 else 0)");
  const std::size_t cut = *plan.rules->find("board.cut_width");
  EXPECT_EQ(formulaWithNumbers(plan, cut, kMm), "nearest(140)");
}

TEST(PlanText, isWhatABinderReads) {
  Job job = test::plainJob("case-fixed-gap");
  job.allowances["joint_gap"] = {3.0, {}};
  job.given["board_thickness"] = {3.5, {}};
  const std::string text = planText(job, test::planOf(job).plan);
  EXPECT_THAT(text, HasSubstr("stop: The gap is 3 mm."));
  EXPECT_THAT(text, HasSubstr("1 Stiffener        25 × 216 mm"));
  EXPECT_THAT(text, Not(HasSubstr("nan")));
  const std::string sound = planText(test::plainJob(), test::planOf(test::plainJob()).plan);
  EXPECT_THAT(sound, HasSubstr("2 Board            140 × 216 mm"));
  EXPECT_THAT(sound, HasSubstr("Opens to                                     180°"));
  Job uneven = test::plainJob();
  uneven.given["text_height"] = test::entryOf("209.8 | 210.2");
  EXPECT_THAT(planText(uneven, test::planOf(uneven).plan),
              HasSubstr("Board's height                               216 mm ± 0.2 mm\n"));
}

// After each cut and each fold the piece's size and its grain: A3 with the grain along its long
// side is halved to A4, grain along the short side; folded to A5, along the long side again (ISO
// 216).
TEST(Marks, tellTheHalvings) {
  Job job = test::plainJob();
  job.given["sheet"] = {std::string("a3"), {}};
  job.given["sheet_grain"] = {std::string("grain_long"), {}};
  job.given["sheet_cuts"] = {1.0, {}};
  std::vector<std::string> told;
  const Plan plan = test::planOf(job).plan;
  for (const PlannedMark& mark : plan.marks)
    if (mark.rule->isAside) told.push_back(markSays(mark, kMm));
  EXPECT_THAT(told, ::testing::ElementsAre(
                        "After cut 1 the piece is 210 × 297 mm, grain along its short side.",
                        "After fold 1 the piece is 148.5 × 210 mm, grain along its long side."));
  job.given["sheet_cuts"] = {0.0, {}};
  job.given["sheet_grain"] = {std::string("grain_unknown"), {}};
  const Plan once = test::planOf(job).plan;
  EXPECT_EQ(markSays(*std::find_if(once.marks.begin(), once.marks.end(),
                                   [](const PlannedMark& mark) { return mark.rule->isAside; }),
                     kMm),
            "After fold 1 the piece is 210 × 297 mm.");
}

// What is not made is not told, and what was supposed is told as that.
TEST(PlanText, leavesOutWhatIsNotMade) {
  const std::string plain = planText(test::plainJob(), test::planOf(test::plainJob()).plan);
  EXPECT_THAT(plain, Not(HasSubstr("Jacket")));
  EXPECT_THAT(plain, Not(HasSubstr("Ribbon")));
  EXPECT_THAT(plain, Not(HasSubstr("Corner's leg at the tail")));
  EXPECT_THAT(plain, HasSubstr("Set-back 7 mm, supposed."));
  Job job = test::plainJob("case-board-gap");
  job.allowances["with_jacket"] = {std::string("with"), {}};
  const std::string board = planText(job, test::planOf(job).plan);
  EXPECT_THAT(board, HasSubstr("Jacket's flap"));
  EXPECT_THAT(board, Not(HasSubstr("Gap, formed")));
  EXPECT_THAT(board, Not(HasSubstr("Rod")));
}

// Words of every finding come out whole, in both units, for books that bring them up.
TEST(FindingWords, carryTheirFigures) {
  Job job = test::plainJob();
  job.given["headband_height"] = {5.0, {}};
  job.allowances["margin"] = {9.0, {}};
  const Plan plan = test::planOf(job).plan;
  ASSERT_EQ(plan.findings.size(), 2U);
  for (const PlannedFinding& finding : plan.findings) {
    for (const Notation& notation : {kMm, kInches}) {
      EXPECT_THAT(findingSays(finding, notation), Not(HasSubstr("–")));
      EXPECT_THAT(findingSays(finding, notation), Not(HasSubstr("{")));
      EXPECT_FALSE(findingRemedy(finding, notation).empty());
    }
    EXPECT_THAT(findingSays(finding, kInches), HasSubstr(" in"));
  }
}

}  // namespace
}  // namespace drapery
