// Files read whole, whatever lies in their place.
#pragma once

#include <optional>
#include <string>
#include <variant>

#include "core/diag/issue.h"

namespace drapery {

enum class Readable {
  Files,   // nothing else: a pipe would be waited for, a device may have no end
  Streams  // also pipes and terminals, where the binder named one
};

/// "file-unreadable" with what was in the way, or "file-too-large" over `limit` bytes. Never waits
/// for anything but the disk, unless streams are allowed.
std::variant<std::string, Issue> readWhole(const std::string& path, std::size_t limit,
                                           Readable readable = Readable::Files);

/// What lies there when it is no plain file: "it is a folder", "it is a pipe". Links are followed.
/// None for a file, and where there is nothing.
std::optional<std::string> otherThanFile(const std::string& path);

}  // namespace drapery
