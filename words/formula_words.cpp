#include "words/formula_words.h"

#include <cmath>

#include "core/expr/print_formula.h"

namespace drapery {

namespace {

using Op = Formula::Op;

std::string spaced(std::string_view words) {
  std::string name(words);
  for (char& c : name)
    if (c == '_') c = ' ';
  return name;
}

/// Signs as they are read aloud.
class ReadersWriting : public FormulaWriting {
 public:
  explicit ReadersWriting(const Plan& plan, const Notation& notation)
      : plan_(plan), notation_(notation) {}

  [[nodiscard]] std::string function(const FormulaFunction& function) const override {
    return spaced(function.name);
  }
  [[nodiscard]] std::string sign(Op op, bool isElse) const override {
    switch (op) {
      case Op::Negative:
      case Op::Minus:
        return "−";
      case Op::Not:
        return "not ";
      case Op::Times:
        return "×";
      case Op::Over:
        return "÷";
      case Op::Is:
        return "is";
      case Op::IsNot:
        return "is not";
      case Op::AtMost:
        return "≤";
      case Op::AtLeast:
        return "≥";
      case Op::And:
        return "and";
      case Op::Or:
        return "or";
      case Op::Choose:
        return isElse ? "else" : "then";
      default:
        return FormulaWriting::sign(op, isElse);
    }
  }

 protected:
  [[nodiscard]] const Plan& plan() const { return plan_; }
  [[nodiscard]] const Notation& notation() const { return notation_; }
  [[nodiscard]] std::optional<std::size_t> slotOf(const Formula& formula,
                                                  Formula::Index node) const {
    const Formula::Node& name = formula.nodes()[node];
    if (name.meaning != NameMeaning::Kind::Slot) return std::nullopt;
    return name.slot;
  }

 private:
  const Plan& plan_;
  const Notation& notation_;
};

class WithTitles : public ReadersWriting {
 public:
  using ReadersWriting::ReadersWriting;
  [[nodiscard]] std::string name(const Formula& formula, Formula::Index node) const override {
    const auto slot = slotOf(formula, node);
    if (!slot) return spaced(formula.written(node));
    const std::string title = plan().rules->titleOf(*slot).in(notation().language);
    const bool isCut = plan().rules->nodes[*slot].source == ValueNode::Source::CutSize;
    return isCut ? title + " as cut" : title;
  }
};

class WithNumbers : public ReadersWriting {
 public:
  using ReadersWriting::ReadersWriting;
  [[nodiscard]] std::string name(const Formula& formula, Formula::Index node) const override {
    const auto slot = slotOf(formula, node);
    if (!slot) return spaced(formula.written(node));
    const ValueNode& value = plan().rules->nodes[*slot];
    if (plan().rules->isChoice(*slot)) return std::string(plan().choice(value.name));
    const double number = plan().values[*slot];
    if (std::isnan(number)) return "–";
    if (value.unit == Unit::Millimetre) return formatBare(Length::fromMm(number), notation());
    return formatNumber(number, 3, notation().decimal);
  }
};

/// A cut size is no formula but what the rule in hand makes of the exact one.
std::string cutSize(const Plan& plan, std::size_t node, const FormulaWriting& writing) {
  const ValueNode& value = plan.rules->nodes[node];
  const char* direction = value.rounding == Rounding::Up     ? "up"
                          : value.rounding == Rounding::Down ? "down"
                                                             : "nearest";
  auto exact = Formula::parse(plan.rules->nodes[value.uses.front()].name);
  Formula& name = std::get<Formula>(exact);
  name.link(
      [&](std::string_view) {
        return NameMeaning{NameMeaning::Kind::Slot, value.uses.front(), 0.0};
      },
      [](auto, auto) {});
  return std::string(direction) + "(" + printFormula(name, name.root(), writing) + ")";
}

std::string written(const Plan& plan, std::size_t node, const FormulaWriting& writing) {
  if (plan.rules->nodes[node].source == ValueNode::Source::CutSize)
    return cutSize(plan, node, writing);
  const Plan::Reason reason = plan.reason(node);
  return reason.formula == nullptr ? std::string()
                                   : printFormula(*reason.formula, reason.node, writing);
}

}  // namespace

std::string formulaText(const Plan& plan, std::size_t node) { return written(plan, node, {}); }

std::string formulaWithTitles(const Plan& plan, std::size_t node, const Notation& notation) {
  return written(plan, node, WithTitles(plan, notation));
}

std::string formulaWithNumbers(const Plan& plan, std::size_t node, const Notation& notation) {
  return written(plan, node, WithNumbers(plan, notation));
}

}  // namespace drapery
