// TOML text to a Node tree. The only place that includes toml++.
#pragma once

#include <optional>
#include <string_view>
#include <variant>

#include "core/diag/node.h"

namespace drapery {

/// The tree, or the one syntax error ("toml-syntax") with its line and column. Dates are refused.
/// `source` is set on every node.
std::variant<Node, Issue> parseToml(std::string_view text, int source);

struct ByteRange {
  std::size_t begin = 0, end = 0;
};
/// Where the value of a key of the file itself stands, by the parser's own account; none where
/// there is no such key or the text is no TOML.
std::optional<ByteRange> topLevelValue(std::string_view text, std::string_view key);
/// The same of an entry with that id in a list of tables, `[[list]]`.
std::optional<ByteRange> entryValue(std::string_view text, std::string_view list,
                                    std::string_view id, std::string_view key);

}  // namespace drapery
