#include "core/method/formula_branches.h"

#include <optional>

namespace drapery {

namespace {

std::string_view trimmed(std::string_view text) {
  while (!text.empty() && text.front() == ' ') text.remove_prefix(1);
  while (!text.empty() && text.back() == ' ') text.remove_suffix(1);
  return text;
}

/// Where the formula's own question and the ':' that belongs to it stand.
struct Question {
  std::size_t mark, colon;
};

std::optional<Question> questionIn(std::string_view formula) {
  std::optional<std::size_t> mark;
  int depth = 0, open = 0;
  for (std::size_t i = 0; i < formula.size(); ++i) {
    const char c = formula[i];
    if (c == '(') ++depth;
    if (c == ')') --depth;
    if (depth != 0) continue;
    if (c == '?' && ++open == 1) mark = i;
    if (c == ':' && --open == 0 && mark) return Question{*mark, i};
  }
  return std::nullopt;
}

}  // namespace

std::vector<FormulaBranch> branchesOf(std::string_view formula) {
  std::vector<FormulaBranch> branches;
  for (auto question = questionIn(formula); question; question = questionIn(formula)) {
    const std::string_view result =
        formula.substr(question->mark + 1, question->colon - question->mark - 1);
    branches.push_back(
        {std::string(trimmed(formula.substr(0, question->mark))), std::string(trimmed(result))});
    formula.remove_prefix(question->colon + 1);
  }
  branches.push_back({"", std::string(trimmed(formula))});
  return branches;
}

}  // namespace drapery
