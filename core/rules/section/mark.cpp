#include "core/rules/section/mark.h"

#include "core/rules/evaluation.h"
#include "core/rules/linker.h"
#include "core/rules/planned_entries.h"
#include "core/rules/section/common.h"

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

}  // namespace drapery
