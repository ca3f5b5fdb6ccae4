#include "core/sewing/pattern_layout.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>
#include <optional>
#include <set>

#include "core/diag/nearest_name.h"

namespace drapery {

namespace {

std::string numbered(double k) { return std::to_string(static_cast<long long>(std::llround(k))); }

/// "holes 1 to 4 and 5 to 9"
std::string rangesOf(const std::vector<std::vector<std::size_t>>& parts) {
  std::string all;
  for (std::size_t i = 0; i < parts.size(); ++i) {
    all += i == 0 ? "holes " : i + 1 == parts.size() ? " and " : ", ";
    for (std::size_t k = 0; k < parts[i].size();) {
      std::size_t last = k;
      while (last + 1 < parts[i].size() && parts[i][last + 1] == parts[i][last] + 1) ++last;
      if (k > 0) all += ", ";
      all += std::to_string(parts[i][k] + 1);
      if (last > k) all += " to " + std::to_string(parts[i][last] + 1);
      k = last + 1;
    }
  }
  return all;
}

class Laying {
 public:
  explicit Laying(const Plan& plan) : plan_(plan), rules_(*plan.rules) {}

  std::variant<StitchGraph, Issues> run() {
    graph_.spineLength = plan_.number("spine_length").value_or(0.0);
    graph_.stripWidth = plan_.number("strip_width").value_or(0.0);
    for (const HoleRule& rule : rules_.holes) layHoles(rule);
    if (issues_.empty() && graph_.holes.empty())
      complain("pattern-no-hole", {{"name", rules_.id}},
               rules_.holes.empty() ? SourcePosition{} : rules_.holes.front().at);
    if (!issues_.empty()) return std::move(issues_);
    number();
    findNear();
    for (const StretchRule& rule : rules_.stretches) layStretches(rule);
    for (const WrapRule& rule : rules_.wraps) layWraps(rule);
    if (!issues_.empty()) return std::move(issues_);
    settle();
    if (!issues_.empty()) return std::move(issues_);
    return std::move(graph_);
  }

 private:
  void complain(IssueId id, IssueArguments arguments, const SourcePosition& at) {
    constexpr std::size_t kMostTold = 100;
    if (issues_.size() < kMostTold) issues_.push_back({id, std::move(arguments), {}, at, {}});
  }

  [[nodiscard]] double number(const RuleFormula& formula, const double* k) const {
    return formula.formula.evaluate({plan_.values.data(), k});
  }

  /// Once, or for each k; what is no row of whole numbers is told.
  template <class Visit>
  void each(const StitchRun& run, const std::string& name, const SourcePosition& at,
            const Visit& visit) {
    if (!run.when.formula.holds(plan_.table())) return;
    if (!run.isRow()) return visit(nullptr);
    const double first = number(run.first, nullptr), last = number(run.last, nullptr);
    for (const double bound : {first, last})
      if (!(bound >= -1.0 && bound <= StitchRun::kMost && bound == std::floor(bound)))
        return complain("stitch-run",
                        {{"name", name},
                         {"value", Amount{std::isnan(bound) ? 0.0 : bound, Unit::One}},
                         {"most", Amount{StitchRun::kMost, Unit::One}}},
                        at);
    for (double k = first; k <= last; ++k) visit(&k);
  }

  void layHoles(const HoleRule& rule) {
    each(rule.run, rule.id, rule.at, [&](const double* k) {
      const std::string name = k != nullptr ? rule.id + "[" + numbered(*k) + "]" : rule.id;
      StitchHole hole{number(rule.along, k), number(rule.across, k), rule.row, name};
      for (const double place : {hole.along, hole.across})
        if (!(place >= 0.0 && std::isfinite(place)))
          return complain(
              "pattern-place",
              {{"name", name},
               {"value", Amount{std::isfinite(place) ? place : -0.0, Unit::Millimetre}}},
              rule.at);
      if (graph_.holes.size() == kMostHoles)
        complain("pattern-holes-many",
                 {{"value", Amount{double(kMostHoles) + 1, Unit::One}},
                  {"limit", Amount{double(kMostHoles), Unit::One}}},
                 rule.at);
      if (graph_.holes.size() > kMostHoles) return;
      graph_.holes.push_back(std::move(hole));
      rows_[rule.id].push_back(k != nullptr ? *k : 0.0);
      at_[name] = rule.at;
    });
  }

  /// The first is nearest the head.
  void number() {
    std::stable_sort(
        graph_.holes.begin(), graph_.holes.end(), [](const StitchHole& a, const StitchHole& b) {
          return std::abs(a.along - b.along) > kSamePlace ? a.along < b.along : a.across < b.across;
        });
    for (std::size_t i = 0; i < graph_.holes.size(); ++i) numbers_[graph_.holes[i].name] = i;
  }

  void findNear() {
    const auto& holes = graph_.holes;
    for (std::size_t i = 0; i < holes.size(); ++i)
      for (std::size_t j = i + 1; j < holes.size(); ++j) {
        if (holes[j].along - holes[i].along > kHolesNear) break;
        const double apart =
            std::hypot(holes[j].along - holes[i].along, holes[j].across - holes[i].across);
        if (apart < kHolesNear)
          complain("pattern-holes-near",
                   {{"name", holes[i].name + " and " + holes[j].name},
                    {"value", Amount{apart, Unit::Millimetre}},
                    {"limit", Amount{kHolesNear, Unit::Millimetre}}},
                   at_[holes[j].name]);
      }
  }

  std::optional<std::size_t> holeAt(const StitchEnd& end, const double* k) {
    std::string name = end.hole;
    if (!end.index.empty()) {
      const double index = number(end.index, k);
      const auto row = rows_.find(end.hole);
      const bool isThere = row != rows_.end() && std::find(row->second.begin(), row->second.end(),
                                                           index) != row->second.end();
      if (!isThere) {
        const bool isEmpty = row == rows_.end() || row->second.empty();
        complain("stitch-index",
                 {{"name", end.text()},
                  {"value", Amount{std::isnan(index) ? 0.0 : index, Unit::One}},
                  {"least", Amount{isEmpty ? 0.0 : row->second.front(), Unit::One}},
                  {"most", Amount{isEmpty ? 0.0 : row->second.back(), Unit::One}}},
                 end.at);
        return std::nullopt;
      }
      name += "[" + numbered(index) + "]";
    }
    const auto found = numbers_.find(name);
    if (found != numbers_.end()) return found->second;
    complain("stitch-hole-unknown", {{"name", name}, {"nearest", std::string()}}, end.at);
    return std::nullopt;
  }

  void layStretches(const StretchRule& rule) {
    each(rule.run, rule.from.hole, rule.at, [&](const double* k) {
      const auto from = holeAt(rule.from, k), to = holeAt(rule.to, k);
      if (!from || !to) return;
      if (*from == *to)
        return complain("pattern-stretch-self", {{"name", graph_.holes[*from].name}}, rule.at);
      if (!stretches_.insert(std::minmax(*from, *to)).second)
        complain("pattern-stretch-twice",
                 {{"name", graph_.holes[*from].name + " to " + graph_.holes[*to].name}}, rule.at);
    });
  }

  void layWraps(const WrapRule& rule) {
    each(rule.run, rule.hole.hole, rule.at, [&](const double* k) {
      if (const auto hole = holeAt(rule.hole, k)) addWrap({*hole, rule.round}, rule.at);
    });
  }

  void addWrap(const StitchWrap& wrap, const SourcePosition& at) {
    const bool isSpineToo = wrap.round == Round::Spine && hasSpine(wrap.hole);
    if (isSpineToo || !wraps_.insert({wrap.hole, static_cast<int>(wrap.round)}).second)
      complain("pattern-wrap-twice",
               {{"name", graph_.holes[wrap.hole].name}, {"value", std::string(nameOf(wrap.round))}},
               at);
  }

  [[nodiscard]] bool hasSpine(std::size_t hole) const {
    const std::string& name = graph_.holes[hole].name;
    const std::string id = name.substr(0, name.find('['));
    return std::any_of(rules_.holes.begin(), rules_.holes.end(),
                       [&](const HoleRule& rule) { return rule.id == id && rule.isSpine; });
  }

  void settle() {
    graph_.stretches.assign(stretches_.begin(), stretches_.end());
    for (std::size_t hole = 0; hole < graph_.holes.size(); ++hole) {
      if (hasSpine(hole)) graph_.wraps.push_back({hole, Round::Spine});
      for (const Round round : {Round::Spine, Round::Head, Round::Tail})
        if (wraps_.contains({hole, static_cast<int>(round)})) graph_.wraps.push_back({hole, round});
    }
    const auto passes = graph_.passes();
    for (std::size_t hole = 0; hole < passes.size(); ++hole)
      if (passes[hole] == 0) {
        const std::string& name = graph_.holes[hole].name;
        complain("pattern-hole-bare", {{"name", name}}, at_[name]);
      }
    const auto parts = partsOf(graph_);
    if (issues_.empty() && parts.size() > 1)
      complain("pattern-parts", {{"value", rangesOf(parts)}},
               rules_.stretches.empty() ? rules_.holes.front().at : rules_.stretches.front().at);
    for (const std::string& row : rules_.startRows) checkRow(row);
  }

  void checkRow(const std::string& row) {
    std::vector<std::string> known;
    for (const HoleRule& hole : rules_.holes)
      if (std::find(known.begin(), known.end(), hole.row) == known.end()) known.push_back(hole.row);
    if (std::find(known.begin(), known.end(), row) != known.end()) return;
    std::string all;
    for (const std::string& each : known) all += (all.empty() ? "" : ", ") + each;
    complain("pattern-start-row",
             {{"value", shortened(row)}, {"nearest", nearestName(row, known)}, {"allowed", all}},
             {});
  }

  const Plan& plan_;
  const RuleSet& rules_;
  StitchGraph graph_;
  Issues issues_;
  std::map<std::string, std::vector<double>, std::less<>> rows_;  // the k of each hole's id
  std::map<std::string, std::size_t, std::less<>> numbers_;       // by name
  std::map<std::string, SourcePosition, std::less<>> at_;
  std::set<std::pair<std::size_t, std::size_t>> stretches_;
  std::set<std::pair<std::size_t, int>> wraps_;
};

}  // namespace

std::variant<StitchGraph, Issues> layPattern(const Plan& plan) { return Laying(plan).run(); }

}  // namespace drapery
