#include "core/rules/merge_base.h"

#include <algorithm>
#include <array>

#include "core/rules/section.h"

namespace drapery {

namespace {

Node* findMutable(Node& table, std::string_view key) {
  for (Node::Member& member : table.members)
    if (member.key == key) return &member.value;
  return nullptr;
}

std::string_view idOf(const Node& rule) {
  const Node* id = rule.find("id");
  return id != nullptr ? std::string_view(id->text) : std::string_view();
}

/// Whether the rule has the id or had it in a former version.
bool answersTo(const Node& rule, std::string_view id) {
  if (id.empty()) return false;
  if (idOf(rule) == id) return true;
  const Node* was = rule.find("was");
  return was != nullptr && std::any_of(was->items.begin(), was->items.end(),
                                       [&](const Node& former) { return former.text == id; });
}

void layMember(Node& table, Node::Member& over) {
  const auto same = std::find_if(table.members.begin(), table.members.end(),
                                 [&](const auto& m) { return m.key == over.key; });
  if (same == table.members.end()) {
    table.members.push_back(std::move(over));
  } else {
    *same = std::move(over);
  }
}

/// A text said otherwise takes the translations of the former one with it.
void forgetTranslations(Node& rule, std::string_view key) {
  Node* words = findMutable(rule, "words");
  if (words == nullptr) return;
  for (Node::Member& language : words->members)
    std::erase_if(language.value.members, [&](const auto& text) { return text.key == key; });
}

void layWords(Node& words, Node& over) {
  for (Node::Member& language : over.members) {
    Node* same = findMutable(words, language.key);
    if (same == nullptr) {
      words.members.push_back(std::move(language));
      continue;
    }
    for (Node::Member& text : language.value.members) layMember(*same, text);
  }
}

/// Keys that rule files had before, and what took their place: a house's file that says the one
/// does away with the base's other.
constexpr std::array<std::pair<std::string_view, std::string_view>, 3> kFormerKeys{
    {{"at", "places"}, {"held", "settles"}, {"compared", "settles"}}};

void layFields(Node& rule, Node& over) {
  for (const auto& [former, now] : kFormerKeys)
    if (over.find(former) != nullptr)
      std::erase_if(rule.members, [key = now](const auto& field) { return field.key == key; });
  for (const Node::Member& field : over.members) forgetTranslations(rule, field.key);
  for (Node::Member& field : over.members) {
    Node* words = field.key == "words" ? findMutable(rule, "words") : nullptr;
    if (words != nullptr)
      layWords(*words, field.value);
    else
      layMember(rule, field);
  }
}

void layRules(Node& rules, Node& over) {
  for (Node& rule : over.items) {
    const auto same = std::find_if(rules.items.begin(), rules.items.end(),
                                   [&](const Node& r) { return answersTo(r, idOf(rule)); });
    if (same == rules.items.end()) {
      rules.items.push_back(std::move(rule));
    } else {
      std::erase_if(rule.members, [](const auto& field) { return field.key == "id"; });
      layFields(*same, rule);
    }
  }
}

}  // namespace

bool isListOfRules(std::string_view key) {
  const auto& sections = ruleSections();
  return std::any_of(sections.begin(), sections.end(),
                     [&](const Section* section) { return section->key() == key; });
}

Node mergeBase(Node base, Node over) {
  std::erase_if(base.members, [](const auto& m) { return m.key == "is_base"; });
  for (const Node::Member& member : over.members) forgetTranslations(base, member.key);
  for (Node::Member& member : over.members) {
    Node* same = findMutable(base, member.key);
    if (same != nullptr && isListOfRules(member.key))
      layRules(*same, member.value);
    else if (same != nullptr && member.key == "words")
      layWords(*same, member.value);
    else
      layMember(base, member);
  }
  return base;
}

}  // namespace drapery
