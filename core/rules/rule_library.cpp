#include "core/rules/rule_library.h"

#include <algorithm>
#include <filesystem>

#include "core/toml/node_pack.h"
#include "core/toml/toml_node.h"

namespace drapery {

namespace {

std::string idFromFile(const std::string& file) {
  return std::filesystem::path(file).stem().string();
}

/// What ships says it in one way; a test holds the two together.
bool saysBase(std::string_view text) {
  return text.find("\nis_base = true") != std::string_view::npos;
}

std::string titleIn(const Node& root, const std::string& otherwise) {
  const Node* title = root.find("title");
  return title != nullptr && !title->text.empty() ? title->text : otherwise;
}

}  // namespace

RuleLibrary::RuleLibrary(const std::string& folder, CataloguePtr catalogue)
    : catalogue_(std::move(catalogue)) {
  for (const TomlFile& source : shippedRules())
    entries_.push_back({idFromFile(source.file), source, true, saysBase(source.text), {}});
  if (folder.empty()) return;
  for (TomlFile& file : tomlFilesIn(folder, leftOut_)) addHouseFile(std::move(file));
}

void RuleLibrary::addHouseFile(TomlFile file) {
  const std::string id = idFromFile(file.file);
  if (find(id) != nullptr) {
    leftOut_.push_back({"id-ships", {{"id", shortened(id)}}, {}, {file.file, 0, 0}, {}});
    return;
  }
  Entry entry{id, std::move(file), false, false, id};
  if (const auto root = rootOf(entry)) {
    const Node* base = root->find("is_base");
    entry.isBase = base != nullptr && base->kind == Node::Kind::Boolean && base->number != 0.0;
    entry.title = titleIn(*root, id);
  }
  entries_.push_back(std::move(entry));
}

std::vector<std::string> RuleLibrary::ids() const {
  std::vector<std::string> all;
  for (const Entry& entry : entries_)
    if (!entry.isBase) all.push_back(entry.id);
  return all;
}

bool RuleLibrary::isHouse(std::string_view id) const {
  const Entry* entry = find(id);
  return entry != nullptr && !entry->isShipped;
}

bool RuleLibrary::knows(std::string_view id) const {
  const Entry* entry = find(id);
  return entry != nullptr && !entry->isBase;
}

const RuleLibrary::Entry* RuleLibrary::find(std::string_view id) const {
  for (const Entry& entry : entries_)
    if (entry.id == id) return &entry;
  return nullptr;
}

std::optional<TomlFile> RuleLibrary::source(std::string_view id) const {
  const Entry* entry = find(id);
  return entry != nullptr ? std::optional(entry->source) : std::nullopt;
}

std::optional<Node> RuleLibrary::rootOf(const Entry& entry) {
  auto parsed = entry.source.packed.empty() ? parseToml(entry.source.text, 0)
                                            : unpackNode(entry.source.packed, 0);
  auto* root = std::get_if<Node>(&parsed);
  return root != nullptr ? std::optional(std::move(*root)) : std::nullopt;
}

std::string RuleLibrary::presentId(std::string_view id) const {
  if (find(id) != nullptr) return std::string(id);
  for (const Entry& entry : entries_) {
    const auto root = rootOf(entry);
    const Node* was = root ? root->find("was") : nullptr;
    if (was == nullptr) continue;
    for (const Node& former : was->items)
      if (former.text == id) return entry.id;
  }
  return std::string(id);
}

std::string RuleLibrary::title(std::string_view id) const {
  const Entry* entry = find(id);
  if (entry == nullptr) return std::string(id);
  if (!entry->title.empty()) return entry->title;
  const auto root = rootOf(*entry);
  return root ? titleIn(*root, entry->id) : entry->id;
}

std::string RuleLibrary::structureBelow(std::string_view id, int depth) const {
  constexpr int kDeepest = 8;
  const Entry* entry = find(id);
  if (entry == nullptr || depth > kDeepest) return {};
  const auto root = rootOf(*entry);
  if (!root) return {};
  if (const Node* said = root->find("structure")) return said->text;
  const Node* base = root->find("base");
  if (base == nullptr) return {};
  if (base->kind == Node::Kind::Text) return structureBelow(base->text, depth + 1);
  for (const Node& each : base->items)
    if (std::string found = structureBelow(each.text, depth + 1); !found.empty()) return found;
  return {};
}

std::string RuleLibrary::structure(std::string_view id) const {
  const std::lock_guard lock(loaded_->mutex);
  const auto known = loaded_->structures.find(id);
  if (known != loaded_->structures.end()) return known->second;
  return loaded_->structures.emplace(id, structureBelow(id, 0)).first->second;
}

std::vector<std::string> RuleLibrary::alike(std::string_view id) const {
  const std::string wanted = structure(id);
  std::vector<std::string> all = ids();
  if (!wanted.empty())
    std::erase_if(
        all, [&](const std::string& other) { return other != id && structure(other) != wanted; });
  return all;
}

LoadedRules RuleLibrary::load(std::string_view id) const {
  const std::lock_guard lock(loaded_->mutex);
  if (const auto known = loaded_->rules.find(id); known != loaded_->rules.end())
    return known->second;
  const Entry* entry = find(id);
  if (entry == nullptr) return {};
  const auto check = entry->isShipped ? FormulaCheck::NamesOnly : FormulaCheck::Full;
  const auto bases = [this](std::string_view base) { return source(base); };
  return loaded_->rules.emplace(entry->id, loadRules(entry->source, bases, check)).first->second;
}

}  // namespace drapery
