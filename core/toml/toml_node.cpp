#include "core/toml/toml_node.h"

#include <toml++/toml.h>

#include <algorithm>
#include <cmath>

#include "core/diag/utf8.h"
#include "core/quantity/format_length.h"
#include "core/toml/toml_depth.h"
#include "core/toml/toml_file.h"

namespace drapery {

namespace {

Node toNode(const toml::node& from, int source);

void place(Node& node, const toml::source_position& at, int source) {
  node.line = static_cast<int>(at.line);
  node.column = static_cast<int>(at.column);
  node.source = source;
}

Node fromTable(const toml::table& table, int source) {
  Node node;
  node.kind = Node::Kind::Table;
  for (const auto& [key, value] : table) {
    const auto at = key.source().begin;
    node.members.push_back({std::string(key.str()), static_cast<int>(at.line),
                            static_cast<int>(at.column), source, toNode(value, source)});
  }
  // toml++ sorts by name; a reader of messages expects the order of the file.
  std::stable_sort(node.members.begin(), node.members.end(), [](const auto& a, const auto& b) {
    return std::pair(a.line, a.column) < std::pair(b.line, b.column);
  });
  return node;
}

Node fromArray(const toml::array& array, int source) {
  Node node;
  node.kind = Node::Kind::List;
  for (const auto& item : array) node.items.push_back(toNode(item, source));
  return node;
}

Node fromNumber(double value) {
  Node node;
  node.kind = Node::Kind::Number;
  node.number = value;
  constexpr double kExact = 1e15;
  const bool isWhole = value == std::trunc(value) && std::abs(value) < kExact;
  node.text = isWhole ? std::to_string(static_cast<long long>(value)) : formatNumber(value, 6);
  return node;
}

Node fromValue(const toml::node& from) {
  Node node;
  if (const auto* text = from.as_string()) {
    node.kind = Node::Kind::Text;
    node.text = text->get();
  } else if (const auto* flag = from.as_boolean()) {
    node.kind = Node::Kind::Boolean;
    node.number = flag->get() ? 1.0 : 0.0;
  } else if (from.is_number()) {
    return fromNumber(from.value<double>().value_or(0.0));
  }
  return node;  // a date stays Null and is refused as a wrong type
}

Node toNode(const toml::node& from, int source) {
  Node node = from.is_table()   ? fromTable(*from.as_table(), source)
              : from.is_array() ? fromArray(*from.as_array(), source)
                                : fromValue(from);
  place(node, from.source().begin, source);
  return node;
}

/// toml++ counts lines, and in a line characters, from 1.
std::size_t offsetOf(std::string_view text, const toml::source_position& at) {
  std::size_t line = 0;
  for (auto number = at.line; number > 1; --number) line = text.find('\n', line) + 1;
  return line + std::min(bytesOf(text.substr(line), at.column - 1), text.size() - line);
}

}  // namespace

std::optional<ByteRange> topLevelValue(std::string_view text, std::string_view key) {
  try {
    const toml::table table = toml::parse(text);
    const toml::node* value = table.get(key);
    if (value == nullptr) return std::nullopt;
    const toml::source_region& region = value->source();
    return ByteRange{offsetOf(text, region.begin), offsetOf(text, region.end)};
  } catch (const toml::parse_error&) {
    return std::nullopt;
  }
}

std::optional<ByteRange> entryValue(std::string_view text, std::string_view list,
                                    std::string_view id, std::string_view key) {
  try {
    const toml::table table = toml::parse(text);
    const toml::array* entries = table[list].as_array();
    if (entries == nullptr) return std::nullopt;
    for (const toml::node& each : *entries) {
      const toml::table* entry = each.as_table();
      if (entry == nullptr || (*entry)["id"].value<std::string_view>() != id) continue;
      const toml::node* value = entry->get(key);
      if (value == nullptr) continue;
      const toml::source_region& region = value->source();
      return ByteRange{offsetOf(text, region.begin), offsetOf(text, region.end)};
    }
  } catch (const toml::parse_error&) {
  }
  return std::nullopt;
}

std::variant<Node, Issue> parseToml(std::string_view text, int source) {
  if (text.size() > kLargestTomlFile)
    return Issue{"file-too-large", {{"limit", std::string("4 MB")}}, {}, {}, {}};
  if (auto issue = tomlTooDeep(text)) return std::move(*issue);
  try {
    return toNode(toml::parse(text), source);
  } catch (const toml::parse_error& error) {
    const auto at = error.source().begin;
    Issue issue{"toml-syntax", {{"detail", std::string(error.description())}}, {}, {}, {}};
    issue.where.line = static_cast<int>(at.line);
    issue.where.column = static_cast<int>(at.column);
    return issue;
  }
}

}  // namespace drapery
