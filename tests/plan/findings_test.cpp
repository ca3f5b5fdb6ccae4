// Every finding of the shipped rule files: brought up by a worked example or by a house rule, and
// its words whole in both units.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <fstream>
#include <set>

#include "core/plan/job_field.h"
#include "store/open_job.h"
#include "store/plan_json.h"
#include "tests/support/books.h"
#include "tests/support/command.h"
#include "words/finding_words.h"
#include "words/issue_words.h"

namespace drapery::test {
namespace {

using ::testing::HasSubstr;
using ::testing::Not;

struct Trouble {
  const char* finding;
  const char* method;
  std::vector<std::pair<const char*, const char*>> said;
  std::pair<const char*, const char*> better;  // one of them said otherwise; empty: not said
  Severity severity;
  friend void PrintTo(const Trouble& each, std::ostream* out) { *out << each.finding; }
};

class EveryFinding : public ::testing::TestWithParam<Trouble> {};

Plan planOfTrouble(const Trouble& trouble) {
  Job job = plainJob(trouble.method);
  for (const auto& [field, value] : trouble.said)
    if (*value != '\0') setField(job, field, entryOf(value));
  const auto outcome = planOf(job);
  EXPECT_TRUE(outcome.issues.empty());
  return outcome.plan;
}

TEST_P(EveryFinding, comesUpWithItsWords) {
  const Plan plan = planOfTrouble(GetParam());
  ASSERT_TRUE(hasFinding(plan, GetParam().finding));
  for (const PlannedFinding& finding : plan.findings) {
    if (finding.rule->id != GetParam().finding) continue;
    EXPECT_EQ(finding.rule->severity, GetParam().severity);
    for (const Units units : {Units::Millimetres, Units::Inches}) {
      const Notation notation{units, plan.resolution, '.'};
      for (const std::string& words :
           {findingSays(finding, notation), findingRemedy(finding, notation)}) {
        EXPECT_THAT(words, Not(HasSubstr("–"))) << words;
        EXPECT_THAT(words, Not(HasSubstr("{"))) << words;
        EXPECT_TRUE(words.ends_with(".")) << words;
      }
    }
  }
  // The same book a little better, by the same method, does not bring it up.
  Trouble better = GetParam();
  for (auto& [field, value] : better.said)
    if (std::string(field) == better.better.first) value = better.better.second;
  EXPECT_FALSE(hasFinding(planOfTrouble(better), GetParam().finding));
}

/// Each just past its threshold; `better` is just before it, or the other choice.
const std::vector<Trouble> kTroubles{
    {"grain-across-spine",
     "case-sunk-joint",
     {{"given/sheet", "a4"}, {"given/sheet_grain", "grain_long"}},
     {"given/sheet_grain", "grain_short"},
     Severity::Mind},
    {"pages-short",
     "case-sunk-joint",
     {{"given/sheets", "51"}, {"given/pages_wanted", "200"}},
     {"given/sheets", "52"},
     Severity::Mind},
    {"thickness-off-sum",
     "case-sunk-joint",
     {{"given/sheets", "115"}, {"given/leaf_caliper", "0.1"}},
     {"given/sheets", "116"},
     Severity::Mind},
    {"swell-off-sum",
     "case-sunk-joint",
     {{"given/sheets", "100"}, {"given/spine_thickness", "29"}, {"given/thread_thickness", "0.34"}},
     {"given/thread_thickness", "0.33"},
     Severity::Mind},
    {"trimmed-away",
     "case-sunk-joint",
     {{"given/text_width", "40"}, {"allowances/trim_fore_edge", "40"}},
     {"allowances/trim_fore_edge", "39.9"},
     Severity::Stop},
    {"trim-first",
     "case-sunk-joint",
     {{"allowances/trim_head", "0.1"}},
     {"allowances/trim_head", "0"},
     Severity::Note},
    {"spine-much-thinner",
     "case-sunk-joint",
     {{"given/spine_thickness", "22.4"}},
     {"given/spine_thickness", "22.5"},
     Severity::Stop},
    {"spine-thinner",
     "case-sunk-joint",
     {{"given/spine_thickness", "23.9"}},
     {"given/spine_thickness", "24"},
     Severity::Mind},
    {"round-past-half",
     "case-sunk-joint",
     {{"given/spine_shape", "rounded"}, {"given/round_depth", "12.6"}},
     {"given/round_depth", "12.5"},
     Severity::Stop},
    {"round-too-shallow",
     "case-sunk-joint",
     {{"given/spine_shape", "rounded"}, {"given/round_depth", "2.9"}},
     {"given/round_depth", "3"},
     Severity::Mind},
    {"round-too-deep",
     "case-sunk-joint",
     {{"given/spine_shape", "rounded"}, {"given/round_depth", "8.1"}},
     {"given/round_depth", "8"},
     Severity::Mind},
    {"round-said-twice",
     "case-sunk-joint",
     {{"given/spine_shape", "rounded"},
      {"given/round_depth", "5"},
      {"given/round_fraction", "1/3"}},
     {"given/round_fraction", ""},
     Severity::Note},
    {"thin-to-back",
     "case-sunk-joint",
     {{"given/spine_shape", "backed"}, {"given/text_thickness", "9.9"}},
     {"given/text_thickness", "10"},
     Severity::Mind},
    {"shoulder-too-high",
     "case-sunk-joint",
     {{"given/spine_shape", "backed"}, {"given/shoulder_height", "4.9"}},
     {"given/shoulder_height", "4.8"},
     Severity::Stop},
    {"shoulder-too-low",
     "case-sunk-joint",
     {{"given/spine_shape", "backed"}, {"given/shoulder_height", "2.3"}},
     {"given/shoulder_height", "2.4"},
     Severity::Mind},
    {"swell-too-poor",
     "case-sunk-joint",
     {{"given/spine_shape", "backed"}, {"given/spine_thickness", "27.8"}},
     {"given/spine_thickness", "27.9"},
     Severity::Mind},
    {"swell-too-rich",
     "case-sunk-joint",
     {{"given/spine_shape", "backed"}, {"given/spine_thickness", "33.7"}},
     {"given/spine_thickness", "33.6"},
     Severity::Mind},
    {"strip-and-sum-differ",
     "case-sunk-joint",
     {{"given/spine_shape", "rounded"}, {"given/spine_arc_measured", "28.8"}},
     {"given/spine_arc_measured", "28.7"},
     Severity::Mind},
    {"square-negative",
     "case-sunk-joint",
     {{"round", "10"},
      {"given/text_height", "213"},
      {"allowances/square_head", "1.4"},
      {"allowances/square_tail", "0.5"}},
     {"allowances/square_head", "1.5"},
     Severity::Stop},
    {"square-small",
     "case-sunk-joint",
     {{"allowances/square_tail", "1.4"}},
     {"allowances/square_tail", "1.5"},
     Severity::Mind},
    {"square-under-headband",
     "case-sunk-joint",
     {{"given/headband_height", "3.1"}},
     {"given/headband_height", "3"},
     Severity::Mind},
    {"square-may-vanish",
     "case-sunk-joint",
     {{"given/text_width", "140.9 | 147.1"}},
     {"given/text_width", "141 | 147"},
     Severity::Mind},
    {"square-past-setback",
     "case-sunk-joint",
     {{"allowances/square_fore_edge", "7.1"}},
     {"allowances/square_fore_edge", "7"},
     Severity::Mind},
    {"board-vanishes",
     "case-sunk-joint",
     {{"given/text_width", "20"}, {"allowances/setback", "23"}},
     {"allowances/setback", "22.9"},
     Severity::Stop},
    {"corner-past-edge",
     "case-sunk-joint",
     {{"allowances/margin", "2.5"}},
     {"allowances/margin", "2.6"},
     Severity::Stop},
    {"corner-lumpy",
     "case-sunk-joint",
     {{"allowances/corner_ratio", "3.01"}},
     {"allowances/corner_ratio", "3"},
     Severity::Mind},
    {"corner-raw",
     "case-sunk-joint",
     {{"allowances/corner_treatment", "notch"}},
     {"allowances/corner_treatment", "mitre"},
     Severity::Mind},
    {"turn-in-short",
     "case-sunk-joint",
     {{"allowances/margin", "9"}},
     {"allowances/margin", "9.1"},
     Severity::Mind},
    {"strip-too-narrow",
     "case-sunk-joint",
     {{"allowances/covering_style", "quarter"}, {"allowances/spine_cloth_strip", "45.4"}},
     {"allowances/spine_cloth_strip", "45.5"},
     Severity::Stop},
    {"side-laps-too-little",
     "case-sunk-joint",
     {{"allowances/covering_style", "half"}, {"allowances/side_lap", "2.9"}},
     {"allowances/side_lap", "3"},
     Severity::Mind},
    {"side-vanishes",
     "case-sunk-joint",
     {{"allowances/covering_style", "quarter"}, {"allowances/spine_cloth_strip", "325.5"}},
     {"allowances/spine_cloth_strip", "325.4"},
     Severity::Stop},
    {"paste-down-grows",
     "case-sunk-joint",
     {{"allowances/wet_growth", "0.014"}},
     {"allowances/wet_growth", "0.013"},
     Severity::Mind},
    {"gap-too-short",
     "case-fixed-gap",
     {{"allowances/joint_gap", "4.7"}},
     {"allowances/joint_gap", "4.8"},
     Severity::Stop},
    {"fixed-gap-on-backed",
     "case-fixed-gap",
     {{"given/spine_shape", "backed"}},
     {"given/spine_shape", "rounded"},
     Severity::Mind},
    {"gap-too-wide",
     "case-strip-set",
     {{"given/board_to_board_measured", "41.6"}},
     {"given/board_to_board_measured", "41.5"},
     Severity::Mind},
    {"cannot-open-flat",
     "case-board-gap",
     {{"allowances/gap_ratio", "1.41"}},
     {"allowances/gap_ratio", "1.42"},
     Severity::Mind},
    {"round-in-a-flat-case",
     "case-card",
     {{"given/spine_shape", "rounded"}},
     {"given/spine_shape", "flat"},
     Severity::Stop},
    {"height-uneven",
     "case-sunk-joint",
     {{"given/text_height", "209.7 | 210.3"}},
     {"given/text_height", "209.8 | 210.2"},
     Severity::Mind},
    {"width-uneven",
     "case-sunk-joint",
     {{"given/text_width", "143.7 | 144.3"}},
     {"given/text_width", "143.8 | 144.2"},
     Severity::Mind},
    {"thickness-uneven",
     "case-sunk-joint",
     {{"given/text_thickness", "24.4 | 25.6"}},
     {"given/text_thickness", "24.5 | 25.5"},
     Severity::Mind},
};
INSTANTIATE_TEST_SUITE_P(Shipped, EveryFinding, ::testing::ValuesIn(kTroubles));

/// A house's own method on the shipped ground that overrides one formula.
Plan houseRule(const std::string& id, const std::string& formula) {
  const std::string text =
      "schema = \"drapery-method/1\"\nid = \"house\"\nbase = \"case-sunk-joint\"\ntitle = "
      "\"House\"\n"
      "[[derive]]\nid = \"" +
      id + "\"\nformula = \"" + formula + "\"\n";
  const RuleLibrary library;
  const auto loaded =
      loadRules({"house.toml", text}, [&](std::string_view base) { return library.source(base); });
  EXPECT_TRUE(loaded.issues.empty()) << placedWords(loaded.issues.front(), {});
  return Planner(loaded.rules).plan(plainJob("house")).plan;
}

// A house that cuts its corners by the board alone, and one whose gap is too tight: what the
// shipped formulas rule out is found when a house's own do not.
TEST(HouseRules, areTriedLikeTheShippedOnes) {
  const Plan bare = houseRule("corner_distance", "corner_ratio * board_thickness / 2");
  EXPECT_TRUE(hasFinding(bare, "corner-bare"));
  EXPECT_EQ(bare.rules->derived[bare.rules->nodes[*bare.rules->find("corner_distance")].rule]
                .because.text,
            "From the board's corner to the cut at 45 degrees: one and a half boards, and never so "
            "near that the "
            "corner is bare.");
  // Just over the least gap the boards are pulled closer than planned, and a taut gap does not
  // open.
  const Plan tight = houseRule("joint_gap", "gap_taut - edge_height - board_thickness / 4");
  EXPECT_TRUE(hasFinding(tight, "cannot-open-flat"));
  EXPECT_LT(valueOf(tight, "square_fore_edge_exact"), 3.0);
}

TEST(EveryFindingOfTheRuleFiles, isTriedHere) {
  std::set<std::string> tried{"corner-bare"};  // by a house rule, above
  for (const Trouble& trouble : kTroubles) tried.insert(trouble.finding);
  for (const std::string& id : kSchools) {
    const RuleSetPtr method = shippedMethod(id);
    for (const FindingRule& rule : method->findings)
      EXPECT_TRUE(tried.contains(rule.id)) << rule.id;
  }
}

TEST(EveryInput, saysWhatItIsAndWhereItsUsualValueComesFrom) {
  for (const std::string& id : kSchools) {
    const RuleSetPtr method = shippedMethod(id);
    for (const InputRule& rule : method->inputs) {
      EXPECT_FALSE(rule.title.text.empty()) << rule.id;
      // A supposed figure that is no formula needs its source.
      const bool isFigure = !rule.fallback.empty() && rule.fallback.text().find_first_not_of(
                                                          "0123456789.") == std::string::npos;
      if (isFigure) {
        EXPECT_FALSE(rule.practice.empty()) << rule.id;
      }
    }
    for (const DerivedRule& rule : method->derived)
      EXPECT_FALSE(rule.because.text.empty()) << rule.id;
  }
}

TEST(PlanJson, holdsNoNullForAnyTrouble) {
  for (const Trouble& trouble : kTroubles) {
    const std::string json = writePlanJson(plainJob(trouble.method), planOfTrouble(trouble));
    EXPECT_THAT(json, Not(HasSubstr("null"))) << trouble.finding;
    EXPECT_THAT(json, HasSubstr("\"id\": \"" + std::string(trouble.finding) + "\""));
  }
}

}  // namespace
}  // namespace drapery::test
