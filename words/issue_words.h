// The words for each Issue id, and how a placed message is written.
#pragma once

#include <functional>
#include <string>
#include <vector>

#include "core/diag/issue.h"
#include "core/quantity/format_length.h"

namespace drapery {

/// Turns a template of the catalogue into another language before its figures are filled in.
using Translate = std::function<std::string(const char* english)>;

/// "text_height: 40 m is not allowed; 20 mm to 1200 mm". Figures in the notation's unit.
std::string issueWords(const Issue& issue, const Notation& notation,
                       const Translate& translate = {});

/// "file:line:column: words", without what is unknown.
std::string placedWords(const Issue& issue, const Notation& notation);

/// placedWords, then the source line and a caret under the column.
std::string placedWordsWithCaret(const Issue& issue);

/// Every id that has words.
std::vector<std::string> issueIds();

}  // namespace drapery
