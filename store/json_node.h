// JSON text to a Node tree with the place of every value. Refuses what a job file may not be.
#pragma once

#include <string>
#include <string_view>
#include <variant>

#include "core/diag/node.h"

namespace drapery {

inline constexpr std::size_t kLargestJsonFile = 4UL << 20U;
inline constexpr int kDeepestJson = 64;

/// The tree, or every mistake that keeps it from being one: not UTF-8, not JSON, over 4 MB, nested
/// over 64 deep, the same key twice in one object, a number beyond what a double holds. `begin` and
/// `end` of each node are its byte range. Issues carry line and column, not the file.
std::variant<Node, Issues> parseJson(std::string_view text);

/// A value as a message shows it.
std::string described(const Node& node);

}  // namespace drapery
