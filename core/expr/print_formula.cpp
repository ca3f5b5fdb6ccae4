#include "core/expr/print_formula.h"

#include <fmt/format.h>

namespace drapery {

namespace {

using Op = Formula::Op;
using Index = Formula::Index;

/// How strongly a node holds its operands together: weakest first, as formula.h lists them.
int strengthOf(const Formula::Node& node) {
  switch (node.op) {
    case Op::Choose:
      return 0;
    case Op::Or:
      return 1;
    case Op::And:
      return 2;
    case Op::Plus:
    case Op::Minus:
      return 4;
    case Op::Times:
    case Op::Over:
      return 5;
    case Op::Negative:
    case Op::Not:
      return 6;
    case Op::Power:
      return 7;
    case Op::Number:
    case Op::Name:
    case Op::Call:
      return 8;
    default:
      return 3;  // comparisons
  }
}

bool startsWithSign(std::string_view text) {
  return text.starts_with("-") || text.starts_with("−");
}

class Print {
 public:
  Print(const Formula& formula, const FormulaWriting& writing)
      : formula_(formula), writing_(writing) {}

  [[nodiscard]] std::string at(Index index) const {
    const Formula::Node& node = formula_.nodes()[index];
    switch (node.op) {
      case Op::Number:
        return writing_.number(formula_, index);
      case Op::Name:
        return writing_.name(formula_, index);
      case Op::Call:
        return call(index);
      case Op::Negative:
      case Op::Not:
        return writing_.sign(node.op) + held(formula_.operand(index, 0), 6);
      case Op::Choose:
        return held(formula_.operand(index, 0), 1) + spaced(writing_.sign(node.op)) +
               at(formula_.operand(index, 1)) + spaced(writing_.sign(node.op, true)) +
               at(formula_.operand(index, 2));
      case Op::Power:
        return held(formula_.operand(index, 0), 8) + spaced(writing_.sign(node.op)) +
               held(formula_.operand(index, 1), 6);
      default:
        return two(index);
    }
  }

 private:
  static std::string spaced(const std::string& sign) { return " " + sign + " "; }

  [[nodiscard]] std::string held(Index index, int least) const {
    const std::string text = at(index);
    return strengthOf(formula_.nodes()[index]) < least ? "(" + text + ")" : text;
  }

  [[nodiscard]] std::string two(Index index) const {
    const Formula::Node& node = formula_.nodes()[index];
    const int strength = strengthOf(node);
    const std::string left = held(formula_.operand(index, 0), strength);
    const Index second = formula_.operand(index, 1);
    std::string right = held(second, strength + 1);
    // `3 / 8 in` is three eighths of an inch, and so it is in `3 / 8 in ^ 2`.
    const bool isPower = formula_.nodes()[second].op == Op::Power;
    const Index first = isPower ? formula_.operand(second, 0) : second;
    const bool wouldBeFraction = node.op == Op::Over && left.back() >= '0' && left.back() <= '9' &&
                                 formula_.nodes()[first].op == Op::Number &&
                                 !formula_.place(first).dimension.isNumber();
    if (wouldBeFraction || (startsWithSign(right) && strength >= 4)) right = "(" + right + ")";
    return left + spaced(writing_.sign(node.op)) + right;
  }

  [[nodiscard]] std::string call(Index index) const {
    const Formula::Node& node = formula_.nodes()[index];
    std::string text = writing_.function(formula_.function(index)) + "(";
    for (int k = 0; k < node.operands; ++k)
      text += (k == 0 ? "" : ", ") + at(formula_.operand(index, k));
    return text + ")";
  }

  const Formula& formula_;
  const FormulaWriting& writing_;
};

}  // namespace

std::string FormulaWriting::name(const Formula& formula, Index node) const {
  return std::string(formula.written(node));
}

std::string FormulaWriting::number(const Formula& formula, Index node) const {
  const std::string_view written = formula.written(node);
  if (!written.empty()) return std::string(written);
  const Formula::Node& literal = formula.nodes()[node];
  const std::string number = fmt::format("{}", literal.number);
  const Dimension& dimension = formula.place(node).dimension;
  return dimension.isNumber() ? number : number + " " + dimension.name();
}

std::string FormulaWriting::function(const FormulaFunction& function) const {
  return std::string(function.name);
}

std::string FormulaWriting::sign(Op op, bool isElse) const {
  switch (op) {
    case Op::Negative:
    case Op::Minus:
      return "-";
    case Op::Not:
      return "!";
    case Op::Plus:
      return "+";
    case Op::Times:
      return "*";
    case Op::Over:
      return "/";
    case Op::Power:
      return "^";
    case Op::Is:
      return "==";
    case Op::IsNot:
      return "!=";
    case Op::Below:
      return "<";
    case Op::AtMost:
      return "<=";
    case Op::Above:
      return ">";
    case Op::AtLeast:
      return ">=";
    case Op::And:
      return "&&";
    case Op::Or:
      return "||";
    default:
      return isElse ? ":" : "?";
  }
}

std::string printFormula(const Formula& formula, Index node, const FormulaWriting& writing) {
  return Print(formula, writing).at(node);
}

}  // namespace drapery
