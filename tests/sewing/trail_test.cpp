// Ways through patterns, against a search that tries everything on small ones.
#include "core/sewing/trail.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>

#include "tests/sewing/patterns.h"

namespace drapery::test {
namespace {

int countOf(const Trail& trail, SewStep::Do what) {
  return static_cast<int>(std::count_if(trail.steps.begin(), trail.steps.end(),
                                        [&](const SewStep& step) { return step.what == what; }));
}

/// Walks it: every item once, passes and items by turns, from the back of the start hole to it.
void expectSewable(const StitchGraph& graph, const Trail& trail) {
  std::set<std::pair<std::size_t, Face>> stretches;
  std::set<std::pair<std::size_t, Round>> wraps;
  std::size_t hole = trail.start;
  Face face = Face::Back;
  bool isOut = false;
  for (const SewStep& step : trail.steps) {
    if (step.what == SewStep::Do::Knot) break;
    if (step.what == SewStep::Do::Pass) {
      RC_ASSERT(!isOut && step.hole == hole && step.to == otherFace(face));
      face = step.to;
      isOut = true;
      continue;
    }
    RC_ASSERT(isOut);
    isOut = false;
    if (step.what == SewStep::Do::Stretch) {
      RC_ASSERT(step.from == hole && step.to == face);
      RC_ASSERT(stretches.insert({step.stretch, face}).second);
      hole = step.hole;
    } else {
      RC_ASSERT(step.hole == hole && step.to == otherFace(face));
      RC_ASSERT(wraps.insert({hole, step.round}).second);
      face = step.to;
    }
  }
  RC_ASSERT(!isOut && hole == trail.start && face == Face::Back);
  RC_ASSERT(stretches.size() == 2 * graph.stretches.size());
  RC_ASSERT(wraps.size() == graph.wraps.size());
}

// From every hole of every pattern that hangs together there is a way; its passes are twice the
// stretches, the wraps, and the knot's (Kotzig 1968: as many ends on either face).
RC_GTEST_PROP(AnyPattern, isSewnFromEveryHole, ()) {
  const StitchGraph graph = *anyPattern(12, true);
  const auto start =
      static_cast<std::size_t>(*rc::gen::inRange(0, static_cast<int>(graph.holes.size())));
  const Trail trail =
      sewAll(graph, start, *rc::gen::element(Hand::Right, Hand::Left), Finish::Buried);
  expectSewable(graph, trail);
  const auto stretches = static_cast<int>(graph.stretches.size());
  const auto wraps = static_cast<int>(graph.wraps.size());
  RC_ASSERT(countOf(trail, SewStep::Do::Pass) == 2 * stretches + wraps + 1);
  std::vector<int> passes(graph.holes.size(), 0);
  for (const SewStep& step : trail.steps)
    if (step.what == SewStep::Do::Pass) ++passes[step.hole];
  --passes[start];  // the knot's
  RC_ASSERT(passes == graph.passes());
}

// Without level stretches the fewest turnings are always reached; with them as few as any way has.
RC_GTEST_PROP(AnyPattern, turnsAsRarelyAsCanBe, ()) {
  const bool hasLevel = *rc::gen::arbitrary<bool>();
  const StitchGraph graph = *anyPattern(5, hasLevel);
  RC_PRE(2 * graph.stretches.size() + graph.wraps.size() <= 14);
  const auto start =
      static_cast<std::size_t>(*rc::gen::inRange(0, static_cast<int>(graph.holes.size())));
  const Trail trail = sewAll(graph, start, Hand::Right, Finish::Buried);
  EveryWay every(graph, start);
  const auto fewest = every.fewestTurns(start, Face::Back, 0, EveryWay::kNoStretch);
  RC_ASSERT(fewest.has_value());
  RC_ASSERT(*fewest >= trail.bound);
  RC_ASSERT(trail.turns == *fewest);
  if (!hasLevel) RC_ASSERT(trail.turns == trail.bound);
  if (!hasLevel) RC_ASSERT(static_cast<int>(turnings(graph, trail.steps).size()) == trail.turns);
}

// An ornament sews the same, and its second thread goes twice through the start hole.
RC_GTEST_PROP(AnyPattern, takesAnOrnament, ()) {
  StitchGraph graph = *anyPattern(8, false);
  if (graph.wraps.empty()) graph.wraps.push_back({0, Round::Spine});
  const std::size_t start = graph.wraps.front().hole;
  const Trail plain = sewAll(graph, start, Hand::Right, Finish::Buried);
  const Trail trail = sewAll(graph, start, Hand::Right, Finish::Ornament);
  RC_ASSERT(countOf(trail, SewStep::Do::Pass) == countOf(plain, SewStep::Do::Pass) + 1);
  RC_ASSERT(countOf(trail, SewStep::Do::Knot) == 2);
  RC_ASSERT(countOf(trail, SewStep::Do::Thread) == 1);
  const Trail glued = sewAll(graph, start, Hand::Right, Finish::Glued);
  RC_ASSERT(countOf(glued, SewStep::Do::Pass) == countOf(plain, SewStep::Do::Pass) - 1);
}

// If no ring of stretches is odd, all passes of a hole go one way.
TEST(OneWay, ofAPlainRow) {
  StitchGraph graph;
  graph.spineLength = 100;
  for (std::size_t i = 0; i < 5; ++i) {
    graph.holes.push_back({10.0 + 20.0 * static_cast<double>(i), 8.0, "main", ""});
    graph.wraps.push_back({i, Round::Spine});
    if (i > 0) graph.stretches.emplace_back(i - 1, i);
  }
  const Trail trail = sewAll(graph, 2, Hand::Right, Finish::Glued);
  std::vector<std::set<Face>> ways(5);
  for (const SewStep& step : trail.steps)
    if (step.what == SewStep::Do::Pass) ways[step.hole].insert(step.to);
  for (const auto& way : ways) EXPECT_EQ(way.size(), 1U);
  // The left hand goes to the tail first.
  EXPECT_EQ(trail.steps[1].hole, 1U);
  EXPECT_EQ(sewAll(graph, 2, Hand::Left, Finish::Glued).steps[1].hole, 3U);
  EXPECT_EQ(startHole(graph, {}, Hand::Right), 2U);
  graph.holes.pop_back();
  graph.spineLength = 80;
  EXPECT_EQ(startHole(graph, {"main"}, Hand::Right), 1U);
  EXPECT_EQ(startHole(graph, {"main"}, Hand::Left), 2U);
}

// Where no ring of stretches is odd every hole is passed one way, its neighbours the other way
// (two-coloured closed trails, Kotzig 1968); with an odd ring some hole is passed both ways.
RC_GTEST_PROP(AnyPattern, isPassedOneWayWhereNoRingIsOdd, ()) {
  const StitchGraph graph = *anyPattern(9, true);
  const auto start =
      static_cast<std::size_t>(*rc::gen::inRange(0, static_cast<int>(graph.holes.size())));
  // Coloured by turns from the start, if that can be done.
  std::vector<int> colour(graph.holes.size(), -1);
  std::vector<std::size_t> open{start};
  colour[start] = 0;
  bool isOdd = false;
  const auto at = graph.atHoles();
  while (!open.empty()) {
    const std::size_t hole = open.back();
    open.pop_back();
    for (const std::size_t stretch : at[hole]) {
      const std::size_t far = graph.farEnd(stretch, hole);
      if (colour[far] == colour[hole]) isOdd = true;
      if (colour[far] >= 0) continue;
      colour[far] = 1 - colour[hole];
      open.push_back(far);
    }
  }
  const auto ways = oneWays(graph, sewAll(graph, start, Hand::Right, Finish::Buried).steps);
  bool isOneWay = true;
  for (std::size_t i = 0; i < ways.size(); ++i) {
    if (!ways[i]) isOneWay = false;
    if (ways[i] && !isOdd) RC_ASSERT(*ways[i] == (colour[i] == 0 ? Face::Front : Face::Back));
  }
  RC_ASSERT(isOneWay == !isOdd);
}

}  // namespace
}  // namespace drapery::test
