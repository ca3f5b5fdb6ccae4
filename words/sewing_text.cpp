#include "words/sewing_text.h"

#include <fmt/format.h>

#include <cmath>

#include "words/finding_words.h"
#include "words/sewing_words.h"
#include "words/shown_text.h"

namespace drapery {

namespace {

Notation notationOf(const Plan& plan) { return {plan.units, plan.resolution, '.', {}}; }

std::string lengthOf(const Plan& plan, double mm) {
  return formatLength(Length::fromMm(mm), notationOf(plan));
}
std::string lengthOf(const Plan& plan, const char* value) {
  return lengthOf(plan, plan.number(value).value_or(0.0));
}

/// Thread is never cut short: up to whole 5 mm, or 1/4 in.
std::string threadOf(const Plan& plan, double mm) {
  constexpr double kRounding = 1e-9;
  const double step = plan.units == Units::Inches ? kMmPerInch / 4.0 : 5.0;
  return lengthOf(plan, std::ceil(mm / step - kRounding) * step);
}
std::string threadOf(const Plan& plan, const char* value) {
  return threadOf(plan, plan.number(value).value_or(0.0));
}

std::string heading(const SewingJob& job, const Plan& plan) {
  return fmt::format("{}\n{}\n\n", shownText(job.title), shownText(plan.rules->title.text));
}

std::string findings(const Plan& plan) {
  std::string out;
  for (const PlannedFinding& finding : plan.findings)
    out += fmt::format("{}: {} {}\n", severityName(finding.rule->severity),
                       findingSays(finding, notationOf(plan)),
                       findingRemedy(finding, notationOf(plan)));
  return out.empty() ? out : "\n" + out;
}

std::string pieces(const Plan& plan, const std::vector<ThreadPiece>& pieces) {
  std::string out;
  if (pieces.size() < 2) return out;
  for (std::size_t i = 0; i < pieces.size(); ++i)
    out += fmt::format("  piece {}: {}, steps {} to {}\n", i + 1, threadOf(plan, pieces[i].length),
                       pieces[i].from, pieces[i].to);
  return out;
}

}  // namespace

std::string sewingText(const SewingJob& job, const SewnStab& sewn) {
  const Plan& plan = sewn.plan;
  std::string out = heading(job, plan);
  out += fmt::format("Thread: {}; by the rule of thumb {}\n", threadOf(plan, "thread_needed"),
                     threadOf(plan, "thread_rule"));
  out += pieces(plan, sewn.pieces);
  if (plan.number("hole_diameter"))
    out += fmt::format("Holes: {}, {} each; the fullest takes {} passes\n", sewn.graph.holes.size(),
                       lengthOf(plan, "hole_diameter"), plan.number("most_passes").value_or(0.0));
  for (std::size_t i = 0; i < sewn.graph.holes.size(); ++i)
    out += fmt::format("  {:>3}  {} from the head, {} from the spine\n", i + 1,
                       lengthOf(plan, sewn.graph.holes[i].along),
                       lengthOf(plan, sewn.graph.holes[i].across));
  out += "\nTie the stack at holes";
  for (const Tie& tie : sewn.ties) out += " " + std::to_string(tie.hole + 1);
  out += "; each tie comes off before its hole's first pass.\n\n";
  const SewingNotes notes{job.finish, plan.number("start_tail").value_or(0.0)};
  const auto words = stepWords(sewn.trail.steps, notes, notationOf(plan));
  for (std::size_t i = 0; i < words.size(); ++i)
    if (!isToldBefore(sewn.trail.steps, i)) out += fmt::format("{:>4}  {}\n", i + 1, words[i]);
  return out + findings(plan);
}

std::string sewingText(const SewingJob& job, const SewnLink& sewn) {
  const Plan& plan = sewn.plan;
  std::string out = heading(job, plan);
  out += fmt::format("Thread: {} for the head, {} for the tail\n", threadOf(plan, "thread_head"),
                     threadOf(plan, "thread_tail"));
  int number = 0;
  for (const LinkRow& row : sewn.rows) {
    out += row.end == Round::Head ? "\nAt the head\n" : "\nAt the tail\n";
    for (std::size_t i = 0; i < row.steps.size(); ++i)
      out += fmt::format("{:>4}  {}\n", ++number, linkStepWords(row.steps[i], row, i == 0));
  }
  return out + findings(plan);
}

std::string sewingText(const SewingJob& job, const SewnTapes& sewn) {
  const Plan& plan = sewn.plan;
  std::string out = heading(job, plan);
  out += fmt::format("Thread: {}\n", threadOf(plan, "thread_needed"));
  out += pieces(plan, sewn.pieces);
  out += "Stations from the head:";
  for (const double station : sewn.stations) out += " " + lengthOf(plan, station);
  out += "\n\n";
  const auto tapes = static_cast<int>((sewn.stations.size() - 2) / 2);
  for (std::size_t i = 0; i < sewn.steps.size(); ++i)
    out += fmt::format("{:>4}  {}\n", i + 1, tapeStepWords(sewn.steps[i], tapes, i == 0));
  return out + findings(plan);
}

}  // namespace drapery
