#include "core/plan/planner.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/plan/evaluation.h"
#include "core/plan/part_planner.h"

namespace drapery {

namespace {

constexpr Length kOneMillimetre = Length::fromMm(1.0);
constexpr double kUnmoved = 1e-9;

using Words = std::vector<BoundFormula>;

Words wordsOf(const WordsTemplate& words) {
  Words formulas;
  for (const auto& piece : words.pieces)
    if (!piece.expression.empty()) formulas.emplace_back(piece.expression.text);
  return formulas;
}

/// A lone name has its own unit; a sum is in mm unless the words say otherwise.
Unit unitOf(const Method& method, const WordsTemplate::Piece& piece) {
  if (piece.unit) return *piece.unit;
  const auto node = method.find(piece.expression.text);
  return node ? method.nodes[*node].unit : Unit::Millimetre;
}

struct BoundFinding {
  BoundFormula when;
  Words says;
  Words remedy;
};

struct BoundMark {
  BoundFormula when;
  Words says;
};

/// A tolerance that some finding asks for: its own node and the one it is of.
struct AskedTolerance {
  std::size_t node, of;
};

/// Whether a misspelt key is already blamed for a missing measure.
bool isBlamed(const InputRule& rule, const Issues& issues) {
  return std::any_of(issues.begin(), issues.end(), [&](const Issue& issue) {
    const bool isMisspelt =
        issue.id == "key-unknown" && issue.arguments.back().second == Argument(rule.id);
    return isMisspelt || issue.field == fieldOf(rule);
  });
}

}  // namespace

class Planner::Impl {
 public:
  Impl(MethodPtr method, ShelfPtr shelf)
      : method_(std::move(method)),
        shelf_(shelf != nullptr ? std::move(shelf) : makeShelf()),
        evaluation_(method_),
        parts_(*method_) {
    const Method& m = *method_;
    for (const MarkRule& mark : m.marks)
      marks_.push_back({BoundFormula(mark.when.text), wordsOf(mark.says)});
    for (const FindingRule& finding : m.findings)
      findings_.push_back(
          {BoundFormula(finding.when.text), wordsOf(finding.says), wordsOf(finding.remedy)});
    for (std::size_t i = 0; i < m.nodes.size(); ++i)
      if (m.nodes[i].source == ValueNode::Source::Tolerance)
        asked_.push_back({i, m.nodes[i].uses.front()});
  }

  [[nodiscard]] const MethodPtr& method() const { return method_; }

  Outcome plan(const Job& job, const Plan* asCut) {
    Outcome outcome;
    JobInputs inputs = readInputs(job, *method_, *shelf_);
    Plan& plan = outcome.plan;
    plan.method = method_;
    plan.units = job.units;
    plan.mark = inputs.mark;
    evaluation_.compute(inputs, asCut != nullptr ? &asCut->values : nullptr);
    plan.values = evaluation_.table();
    keepSaid(plan);
    plan.readings = std::move(inputs.readings);
    outcome.issues = std::move(inputs.issues);
    findMissing(plan, outcome.issues);
    findTolerances(plan);
    parts_.plan(plan, evaluation_);
    planMarks(plan);
    planFindings(plan);
    return outcome;
  }

  std::vector<Influence> influences(const Plan& plan, std::size_t node) {
    std::vector<Influence> all;
    recallFrom(plan);
    for (const std::size_t input : inputsBehind(node)) {
      if (input == node || std::isnan(plan.values[input]) || !plan.counts[input]) continue;
      const InputRule& rule = method_->inputs[method_->nodes[input].rule];
      const bool isMistake = rule.role == InputRole::Given && evaluation_.isTried(node);
      const Moving moving = isMistake ? Moving::BookOnly : Moving::All;
      evaluation_.move(input, kOneMillimetre.mm(), moving, plan.values);
      const double change = evaluation_.table()[node] - plan.values[node];
      if (std::abs(change) > kUnmoved) all.push_back({input, change});
      evaluation_.restore(input, moving, plan.values);
    }
    std::stable_sort(all.begin(), all.end(), [](const Influence& a, const Influence& b) {
      return std::abs(a.change) > std::abs(b.change);
    });
    return all;
  }

  std::vector<PartMove> partMoves(const Plan& plan) {
    std::vector<PartMove> all;
    recallFrom(plan);
    for (std::size_t input = 0; input < method_->nodes.size(); ++input) {
      if (!isReading(plan, input)) continue;
      evaluation_.move(input, kOneMillimetre.mm(), Moving::Sizes, plan.values);
      for (std::size_t i = 0; i < plan.parts.size(); ++i) addMove(plan, i, input, all);
      evaluation_.restore(input, Moving::Sizes, plan.values);
    }
    std::stable_sort(all.begin(), all.end(),
                     [](const PartMove& a, const PartMove& b) { return a.part < b.part; });
    return all;
  }

 private:
  void recallFrom(const Plan& plan) {
    evaluation_.recall(plan.values, plan.entered, plan.counts, plan.readings, plan.mark);
  }

  void keepSaid(Plan& plan) {
    plan.entered.resize(plan.values.size());
    plan.counts.resize(plan.values.size());
    plan.taken.resize(plan.values.size());
    for (std::size_t i = 0; i < plan.values.size(); ++i) {
      plan.entered[i] = evaluation_.isSaid(i);
      plan.counts[i] = evaluation_.counts(i);
      plan.taken[i] = evaluation_.taken(i);
    }
  }

  /// Of measures that a newcomer is asked for, also those that nothing else could supply.
  void findMissing(const Plan& plan, Issues& issues) const {
    for (std::size_t i = 0; i < method_->nodes.size(); ++i) {
      const ValueNode& node = method_->nodes[i];
      if (node.source != ValueNode::Source::Input || !plan.counts[i]) continue;
      const InputRule& rule = method_->inputs[node.rule];
      const bool isNeeded = !rule.optional && (rule.fallback.empty() || !rule.ask.text.empty());
      if (isNeeded && std::isnan(plan.values[i]) && !isBlamed(rule, issues))
        issues.push_back({"given-missing", {{"name", rule.id}}, fieldOf(rule), {}, {}});
    }
  }

  /// A length that was measured on this book and said.
  [[nodiscard]] bool isReading(const Plan& plan, std::size_t node) const {
    const ValueNode& value = method_->nodes[node];
    return value.source == ValueNode::Source::Input && value.unit == Unit::Millimetre &&
           plan.entered[node] && plan.counts[node] &&
           method_->inputs[value.rule].role == InputRole::Given;
  }

  void addMove(const Plan& plan, std::size_t index, std::size_t input, std::vector<PartMove>& all) {
    const std::string& id = plan.parts[index].rule->id;
    const auto change = [&](std::size_t node) {
      const double by = evaluation_.table()[node] - plan.values[node];
      return std::abs(by) > kUnmoved ? by : 0.0;
    };
    const PartMove move{index, input, change(*method_->find(id + ".width")),
                        change(*method_->find(id + ".height"))};
    if (move.width != 0.0 || move.height != 0.0) all.push_back(move);
  }

  void findTolerances(Plan& plan) {
    const std::size_t size = plan.values.size();
    plan.tolerances.assign(size, 0.0);
    for (std::size_t input = 0; input < size; ++input) {
      if (!isReading(plan, input)) continue;
      const double half = plan.readings[method_->nodes[input].rule].spread() / 2;
      if (half <= 0.0) continue;
      plan.tolerances[input] = half * half;
      addVariance(plan, input, half);
    }
    for (std::size_t i = 0; i < size; ++i)
      plan.tolerances[i] = std::isnan(plan.values[i]) ? std::numeric_limits<double>::quiet_NaN()
                                                      : std::sqrt(plan.tolerances[i]);
    for (const AskedTolerance& asked : asked_) {
      plan.values[asked.node] = plan.tolerances[asked.of];
      evaluation_.table()[asked.node] = plan.tolerances[asked.of];
    }
  }

  /// Adds the squares of the larger changes toward either end of the readings.
  void addVariance(Plan& plan, std::size_t input, double half) {
    for (const Moving moving : {Moving::Sizes, Moving::BookOnly}) {
      const std::vector<std::size_t>& dependents = evaluation_.dependents(input, moving);
      std::vector<double> ends[2];
      for (std::size_t end = 0; end < 2; ++end) {
        evaluation_.move(input, end == 0 ? -half : half, moving, plan.values);
        for (const std::size_t i : dependents) ends[end].push_back(evaluation_.table()[i]);
      }
      for (std::size_t k = 0; k < dependents.size(); ++k) {
        const std::size_t i = dependents[k];
        if (evaluation_.isTried(i) != (moving == Moving::BookOnly)) continue;
        const double down = std::abs(ends[0][k] - plan.values[i]);
        const double up = std::abs(ends[1][k] - plan.values[i]);
        const double change = std::fmax(down, up);  // an end without a value does not count
        if (!std::isnan(change)) plan.tolerances[i] += change * change;
      }
      evaluation_.restore(input, moving, plan.values);
    }
  }

  std::vector<Figure> figures(Words& formulas, const WordsTemplate& words) {
    std::vector<Figure> all;
    std::size_t next = 0;
    for (const auto& piece : words.pieces)
      if (!piece.expression.empty())
        all.push_back({evaluation_.evaluate(formulas[next++]), unitOf(*method_, piece)});
    return all;
  }

  void planMarks(Plan& plan) {
    for (std::size_t i = 0; i < marks_.size(); ++i)
      if (evaluation_.holds(marks_[i].when))
        plan.marks.push_back({&method_->marks[i], figures(marks_[i].says, method_->marks[i].says)});
  }

  void planFindings(Plan& plan) {
    for (std::size_t i = 0; i < findings_.size(); ++i) {
      const FindingRule& rule = method_->findings[i];
      if (!evaluation_.holds(findings_[i].when)) continue;
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
  ShelfPtr shelf_;
  Evaluation evaluation_;
  PartPlanner parts_;
  std::vector<BoundMark> marks_;
  std::vector<BoundFinding> findings_;
  std::vector<AskedTolerance> asked_;
};

Planner::Planner(MethodPtr method, ShelfPtr shelf)
    : impl_(std::make_unique<Impl>(std::move(method), std::move(shelf))) {}
Planner::~Planner() = default;
Planner::Planner(Planner&&) noexcept = default;
Planner& Planner::operator=(Planner&&) noexcept = default;

Planner::Outcome Planner::plan(const Job& job) { return impl_->plan(job, nullptr); }
Planner::Outcome Planner::tryOn(const Plan& asCut, const Job& job) {
  return impl_->plan(job, &asCut);
}
std::vector<Influence> Planner::influences(const Plan& plan, std::size_t node) {
  return impl_->influences(plan, node);
}
Planner::Detail Planner::detail(const Job& job, const Plan& plan) {
  Detail detail{impl_->partMoves(plan), std::nullopt};
  Job before = job;
  bool isCompared = false;
  for (const InputRule& rule : method()->inputs) {
    Entries& entries = rule.role == InputRole::Given ? before.given : before.allowances;
    if (rule.isCompared && entries.erase(rule.id) > 0) isCompared = true;
  }
  if (isCompared) detail.before = impl_->plan(before, nullptr).plan;
  return detail;
}
std::vector<PartMove> Planner::partMoves(const Plan& plan) { return impl_->partMoves(plan); }
const MethodPtr& Planner::method() const { return impl_->method(); }

}  // namespace drapery
