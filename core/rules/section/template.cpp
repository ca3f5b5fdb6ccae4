#include "core/rules/section/template.h"

#include "core/rules/linker.h"
#include "core/rules/rule_set.h"
#include "core/rules/section/common.h"
#include "core/rules/section/described.h"

namespace drapery {

namespace {

/// `["x", "y"]`, or `{ at = ["x", "y"], each = "hole" }`.
TemplateCorner readCorner(const Node& item, EntryReader& in, IssuePlacer& placer) {
  TemplateCorner corner;
  if (item.kind != Node::Kind::Table) {
    if (auto at = in.point(item, "outline")) corner.at = std::move(*at);
    return corner;
  }
  EntryReader table(item, "outline", placer);
  readEach(table, corner);
  if (auto at = table.pointAt("at", Needed::Yes)) corner.at = std::move(*at);
  table.finish();
  return corner;
}

}  // namespace

void TemplateSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "template", placer);
  TemplateRule rule;
  rule.at = in.at(entry);
  rule.id = in.id();
  rule.title = in.words("title", Needed::Yes);
  rule.when = in.formula("when", Needed::No);
  rule.says = in.ruleWords("says", Needed::Yes);
  rule.gives = in.formula("gives", Needed::No);
  rule.block = in.ruleWords("block", Needed::No);
  rule.isLayOut = in.flag("lay_out");
  in.eachItem("outline",
              [&](const Node& item) { rule.outline.push_back(readCorner(item, in, placer)); });
  rule.lines = readLines(in, placer);
  rule.labels = readLabels(in, placer);
  in.finish();
  rules.templates.push_back(std::move(rule));
}

void TemplateSection::link(RuleSet& rules, Linker& linker) const {
  linker.numbersAreLinked();
  for (TemplateRule& rule : rules.templates) {
    linker.link(rule.when, Dimension::number());
    linker.linkWords(rule.says);
    linker.link(rule.gives, Dimension::length());
    linker.linkWords(rule.block);
    for (TemplateCorner& corner : rule.outline)
      linker.linkPoint(linker.seriesOf(corner), corner.at);
    linkLines(rule.lines, {rule.id, rule.at}, rules, linker);
    linkLabels(rule.labels, linker);
  }
}

std::vector<Described> TemplateSection::describe(const RuleSet& rules) const {
  std::vector<Described> all;
  for (const TemplateRule& rule : rules.templates) {
    std::string out = "- **" + rule.title.text + "** " + asCode(rule.id) + onlyWhere(rule.when) +
                      "." + andSays(wordsAsCode(rule.says));
    if (!rule.gives.empty()) out += " Gives " + asCode(rule.gives) + ".";
    out += andSays(wordsAsCode(rule.block));
    all.push_back({"Templates", out + "\n"});
  }
  return all;
}

}  // namespace drapery
