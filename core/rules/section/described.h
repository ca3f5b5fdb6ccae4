// How a section's entries are told in the reference (docs/methods.md): Markdown, in English like
// the rule files themselves.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/quantity/units.h"
#include "core/rules/rule_words.h"

namespace drapery {

/// One entry under its heading.
struct Described {
  std::string heading;
  std::string text;  // a line, its end included
};

std::string asCode(std::string_view text);
std::string asCode(const RuleFormula& formula);
/// " Only where `...`.", or nothing for an entry that always counts.
std::string onlyWhere(const RuleFormula& when);
/// A sentence more, with the blank before it; nothing for an empty one.
std::string andSays(const std::string& text);
/// The practice in italics, likewise.
std::string fromPractice(const std::string& practice);
/// Words with their expressions as code.
std::string wordsAsCode(const RuleWords& words);
/// "3 mm", "45°", "2"; "–" for none.
std::string plainAmount(const Amount& amount);

}  // namespace drapery
