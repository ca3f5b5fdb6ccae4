#include "core/rules/rule_set.h"

namespace drapery {

std::string RuleSet::version() const {
  constexpr std::string_view kHex = "0123456789abcdef";
  std::string word;
  for (int shift = 60; shift >= 0; shift -= 4) word += kHex[(fingerprint >> shift) & 15U];
  return word;
}

std::optional<std::size_t> RuleSet::find(std::string_view name) const {
  const auto found = index.find(name);
  if (found == index.end()) return std::nullopt;
  return found->second;
}

const InputRule* RuleSet::input(std::string_view wanted) const {
  for (const InputRule& rule : inputs)
    if (rule.id == wanted) return &rule;
  return nullptr;
}

const WayRule* RuleSet::way(std::string_view wanted) const {
  for (const WayRule& rule : ways)
    if (rule.id == wanted) return &rule;
  return nullptr;
}

const LocalText& RuleSet::titleOf(std::size_t node) const {
  using Source = ValueNode::Source;
  const ValueNode& value = nodes[node];
  switch (value.source) {
    case Source::Derived:
      return derived[value.rule].title;
    case Source::PartSize:
    case Source::CutSize:
      return parts[value.rule].title;
    case Source::Tolerance:
      return titleOf(value.uses.front());
    case Source::Input:
    case Source::Column:
    case Source::Largest:
    case Source::Spread:
    case Source::Said:
      return inputs[value.rule].title;
    default:
      return series[value.rule].title;
  }
}

}  // namespace drapery
