// "The cover opens to {opening_angle}; it needs {gap_to_open - joint_gap} more."
#pragma once

#include <string>
#include <variant>

#include "core/method/method.h"

namespace drapery {

/// Splits at braces; `{{` and `}}` stand for the braces themselves. An expression may end in `:mm`,
/// `:deg` or `:1` to say its unit; without, a lone name has its own unit and a sum is in mm.
/// Fails with the byte offset of the brace that has no partner.
std::variant<WordsTemplate, std::size_t> parseWords(const Sourced& text);

}  // namespace drapery
