// All that the rule files say, for reading: docs/methods.md.
#pragma once

#include <string>

#include "core/rules/rule_library.h"

namespace drapery {

/// Markdown. First the ground that the methods share, a base at a time, then each method with what
/// it adds or says otherwise; the functions that formulas call; the materials of the catalogue.
std::string methodsReference(const RuleLibrary& library);

}  // namespace drapery
