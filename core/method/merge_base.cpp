#include "core/method/merge_base.h"

#include <algorithm>
#include <array>

namespace drapery {

namespace {

constexpr std::array<std::string_view, 6> kListsOfRules{"given", "allowance", "derive",
                                                        "part",  "mark",      "finding"};

Node* findMutable(Node& table, std::string_view key) {
  for (Node::Member& member : table.members)
    if (member.key == key) return &member.value;
  return nullptr;
}

std::string_view idOf(const Node& rule) {
  const Node* id = rule.find("id");
  return id != nullptr ? std::string_view(id->text) : std::string_view();
}

void layFields(Node& rule, Node& over) {
  for (Node::Member& field : over.members) {
    const auto same = std::find_if(rule.members.begin(), rule.members.end(),
                                   [&](const auto& m) { return m.key == field.key; });
    if (same == rule.members.end()) {
      rule.members.push_back(std::move(field));
    } else {
      *same = std::move(field);
    }
  }
}

void layRules(Node& rules, Node& over) {
  for (Node& rule : over.items) {
    const auto same = std::find_if(rules.items.begin(), rules.items.end(), [&](const Node& r) {
      return !idOf(rule).empty() && idOf(r) == idOf(rule);
    });
    if (same == rules.items.end()) {
      rules.items.push_back(std::move(rule));
    } else {
      layFields(*same, rule);
    }
  }
}

}  // namespace

bool isListOfRules(std::string_view key) {
  return std::find(kListsOfRules.begin(), kListsOfRules.end(), key) != kListsOfRules.end();
}

Node mergeBase(Node base, Node over) {
  std::erase_if(base.members, [](const auto& m) { return m.key == "is_base"; });
  for (Node::Member& member : over.members) {
    Node* same = findMutable(base, member.key);
    if (same == nullptr) {
      base.members.push_back(std::move(member));
    } else if (isListOfRules(member.key)) {
      layRules(*same, member.value);
    } else {
      *same = std::move(member.value);
    }
  }
  return base;
}

}  // namespace drapery
