// Files written whole: a reader never sees half a file, a failed write leaves the old one.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/diag/issue.h"

namespace drapery {

/// Writes beside the file, syncs, renames over it. The issue is "file-unwritable" with the path and
/// the system's reason; the old file is then untouched and nothing is left beside it.
std::optional<Issue> writeWhole(const std::string& path, std::string_view text);

/// The same for a file that must not be there yet: "file-there" when it is, whoever was first.
std::optional<Issue> writeNew(const std::string& path, std::string_view text);

/// Several files, or none of them: all are filled beside their places before the first is given
/// its name. "file-there" for one that is there already, unless they are to be replaced; what must
/// not be replaced is told by `notToBeReplaced`.
struct NewFile {
  std::string path;
  std::string_view text;
};
std::optional<Issue> writeTogether(const std::vector<NewFile>& files, bool replaces);

/// Why a new file must not take the place of what is there: a folder, a pipe, a device, a link, or
/// the job that it is made from. None for a file, and where there is nothing.
std::optional<Issue> notToBeReplaced(const std::string& path, const std::string& job);

/// Takes away what a write that was killed left in the folder: files of this user, older than a
/// day.
void removeLeftovers(const std::string& folder);

}  // namespace drapery
