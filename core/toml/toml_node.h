// TOML text to a Node tree. The only place that includes toml++.
#pragma once

#include <string_view>
#include <variant>

#include "core/diag/node.h"

namespace drapery {

/// The tree, or the one syntax error ("toml-syntax") with its line and column. Dates are refused.
/// `source` is set on every node.
std::variant<Node, Issue> parseToml(std::string_view text, int source);

}  // namespace drapery
