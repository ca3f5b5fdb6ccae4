#include "core/sewing/strip_measures.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace drapery {

namespace {

class Measuring {
 public:
  explicit Measuring(const SewnStab& sewn)
      : plan_(sewn.plan), rules_(*plan_.rules), graph_(sewn.graph) {}

  std::vector<StripMeasure> run() {
    const double length = graph_.spineLength, width = graph_.stripWidth;
    add("spine_length", {0, width}, {length, width});
    add("strip_width", {length, 0}, {length, width});
    add("sewn_thickness", {length, 0}, {length, -plan_.number("sewn_thickness").value_or(0.0)});
    for (const HoleRule& rule : rules_.holes) {
      const std::vector<std::size_t> holes = holesOf(rule);
      if (holes.empty()) continue;
      rule.across.formula.eachName(
          [&](auto, std::string_view name) { findAcross(std::string(name), holes); });
      rule.along.formula.eachName(
          [&](auto, std::string_view name) { findAlong(std::string(name), holes); });
    }
    for (const HoleRule& rule : rules_.holes) {
      const std::vector<std::size_t> holes = holesOf(rule);
      if (holes.empty()) continue;
      for (const RuleFormula* formula : {&rule.across, &rule.along})
        formula->formula.eachName([&](auto, std::string_view name) {
          if (const auto node = rules_.find(std::string(name))) findShaping(*node, holes.front());
        });
    }
    return std::move(found_);
  }

 private:
  [[nodiscard]] std::vector<std::size_t> holesOf(const HoleRule& rule) const {
    std::vector<std::size_t> holes;
    for (std::size_t i = 0; i < graph_.holes.size(); ++i) {
      const std::string& name = graph_.holes[i].name;
      if (name.substr(0, name.find('[')) == rule.id) holes.push_back(i);
    }
    return holes;
  }

  void add(const std::string& value, Point from, Point to) {
    if (known_.insert(value).second) found_.push_back({value, from, to});
  }

  /// Of a length that is not measured yet; below 0 for none.
  [[nodiscard]] double toFind(const std::string& value) const {
    const auto node = rules_.find(value);
    if (!node || known_.contains(value)) return -1.0;
    return rules_.nodes[*node].unit == Unit::Millimetre ? plan_.values[*node] : -1.0;
  }

  static bool isSame(double a, double b) { return std::abs(a - b) < kSamePlace; }

  void findAcross(const std::string& value, const std::vector<std::size_t>& holes) {
    const double wanted = toFind(value);
    if (!(wanted > 0.0)) return;
    for (const std::size_t i : holes) {
      const StitchHole& hole = graph_.holes[i];
      if (isSame(hole.across, wanted))
        return add(value, {hole.along, 0}, {hole.along, hole.across});
      if (isSame(graph_.stripWidth - hole.across, wanted))
        return add(value, {hole.along, hole.across}, {hole.along, graph_.stripWidth});
    }
  }

  void findAlong(const std::string& value, const std::vector<std::size_t>& holes) {
    const double wanted = toFind(value), length = graph_.spineLength;
    if (!(wanted > 0.0)) return;
    for (const std::size_t i : holes) {
      const StitchHole& hole = graph_.holes[i];
      if (isSame(hole.along, wanted))
        return add(value, {0, hole.across}, {hole.along, hole.across});
      if (isSame(length - hole.along, wanted))
        return add(value, {hole.along, hole.across}, {length, hole.across});
    }
    // From hole to hole, in whichever row the next one lies; else within the row.
    const auto between = [&](std::size_t a, std::size_t b) {
      const StitchHole &from = graph_.holes[a], &to = graph_.holes[b];
      if (!isSame(to.along - from.along, wanted)) return false;
      add(value, {from.along, to.across}, {to.along, to.across});
      return true;
    };
    for (const std::size_t i : holes)
      if (i + 1 < graph_.holes.size() && between(i, i + 1)) return;
    for (std::size_t i = 1; i < holes.size(); ++i)
      if (between(holes[i - 1], holes[i])) return;
  }

  /// The binder's own lengths behind a value.
  void findShaping(std::size_t node, std::size_t hole) {
    if (!visited_.insert(node).second) return;
    const ValueNode& of = rules_.nodes[node];
    const Point at{graph_.holes[hole].along, graph_.holes[hole].across};
    const bool isOwn = of.source == ValueNode::Source::Input &&
                       rules_.inputs[of.rule].role == InputRole::Allowance;
    if (isOwn && of.unit == Unit::Millimetre && rules_.inputs[of.rule].kind == InputKind::Length)
      add(of.name, at, at);
    for (const std::size_t used : of.uses) findShaping(used, hole);
  }

  const Plan& plan_;
  const RuleSet& rules_;
  const StitchGraph& graph_;
  std::vector<StripMeasure> found_;
  std::set<std::string, std::less<>> known_;
  std::set<std::size_t> visited_;
};

class Lands {
 public:
  explicit Lands(const SewnStab& sewn)
      : plan_(sewn.plan),
        graph_(sewn.graph),
        rim_(number(sewn, "punch_diameter") / 2),
        insetSpine_(number(sewn, "leaf_inset_spine")),
        insetEnds_(number(sewn, "leaf_inset_ends")) {}

  std::vector<StripLand> run() {
    if (graph_.holes.empty()) return {};
    addEdge();
    const StitchHole& inner = *std::max_element(
        graph_.holes.begin(), graph_.holes.end(),
        [](const StitchHole& a, const StitchHole& b) { return a.across < b.across; });
    add("land_crease", {inner.along, inner.across + rim_}, {inner.along, graph_.stripWidth},
        graph_.stripWidth - inner.across - rim_);
    addBetween();
    return std::move(found_);
  }

 private:
  static double number(const SewnStab& sewn, const char* name) {
    return sewn.plan.number(name).value_or(0.0);
  }
  void add(const char* value, Point from, Point to, double left) {
    if (left > 0.0) found_.push_back({value, from, to, left, worstAbout(value)});
  }

  [[nodiscard]] std::optional<Severity> worstAbout(std::string_view value) const {
    std::optional<Severity> worst;
    for (const PlannedFinding& finding : plan_.findings)
      finding.rule->when.formula.eachName([&](auto, std::string_view name) {
        const Severity severity = finding.rule->severity;
        if (name == value && (!worst || severity < *worst)) worst = severity;
      });
    return worst;
  }

  void addEdge() {
    Point at, edge;
    double left = 1e300;
    const auto take = [&](double room, Point from, Point to) {
      if (room >= left) return;
      left = room;
      at = from;
      edge = to;
    };
    for (const StitchHole& hole : graph_.holes) {
      const double head = hole.along, tail = graph_.spineLength - hole.along;
      take(hole.across - insetSpine_ - rim_, {hole.along, hole.across - rim_},
           {hole.along, insetSpine_});
      take(head - insetEnds_ - rim_, {hole.along - rim_, hole.across}, {insetEnds_, hole.across});
      take(tail - insetEnds_ - rim_, {hole.along + rim_, hole.across},
           {graph_.spineLength - insetEnds_, hole.across});
    }
    add("land_edge", at, edge, left);
  }

  void addBetween() {
    double apart = 1e300;
    const StitchHole *a = nullptr, *b = nullptr;
    for (std::size_t i = 0; i < graph_.holes.size(); ++i)
      for (std::size_t j = i + 1; j < graph_.holes.size(); ++j) {
        const StitchHole &from = graph_.holes[i], &to = graph_.holes[j];
        if (to.along - from.along >= apart) break;
        const double off = std::hypot(to.along - from.along, to.across - from.across);
        if (off >= apart) continue;
        apart = off;
        a = &from;
        b = &to;
      }
    if (a == nullptr || apart <= 0.0) return;
    const double part = rim_ / apart;
    const Point step{(b->along - a->along) * part, (b->across - a->across) * part};
    add("land_between", {a->along + step.x, a->across + step.y},
        {b->along - step.x, b->across - step.y}, apart - 2 * rim_);
  }

  const Plan& plan_;
  const StitchGraph& graph_;
  double rim_, insetSpine_, insetEnds_;
  std::vector<StripLand> found_;
};

}  // namespace

std::vector<StripMeasure> stripMeasures(const SewnStab& sewn) { return Measuring(sewn).run(); }

std::vector<StripLand> stripLands(const SewnStab& sewn) { return Lands(sewn).run(); }

}  // namespace drapery
