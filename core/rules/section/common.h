// What several kinds of entry read alike.
#pragma once

#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "core/quantity/rule.h"
#include "core/rules/entry_reader.h"
#include "core/rules/moment.h"
#include "core/rules/repeated.h"

namespace drapery {

class Evaluation;

/// Nothing for an empty one.
inline const Formula* formulaOf(const RuleFormula& rule) {
  return rule.empty() ? nullptr : &rule.formula;
}

/// `settles = "cut"`; or `flag = true`, as rule files said before there were moments.
Moment readSettles(EntryReader& in, const char* flag, Moment meant);

/// `was = ["old_id"]`: ids that the entry had in former versions; formulas and jobs may still name
/// them.
std::vector<std::string> readWas(EntryReader& in);

/// A plain number, or a text that stands for one: a length with its unit where lengths are meant
/// (mm), else a number or ratio. Nothing for any other text.
std::optional<double> literalOf(const Node& node, bool isLength);
/// `range = ["0 mm", "25 mm"]`: two finite figures in order; any other is told, and nothing.
std::optional<std::pair<double, double>> readRange(EntryReader& in, Needed needed, bool isLength);

/// `round = "nearest"`, "up" or "down".
Rounding readRounding(EntryReader& in);
/// "rounded up", "rounded to the nearest mark"
const char* roundingWords(Rounding rounding);

/// A word, and where it is that one.
struct WordWhere {
  std::string word;
  RuleFormula when;  // empty: always
};
/// `key = "board"`, or `key = [["board", "condition"], ["card", "condition"]]`.
std::vector<WordWhere> readWordsWhere(EntryReader& in, const char* key);
/// The first that applies, else the last.
const std::string& wordOf(const std::vector<WordWhere>& words, const Evaluation& evaluation);
std::string wordsWhereAsCode(const std::vector<WordWhere>& words);

/// `each = "hole"` in an entry.
void readEach(EntryReader& in, Repeated& repeated);

}  // namespace drapery
