#include "core/expr/formula.h"

#include <cmath>
#include <limits>

namespace drapery {

namespace {
constexpr double kNone = std::numeric_limits<double>::quiet_NaN();
}  // namespace

Formula Formula::literal(double number, const Dimension& dimension) {
  Formula formula;
  Node node;
  node.number = number;
  formula.nodes_.push_back(node);
  formula.places_.push_back({0, 0, dimension});
  formula.steps_ = formula.compiled(0);
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
  if (!steps_.empty()) return run(steps_.data(), table);
  return nodes_.empty() ? kNone : evaluate(table, root());
}

double Formula::evaluate(const NumberTable& table, Index node) const {
  return run(compiled(node).data(), table);
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
