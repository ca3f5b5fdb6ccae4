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
        EXPECT_THAT(words, Not(HasSubstr("  "))) << words;
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
    {"leaf-none",
     "stab-boarded",
     {{"given/text_width", "25.4"}},
     {"given/text_width", "25.5"},
     Severity::Stop},
    {"holes-no-room",
     "stab-boarded",
     {{"allowances/hole_end", "92.6"}},
     {"allowances/hole_end", "92.5"},
     Severity::Stop},
    {"rows-crossed",
     "stab-boarded",
     {{"allowances/row_outer", "12.7"}, {"allowances/row_to_crease", "12.7"}},
     {"allowances/row_outer", "12.6"},
     Severity::Stop},
    {"hole-runs-out",
     "stab-boarded",
     {{"allowances/row_outer", "1"}, {"allowances/hole_diameter", "2"}},
     {"allowances/row_outer", "1.1"},
     Severity::Stop},
    {"rim-weak",
     "stab-boarded",
     {{"allowances/row_outer", "2.7"}},
     {"allowances/row_outer", "2.8"},
     Severity::Mind},
    {"rows-uneven",
     "stab-boarded",
     {{"allowances/hole_count", "8"}},
     {"allowances/hole_count", "9"},
     Severity::Mind},
    {"leaves-heavy",
     "stab-boarded",
     {{"given/text_grammage", "131"}},
     {"given/text_grammage", "130"},
     Severity::Mind},
    {"inserts-no-spacer",
     "stab-boarded",
     {{"given/inserts_thickness", "3"}},
     {"given/inserts_thickness", "0"},
     Severity::Mind},
    {"never-flat",
     "stab-plain",
     {{"given/text_width", "25.5"}},
     {"given/text_width", "25.4"},
     Severity::Note},
    {"strip-bare",
     "stab-boarded",
     {{"allowances/margin", "5.5"}},
     {"allowances/margin", "5.6"},
     Severity::Mind},
    {"inner-cloth-short",
     "stab-boarded",
     {{"allowances/inner_reach", "9"}},
     {"allowances/inner_reach", "9.2"},
     Severity::Mind},
    {"hinge-binds",
     "stab-boarded",
     {{"allowances/hinge_gap", "2.5"}},
     {"allowances/hinge_gap", "2.6"},
     Severity::Mind},
    {"lining-short",
     "covered-board",
     {{"allowances/margin", "8"}},
     {"allowances/margin", "8.2"},
     Severity::Mind},
    {"slit-bare",
     "stab-plain",
     {{"allowances/spine_slit", "1.4"}},
     {"allowances/spine_slit", "1.5"},
     Severity::Mind},
    {"gap-counted",
     "stab-plain",
     {{"allowances/cover_kind", "boarded"}},
     {"allowances/cover_kind", "soft"},
     Severity::Note},
    {"panel-past-stock",
     "concertina",
     {{"given/stock_length", "135"}},
     {"given/stock_length", "136"},
     Severity::Stop},
    {"join-no-room",
     "concertina",
     {{"given/stock_length", "140"}},
     {"given/stock_length", "272"},
     Severity::Stop},
    {"stock-too-low",
     "concertina",
     {{"given/stock_width", "105"}},
     {"given/stock_width", "106"},
     Severity::Stop},
    {"picture-past-page",
     "concertina",
     {{"given/picture_width", "137"}, {"given/picture_height", "90"}},
     {"given/picture_width", "136"},
     Severity::Stop},
    {"covers-one-side",
     "concertina",
     {{"given/pictures", "10"}},
     {"given/pictures", "11"},
     Severity::Note},
    {"pages-few",
     "concertina",
     {{"given/panels_wanted", "6"}},
     {"given/panels_wanted", "7"},
     Severity::Note},
    {"no-panel",
     "paperback-wrapper",
     {{"given/text_width", "30"}, {"allowances/crease_spacing", "30"}},
     {"allowances/crease_spacing", "29"},
     Severity::Stop},
    {"spine-title-tight",
     "paperback-wrapper",
     {{"given/spine_thickness", "3.6"}},
     {"given/spine_thickness", "3.7"},
     Severity::Mind},
    {"cords-needless",
     "paperback-wrapper",
     {{"allowances/cords", "3"}},
     {"allowances/cords", "0"},
     Severity::Mind},
    {"cords-worth",
     "paperback-wrapper",
     {{"given/text_thickness", "25.1"}},
     {"given/text_thickness", "25"},
     Severity::Note},
    {"trim-last",
     "paperback-wrapper",
     {{"allowances/trim_head", "1"}},
     {"allowances/trim_head", "0"},
     Severity::Note},
    {"lever-past-pocket",
     "spring-back",
     {{"allowances/lever_share", "0.34"}},
     {"allowances/lever_share", "0.33"},
     Severity::Stop},
    {"clothing-none",
     "spring-back",
     {{"given/tape_count", "20"}, {"given/sewing_tape_width", "13.1"}},
     {"given/sewing_tape_width", "13"},
     Severity::Stop},
    {"lever-not-held",
     "spring-back",
     {{"allowances/lever_share", "0.15"}},
     {"allowances/lever_share", "0.16"},
     Severity::Mind},
    {"spine-unfit",
     "spring-back",
     {{"given/spine_shape", "flat"}},
     {"given/spine_shape", "rounded"},
     Severity::Mind},
    {"grip-weak",
     "spring-back",
     {{"allowances/spring_grip", "3.9"}},
     {"allowances/spring_grip", "4.1"},
     Severity::Mind},
    {"dowel-large",
     "spring-back",
     {{"given/dowel_diameter", "36"}},
     {"given/dowel_diameter", "35.6"},
     Severity::Mind},
    {"slot-none",
     "soft-slotted",
     {{"allowances/slot_end", "88"}},
     {"allowances/slot_end", "87"},
     Severity::Stop},
    {"cover-narrow",
     "soft-slotted",
     {{"given/blank_width", "233.9"}},
     {"given/blank_width", "234"},
     Severity::Stop},
    {"section-alone",
     "soft-slotted",
     {{"given/sections_wanted", "1"}},
     {"given/sections_wanted", "2"},
     Severity::Mind},
    {"leaves-stand-out",
     "soft-slotted",
     {{"given/leaf_caliper", "0.3"}, {"given/folios_per_section", "13"}},
     {"given/folios_per_section", "12"},
     Severity::Mind},
    {"flap-shortened",
     "soft-slotted",
     {{"allowances/slot_end", "45"}},
     {"allowances/slot_end", "46"},
     Severity::Note},
    {"sheet-too-small",
     "covered-board",
     {{"given/sheet_width", "208"}},
     {"given/sheet_width", "209"},
     Severity::Stop},
    {"turn-ins-meet",
     "covered-board",
     {{"given/cover_width", "60"}, {"allowances/margin", "34"}},
     {"allowances/margin", "31"},
     Severity::Mind},
    {"hinge-wide",
     "covered-board",
     {{"allowances/cover_make", "pair"}, {"given/contents_thickness", "19"}},
     {"given/contents_thickness", "16"},
     Severity::Note},
    {"folder-binds",
     "covered-board",
     {{"allowances/cover_make", "pair"},
      {"given/contents_thickness", "6"},
      {"allowances/hinge_gap", "8.3"}},
     {"allowances/hinge_gap", "8.5"},
     Severity::Mind},
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
     {{"given/sheets", "111"}, {"given/leaf_caliper", "0.1"}},
     {"given/sheets", "112"},
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
     {{"given/spine_thickness", "22.2"}},
     {"given/spine_thickness", "22.3"},
     Severity::Stop},
    {"spine-thinner",
     "case-sunk-joint",
     {{"given/spine_thickness", "23.7"}},
     {"given/spine_thickness", "23.8"},
     Severity::Mind},
    {"round-past-half",
     "case-sunk-joint",
     {{"given/spine_shape", "rounded"}, {"given/round_depth", "12.6"}},
     {"given/round_depth", "12.5"},
     Severity::Stop},
    {"round-too-shallow",
     "case-sunk-joint",
     {{"given/spine_shape", "rounded"}, {"given/round_depth", "2.7"}},
     {"given/round_depth", "2.8"},
     Severity::Mind},
    {"round-too-deep",
     "case-sunk-joint",
     {{"given/spine_shape", "rounded"}, {"given/round_depth", "8.3"}},
     {"given/round_depth", "8.2"},
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
     {{"given/spine_shape", "backed"}, {"given/text_thickness", "9.7"}},
     {"given/text_thickness", "9.8"},
     Severity::Mind},
    {"shoulder-too-high",
     "case-sunk-joint",
     {{"given/spine_shape", "backed"}, {"given/shoulder_height", "5.1"}},
     {"given/shoulder_height", "5"},
     Severity::Stop},
    {"shoulder-too-low",
     "case-sunk-joint",
     {{"given/spine_shape", "backed"}, {"given/shoulder_height", "2.1"}},
     {"given/shoulder_height", "2.2"},
     Severity::Mind},
    {"swell-too-poor",
     "case-sunk-joint",
     {{"given/spine_shape", "backed"}, {"given/spine_thickness", "27.3"}},
     {"given/spine_thickness", "27.4"},
     Severity::Mind},
    {"swell-too-rich",
     "case-sunk-joint",
     {{"given/spine_shape", "backed"}, {"given/spine_thickness", "34.2"}},
     {"given/spine_thickness", "34.1"},
     Severity::Mind},
    {"strip-and-sum-differ",
     "case-sunk-joint",
     {{"given/spine_shape", "rounded"},
      {"given/round_fraction", "1/4"},
      {"given/spine_arc_measured", "29.6"}},
     {"given/spine_arc_measured", "29.5"},
     Severity::Mind},
    {"square-negative",
     "case-sunk-joint",
     {{"allowances/square_head", "1"}, {"as_cut/board/height", "211.5"}},
     {"as_cut/board/height", "211.6"},
     Severity::Stop},
    {"square-small",
     "case-sunk-joint",
     {{"allowances/square_tail", "1.2"}},
     {"allowances/square_tail", "1.3"},
     Severity::Mind},
    {"square-under-headband",
     "case-sunk-joint",
     {{"given/headband_height", "3"}},
     {"given/headband_height", "2.9"},
     Severity::Mind},
    {"square-may-vanish",
     "case-sunk-joint",
     {{"given/text_width", "141 | 147"}},
     {"given/text_width", "141.1 | 146.9"},
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
     {{"allowances/corner_ratio", "3.11"}},
     {"allowances/corner_ratio", "3.1"},
     Severity::Mind},
    {"corner-raw",
     "case-sunk-joint",
     {{"allowances/corner_treatment", "notch"}},
     {"allowances/corner_treatment", "mitre"},
     Severity::Note},
    {"turn-in-short",
     "case-sunk-joint",
     {{"allowances/margin", "8.7"}},
     {"allowances/margin", "8.8"},
     Severity::Mind},
    {"strip-too-narrow",
     "case-sunk-joint",
     {{"allowances/covering_style", "quarter"}, {"allowances/spine_cloth_strip", "45.4"}},
     {"allowances/spine_cloth_strip", "45.5"},
     Severity::Stop},
    {"side-laps-too-little",
     "case-sunk-joint",
     {{"allowances/covering_style", "half"}, {"allowances/side_lap", "2.7"}},
     {"allowances/side_lap", "2.8"},
     Severity::Mind},
    {"side-vanishes",
     "case-sunk-joint",
     {{"allowances/covering_style", "quarter"}, {"allowances/spine_cloth_strip", "335.5"}},
     {"allowances/spine_cloth_strip", "335.4"},
     Severity::Stop},
    {"paste-down-grows",
     "case-sunk-joint",
     {{"allowances/wet_growth", "0.014"}},
     {"allowances/wet_growth", "0.013"},
     Severity::Mind},
    {"gap-too-short",
     "case-fixed-gap",
     {{"allowances/joint_gap", "2.3"}},
     {"allowances/joint_gap", "2.4"},
     Severity::Stop},
    {"fixed-gap-on-backed",
     "case-fixed-gap",
     {{"given/spine_shape", "backed"}},
     {"given/spine_shape", "rounded"},
     Severity::Mind},
    {"gap-too-wide",
     "case-strip-set",
     {{"given/board_to_board_measured", "42.1"}},
     {"given/board_to_board_measured", "42"},
     Severity::Mind},
    {"cannot-open-flat",
     "case-board-gap",
     {{"allowances/gap_ratio", "1.41"}},
     {"allowances/gap_ratio", "1.42"},
     Severity::Note},
    {"round-in-a-flat-case",
     "case-card",
     {{"given/spine_shape", "rounded"}},
     {"given/spine_shape", "flat"},
     Severity::Stop},
    {"height-uneven",
     "case-sunk-joint",
     {{"given/text_height", "209.6 | 210.4"}},
     {"given/text_height", "209.7 | 210.3"},
     Severity::Mind},
    {"width-uneven",
     "case-sunk-joint",
     {{"given/text_width", "143.6 | 144.4"}},
     {"given/text_width", "143.7 | 144.3"},
     Severity::Mind},
    {"thickness-uneven",
     "case-sunk-joint",
     {{"given/text_thickness", "24.3 | 25.6"}},
     {"given/text_thickness", "24.4 | 25.6"},
     Severity::Mind},
    {"no-section",
     "case-sunk-joint",
     {{"given/sheets", "3"}, {"given/sheet", "a4"}},
     {"given/sheets", "4"},
     Severity::Stop},
    {"closed-head",
     "case-sunk-joint",
     {{"given/sheet", "a3"}, {"given/sheet_folds", "2"}, {"allowances/trim_head", "2.7"}},
     {"allowances/trim_head", "2.8"},
     Severity::Note},
    {"closed-ends",
     "case-sunk-joint",
     {{"given/sheet", "a2"},
      {"given/sheet_folds", "4"},
      {"allowances/trim_head", "3"},
      {"allowances/trim_tail", "2.7"}},
     {"allowances/trim_tail", "2.8"},
     Severity::Note},
    {"closed-fore-edge",
     "case-sunk-joint",
     {{"given/sheet", "a2"}, {"given/sheet_folds", "3"}, {"allowances/trim_fore_edge", "2.7"}},
     {"allowances/trim_fore_edge", "2.8"},
     Severity::Note},
    {"album-too-thick",
     "case-sunk-joint",
     {{"given/inserts_thickness", "4"}, {"given/spine_thickness", "23.7"}},
     {"given/spine_thickness", "23.8"},
     Severity::Mind},
    {"thin-to-round",
     "case-sunk-joint",
     {{"given/spine_shape", "rounded"}, {"given/text_thickness", "9.7"}},
     {"given/text_thickness", "9.8"},
     Severity::Note},
    {"strip-too-short",
     "case-sunk-joint",
     {{"given/spine_shape", "rounded"}, {"given/spine_arc_measured", "25"}},
     {"given/spine_arc_measured", "25.1"},
     Severity::Stop},
    {"strip-too-long",
     "case-sunk-joint",
     {{"given/spine_shape", "rounded"}, {"given/spine_arc_measured", "40.9"}},
     {"given/spine_arc_measured", "40.8"},
     Severity::Stop},
    {"square-misses",
     "case-sunk-joint",
     {{"round", "3"}, {"given/text_width", "143"}},
     {"given/text_width", "145.5"},
     Severity::Mind},
    {"groove-narrow",
     "case-sunk-joint",
     {{"allowances/setback", "3.7"}},
     {"allowances/setback", "3.8"},
     Severity::Mind},
    {"board-to-board-differs",
     "case-sunk-joint",
     {{"given/board_to_board_measured", "40.9"}},
     {"given/board_to_board_measured", "40.8"},
     Severity::Mind},
    {"no-groove",
     "case-fixed-gap",
     {{"allowances/joint_gap", "4.7"}},
     {"allowances/joint_gap", "4.8"},
     Severity::Mind},
    {"corners-cross",
     "case-sunk-joint",
     {{"given/text_height", "55.8"}, {"allowances/margin", "40"}},
     {"given/text_height", "64"},
     Severity::Stop},
    {"turn-ins-meet",
     "case-sunk-joint",
     {{"given/text_height", "23.9"}},
     {"given/text_height", "24"},
     Severity::Stop},
    {"turn-in-outside",
     "case-sunk-joint",
     {{"allowances/margin", "38.3"}},
     {"allowances/margin", "38.2"},
     Severity::Mind},
    {"turn-in-outside-small",
     "case-sunk-joint",
     {{"given/text_width", "90"}, {"allowances/margin", "12.4"}},
     {"allowances/margin", "12.5"},
     Severity::Note},
    {"paper-hinge",
     "case-sunk-joint",
     {{"allowances/covering_material", "paper"}},
     {"allowances/covering_material", "cloth"},
     Severity::Note},
    {"strip-shows-nothing",
     "case-sunk-joint",
     {{"allowances/covering_style", "quarter"}, {"allowances/spine_cloth_strip", "55.4"}},
     {"allowances/spine_cloth_strip", "55.5"},
     Severity::Mind},
    {"lining-bare",
     "case-sunk-joint",
     {{"allowances/lining_kind", "separate"}, {"allowances/lining_inset", "15.3"}},
     {"allowances/lining_inset", "15.2"},
     Severity::Mind},
    {"lining-past-third",
     "case-sunk-joint",
     {{"allowances/tissue_reach", "48.3"}},
     {"allowances/tissue_reach", "48.2"},
     Severity::Mind},
    {"jacket-halves-differ",
     "case-sunk-joint",
     {{"given/jacket_flap_measured", "90"}, {"given/jacket_flap_other", "91.1"}},
     {"given/jacket_flap_other", "91"},
     Severity::Mind},
    {"jacket-off-sum",
     "case-sunk-joint",
     {{"allowances/with_jacket", "with"}, {"given/jacket_cover_measured", "154.7"}},
     {"given/jacket_cover_measured", "154.6"},
     Severity::Note},
    {"flap-too-narrow",
     "case-sunk-joint",
     {{"allowances/with_jacket", "with"}, {"given/jacket_sheet", "441.2"}},
     {"given/jacket_sheet", "441.4"},
     Severity::Stop},
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
  EXPECT_EQ(
      bare.rules->derived[bare.rules->nodes[*bare.rules->find("corner_distance")].rule]
          .because.text,
      "From the board's corner to the cut at 45 degrees: one and a half boards, never so near "
      "that the corner is bare, and no nearer than can be cut.");
  // Just over the least gap the boards are pulled closer than planned, and a taut gap does not
  // open.
  const Plan tight = houseRule("joint_gap", "gap_taut - edge_height - board_thickness / 4");
  EXPECT_TRUE(hasFinding(tight, "cannot-open-flat"));
  EXPECT_LT(valueOf(tight, "square_fore_edge_exact"), 3.0);
}

TEST(EveryFindingOfTheRuleFiles, isTriedHere) {
  std::set<std::string> tried{"corner-bare"};  // by a house rule, above
  for (const Trouble& trouble : kTroubles) tried.insert(trouble.finding);
  for (const std::string& id : kMethods) {
    const RuleSetPtr method = shippedMethod(id);
    for (const FindingRule& rule : method->findings)
      EXPECT_TRUE(tried.contains(rule.id)) << rule.id;
  }
}

TEST(EveryInput, saysWhatItIsAndWhereItsUsualValueComesFrom) {
  for (const std::string& id : kMethods) {
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
