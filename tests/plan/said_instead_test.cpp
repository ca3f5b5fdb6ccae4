// What the binder says instead of having it computed, pieces as they are, copies, twins in inches;
// and the methods side by side.
#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

#include "core/plan/compare.h"
#include "core/plan/job_field.h"
#include "core/plan/job_overrides.h"
#include "store/job_file.h"
#include "tests/support/books.h"
#include "words/issue_words.h"

namespace drapery {
namespace {

const std::vector<std::string> kShapes{"flat", "rounded", "backed"};

using test::kSchools;
using test::plainJob;
using test::planOf;
using test::shippedMethod;
using test::valueOf;
using ::testing::ElementsAre;
using ::testing::HasSubstr;
using ::testing::IsEmpty;

Job saying(const std::string& field, const Written& value, Job job = plainJob()) {
  setField(job, field, Entry{value, {}});
  return job;
}

std::vector<std::string> issuesOf(const Job& job) {
  std::vector<std::string> words;
  for (const Issue& issue : planOf(job).issues) words.push_back(issueWords(issue, {}));
  return words;
}

TEST(SaidInstead, isFollowedAndTheRuleStandsBesideIt) {
  const Plan plan = planOf(saying("fixed/board_width", std::string("5 1/2 in"))).plan;
  const std::size_t node = *plan.rules->find("board_width");
  EXPECT_DOUBLE_EQ(plan.values[node], 139.7);
  EXPECT_DOUBLE_EQ(plan.byRule[node], 140.0);
  EXPECT_TRUE(plan.isFixed(node));
  EXPECT_NEAR(valueOf(plan, "square_fore_edge_exact"), 2.7, 1e-9);
  EXPECT_NEAR(valueOf(plan, "case_width"), 2 * (139.7 + valueOf(plan, "joint_gap")) + 25, 1e-9);
  // What has no place on the book is not said either.
  EXPECT_FALSE(planOf(saying("fixed/cloth_shown", 30.0)).plan.number("cloth_shown"));
}

TEST(SaidInstead, isRefusedWithWhatIsAllowed) {
  EXPECT_THAT(issuesOf(saying("fixed/bord_width", 140.0)),
              ElementsAre("\"bord_width\" is not known in fixed; did you mean \"board_width\"?"));
  EXPECT_THAT(issuesOf(saying("fixed/setback", 7.0)),
              ElementsAre("setback is not computed by this method; say it in allowances"));
  EXPECT_THAT(issuesOf(saying("fixed/joint_gap", 40.5)),
              ElementsAre("joint_gap: 40.5 is not allowed; from 0.2 mm to 40 mm"));
  EXPECT_THAT(issuesOf(saying("fixed/board_width", 0.0)),
              ElementsAre("board_width: 0 mm is not allowed; more than 0, up to 3000 mm"));
  EXPECT_THAT(issuesOf(saying("fixed/case_width", 0.0)), IsEmpty());
  EXPECT_THAT(issuesOf(saying("fixed/case_width", 3000.5)),
              ElementsAre("case_width: 3000.5 is not allowed; from 0 mm to 3000 mm"));
  EXPECT_THAT(issuesOf(saying("as_cut/bord/width", 140.0)),
              ElementsAre("\"bord\" is not known in as_cut; did you mean \"board\"?"));
  EXPECT_THAT(issuesOf(saying("as_cut/board/widht", 140.0)),
              ElementsAre("\"widht\" is not known in as_cut; did you mean \"width\"?"));
  EXPECT_THAT(issuesOf(saying("as_cut/board/width", 0.0)),
              ElementsAre("board.width: 0 mm is not allowed; more than 0, up to 3000 mm"));
  EXPECT_THAT(issuesOf(saying("copies", 0.0)),
              ElementsAre("copies: 0 is not allowed; from 1 to 10000"));
  EXPECT_THAT(issuesOf(saying("copies", 2.5)),
              ElementsAre("copies: 2.5 is not allowed; a whole number is needed"));
  EXPECT_THAT(issuesOf(saying("copies", std::string("10000"))), IsEmpty());
}

// A usual value that comes out of its range is refused like one that was said.
TEST(Supposed, isHeldToItsRange) {
  Job job = plainJob();
  job.given["spine_shape"] = {std::string("backed"), {}};
  job.given["board_thickness"] = {5.0, {}};
  EXPECT_THAT(
      issuesOf(saying("allowances/shoulder_ratio", 4.1, job)),
      ElementsAre("shoulder_height: not said, and shoulder_ratio * board_thickness comes to "
                  "20.5 mm, which is not allowed; from 0 mm to 20 mm"));
  EXPECT_THAT(issuesOf(saying("allowances/shoulder_ratio", 4.0, job)), IsEmpty());
}

// Written and read again, nothing is lost; what is not said is not written.
RC_GTEST_PROP(SaidInstead, isKeptInTheFile, ()) {
  Job job = plainJob();
  if (*rc::gen::arbitrary<bool>())
    setField(job, "copies", Entry{double(*rc::gen::inRange(1, 9)), {}});
  for (const char* field : {"fixed/board_width", "fixed/joint_gap", "as_cut/board/width",
                            "as_cut/board/height", "as_cut/stiffener/width"})
    if (*rc::gen::arbitrary<bool>())
      setField(job, field, Entry{*rc::gen::inRange(10, 300) / 10.0, {}});
  const JobDocument again = readJob(writeJob(job), "job.json");
  RC_ASSERT(again.issues.empty() && again.job.has_value());
  RC_ASSERT(again.job->fixed == job.fixed);
  RC_ASSERT(again.job->asCut == job.asCut);
  RC_ASSERT(again.job->copies == job.copies);
  // And taken back one by one nothing of them is left.
  Job bare = job;
  for (const char* field : {"copies", "fixed/board_width", "fixed/joint_gap", "as_cut/board/width",
                            "as_cut/board/height", "as_cut/stiffener/width"})
    setField(bare, field, std::nullopt);
  RC_ASSERT(writeJob(bare) == writeJob(plainJob()));
}

// In a job in inches what is left to its default is a round figure in inches, and switching the
// unit with what was supposed written down moves no size.
RC_GTEST_PROP(Twins, followTheJobAndMoveNothingWhenItIsSwitched, ()) {
  Job job = plainJob(*rc::gen::elementOf(kSchools));
  job.units = *rc::gen::element(Units::Millimetres, Units::Inches);
  job.given["spine_shape"] = {*rc::gen::elementOf(kShapes), {}};
  const Plan before = planOf(job).plan;
  for (const auto& [field, value] : supposedWithTwins(before))
    setField(job, field, Entry{value, {}});
  job.units = job.units == Units::Inches ? Units::Millimetres : Units::Inches;
  job.round = before.resolution.mm();
  const Plan after = planOf(job).plan;
  for (std::size_t i = 0; i < before.values.size(); ++i) {
    if (before.rules->nodes[i].source == ValueNode::Source::Said) continue;
    RC_ASSERT(before.values[i] == after.values[i] ||
              (std::isnan(before.values[i]) && std::isnan(after.values[i])));
  }
}

TEST(Twins, areRoundFigures) {
  Job job = plainJob();
  job.units = Units::Inches;
  const Plan plan = planOf(job).plan;
  for (const auto& [id, inches] : std::map<std::string, double>{{"square_head", 1.0 / 8},
                                                                {"setback", 1.0 / 4},
                                                                {"rod_diameter", 5.0 / 32},
                                                                {"margin", 3.0 / 4},
                                                                {"margin_head", 3.0 / 4},
                                                                {"paste_down_lap", 1.0 / 8},
                                                                {"corner_least", 3.0 / 32},
                                                                {"mull_trim", 1.0},
                                                                {"side_lap", 3.0 / 16},
                                                                {"flap_min", 3.0},
                                                                {"flap_max", 4.0},
                                                                {"jacket_clearance", 1.0 / 32},
                                                                {"covering_thickness", 1.0 / 64},
                                                                {"square_least", 1.0 / 16}})
    EXPECT_NEAR(valueOf(plan, id), inches * 25.4, 1e-9) << id;
  job.method = "case-card";
  const Plan card = planOf(job).plan;
  EXPECT_NEAR(valueOf(card, "margin"), 25.4 / 8, 1e-9);
  EXPECT_NEAR(valueOf(card, "joint_gap"), 25.4 / 32, 1e-9);
  EXPECT_EQ(valueOf(card, "square_head"), 0.0);  // the card's own has no twin
}

// Each method's column is the plan of the job under that method.
RC_GTEST_PROP(Compare, isEveryMethodsOwnPlan, ()) {
  const Job job = *test::anyJob(*rc::gen::elementOf(kSchools));
  static const RuleLibrary library;
  const Comparison all = compareMethods(job, library);
  RC_ASSERT(all.methods.size() == kSchools.size());
  for (const ComparedMethod& method : all.methods) {
    const Job other = underMethod(job, *method.rules, *library.catalogue());
    RC_ASSERT(other.method == method.rules->id);
    const PlanOutcome plan = Planner(method.rules, library.catalogue()).plan(other);
    RC_ASSERT(plan.issues.size() == method.issues.size());
    for (std::size_t i = 0; i < plan.plan.values.size(); ++i)
      RC_ASSERT(plan.plan.values[i] == method.plan.values[i] ||
                (std::isnan(plan.plan.values[i]) && std::isnan(method.plan.values[i])));
  }
}

TEST(Compare, takesAlongWhatIsSaidInstead) {
  Job job = saying("fixed/joint_gap", 9.0);
  setField(job, "fixed/board_width", Entry{141.0, {}});
  setField(job, "as_cut/board/width", Entry{140.0, {}});
  const RuleLibrary library;
  for (const ComparedMethod& method : compareMethods(job, library).methods) {
    EXPECT_THAT(method.issues, IsEmpty()) << method.rules->id;
    EXPECT_DOUBLE_EQ(valueOf(method.plan, "board_width"), 141.0) << method.rules->id;
    EXPECT_DOUBLE_EQ(valueOf(method.plan, "joint_gap"), 9.0) << method.rules->id;
  }
  const Comparison plain = compareMethods(plainJob(), library);
  EXPECT_THAT(plain.differing, ::testing::Contains("setback"));
  EXPECT_THAT(plain.differing, ::testing::Not(::testing::Contains("square_tail")));
}

}  // namespace
}  // namespace drapery
