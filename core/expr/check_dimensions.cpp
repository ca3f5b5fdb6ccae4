#include "core/expr/check_dimensions.h"

#include <algorithm>
#include <cmath>

namespace drapery {

namespace {

using Op = Formula::Op;
using Index = Formula::Index;
using Kind = Quantity::Kind;

class Check {
 public:
  Check(const Formula& formula, const KnownNames& names, std::vector<FormulaFault>& faults)
      : formula_(formula), names_(names), faults_(faults) {}

  Quantity run() {
    of_.reserve(formula_.nodes().size());
    for (Index i = 0; i < formula_.nodes().size(); ++i) of_.push_back(quantity(i));
    return of_.empty() ? Quantity() : of_.back();
  }

  /// Whether the node can stand where `wanted` is; complains when not.
  bool fits(Index node, const Dimension& wanted) {
    const Quantity& is = of_[node];
    if (is.kind == Kind::Open || is.kind == Kind::Any) return true;
    if (is.kind == Kind::Known && is.dimension == wanted) return true;
    const bool isBare = is.kind == Kind::Known && is.dimension.isNumber() && isLiteral(node);
    if (isBare) {
      const std::string figure(formula_.written(node));
      const bool isLength = wanted == Dimension::length();
      complain(node, "formula-bare-number",
               {{"number", shortened(figure)},
                {"wanted_dimension", wanted.name()},
                {"like", figure + " " + wanted.name() + (isLength ? " or 1/8 in" : "")}});
    } else {
      complain(node, "formula-dimension",
               {{"text", textOf(node)},
                {"dimension", is.kind == Kind::Known ? is.dimension.name() : "choice"},
                {"wanted_dimension", wanted.name()}});
    }
    return false;
  }

 private:
  [[nodiscard]] bool isLiteral(Index node) const { return formula_.nodes()[node].op == Op::Number; }

  void complain(Index node, IssueId id, IssueArguments arguments) {
    arguments.push_back({"formula", shortened(formula_.text())});
    faults_.push_back({id, std::move(arguments), spanOf(node).first});
  }
  /// From the first to past the last character of the subtree, without brackets around it.
  [[nodiscard]] std::pair<std::size_t, std::size_t> spanOf(Index node) const {
    std::size_t from = formula_.text().size(), to = 0;
    for (Index i = formula_.nodes()[node].begin; i <= node; ++i) {
      const Formula::Place& part = formula_.place(i);
      from = std::min<std::size_t>(from, part.offset);
      to = std::max<std::size_t>(to, part.offset + part.length);
    }
    return {std::min(from, to), to};
  }
  [[nodiscard]] std::string textOf(Index node) const {
    const auto [from, to] = spanOf(node);
    return shortened(std::string_view(formula_.text()).substr(from, to - from));
  }

  Quantity quantity(Index i) {
    const Formula::Node& node = formula_.nodes()[i];
    switch (node.op) {
      case Op::Number:
        return node.number == 0.0 && formula_.place(i).dimension.isNumber()
                   ? Quantity::any()
                   : Quantity::of(formula_.place(i).dimension);
      case Op::Name:
        return names_.quantity(formula_.written(i));
      case Op::Call:
        return called(i);
      case Op::Negative:
        return of_[i - 1];
      case Op::Not:
        fits(i - 1, Dimension::number());
        return Quantity::of(Dimension::number());
      case Op::Plus:
      case Op::Minus:
        return alike(formula_.operand(i, 0), formula_.operand(i, 1));
      case Op::Times:
      case Op::Over:
      case Op::Power:
        return product(i);
      case Op::And:
      case Op::Or:
        fits(formula_.operand(i, 0), Dimension::number());
        fits(formula_.operand(i, 1), Dimension::number());
        return Quantity::of(Dimension::number());
      case Op::Choose:
        fits(formula_.operand(i, 0), Dimension::number());
        return alike(formula_.operand(i, 1), formula_.operand(i, 2));
      default:
        compared(formula_.operand(i, 0), formula_.operand(i, 1));
        return Quantity::of(Dimension::number());
    }
  }

  /// Both must measure the same; the one that says what that is gives it.
  Quantity alike(Index left, Index right) {
    const Quantity a = of_[left], b = of_[right];
    if (a.kind == Kind::Option && b.kind == Kind::Option) return {};
    const bool isOfNumbers = isNumeric(a) && isNumeric(b);
    if (!isOfNumbers) {
      const Index wrong = isNumeric(a) ? right : left;
      complain(wrong, "formula-dimension",
               {{"text", textOf(wrong)}, {"dimension", "choice"}, {"wanted_dimension", "1"}});
      return {};
    }
    if (a.kind == Kind::Open || b.kind == Kind::Open) return {};
    if (a.kind == Kind::Any) return b;
    if (b.kind == Kind::Any) return a;
    // A bare number beside something measured is the one to mend, whichever side it stands on.
    const bool isLeftBare = isLiteral(left) && a.dimension.isNumber() && !b.dimension.isNumber();
    const bool isRight = isLeftBare ? fits(left, b.dimension) : fits(right, a.dimension);
    return isRight ? a : Quantity();
  }

  static bool isNumeric(const Quantity& is) {
    return is.kind != Kind::Choice && is.kind != Kind::Option;
  }

  void compared(Index left, Index right) {
    const Quantity a = of_[left], b = of_[right];
    if (a.kind == Kind::Open || b.kind == Kind::Open) return;
    if (isNumeric(a) && isNumeric(b)) {
      alike(left, right);
      return;
    }
    if (a.kind == Kind::Choice && b.kind == Kind::Choice && a.id == b.id) return;
    const bool isTurned = a.kind == Kind::Option;
    const Quantity& choice = isTurned ? b : a;
    const Quantity& option = isTurned ? a : b;
    if (choice.kind == Kind::Choice && option.kind == Kind::Option &&
        names_.hasOption(choice.id, option.id))
      return;
    complain(
        isTurned ? left : right, "formula-choice",
        {{"text", textOf(isTurned ? left : right)}, {"other", textOf(isTurned ? right : left)}});
  }

  Quantity product(Index i) {
    const Op op = formula_.nodes()[i].op;
    const Index left = formula_.operand(i, 0), right = formula_.operand(i, 1);
    for (const Index side : {left, right})
      if (!isNumeric(of_[side])) {
        fits(side, Dimension::number());
        return {};
      }
    const Quantity a = of_[left], b = of_[right];
    if (op == Op::Power) return power(left, right);
    if (a.kind == Kind::Any || b.kind == Kind::Any) return Quantity::any();
    if (a.kind == Kind::Open || b.kind == Kind::Open) return {};
    return Quantity::of(op == Op::Times ? a.dimension.times(b.dimension)
                                        : a.dimension.over(b.dimension));
  }

  Quantity power(Index base, Index exponent) {
    fits(exponent, Dimension::number());
    const Quantity is = of_[base];
    if (is.kind != Kind::Known || is.dimension.isNumber()) return is;
    const double by = formula_.nodes()[exponent].number;
    if (isLiteral(exponent) && by == std::floor(by) && std::abs(by) <= 4)
      return Quantity::of(is.dimension.power(static_cast<int>(by)));
    fits(base, Dimension::number());
    return {};
  }

  Quantity called(Index i) {
    const std::string_view signature = formula_.function(i).dimensions;
    const std::size_t arrow = signature.find('>');
    std::optional<Index> same;
    bool isOpen = false;
    for (int k = 0; k < formula_.nodes()[i].operands; ++k) {
      const Index operand = formula_.operand(i, k);
      const char wanted = signature[std::min<std::size_t>(static_cast<std::size_t>(k), arrow - 1)];
      if (wanted == '*') continue;
      if (wanted != 'S') {
        fits(operand, dimensionOf(wanted));
        continue;
      }
      if (same && alike(*same, operand).kind == Kind::Open) isOpen = true;
      if (!same || of_[*same].kind == Kind::Any) same = operand;
    }
    const char result = signature[arrow + 1];
    if (result != 'S' && result != 'R') return Quantity::of(dimensionOf(result));
    const Quantity is = isOpen ? Quantity() : of_[*same];
    return result == 'R' && is.kind == Kind::Known ? Quantity::of(is.dimension.root()) : is;
  }

  static Dimension dimensionOf(char letter) {
    switch (letter) {
      case 'L':
        return Dimension::length();
      case 'A':
        return Dimension::angle();
      case 'G':
        return Dimension::grammage();
      case 'B':
        return Dimension::bulk();
      default:
        return Dimension::number();
    }
  }

  const Formula& formula_;
  const KnownNames& names_;
  std::vector<FormulaFault>& faults_;
  std::vector<Quantity> of_;  // by node
};

}  // namespace

Quantity checkDimensions(const Formula& formula, const KnownNames& names,
                         std::vector<FormulaFault>& faults) {
  return Check(formula, names, faults).run();
}

void checkDimensions(const Formula& formula, const KnownNames& names, const Dimension& wanted,
                     std::vector<FormulaFault>& faults) {
  if (formula.empty()) return;
  Check check(formula, names, faults);
  check.run();
  check.fits(formula.root(), wanted);
}

}  // namespace drapery
