#include "core/rules/dependents.h"

#include <algorithm>

#include "core/rules/rule_set.h"

namespace drapery {

namespace {

using Source = ValueNode::Source;

/// A tolerance is reckoned last; whether something was said, and of what kind, is no size.
bool isUnmoved(Source source) {
  return source == Source::Tolerance || source == Source::Said || source == Source::IsKind;
}

bool isMoved(const ValueNode& node, Moving moving) {
  switch (moving) {
    case Moving::Sizes:
      return !node.isTried;
    case Moving::BookOnly:
      return node.feedsTrial && node.source != Source::CutSize && node.settles > Moment::Cut;
    default:
      return true;
  }
}

std::vector<std::size_t> find(const RuleSet& rules, std::size_t input, Moving moving) {
  std::vector<std::size_t> found;
  std::vector<bool> depends(rules.nodes.size(), false);
  depends[input] = true;
  for (const std::size_t i : rules.order) {
    const ValueNode& node = rules.nodes[i];
    const bool isReached = std::any_of(node.uses.begin(), node.uses.end(),
                                       [&](std::size_t used) { return depends[used]; });
    if (!isReached || depends[i] || isUnmoved(node.source) || !isMoved(node, moving)) continue;
    depends[i] = true;
    found.push_back(i);
  }
  return found;
}

}  // namespace

const std::vector<std::size_t>& Dependents::of(const RuleSet& rules, std::size_t input,
                                               Moving moving) const {
  const std::lock_guard lock(kept_->mutex);
  auto& all = kept_->byInput[static_cast<std::size_t>(moving)];
  if (all.empty()) all.resize(rules.nodes.size());
  if (!all[input]) all[input] = find(rules, input, moving);
  return *all[input];
}

}  // namespace drapery
