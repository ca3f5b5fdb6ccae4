// Reads one table of a TOML file: known keys, types, and a placed complaint for everything else.
#pragma once

#include <functional>
#include <string>
#include <utility>
#include <vector>

#include "core/toml/issue_placer.h"
#include "core/toml/sourced.h"

namespace drapery {

enum class Needed { Yes, No };

template <class Value>
using Choices = std::vector<std::pair<std::string, Value>>;

/// Small letters, digits, _ and -, beginning with a letter, at most 64.
bool isId(std::string_view id);

/// "a, b, c"
std::string joined(const std::vector<std::string>& names);

class TableReader {
 public:
  using Arguments = IssueArguments;

  TableReader(const Node& table, std::string section, IssuePlacer& placer);

  const Node* find(const char* key);
  const Node* list(const char* key, Needed needed);
  std::string id();
  std::string text(const char* key, Needed needed);
  LocalText words(const char* key, Needed needed);  // with its translations: `words.de.title`
  /// A text and its place; complains when it is needed and blank.
  Sourced sourced(const char* key, Needed needed);
  std::vector<std::string> texts(const char* key, Needed needed);
  bool flag(const char* key);
  int count(const char* key);  // a whole number from 1 to 1000; 1 when missing
  void exactly(const char* key, const char* value);
  void eachTable(const char* key, const std::function<void(const Node&)>& visit);

  template <class Value>
  Value choice(const char* key, const Choices<Value>& choices, Value usual) {
    const Node* node = typed(key, Node::Kind::Text, Needed::No);
    if (node == nullptr) return usual;
    std::vector<std::string> allowed;
    for (const auto& [name, value] : choices) {
      if (name == node->text) return value;
      allowed.push_back(name);
    }
    complain(*node, "value-not-allowed",
             {{"key", std::string(key)},
              {"value", shortened(node->text)},
              {"allowed", joined(allowed)}});
    return usual;
  }

  /// Complains of every key that was not asked for.
  void finish();

  [[nodiscard]] SourcePosition at(const Node& node) const;
  /// The first character inside a quoted text.
  [[nodiscard]] SourcePosition inside(const Node& node) const;
  void complain(const Node& node, IssueId issue, Arguments arguments);
  void complainAt(const SourcePosition& at, IssueId issue, Arguments arguments);
  void complainType(const Node& node, const char* key, const char* expected);
  /// At a byte of a text as it was read; `first` is the place of its first character.
  void complainInText(const SourcePosition& first, std::size_t offset, IssueId issue,
                      Arguments arguments);

 protected:
  const Node* typed(const char* key, Node::Kind kind, Needed needed);
  [[nodiscard]] const Node& table() const { return table_; }
  /// Visits the texts that other languages have for the key.
  void eachTranslation(const char* key,
                       const std::function<void(const std::string& language, const Node&)>& visit,
                       Node::Kind kind = Node::Kind::Text);

 private:
  void finishTranslations(const Node& words);
  void finishTranslation(const std::string& language, const Node::Member& text);

  const Node& table_;
  std::string section_;
  IssuePlacer& placer_;
  std::vector<std::string_view> known_;                              // keys as written in the code
  std::vector<std::pair<std::string_view, Node::Kind>> translated_;  // may have translations
};

}  // namespace drapery
