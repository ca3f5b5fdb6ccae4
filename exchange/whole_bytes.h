// Painted files are made in memory and written whole or not at all.
#pragma once

#include <QByteArray>
#include <optional>
#include <string>
#include <variant>

#include "core/diag/issue.h"

namespace drapery {

/// What a file is to hold, or why it cannot be made.
using Painted = std::variant<QByteArray, Issue>;

/// "file-there" where there is one and it is not to be replaced.
std::optional<Issue> writeBytes(const QByteArray& bytes, const std::string& path, bool replaces);

}  // namespace drapery
