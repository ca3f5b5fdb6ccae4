// Whether a TOML text can be parsed without running out of stack: the parser, and the trees that it
// makes, call themselves for each level.
#pragma once

#include <optional>
#include <string_view>

#include "core/diag/issue.h"

namespace drapery {

inline constexpr int kDeepestTomlKey = 16;  // parts with dots between them: each is a table
inline constexpr int kDeepestToml = 32;     // brackets and braces

/// The first place that goes deeper: "toml-key-deep" at a key's beginning, "too-deep" at a bracket.
/// Looks at keys, numbers and brackets alone, not into texts and comments.
std::optional<Issue> tomlTooDeep(std::string_view toml);

}  // namespace drapery
