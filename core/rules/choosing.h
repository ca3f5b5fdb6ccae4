// What a kind of book is chosen by: what it serves for, and how it is made of given leaves.
#pragma once

#include <array>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "core/rules/entry_reader.h"

namespace drapery {

class Linker;
struct RuleSet;

/// What a book may be for; a file's `serves` lists some of them.
inline constexpr std::array<std::string_view, 6> kBookUses{"lies-flat", "both-sides", "written",
                                                           "read",      "gift",       "class"};

/// The three measures of a block of leaves, as a file's `leaves` names them.
inline constexpr std::array<std::string_view, 3> kLeafMeasures{"height", "width", "thickness"};

/// What is said of such a book so that it is made of given leaves: an input, and one of the leaves'
/// measures or an entry like "2.4 mm".
struct LeavesEntry {
  std::string input, word;
  SourcePosition at;
};
using LeavesRule = std::vector<LeavesEntry>;

/// `serves` and `leaves`.
void readChoosing(TableReader& in, RuleSet& rules);
/// Each input of `leaves` must be one of the file's.
void linkChoosing(const RuleSet& rules, Linker& linker);

}  // namespace drapery
