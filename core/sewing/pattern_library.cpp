#include "core/sewing/pattern_library.h"

#include <algorithm>
#include <filesystem>

#include "core/diag/nearest_name.h"

namespace drapery {

namespace {

std::string stemOf(const TomlFile& file) {
  return std::filesystem::path(file.file).stem().string();
}

const TomlFile* named(const std::vector<TomlFile>& files, std::string_view id) {
  const auto found = std::find_if(files.begin(), files.end(),
                                  [&](const TomlFile& file) { return stemOf(file) == id; });
  return found == files.end() ? nullptr : &*found;
}

}  // namespace

PatternLibrary::PatternLibrary(const std::string& folder) {
  for (const TomlFile& file : shippedPatterns()) entries_.push_back({stemOf(file), file, true});
  if (folder.empty()) return;
  for (TomlFile& file : tomlFilesIn(folder, leftOut_)) {
    const std::string id = stemOf(file);
    if (named(shippedPatterns(), id) != nullptr)
      leftOut_.push_back({"id-ships", {{"id", shortened(id)}}, {}, {file.file, 0, 0}, {}});
    else
      entries_.push_back({id, std::move(file), false});
  }
}

std::vector<std::string> PatternLibrary::ids() const {
  std::vector<std::string> all;
  for (const Entry& entry : entries_) all.push_back(entry.id);
  return all;
}

bool PatternLibrary::isHouse(std::string_view id) const {
  return std::any_of(entries_.begin(), entries_.end(),
                     [&](const Entry& entry) { return entry.id == id && !entry.isShipped; });
}

std::optional<TomlFile> PatternLibrary::source(std::string_view id) const {
  for (const Entry& entry : entries_)
    if (entry.id == id) return entry.source;
  return std::nullopt;
}

Issue PatternLibrary::unknown(std::string_view id) const {
  const std::vector<std::string> known = ids();
  std::string all;
  for (const std::string& each : known) all += (all.empty() ? "" : ", ") + each;
  return {"pattern-unknown",
          {{"value", shortened(id)}, {"nearest", nearestName(id, known)}, {"allowed", all}},
          "pattern",
          {},
          {}};
}

LoadedRules PatternLibrary::load(std::string_view id) const {
  const std::lock_guard lock(loaded_->mutex);
  if (const auto known = loaded_->rules.find(id); known != loaded_->rules.end())
    return known->second;
  const auto file = source(id);
  if (!file) return {nullptr, {unknown(id)}};
  const auto bases = [this](std::string_view base) { return source(base); };
  return loaded_->rules.emplace(id, loadPattern(*file, bases, *named(shippedSewing(), "stab")))
      .first->second;
}

LoadedRules PatternLibrary::loadFile(const TomlFile& file, const BaseLookup& beside) const {
  const auto bases = [&](std::string_view base) {
    auto found = beside(base);
    return found ? found : source(base);
  };
  return loadPattern(file, bases, *named(shippedSewing(), "stab"));
}

LoadedRules PatternLibrary::kind(std::string_view id) const {
  const std::string key = "kind/" + std::string(id);
  const std::lock_guard lock(loaded_->mutex);
  if (const auto known = loaded_->rules.find(key); known != loaded_->rules.end())
    return known->second;
  const TomlFile* file = named(shippedSewing(), id);
  if (file == nullptr) return {};
  const auto none = [](std::string_view) { return std::nullopt; };
  return loaded_->rules.emplace(key, loadRules(*file, none, FormulaCheck::NamesOnly)).first->second;
}

}  // namespace drapery
