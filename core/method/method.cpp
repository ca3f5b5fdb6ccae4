#include "core/method/method.h"

namespace drapery {

std::optional<std::size_t> Method::find(std::string_view name) const {
  const auto found = index.find(name);
  if (found == index.end()) return std::nullopt;
  return found->second;
}

const InputRule* Method::input(std::string_view wanted) const {
  for (const InputRule& rule : inputs)
    if (rule.id == wanted) return &rule;
  return nullptr;
}

const LocalText& Method::titleOf(std::size_t node) const {
  const ValueNode& value = nodes[node];
  switch (value.source) {
    case ValueNode::Source::Derived:
      return derived[value.rule].title;
    case ValueNode::Source::PartSize:
    case ValueNode::Source::CutSize:
      return parts[value.rule].title;
    case ValueNode::Source::Tolerance:
      return titleOf(value.uses.front());
    default:
      return inputs[value.rule].title;
  }
}

std::string explainedFormula(const Method& method, std::size_t node) {
  const ValueNode& value = method.nodes[node];
  if (value.source != ValueNode::Source::CutSize) return value.formula.text;
  const char* direction = value.rounding == Rounding::Up     ? "up"
                          : value.rounding == Rounding::Down ? "down"
                                                             : "nearest";
  return std::string(direction) + "(" + value.formula.text + ")";
}

}  // namespace drapery
