#include "core/plan/compare.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "core/plan/former_names.h"
#include "core/plan/job_field.h"
#include "core/plan/job_inputs.h"
#include "core/plan/job_overrides.h"

namespace drapery {

namespace {

constexpr double kSame = 1e-9;

bool isCompared(const RuleSet& rules, std::size_t node) {
  const ValueNode& value = rules.nodes[node];
  if (value.source == ValueNode::Source::Derived) return rules.derived[value.rule].isCompared;
  return value.source == ValueNode::Source::Input && rules.inputs[value.rule].isCompared;
}

bool knowsWhatWasMeasured(const Job& job, const RuleSet& rules) {
  return std::all_of(job.given.begin(), job.given.end(), [&](const auto& said) {
    const InputRule* rule = rules.input(said.first);
    return rule != nullptr && rule->role == InputRole::Given;
  });
}

/// A value that some method lacks, or has otherwise, differs.
std::vector<std::string> differing(const std::vector<ComparedMethod>& methods) {
  std::vector<std::string> order;
  std::map<std::string, std::vector<double>, std::less<>> values;
  std::size_t planned = 0;
  for (const ComparedMethod& method : methods) {
    if (!method.issues.empty()) continue;
    ++planned;
    for (const std::size_t node : comparedNodes(method.plan)) {
      const std::string& name = method.rules->nodes[node].name;
      if (!values.contains(name)) order.push_back(name);
      values[name].push_back(method.plan.values[node]);
    }
  }
  std::erase_if(order, [&](const std::string& name) {
    const std::vector<double>& all = values[name];
    const auto [least, most] = std::minmax_element(all.begin(), all.end());
    return all.size() == planned && *most - *least <= kSame * std::max(1.0, std::abs(*most));
  });
  return order;
}

}  // namespace

std::vector<std::size_t> comparedNodes(const Plan& plan) {
  std::vector<std::size_t> nodes;
  for (std::size_t i = 0; i < plan.values.size(); ++i)
    if (isCompared(*plan.rules, i) && plan.counts[i] && !std::isnan(plan.values[i]))
      nodes.push_back(i);
  return nodes;
}

Job underMethod(const Job& job, const RuleSet& rules, const MaterialCatalogue& catalogue) {
  Job other = job;
  setMethod(other, rules.id, [&](const std::string& key, const Entry& entry) {
    const InputRule* rule = rules.input(key);
    return rule != nullptr && rule->role == InputRole::Allowance &&
           std::holds_alternative<double>(readEntry(entry, *rule, catalogue));
  });
  takePresentNames(other, rules);
  restateFixed(other, rules);
  std::erase_if(other.fixed, [&](const auto& said) { return !rules.find(said.first); });
  std::erase_if(other.asCut, [&](const auto& piece) {
    return std::none_of(rules.parts.begin(), rules.parts.end(),
                        [&](const PartRule& part) { return part.id == piece.first; });
  });
  return other;
}

Comparison compareMethods(const Job& job, const RuleLibrary& library) {
  Comparison all;
  for (const std::string& id : library.alike(job.method)) {
    LoadedRules loaded = library.load(id);
    if (loaded.rules == nullptr || !knowsWhatWasMeasured(job, *loaded.rules)) continue;
    PlanOutcome outcome = Planner(loaded.rules, library.catalogue())
                              .plan(underMethod(job, *loaded.rules, *library.catalogue()));
    all.methods.push_back(
        {loaded.rules, library.isHouse(id), std::move(outcome.plan), std::move(outcome.issues)});
  }
  all.differing = differing(all.methods);
  return all;
}

}  // namespace drapery
