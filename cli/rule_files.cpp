#include "cli/rule_files.h"

#include <filesystem>

#include "core/file/read_file.h"

namespace drapery::cli {

std::optional<TomlFile> fileBeside(const std::string& path, std::string_view id) {
  if (id.find('/') != std::string_view::npos) return std::nullopt;
  const auto folder = std::filesystem::path(path).parent_path();
  const std::string beside = (folder / (std::string(id) + ".toml")).string();
  auto text = readWhole(beside, kLargestTomlFile);
  if (auto* found = std::get_if<std::string>(&text)) return TomlFile{beside, std::move(*found)};
  return std::nullopt;
}

}  // namespace drapery::cli
