// A plan run backwards.
#include "core/plan/solve.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

#include "core/plan/job_field.h"
#include "core/plan/job_inputs.h"
#include "core/plan/reshape.h"
#include "tests/support/books.h"
#include "words/issue_words.h"

namespace drapery {
namespace {

const std::vector<std::string> kShapes{"flat", "rounded", "backed"};

using test::kSchools;
using test::plainJob;
using test::shippedMethod;
using test::valueOf;
using ::testing::HasSubstr;

const std::vector<std::pair<std::string, std::string>> kPairs{
    {"text_width", "board_width"},        {"square_fore_edge", "board_width"},
    {"text_thickness", "covering_width"}, {"board_thickness", "covering_width"},
    {"round_depth", "stiffener_width"},   {"margin", "corner_leg"},
    {"text_width", "jacket_flap"},        {"square_head", "outside_height"},
    {"rod_diameter", "gap_formed"},       {"text_width", "endpaper_width"},
    {"board_thickness", "opening_angle"}, {"corner_ratio", "corner_distance"}};

bool holds(const Solution& solution, double x) {
  return solution.from - 1e-5 <= x && x <= solution.to + 1e-5;
}

// Whatever figure some value of the input gives is found again: with a solution that gives it, and
// with that value among them all.
RC_GTEST_PROP(Solve, findsWhatThereIs, ()) {
  Job job = plainJob(*rc::gen::elementOf(kSchools));
  job.given["spine_shape"] = {*rc::gen::elementOf(kShapes), {}};
  job.allowances["with_jacket"] = {std::string("with"), {}};
  const Planner planner(shippedMethod(job.method));
  const auto [change, target] = *rc::gen::elementOf(kPairs);
  const InputRule& rule = *planner.rules()->input(change);
  const double part = *rc::gen::inRange(0, 10001) / 10000.0;
  const double x = rule.least + (rule.most - rule.least) * part;
  Job there = job;
  setField(there, fieldOf(rule), Entry{x, {}});
  const PlanOutcome wanted = planner.plan(there);
  RC_PRE(wanted.plan.number(target).has_value());
  const auto solved = solve(job, planner, {{change, target, *wanted.plan.number(target)}});
  if (const auto* issue = std::get_if<Issue>(&solved)) {
    // A round on a flat spine has no effect.
    const bool hasNone = issue->id == "solve-no-effect";
    RC_PRE(!hasNone);
    RC_FAIL(change + " " + std::to_string(x) + ": " + issueWords(*issue, {}));
  }
  const SolvedJob& result = std::get<SolvedJob>(solved);
  const Solved& found = result.solved.front();
  const auto again = planner.plan(result.job).plan.number(target);
  RC_ASSERT(again.has_value());
  RC_ASSERT(std::abs(*again - found.wanted.figure) <=
            1e-6 * std::max(1.0, std::abs(found.wanted.figure)));
  const bool isAmong = holds(found.nearest, x) ||
                       std::any_of(found.others.begin(), found.others.end(),
                                   [&](const Solution& other) { return holds(other, x); });
  if (!isAmong) RC_FAIL(change + " " + std::to_string(x) + " is not among the solutions");
}

// A round is no deeper than half a circle: close under that it is found too.
TEST(Solve, looksUpToWhereAValueEnds) {
  Job job = plainJob("case-fixed-gap");
  job.given["spine_shape"] = {std::string("backed"), {}};
  const Planner planner(shippedMethod(job.method));
  const auto solved = solve(job, planner, {{"round_depth", "stiffener_width", 52.03}});
  ASSERT_TRUE(std::holds_alternative<SolvedJob>(solved));
  EXPECT_NEAR(std::get<SolvedJob>(solved).solved.front().nearest.from, 16.0415, 1e-3);
}

Solved solvedOf(const Job& job, const Wanted& wanted) {
  const auto solved = solve(job, Planner(shippedMethod(job.method)), {wanted});
  if (const auto* issue = std::get_if<Issue>(&solved)) {
    ADD_FAILURE() << issueWords(*issue, {});
    return {};
  }
  return std::get<SolvedJob>(solved).solved.front();
}

std::string refusal(const Job& job, const Wanted& wanted) {
  const auto solved = solve(job, Planner(shippedMethod(job.method)), {wanted});
  const auto* issue = std::get_if<Issue>(&solved);
  return issue != nullptr ? issueWords(*issue, {}) : std::string("solved");
}

// By hand: 144 - setback + 3 = 139.7.
TEST(Solve, asABinderWould) {
  EXPECT_NEAR(solvedOf(plainJob(), {"setback", "board_width", 139.7}).value, 7.3, 1e-9);
  // A flap of two thirds is never over 100: from some width on any leaf has it.
  const Solved flap = solvedOf(plainJob(), {"text_width", "jacket_flap", 100.0});
  EXPECT_TRUE(flap.nearest.isPlateau());
  EXPECT_DOUBLE_EQ(flap.value, 144.0);
  // 2/3 (text_width + 3 + 2.4 + 2.4 + 0.8) = 100
  EXPECT_NEAR(flap.nearest.from, 141.4, 1e-6);
  EXPECT_NEAR(flap.nearest.to, 1200.0, 1e-6);
  // Two set-backs leave the same gap to open: on either side of the stiffener's own thickness.
  const Solved two = solvedOf(plainJob(), {"setback", "gap_to_open", std::hypot(2.0, 2.4)});
  ASSERT_EQ(two.others.size(), 1U);
  EXPECT_NEAR(two.value, 4.4, 1e-6);
  EXPECT_NEAR(two.others[0].from, 0.4, 1e-6);
  // One touches: nowhere is it less than at a set-back as wide as the stiffener.
  const Solved one = solvedOf(plainJob(), {"setback", "gap_to_open", 2.4});
  EXPECT_NEAR(one.value, 2.4, 1e-3);
}

TEST(Solve, saysWhyNot) {
  EXPECT_THAT(refusal(plainJob(), {"setbak", "board_width", 1}), HasSubstr("mean \"setback\""));
  EXPECT_THAT(refusal(plainJob(), {"setback", "bord_width", 1}), HasSubstr("mean \"board_width\""));
  EXPECT_THAT(refusal(plainJob(), {"setback", "board.cut_width", 140}), HasSubstr("in steps"));
  EXPECT_THAT(refusal(plainJob(), {"setback", "square_fore_edge_tried", 3}), HasSubstr("in steps"));
  EXPECT_THAT(refusal(plainJob(), {"setback", "joint_gap_cut", 10}), HasSubstr("in steps"));
  EXPECT_THAT(refusal(plainJob(), {"tape_count", "tape_across", 10}), HasSubstr("whole steps"));
  EXPECT_THAT(refusal(plainJob(), {"spine_shape", "board_width", 10}), HasSubstr("whole steps"));
  EXPECT_EQ(refusal(plainJob(), {"setback", "board_height", 210}),
            "setback does not move board_height on this book");
  // On a flat spine there is no round.
  EXPECT_THAT(refusal(plainJob(), {"round_depth", "stiffener_width", 30}),
              HasSubstr("does not move"));
  EXPECT_EQ(refusal(plainJob(), {"setback", "board_width", 90}),
            "board_width: no setback from 0 mm to 25 mm gives 90 mm; nearest is 25 mm, which gives "
            "122 mm");
  Job fixed = plainJob();
  setField(fixed, "fixed/board_width", Entry{140.0, {}});
  EXPECT_THAT(refusal(fixed, {"setback", "board_width", 140}), HasSubstr("does not move"));
}

// From a wanted outside size inward: two pairs, one after the other.
TEST(Solve, fromTheOutsideInward) {
  const Planner planner(shippedMethod("case-sunk-joint"));
  const auto solved =
      solve(plainJob(), planner,
            {{"text_height", "outside_height", 240.0}, {"text_width", "outside_width", 170.0}});
  ASSERT_TRUE(std::holds_alternative<SolvedJob>(solved));
  const Plan plan = planner.plan(std::get<SolvedJob>(solved).job).plan;
  EXPECT_NEAR(valueOf(plan, "outside_height"), 240.0, 1e-9);
  EXPECT_NEAR(valueOf(plan, "outside_width"), 170.0, 1e-9);
  EXPECT_NEAR(valueOf(plan, "text_height"), 240.0 - 0.8 - 6.0, 1e-9);
}

TEST(Reshape, keepsTheProportions) {
  const Planner planner(shippedMethod("case-sunk-joint"));
  Job job = plainJob();
  job.given["text_width"] = test::entryOf("143 | 145");
  const auto larger = rescaled(job, planner, "text_height", 420.0);
  ASSERT_TRUE(larger.has_value());
  const Plan plan = planner.plan(*larger).plan;
  EXPECT_DOUBLE_EQ(valueOf(plan, "text_height"), 420.0);
  EXPECT_DOUBLE_EQ(valueOf(plan, "text_width"), 288.0);
  EXPECT_DOUBLE_EQ(plan.readings[0].spread(), 0.0);
  EXPECT_DOUBLE_EQ(valueOf(plan, "text_thickness"), 25.0);
  EXPECT_EQ(rescaled(job, planner, "setback", 9.0), std::nullopt);
  const auto like =
      likeModel(job, planner, {{"text_height", 200}, {"text_width", 130}}, "text_height", 210.0);
  ASSERT_TRUE(like.has_value());
  EXPECT_DOUBLE_EQ(valueOf(planner.plan(*like).plan, "text_width"), 136.5);
}

}  // namespace
}  // namespace drapery
