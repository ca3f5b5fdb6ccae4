#include "core/sewing/trail.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdint>
#include <limits>

namespace drapery {

namespace {

constexpr int kMostOthers = 60;  // tries at fewer turnings, where stretches lie level

/// Where a stretch on one face ends at a hole: stretch, and the face it lies on.
struct End {
  std::size_t stretch = 0;
  Face face = Face::Front;
};

/// The thread comes by one and leaves by the other.
struct Visit {
  std::size_t front = 0, back = 0;  // stretches
};

std::size_t itemOf(std::size_t stretch, Face face) {
  return 2 * stretch + (face == Face::Front ? 0 : 1);
}

class Ways {
 public:
  Ways(const StitchGraph& graph, std::size_t start)
      : graph_(&graph), start_(start), at_(graph.atHoles()), visits_(graph.holes.size()) {}

  /// Pairs front with back ends so that as few turn as can be, then makes one way of all.
  void find(std::uint32_t shuffle) {
    for (std::size_t hole = 0; hole < visits_.size(); ++hole) pair(hole, shuffle);
    label();
    while (ways_ > 1) joinTwo();
  }

  [[nodiscard]] int turns() const {
    int turns = 0;
    bool startTurns = false;
    for (std::size_t hole = 0; hole < visits_.size(); ++hole)
      for (const Visit& visit : visits_[hole]) {
        turns += turning(hole, visit.front, visit.back);
        startTurns = startTurns || (hole == start_ && turning(hole, visit.front, visit.back) > 0);
      }
    return turns - (startTurns ? 1 : 0);  // the beginning turns nothing
  }

  /// The stretches in their order from the start hole, the first on the front.
  [[nodiscard]] std::vector<End> inOrder(Hand hand) const {
    std::vector<End> order;
    if (visits_[start_].empty()) return order;
    const Visit& cut = cutAt(hand);
    std::size_t hole = start_, stretch = cut.front;
    Face face = Face::Front;
    while (true) {
      order.push_back({stretch, face});
      hole = graph_->farEnd(stretch, hole);
      const Visit& visit = visitOf(hole, stretch, face);
      if (hole == start_ && face == Face::Back && stretch == cut.back) return order;
      stretch = face == Face::Front ? visit.back : visit.front;
      face = otherFace(face);
    }
  }

 private:
  [[nodiscard]] int turning(std::size_t hole, std::size_t one, std::size_t other) const {
    return graph_->leads(one, hole) * graph_->leads(other, hole) > 0 ? 1 : 0;
  }

  /// Toward the head with toward the tail as far as they go, level ones with what is left.
  void pair(std::size_t hole, std::uint32_t shuffle) {
    constexpr std::size_t kUp = 0, kLevel = 1, kDown = 2;
    std::array<std::vector<std::size_t>, 3> front, back;
    for (const std::size_t stretch : at_[hole]) {
      const int leads = graph_->leads(stretch, hole);
      const std::size_t way = leads < 0 ? kUp : leads > 0 ? kDown : kLevel;
      front[way].push_back(stretch);
      back[way].push_back(stretch);
    }
    if (shuffle > 0)
      for (auto& ends : back)
        for (std::size_t i = ends.size(); i > 1; --i)
          std::swap(ends[i - 1], ends[next(shuffle + static_cast<std::uint32_t>(hole)) % i]);
    visits_[hole].clear();
    const auto take = [&](std::size_t ofFront, std::size_t ofBack) {
      while (!front[ofFront].empty() && !back[ofBack].empty()) {
        visits_[hole].push_back({front[ofFront].front(), back[ofBack].front()});
        front[ofFront].erase(front[ofFront].begin());
        back[ofBack].erase(back[ofBack].begin());
      }
    };
    take(kUp, kDown);
    take(kDown, kUp);
    take(kUp, kLevel);
    take(kDown, kLevel);
    take(kLevel, kUp);
    take(kLevel, kDown);
    take(kLevel, kLevel);
    take(kUp, kUp);
    take(kDown, kDown);
  }

  std::uint32_t next(std::uint32_t salt) {
    state_ = state_ * 1664525U + 1013904223U + salt;  // Numerical Recipes
    return state_ >> 8U;
  }

  [[nodiscard]] const Visit& visitOf(std::size_t hole, std::size_t stretch, Face face) const {
    for (const Visit& visit : visits_[hole])
      if ((face == Face::Front ? visit.front : visit.back) == stretch) return visit;
    return visits_[hole].front();
  }

  /// Numbers the closed ways, and each stretch on a face by the one that it lies on.
  void label() {
    labels_.assign(2 * graph_->stretches.size(), 0);
    ways_ = 0;
    for (std::size_t first = 0; first < graph_->stretches.size(); ++first)
      for (const Face side : {Face::Front, Face::Back}) {
        if (labels_[itemOf(first, side)] != 0) continue;
        ++ways_;
        std::size_t hole = graph_->stretches[first].first, stretch = first;
        Face face = side;
        while (labels_[itemOf(stretch, face)] == 0) {
          labels_[itemOf(stretch, face)] = ways_;
          hole = graph_->farEnd(stretch, hole);
          const Visit& visit = visitOf(hole, stretch, face);
          stretch = face == Face::Front ? visit.back : visit.front;
          face = otherFace(face);
        }
      }
  }

  /// Where two ways meet, exchanging partners makes them one: where it adds fewest turnings.
  void joinTwo() {
    int least = std::numeric_limits<int>::max();
    std::size_t where = 0, one = 0, other = 0;
    for (std::size_t hole = 0; hole < visits_.size(); ++hole) {
      const auto& visits = visits_[hole];
      for (std::size_t i = 0; i < visits.size(); ++i)
        for (std::size_t j = i + 1; j < visits.size(); ++j) {
          if (labelOf(visits[i]) == labelOf(visits[j])) continue;
          const int more = turning(hole, visits[i].front, visits[j].back) +
                           turning(hole, visits[j].front, visits[i].back) -
                           turning(hole, visits[i].front, visits[i].back) -
                           turning(hole, visits[j].front, visits[j].back);
          if (more >= least) continue;
          least = more;
          where = hole;
          one = i;
          other = j;
        }
    }
    auto& visits = visits_[where];
    const int kept = labelOf(visits[one]), lost = labelOf(visits[other]);
    std::swap(visits[one].back, visits[other].back);
    for (int& each : labels_)
      if (each == lost) each = kept;
    --ways_;
  }

  [[nodiscard]] int labelOf(const Visit& visit) const {
    return labels_[itemOf(visit.front, Face::Front)];
  }

  /// The visit at the start hole between the last stretch and the first: one that turns, where
  /// there is one; leaving toward the head first, for the left hand toward the tail.
  [[nodiscard]] const Visit& cutAt(Hand hand) const {
    const int first = hand == Hand::Right ? -1 : 1;
    const Visit* best = nullptr;
    int most = -1;
    for (const Visit& visit : visits_[start_]) {
      const int worth = 2 * turning(start_, visit.front, visit.back) +
                        (graph_->leads(visit.front, start_) == first ? 1 : 0);
      if (worth <= most) continue;
      most = worth;
      best = &visit;
    }
    return *best;
  }

  const StitchGraph* graph_;
  std::size_t start_;
  StitchesAt at_;
  std::vector<std::vector<Visit>> visits_;
  std::vector<int> labels_;
  int ways_ = 0;
  std::uint32_t state_ = 1;
};

/// The order in which a hole's wraps are made.
int rank(Round round) { return round == Round::Spine ? 0 : round == Round::Head ? 1 : 2; }

/// Stretches in their order, with the passes and wraps between them.
class Sewing {
 public:
  Sewing(const StitchGraph& graph, std::size_t start)
      : graph_(graph), start_(start), waits_(graph.holes.size()) {
    for (const StitchWrap& wrap : graph.wraps) waits_[wrap.hole].push_back(wrap.round);
    for (auto& rounds : waits_)
      std::sort(rounds.begin(), rounds.end(), [](Round a, Round b) { return rank(a) < rank(b); });
    // At the start hole the spine comes last of all; without stretches whatever comes last.
    auto& atStart = waits_[start];
    const bool isLone = graph.stretches.empty() && !atStart.empty();
    const auto spine = std::find(atStart.begin(), atStart.end(), Round::Spine);
    if (spine != atStart.end()) {
      last_ = {Round::Spine};
      atStart.erase(spine);
    } else if (isLone) {
      last_ = {atStart.back()};
      atStart.pop_back();
    }
  }

  std::vector<SewStep> run(const std::vector<End>& order, Finish finish) {
    pass(start_, Face::Front);
    wrapAt(start_, Face::Front);
    std::size_t hole = start_;
    for (std::size_t i = 0; i < order.size(); ++i) {
      const auto& [stretch, face] = order[i];
      SewStep step;
      step.what = SewStep::Do::Stretch;
      step.from = hole;
      hole = graph_.farEnd(stretch, hole);
      step.hole = hole;
      step.stretch = stretch;
      step.to = face;
      steps_.push_back(step);
      if (i + 1 == order.size()) break;
      pass(hole, otherFace(face));
      wrapAt(hole, otherFace(face));
    }
    end(order.empty(), finish);
    return std::move(steps_);
  }

 private:
  void pass(std::size_t hole, Face to, bool hides = false) {
    SewStep step;
    step.hole = hole;
    step.to = to;
    step.hides = hides;
    steps_.push_back(step);
  }
  void wrap(std::size_t hole, Round round, Face to) {
    SewStep step;
    step.what = SewStep::Do::Wrap;
    step.hole = hole;
    step.round = round;
    step.to = to;
    steps_.push_back(step);
  }
  void knot(bool buries) {
    SewStep step;
    step.what = SewStep::Do::Knot;
    step.hole = start_;
    step.to = Face::Back;
    steps_.push_back(step);
    if (buries) pass(start_, Face::Front, true);
  }
  /// At the first coming; the needle is out on the face, and again after each.
  void wrapAt(std::size_t hole, Face out) {
    for (const Round round : waits_[hole]) {
      wrap(hole, round, otherFace(out));
      pass(hole, out);
    }
    waits_[hole].clear();
  }
  void end(bool isLone, Finish finish) {
    if (finish == Finish::Ornament) {
      knot(true);
      SewStep begins;
      begins.what = SewStep::Do::Thread;
      begins.hole = start_;
      begins.piece = 2;
      steps_.push_back(begins);
    }
    if (!last_.empty()) {
      if (!isLone || finish == Finish::Ornament) pass(start_, Face::Front);
      wrap(start_, last_.front(), Face::Back);
    }
    knot(finish != Finish::Glued);
  }

  const StitchGraph& graph_;
  std::size_t start_;
  std::vector<std::vector<Round>> waits_;
  std::vector<Round> last_;
  std::vector<SewStep> steps_;
};

}  // namespace

std::vector<std::size_t> turnings(const StitchGraph& graph, const std::vector<SewStep>& steps) {
  std::vector<std::size_t> all;
  int before = 0;
  for (std::size_t i = 0; i < steps.size(); ++i) {
    if (steps[i].what != SewStep::Do::Stretch) continue;
    const int now = graph.leads(steps[i].stretch, steps[i].from);
    if (now == 0) continue;
    if (before != 0 && now != before) all.push_back(i);
    before = now;
  }
  return all;
}

std::vector<std::optional<Face>> oneWays(const StitchGraph& graph,
                                         const std::vector<SewStep>& steps) {
  std::vector<std::optional<Face>> ways(graph.holes.size());
  std::vector<bool> isBoth(graph.holes.size(), false);
  for (const SewStep& step : steps) {
    if (step.what != SewStep::Do::Pass || step.hides) continue;
    if (ways[step.hole] && *ways[step.hole] != step.to) isBoth[step.hole] = true;
    ways[step.hole] = step.to;
  }
  for (std::size_t i = 0; i < ways.size(); ++i)
    if (isBoth[i]) ways[i].reset();
  return ways;
}

int turnsBound(const StitchGraph& graph, std::size_t start) {
  const auto at = graph.atHoles();
  int bound = 0, ofStart = 0;
  for (std::size_t hole = 0; hole < at.size(); ++hole) {
    int up = 0, down = 0, level = 0;
    for (const std::size_t stretch : at[hole]) {
      const int leads = graph.leads(stretch, hole);
      ++(leads < 0 ? up : leads > 0 ? down : level);
    }
    const int needs = std::max(0, std::abs(up - down) - level);
    bound += needs;
    if (hole == start) ofStart = needs;
  }
  return bound - (ofStart > 0 ? 1 : 0);
}

Trail sewAll(const StitchGraph& graph, std::size_t start, Hand hand, Finish finish) {
  Trail trail;
  trail.start = start;
  trail.bound = turnsBound(graph, start);
  Ways best(graph, start);
  best.find(0);
  for (std::uint32_t i = 1; i <= kMostOthers && best.turns() > trail.bound; ++i) {
    Ways other(graph, start);
    other.find(i);
    if (other.turns() < best.turns()) best = other;
  }
  trail.turns = best.turns();
  trail.steps = Sewing(graph, start).run(best.inOrder(hand), finish);
  return trail;
}

std::size_t startHole(const StitchGraph& graph, const std::vector<std::string>& rows, Hand hand) {
  const double middle = graph.spineLength / 2;
  std::size_t best = 0;
  double least = std::numeric_limits<double>::infinity();
  for (std::size_t i = 0; i < graph.holes.size(); ++i) {
    const StitchHole& hole = graph.holes[i];
    const bool isAllowed =
        rows.empty() || std::find(rows.begin(), rows.end(), hole.row) != rows.end();
    const double off = std::abs(hole.along - middle);
    const double dust = hand == Hand::Right ? kSamePlace : -kSamePlace;
    if (!isAllowed || off >= least - dust) continue;
    least = off;
    best = i;
  }
  return best;
}

}  // namespace drapery
