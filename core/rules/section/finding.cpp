#include "core/rules/section/finding.h"

#include <algorithm>
#include <set>
#include <span>
#include <string_view>

#include "core/rules/entry_reader.h"
#include "core/rules/evaluation.h"
#include "core/rules/linker.h"
#include "core/rules/planned_entries.h"
#include "core/rules/section/described.h"

namespace drapery {

namespace {
const Choices<Severity> kSeverities{
    {"stop", Severity::Stop}, {"mind", Severity::Mind}, {"note", Severity::Note}};
}

void FindingSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "finding", placer);
  FindingRule rule;
  rule.at = in.at(entry);
  rule.id = in.id();
  rule.severity = in.choice("severity", kSeverities, Severity::Mind);
  rule.when = in.formula("when", Needed::Yes);
  rule.says = in.ruleWords("says", Needed::Yes);
  rule.remedy = in.ruleWords("do", Needed::Yes);
  rule.touches = in.texts("touches", Needed::Yes);
  in.finish();
  rules.findings.push_back(std::move(rule));
}

namespace {

/// What a job says beside its measures and decisions.
bool isJobField(std::string_view name) {
  return name == "round" || name == "units" || name == "method";
}

}  // namespace

void FindingSection::link(RuleSet& rules, Linker& linker) const {
  linker.numbersAreLinked();
  for (FindingRule& finding : rules.findings) {
    linker.link(finding.when, Dimension::number());
    linker.linkWords(finding.says);
    linker.linkWords(finding.remedy);
    for (const std::string& touched : finding.touches)
      if (!rules.find(touched) && !isJobField(touched) && !rules.isBase)
        linker.placer().add("touches-unknown", {{"name", shortened(touched)}, {"id", finding.id}},
                            finding.at);
  }
}

namespace {

/// What the rule file's own findings that stop the work touch.
std::set<std::string_view> touchedByStops(std::span<const PlannedFinding> own) {
  std::set<std::string_view> touched;
  for (const PlannedFinding& finding : own)
    if (finding.rule->severity == Severity::Stop)
      touched.insert(finding.rule->touches.begin(), finding.rule->touches.end());
  return touched;
}

}  // namespace

void FindingSection::plan(const RuleSet& rules, const Evaluation& evaluation,
                          PlannedEntries& planned) const {
  const std::size_t before = planned.findings.size();  // those of the pieces
  for (const FindingRule& rule : rules.findings)
    if (evaluation.holds(rule.when.formula))
      planned.findings.push_back(
          {&rule, evaluation.figures(rule.says), evaluation.figures(rule.remedy)});
  // A rule that says why a piece's cuts cross says it better.
  const std::set<std::string_view> stopped =
      touchedByStops(std::span(planned.findings).subspan(before));
  std::erase_if(planned.findings, [&](const PlannedFinding& finding) {
    return finding.rule->id == "piece-crossed" && stopped.contains(finding.rule->touches.front());
  });
  std::stable_sort(planned.findings.begin(), planned.findings.end(),
                   [](const PlannedFinding& a, const PlannedFinding& b) {
                     return a.rule->severity < b.rule->severity;
                   });
}

namespace {

const std::string& nameOf(Severity severity) {
  return std::find_if(kSeverities.begin(), kSeverities.end(),
                      [&](const auto& each) { return each.second == severity; })
      ->first;
}

std::string told(const FindingRule& rule) {
  return "- **" + nameOf(rule.severity) + "** " + asCode(rule.id) + " where " + asCode(rule.when) +
         ". " + wordsAsCode(rule.says) + " " + wordsAsCode(rule.remedy) + "\n";
}

}  // namespace

std::vector<Described> FindingSection::describe(const RuleSet& rules) const {
  std::vector<Described> all;
  for (const auto& rule : rules.findings) all.push_back({"Findings", told(rule)});
  return all;
}

}  // namespace drapery
