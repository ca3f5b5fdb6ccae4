#include "core/rules/section/mark.h"

#include "core/rules/evaluation.h"
#include "core/rules/linker.h"
#include "core/rules/planned_entries.h"
#include "core/rules/section/common.h"
#include "core/rules/section/described.h"

namespace drapery {

void MarkSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "mark", placer);
  MarkRule rule;
  rule.at = in.at(entry);
  rule.id = in.id();
  rule.when = in.formula("when", Needed::No);
  rule.says = in.ruleWords("says", Needed::Yes);
  readEach(in, rule);
  in.finish();
  rules.marks.push_back(std::move(rule));
}

void MarkSection::link(RuleSet& rules, Linker& linker) const {
  linker.numbersAreLinked();
  for (MarkRule& mark : rules.marks) {
    const SeriesRule* series = linker.seriesOf(mark);
    linker.linkIn(series, mark.when, Dimension::number());
    linker.linkWords(mark.says, series);
  }
}

void MarkSection::plan(const RuleSet& rules, const Evaluation& evaluation,
                       PlannedEntries& planned) const {
  for (const MarkRule& mark : rules.marks)
    evaluation.each(mark, rules, [&](const double* locals) {
      if (evaluation.holds(mark.when.formula, locals))
        planned.marks.push_back({&mark, evaluation.figures(mark.says, locals)});
    });
}

namespace {

std::string told(const MarkRule& rule) {
  return "- " + asCode(rule.id) + onlyWhere(rule.when) + " " + wordsAsCode(rule.says) + "\n";
}

}  // namespace

std::vector<Described> MarkSection::describe(const RuleSet& rules) const {
  std::vector<Described> all;
  for (const auto& rule : rules.marks) all.push_back({"Marked out", told(rule)});
  return all;
}

}  // namespace drapery
