#include "core/rules/section/mark.h"

#include <algorithm>
#include <cmath>

#include "core/quantity/rule.h"
#include "core/rules/evaluation.h"
#include "core/rules/linker.h"
#include "core/rules/planned_entries.h"
#include "core/rules/section/common.h"
#include "core/rules/section/described.h"

namespace drapery {

namespace {

MarkPlaceRule readPlace(const Node& item, IssuePlacer& placer) {
  EntryReader in(item, "at", placer);
  MarkPlaceRule place;
  place.name = in.words("name", Needed::Yes);
  place.at = in.formula("at", Needed::Yes);
  place.when = in.formula("when", Needed::No);
  readEach(in, place);
  in.finish();
  return place;
}

/// Reckons what is marked on one book.
class MarkPlan {
 public:
  MarkPlan(const RuleSet& rules, const Evaluation& evaluation)
      : rules_(rules), evaluation_(evaluation) {}

  void add(const MarkRule& mark, const double* locals, std::vector<PlannedMark>& marks) const {
    if (!evaluation_.holds(mark.when.formula, locals)) return;
    PlannedMark planned{&mark, evaluation_.figures(mark.says, locals), {}, {}, {}};
    if (!mark.part.empty()) planned.part = wordOf(mark.part, evaluation_);
    if (!mark.exact.empty()) planned.length = lengthOf(mark.exact, mark.cut, locals);
    for (const MarkPlaceRule& place : mark.places)
      evaluation_.each(place, rules_, [&](const double* own) {
        const double* all = own != nullptr ? own : locals;
        if (!evaluation_.holds(place.when.formula, all)) return;
        if (const auto at = lengthOf(place.at, {}, all)) planned.places.push_back({&place, *at});
      });
    std::stable_sort(planned.places.begin(), planned.places.end(),
                     [](const auto& a, const auto& b) { return a.at.exact < b.at.exact; });
    if (mark.says.empty() && planned.places.empty()) return;
    marks.push_back(std::move(planned));
  }

 private:
  [[nodiscard]] std::optional<PlannedLength> lengthOf(const RuleFormula& exact,
                                                      const RuleFormula& cut,
                                                      const double* locals) const {
    const double is = evaluation_.evaluate(exact.formula, locals);
    if (std::isnan(is)) return std::nullopt;
    const Length length = Length::fromMm(is);
    if (cut.empty())
      return PlannedLength{length, roundTo(length, evaluation_.resolution(), Rounding::Nearest)};
    const double marked = evaluation_.evaluate(cut.formula, locals);
    if (std::isnan(marked)) return std::nullopt;
    return PlannedLength{length, Length::fromMm(marked)};
  }

  const RuleSet& rules_;
  const Evaluation& evaluation_;
};

}  // namespace

void MarkSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "mark", placer);
  MarkRule rule;
  rule.at = in.at(entry);
  rule.id = in.id();
  rule.title = in.words("title", Needed::No);
  rule.when = in.formula("when", Needed::No);
  in.eachItem("at", [&](const Node& item) { rule.places.push_back(readPlace(item, placer)); });
  rule.says = in.ruleWords("says", rule.places.empty() ? Needed::Yes : Needed::No);
  rule.exact = in.formula("exact", Needed::No);
  rule.cut = in.formula("cut", Needed::No);
  if (in.find("part") != nullptr) rule.part = readWordsWhere(in, "part");
  rule.isAside = in.flag("aside");
  rule.hasDecimals = in.flag("decimals");
  rule.isUpward = in.flag("upward");
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
    linker.linkIn(series, mark.exact, Dimension::length());
    linker.linkIn(series, mark.cut, Dimension::length());
    for (WordWhere& part : mark.part) linker.link(part.when, Dimension::number());
    for (MarkPlaceRule& place : mark.places) {
      const SeriesRule* own = linker.seriesOf(place);
      linker.linkIn(own != nullptr ? own : series, place.at, Dimension::length());
      linker.linkIn(own != nullptr ? own : series, place.when, Dimension::number());
    }
  }
}

void MarkSection::plan(const RuleSet& rules, const Evaluation& evaluation,
                       PlannedEntries& planned) const {
  const MarkPlan marking(rules, evaluation);
  for (const MarkRule& mark : rules.marks)
    evaluation.each(mark, rules,
                    [&](const double* locals) { marking.add(mark, locals, planned.marks); });
}

namespace {

std::string told(const MarkRule& rule) {
  std::string out = "- " + asCode(rule.id) + onlyWhere(rule.when);
  if (!rule.says.empty()) out += " " + wordsAsCode(rule.says);
  if (!rule.exact.empty()) out += " Marked: " + asCode(rule.exact) + ".";
  if (!rule.places.empty()) out += " From one edge:";
  for (const MarkPlaceRule& place : rule.places) {
    out += (&place == rule.places.data() ? " " : ", ") + place.name.text + " " + asCode(place.at);
    if (!place.when.empty()) out += " (where " + asCode(place.when) + ")";
  }
  return out + (rule.places.empty() ? "\n" : ".\n");
}

}  // namespace

std::vector<Described> MarkSection::describe(const RuleSet& rules) const {
  std::vector<Described> all;
  for (const auto& rule : rules.marks) all.push_back({"Marked out", told(rule)});
  return all;
}

}  // namespace drapery
