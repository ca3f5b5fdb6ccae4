// What gives way when a computed figure is said over, and readings one by one.
#include "core/plan/give_way.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <array>
#include <cmath>

#include "store/job_file.h"
#include "tests/support/books.h"

namespace drapery {
namespace {

using test::anyJob;
using test::kSchools;
using test::plainJob;
using test::shippedMethod;
using test::valueOf;

Job with(Job job, const GivingWay& way) {
  setField(job, way.field, way.becomes);
  return job;
}

// Whatever gives way, the value then is what was said, and no figure that was measured moved. What
// cannot is told with the figure that it comes to.
RC_GTEST_PROP(GiveWay, bringsWhatWasSaidAndMovesNothingMeasured, ()) {
  const std::string school = *rc::gen::elementOf(kSchools);
  const Planner planner(shippedMethod(school));
  const Job job = *anyJob(school);
  const Plan plan = planner.plan(job).plan;
  const std::string value = *rc::gen::elementOf(std::vector<std::string>{
      "board_width", "board_height", "covering_width", "stiffener_width", "joint_gap"});
  const auto node = plan.rules->find(value);
  RC_PRE(node && canBeSaid(*plan.rules, *node) && !std::isnan(plan.values[*node]));
  const double figure = plan.values[*node] * *rc::gen::inRange(960, 1040) / 1000.0;
  for (const GivingWay& way : whatCouldGiveWay(job, planner, value, figure)) {
    const InputRule& rule = plan.rules->inputs[plan.rules->nodes[way.input].rule];
    RC_ASSERT(rule.role == InputRole::Allowance || !plan.entered[way.input]);
    if (!way.becomes) {
      RC_ASSERT(std::abs(*way.reaches - figure) > 1e-9);
      continue;
    }
    const PlanOutcome after = planner.plan(with(job, way));
    RC_ASSERT(std::abs(valueOf(after.plan, value) - figure) < 1e-6);
    // What has no place on the book any more goes by its rule.
    for (const std::size_t input : plan.rules->inputNodes)
      if (plan.entered[input] && plan.counts[input] && after.plan.counts[input] &&
          input != way.input && !std::isnan(plan.values[input]))
        RC_ASSERT(after.plan.values[input] == plan.values[input]);
  }
}

// Worked by hand: the board is as wide as the leaves and the square, less the set-back.
TEST(GiveWay, namesWhatABoardsWidthHangsOn) {
  const Planner planner(shippedMethod("case-sunk-joint"));
  const Job job = plainJob();
  const Plan plan = planner.plan(job).plan;
  const double figure = valueOf(plan, "board_width") - 1.5;
  std::map<std::string, double> ways;
  for (const GivingWay& way : whatCouldGiveWay(job, planner, "board_width", figure))
    if (way.becomes) ways[plan.rules->nodes[way.input].name] = way.figure;
  EXPECT_NEAR(ways.at("square_fore_edge"), valueOf(plan, "square_fore_edge") - 1.5, 1e-9);
  EXPECT_NEAR(ways.at("setback"), valueOf(plan, "setback") + 1.5, 1e-9);
  EXPECT_FALSE(ways.contains("text_width"));
}

TEST(GiveWay, aMeasureThatIsOnlyPlannedMayAndStaysAPlan) {
  const Planner planner(shippedMethod("case-sunk-joint"));
  Job job = plainJob();
  setField(job, "given/text_width", std::nullopt);
  setField(job, "given/text_width@head", readingEntry(std::string("140 mm"), "planned"));
  const Plan plan = planner.plan(job).plan;
  const auto width = plan.rules->find("text_width");
  ASSERT_TRUE(plan.isPlanned(*width));
  const double figure = valueOf(plan, "board_width") + 3;
  for (const GivingWay& way : whatCouldGiveWay(job, planner, "board_width", figure)) {
    if (way.input != *width) continue;
    EXPECT_NEAR(way.figure, 143, 1e-9);
    EXPECT_TRUE(planner.plan(with(job, way)).plan.isPlanned(*width));
    return;
  }
  FAIL() << "a planned width was not offered";
}

TEST(GiveWay, nothingDoesForTheTrialAndForWhatIsCut) {
  const Planner planner(shippedMethod("case-sunk-joint"));
  for (const char* value : {"square_fore_edge_tried", "board.cut_width", "text_width", "no_such"})
    EXPECT_TRUE(whatCouldGiveWay(plainJob(), planner, value, 100).empty()) << value;
}

// Readings are set, changed and forgotten by their names; the file gives back what was said.
RC_GTEST_PROP(ReadingFields, areAMapByTheirNames, ()) {
  Job job = plainJob();
  setField(job, "given/text_height", std::nullopt);
  std::map<std::string, std::pair<double, std::string>> model;
  const auto edits = *rc::gen::container<std::vector<int>>(rc::gen::inRange(0, 400));
  for (const int edit : edits) {
    const std::string place =
        std::array{"spine", "middle", "fore-edge"}[static_cast<std::size_t>(edit) % 3];
    const std::string field = "given/text_height@" + place;
    const std::string by = edit % 2 == 0 ? "rule" : "";
    if (edit % 5 == 0) {
      setField(job, field, std::nullopt);
      model.erase(place);
    } else {
      setField(job, field, readingEntry(200.0 + edit, by));
      model[place] = {200.0 + edit, by};
    }
    RC_ASSERT(job.given.contains("text_height") == !model.empty());
    for (const char* each : {"spine", "middle", "fore-edge"}) {
      const FieldValue value = fieldValue(job, std::string("given/text_height@") + each);
      RC_ASSERT(value.has_value() == model.contains(each));
      if (!value) continue;
      RC_ASSERT(value->readings.front().value == Written(model.at(each).first));
      RC_ASSERT(value->readings.front().by == model.at(each).second);
    }
  }
  const JobDocument read = readJob(writeJob(job), "job.json");
  RC_ASSERT(read.job->given == job.given);
}

TEST(ReadingFields, aPlainFigureBecomesOneOfThemAndIsNotLost) {
  Job job = plainJob();
  setField(job, "given/text_height@spine", readingEntry(211.0, "rule"));
  const auto& readings = job.given.at("text_height").readings;
  ASSERT_EQ(readings.size(), 2U);
  EXPECT_EQ(readings[0].at, "");
  EXPECT_EQ(readings[1].at, "spine");
  EXPECT_NEAR(valueOf(test::planOf(job).plan, "text_height"), (210 + 211) / 2.0, 1e-9);
  setField(job, "given/text_height@1", std::nullopt);
  EXPECT_EQ(job.given.at("text_height").readings.size(), 1U);
}

// Two readings at one place: the second goes by its number, so that both can be reached.
TEST(ReadingFields, asManyAsThereAreHaveNamesOfTheirOwn) {
  Entry entry;
  entry.readings = {{1.0, "head", ""}, {2.0, "head", ""}, {3.0, "", ""}, {4.0, "7", ""}};
  EXPECT_EQ(readingNames(entry), (std::vector<std::string>{"head", "2", "3", "4"}));
}

TEST(Why, isForgottenWithItsMethodAndKeptInTheFile) {
  Job job = plainJob();
  setField(job, "why", Entry{std::string("the client's others are so"), {}});
  EXPECT_EQ(readJob(writeJob(job), "job.json").job->why, "the client's others are so");
  setField(job, "method", Entry{std::string("case-fixed-gap"), {}});
  EXPECT_EQ(job.why, "");
  EXPECT_EQ(writeJob(job).find("\"why\""), std::string::npos);
}

// On a block that lies there nothing of it gives way, not even what nobody said.
TEST(GiveWay, onABlockThatIsThereOnlyDecisionsDo) {
  const Planner planner(shippedMethod("case-sunk-joint"));
  const Job job = plainJob();
  const Plan plan = planner.plan(job).plan;
  std::size_t ways = 0;
  for (const char* value : {"board_width", "stiffener_width", "covering_width"})
    for (const GivingWay& way : whatCouldGiveWay(job, planner, value, valueOf(plan, value) + 0.5)) {
      ++ways;
      EXPECT_TRUE(way.field.starts_with("allowances/")) << value << " " << way.field;
    }
  EXPECT_GT(ways, 3U);
}

// Measured at last: what was planned stays in the file and counts no more.
TEST(ReadingFields, whatIsMeasuredCountsAndNotWhatWasPlanned) {
  const RuleSetPtr rules = shippedMethod("case-sunk-joint");
  Job job = plainJob();
  setField(job, "given/text_height", decidedEntry(*rules, *rules->input("text_height"), 200.0));
  const Plan before = test::planOf(job).plan;
  const auto node = *before.rules->find("text_height");
  EXPECT_TRUE(before.isPlanned(node));
  EXPECT_NEAR(valueOf(before, "text_height"), 200, 1e-9);
  setField(job, "given/text_height@spine", readingEntry(212.0, "rule"));
  setField(job, "given/text_height@middle", readingEntry(213.0, "rule"));
  const Plan plan = test::planOf(job).plan;
  EXPECT_TRUE(plan.isMeasured(node));
  EXPECT_NEAR(valueOf(plan, "text_height"), 212.5, 1e-9);
  EXPECT_EQ(plan.eachReading.size(), 3U);
  EXPECT_EQ(plan.readings[plan.rules->nodes[node].rule].count, 2);
}

}  // namespace
}  // namespace drapery
