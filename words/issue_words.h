// The words for each Issue id, and how a placed message is written.
#pragma once

#include <string>
#include <vector>

#include "core/diag/issue.h"
#include "core/quantity/format_length.h"
#include "words/translate.h"

namespace drapery {

/// "text_height: 40 m is not allowed; 20 mm to 1200 mm". Figures in the notation's unit.
std::string issueWords(const Issue& issue, const Notation& notation,
                       const Translate& translate = {});

/// "file:line:column: words", without what is unknown.
std::string placedWords(const Issue& issue, const Notation& notation);

/// placedWords, then the source line and a caret under the column.
std::string placedWordsWithCaret(const Issue& issue, const Notation& notation = {});

/// Every id that has words.
std::vector<std::string> issueIds();

}  // namespace drapery
