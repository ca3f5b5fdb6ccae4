#include "core/plan/planner.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <atomic>
#include <cmath>
#include <map>
#include <thread>

#include "core/plan/former_names.h"
#include "core/plan/job_field.h"
#include "tests/support/books.h"
#include "words/finding_words.h"
#include "words/formula_words.h"
#include "words/issue_words.h"
#include "words/summary_words.h"

namespace drapery {
namespace {

using test::anyJob;
using test::hasFinding;
using test::kSchools;
using test::plainJob;
using test::planOf;
using test::valueOf;
using ::testing::AllOf;
using ::testing::HasSubstr;
using ::testing::Not;

// What stands among the allowances and is measured, or the other way, is meant all the same.
RC_GTEST_PROP(AnyBook, isTheSameWithItsTablesExchanged, ()) {
  Job job = *anyJob(*rc::gen::elementOf(test::kMethods));
  const PlanOutcome before = planOf(job);
  const Entries given = job.given, allowances = job.allowances;
  std::swap(job.given, job.allowances);
  takePresentNames(job, *before.plan.rules);
  RC_ASSERT(job.given == given);
  RC_ASSERT(job.allowances == allowances);
  // Said in both, neither is thrown away, and the one that is out of its place is refused.
  RC_PRE(!given.empty());
  job.allowances.insert(*given.begin());
  takePresentNames(job, *before.plan.rules);
  RC_ASSERT(job.given == given);
  const Issues issues = planOf(job).issues;
  RC_ASSERT(std::any_of(issues.begin(), issues.end(), [](const Issue& issue) {
    return issue.id == "key-unknown" && issue.arguments[2].value == Argument("given");
  }));
}

RC_GTEST_PROP(AnyBook, givesNoNonsense, ()) {
  const std::string method = *rc::gen::elementOf(test::kMethods);
  const auto outcome = planOf(*anyJob(method));
  RC_PRE(outcome.issues.empty());  // a usual value that comes out of its range is refused
  const Plan& plan = outcome.plan;
  for (const PlannedPart& part : plan.parts) {
    RC_ASSERT(part.width > Length() && part.height > Length());
    RC_ASSERT(std::isfinite(part.cutWidth.mm()) && std::isfinite(part.cutHeight.mm()));
    for (const Placement& place : part.places)
      RC_ASSERT(std::isfinite(place.at.x) && std::isfinite(place.at.y));
  }
  // What is missing is missing for a reason that a finding names.
  const auto isNamed = [&](std::initializer_list<const char*> findings) {
    return std::any_of(findings.begin(), findings.end(),
                       [&](const char* id) { return hasFinding(plan, id); });
  };
  const bool isCase = plan.rules->structure == "case";
  if (isCase && !plan.number("board_width") &&
      !isNamed({"gap-too-short", "round-past-half", "no-section"}))
    RC_FAIL("no board width and no word about it");
  const bool hasBoard = plan.part("board") != nullptr;
  if (isCase && !hasBoard &&
      !isNamed(
          {"gap-too-short", "round-past-half", "board-vanishes", "trimmed-away", "no-section"}))
    RC_FAIL("no board and no word about it");
  // Nothing that is told lacks a figure, and no remedy is less than nothing.
  const Notation notation{plan.units, plan.resolution, '.', {}};
  const auto isSound = [](const std::string& words) {
    return words.find("–") == std::string::npos && words.find(" -") == std::string::npos &&
           words.find("  ") == std::string::npos && !words.starts_with(" ");
  };
  for (const PlannedMark& mark : plan.marks) {
    const std::string words = markSays(mark, notation);
    if (!isSound(words)) RC_FAIL(mark.rule->id + ": " + words);
  }
  for (const PlannedFinding& finding : plan.findings) {
    RC_ASSERT(!finding.rule->touches.empty());
    for (const std::string& words :
         {findingSays(finding, notation), findingRemedy(finding, notation)})
      if (!isSound(words)) RC_FAIL(finding.rule->id + ": " + words);
  }
}

// Finds unit mistakes in any rule file: a book twice as large in every length has a case twice as
// large in every length, and the same angles and ratios.
RC_GTEST_PROP(AnyRuleFile, scalesWithItsLengths, ()) {
  const std::string id = *rc::gen::elementOf(test::kMethods);
  const double factor = *rc::gen::inRange(50, 400) / 100.0;
  const Plan plan = planOf(*anyJob(id)).plan;
  const RuleSet& method = *plan.rules;
  for (const PlannedPart& part : plan.parts)
    RC_PRE(factor * std::max(part.width.mm(), part.height.mm()) < PartRule::kLongest);
  Job scaled = plainJob(id);
  scaled.given.clear();
  for (std::size_t i = 0; i < method.inputs.size(); ++i) {
    const InputRule& rule = method.inputs[i];
    const auto value = plan.number(rule.id);
    if (!value) continue;
    Entries& entries = rule.role == InputRole::Given ? scaled.given : scaled.allowances;
    if (rule.kind == InputKind::Choice) {
      entries[rule.id] = {std::string(plan.choice(rule.id)), {}};
    } else {
      entries[rule.id] = {rule.kind == InputKind::Length ? *value * factor : *value, {}};
    }
  }
  scaled.round = plan.resolution.mm() * factor;
  const auto outcome = Planner(test::rulesWithoutRanges(id)).plan(scaled);
  if (!outcome.issues.empty()) RC_FAIL(issueWords(outcome.issues.front(), {}));
  for (std::size_t i = 0; i < method.nodes.size(); ++i) {
    using Source = ValueNode::Source;
    // Paper comes in fixed sizes; and everything is said of the second book.
    const Source source = method.nodes[i].source;
    const bool asksWhatWasSaid =
        std::any_of(method.nodes[i].uses.begin(), method.nodes[i].uses.end(),
                    [&](std::size_t used) { return method.nodes[used].source == Source::Said; });
    if (source == Source::Column || source == Source::Said || asksWhatWasSaid) continue;
    const double expected =
        plan.values[i] * (method.nodes[i].unit == Unit::Millimetre ? factor : 1.0);
    const double value = outcome.plan.values[i];
    if (std::isnan(expected) != std::isnan(value))
      RC_FAIL(method.nodes[i].name + " is there at one scale only");
    if (!std::isnan(value)) {
      const bool same = std::abs(value - expected) <= 1e-6 * std::max(1.0, std::abs(expected));
      if (!same) RC_FAIL(method.nodes[i].name + " does not scale");
    }
  }
}

// The case tried on the book: with the exact sizes the squares come out as they were wanted.
RC_GTEST_PROP(AnyBook, triedWithExactSizesKeepsItsSquares, ()) {
  Job job = *anyJob(*rc::gen::elementOf(kSchools));
  job.given.erase("board_to_board_measured");  // else the strip decides where the boards land
  const Plan plan = planOf(job).plan;
  RC_PRE(plan.number("square_fore_edge_exact").has_value());
  RC_ASSERT(std::abs(*plan.number("square_fore_edge_exact") - *plan.number("square_fore_edge")) <
            1e-6);
}

TEST(Planner, keepsFormulaInputsAndReason) {
  const Plan plan = planOf(plainJob()).plan;
  const RuleSet& method = *plan.rules;
  const std::size_t node = *method.find("board_width");
  EXPECT_EQ(formulaText(plan, node), "text_width - setback + square_fore_edge");
  Job untrimmed = plainJob();
  setField(untrimmed, "allowances/trim_fore_edge", Entry{2.0, {}});
  EXPECT_EQ(formulaText(planOf(untrimmed).plan, node), "block_width - setback + square_fore_edge");
  EXPECT_FALSE(method.derived[method.nodes[node].rule].because.text.empty());
}

TEST(Planner, tellsWhatAMillimetreWouldMove) {
  Planner planner(test::shippedMethod("case-sunk-joint"));
  const Plan plan = planner.plan(plainJob()).plan;
  const std::size_t node = *plan.rules->find("board_width");
  const auto influences = planner.influences(plan, node);
  std::map<std::string, double> moved;
  for (const Influence& influence : influences)
    moved[plan.rules->nodes[influence.input].name] = std::round(influence.change * 1e9) / 1e9;
  EXPECT_EQ(
      moved,
      (std::map<std::string, double>{
          {"setback", -1}, {"square_fore_edge", 1}, {"text_width", 1}, {"trim_fore_edge", -1}}));
  // A piece's cut size goes with its exact one, whatever the steps of the rule in hand.
  const auto ofCut = planner.influences(plan, *plan.rules->find("board.cut_width"));
  ASSERT_EQ(ofCut.size(), influences.size());
  for (std::size_t i = 0; i < ofCut.size(); ++i)
    EXPECT_NEAR(ofCut[i].change, influences[i].change, 1e-9);
  // Through defaults too: a thicker text block has a thicker spine while nobody measured that.
  const auto behind = planner.influences(plan, *plan.rules->find("stiffener_width"));
  EXPECT_EQ(plan.rules->nodes[behind.front().input].name, "text_thickness");
}

// What the binder says in place of a rule: all that depends on it follows, and the rule's own
// figure is kept beside it.
RC_GTEST_PROP(AnyBook, aFixedValueIsFollowedAndTheRuleToldBesideIt, ()) {
  const Job job = *anyJob(*rc::gen::elementOf(kSchools));
  const Planner planner(test::shippedMethod(job.method));
  const Plan plan = planner.plan(job).plan;
  RC_PRE(plan.number("board_width").has_value() && plan.part("board") != nullptr);
  Overrides said;
  said.fixed["board_width"] = *plan.number("board_width") + 2.5;
  const Plan fixed = planner.plan(job, said).plan;
  RC_ASSERT(*fixed.number("board_width") == said.fixed["board_width"]);
  RC_ASSERT(fixed.byRule[*fixed.rules->find("board_width")] == *plan.number("board_width"));
  RC_ASSERT(fixed.part("board")->width.mm() == said.fixed["board_width"]);
  const auto landed = plan.number("square_fore_edge_exact"),
             moved = fixed.number("square_fore_edge_exact");
  RC_ASSERT(landed.has_value() == moved.has_value());
  if (landed) RC_ASSERT(std::abs(*moved - *landed - 2.5) < 1e-6);
  // And one that says what the rule says changes nothing.
  said.fixed["board_width"] = *plan.number("board_width");
  const Plan same = planner.plan(job, said).plan;
  for (std::size_t i = 0; i < plan.values.size(); ++i)
    RC_ASSERT(same.values[i] == plan.values[i] ||
              (std::isnan(same.values[i]) && std::isnan(plan.values[i])));
}

// A board cut short is tried as it is: the square at the fore-edge loses what the board does.
TEST(Planner, triesAPieceAsItWasCut) {
  const Planner planner(test::shippedMethod("case-sunk-joint"));
  const Plan plan = planner.plan(plainJob()).plan;
  Overrides cut;
  cut.asCut["board"].width = plan.part("board")->cutWidth - Length::fromMm(1.5);
  const Plan tried = planner.plan(plainJob(), cut).plan;
  EXPECT_DOUBLE_EQ(valueOf(tried, "square_fore_edge_tried"),
                   valueOf(plan, "square_fore_edge_tried") - 1.5);
  EXPECT_EQ(tried.part("board")->cutWidth, cut.asCut["board"].width);
  EXPECT_EQ(tried.part("board")->cutHeight, plan.part("board")->cutHeight);
  EXPECT_EQ(tried.part("board")->width, plan.part("board")->width);
}

// One planner, many threads: each plans as if alone.
TEST(Planner, servesSeveralThreadsAtOnce) {
  const Planner planner(test::shippedMethod("case-sunk-joint"));
  std::vector<std::thread> threads;
  threads.reserve(4);
  std::atomic<int> wrong = 0;
  for (int t = 0; t < 4; ++t)
    threads.emplace_back([&, t] {
      for (int n = 0; n < 200; ++n) {
        Job job = plainJob();
        const double width = 100.0 + 10 * t + n / 100.0;
        setField(job, "given/text_width", Entry{width, {}});
        if (planner.plan(job).plan.number("board_width") != width - 7 + 3) ++wrong;
      }
    });
  for (std::thread& thread : threads) thread.join();
  EXPECT_EQ(wrong, 0);
}

TEST(Planner, asksForWhatIsMissingAndPlansTheRest) {
  Job job = plainJob();
  job.given.erase("text_width");
  const auto outcome = planOf(job);
  ASSERT_EQ(outcome.issues.size(), 1U);
  EXPECT_EQ(outcome.issues.front().id.text(), "given-missing");
  EXPECT_EQ(outcome.issues.front().field, "given/text_width");
  EXPECT_TRUE(outcome.plan.number("board_height").has_value());
  EXPECT_FALSE(outcome.plan.number("board_width").has_value());
}

TEST(Planner, takesTheMeanOfReadings) {
  Job job = plainJob();
  job.given["text_width"].readings = {{143.8, "head", "rule"},
                                      {std::string("144.2 mm"), "tail", ""}};
  EXPECT_DOUBLE_EQ(valueOf(planOf(job).plan, "text_width"), 144.0);
  job.given["text_width"].readings.push_back({std::string("wide"), "", ""});
  EXPECT_EQ(planOf(job).issues.front().id.text(), "length-not-one");
}

struct Refusal {
  const char* field;
  Written value;
  const char* issue;
  friend void PrintTo(const Refusal& each, std::ostream* out) { *out << each.field; }
};

class RefusedEntry : public ::testing::TestWithParam<Refusal> {};

TEST_P(RefusedEntry, leavesAnIssueAndNoValue) {
  Job job = plainJob();
  setField(job, GetParam().field, Entry{GetParam().value, {}});
  const auto outcome = planOf(job);
  ASSERT_EQ(outcome.issues.size(), 1U) << GetParam().field;
  EXPECT_EQ(outcome.issues.front().id.text(), GetParam().issue);
  EXPECT_EQ(outcome.issues.front().field, GetParam().field);
  for (const PlannedPart& part : outcome.plan.parts) EXPECT_TRUE(std::isfinite(part.width.mm()));
}

INSTANTIATE_TEST_SUITE_P(
    Entries, RefusedEntry,
    ::testing::Values(Refusal{"given/text_height", 0.0, "value-out-of-range"},
                      Refusal{"given/text_height", -210.0, "value-out-of-range"},
                      Refusal{"given/text_height", 40000.0, "value-out-of-range"},
                      Refusal{"given/text_height", std::string("40 m"), "length-unknown-unit"},
                      Refusal{"given/text_height", std::string(""), "length-empty"},
                      Refusal{"given/text_height", std::string("high"), "length-not-one"},
                      Refusal{"given/text_height", std::string("7 3/0"), "length-zero-denominator"},
                      Refusal{"given/text_height", std::string("7 in mm"), "length-two-units"},
                      Refusal{"given/text_height", std::string("nan"), "length-not-one"},
                      Refusal{"given/text_height", std::nan(""), "value-out-of-range"},
                      Refusal{"given/text_height", HUGE_VAL, "value-out-of-range"},
                      Refusal{"given/text_hieght", 210.0, "key-unknown"},
                      Refusal{"given/spine_shape", std::string("square"), "choice-unknown"},
                      Refusal{"given/spine_shape", 1.0, "choice-unknown"},
                      Refusal{"allowances/setback", 25.1, "value-out-of-range"},
                      Refusal{"allowances/joint_gap", 6.35, "key-unknown"},
                      Refusal{"allowances/corner_ratio", std::string("1/0"),
                              "length-zero-denominator"},
                      Refusal{"allowances/corner_ratio", std::string("half"), "number-not-one"},
                      Refusal{"given/sheets", std::string("two"), "number-not-one"},
                      Refusal{"given/sheets", 2.5, "count-not-whole"},
                      Refusal{"round", 0.0, "value-out-of-range"},
                      Refusal{"round", std::string("half"), "length-not-one"}));

// The contract's ranges, both ends allowed.
TEST(JobInputs, rangesAreThoseOfTheContract) {
  const RuleSetPtr method = test::shippedMethod("case-sunk-joint");
  const auto range = [&](const char* id) {
    const InputRule* rule = method->input(id);
    return std::pair(rule->least, rule->most);
  };
  EXPECT_EQ(range("text_height"), std::pair(20.0, 1200.0));
  EXPECT_EQ(range("text_width"), std::pair(20.0, 1200.0));
  EXPECT_EQ(range("text_thickness"), std::pair(0.5, 400.0));
  EXPECT_EQ(range("board_thickness"), std::pair(0.2, 10.0));
  EXPECT_EQ(range("covering_thickness"), std::pair(0.02, 3.0));
  EXPECT_EQ(range("setback"), std::pair(0.0, 25.0));
  EXPECT_EQ(range("rod_diameter"), std::pair(0.5, 20.0));
  EXPECT_EQ(range("margin"), std::pair(1.0, 80.0));
  EXPECT_EQ(range("square_head"), std::pair(0.0, 30.0));
  EXPECT_EQ(range("corner_ratio"), std::pair(0.3, 5.0));
  EXPECT_EQ(range("flap_ratio"), std::pair(0.3, 1.0));
  const InputRule* gap = test::shippedMethod("case-fixed-gap")->input("joint_gap");
  EXPECT_EQ(std::pair(gap->least, gap->most), std::pair(0.2, 40.0));
}

// What is told of the trial and on the docket depends on what there is to tell.
TEST(Summaries, areToldWhereTheyApply) {
  const auto lines = [](const Job& job, const char* place, const char* stage) {
    std::string all;
    for (const std::string& line : summaryLines(planOf(job).plan, place, {}, stage))
      all += line + "|";
    return all;
  };
  EXPECT_THAT(lines(plainJob(), "trial", ""),
              AllOf(HasSubstr("formed under the rod"), Not(HasSubstr("without a groove"))));
  const std::string straight = lines(plainJob("case-board-gap"), "trial", "");
  EXPECT_THAT(straight, AllOf(HasSubstr("without a groove"), Not(HasSubstr("formed under"))));
  EXPECT_EQ(lines(plainJob(), "docket", "measure"), "210 × 144 × 25|");
  for (const char* unmeasured : {"text_height", "text_width", "text_thickness"}) {
    Job job = plainJob();
    job.given.erase(unmeasured);
    EXPECT_EQ(lines(job, "docket", "measure"), "") << unmeasured;
  }
  Job blank = plainJob("case-board-gap");
  blank.given.clear();
  EXPECT_EQ(lines(blank, "trial", ""), "");
}

TakesAllowance among(const std::vector<std::string>& keys) {
  return [keys](const std::string& key, const Entry&) {
    return std::find(keys.begin(), keys.end(), key) != keys.end();
  };
}

TEST(JobField, anotherMethodPutsTheAllowancesAway) {
  Job job = plainJob();
  setField(job, "allowances/setback", Entry{6.0, {}});
  setField(job, "allowances/margin", Entry{15.0, {}});
  setMethod(job, "case-fixed-gap", among({"margin", "joint_gap"}));
  EXPECT_EQ(job.method, "case-fixed-gap");
  EXPECT_EQ(job.allowances.count("setback"), 0U);
  EXPECT_EQ(job.allowances.count("margin"), 1U);  // both know it
  setField(job, "allowances/joint_gap", Entry{7.0, {}});
  setMethod(job, "case-sunk-joint", among({"margin", "setback"}));
  EXPECT_EQ(fieldValue(job, "allowances/setback"), FieldValue(Entry{6.0, {}}));
  EXPECT_EQ(job.otherAllowances["case-fixed-gap"].count("joint_gap"), 1U);
  EXPECT_EQ(fieldValue(job, "nothing/like/it"), std::nullopt);
}

// What is not sound waits on, whatever is said in the meantime.
TEST(JobField, whatIsNotSoundStaysWhereItIs) {
  Job job = plainJob();
  job.otherAllowances["case-fixed-gap"] = {{"joint_gap", {7.0, {}}}, {"gap", {99.0, {}}}};
  setMethod(job, "case-fixed-gap", among({"joint_gap"}));
  EXPECT_EQ(job.allowances, (Entries{{"joint_gap", {7.0, {}}}}));
  EXPECT_EQ(job.otherAllowances.at("case-fixed-gap"), (Entries{{"gap", {99.0, {}}}}));
  setField(job, "allowances/joint_gap", Entry{8.0, {}});
  setMethod(job, "case-sunk-joint", among({}));
  EXPECT_EQ(job.otherAllowances.at("case-fixed-gap"),
            (Entries{{"joint_gap", {8.0, {}}}, {"gap", {99.0, {}}}}));
}

}  // namespace
}  // namespace drapery
