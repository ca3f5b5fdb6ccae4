// Small random patterns, and all that can be sewn on them found by trying everything.
#pragma once

#include <rapidcheck.h>

#include <limits>
#include <map>
#include <optional>
#include <set>
#include <tuple>

#include "core/sewing/learner.h"
#include "core/sewing/trail.h"

namespace drapery::test {

/// Up to `holes` holes in one part, some of them wrapped; with `level` also stretches that lie
/// level.
inline rc::Gen<StitchGraph> anyPattern(int mostHoles, bool hasLevel) {
  return rc::gen::exec([=] {
    StitchGraph graph;
    graph.spineLength = 200;
    graph.stripWidth = 30;
    const int holes = *rc::gen::inRange(2, mostHoles + 1);
    for (int i = 0; i < holes; ++i) {
      const bool isLevel = hasLevel && i > 0 && *rc::gen::inRange(0, 3) == 0;
      const double along = isLevel ? graph.holes.back().along : 10.0 + 12.0 * i;
      graph.holes.push_back({along, 5.0 + 3.0 * i, "row", "hole" + std::to_string(i + 1)});
    }
    std::set<std::pair<std::size_t, std::size_t>> stretches;
    for (int i = 1; i < holes; ++i)
      stretches.insert({static_cast<std::size_t>(*rc::gen::inRange(0, i)), std::size_t(i)});
    for (int more = *rc::gen::inRange(0, 2); more > 0; --more) {
      const auto a = static_cast<std::size_t>(*rc::gen::inRange(0, holes));
      const auto b = static_cast<std::size_t>(*rc::gen::inRange(0, holes));
      if (a != b) stretches.insert(std::minmax(a, b));
    }
    graph.stretches.assign(stretches.begin(), stretches.end());
    for (std::size_t hole = 0; hole < graph.holes.size(); ++hole)
      if (*rc::gen::inRange(0, 3) != 0) graph.wraps.push_back({hole, Round::Spine});
    return graph;
  });
}

/// Finds ways by trying every item at every hole: no pairing, no theorem.
class EveryWay {
 public:
  EveryWay(const StitchGraph& graph, std::size_t start) : graph_(graph), start_(start) {}

  /// Items are stretches on the front and on the back, then wraps. An item was drawn last (or
  /// nothing yet, at the start on the back); what is drawn is a bit each.
  [[nodiscard]] bool canFinish(std::size_t hole, Face face, unsigned drawn) {
    return fewestTurns(hole, face, drawn, kNoStretch).has_value();
  }
  /// The fewest turnings from there to the end; nothing where there is no end.
  std::optional<int> fewestTurns(std::size_t hole, Face face, unsigned drawn, std::size_t last) {
    if (drawn == all()) {
      if (hole == start_ && face == Face::Back) return 0;
      return std::nullopt;
    }
    const auto key = std::tuple(hole, face, drawn, last);
    if (const auto known = known_.find(key); known != known_.end()) return known->second;
    std::optional<int> best;
    const Face out = otherFace(face);  // a pass comes between two items
    const auto offer = [&](std::optional<int> rest, int turn) {
      if (rest && (!best || *rest + turn < *best)) best = *rest + turn;
    };
    for (std::size_t i = 0; i < graph_.stretches.size(); ++i) {
      const unsigned bit = 1U << (2 * i + (out == Face::Front ? 0 : 1));
      const auto& [a, b] = graph_.stretches[i];
      if ((drawn & bit) != 0 || (a != hole && b != hole)) continue;
      const int turn = last == kNoStretch                                     ? 0
                       : graph_.leads(last, hole) * graph_.leads(i, hole) > 0 ? 1
                                                                              : 0;
      offer(fewestTurns(a == hole ? b : a, out, drawn | bit, i), turn);
    }
    for (std::size_t i = 0; i < graph_.wraps.size(); ++i) {
      const unsigned bit = 1U << (2 * graph_.stretches.size() + i);
      if ((drawn & bit) == 0 && graph_.wraps[i].hole == hole)
        offer(fewestTurns(hole, otherFace(out), drawn | bit, last), 0);
    }
    return known_[key] = best;
  }
  [[nodiscard]] unsigned all() const {
    return (1U << (2 * graph_.stretches.size() + graph_.wraps.size())) - 1;
  }
  static constexpr std::size_t kNoStretch = std::numeric_limits<std::size_t>::max();

 private:
  const StitchGraph& graph_;
  std::size_t start_;
  std::map<std::tuple<std::size_t, Face, unsigned, std::size_t>, std::optional<int>> known_;
};

/// The tokens of a way, as somebody would tell it.
inline std::vector<SewToken> tokensOf(const Trail& trail) {
  std::vector<SewToken> tokens;
  for (const SewStep& step : trail.steps) {
    SewToken token;
    token.hole = step.hole;
    token.to = step.to;
    token.round = step.round;
    if (step.what == SewStep::Do::Wrap) token.kind = SewToken::Kind::Wrap;
    if (step.what == SewStep::Do::Knot) token.kind = SewToken::Kind::Knot;
    if (step.what == SewStep::Do::Wrap) token.hole = 0;
    if (step.what == SewStep::Do::Stretch || step.what == SewStep::Do::Thread) continue;
    tokens.push_back(token);
  }
  return tokens;
}

}  // namespace drapery::test
