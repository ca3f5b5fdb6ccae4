// What is typed on a slip: the size that a piece really has.
#pragma once

#include <QString>
#include <variant>

#include "app/document/document.h"

namespace drapery {

/// "141 × 218.5", "141 x" for its width alone, "x 218.5" for its height alone; an empty text takes
/// back what was said. Or what is wrong with it.
std::variant<FieldEdits, Issue> asCutTyped(const Document& document, const std::string& part,
                                           const QString& text);

/// The same for what the job says now; empty when it says nothing.
QString asCutWords(const Document& document, const std::string& part);

}  // namespace drapery
