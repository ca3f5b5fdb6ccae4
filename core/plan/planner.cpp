#include "core/plan/planner.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/method/formula.h"

namespace drapery {

namespace {

const double kNone = std::numeric_limits<double>::quiet_NaN();
constexpr Length kOneMillimetre = Length::fromMm(1.0);
constexpr double kUnmoved = 1e-9;

/// A formula over the planner's table of numbers, compiled when it is first needed.
class BoundFormula {
 public:
  BoundFormula(const Method& method, const std::string& text) : text_(text) {
    for (const FormulaName& used : namesIn(text)) {
      const auto node = used.isCall ? std::nullopt : method.find(used.name);
      if (used.isAsked && node) asked_.push_back(*node);
      if (node) needs_.push_back(*node);
    }
    std::erase_if(needs_, [this](std::size_t node) {
      return std::find(asked_.begin(), asked_.end(), node) != asked_.end();
    });
  }

  double evaluate(const Method& method, std::vector<double>& values) {
    for (const std::size_t node : needs_)
      if (std::isnan(values[node])) return kNone;
    if (!formula_) compile(method, values);
    return formula_ ? formula_->evaluate() : kNone;
  }

 private:
  void compile(const Method& method, std::vector<double>& values) {
    auto compiled = Formula::compile(
        text_, [&](std::string_view name) -> std::variant<std::monostate, double*, double> {
          if (const auto node = method.find(name)) return &values[*node];
          const auto option = method.options.find(name);
          if (option != method.options.end()) return option->second;
          return std::monostate();
        });
    if (auto* formula = std::get_if<Formula>(&compiled)) formula_ = std::move(*formula);
  }

  std::string text_;
  std::vector<std::size_t> needs_;
  std::vector<std::size_t> asked_;
  std::optional<Formula> formula_;
};

using Words = std::vector<BoundFormula>;

Words wordsOf(const Method& method, const WordsTemplate& words) {
  Words formulas;
  for (const auto& piece : words.pieces)
    if (!piece.expression.empty()) formulas.emplace_back(method, piece.expression.text);
  return formulas;
}

/// A lone name has its own unit; a sum is in mm unless the words say otherwise.
Unit unitOf(const Method& method, const WordsTemplate::Piece& piece) {
  if (piece.unit) return *piece.unit;
  const auto node = method.find(piece.expression.text);
  return node ? method.nodes[*node].unit : Unit::Millimetre;
}

struct BoundPart {
  BoundFormula corner;
  std::vector<std::pair<BoundFormula, BoundFormula>> places;
};

struct BoundFinding {
  BoundFormula when;
  Words says;
  Words remedy;
};

}  // namespace

class Planner::Impl {
 public:
  explicit Impl(MethodPtr method) : method_(std::move(method)) {
    const Method& m = *method_;
    values_.assign(m.nodes.size(), kNone);
    for (const ValueNode& node : m.nodes) formulas_.emplace_back(m, node.formula.text);
    for (const PartRule& part : m.parts) {
      BoundPart bound{{m, part.corner.text}, {}};
      for (const auto& [x, y] : part.places)
        bound.places.emplace_back(BoundFormula(m, x.text), BoundFormula(m, y.text));
      parts_.push_back(std::move(bound));
    }
    for (const FindingRule& finding : m.findings)
      findings_.push_back(
          {{m, finding.when.text}, wordsOf(m, finding.says), wordsOf(m, finding.remedy)});
  }

  [[nodiscard]] const MethodPtr& method() const { return method_; }

  Outcome plan(const Job& job) {
    Outcome outcome;
    JobInputs inputs = readInputs(job, *method_);
    outcome.issues = std::move(inputs.issues);
    Plan& plan = outcome.plan;
    plan.method = method_;
    plan.units = job.units;
    plan.mark = inputs.mark;
    enter(inputs.values, plan.entered);
    compute(plan.entered, plan.mark);
    plan.values = values_;
    planParts(plan);
    planFindings(plan);
    return outcome;
  }

  std::vector<Influence> influences(const Plan& plan, std::size_t node) {
    std::vector<Influence> all;
    for (const std::size_t input : inputsBehind(node)) {
      if (input == node || std::isnan(plan.values[input])) continue;
      std::vector<bool> entered = plan.entered;
      entered[input] = true;
      values_ = plan.values;
      values_[input] += kOneMillimetre.mm();
      compute(entered, plan.mark);
      const double change = values_[node] - plan.values[node];
      if (std::abs(change) > kUnmoved) all.push_back({input, change});
    }
    std::stable_sort(all.begin(), all.end(), [](const Influence& a, const Influence& b) {
      return std::abs(a.change) > std::abs(b.change);
    });
    return all;
  }

 private:
  void enter(const std::vector<double>& inputs, std::vector<bool>& entered) {
    entered.assign(method_->nodes.size(), false);
    for (std::size_t i = 0; i < method_->nodes.size(); ++i) {
      const ValueNode& node = method_->nodes[i];
      values_[i] = kNone;
      if (node.source != ValueNode::Source::Input || std::isnan(inputs[node.rule])) continue;
      const InputRule& rule = method_->inputs[node.rule];
      entered[i] = true;
      values_[i] = inputs[node.rule];
      if (rule.kind == InputKind::Choice) {
        const auto option = static_cast<std::size_t>(inputs[node.rule]);
        values_[i] = method_->options.find(rule.options[option])->second;
      }
    }
  }

  void compute(const std::vector<bool>& entered, Length mark) {
    for (const std::size_t i : method_->order) {
      const ValueNode& node = method_->nodes[i];
      if (entered[i]) continue;
      if (node.source == ValueNode::Source::CutSize) {
        const double size = node.uses.empty() ? kNone : values_[node.uses.front()];
        values_[i] = roundTo(Length::fromMm(size), mark, node.rounding).mm();
      } else {
        values_[i] = node.formula.empty() ? kNone : formulas_[i].evaluate(*method_, values_);
      }
    }
  }

  double evaluate(BoundFormula& formula) { return formula.evaluate(*method_, values_); }

  [[nodiscard]] double sizeOf(const PartRule& part, const char* side) const {
    return values_[*method_->find(part.id + side)];
  }

  void planParts(Plan& plan) {
    for (std::size_t i = 0; i < parts_.size(); ++i) {
      const PartRule& rule = method_->parts[i];
      PlannedPart part;
      part.rule = &rule;
      part.width = Length::fromMm(sizeOf(rule, ".width"));
      part.height = Length::fromMm(sizeOf(rule, ".height"));
      part.cutWidth = Length::fromMm(sizeOf(rule, ".cut_width"));
      part.cutHeight = Length::fromMm(sizeOf(rule, ".cut_height"));
      // A piece without a size, or with one below nothing, is no piece.
      if (!(part.width > Length()) || !(part.height > Length())) continue;
      placePart(part, parts_[i]);
      plan.parts.push_back(std::move(part));
    }
  }

  void placePart(PlannedPart& part, BoundPart& bound) {
    const double corner = part.rule->corner.empty() ? 0.0 : evaluate(bound.corner);
    part.corner = Length::fromMm(corner > 0.0 ? corner : 0.0);
    for (auto& [x, y] : bound.places) {
      const Point place{evaluate(x), evaluate(y)};
      if (std::isfinite(place.x) && std::isfinite(place.y)) part.places.push_back(place);
    }
  }

  std::vector<Figure> figures(Words& formulas, const WordsTemplate& words) {
    std::vector<Figure> all;
    std::size_t next = 0;
    for (const auto& piece : words.pieces)
      if (!piece.expression.empty())
        all.push_back({evaluate(formulas[next++]), unitOf(*method_, piece)});
    return all;
  }

  void planFindings(Plan& plan) {
    for (std::size_t i = 0; i < findings_.size(); ++i) {
      const FindingRule& rule = method_->findings[i];
      const double when = evaluate(findings_[i].when);
      if (std::isnan(when) || when == 0.0) continue;
      plan.findings.push_back({&rule, figures(findings_[i].says, rule.says),
                               figures(findings_[i].remedy, rule.remedy)});
    }
    std::stable_sort(plan.findings.begin(), plan.findings.end(),
                     [](const PlannedFinding& a, const PlannedFinding& b) {
                       return a.rule->severity < b.rule->severity;
                     });
  }

  /// The length inputs that the node can depend on, directly or not.
  std::vector<std::size_t> inputsBehind(std::size_t node) const {
    std::vector<bool> seen(method_->nodes.size(), false);
    std::vector<std::size_t> open{node}, inputs;
    while (!open.empty()) {
      const std::size_t at = open.back();
      open.pop_back();
      if (seen[at]) continue;
      seen[at] = true;
      const ValueNode& value = method_->nodes[at];
      const bool isLength = value.unit == Unit::Millimetre;
      if (value.source == ValueNode::Source::Input && isLength) inputs.push_back(at);
      open.insert(open.end(), value.uses.begin(), value.uses.end());
    }
    std::sort(inputs.begin(), inputs.end());
    return inputs;
  }

  MethodPtr method_;
  std::vector<double> values_;  // never resized: formulas point into it
  std::vector<BoundFormula> formulas_;
  std::vector<BoundPart> parts_;
  std::vector<BoundFinding> findings_;
};

Planner::Planner(MethodPtr method) : impl_(std::make_unique<Impl>(std::move(method))) {}
Planner::~Planner() = default;
Planner::Planner(Planner&&) noexcept = default;
Planner& Planner::operator=(Planner&&) noexcept = default;

Planner::Outcome Planner::plan(const Job& job) { return impl_->plan(job); }
std::vector<Influence> Planner::influences(const Plan& plan, std::size_t node) {
  return impl_->influences(plan, node);
}
const MethodPtr& Planner::method() const { return impl_->method(); }

}  // namespace drapery
