#include "core/rules/section/start.h"

#include "core/rules/entry_reader.h"
#include "core/rules/linker.h"
#include "core/rules/rule_set.h"
#include "core/rules/section/described.h"

namespace drapery {

std::string StartRule::plannedFor(const std::string& value) const {
  for (const auto& [computed, input] : solves)
    if (computed == value) return input;
  return {};
}

void StartSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  EntryReader in(entry, "start", placer);
  StartRule rule;
  rule.at = in.at(entry);
  rule.id = in.id();
  rule.title = in.words("title", Needed::Yes);
  rule.says = in.words("says", Needed::Yes);
  rule.asks = in.texts("asks", Needed::Yes);
  in.eachItem("solves", [&](const Node& pair) {
    const bool isPair = pair.kind == Node::Kind::List && pair.items.size() == 2 &&
                        pair.items[0].kind == Node::Kind::Text &&
                        pair.items[1].kind == Node::Kind::Text;
    if (!isPair) return in.complainType(pair, "solves", "pairs of a value and an input");
    rule.solves.emplace_back(pair.items[0].text, pair.items[1].text);
  });
  in.finish();
  rules.starts.push_back(std::move(rule));
}

void StartSection::link(RuleSet& rules, Linker& linker) const {
  if (rules.isBase) return;
  for (const StartRule& start : rules.starts) {
    const auto complain = [&](const std::string& name) {
      linker.placer().add("touches-unknown", {{"name", shortened(name)}, {"id", start.id}},
                          start.at);
    };
    for (const std::string& value : start.asks)
      if (!rules.find(value) || (rules.input(value) == nullptr && start.plannedFor(value).empty()))
        complain(value);
    for (const auto& [value, input] : start.solves) {
      if (!rules.find(value)) complain(value);
      if (rules.input(input) == nullptr) complain(input);
    }
  }
}

std::vector<Described> StartSection::describe(const RuleSet& rules) const {
  std::vector<Described> all;
  for (const StartRule& start : rules.starts) {
    std::string asked;
    for (const std::string& value : start.asks)
      asked += (asked.empty() ? " Asks " : ", ") + asCode(value);
    all.push_back({"Begun with", "- **" + start.title.text + "** " + asCode(start.id) + "." +
                                     andSays(start.says.text) + asked + ".\n"});
  }
  return all;
}

}  // namespace drapery
