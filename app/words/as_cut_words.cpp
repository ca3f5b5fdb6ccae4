#include "app/words/as_cut_words.h"

#include <array>

#include "app/words/size_typed.h"
#include "app/words/window_words.h"
#include "core/plan/job_overrides.h"
#include "core/quantity/parse_length.h"

namespace drapery {

namespace {

constexpr std::array<const char*, 2> kSides{"width", "height"};

std::string fieldOfSide(const std::string& part, std::size_t side) {
  return "as_cut/" + part + "/" + kSides[side];
}

}  // namespace

std::variant<FieldEdits, Issue> asCutTyped(const Document& document, const std::string& part,
                                           const QString& text) {
  FieldEdits edits{{fieldOfSide(part, 0), std::nullopt}, {fieldOfSide(part, 1), std::nullopt}};
  if (text.trimmed().isEmpty()) return edits;
  const auto sides = sidesTyped(text);
  if (!sides)
    return Issue{
        "as-cut-sides", {{"value", shortened(text.toStdString())}}, edits[0].first, {}, {}};
  for (std::size_t side = 0; side < 2; ++side) {
    const QString& figure = side == 0 ? sides->first : sides->second;
    if (figure.isEmpty()) continue;
    const Entry said{lengthWithUnit(figure.toStdString(), document.job().units), {}};
    const auto read = readSaid(edits[side].first, said.value, *document.plan().rules);
    if (const auto* issue = std::get_if<Issue>(&read)) return *issue;
    edits[side].second = said;
  }
  return edits;
}

QString asCutWords(const Document& document, const std::string& part) {
  QString words;
  for (std::size_t side = 0; side < 2; ++side) {
    if (side > 0) words += QStringLiteral(" × ");
    const FieldValue said = fieldValue(document.job(), fieldOfSide(part, side));
    if (!said) continue;
    const auto read = readSaid(fieldOfSide(part, side), said->value, *document.plan().rules);
    if (const auto* mm = std::get_if<double>(&read))
      words += bareWords(Length::fromMm(*mm), windowNotation(document.plan()));
  }
  return words == QStringLiteral(" × ") ? QString() : words.trimmed();
}

}  // namespace drapery
