#include "core/rules/section/artwork.h"

#include <algorithm>

#include "core/rules/linker.h"
#include "core/rules/rule_set.h"
#include "core/rules/section/common.h"
#include "core/rules/section/described.h"

namespace drapery {

namespace {

ArtworkPanel readPanel(const Node& item, IssuePlacer& placer) {
  EntryReader in(item, "panels", placer);
  ArtworkPanel panel;
  panel.id = in.id();
  panel.title = in.words("title", Needed::Yes);
  panel.width = in.formula("width", Needed::Yes);
  panel.when = in.formula("when", Needed::No);
  panel.isSpine = in.flag("spine");
  in.finish();
  return panel;
}

}  // namespace

void ArtworkSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "artwork", placer);
  ArtworkRule rule;
  rule.at = in.at(entry);
  rule.id = in.id();
  rule.title = in.words("title", Needed::Yes);
  rule.when = in.formula("when", Needed::No);
  rule.stage = in.text("stage", Needed::Yes);
  rule.part = in.text("part", Needed::No);
  rule.height = in.formula("height", Needed::Yes);
  rule.bleed = in.formula("bleed", Needed::No);
  rule.clear = in.formula("clear", Needed::No);
  rule.reversed = in.formula("reversed", Needed::No);
  const Node* panels = in.list("panels", Needed::Yes);
  if (panels != nullptr)
    for (const Node& item : panels->items)
      if (rule.panels.size() < ArtworkRule::kMostPanels)
        rule.panels.push_back(readPanel(item, placer));
  in.finish();
  rules.artworks.push_back(std::move(rule));
}

void ArtworkSection::link(RuleSet& rules, Linker& linker) const {
  linker.numbersAreLinked();
  for (ArtworkRule& rule : rules.artworks) {
    linker.link(rule.when, Dimension::number());
    linker.link(rule.height, Dimension::length());
    linker.link(rule.bleed, Dimension::length());
    linker.link(rule.clear, Dimension::length());
    linker.link(rule.reversed, Dimension::number());
    for (ArtworkPanel& panel : rule.panels) {
      linker.link(panel.width, Dimension::length());
      linker.link(panel.when, Dimension::number());
    }
    const bool isThere = rules.isBase || rule.part.empty() ||
                         std::any_of(rules.parts.begin(), rules.parts.end(),
                                     [&](const PartRule& part) { return part.id == rule.part; });
    if (!isThere)
      linker.placer().add("touches-unknown", {{"name", shortened(rule.part)}, {"id", rule.id}},
                          rule.at);
  }
}

std::vector<Described> ArtworkSection::describe(const RuleSet& rules) const {
  std::vector<Described> all;
  for (const ArtworkRule& rule : rules.artworks) {
    std::string out = "- **" + rule.title.text + "** " + asCode(rule.id) + onlyWhere(rule.when) +
                      ", " + asCode(rule.height) + " high";
    if (!rule.bleed.empty()) out += ", bleed " + asCode(rule.bleed);
    out += ":";
    for (const ArtworkPanel& panel : rule.panels)
      out += (&panel == rule.panels.data() ? " " : ", ") + panel.title.text + " " +
             asCode(panel.width) + onlyWhere(panel.when);
    if (!rule.reversed.empty()) out += "; the other way round where " + asCode(rule.reversed);
    all.push_back({"Printed on", out + ".\n"});
  }
  return all;
}

}  // namespace drapery
