#include "words/formula_words.h"

#include <array>
#include <cmath>
#include <functional>
#include <utility>

#include "core/method/formula.h"

namespace drapery {

namespace {

/// Longer signs first.
constexpr std::array<std::pair<std::string_view, std::string_view>, 12> kSigns{{{"==", "is"},
                                                                                {"!=", "is not"},
                                                                                {"<=", "≤"},
                                                                                {">=", "≥"},
                                                                                {"&&", "and"},
                                                                                {"||", "or"},
                                                                                {"*", "×"},
                                                                                {"-", "−"},
                                                                                {"/", "÷"},
                                                                                {"?", "then"},
                                                                                {":", "else"},
                                                                                {"!", "not "}}};

std::string withSigns(std::string_view text) {
  std::string out;
  while (!text.empty()) {
    bool replaced = false;
    for (const auto& [sign, word] : kSigns) {
      if (!text.starts_with(sign)) continue;
      out += word;
      text.remove_prefix(sign.size());
      replaced = true;
      break;
    }
    if (replaced) continue;
    out += text.front();
    text.remove_prefix(1);
  }
  return out;
}

std::string spaced(std::string_view words) {
  std::string name(words);
  for (char& c : name)
    if (c == '_') c = ' ';
  return name;
}

using Naming = std::function<std::string(const FormulaName&)>;

std::string rewritten(const std::string& formula, const Naming& naming) {
  std::string out;
  std::size_t at = 0;
  for (const FormulaName& used : namesIn(formula)) {
    out += withSigns(std::string_view(formula).substr(at, used.offset - at));
    out += used.isCall ? spaced(used.name) : naming(used);
    at = used.offset + used.name.size();
  }
  return out + withSigns(std::string_view(formula).substr(at));
}

std::string titleOf(const Plan& plan, const FormulaName& used) {
  const auto node = plan.method->find(used.name);
  if (!node) return spaced(used.name);
  const ValueNode& value = plan.method->nodes[*node];
  std::string title = plan.method->titleOf(*node).text;
  if (value.source == ValueNode::Source::CutSize) return title + " as cut";
  return title;
}

std::string numberOf(const Plan& plan, const FormulaName& used, const Notation& notation) {
  const auto node = plan.method->find(used.name);
  if (!node) return spaced(used.name);
  const ValueNode& value = plan.method->nodes[*node];
  const bool isChoice = value.source == ValueNode::Source::Input &&
                        plan.method->inputs[value.rule].kind == InputKind::Choice;
  if (isChoice) return std::string(plan.choice(used.name));
  const double number = plan.values[*node];
  if (std::isnan(number)) return "–";
  if (value.unit == Unit::Millimetre) return formatBare(Length::fromMm(number), notation);
  return formatNumber(number, 3, notation.decimal);
}

}  // namespace

std::string formulaWithTitles(const Plan& plan, std::size_t node) {
  return rewritten(plan.formula(node),
                   [&](const FormulaName& used) { return titleOf(plan, used); });
}

std::string formulaWithNumbers(const Plan& plan, std::size_t node, const Notation& notation) {
  return rewritten(plan.formula(node),
                   [&](const FormulaName& used) { return numberOf(plan, used, notation); });
}

}  // namespace drapery
