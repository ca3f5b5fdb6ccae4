#include "core/method/method_library.h"

#include <algorithm>
#include <filesystem>
#include <fstream>
#include <iterator>

namespace drapery {

namespace {

std::string idFromFile(const std::string& file) {
  return std::filesystem::path(file).stem().string();
}

std::string readAll(const std::filesystem::path& path) {
  std::ifstream in(path, std::ios::binary);
  return {std::istreambuf_iterator<char>(in), std::istreambuf_iterator<char>()};
}

}  // namespace

bool isBaseSource(const MethodSource& source) {
  return source.text.find("\nis_base = true") != std::string::npos;
}

MethodLibrary::MethodLibrary() {
  for (const MethodSource& source : shippedMethods())
    entries_.push_back({idFromFile(source.file), source, true});
}

MethodLibrary::MethodLibrary(const std::string& folder) : MethodLibrary() {
  std::error_code ignored;
  std::vector<std::filesystem::path> files;
  for (const auto& entry : std::filesystem::directory_iterator(folder, ignored))
    if (entry.path().extension() == ".toml") files.push_back(entry.path());
  std::sort(files.begin(), files.end());
  for (const auto& file : files) {
    const std::string id = file.stem().string();
    if (!source(id)) entries_.push_back({id, {file.string(), readAll(file)}, false});
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

std::optional<MethodSource> MethodLibrary::source(std::string_view id) const {
  for (const Entry& entry : entries_)
    if (entry.id == id) return entry.source;
  return std::nullopt;
}

LoadedMethod MethodLibrary::load(std::string_view id) const {
  for (const Entry& entry : entries_) {
    if (entry.id != id) continue;
    const auto check = entry.isShipped ? FormulaCheck::NamesOnly : FormulaCheck::Full;
    return loadMethod(
        entry.source, [this](std::string_view base) { return source(base); }, check);
  }
  return {};
}

}  // namespace drapery
