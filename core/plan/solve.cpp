#include "core/plan/solve.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <limits>

#include "core/diag/nearest_name.h"
#include "core/plan/job_field.h"
#include "core/plan/job_inputs.h"
#include "core/rules/evaluation.h"

namespace drapery {

namespace {

constexpr int kPlaces = 600;
constexpr double kMet = 1e-9;  // relative, of the wanted figure

std::vector<std::string> namesOf(const RuleSet& rules) {
  std::vector<std::string> names;
  for (const ValueNode& node : rules.nodes) names.push_back(node.name);
  return names;
}

/// Whether it goes in steps, or hangs on what does.
bool isStepped(const RuleSet& rules, std::size_t node) {
  using Source = ValueNode::Source;
  const ValueNode& value = rules.nodes[node];
  if (value.isTried || value.isMarked || value.source == Source::CutSize) return true;
  return std::any_of(value.uses.begin(), value.uses.end(), [&](std::size_t used) {
    return rules.nodes[used].source != Source::Input && isStepped(rules, used);
  });
}

bool isContinuous(const InputRule& rule) {
  return rule.kind != InputKind::Choice && rule.kind != InputKind::Count;
}

/// A value as a function of an input: all else as it is, and the input said.
class Way {
 public:
  Way(const Plan& plan, std::size_t input, std::size_t target)
      : base_(plan.values),
        input_(input),
        target_(target),
        dependents_(plan.rules->dependents.of(*plan.rules, input, Moving::All)),
        evaluation_(recalled(plan)) {}

  [[nodiscard]] double at(double x) {
    evaluation_.move(input_, x - base_[input_], dependents_, base_);
    return evaluation_.table()[target_];
  }

 private:
  std::vector<double> base_;
  std::size_t input_, target_;
  const std::vector<std::size_t>& dependents_;
  Evaluation evaluation_;
};

/// Finds where a function on a range has a wanted value.
class Search {
 public:
  Search(std::function<double(double)> f, double least, double most, double present, double wanted)
      : f_(std::move(f)), wanted_(wanted), met_(kMet * std::max(1.0, std::abs(wanted))) {
    for (int i = 0; i <= kPlaces; ++i) places_.push_back(least + (most - least) * i / kPlaces);
    for (double step = (most - least) / kPlaces / 2; step > 1e-3; step /= 2)
      for (const double x : {present - step, present + step})
        if (x > least && x < most) places_.push_back(x);
    if (present >= least && present <= most) places_.push_back(present);
    std::sort(places_.begin(), places_.end());
    for (const double x : places_) off_.push_back(off(x));
    addEnds();
  }

  std::vector<Solution> run() {
    for (std::size_t i = 0; i < places_.size(); ++i) {
      if (isMet(off_[i])) {
        i = plateauFrom(i);
        continue;
      }
      if (i + 1 < places_.size()) crossing(i);
      if (i > 0 && i + 1 < places_.size()) touching(i);
    }
    merge();
    return std::move(found_);
  }

  /// Where the function comes nearest to what is wanted; none where it has no value at all.
  [[nodiscard]] std::optional<double> nearestPlace() const {
    std::optional<double> place;
    double least = std::numeric_limits<double>::infinity();
    for (std::size_t i = 0; i < places_.size(); ++i)
      if (std::abs(off_[i]) < least) {
        least = std::abs(off_[i]);
        place = places_[i];
      }
    return place;
  }

 private:
  [[nodiscard]] double off(double x) const { return f_(x) - wanted_; }
  [[nodiscard]] bool isMet(double off) const { return std::abs(off) <= met_; }

  /// Where it stops having a value: the last place that has one is looked at too.
  void addEnds() {
    std::vector<double> places, offs;
    for (std::size_t i = 0; i < places_.size(); ++i) {
      if (i > 0 && std::isnan(off_[i]) != std::isnan(off_[i - 1])) {
        double in = places_[i - 1], out = places_[i];
        if (std::isnan(off_[i - 1])) std::swap(in, out);
        while (std::abs(out - in) > 1e-9) {
          const double middle = (in + out) / 2;
          if (middle == in || middle == out) break;
          (std::isnan(off(middle)) ? out : in) = middle;
        }
        places.push_back(in);
        offs.push_back(off(in));
      }
      places.push_back(places_[i]);
      offs.push_back(off_[i]);
    }
    places_ = std::move(places);
    off_ = std::move(offs);
  }

  /// The last place of the plateau that begins at place i.
  std::size_t plateauFrom(std::size_t i) {
    std::size_t last = i;
    while (last + 1 < places_.size() && isMet(off_[last + 1])) ++last;
    const double from = i > 0 ? edge(places_[i], places_[i - 1]) : places_[i];
    const double to =
        last + 1 < places_.size() ? edge(places_[last], places_[last + 1]) : places_[last];
    found_.push_back(last > i || to - from > 1e-6 ? Solution{from, to}
                                                  : Solution{places_[i], places_[i]});
    return last;
  }
  /// How far from `in`, where it is met, toward `out`, where it is not, it still is.
  [[nodiscard]] double edge(double in, double out) const {
    while (std::abs(out - in) > 1e-9) {
      const double middle = (in + out) / 2;
      if (middle == in || middle == out) break;
      (isMet(off(middle)) ? in : out) = middle;
    }
    return in;
  }

  /// Between two places on either side of the wanted figure. A leap over it is no solution.
  void crossing(std::size_t i) {
    double low = places_[i], high = places_[i + 1], offLow = off_[i], offHigh = off_[i + 1];
    if (!(offLow * offHigh < 0.0)) return;
    for (;;) {
      const double middle = (low + high) / 2;
      if (middle == low || middle == high) break;
      const double offMiddle = off(middle);
      if (std::isnan(offMiddle)) return;
      if (offLow * offMiddle <= 0.0) {
        high = middle;
        offHigh = offMiddle;
      } else {
        low = middle;
        offLow = offMiddle;
      }
    }
    const double x = std::abs(offLow) < std::abs(offHigh) ? low : high;
    if (std::min(std::abs(offLow), std::abs(offHigh)) <= 1e-7 * std::max(1.0, std::abs(wanted_)))
      found_.push_back({x, x});
  }

  /// About a place that is nearer than both its neighbours: it may touch without passing.
  void touching(std::size_t i) {
    const double here = std::abs(off_[i]);
    if (!(here < std::abs(off_[i - 1])) || !(here <= std::abs(off_[i + 1]))) return;
    if (off_[i - 1] * off_[i] < 0.0 || off_[i] * off_[i + 1] < 0.0) return;  // it passes
    constexpr double kGolden = 0.6180339887498949;
    double low = places_[i - 1], high = places_[i + 1];
    for (int n = 0; n < 80; ++n) {
      const double a = high - (high - low) * kGolden, b = low + (high - low) * kGolden;
      if (std::abs(off(a)) < std::abs(off(b)))
        high = b;
      else
        low = a;
    }
    const double x = (low + high) / 2;
    if (isMet(off(x))) found_.push_back({x, x});
  }

  /// Solutions that two neighbouring looks both found are one.
  void merge() {
    std::sort(found_.begin(), found_.end(),
              [](const Solution& a, const Solution& b) { return a.from < b.from; });
    std::vector<Solution> all;
    for (const Solution& each : found_)
      if (!all.empty() && each.from - all.back().to <= 1e-6)
        all.back().to = std::max(all.back().to, each.isPlateau() ? each.to : all.back().to);
      else
        all.push_back(each);
    found_ = std::move(all);
  }

  std::function<double(double)> f_;
  double wanted_, met_;
  std::vector<double> places_, off_;
  std::vector<Solution> found_;
};

double inside(const Solution& solution, double x) {
  return std::clamp(x, solution.from, solution.to);
}

/// One pair on one job.
class Pair {
 public:
  Pair(const Planner& planner, const Wanted& wanted)
      : planner_(planner), rules_(*planner.rules()), wanted_(wanted) {}

  /// Changes the job, or says why not.
  std::variant<Solved, Issue> run(Job& job) {
    if (auto issue = findBoth()) return std::move(*issue);
    Job said = job;
    const PlanOutcome before = planner_.plan(said);
    double present = before.plan.values[input_];
    // From now on it is said, whatever it was before.
    if (std::isnan(present)) present = (rule_->least + rule_->most) / 2;
    setField(said, fieldOf(*rule_), Entry{std::clamp(present, rule_->least, rule_->most), {}});
    const PlanOutcome outcome = planner_.plan(said);
    if (!outcome.issues.empty() && outcome.issues.front().id != "given-missing")
      return outcome.issues.front();
    const Plan& plan = outcome.plan;
    if (!plan.counts[input_] || !reaches(plan)) return without("solve-no-effect");
    Way way(plan, input_, target_);
    Search search([&](double x) { return way.at(x); }, rule_->least, rule_->most, present,
                  wanted_.figure);
    const std::vector<Solution> found = search.run();
    if (found.empty()) return none(search, way);
    return chosen(found, present, job);
  }

 private:
  std::optional<Issue> findBoth() {
    const auto input = rules_.find(wanted_.change);
    if (!input || !rules_.isInput(*input)) return unknown("change", wanted_.change);
    input_ = *input;
    rule_ = &rules_.inputs[rules_.nodes[input_].rule];
    if (!isContinuous(*rule_)) return without("solve-input-steps");
    const auto target = rules_.find(wanted_.soThat);
    if (!target) return unknown("so-that", wanted_.soThat);
    target_ = *target;
    if (target_ == input_) return without("solve-no-effect");
    if (isStepped(rules_, target_)) return without("solve-steps");
    return std::nullopt;
  }

  [[nodiscard]] bool reaches(const Plan& plan) const {
    const auto& dependents = rules_.dependents.of(rules_, input_, Moving::All);
    return std::find(dependents.begin(), dependents.end(), target_) != dependents.end() &&
           !plan.isFixed(target_);
  }

  [[nodiscard]] Issue unknown(const char* section, const std::string& name) const {
    return {"key-unknown",
            {{"key", shortened(name)},
             {"section", std::string("--") + section},
             {"nearest", nearestName(name, namesOf(rules_))}},
            {},
            {},
            {}};
  }
  [[nodiscard]] Issue without(IssueId id) const {
    return {id, {{"change", wanted_.change}, {"name", wanted_.soThat}}, {}, {}, {}};
  }

  [[nodiscard]] Issue none(const Search& search, Way& way) const {
    const Unit unit = rules_.nodes[input_].unit, of = rules_.nodes[target_].unit;
    Issue issue{"solve-none",
                {{"change", wanted_.change},
                 {"name", wanted_.soThat},
                 {"value", Amount{wanted_.figure, of}},
                 {"least", Amount{rule_->least, unit}},
                 {"most", Amount{rule_->most, unit}}},
                {},
                {},
                {}};
    const auto place = search.nearestPlace();
    if (!place) return issue;
    issue.arguments.push_back({"nearest", Amount{*place, unit}});
    issue.arguments.push_back({"gives", Amount{way.at(*place), of}});
    return issue;
  }

  Solved chosen(const std::vector<Solution>& found, double present, Job& job) const {
    const auto nearest =
        std::min_element(found.begin(), found.end(), [&](const Solution& a, const Solution& b) {
          return std::abs(inside(a, present) - present) < std::abs(inside(b, present) - present);
        });
    Solved solved{wanted_, inside(*nearest, present), *nearest, {}};
    for (auto each = found.begin(); each != found.end(); ++each)
      if (each != nearest) solved.others.push_back(*each);
    setField(job, fieldOf(*rule_), Entry{solved.value, {}});
    return solved;
  }

  const Planner& planner_;
  const RuleSet& rules_;
  const Wanted& wanted_;
  const InputRule* rule_ = nullptr;
  std::size_t input_ = 0, target_ = 0;
};

}  // namespace

std::variant<SolvedJob, Issue> solve(const Job& job, const Planner& planner,
                                     const std::vector<Wanted>& wanted) {
  SolvedJob result{job, {}};
  for (const Wanted& each : wanted) {
    auto solved = Pair(planner, each).run(result.job);
    if (auto* issue = std::get_if<Issue>(&solved)) return std::move(*issue);
    result.solved.push_back(std::move(std::get<Solved>(solved)));
  }
  return result;
}

}  // namespace drapery
