// What is told at the bench can be set on the rule in hand.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <regex>

#include "tests/support/books.h"
#include "words/finding_words.h"

namespace drapery::test {
namespace {

/// Every length in mm that is told.
std::vector<double> lengthsIn(const std::string& words) {
  static const std::regex kLength("([0-9]+(?:\\.[0-9]+)?)(?= mm)");
  std::vector<double> lengths;
  for (std::sregex_iterator at(words.begin(), words.end(), kLength), end; at != end; ++at)
    lengths.push_back(std::stod(at->str()));
  return lengths;
}

RC_GTEST_PROP(AnyStep, tellsLengthsThatAreOnTheRule, ()) {
  Job job = *anyJob(*rc::gen::elementOf(kMethods));
  job.units = Units::Millimetres;
  const double rule = *rc::gen::element(0.5, 1.0, 2.0);
  job.round = rule;
  const Plan plan = planOf(job).plan;
  const Notation mm{Units::Millimetres, plan.resolution, '.'};
  for (const PlannedStep& step : plan.steps)
    for (const double length : lengthsIn(stepDoes(step, mm))) {
      RC_LOG() << plan.rules->id << ": " << stepDoes(step, mm) << "\n";
      const double marks = length / rule;
      RC_ASSERT(std::abs(marks - std::round(marks)) < 1e-6);
    }
}

RC_GTEST_PROP(AnyStep, tellsInchesThatAreOnTheRule, ()) {
  Job job = *anyJob(*rc::gen::elementOf(kMethods));
  job.units = Units::Inches;
  job.round.reset();
  const Plan plan = planOf(job).plan;
  const Notation inches{Units::Inches, plan.resolution, '.'};
  for (const PlannedStep& step : plan.steps)
    RC_ASSERT(stepDoes(step, inches).find("≈") == std::string::npos);
}

// The first strip's folds and the last one's, each at a whole number of pages from its end.
RC_GTEST_PROP(JoinedStrips, tellEveryFold, ()) {
  Job job = plainJob("concertina");
  job.round = 0.5;
  job.given["pictures"] = {double(*rc::gen::inRange(3, 40)), {}};
  job.given["picture_width"] = {double(*rc::gen::inRange(60, 200)), {}};
  job.given["stock_length"] = {double(*rc::gen::inRange(500, 1200)), {}};
  const Plan plan = planOf(job).plan;
  const double page = *plan.number("page_width"), joins = plan.number("joins").value_or(0.0);
  const Notation mm{Units::Millimetres, plan.resolution, '.'};
  std::vector<double> first, last;
  for (const PlannedMark& mark : plan.marks) {
    const std::string words = markSays(mark, mm);
    if (mark.rule->id == "joined-fold-marked") first.push_back(lengthsIn(words).at(0));
    if (mark.rule->id == "fold-marked") last.push_back(lengthsIn(words).at(0));
  }
  RC_ASSERT(first.empty() == !(joins >= 1.0));
  for (const auto* folds : {&first, &last})
    for (std::size_t i = 0; i < folds->size(); ++i)
      RC_ASSERT(std::abs((*folds)[i] - double(i + 1) * page) <= 0.25 + 1e-9);
  // Whatever the joint: folded on every mark, as many panels stand as are wanted.
  if (joins < 1.0) RC_ASSERT(double(last.size()) + 1 == *plan.number("panels"));
}

}  // namespace
}  // namespace drapery::test
