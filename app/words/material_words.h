// Materials as the window names them, and what a typed name means.
#pragma once

#include <QStringList>
#include <optional>

#include "app/document/document.h"

namespace drapery {

/// "Buckram · cloth, 0.5 mm": each that can stand for the input, and, where one was named, the way
/// back to a figure.
QStringList materialNames(const Document& document, const InputRule& rule);

/// The title of the material that was named for the input; empty when none was.
QString namedMaterial(const Document& document, const InputRule& rule);

/// What a text at the input's tag says in place of a figure; none when it is no name: a whole name
/// of the list, an id, or words that are in one of them only. Words that are in none name nothing
/// known, which is for the plan to refuse.
std::optional<Entry> entryNamed(const Document& document, const InputRule& rule,
                                const QString& text);

/// Whether some name of the list begins like that or has it in it.
bool couldBecomeName(const Document& document, const InputRule& rule, const QString& text);

}  // namespace drapery
