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
    if (issues_.empty() && laid_.empty())
      complain("pattern-no-hole", {{"name", rules_.id}},
               rules_.holes.empty() ? SourcePosition{} : rules_.holes.front().at);
    if (!issues_.empty()) return std::move(issues_);
    numberHoles();
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
        if (!(place >= 0.0 && std::isfinite(place))) {
          IssueArguments told{{"name", name}};
          if (std::isfinite(place)) told.push_back({"value", Amount{place, Unit::Millimetre}});
          return complain("pattern-place", std::move(told), rule.at);
        }
      if (laid_.size() == kMostHoles)
        complain("pattern-holes-many",
                 {{"value", Amount{double(kMostHoles) + 1, Unit::One}},
                  {"limit", Amount{double(kMostHoles), Unit::One}}},
                 rule.at);
      if (laid_.size() > kMostHoles) return;
      laid_.push_back({std::move(hole), &rule, k != nullptr ? *k : 0.0});
    });
  }

  /// The first is nearest the head.
  void numberHoles() {
    std::stable_sort(laid_.begin(), laid_.end(), [](const LaidHole& a, const LaidHole& b) {
      return std::abs(a.hole.along - b.hole.along) > kSamePlace ? a.hole.along < b.hole.along
                                                                : a.hole.across < b.hole.across;
    });
    for (std::size_t i = 0; i < laid_.size(); ++i) {
      graph_.holes.push_back(laid_[i].hole);
      rows_[laid_[i].rule->id].emplace_back(laid_[i].k, i);
    }
    for (auto& [id, row] : rows_) std::sort(row.begin(), row.end());
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
                   laid_[j].rule->at);
      }
  }

  std::optional<std::size_t> holeAt(const StitchEnd& end, const double* k) {
    static const std::vector<std::pair<double, std::size_t>> kNone;
    const auto found = rows_.find(end.hole);
    const auto& row = found != rows_.end() ? found->second : kNone;
    const bool isOfRow = !end.index.empty();
    const double index = isOfRow ? number(end.index, k) : 0.0;
    const auto at = std::lower_bound(row.begin(), row.end(), std::pair(index, std::size_t{0}));
    const bool isThere = at != row.end() && at->first == index;
    if (isThere && laid_[at->second].rule->run.isRow() == isOfRow) return at->second;
    if (isOfRow && !isThere)
      complain("stitch-index",
               {{"name", end.text()},
                {"value", Amount{std::isnan(index) ? 0.0 : index, Unit::One}},
                {"least", Amount{row.empty() ? 0.0 : row.front().first, Unit::One}},
                {"most", Amount{row.empty() ? 0.0 : row.back().first, Unit::One}}},
               end.at);
    else
      complain("stitch-hole-unknown",
               {{"name", isOfRow ? end.hole + "[" + numbered(index) + "]" : end.hole},
                {"nearest", std::string()}},
               end.at);
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

  [[nodiscard]] bool hasSpine(std::size_t hole) const { return laid_[hole].rule->isSpine; }

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
        complain("pattern-hole-bare", {{"name", graph_.holes[hole].name}}, laid_[hole].rule->at);
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
  struct LaidHole {
    StitchHole hole;
    const HoleRule* rule;
    double k;
  };
  std::vector<LaidHole> laid_;  // by number, once they have one
  /// Of each id the k, rising, and the hole's number.
  std::map<std::string, std::vector<std::pair<double, std::size_t>>, std::less<>> rows_;
  std::set<std::pair<std::size_t, std::size_t>> stretches_;
  std::set<std::pair<std::size_t, int>> wraps_;
};

}  // namespace

std::variant<StitchGraph, Issues> layPattern(const Plan& plan) { return Laying(plan).run(); }

}  // namespace drapery
