#include "core/rules/choosing.h"

#include <algorithm>

#include "core/diag/issue.h"
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
      rules.leaves.emplace_back(each.key, each.value.text);
    else
      in.complainType(each.value, each.key.c_str(), "text");
}

}  // namespace drapery
