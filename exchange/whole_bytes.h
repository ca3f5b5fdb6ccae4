// Painted files are made in memory and written whole or not at all.
#pragma once

#include <QByteArray>
#include <functional>
#include <optional>
#include <string>
#include <string_view>
#include <variant>

#include "core/diag/issue.h"

namespace drapery {

/// What a file is to hold, or why it cannot be made.
using Painted = std::variant<QByteArray, Issue>;

/// The same bytes, for as long as they live.
std::string_view textOf(const QByteArray& bytes);

/// "file-there" where there is one and it is not to be replaced.
std::optional<Issue> writeBytes(const QByteArray& bytes, const std::string& path, bool replaces);

/// In the place of what is there, as was agreed in the window; nothing once `isCancelled` holds.
std::optional<Issue> writePainted(Painted painted, const std::string& path,
                                  const std::function<bool()>& isCancelled);

}  // namespace drapery
