// A TOML file as text, before it is read: rules or materials.
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace drapery {

struct TomlFile {
  std::string file;  // as shown in messages
  std::string text;
  std::string_view packed = {};  // the same already read, for files that ship; may be empty
};

/// The `*.toml` files in a folder, by name; none when there is no such folder.
std::vector<TomlFile> tomlFilesIn(const std::string& folder);

}  // namespace drapery
