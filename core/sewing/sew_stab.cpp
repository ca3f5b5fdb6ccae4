#include "core/sewing/sew_stab.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/plan/planner.h"
#include "core/sewing/pattern_layout.h"

namespace drapery {

namespace {

constexpr double kFar = std::numeric_limits<double>::infinity();

/// How rows of holes are said: ends under half the spine, and no fewer holes than the pattern
/// needs.
Issues wrongRows(const Plan& plan) {
  Issues issues;
  const auto end = plan.number("end"), spine = plan.number("spine_length");
  if (end && spine && !(2 * *end < *spine))
    issues.push_back({"sewing-ends",
                      {{"name", std::string("end")},
                       {"value", Amount{*end, Unit::Millimetre}},
                       {"limit", Amount{*spine, Unit::Millimetre}}},
                      "allowances/end",
                      {},
                      {}});
  const auto count = plan.number("count"), least = plan.number("count_least");
  if (count && least && *count > 0 && *count < *least)
    issues.push_back({"sewing-few",
                      {{"name", std::string("count")},
                       {"value", Amount{*count, Unit::One}},
                       {"least", Amount{*least, Unit::One}}},
                      "allowances/count",
                      {},
                      {}});
  return issues;
}

/// From a point to a stretch of thread.
double distance(const StitchHole& from, const StitchHole& a, const StitchHole& b) {
  const double dx = b.across - a.across, dy = b.along - a.along;
  const double px = from.across - a.across, py = from.along - a.along;
  const double square = dx * dx + dy * dy;
  const double part = square > 0.0 ? std::clamp((px * dx + py * dy) / square, 0.0, 1.0) : 0.0;
  return std::hypot(px - part * dx, py - part * dy);
}

/// What of the holes' places counts.
class Measuring {
 public:
  explicit Measuring(const StitchGraph& graph) : graph_(graph) {}

  [[nodiscard]] double acrossLeast() const {
    return least([](const StitchHole& hole) { return hole.across; });
  }
  [[nodiscard]] double endLeast() const {
    return least([&](const StitchHole& hole) {
      return std::min(hole.along, graph_.spineLength - hole.along);
    });
  }
  [[nodiscard]] double creaseLeast() const {
    return least([&](const StitchHole& hole) { return graph_.stripWidth - hole.across; });
  }
  [[nodiscard]] double apartLeast() const {
    double apart = kFar;
    const auto& holes = graph_.holes;
    for (std::size_t i = 0; i < holes.size(); ++i)
      for (std::size_t j = i + 1; j < holes.size(); ++j) {
        if (holes[j].along - holes[i].along >= apart) break;
        apart = std::min(
            apart, std::hypot(holes[j].along - holes[i].along, holes[j].across - holes[i].across));
      }
    return apart;
  }
  /// From any thread to the centre of any hole that is not its own.
  [[nodiscard]] double threadOff() const {
    double off = kFar;
    for (const auto& [a, b] : graph_.stretches) off = offLine(a, b, graph_.holes[b], off);
    for (const StitchWrap& wrap : graph_.wraps) {
      StitchHole edge = graph_.holes[wrap.hole];
      if (wrap.round == Round::Spine) edge.across = 0.0;
      if (wrap.round == Round::Head) edge.along = 0.0;
      if (wrap.round == Round::Tail) edge.along = graph_.spineLength;
      off = offLine(wrap.hole, wrap.hole, edge, off);
    }
    return off;
  }

 private:
  template <class Of>
  [[nodiscard]] double least(const Of& of) const {
    double least = kFar;
    for (const StitchHole& hole : graph_.holes) least = std::min(least, of(hole));
    return least;
  }
  /// Or `off` where that is less. Holes are in their order along, so that only those near count.
  [[nodiscard]] double offLine(std::size_t a, std::size_t b, const StitchHole& to,
                               double off) const {
    const StitchHole& from = graph_.holes[a];
    const auto [least, most] = std::minmax(from.along, to.along);
    auto hole =
        std::lower_bound(graph_.holes.begin(), graph_.holes.end(), least - off,
                         [](const StitchHole& each, double along) { return each.along < along; });
    for (; hole != graph_.holes.end() && hole->along <= most + off; ++hole) {
      const auto i = static_cast<std::size_t>(hole - graph_.holes.begin());
      if (i != a && i != b) off = std::min(off, distance(*hole, from, to));
    }
    return off;
  }

  const StitchGraph& graph_;
};

class SewingStab {
 public:
  SewingStab(const RuleSetPtr& pattern, const SewingJob& said)
      : planner_(pattern), said_(said), job_(planningJob(said, *pattern)) {}

  std::variant<StitchGraph, Issues> lay() {
    PlanOutcome outcome = planner_.plan(job_);
    if (outcome.issues.empty()) outcome.issues = wrongRows(outcome.plan);
    if (!outcome.issues.empty()) return std::move(outcome.issues);
    sewn_.plan = std::move(outcome.plan);
    return layPattern(sewn_.plan);
  }

  std::variant<SewnStab, Issues> run() {
    auto laid = lay();
    if (auto* issues = std::get_if<Issues>(&laid)) return std::move(*issues);
    sewn_.graph = std::move(std::get<StitchGraph>(laid));
    if (Issues issues = findStart(); !issues.empty()) return issues;
    sewn_.trail = sewAll(sewn_.graph, start_, said_.hand, said_.finish);
    countPasses();
    enterFound();
    sewn_.plan = planner_.plan(job_).plan;
    cutThread();
    findTies();
    return std::move(sewn_);
  }

 private:
  Issues findStart() {
    const StitchGraph& graph = sewn_.graph;
    start_ = said_.start.value_or(startHole(graph, sewn_.plan.rules->startRows, said_.hand));
    if (start_ >= graph.holes.size())
      return {{"sewing-hole-none",
               {{"value", Amount{double(start_) + 1, Unit::One}},
                {"most", Amount{double(graph.holes.size()), Unit::One}}},
               "start",
               {},
               {}}};
    if (said_.finish == Finish::Ornament && !graph.has({start_, Round::Spine}))
      return {{"sewing-no-spine-wrap",
               {{"value", Amount{double(start_) + 1, Unit::One}}},
               "finish",
               {},
               {}}};
    return {};
  }

  void countPasses() {
    sewn_.passes.assign(sewn_.graph.holes.size(), 0);
    for (const SewStep& step : sewn_.trail.steps)
      if (step.what == SewStep::Do::Pass) ++sewn_.passes[step.hole];
  }

  void enter(const char* name, double value) {
    if (std::isfinite(value)) job_.given.insert_or_assign(name, Entry{value, {}});
  }

  void enterFound() {
    const StitchGraph& graph = sewn_.graph;
    const Measuring measuring(graph);
    double stretches = 0.0, wraps = 0.0;
    for (std::size_t i = 0; i < graph.stretches.size(); ++i) stretches += graph.lengthOf(i);
    for (const StitchWrap& wrap : graph.wraps) wraps += graph.reachOf(wrap);
    int others = 0;
    for (std::size_t i = 0; i < sewn_.passes.size(); ++i)
      if (i != start_) others = std::max(others, sewn_.passes[i]);
    enter("stretch_count", static_cast<double>(graph.stretches.size()));
    enter("wrap_count", static_cast<double>(graph.wraps.size()));
    enter("knot_passes", said_.finish == Finish::Glued    ? 0.0
                         : said_.finish == Finish::Buried ? 1.0
                                                          : 2.0);
    enter("thread_ends", said_.finish == Finish::Ornament ? 2.0 : 1.0);
    enter("join_count", 0.0);
    enter("stretch_once", stretches);
    enter("wrap_once", wraps);
    enter("hole_passes", std::max(others, sewn_.passes[start_]));
    enter("start_passes", sewn_.passes[start_]);
    enter("others_passes", others);
    enter("across_least", measuring.acrossLeast());
    enter("end_least", measuring.endLeast());
    enter("crease_least", measuring.creaseLeast());
    enter("apart_least", measuring.apartLeast());
    enter("thread_off", measuring.threadOff());
  }

  void cutThread() {
    const Plan& plan = sewn_.plan;
    const auto number = [&](const char* name) { return plan.number(name).value_or(0.0); };
    const ThreadTails tails{number("start_tail"), number("end_tail"), number("knot"),
                            number("join_tail"),  number("ease"),     number("thread_longest")};
    const auto& steps = sewn_.trail.steps;
    const std::vector<double> all = stepLengths(sewn_);
    std::vector<bool> joins;
    std::size_t last = steps.size();
    for (std::size_t i = 0; i < steps.size(); ++i) {
      joins.push_back(steps[i].what == SewStep::Do::Pass && steps[i].to == Face::Back);
      if (steps[i].what == SewStep::Do::Thread) last = i;
    }
    sewn_.pieces = threadPieces(all, joins, 1, last, tails);
    const double joined = static_cast<double>(sewn_.pieces.size()) - 1;
    if (last < steps.size()) {
      const auto second =
          threadPieces(all, std::vector<bool>(steps.size(), false), last + 2, steps.size(), tails);
      sewn_.pieces.insert(sewn_.pieces.end(), second.begin(), second.end());
    }
    if (joined < 1.0) return;
    enter("join_count", joined);
    sewn_.plan = planner_.plan(job_).plan;
  }

  /// At the first, the start and the last hole.
  void findTies() {
    const auto& steps = sewn_.trail.steps;
    for (const std::size_t hole : {std::size_t{0}, start_, sewn_.graph.holes.size() - 1}) {
      const bool isThere = std::any_of(sewn_.ties.begin(), sewn_.ties.end(),
                                       [&](const Tie& tie) { return tie.hole == hole; });
      for (std::size_t i = 0; i < steps.size() && !isThere; ++i)
        if (steps[i].what == SewStep::Do::Pass && steps[i].hole == hole) {
          sewn_.ties.push_back({hole, i + 1});
          break;
        }
    }
    std::sort(sewn_.ties.begin(), sewn_.ties.end(),
              [](const Tie& a, const Tie& b) { return a.offBefore < b.offBefore; });
  }

  Planner planner_;
  const SewingJob& said_;
  Job job_;
  SewnStab sewn_;
  std::size_t start_ = 0;
};

}  // namespace

std::variant<SewnStab, Issues> sewStab(const RuleSetPtr& pattern, const SewingJob& job) {
  return SewingStab(pattern, job).run();
}

std::vector<double> stepLengths(const SewnStab& sewn) {
  const double thickness = sewn.plan.number("sewn_thickness").value_or(0.0);
  std::vector<double> lengths;
  for (const SewStep& step : sewn.trail.steps) switch (step.what) {
      case SewStep::Do::Pass:
        lengths.push_back(thickness);
        break;
      case SewStep::Do::Stretch:
        lengths.push_back(sewn.graph.lengthOf(step.stretch));
        break;
      case SewStep::Do::Wrap:
        lengths.push_back(2 * sewn.graph.reachOf({step.hole, step.round}) + thickness);
        break;
      default:
        lengths.push_back(0.0);
    }
  return lengths;
}

std::variant<StitchGraph, Issues> holesOf(const RuleSetPtr& pattern, const SewingJob& job) {
  return SewingStab(pattern, job).lay();
}

}  // namespace drapery
