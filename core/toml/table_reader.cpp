#include "core/toml/table_reader.h"

#include <algorithm>
#include <cmath>

#include "core/diag/nearest_name.h"

namespace drapery {

namespace {

constexpr int kMostPieces = 1000;

const char* kindName(Node::Kind kind) {
  switch (kind) {
    case Node::Kind::Null:
      return "date or nothing";
    case Node::Kind::Boolean:
      return "true or false";
    case Node::Kind::Number:
      return "number";
    case Node::Kind::Text:
      return "text";
    case Node::Kind::List:
      return "list";
    case Node::Kind::Table:
      return "table";
  }
  return "";
}

}  // namespace

bool isId(std::string_view id) {
  const auto isLetter = [](char c) {
    return (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9') || c == '_' || c == '-';
  };
  return !id.empty() && id.front() >= 'a' && id.front() <= 'z' && id.size() <= 64 &&
         std::all_of(id.begin(), id.end(), isLetter);
}

std::string joined(const std::vector<std::string>& names) {
  std::string out;
  for (const std::string& name : names) out += (out.empty() ? "" : ", ") + name;
  return out;
}

TableReader::TableReader(const Node& table, std::string section, IssuePlacer& placer)
    : table_(table), section_(std::move(section)), placer_(placer) {
  if (table.kind != Node::Kind::Table) complainType(table, section_.c_str(), "table");
}

SourcePosition TableReader::at(const Node& node) const {
  return placer_.at(node.source, node.line, node.column);
}

SourcePosition TableReader::inside(const Node& node) const {
  return placer_.at(node.source, node.line, node.column + 1);
}

void TableReader::complain(const Node& node, IssueId issue, Arguments arguments) {
  placer_.addAt(node, issue, std::move(arguments));
}

void TableReader::complainAt(const SourcePosition& at, IssueId issue, Arguments arguments) {
  placer_.add(issue, std::move(arguments), at);
}

void TableReader::complainInText(const SourcePosition& first, std::size_t offset, IssueId issue,
                                 Arguments arguments) {
  if (!placer_.isFull()) placer_.add(issue, std::move(arguments), placer_.inText(first, offset));
}

void TableReader::complainType(const Node& node, const char* key, const char* expected) {
  complain(node, "type-wrong",
           {{"key", std::string(key)},
            {"found", std::string(kindName(node.kind))},
            {"expected", std::string(expected)}});
}

const Node* TableReader::find(const char* key) {
  known_.emplace_back(key);
  return table_.find(key);
}

const Node* TableReader::typed(const char* key, Node::Kind kind, Needed needed) {
  const Node* node = find(key);
  if (node == nullptr) {
    if (needed == Needed::Yes && table_.kind == Node::Kind::Table)
      complain(table_, "key-missing", {{"key", std::string(key)}, {"section", section_}});
    return nullptr;
  }
  if (node->kind == kind) return node;
  complainType(*node, key, kindName(kind));
  return nullptr;
}

const Node* TableReader::list(const char* key, Needed needed) {
  return typed(key, Node::Kind::List, needed);
}

std::string TableReader::id() {
  const Node* node = typed("id", Node::Kind::Text, Needed::Yes);
  if (node == nullptr) return {};
  if (!isId(node->text)) complain(*node, "id-malformed", {{"id", shortened(node->text)}});
  return node->text;
}

std::string TableReader::text(const char* key, Needed needed) {
  const Node* node = typed(key, Node::Kind::Text, needed);
  return node != nullptr ? node->text : std::string();
}

void TableReader::eachTranslation(
    const char* key, const std::function<void(const std::string& language, const Node&)>& visit,
    Node::Kind kind) {
  translated_.emplace_back(key, kind);
  const Node* words = table_.find("words");
  if (words == nullptr) return;
  for (const Node::Member& language : words->members) {
    const Node* text = language.value.find(key);
    if (text != nullptr && text->kind == kind) visit(language.key, *text);
  }
}

LocalText TableReader::words(const char* key, Needed needed) {
  LocalText words;
  words.text = text(key, needed);
  eachTranslation(key, [&](const std::string& language, const Node& text) {
    words.other[language] = text.text;
  });
  return words;
}

Sourced TableReader::sourced(const char* key, Needed needed) {
  const Node* node = typed(key, Node::Kind::Text, needed);
  if (node == nullptr) return {};
  if (needed == Needed::Yes && node->text.find_first_not_of(" \t\n") == std::string::npos)
    complain(*node, "text-empty", {{"key", std::string(key)}});
  return {node->text, inside(*node)};
}

std::vector<std::string> TableReader::texts(const char* key, Needed needed) {
  std::vector<std::string> all;
  const Node* node = list(key, needed);
  if (node == nullptr) return all;
  for (const Node& item : node->items) {
    if (item.kind != Node::Kind::Text) complainType(item, key, "list of texts");
    all.push_back(item.text);
  }
  return all;
}

bool TableReader::flag(const char* key) {
  const Node* node = typed(key, Node::Kind::Boolean, Needed::No);
  return node != nullptr && node->number != 0.0;
}

int TableReader::count(const char* key) {
  const Node* node = typed(key, Node::Kind::Number, Needed::No);
  if (node == nullptr) return 1;
  const bool isCount =
      node->number >= 1 && node->number <= kMostPieces && node->number == std::floor(node->number);
  if (!isCount) {
    complain(*node, "value-not-allowed",
             {{"key", std::string(key)},
              {"value", shortened(node->text)},
              {"allowed", std::string("whole numbers, 1 to 1000")}});
    return 1;
  }
  return static_cast<int>(node->number);
}

void TableReader::exactly(const char* key, const char* value) {
  const Node* node = typed(key, Node::Kind::Text, Needed::Yes);
  if (node == nullptr || node->text == value) return;
  complain(*node, "value-not-allowed",
           {{"key", std::string(key)},
            {"value", shortened(node->text)},
            {"allowed", std::string(value)}});
}

void TableReader::eachTable(const char* key, const std::function<void(const Node&)>& visit) {
  const Node* node = list(key, Needed::No);
  if (node == nullptr) return;
  for (const Node& item : node->items) {
    if (item.kind == Node::Kind::Table) {
      visit(item);
    } else {
      complainType(item, key, "list of tables");
    }
  }
}

/// `words.de.title`: languages, and in each of them texts of the entry.
void TableReader::finishTranslations(const Node& words) {
  for (const Node::Member& language : words.members) {
    if (language.value.kind != Node::Kind::Table) {
      complainType(language.value, "words", "table of texts for each language");
      continue;
    }
    for (const Node::Member& text : language.value.members) finishTranslation(language.key, text);
  }
}

void TableReader::finishTranslation(const std::string& language, const Node::Member& text) {
  std::vector<std::string> known;
  for (const auto& [key, kind] : translated_) {
    known.emplace_back(key);
    if (key != text.key) continue;
    if (text.value.kind != kind) complainType(text.value, known.back().c_str(), kindName(kind));
    return;
  }
  placer_.add("key-unknown",
              {{"key", shortened(text.key)},
               {"section", "words." + shortened(language)},
               {"nearest", nearestName(text.key, known)}},
              placer_.at(text.source, text.line, text.column));
}

void TableReader::finish() {
  if (!translated_.empty()) {
    known_.emplace_back("words");
    const Node* words = table_.find("words");
    if (words != nullptr && words->kind == Node::Kind::Table)
      finishTranslations(*words);
    else if (words != nullptr)
      complainType(*words, "words", "table of languages");
  }
  for (const Node::Member& member : table_.members) {
    if (placer_.isFull()) return;
    if (std::find(known_.begin(), known_.end(), member.key) != known_.end()) continue;
    placer_.add("key-unknown",
                {{"key", shortened(member.key)},
                 {"section", section_},
                 {"nearest", nearestName(member.key, {known_.begin(), known_.end()})}},
                placer_.at(member.source, member.line, member.column));
  }
}

}  // namespace drapery
