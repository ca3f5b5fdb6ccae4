// A rule file already read, as bytes: what the build makes of the files that ship, so that a start
// need not parse TOML.
#pragma once

#include <string>
#include <string_view>

#include "core/diag/node.h"

namespace drapery {

/// Everything but the byte range (`begin`, `end`) and `source`.
std::string packNode(const Node& node);

/// `source` is set on every node. Bytes that packNode did not write give an issue, "pack-broken".
std::variant<Node, Issue> unpackNode(std::string_view packed, int source);

}  // namespace drapery
