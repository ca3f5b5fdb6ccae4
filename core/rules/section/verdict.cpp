#include "core/rules/section/verdict.h"

#include "core/rules/evaluation.h"
#include "core/rules/linker.h"
#include "core/rules/planned_entries.h"
#include "core/rules/section/common.h"
#include "core/rules/section/described.h"

namespace drapery {

void VerdictSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "verdict", placer);
  VerdictRule rule;
  rule.at = in.at(entry);
  rule.id = in.id();
  rule.when = in.formula("when", Needed::No);
  rule.says = in.ruleWords("says", Needed::Yes);
  if (const Node* trim = in.find("trim")) {
    if (trim->kind != Node::Kind::Table) in.complainType(*trim, "trim", "table of formulas");
    for (const Node::Member& edge : trim->members)
      rule.trim.emplace_back(edge.key, in.formulaIn(edge.value, "trim"));
  }
  in.finish();
  rules.verdicts.push_back(std::move(rule));
}

void VerdictSection::link(RuleSet& rules, Linker& linker) const {
  linker.numbersAreLinked();
  for (VerdictRule& rule : rules.verdicts) {
    linker.link(rule.when, Dimension::number());
    linker.linkWords(rule.says);
    for (auto& [edge, formula] : rule.trim) linker.link(formula, Dimension::length());
  }
}

void VerdictSection::plan(const RuleSet& rules, const Evaluation& evaluation,
                          PlannedEntries& planned) const {
  for (const VerdictRule& rule : rules.verdicts) {
    if (!evaluation.holds(rule.when.formula)) continue;
    PlannedVerdict verdict{&rule, evaluation.figures(rule.says), {}};
    for (const auto& [edge, formula] : rule.trim)
      verdict.trim.push_back(evaluation.evaluate(formula.formula));
    planned.verdict = std::move(verdict);
    return;
  }
}

std::vector<Described> VerdictSection::describe(const RuleSet& rules) const {
  std::vector<Described> all;
  for (const VerdictRule& rule : rules.verdicts) {
    std::string text = "- " + asCode(rule.id) + onlyWhere(rule.when) + " " + wordsAsCode(rule.says);
    for (const auto& [edge, formula] : rule.trim) text += " " + edge + " " + asCode(formula) + ".";
    all.push_back({"Verdicts", text + "\n"});
  }
  return all;
}

}  // namespace drapery
