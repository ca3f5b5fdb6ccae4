// Whether a TOML text can be parsed without running out of stack.
#pragma once

#include <optional>
#include <string_view>

#include "core/diag/issue.h"

namespace drapery {

inline constexpr int kDeepestTomlKey = 16;

/// Where a key begins that has more than `kDeepestTomlKey` parts with dots between them; each part
/// is a table of its own. Looks at keys and numbers alone, not into texts and comments.
std::optional<SourcePosition> keyTooDeep(std::string_view toml);

}  // namespace drapery
