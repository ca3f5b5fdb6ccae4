#include "core/plan/evaluation.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace drapery {

namespace {
const double kNone = std::numeric_limits<double>::quiet_NaN();
using Source = ValueNode::Source;
}  // namespace

Evaluation::Evaluation(MethodPtr method) : method_(std::move(method)) {
  const Method& m = *method_;
  table_.assign(m.nodes.size(), kNone);
  said_ = table_;
  isSaid_.assign(m.nodes.size(), false);
  counts_.assign(m.nodes.size(), true);
  for (auto& each : dependents_) each.resize(m.nodes.size());
  formulas_.reserve(m.nodes.size());
  for (const ValueNode& node : m.nodes) {
    const bool isRounded = node.source == Source::CutSize;
    formulas_.push_back({isRounded ? BoundFormula() : BoundFormula(node.formula.text),
                         BoundFormula(node.when.text), BoundFormula(node.otherwise.text)});
  }
  findTried();
}

void Evaluation::findTried() {
  isTried_.assign(method_->nodes.size(), false);
  for (const std::size_t i : method_->order) {
    bool tried = false;
    for (const std::size_t used : method_->nodes[i].uses)
      tried = tried || isTried_[used] || method_->nodes[used].source == Source::CutSize;
    isTried_[i] = tried;
  }
  feedsTrial_ = isTried_;
  for (auto i = method_->order.rbegin(); i != method_->order.rend(); ++i)
    if (feedsTrial_[*i])
      for (const std::size_t used : method_->nodes[*i].uses) feedsTrial_[used] = true;
}

void Evaluation::enter(const JobInputs& inputs) {
  readings_ = inputs.readings;
  mark_ = inputs.mark;
  for (std::size_t i = 0; i < method_->nodes.size(); ++i) {
    const ValueNode& node = method_->nodes[i];
    said_[i] = kNone;
    isSaid_[i] = false;
    if (node.source != Source::Input || std::isnan(inputs.values[node.rule])) continue;
    const InputRule& rule = method_->inputs[node.rule];
    isSaid_[i] = true;
    said_[i] = inputs.values[node.rule];
    if (rule.kind == InputKind::Choice) {
      const auto option = static_cast<std::size_t>(inputs.values[node.rule]);
      said_[i] = method_->options.find(rule.options[option])->second;
    }
  }
}

void Evaluation::recall(const std::vector<double>& values, const std::vector<bool>& entered,
                        const std::vector<bool>& counts, const std::vector<Readings>& readings,
                        Length mark) {
  // Element by element: formulas point into the table.
  std::copy(values.begin(), values.end(), table_.begin());
  std::copy(values.begin(), values.end(), said_.begin());
  isSaid_ = entered;
  counts_ = counts;
  readings_ = readings;
  mark_ = mark;
}

bool Evaluation::holds(BoundFormula& when) {
  if (when.isEmpty()) return true;
  const double value = evaluate(when);
  return !std::isnan(value) && value != 0.0;
}

bool Evaluation::isFrozen(std::size_t node) const {
  return method_->nodes[node].source == Source::CutSize || method_->nodes[node].isHeld;
}

void Evaluation::compute(const JobInputs& inputs, const std::vector<double>* cut) {
  enter(inputs);
  for (const std::size_t i : method_->order)
    table_[i] = cut != nullptr && isFrozen(i) ? (*cut)[i] : valueOf(i);
}

double Evaluation::aspectOf(const ValueNode& node) const {
  const std::size_t of = node.uses.front();
  switch (node.source) {
    case Source::Column: {
      const InputRule& rule = method_->inputs[node.rule];
      for (std::size_t i = 0; i < rule.options.size(); ++i)
        if (method_->options.find(rule.options[i])->second == table_[of])
          return rule.columns[node.column].figures[i];
      return kNone;
    }
    case Source::Said:
      return isSaid_[of] ? 1.0 : 0.0;
    case Source::Largest:
      return table_[of] + (isSaid_[of] ? readings_[node.rule].above() : 0.0);
    case Source::Spread:
      return isSaid_[of] ? readings_[node.rule].spread() : 0.0;
    default:
      return kNone;  // a tolerance: known when all else is
  }
}

double Evaluation::valueOf(std::size_t i) {
  const ValueNode& node = method_->nodes[i];
  switch (node.source) {
    case Source::Input:
    case Source::Derived:
    case Source::PartSize:
      break;
    case Source::CutSize:
      return roundTo(Length::fromMm(table_[node.uses.front()]), mark_, node.rounding).mm();
    default:
      return aspectOf(node);
  }
  NodeFormulas& formulas = formulas_[i];
  counts_[i] = true;
  if (!formulas.when.isEmpty()) {
    const double when = evaluate(formulas.when);
    counts_[i] = !(std::isnan(when) || when == 0.0);
    if (!counts_[i])
      return std::isnan(when) || formulas.otherwise.isEmpty() ? kNone
                                                              : evaluate(formulas.otherwise);
  }
  if (isSaid_[i]) return said_[i];
  return formulas.formula.isEmpty() ? kNone : evaluate(formulas.formula);
}

bool Evaluation::isMoved(std::size_t node, Moving moving) const {
  switch (moving) {
    case Moving::All:
      return true;
    case Moving::Sizes:
      return !isTried_[node];
    case Moving::BookOnly:
      return feedsTrial_[node] && !isFrozen(node);
  }
  return true;
}

const std::vector<std::size_t>& Evaluation::dependents(std::size_t input, Moving moving) {
  auto& found = dependents_[static_cast<std::size_t>(moving)][input];
  if (found) return *found;
  found.emplace();
  std::vector<bool> depends(method_->nodes.size(), false);
  depends[input] = true;
  for (const std::size_t i : method_->order) {
    const ValueNode& node = method_->nodes[i];
    const bool isReached = std::any_of(node.uses.begin(), node.uses.end(),
                                       [&](std::size_t used) { return depends[used]; });
    if (!isReached || depends[i] || node.source == Source::Tolerance || !isMoved(i, moving))
      continue;
    depends[i] = true;
    found->push_back(i);
  }
  return *found;
}

void Evaluation::move(std::size_t input, double change, Moving moving,
                      const std::vector<double>& base) {
  table_[input] = base[input] + change;
  for (const std::size_t i : dependents(input, moving))
    // A piece's cut size follows without its steps: the rule in hand cuts any size as well.
    table_[i] = method_->nodes[i].source == Source::CutSize
                    ? base[i] + table_[method_->nodes[i].uses.front()] -
                          base[method_->nodes[i].uses.front()]
                    : valueOf(i);
}

void Evaluation::restore(std::size_t input, Moving moving, const std::vector<double>& base) {
  table_[input] = base[input];
  for (const std::size_t i : dependents(input, moving)) table_[i] = base[i];
}

}  // namespace drapery
