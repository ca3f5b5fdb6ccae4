#include "core/toml/toml_file.h"

#include <algorithm>
#include <filesystem>

#include "core/file/read_file.h"

namespace drapery {

std::vector<TomlFile> tomlFilesIn(const std::string& folder, Issues& leftOut) {
  std::error_code error;
  std::vector<std::filesystem::path> paths;
  for (std::filesystem::directory_iterator at(folder, error), end; !error && at != end;
       at.increment(error))
    if (at->path().extension() == ".toml") paths.push_back(at->path());
  if (error && error != std::errc::no_such_file_or_directory)
    leftOut.push_back({"folder-unreadable", {{"reason", error.message()}}, {}, {folder, 0, 0}, {}});
  std::sort(paths.begin(), paths.end());
  std::vector<TomlFile> files;
  files.reserve(paths.size());
  for (const auto& path : paths) {
    auto text = readWhole(path.string(), kLargestTomlFile);
    if (auto* issue = std::get_if<Issue>(&text))
      leftOut.push_back(std::move(*issue));
    else
      files.push_back({path.string(), std::move(std::get<std::string>(text))});
  }
  return files;
}

}  // namespace drapery
