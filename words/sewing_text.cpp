#include "words/sewing_text.h"

#include <fmt/format.h>

#include "words/finding_words.h"
#include "words/issue_words.h"
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

std::string threadOf(const Plan& plan, const char* value) {
  return threadWords(plan.number(value).value_or(0.0), notationOf(plan));
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
    out +=
        fmt::format("  piece {}: {}, steps {} to {}\n", i + 1,
                    threadWords(pieces[i].length, notationOf(plan)), pieces[i].from, pieces[i].to);
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
  out += "\nTie the stack at holes " + tiedHoles(sewn) +
         "; each tie comes off before its hole's first pass.\n\n";
  for (const std::size_t step : sewMoves(sewn))
    out += fmt::format("{:>4}  {}\n", step + 1, moveWords(job, sewn, step, notationOf(plan)));
  return out + findings(plan);
}

std::string sewingText(const SewingJob& job, const SewnLink& sewn) {
  const Plan& plan = sewn.plan;
  std::string out = heading(job, plan);
  out += fmt::format("Thread: {} for the head, {} for the tail\n", threadOf(plan, "thread_head"),
                     threadOf(plan, "thread_tail"));
  std::size_t next = 0;
  for (const LinkRow& row : sewn.rows) {
    out += row.end == Round::Head ? "\nAt the head\n" : "\nAt the tail\n";
    for (std::size_t i = 0; i < row.steps.size(); ++i, ++next)
      out += fmt::format("{:>4}  {}\n", next + 1, linkStepWords(row.steps[i], row, i == 0));
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
  for (std::size_t i = 0; i < sewn.steps.size(); ++i)
    out += fmt::format("{:>4}  {}\n", i + 1, tapeStepWords(sewn.steps[i], sewn.tapes(), i == 0));
  return out + findings(plan);
}

namespace {

/// A sentence in the reader's language with what stands in it.
template <typename... Things>
std::string told(const Translate& translate, const char* english, const Things&... things) {
  return fmt::format(fmt::runtime(translate ? translate(english) : std::string(english)),
                     things...);
}

std::string threadLine(double needed, std::size_t pieces, const Notation& notation,
                       const Translate& translate) {
  const std::string thread = threadWords(needed, notation);
  return pieces > 1 ? told(translate, QT_TRANSLATE_NOOP("Sewing", "Thread {0}, in {1} pieces."),
                           thread, pieces)
                    : told(translate, QT_TRANSLATE_NOOP("Sewing", "Thread {0}."), thread);
}

std::vector<std::string> lines(const SewnStab& sewn, const Notation& notation,
                               const Translate& translate) {
  const auto number = [&](const char* name) { return sewn.plan.number(name).value_or(0.0); };
  const std::string holes =
      sewn.plan.number("hole_diameter")
          ? told(translate,
                 QT_TRANSLATE_NOOP("Sewing",
                                   "{0}: {1} holes of {2}; the thread passes the fullest {3} "
                                   "times."),
                 sewn.plan.rules->title.in(notation.language), sewn.graph.holes.size(),
                 formatLength(Length::fromMm(number("hole_diameter")), notation),
                 number("most_passes"))
          : told(translate, QT_TRANSLATE_NOOP("Sewing", "{0}: {1} holes."),
                 sewn.plan.rules->title.in(notation.language), sewn.graph.holes.size());
  return {holes, threadLine(number("thread_needed"), sewn.pieces.size(), notation, translate)};
}

std::vector<std::string> lines(const SewnLink& sewn, const Notation& notation,
                               const Translate& translate) {
  const auto thread = [&](const char* name) {
    return threadWords(sewn.plan.number(name).value_or(0.0), notation);
  };
  return {told(translate,
               QT_TRANSLATE_NOOP("Sewing",
                                 "{0}: thread {1} for the row at the head, {2} for the row at the "
                                 "tail."),
               sewn.plan.rules->title.in(notation.language), thread("thread_head"),
               thread("thread_tail"))};
}

std::vector<std::string> lines(const SewnTapes& sewn, const Notation& notation,
                               const Translate& translate) {
  std::string stations;
  for (const double station : sewn.stations)
    stations += (stations.empty() ? "" : ", ") + formatBare(Length::fromMm(station), notation);
  const char* const unit = notation.units == Units::Inches ? " in" : " mm";
  return {
      told(translate, QT_TRANSLATE_NOOP("Sewing", "{0}: {1} sections; stations from the head {2}."),
           sewn.plan.rules->title.in(notation.language), sewn.sections, stations + unit),
      threadLine(sewn.plan.number("thread_needed").value_or(0.0), sewn.pieces.size(), notation,
                 translate)};
}

}  // namespace

std::string sewingWaits(const SewnBook& book, const Notation& notation,
                        const Translate& translate) {
  std::string titles;
  for (const LocalText& title : book.missing)
    titles += (titles.empty() ? "" : ", ") + title.in(notation.language);
  return told(translate, QT_TRANSLATE_NOOP("Sewing", "Still to be measured, to sew it: {0}."),
              titles);
}

std::vector<std::string> sewingLines(const SewnBook& book, const Notation& notation,
                                     const Translate& translate) {
  std::vector<std::string> all;
  if (const auto* stab = std::get_if<SewnStab>(&book.sewn)) all = lines(*stab, notation, translate);
  if (const auto* link = std::get_if<SewnLink>(&book.sewn)) all = lines(*link, notation, translate);
  if (const auto* tapes = std::get_if<SewnTapes>(&book.sewn))
    all = lines(*tapes, notation, translate);
  if (!book.missing.empty()) return {sewingWaits(book, notation, translate)};
  for (const Issue& issue : book.issues)
    all.push_back(told(translate, QT_TRANSLATE_NOOP("Sewing", "It cannot be sewn so: {0}."),
                       issueWords(issue, notation)));
  if (const Plan* plan = book.plan())
    for (const PlannedFinding& finding : plan->findings)
      if (finding.rule->severity != Severity::Note)
        all.push_back(findingSays(finding, notation) + " " + findingRemedy(finding, notation));
  return all;
}

}  // namespace drapery
