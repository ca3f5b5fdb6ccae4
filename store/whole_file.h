// Files read and written whole: a reader never sees half a file, a failed write leaves the old one.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <variant>

#include "core/diag/issue.h"

namespace drapery {

/// "file-unreadable" with the system's reason, or "file-too-large" over `limit` bytes.
std::variant<std::string, Issue> readWhole(const std::string& path, std::size_t limit);

/// Writes beside the file, syncs, renames over it. The issue is "file-unwritable" with the path and
/// the system's reason; the old file is then untouched and nothing is left beside it.
std::optional<Issue> writeWhole(const std::string& path, std::string_view text);

/// The same for a file that must not be there yet: "file-there" when it is, whoever was first.
std::optional<Issue> writeNew(const std::string& path, std::string_view text);

}  // namespace drapery
