#include "core/rules/choosing.h"

#include <algorithm>

#include "core/diag/issue.h"
#include "core/diag/nearest_name.h"
#include "core/rules/linker.h"
#include "core/rules/rule_set.h"
#include "core/toml/table_reader.h"

namespace drapery {

void readChoosing(TableReader& in, RuleSet& rules) {
  rules.serves = in.texts("serves", Needed::No);
  const Node* serves = in.find("serves");
  for (std::size_t i = 0; i < rules.serves.size(); ++i)
    if (std::find(kBookUses.begin(), kBookUses.end(), rules.serves[i]) == kBookUses.end())
      in.complain(i < serves->items.size() ? serves->items[i] : *serves, "value-not-allowed",
                  {{"key", std::string("serves")},
                   {"value", shortened(rules.serves[i])},
                   {"allowed", joined({kBookUses.begin(), kBookUses.end()})}});
  const Node* leaves = in.find("leaves");
  if (leaves == nullptr) return;
  if (leaves->kind != Node::Kind::Table)
    return in.complainType(*leaves, "leaves", "table of inputs");
  for (const Node::Member& each : leaves->members)
    if (each.value.kind == Node::Kind::Text)
      rules.leaves.push_back({each.key, each.value.text, in.at(each.value)});
    else
      in.complainType(each.value, each.key.c_str(), "text");
}

void linkChoosing(const RuleSet& rules, Linker& linker) {
  std::vector<std::string> known;
  for (const InputRule& input : rules.inputs) known.push_back(input.id);
  for (const LeavesEntry& each : rules.leaves)
    if (rules.input(each.input) == nullptr)
      linker.placer().add("key-unknown",
                          {{"key", shortened(each.input)},
                           {"section", std::string("leaves")},
                           {"nearest", nearestName(each.input, known)}},
                          each.at);
}

}  // namespace drapery
