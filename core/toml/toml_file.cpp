#include "core/toml/toml_file.h"

#include <algorithm>
#include <filesystem>
#include <fstream>
#include <iterator>

namespace drapery {

namespace {

std::string readAll(const std::filesystem::path& path) {
  std::ifstream in(path, std::ios::binary);
  return {std::istreambuf_iterator<char>(in), std::istreambuf_iterator<char>()};
}

}  // namespace

std::vector<TomlFile> tomlFilesIn(const std::string& folder) {
  std::error_code ignored;
  std::vector<std::filesystem::path> paths;
  for (const auto& entry : std::filesystem::directory_iterator(folder, ignored))
    if (entry.path().extension() == ".toml") paths.push_back(entry.path());
  std::sort(paths.begin(), paths.end());
  std::vector<TomlFile> files;
  files.reserve(paths.size());
  for (const auto& path : paths) files.push_back({path.string(), readAll(path)});
  return files;
}

}  // namespace drapery
