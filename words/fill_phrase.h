// A phrase with what an issue tells in it.
#pragma once

#include <string>
#include <string_view>

#include "core/diag/issue.h"
#include "core/quantity/format_length.h"

namespace drapery {

/// "{name}" is what the issue tells by that name; "[ ... ]" is left out when something in it is
/// empty; "{{" and "}}" are braces.
std::string filledPhrase(std::string_view phrase, const Issue& issue, const Notation& notation);

}  // namespace drapery
