#include "app/words/size_typed.h"

#include <QRegularExpression>
#include <QStringList>

#include "core/quantity/parse_length.h"

namespace drapery {

std::optional<std::pair<QString, QString>> sidesTyped(const QString& text) {
  static const QRegularExpression kBetween(QStringLiteral("\\s*[x×X*]\\s*"));
  static const QRegularExpression kUnit(QStringLiteral("[a-zA-Z\"″]+$"));
  QStringList sides = text.trimmed().split(kBetween);
  if (sides.size() != 2) return std::nullopt;
  if (!sides[0].isEmpty() && !namesUnit(sides[0].toStdString()))
    sides[0] += kUnit.match(sides[1]).captured();
  return std::pair(sides[0], sides[1]);
}

}  // namespace drapery
