#include "core/rules/section/summary.h"

#include "core/rules/entry_reader.h"
#include "core/rules/linker.h"
#include "core/rules/rule_set.h"

namespace drapery {

namespace {
const Choices<std::string> kPlaces{{"docket", "docket"},   {"trial", "trial"},
                                   {"slip", "slip"},       {"slip-trial", "slip-trial"},
                                   {"cutting", "cutting"}, {"slip-card", "slip-card"}};
}

void SummarySection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "summary", placer);
  SummaryRule rule;
  rule.at = in.at(entry);
  rule.id = in.id();
  rule.place = in.choice("place", kPlaces, std::string("docket"));
  rule.stage = in.text(
      "stage", rule.place == "docket" || rule.place == "cutting" ? Needed::Yes : Needed::No);
  rule.when = in.formula("when", Needed::No);
  rule.says = in.ruleWords("says", Needed::Yes);
  in.finish();
  rules.summaries.push_back(std::move(rule));
}

void SummarySection::link(RuleSet& rules, Linker& linker) const {
  linker.numbersAreLinked();
  for (SummaryRule& summary : rules.summaries) {
    linker.link(summary.when, Dimension::number());
    linker.linkWords(summary.says);
  }
}

}  // namespace drapery
