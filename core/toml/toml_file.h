// A TOML file as text, before it is read: rules or materials.
#pragma once

#include <memory>
#include <string>
#include <string_view>
#include <vector>

#include "core/diag/issue.h"

namespace drapery {

/// A text that is copied without being copied: what ships stands in the program, what was read is
/// shared.
class FileText {
 public:
  FileText() = default;
  FileText(std::string text)
      : owned_(std::make_shared<const std::string>(std::move(text))), view_(*owned_) {}
  FileText(const char* text) : FileText(std::string(text)) {}
  /// Of a text that lasts as long as the program.
  static FileText lasting(std::string_view text) {
    FileText kept;
    kept.view_ = text;
    return kept;
  }
  operator std::string_view() const { return view_; }
  [[nodiscard]] std::string_view view() const { return view_; }

 private:
  std::shared_ptr<const std::string> owned_;
  std::string_view view_;
};

struct TomlFile {
  std::string file;  // as shown in messages
  FileText text;
  std::string_view packed = {};  // the same already read, for files that ship; may be empty
};

inline constexpr std::size_t kLargestTomlFile = 4UL << 20U;

/// The `*.toml` files in a folder, by name; none when there is no such folder. What lies there
/// under such a name and is no file, cannot be read or is too large is told in `leftOut`, one issue
/// each.
std::vector<TomlFile> tomlFilesIn(const std::string& folder, Issues& leftOut);

}  // namespace drapery
