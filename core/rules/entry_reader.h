// Reads one entry of a rule file: what a TableReader does, and formulas and words.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/rules/rule_formula.h"
#include "core/rules/rule_words.h"
#include "core/toml/table_reader.h"

namespace drapery {

using RulePoint = std::pair<RuleFormula, RuleFormula>;  // x and y

class EntryReader : public TableReader {
 public:
  using TableReader::TableReader;

  /// An id that formulas may name: small letters, digits and _, and none of the words that a
  /// formula or a job has for itself.
  std::string name();
  void checkName(const Node& node, const std::string& name);

  RuleFormula formula(const char* key, Needed needed);
  /// The formula in a text node; complains of anything else.
  RuleFormula formulaIn(const Node& node, const char* key, const char* expected = "formula");
  /// A number or a formula.
  RuleFormula countOrFormula(const char* key, Needed needed);
  /// A list of `size` formulas; empty after a complaint.
  std::vector<RuleFormula> tuple(const Node& node, const char* key, std::size_t size,
                                 const char* expected);
  std::optional<RulePoint> point(const Node& node, const char* key);
  /// The point at a key, where there is one.
  std::optional<RulePoint> pointAt(const char* key, Needed needed);
  /// Visits the items of the list at the key, where there is one.
  template <class Visit>
  void eachItem(const char* key, const Visit& visit) {
    const Node* items = list(key, Needed::No);
    if (items == nullptr) return;
    for (const Node& item : items->items) visit(item);
  }

  using TableReader::eachTranslation;

  /// Words with figures, and their translations: `words.de.says`.
  RuleWords ruleWords(const char* key, Needed needed);

 private:
  void complainOf(const FormulaFault& fault, const SourcePosition& at);
};

}  // namespace drapery
