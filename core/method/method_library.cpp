#include "core/method/method_library.h"

#include <algorithm>
#include <filesystem>

#include "core/toml/node_pack.h"
#include "core/toml/toml_node.h"

namespace drapery {

namespace {

std::string idFromFile(const std::string& file) {
  return std::filesystem::path(file).stem().string();
}

}  // namespace

bool isBaseSource(const TomlFile& source) {
  return source.text.view().find("\nis_base = true") != std::string::npos;
}

MethodLibrary::MethodLibrary() {
  for (const TomlFile& source : shippedMethods())
    entries_.push_back({idFromFile(source.file), source, true, {}});
}

MethodLibrary::MethodLibrary(const std::string& folder, ShelfPtr shelf) : MethodLibrary() {
  shelf_ = std::move(shelf);
  for (TomlFile& file : tomlFilesIn(folder)) {
    const std::string id = idFromFile(file.file);
    if (!source(id)) entries_.push_back({id, std::move(file), false, {}});
  }
}

std::vector<std::string> MethodLibrary::ids() const {
  std::vector<std::string> all;
  for (const Entry& entry : entries_)
    if (!isBaseSource(entry.source)) all.push_back(entry.id);
  return all;
}

bool MethodLibrary::knows(std::string_view id) const {
  const auto found = source(id);
  return found && !isBaseSource(*found);
}

const MethodLibrary::Entry* MethodLibrary::find(std::string_view id) const {
  for (const Entry& entry : entries_)
    if (entry.id == id) return &entry;
  return nullptr;
}

std::optional<TomlFile> MethodLibrary::source(std::string_view id) const {
  const Entry* entry = find(id);
  return entry != nullptr ? std::optional(entry->source) : std::nullopt;
}

std::string MethodLibrary::title(std::string_view id) const {
  const Entry* entry = find(id);
  if (entry == nullptr) return std::string(id);
  if (!entry->title.empty()) return entry->title;
  const TomlFile& file = entry->source;
  const auto parsed = file.packed.empty() ? parseToml(file.text, 0) : unpackNode(file.packed, 0);
  const auto* root = std::get_if<Node>(&parsed);
  const Node* title = root != nullptr ? root->find("title") : nullptr;
  entry->title = title != nullptr && !title->text.empty() ? title->text : entry->id;
  return entry->title;
}

LoadedMethod MethodLibrary::load(std::string_view id) const {
  if (const auto known = loaded_.find(id); known != loaded_.end()) return known->second;
  const Entry* entry = find(id);
  if (entry == nullptr) return {};
  const auto check = entry->isShipped ? FormulaCheck::NamesOnly : FormulaCheck::Full;
  const auto bases = [this](std::string_view base) { return source(base); };
  return loaded_.emplace(entry->id, loadMethod(entry->source, bases, check)).first->second;
}

}  // namespace drapery
