#include "core/sewing/sew_sections.h"

#include <algorithm>

#include "core/plan/planner.h"

namespace drapery {

namespace {

/// In the fold, after a run that ends beside a tape; never at a kettle.
std::vector<bool> joinsOf(const std::vector<TapeStep>& steps, int last) {
  std::vector<bool> joins;
  joins.reserve(steps.size());
  for (const TapeStep& step : steps)
    joins.push_back(step.what == TapeStep::Do::Run && step.station != 1 && step.station != last);
  return joins;
}

}  // namespace

double lengthOf(const SewnLink& sewn, const LinkRow& row, const LinkStep& step) {
  const auto number = [&](const char* name) { return sewn.plan.number(name).value_or(0.0); };
  switch (step.what) {
    case LinkStep::Do::Pass:
      return number("fold_pass");
    case LinkStep::Do::Loop:
      return number(row.end == Round::Head ? "loop_head" : "loop_tail");
    case LinkStep::Do::Bridge:
      return number("bridge");
    case LinkStep::Do::Link:
      return number("link");
    case LinkStep::Do::Knot:
      break;
  }
  return 0.0;
}

std::variant<SewnLink, Issues> sewLink(const RuleSetPtr& rules, const SewingJob& job) {
  PlanOutcome outcome = Planner(rules).plan(planningJob(job, *rules));
  if (!outcome.issues.empty()) return std::move(outcome.issues);
  const Plan& plan = outcome.plan;
  const auto number = [&](const char* name) { return plan.number(name).value_or(0.0); };
  SewnLink sewn;
  sewn.height = number("leaf_height");
  sewn.slotHead = number("slot_head");
  sewn.slotTail = number("slot_tail");
  sewn.rows = linkRows(static_cast<int>(number("sections")), job.hand);
  sewn.plan = std::move(outcome.plan);
  return sewn;
}

std::variant<SewnTapes, Issues> sewTapes(const RuleSetPtr& rules, const SewingJob& job) {
  const Planner planner(rules);
  Job asked = planningJob(job, *rules);
  asked.given.insert_or_assign("join_count", Entry{0.0, {}});
  PlanOutcome outcome = planner.plan(asked);
  if (!outcome.issues.empty()) return std::move(outcome.issues);
  SewnTapes sewn;
  sewn.plan = std::move(outcome.plan);
  const auto number = [&](const char* name) { return sewn.plan.number(name).value_or(0.0); };
  const int tapes = static_cast<int>(number("tapes"));
  const double height = number("leaf_height"), width = number("tape_width");
  sewn.height = height;
  sewn.sections = static_cast<int>(number("sections"));
  sewn.stations = tapeStations({number("kettle_head"), height - number("kettle_tail"),
                                number("first_tape"), number("tape_spacing"), tapes, width});
  double from = 0.0;
  for (int tape = 1; tape <= tapes; ++tape) {
    const auto upper = static_cast<std::size_t>(2 * tape - 1);
    sewn.strips.emplace_back(from, sewn.stations[upper]);
    from = sewn.stations[upper + 1];
  }
  sewn.strips.emplace_back(from, height);
  const TapeSizes sizes{sewn.sections,
                        tapes,
                        sewn.stations,
                        width,
                        number("tape_thickness"),
                        number("fold_pass"),
                        number("section_pitch"),
                        number("kettle")};
  sewn.steps = tapePath(sizes, job.hand);
  std::vector<double> lengths;
  lengths.reserve(sewn.steps.size());
  for (const TapeStep& step : sewn.steps) lengths.push_back(step.length);
  const ThreadTails tails{number("start_tail"), number("end_tail"), number("knot"),
                          number("join_tail"),  number("ease"),     number("thread_longest")};
  sewn.pieces = threadPieces(lengths, joinsOf(sewn.steps, 2 * tapes + 2), 1, lengths.size(), tails);
  if (sewn.pieces.size() > 1) {
    asked.given.insert_or_assign("join_count",
                                 Entry{static_cast<double>(sewn.pieces.size() - 1), {}});
    sewn.plan = planner.plan(asked).plan;
  }
  return sewn;
}

}  // namespace drapery
