#include "core/rules/merge_base.h"

#include <algorithm>
#include <array>
#include <optional>
#include <string>
#include <unordered_map>

#include "core/rules/section.h"

namespace drapery {

namespace {

/// The members that a table has before others are laid over it, by key: a file of the house's may
/// have as many as it likes.
class Members {
 public:
  /// @param more how many will be laid over them.
  Members(Node& table, std::size_t more) : table_(table) {
    table.members.reserve(table.members.size() + more);  // so that the keys stay where they are
    index_.reserve(table.members.size());
    for (std::size_t i = 0; i < table.members.size(); ++i) index_.emplace(table.members[i].key, i);
  }
  [[nodiscard]] Node* find(std::string_view key) {
    const auto found = index_.find(key);
    return found == index_.end() ? nullptr : &table_.members[found->second].value;
  }
  /// In the place of the one with its key, or after all. Keys of what is laid over are all
  /// different.
  void lay(Node::Member& over) {
    const auto found = index_.find(over.key);
    if (found == index_.end()) {
      table_.members.push_back(std::move(over));
      return;
    }
    Node::Member& same = table_.members[found->second];
    same.line = over.line;  // the key stays: the index looks at its letters
    same.column = over.column;
    same.source = over.source;
    same.value = std::move(over.value);
  }

 private:
  Node& table_;
  std::unordered_map<std::string_view, std::size_t> index_;
};

std::string_view idOf(const Node& rule) {
  const Node* id = rule.find("id");
  return id != nullptr ? std::string_view(id->text) : std::string_view();
}

/// Texts said otherwise take the translations of the former ones with them.
void forgetTranslations(Node* words, const Node& over) {
  if (words == nullptr) return;
  for (Node::Member& language : words->members)
    std::erase_if(language.value.members,
                  [&](const auto& text) { return over.find(text.key) != nullptr; });
}

void layWords(Node& words, Node& over) {
  Members languages(words, over.members.size());
  for (Node::Member& language : over.members) {
    Node* same = languages.find(language.key);
    if (same == nullptr) {
      languages.lay(language);
      continue;
    }
    Members texts(*same, language.value.members.size());
    for (Node::Member& text : language.value.members) texts.lay(text);
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
  // Another usual value does away with the former one's twin in inches.
  if (over.find("default") != nullptr)
    std::erase_if(rule.members, [](const auto& field) { return field.key == "default_in"; });
  Members fields(rule, over.members.size());
  Node* words = fields.find("words");
  forgetTranslations(words, over);
  for (Node::Member& field : over.members) {
    if (field.key == "words" && words != nullptr)
      layWords(*words, field.value);
    else
      fields.lay(field);
  }
}

/// Where a rule stands by its id and those that it had in former versions.
class Rules {
 public:
  explicit Rules(const Node& rules) {
    for (const Node& rule : rules.items) add(rule);
  }
  void add(const Node& rule) {
    index_.emplace(idOf(rule), next_);
    if (const Node* was = rule.find("was"))
      for (const Node& former : was->items) index_.emplace(former.text, next_);
    ++next_;
  }
  [[nodiscard]] std::optional<std::size_t> find(std::string_view id) const {
    const auto found = index_.find(std::string(id));
    return id.empty() || found == index_.end() ? std::nullopt : std::optional(found->second);
  }

 private:
  std::unordered_map<std::string, std::size_t> index_;
  std::size_t next_ = 0;
};

void layRules(Node& rules, Node& over) {
  Rules known(rules);
  for (Node& rule : over.items) {
    if (const auto same = known.find(idOf(rule))) {
      std::erase_if(rule.members, [](const auto& field) { return field.key == "id"; });
      layFields(rules.items[*same], rule);
    } else {
      known.add(rule);
      rules.items.push_back(std::move(rule));
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
  if (base.members.empty()) return over;
  Members members(base, over.members.size());
  forgetTranslations(members.find("words"), over);
  for (Node::Member& member : over.members) {
    Node* same = members.find(member.key);
    if (same != nullptr && isListOfRules(member.key))
      layRules(*same, member.value);
    else if (same != nullptr && member.key == "words")
      layWords(*same, member.value);
    else
      members.lay(member);
  }
  return base;
}

}  // namespace drapery
