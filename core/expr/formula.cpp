#include "core/expr/formula.h"

#include <cmath>
#include <limits>

namespace drapery {

namespace {

constexpr double kNone = std::numeric_limits<double>::quiet_NaN();

double truth(bool is) { return is ? 1.0 : 0.0; }
bool isTrue(double value) { return !std::isnan(value) && value != 0.0; }

double called(const FormulaFunction& function, const double* arguments, int count) {
  for (int k = 0; k < count && !function.asks; ++k)
    if (std::isnan(arguments[k])) return kNone;
  return function.call(arguments, count);
}

/// What is missing spreads by itself through sums; a comparison would swallow it.
double between(Formula::Op op, double a, double b) {
  using Op = Formula::Op;
  const auto known = [&](bool is) { return std::isnan(a) || std::isnan(b) ? kNone : truth(is); };
  switch (op) {
    case Op::Plus:
      return a + b;
    case Op::Minus:
      return a - b;
    case Op::Times:
      return a * b;
    case Op::Over:
      return a / b;
    case Op::Power:
      return std::isnan(a) || std::isnan(b) ? kNone : std::pow(a, b);
    case Op::Is:
      return known(a == b);
    case Op::IsNot:
      return known(a != b);
    case Op::Below:
      return known(a < b);
    case Op::AtMost:
      return known(a <= b);
    case Op::Above:
      return known(a > b);
    case Op::AtLeast:
      return known(a >= b);
    case Op::And:
      return a == 0.0 || b == 0.0 ? 0.0 : known(true);
    default:
      return isTrue(a) || isTrue(b) ? 1.0 : known(false);
  }
}

}  // namespace

Formula Formula::literal(double number, const Dimension& dimension) {
  Formula formula;
  Node node;
  node.number = number;
  formula.nodes_.push_back(node);
  formula.places_.push_back({0, 0, dimension});
  return formula;
}

Formula::Index Formula::operand(Index node, int n) const {
  Index at = node - 1;
  for (int k = nodes_[node].operands - 1; k > n; --k) at = nodes_[at].begin - 1;
  return at;
}

void Formula::eachName(const std::function<void(Index, std::string_view)>& visit) const {
  for (Index i = 0; i < nodes_.size(); ++i)
    if (nodes_[i].op == Op::Name) visit(i, written(i));
}

bool Formula::settle(Index name, const NameMeaning& meaning) {
  Node& node = nodes_[name];
  node.meaning = meaning.kind;
  node.slot = static_cast<std::uint32_t>(meaning.slot);
  node.number = meaning.kind == NameMeaning::Kind::Constant ? meaning.constant : kNone;
  return meaning.kind != NameMeaning::Kind::Unknown;
}

double Formula::evaluate(const NumberTable& table) const {
  return nodes_.empty() ? kNone : evaluate(table, root());
}

namespace {
bool isDecided(Formula::Op op, double left) {
  return op == Formula::Op::And ? left == 0.0 : left != 0.0 && !std::isnan(left);
}
}  // namespace

/// Node by node, with the numbers that wait on a stack. A branch that is not taken, and the right
/// side of what the left has settled, is jumped over.
double Formula::Code::evaluate(const NumberTable& table) const {
  double stack[kDeepest + 1];
  double* top = stack;  // past the last
  for (Index i = nodes[root].begin;; ++i) {
    const Node& node = nodes[i];
    switch (node.op) {
      case Op::Number:
        *top++ = node.number;
        break;
      case Op::Name:
        *top++ = node.meaning == NameMeaning::Kind::Slot    ? table.numbers[node.slot]
                 : node.meaning == NameMeaning::Kind::Local ? table.locals[node.slot]
                                                            : node.number;
        break;
      case Op::Call:
        top -= node.operands;
        *top = called(formulaFunctions()[node.slot], top, node.operands);
        ++top;
        break;
      case Op::Negative:
        top[-1] = -top[-1];
        break;
      case Op::Not:
        if (!std::isnan(top[-1])) top[-1] = truth(top[-1] == 0.0);
        break;
      case Op::Choose:
        break;  // the result of the branch that was taken is there
      default:
        --top;
        top[-1] = between(node.op, top[-1], top[0]);
        break;
    }
    // 0 && x is 0 and 1 || x is 1, whatever x is.
    while (i != root && nodes[i].decides != 0 && isDecided(nodes[nodes[i].decides].op, top[-1])) {
      top[-1] = truth(top[-1] != 0.0);
      i = nodes[i].decides;
    }
    if (i == root) break;
    if (nodes[i].next != 0) {
      i = nodes[i].next - 1;
    } else if (nodes[i].otherwise != 0) {
      const Index otherwise = nodes[i].otherwise;
      const double condition = *--top;
      if (std::isnan(condition)) {
        *top++ = kNone;
        i = nodes[otherwise - 1].next - 1;
      } else if (condition == 0.0) {
        i = otherwise - 1;
      }
    }
  }
  return std::isfinite(stack[0]) ? stack[0] : kNone;
}

double Formula::evaluate(const NumberTable& table, Index node) const {
  return Code{nodes_.data(), node}.evaluate(table);
}

bool Formula::holds(const NumberTable& table) const {
  if (nodes_.empty()) return true;
  const double result = evaluate(table);
  return !std::isnan(result) && result != 0.0;
}

Formula::Index Formula::taken(const NumberTable& table) const {
  Index at = root();
  while (nodes_[at].op == Op::Choose) {
    const Index otherwise = at - 1, result = nodes_[otherwise].begin - 1;
    const double condition = evaluate(table, nodes_[result].begin - 1);
    if (std::isnan(condition)) break;
    at = condition != 0.0 ? result : otherwise;
  }
  return at;
}

}  // namespace drapery
