#include "core/rules/section/way.h"

#include "core/rules/entry_reader.h"
#include "core/rules/rule_set.h"
#include "core/rules/section/described.h"

namespace drapery {

void WaySection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "way", placer);
  WayRule rule;
  rule.at = in.at(entry);
  rule.id = in.id();
  rule.title = in.words("title", Needed::Yes);
  rule.misses = in.words("misses", Needed::Yes);
  rule.practice = in.text("practice", Needed::No);
  rule.isPlan = in.flag("is_plan");
  in.finish();
  rules.ways.push_back(std::move(rule));
}

/// Nothing in it refers to anything.
void WaySection::link(RuleSet&, Linker&) const {}

std::vector<Described> WaySection::describe(const RuleSet& rules) const {
  std::vector<Described> all;
  for (const WayRule& way : rules.ways)
    all.push_back({"Ways of measuring", "- **" + way.title.text + "** " + asCode(way.id) + "." +
                                            andSays(way.misses.text) + fromPractice(way.practice) +
                                            "\n"});
  return all;
}

}  // namespace drapery
