#include "core/rules/section/described.h"

#include <cmath>

#include "core/expr/print_formula.h"
#include "core/quantity/format_length.h"

namespace drapery {

std::string asCode(std::string_view text) { return "`" + std::string(text) + "`"; }

std::string asCode(const RuleFormula& formula) {
  return asCode(printFormula(formula.formula, formula.formula.root()));
}

std::string onlyWhere(const RuleFormula& when) {
  return when.empty() ? std::string() : " Only where " + asCode(when) + ".";
}

std::string andSays(const std::string& text) { return text.empty() ? text : " " + text; }

std::string fromPractice(const std::string& practice) {
  return practice.empty() ? std::string() : " *" + practice + "*";
}

std::string wordsAsCode(const RuleWords& words) {
  std::string out;
  std::size_t bracket = 0;
  for (const RuleWords::Piece& piece : words.first) {
    if (bracket != 0 && piece.bracket != bracket) out += "]";
    if (piece.bracket != 0 && piece.bracket != bracket) out += "[";
    bracket = piece.bracket;
    if (!piece.expression) {
      out += piece.literal;
      continue;
    }
    const RuleWords::Expression& expression = words.expressions[*piece.expression];
    const std::string& formula = expression.formula.text();
    out += expression.isCondition ? "if " + asCode(formula) + "; " : asCode("{" + formula + "}");
  }
  return bracket != 0 ? out + "]" : out;
}

std::string plainAmount(const Amount& amount) {
  const Notation plain{Units::Millimetres, Length::fromMm(0.5), '.', {}};
  if (std::isnan(amount.value)) return "–";
  if (amount.unit == Unit::Millimetre) return formatLength(Length::fromMm(amount.value), plain);
  return amount.unit == Unit::Degree ? formatNumber(amount.value, 1) + "°"
                                     : formatNumber(amount.value, 3);
}

}  // namespace drapery
