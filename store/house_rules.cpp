#include "store/house_rules.h"

#include <algorithm>

#include "core/toml/toml_node.h"
#include "core/toml/written_text.h"

namespace drapery {

namespace {

std::optional<ByteRange> valueAt(const std::string& file, const RulePlace& place, const char* key) {
  return entryValue(file, place.list, place.id, key);
}

/// The whole line that a value stands in, its end with it.
ByteRange lineOf(const std::string& file, const ByteRange& value) {
  const std::size_t before =
      value.begin == 0 ? std::string::npos : file.rfind('\n', value.begin - 1);
  const std::size_t after = file.find('\n', value.end);
  return {before == std::string::npos ? 0 : before + 1,
          after == std::string::npos ? file.size() : after + 1};
}

}  // namespace

std::string houseBegun(const RuleLibrary& library, const std::string& id,
                       const std::string& newId) {
  return "# Our own rules on " + id + ": what is not said here comes from there.\n" +
         "schema = \"drapery-method/1\"\nid = " + quotedText(newId) + "\nbase = " + quotedText(id) +
         "\ntitle = " + quotedText(library.title(id) + ", our way") + "\n";
}

std::optional<std::string> ruleText(const std::string& file, const RulePlace& place) {
  const auto parsed = parseToml(file, 0);
  const Node* root = std::get_if<Node>(&parsed);
  const Node* list = root != nullptr ? root->find(place.list) : nullptr;
  if (list == nullptr) return std::nullopt;
  for (const Node& entry : list->items) {
    const Node* id = entry.find("id");
    const Node* value = entry.find(place.key);
    if (id != nullptr && id->text == place.id && value != nullptr) return value->text;
  }
  return std::nullopt;
}

std::string withRuleEdit(std::string file, const RuleEdit& edit) {
  const auto value = valueAt(file, edit.place, edit.place.key.c_str());
  if (!edit.text) {
    if (value) {
      const ByteRange line = lineOf(file, *value);
      file.erase(line.begin, line.end - line.begin);
    }
    return file;
  }
  const std::string said = quotedText(*edit.text);
  if (value) {
    file.replace(value->begin, value->end - value->begin, said);
  } else if (const auto id = valueAt(file, edit.place, "id")) {
    file.insert(id->end, "\n" + edit.place.key + " = " + said);
  } else {
    if (!file.empty() && file.back() != '\n') file += '\n';
    file += "\n[[" + edit.place.list + "]]\nid = " + quotedText(edit.place.id) + "\n" +
            edit.place.key + " = " + said + "\n";
  }
  return file;
}

std::string withRuleEdits(std::string file, const RuleEdits& edits) {
  for (const RuleEdit& edit : edits) file = withRuleEdit(std::move(file), edit);
  return file;
}

std::optional<std::size_t> offsetIn(const std::string& file, const RulePlace& place, int line,
                                    int column) {
  const auto value = valueAt(file, place, place.key.c_str());
  if (!value || line < 1 || column < 1) return std::nullopt;
  std::size_t at = 0;
  for (int k = 1; k < line; ++k) {
    at = file.find('\n', at);
    if (at == std::string::npos) return std::nullopt;
    ++at;
  }
  at += static_cast<std::size_t>(column - 1);
  if (at <= value->begin || at >= value->end) return std::nullopt;
  // Escapes before it take two bytes each and stand for one.
  std::size_t offset = 0;
  for (std::size_t k = value->begin + 1; k < at; ++k, ++offset)
    if (file[k] == '\\') ++k;
  return offset;
}

}  // namespace drapery
