// What a kind of book is chosen by: what it serves for, and how it is made of given leaves.
#pragma once

#include <array>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "core/rules/entry_reader.h"

namespace drapery {

struct RuleSet;

/// What a book may be for; a file's `serves` lists some of them.
inline constexpr std::array<std::string_view, 6> kBookUses{"lies-flat", "both-sides", "written",
                                                           "read",      "gift",       "class"};

/// The three measures of a block of leaves, as a file's `leaves` names them.
inline constexpr std::array<std::string_view, 3> kLeafMeasures{"height", "width", "thickness"};

/// What is said of such a book so that it is made of given leaves: an input, and one of the leaves'
/// measures or an entry like "2.4 mm".
using LeavesRule = std::vector<std::pair<std::string, std::string>>;

/// `serves` and `leaves`.
void readChoosing(TableReader& in, RuleSet& rules);

}  // namespace drapery
