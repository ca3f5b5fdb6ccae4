#include "core/plan/planner.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/plan/job_inputs.h"
#include "core/plan/job_overrides.h"
#include "core/plan/tolerances.h"
#include "core/rules/evaluation.h"

namespace drapery {

namespace {

const double kNone = std::numeric_limits<double>::quiet_NaN();
constexpr double kOneMillimetre = 1.0;
constexpr double kUnmoved = 1e-9;

/// Whether a misspelt key is already blamed for a missing measure.
bool isBlamed(const InputRule& rule, const Issues& issues) {
  return std::any_of(issues.begin(), issues.end(), [&](const Issue& issue) {
    const bool isMisspelt =
        issue.id == "key-unknown" && issue.arguments.back().value == Argument(rule.id);
    return isMisspelt || issue.field == fieldOf(rule);
  });
}

/// Whether a finding that stops the work says already why there is no such measure.
bool isExplained(const Plan& plan, const InputRule& rule) {
  return std::any_of(plan.findings.begin(), plan.findings.end(), [&](const auto& finding) {
    const auto& touches = finding.rule->touches;
    return finding.rule->severity == Severity::Stop &&
           std::find(touches.begin(), touches.end(), rule.id) != touches.end();
  });
}

/// Of measures that a newcomer is asked for, also those that nothing else could supply.
void findMissing(const Plan& plan, Issues& issues) {
  for (const std::size_t i : plan.rules->inputNodes) {
    if (!plan.counts[i]) continue;
    const InputRule& rule = plan.rules->inputs[plan.rules->nodes[i].rule];
    const bool isNeeded = !rule.optional && (rule.fallback.empty() || !rule.ask.text.empty());
    if (isNeeded && std::isnan(plan.values[i]) && !isBlamed(rule, issues) &&
        !isExplained(plan, rule))
      issues.push_back({"given-missing", {{"name", rule.id}}, fieldOf(rule), {}, {}});
  }
}

/// What is supposed from other figures is held to its range as what is said.
void findOutOfRange(const Plan& plan, Issues& issues) {
  for (const std::size_t i : plan.rules->inputNodes) {
    if (!plan.counts[i] || plan.entered[i] || std::isnan(plan.values[i]) || plan.rules->isChoice(i))
      continue;
    const ValueNode& node = plan.rules->nodes[i];
    const InputRule& rule = plan.rules->inputs[node.rule];
    const double dust = 1e-9 * std::max(1.0, std::abs(rule.most));
    if (plan.values[i] >= rule.least - dust && plan.values[i] <= rule.most + dust) continue;
    if (isBlamed(rule, issues)) continue;
    issues.push_back(
        {"default-out-of-its-range",
         {{"name", rule.id},
          {"value", Amount{plan.values[i], node.unit}},
          {"least", Amount{rule.least, node.unit}},
          {"most", Amount{rule.most, node.unit}},
          {"formula", std::string((plan.jobUnits == Units::Inches && !rule.inchFallback.empty()
                                       ? rule.inchFallback
                                       : rule.fallback)
                                      .text())}},
         fieldOf(rule),
         {},
         {}});
  }
}

void checkMost(const std::string& name, const Amount& value, double most, Issues& issues) {
  if (value.value > most)
    issues.push_back({"series-too-many",
                      {{"name", name}, {"value", value}, {"limit", Amount{most, value.unit}}},
                      {},
                      {},
                      {}});
}

/// The corners that a piece's outline would have: each entry once, or once for each of its series.
double cornersOf(const PartRule& part, const Plan& plan) {
  double corners = 0.0;
  for (const OutlineRule& each : part.outline) {
    const double members = each.series ? plan.values[plan.rules->series[*each.series].node] : 1.0;
    if (members > 0.0) corners += members;
  }
  return corners;
}

/// A row of more members, or more and larger pieces, than can be meant are none.
void findEndless(const Plan& plan, const Evaluation& evaluation, Issues& issues) {
  for (const SeriesRule& series : plan.rules->series)
    checkMost(series.id + ".count", {plan.values[series.node], Unit::One}, SeriesRule::kMost,
              issues);
  for (const PartRule& part : plan.rules->parts) {
    if (!evaluation.holds(part.when.formula)) continue;
    for (const std::size_t side : {part.firstNode, part.firstNode + 1})
      checkMost(plan.rules->nodes[side].name, {plan.values[side], Unit::Millimetre},
                PartRule::kLongest, issues);
    checkMost(part.id, {evaluation.evaluate(part.count.formula), Unit::One}, PartRule::kMostPieces,
              issues);
    checkMost(part.id + ".outline", {cornersOf(part, plan), Unit::One}, PartRule::kMostCorners,
              issues);
  }
}

/// The numbers that stand whatever the rules say, by node; empty when there are none.
std::vector<double> fixedNumbers(const RuleSet& rules, const Overrides& overrides) {
  std::vector<double> fixed;
  if (overrides.fixed.empty() && overrides.asCut.empty()) return fixed;
  fixed.assign(rules.nodes.size(), kNone);
  for (const auto& [id, value] : overrides.fixed)
    if (const auto node = rules.find(id)) fixed[*node] = value;
  for (const PartRule& part : rules.parts) {
    const auto cut = overrides.asCut.find(part.id);
    if (cut == overrides.asCut.end()) continue;
    if (cut->second.width) fixed[part.firstNode + 2] = cut->second.width->mm();
    if (cut->second.height) fixed[part.firstNode + 3] = cut->second.height->mm();
  }
  return fixed;
}

SaidNumbers saidNumbers(const JobInputs& inputs, const RuleSet& rules, const Overrides& overrides) {
  SaidNumbers said = inputs.said;
  for (std::size_t i = 0; i < rules.inputs.size(); ++i)
    if (std::find(overrides.unsaid.begin(), overrides.unsaid.end(), rules.inputs[i].id) !=
        overrides.unsaid.end()) {
      said.values[i] = kNone;
      said.readings[i] = {};
    }
  return said;
}

void keepByRule(Plan& plan, const Evaluation& evaluation, const std::vector<double>& fixed) {
  plan.fixed.assign(plan.values.size(), false);
  plan.byRule.assign(plan.values.size(), kNone);
  for (std::size_t i = 0; i < fixed.size(); ++i) {
    plan.fixed[i] = !std::isnan(fixed[i]) && plan.counts[i];
    if (plan.fixed[i]) plan.byRule[i] = evaluation.byRule(i);
  }
}

/// Those of the job, and those of the caller over them.
Overrides joined(Overrides said, const Overrides& over) {
  for (const auto& [id, value] : over.fixed) said.fixed[id] = value;
  for (const auto& [id, sides] : over.asCut) said.asCut[id] = sides;
  said.unsaid = over.unsaid;
  return said;
}

/// The length inputs that the node can depend on, directly or not.
std::vector<std::size_t> inputsBehind(const RuleSet& rules, std::size_t node) {
  std::vector<bool> seen(rules.nodes.size(), false);
  std::vector<std::size_t> open{node}, inputs;
  while (!open.empty()) {
    const std::size_t at = open.back();
    open.pop_back();
    if (seen[at]) continue;
    seen[at] = true;
    const ValueNode& value = rules.nodes[at];
    if (rules.isInput(at) && value.unit == Unit::Millimetre) inputs.push_back(at);
    open.insert(open.end(), value.uses.begin(), value.uses.end());
  }
  std::sort(inputs.begin(), inputs.end());
  return inputs;
}

}  // namespace

Evaluation recalled(const Plan& plan) {
  std::vector<double> fixed;
  if (!plan.fixed.empty()) fixed.assign(plan.values.size(), kNone);
  for (std::size_t i = 0; i < fixed.size(); ++i)
    if (plan.fixed[i]) fixed[i] = plan.values[i];
  return {*plan.rules,
          {plan.values, plan.entered, plan.counts, plan.readings, plan.resolution, plan.jobUnits,
           std::move(fixed)}};
}

Planner::Planner(RuleSetPtr rules, CataloguePtr catalogue)
    : rules_(std::move(rules)),
      catalogue_(catalogue != nullptr ? std::move(catalogue) : makeCatalogue()) {}

PlanOutcome Planner::plan(const Job& job, const Overrides& overrides) const {
  PlanOutcome outcome;
  JobInputs inputs = readInputs(job, *rules_, *catalogue_);
  SaidOverrides saidInstead = readOverrides(job, *rules_);
  const Overrides all = joined(std::move(saidInstead.overrides), overrides);
  Plan& plan = outcome.plan;
  plan.rules = rules_;
  plan.units = plan.jobUnits = job.units;
  plan.copies = saidInstead.copies;
  plan.resolution = inputs.said.resolution;
  const std::vector<double> fixed = fixedNumbers(*rules_, all);
  Evaluation evaluation(*rules_);
  if (all.unsaid.empty())
    evaluation.compute(inputs.said, fixed);
  else
    evaluation.compute(saidNumbers(inputs, *rules_, all), fixed);
  plan.values = evaluation.table();
  plan.entered = evaluation.said();
  plan.counts = evaluation.counts();
  plan.readings = evaluation.readings();
  plan.eachReading = std::move(inputs.said.each);
  if (!fixed.empty()) keepByRule(plan, evaluation, fixed);
  outcome.issues = std::move(inputs.issues);
  for (Issue& issue : saidInstead.issues) outcome.issues.push_back(std::move(issue));
  findEndless(plan, evaluation, outcome.issues);
  findTolerances(plan, evaluation);
  for (const Section* section : ruleSections()) section->plan(*rules_, evaluation, plan);
  findMissing(plan, outcome.issues);
  findOutOfRange(plan, outcome.issues);
  return outcome;
}

std::vector<Influence> Planner::influences(const Plan& plan, std::size_t node) const {
  std::vector<Influence> all;
  Evaluation evaluation = recalled(plan);
  for (const std::size_t input : inputsBehind(*rules_, node)) {
    if (input == node || std::isnan(plan.values[input]) || !plan.counts[input]) continue;
    const InputRule& rule = rules_->inputs[rules_->nodes[input].rule];
    const bool isMistake = rule.role == InputRole::Given && rules_->nodes[node].isTried;
    const auto& dependents =
        rules_->dependents.of(*rules_, input, isMistake ? Moving::BookOnly : Moving::All);
    evaluation.move(input, kOneMillimetre, dependents, plan.values);
    const double change = evaluation.table()[node] - plan.values[node];
    if (std::abs(change) > kUnmoved) all.push_back({input, change});
    evaluation.restore(input, dependents, plan.values);
  }
  std::stable_sort(all.begin(), all.end(), [](const Influence& a, const Influence& b) {
    return std::abs(a.change) > std::abs(b.change);
  });
  return all;
}

std::vector<PartMove> Planner::partMoves(const Plan& plan) const {
  std::vector<PartMove> all;
  Evaluation evaluation = recalled(plan);
  for (const std::size_t input : rules_->inputNodes) {
    if (!isReading(plan, input)) continue;
    const auto& dependents = rules_->dependents.of(*rules_, input, Moving::Sizes);
    evaluation.move(input, kOneMillimetre, dependents, plan.values);
    for (std::size_t i = 0; i < plan.parts.size(); ++i) {
      const auto change = [&](std::size_t side) {
        const std::size_t node = plan.parts[i].rule->firstNode + side;
        const double by = evaluation.table()[node] - plan.values[node];
        return std::abs(by) > kUnmoved ? by : 0.0;
      };
      const PartMove move{i, input, change(0), change(1)};
      if (move.width != 0.0 || move.height != 0.0) all.push_back(move);
    }
    evaluation.restore(input, dependents, plan.values);
  }
  std::stable_sort(all.begin(), all.end(),
                   [](const PartMove& a, const PartMove& b) { return a.part < b.part; });
  return all;
}

Planner::Detail Planner::detail(const Job& job, const Plan& plan) const {
  Detail detail{partMoves(plan), std::nullopt};
  Overrides untrimmed;
  for (const InputRule& rule : rules_->inputs) {
    const Entries& entries = rule.role == InputRole::Given ? job.given : job.allowances;
    if (rule.settles == Moment::Trimmed && entries.find(rule.id) != entries.end())
      untrimmed.unsaid.push_back(rule.id);
  }
  if (!untrimmed.unsaid.empty()) detail.before = this->plan(job, untrimmed).plan;
  return detail;
}

}  // namespace drapery
