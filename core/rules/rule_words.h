// Words with figures in them, "opens to {opening_angle}", in the file's first language and others.
// What stands in [ ] is left out when one of its figures is missing or 0: "[ and {blank_leaves:1}
// blank leaves]"; or, as "[if FORMULA; words]", unless the condition holds.
#pragma once

#include <map>
#include <string>
#include <variant>
#include <vector>

#include "core/quantity/units.h"
#include "core/rules/rule_formula.h"

namespace drapery {

struct RuleWords {
  /// One figure: in the unit that `:mm`, `:deg` or `:1` names, else in its own; `:bare` without it.
  struct Expression {
    RuleFormula formula;
    std::optional<Unit> named;
    bool isBare = false;
    bool isCondition = false;      // of a part in brackets; is not shown
    Unit unit = Unit::Millimetre;  // once linked
  };
  struct Piece {
    std::string literal;
    std::optional<std::size_t> expression;  // in place of the literal
    std::size_t bracket = 0;                // which pair it stands in, from 1; 0: none
  };
  using Text = std::vector<Piece>;

  std::string written;                  // as the file's first language has it
  std::vector<Expression> expressions;  // of all languages
  Text first;
  std::map<std::string, Text, std::less<>> other;  // by language

  [[nodiscard]] bool empty() const { return first.empty(); }
  [[nodiscard]] const Text& in(std::string_view language) const;
};

/// Whether the piece is shown with these figures, one for each of the words' expressions.
bool isShown(const RuleWords& words, const RuleWords::Text& text, const RuleWords::Piece& piece,
             const std::vector<Amount>& figures);

/// "{{" and "}}" are braces themselves.
struct BracePosition {
  std::size_t offset = 0;  // of one without its partner
};
/// Adds the text's expressions to `words` and gives its pieces, or what is wrong with it.
std::variant<RuleWords::Text, BracePosition, FormulaFault> parseWords(const std::string& text,
                                                                      const SourcePosition& at,
                                                                      RuleWords& words);

}  // namespace drapery
