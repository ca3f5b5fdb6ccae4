#include "core/expr/formula.h"

#include <array>
#include <cmath>
#include <limits>

namespace drapery {

namespace {

constexpr double kNone = std::numeric_limits<double>::quiet_NaN();

double truth(bool is) { return is ? 1.0 : 0.0; }

double between(Formula::Op op, double a, double b) {
  using Op = Formula::Op;
  if (op == Op::And && (a == 0.0 || b == 0.0)) return 0.0;
  if (op == Op::Or && ((a != 0.0 && !std::isnan(a)) || (b != 0.0 && !std::isnan(b)))) return 1.0;
  if (std::isnan(a) || std::isnan(b)) return kNone;
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
      return std::pow(a, b);
    case Op::Is:
      return truth(a == b);
    case Op::IsNot:
      return truth(a != b);
    case Op::Below:
      return truth(a < b);
    case Op::AtMost:
      return truth(a <= b);
    case Op::Above:
      return truth(a > b);
    case Op::AtLeast:
      return truth(a >= b);
    default:
      return truth(op == Op::And);  // neither decides by itself: both are 1, or both are 0
  }
}

}  // namespace

Formula Formula::literal(double number, const Dimension& dimension) {
  Formula formula;
  Node node;
  node.number = number;
  node.dimension = dimension;
  formula.nodes_.push_back(node);
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

void Formula::link(const NameLookup& lookup,
                   const std::function<void(const Node&, std::string_view)>& unknown) {
  for (Node& node : nodes_) {
    if (node.op != Op::Name) continue;
    const std::string_view name = std::string_view(text_).substr(node.offset, node.length);
    const NameMeaning meaning = lookup(name);
    node.meaning = meaning.kind;
    node.slot = static_cast<std::uint32_t>(meaning.slot);
    node.number = meaning.kind == NameMeaning::Kind::Constant ? meaning.constant : kNone;
    if (meaning.kind == NameMeaning::Kind::Unknown) unknown(node, name);
  }
}

double Formula::evaluate(const NumberTable& table) const {
  return nodes_.empty() ? kNone : evaluate(table, root());
}

double Formula::evaluate(const NumberTable& table, Index node) const {
  const double result = number(node, table);
  return std::isfinite(result) ? result : kNone;
}

bool Formula::holds(const NumberTable& table) const {
  if (nodes_.empty()) return true;
  const double result = evaluate(table);
  return !std::isnan(result) && result != 0.0;
}

double Formula::number(Index at, const NumberTable& table) const {
  const Node& node = nodes_[at];
  switch (node.op) {
    case Op::Number:
      return node.number;
    case Op::Name:
      if (node.meaning == NameMeaning::Kind::Slot) return table.numbers[node.slot];
      if (node.meaning == NameMeaning::Kind::Local) return table.locals[node.slot];
      return node.number;
    case Op::Call:
      return called(node, at, table);
    case Op::Negative:
      return -number(at - 1, table);
    case Op::Not: {
      const double a = number(at - 1, table);
      return std::isnan(a) ? kNone : truth(a == 0.0);
    }
    case Op::Choose: {
      const Index otherwise = at - 1, result = nodes_[otherwise].begin - 1;
      const double condition = number(nodes_[result].begin - 1, table);
      if (std::isnan(condition)) return kNone;
      return number(condition != 0.0 ? result : otherwise, table);
    }
    default: {
      const Index right = at - 1;
      const double a = number(nodes_[right].begin - 1, table);
      return between(node.op, a, number(right, table));
    }
  }
}

double Formula::called(const Node& node, Index at, const NumberTable& table) const {
  std::array<double, FormulaFunction::kMostArguments> arguments;
  Index operand = at - 1;
  for (std::size_t k = node.operands; k-- > 0; operand = nodes_[operand].begin - 1) {
    arguments[k] = number(operand, table);
    if (std::isnan(arguments[k]) && !node.function->asks) return kNone;
  }
  return node.function->call(arguments.data(), node.operands);
}

Formula::Index Formula::taken(const NumberTable& table) const {
  Index at = root();
  while (nodes_[at].op == Op::Choose) {
    const Index otherwise = at - 1, result = nodes_[otherwise].begin - 1;
    const double condition = number(nodes_[result].begin - 1, table);
    if (std::isnan(condition)) break;
    at = condition != 0.0 ? result : otherwise;
  }
  return at;
}

}  // namespace drapery
