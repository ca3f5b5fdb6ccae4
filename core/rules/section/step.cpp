#include "core/rules/section/step.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/rules/evaluation.h"
#include "core/rules/linker.h"
#include "core/rules/planned_entries.h"
#include "core/rules/section/common.h"
#include "core/rules/section/described.h"

namespace drapery {

void StepSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "step", placer);
  StepRule rule;
  rule.at = in.at(entry);
  rule.id = in.id();
  rule.when = in.formula("when", Needed::No);
  rule.does = in.ruleWords("does", Needed::Yes);
  rule.care = in.ruleWords("care", Needed::No);
  rule.hands = in.formula("hands", Needed::No);
  rule.wait = in.formula("wait", Needed::No);
  readEach(in, rule);
  in.finish();
  rules.steps.push_back(std::move(rule));
}

void StepSection::link(RuleSet& rules, Linker& linker) const {
  linker.numbersAreLinked();
  for (StepRule& step : rules.steps) {
    const SeriesRule* series = linker.seriesOf(step);
    linker.linkIn(series, step.when, Dimension::number());
    linker.linkWords(step.does, series);
    linker.linkWords(step.care, series);
    linker.linkIn(series, step.hands, Dimension::time());
    linker.linkIn(series, step.wait, Dimension::time());
  }
}

void StepSection::plan(const RuleSet& rules, const Evaluation& evaluation,
                       PlannedEntries& planned) const {
  const auto minutes = [&](const RuleFormula& rule, const double* locals, double usual) {
    const double time = rule.empty() ? usual : evaluation.evaluate(rule.formula, locals);
    return std::isnan(time) ? usual : std::max(0.0, time);
  };
  for (const StepRule& step : rules.steps)
    evaluation.each(step, rules, [&](const double* locals) {
      if (!evaluation.holds(step.when.formula, locals)) return;
      planned.steps.push_back(
          {&step, evaluation.figures(step.does, locals), evaluation.figures(step.care, locals),
           minutes(step.hands, locals, std::numeric_limits<double>::quiet_NaN()),
           minutes(step.wait, locals, 0.0)});
    });
}

namespace {

std::string told(const StepRule& rule) {
  std::string out = "- " + asCode(rule.id) + onlyWhere(rule.when) + " " + wordsAsCode(rule.does);
  if (!rule.hands.empty()) out += " Hands " + asCode(rule.hands) + ".";
  if (!rule.wait.empty()) out += " Wait " + asCode(rule.wait) + ".";
  return out + andSays(wordsAsCode(rule.care)) + "\n";
}

}  // namespace

std::vector<Described> StepSection::describe(const RuleSet& rules) const {
  std::vector<Described> all;
  for (const auto& rule : rules.steps) all.push_back({"Steps", told(rule)});
  return all;
}

}  // namespace drapery
