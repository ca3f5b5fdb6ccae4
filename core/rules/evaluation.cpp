#include "core/rules/evaluation.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/quantity/rule.h"

namespace drapery {

namespace {
const double kNone = std::numeric_limits<double>::quiet_NaN();
constexpr double kDust = 1e-9;
using Source = ValueNode::Source;
}  // namespace

Evaluation::Evaluation(const RuleSet& rules)
    : rules_(rules),
      table_(rules.nodes.size(), kNone),
      said_(table_),
      isSaid_(rules.nodes.size(), false),
      counts_(rules.nodes.size(), true) {}

Evaluation::Evaluation(const RuleSet& rules, Computed computed)
    : rules_(rules),
      table_(std::move(computed.table)),
      said_(table_),
      fixed_(std::move(computed.fixed)),
      isSaid_(std::move(computed.said)),
      counts_(std::move(computed.counts)),
      readings_(std::move(computed.readings)),
      resolution_(computed.resolution),
      isInches_(computed.units == Units::Inches) {}

void Evaluation::enter(const SaidNumbers& said) {
  readings_ = said.readings;
  materials_ = said.materials;
  resolution_ = said.resolution;
  isInches_ = said.units == Units::Inches;
  for (const std::size_t i : rules_.inputNodes) {
    const ValueNode& node = rules_.nodes[i];
    if (std::isnan(said.values[node.rule])) continue;
    const InputRule& rule = rules_.inputs[node.rule];
    isSaid_[i] = true;
    said_[i] = said.values[node.rule];
    if (rule.kind == InputKind::Choice) {
      const auto option = static_cast<std::size_t>(said.values[node.rule]);
      said_[i] = rules_.options.find(rule.options[option])->second;
    }
  }
}

void Evaluation::compute(const SaidNumbers& said, const std::vector<double>& fixed) {
  enter(said);
  fixed_ = fixed;
  for (const std::size_t i : rules_.order) {
    bool counts = true;
    const double value = valueOf(i, counts);
    counts_[i] = counts;
    table_[i] = isFixed(i) ? fixed_[i] : value;
  }
}

double Evaluation::byRule(std::size_t node) const {
  Evaluation rule(*this);
  rule.isSaid_[node] = false;
  bool counts = true;
  return rule.valueOf(node, counts);
}

double Evaluation::aspectOf(const ValueNode& node) const {
  const std::size_t of = node.uses.front();
  switch (node.source) {
    case Source::Column: {
      const InputRule& rule = rules_.inputs[node.rule];
      for (std::size_t i = 0; i < rule.options.size(); ++i)
        if (rules_.options.find(rule.options[i])->second == table_[of])
          return rule.columns[node.column].figures[i];
      return kNone;
    }
    case Source::Said:
      return isSaid_[of] || isFixed(of) ? 1.0 : 0.0;
    case Source::IsKind: {
      const Material* named = isSaid_[of] ? material(node.rule) : nullptr;
      return named != nullptr && named->kind == rules_.inputs[node.rule].materials[node.column]
                 ? 1.0
                 : 0.0;
    }
    case Source::Largest:
      return table_[of] + (isSaid_[of] ? readings_[node.rule].above() : 0.0);
    case Source::Spread:
      return isSaid_[of] ? readings_[node.rule].spread() : 0.0;
    default:
      return kNone;  // a tolerance: known when all else is
  }
}

std::vector<std::vector<double>> Evaluation::rows(const SeriesRule& series) const {
  std::vector<std::vector<double>> rows;
  const double count = table_[series.node];
  if (!(count >= 1.0) || count > SeriesRule::kMost) return rows;
  for (int i = 1; i <= static_cast<int>(count); ++i) rows.push_back(series.row(table_.data(), i));
  return rows;
}

double Evaluation::overSeries(const ValueNode& node) const {
  const auto members = rows(rules_.series[node.rule]);
  if (members.empty()) return node.source == Source::SeriesSum ? 0.0 : kNone;
  const auto at = [&](const std::vector<double>& row) { return row[node.column + 1]; };
  switch (node.source) {
    case Source::SeriesFirst:
      return at(members.front());
    case Source::SeriesLast:
      return at(members.back());
    default:
      break;
  }
  double result = at(members.front());
  for (std::size_t i = 1; i < members.size(); ++i) {
    const double next = at(members[i]);
    if (std::isnan(next) || std::isnan(result)) return kNone;
    result = node.source == Source::SeriesSum     ? result + next
             : node.source == Source::SeriesLeast ? std::min(result, next)
                                                  : std::max(result, next);
  }
  return result;
}

double Evaluation::valueOf(std::size_t i, bool& counts) const {
  const ValueNode& node = rules_.nodes[i];
  switch (node.source) {
    case Source::Input:
    case Source::Derived:
    case Source::PartSize:
    case Source::SeriesCount:
      break;
    case Source::CutSize:
      return roundTo(Length::fromMm(table_[node.uses.front()]), resolution_, node.rounding).mm();
    case Source::Resolution:
      return resolution_.mm();
    case Source::SeriesFirst:
    case Source::SeriesLast:
    case Source::SeriesSum:
    case Source::SeriesLeast:
    case Source::SeriesMost:
      return overSeries(node);
    default:
      return aspectOf(node);
  }
  const NumberTable table{table_.data(), nullptr};
  if (node.whenCode) {
    const double when = node.whenCode.evaluate(table);
    counts = !(std::isnan(when) || when == 0.0);
    if (!counts)
      return std::isnan(when) || !node.otherwiseCode ? kNone : node.otherwiseCode.evaluate(table);
  }
  if (isSaid_[i]) return said_[i];
  if (node.source == Source::SeriesCount && node.code)
    return std::floor(node.code.evaluate(table) + kDust);  // there are no half holes
  const Formula::Code& code = codeOf(node);
  if (!code) return kNone;
  const double exact = code.evaluate(table);
  return node.isMarked ? roundTo(Length::fromMm(exact), resolution_, node.rounding).mm() : exact;
}

namespace {
/// The dust of the last digit is no move.
bool isSame(double a, double b) {
  return std::abs(a - b) <= kDust || (std::isnan(a) && std::isnan(b));
}
}  // namespace

/// The node's number after something that it uses has moved.
double Evaluation::moved(std::size_t i, const std::vector<double>& base) const {
  // What is cut or marked follows without its steps: the rule in hand tells any size as well.
  const ValueNode& node = rules_.nodes[i];
  if (node.source == Source::CutSize)
    return base[i] + table_[node.uses.front()] - base[node.uses.front()];
  if (node.isMarked && counts_[i])
    return base[i] + codeOf(node).evaluate({table_.data(), nullptr}) -
           codeOf(node).evaluate({base.data(), nullptr});
  bool counts = true;
  return valueOf(i, counts);
}

void Evaluation::move(std::size_t input, double change, const std::vector<std::size_t>& dependents,
                      const std::vector<double>& base) {
  reached_.resize(rules_.nodes.size(), 0);
  ++moves_;
  const auto set = [&](std::size_t node, double value) {
    const bool isStill = isSame(value, base[node]);
    table_[node] = isStill ? base[node] : value;
    if (isStill) return;
    for (const std::size_t user : rules_.nodes[node].usedBy) reached_[user] = moves_;
  };
  set(input, base[input] + change);
  for (const std::size_t i : dependents)
    set(i, reached_[i] == moves_ && !isFixed(i) ? moved(i, base) : base[i]);
}

void Evaluation::restore(std::size_t input, const std::vector<std::size_t>& dependents,
                         const std::vector<double>& base) {
  table_[input] = base[input];
  for (const std::size_t i : dependents) table_[i] = base[i];
}

std::vector<Amount> Evaluation::figures(const RuleWords& words, const double* locals) const {
  std::vector<Amount> all;
  all.reserve(words.expressions.size());
  for (const RuleWords::Expression& expression : words.expressions)
    all.push_back({evaluate(expression.formula.formula, locals), expression.unit});
  return all;
}

}  // namespace drapery
