#include "store/copy_method.h"

#include <filesystem>

#include "core/diag/nearest_name.h"
#include "core/rules/load_rules.h"
#include "core/toml/toml_node.h"
#include "core/toml/written_text.h"
#include "store/open_job.h"
#include "store/whole_file.h"

namespace drapery {

namespace {

/// `key = value` at the top of the file; where the key is new it comes after the id.
void setTopLevel(std::string& text, const std::string& key, const std::string& value) {
  if (const auto range = topLevelValue(text, key)) {
    text.replace(range->begin, range->end - range->begin, value);
  } else if (const auto id = topLevelValue(text, "id")) {
    text.insert(id->end, "\n" + key + " = " + value);
  }
}

/// What the file says about itself at its top is of the file that it was copied from.
std::string withoutTopComment(std::string_view text) {
  while (text.starts_with("#")) text.remove_prefix(std::min(text.find('\n'), text.size() - 1) + 1);
  return std::string(text);
}

}  // namespace

std::variant<std::string, Issues> houseCopy(const RuleLibrary& library, const std::string& id,
                                            const std::string& newId) {
  if (!library.knows(id)) return Issues{unknownMethod(id, library.ids())};
  if (LoadedRules loaded = library.load(id); loaded.rules == nullptr) return loaded.issues;
  std::string text = withoutTopComment(library.source(id)->text);
  setTopLevel(text, "id", quotedText(newId));
  setTopLevel(text, "base", quotedText(id));
  setTopLevel(text, "title", quotedText(library.title(id) + ", our way"));
  text = "# Our own rules, copied from " + id + ".\n" +
         "# Change what is to be otherwise and take the rest out: it then comes from " + id +
         " again.\n# An entry need only name what it changes: its id and, say, its default.\n" +
         text;
  LoadedRules copy = loadRules({newId + ".toml", text},
                               [&](std::string_view base) { return library.source(base); });
  if (copy.rules == nullptr) return copy.issues;
  return text;
}

std::variant<std::string, Issues> writeHouseCopy(const RuleLibrary& library, const std::string& id,
                                                 const std::string& folder) {
  const std::string newId = id + "-house";
  auto text = houseCopy(library, id, newId);
  if (auto* issues = std::get_if<Issues>(&text)) return std::move(*issues);
  const std::string path = folder + "/" + newId + ".toml";
  std::error_code error;
  std::filesystem::create_directories(folder, error);
  if (std::filesystem::exists(path, error) || library.source(newId))
    return Issues{{"file-there", {{"path", path}}, {}, {}, {}}};
  if (auto issue = writeWhole(path, std::get<std::string>(text))) return Issues{*issue};
  return path;
}

}  // namespace drapery
