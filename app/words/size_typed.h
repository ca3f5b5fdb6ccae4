// A size as it is typed: "140 x 216", "139 × 214 mm".
#pragma once

#include <QString>
#include <optional>
#include <utility>

namespace drapery {

/// Its two sides, either of which may be empty; a unit behind the second alone is of both. None
/// where there are not two.
std::optional<std::pair<QString, QString>> sidesTyped(const QString& text);

}  // namespace drapery
