// What a learner may do, against a search of all ways to go on.
#include "core/sewing/drill.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "tests/sewing/patterns.h"

namespace drapery::test {
namespace {

/// Everything that could be said at some moment, right or wrong.
std::vector<SewToken> everyToken(const StitchGraph& graph) {
  std::vector<SewToken> tokens;
  for (std::size_t hole = 0; hole < graph.holes.size(); ++hole)
    for (const Face face : {Face::Front, Face::Back}) {
      SewToken pass;
      pass.hole = hole;
      pass.to = face;
      tokens.push_back(pass);
    }
  SewToken wrap;
  wrap.kind = SewToken::Kind::Wrap;
  tokens.push_back(wrap);
  SewToken knot;
  knot.kind = SewToken::Kind::Knot;
  tokens.push_back(knot);
  return tokens;
}

// A begun way can be finished exactly where the learner says so: each step of a random walk, and
// every other that could be made instead, against a search of everything that can follow.
RC_GTEST_PROP(AnyLearner, isStoppedAtTheFirstStepThatLosesTheEnd, ()) {
  const StitchGraph graph = *anyPattern(4, false);
  RC_PRE(2 * graph.stretches.size() + graph.wraps.size() <= 12);
  const auto start =
      static_cast<std::size_t>(*rc::gen::inRange(0, static_cast<int>(graph.holes.size())));
  EveryWay every(graph, start);
  Learner learner(graph);
  SewToken first;
  first.hole = start;
  learner.take(first);
  unsigned drawn = 0;
  while (true) {
    // Those that a search finds: along a stretch and through, or round an edge.
    std::set<std::string> found;
    std::map<std::string, unsigned> after;
    const std::size_t hole = learner.hole();
    const Face face = learner.face();
    if (learner.isOut()) {
      for (std::size_t i = 0; i < graph.stretches.size(); ++i) {
        const unsigned bit = 1U << (2 * i + (face == Face::Front ? 0 : 1));
        const auto& [a, b] = graph.stretches[i];
        if ((drawn & bit) != 0 || (a != hole && b != hole)) continue;
        const std::size_t far = a == hole ? b : a;
        const bool isLast = (drawn | bit) == every.all();
        if (isLast && far == start && face == Face::Back) found.insert("knot");
        // After the pass that the token makes another item must follow.
        if (isLast || !every.canFinish(far, face, drawn | bit)) continue;
        SewToken token;
        token.hole = far;
        token.to = otherFace(face);
        found.insert(textOf(token));
        after[textOf(token)] = drawn | bit;
      }
      for (std::size_t i = 0; i < graph.wraps.size(); ++i) {
        const unsigned bit = 1U << (2 * graph.stretches.size() + i);
        if ((drawn & bit) != 0 || graph.wraps[i].hole != hole) continue;
        if (!every.canFinish(hole, otherFace(face), drawn | bit)) continue;
        found.insert("spine");
        after["spine"] = drawn | bit;
      }
    } else {
      SewToken token;
      token.hole = hole;
      token.to = otherFace(face);
      if (drawn == every.all()) {
        found.insert("knot");
      } else {
        found.insert(textOf(token));
        after[textOf(token)] = drawn;
      }
    }
    std::set<std::string> offered;
    for (const SewToken& token : learner.next()) offered.insert(textOf(token));
    RC_ASSERT(offered == found);
    for (const SewToken& token : everyToken(graph))
      RC_ASSERT(learner.slipOf(token).has_value() == !found.contains(textOf(token)));
    if (after.empty()) break;
    const auto pick =
        std::next(after.begin(), *rc::gen::inRange(0, static_cast<int>(after.size())));
    learner.take(*sewToken(pick->first));
    drawn = pick->second;
  }
}

// The way that is shown is one that a learner may go, whole, knot and all.
RC_GTEST_PROP(AnyLearner, mayGoTheWayThatIsShown, ()) {
  const StitchGraph graph = *anyPattern(12, true);
  const auto start =
      static_cast<std::size_t>(*rc::gen::inRange(0, static_cast<int>(graph.holes.size())));
  const Judged judged = judge(graph, tokensOf(sewAll(graph, start, Hand::Left, Finish::Buried)));
  RC_ASSERT(!judged.slip.has_value());
  RC_ASSERT(judged.isDone);
}

// Told as tokens and drawn again it is the same way, each stretch on its face.
RC_GTEST_PROP(AnyLearner, drawsTheWayThatIsShown, ()) {
  const StitchGraph graph = *anyPattern(12, true);
  const auto start =
      static_cast<std::size_t>(*rc::gen::inRange(0, static_cast<int>(graph.holes.size())));
  const Finish finish = *rc::gen::element(Finish::Buried, Finish::Glued);
  const Trail trail = sewAll(graph, start, Hand::Right, finish);
  const std::vector<SewStep> again = stepsOf(graph, tokensOf(trail));
  RC_ASSERT(again.size() == trail.steps.size());
  for (std::size_t i = 0; i < again.size(); ++i) {
    const SewStep &a = again[i], &b = trail.steps[i];
    RC_ASSERT(a.what == b.what);
    RC_ASSERT(a.hole == b.hole);
    RC_ASSERT(a.to == b.to);
    RC_ASSERT(a.hides == b.hides);
    if (a.what == SewStep::Do::Wrap) RC_ASSERT(a.round == b.round);
    if (a.what == SewStep::Do::Stretch) {
      RC_ASSERT(a.from == b.from);
      RC_ASSERT(a.stretch == b.stretch);
    }
  }
}

/// "6+ 5- s"
std::vector<SewToken> tokens(const std::string& text) {
  std::vector<SewToken> all;
  std::istringstream words(text);
  for (std::string word; words >> word;) all.push_back(sewToken(word).value());
  return all;
}

/// Eleven holes by turns near the spine and near the crease; the two at each end wrapped round it.
StitchGraph hiveDiary() {
  StitchGraph graph;
  graph.spineLength = 180;
  graph.stripWidth = 22;
  for (std::size_t i = 0; i < 11; ++i) {
    graph.holes.push_back({10.0 + 16.0 * static_cast<double>(i), i % 2 == 0 ? 6.0 : 15.0, "", ""});
    graph.wraps.push_back({i, Round::Spine});
    if (i < 2) graph.wraps.push_back({i, Round::Head});
    if (i > 8) graph.wraps.push_back({i, Round::Tail});
    if (i > 0) graph.stretches.emplace_back(i - 1, i);
  }
  return graph;
}

struct Slip {
  const char* path;
  SlipKind kind;
  std::size_t at;    // from 1
  std::size_t hole;  // from 1
  std::size_t unpick;
};
constexpr const char* kWhole =
    "6+ 5- s 5- 4+ s 4+ 3- s 3- 2+ s 2+ h 2+ 1- s 1- h 1- 2+ 3- 4+ 5- 6+ 7- s 7- 8+ s 8+ 9- s 9- "
    "10+ s 10+ t 10+ 11- s 11- t 11- 10+ 9- 8+ 7- 6+ s";

class EverySlip : public ::testing::TestWithParam<Slip> {};

TEST_P(EverySlip, isTheFirst) {
  const Judged judged = judge(hiveDiary(), tokens(GetParam().path));
  ASSERT_TRUE(judged.slip.has_value());
  EXPECT_EQ(nameOf(*judged.slip), nameOf(GetParam().kind));
  EXPECT_EQ(judged.sound + 1, GetParam().at);
  EXPECT_EQ(judged.slipHole + 1, GetParam().hole);
  EXPECT_EQ(judged.unpick.size(), GetParam().unpick);
}

INSTANTIATE_TEST_SUITE_P(
    Kinds, EverySlip,
    ::testing::Values(Slip{"6-", SlipKind::WrongFace, 1, 6, 1},
                      Slip{"6+ 5+", SlipKind::WrongFace, 2, 5, 1},
                      Slip{"6+ 5- s 5+", SlipKind::WrongFace, 4, 5, 1},
                      Slip{"knot", SlipKind::Unfinished, 1, 1, 0},
                      Slip{"6+ 5- knot", SlipKind::Unfinished, 3, 5, 0},
                      Slip{"6+ 6-", SlipKind::WrapForgotten, 2, 6, 1},
                      Slip{"6+ 5- s 5- 5+", SlipKind::DrawnBack, 5, 5, 1},
                      Slip{"6+ 4-", SlipKind::HoleSkipped, 2, 5, 1},
                      Slip{"6+ 5- s 4+", SlipKind::HoleSkipped, 4, 5, 1},
                      Slip{"6+ 5- s s", SlipKind::HoleSkipped, 4, 5, 0},
                      Slip{"6+ 1-", SlipKind::NoSuchStretch, 2, 1, 1},
                      Slip{"6+ 5- s 5- 4+ s 4+ 3- s 3- 2+ s 2+ h 2+ 1- s 1- h 1- 2+ 3- 4+ 5- 6+ 5-",
                           SlipKind::StretchDoubled, 26, 5, 1},
                      Slip{"6+ h", SlipKind::NoSuchWrap, 2, 6, 0},
                      Slip{"6+ 5- s 5- s", SlipKind::WrapDoubled, 5, 5, 0},
                      Slip{"6+ 5- 4+ 3- 2+ 1- 2+", SlipKind::WrapForgotten, 7, 1, 1},
                      Slip{"6+ 5- s 5- 4+ 5- 6+", SlipKind::TurnedTooSoon, 6, 5, 2}));

TEST(Learner, isToldWhatComesLast) {
  const auto with = [](const char* more) {
    return judge(hiveDiary(), tokens(std::string(kWhole) + more));
  };
  EXPECT_EQ(with(" 6+").slip, SlipKind::KnotFirst);
  EXPECT_TRUE(with(" knot").isDone);
  EXPECT_TRUE(with(" knot 6+").isDone);
  EXPECT_EQ(with(" knot 6+ 6+").slip, SlipKind::AfterTheEnd);
  EXPECT_EQ(with(" knot 5-").slip, SlipKind::AfterTheEnd);
}

// Wraps on the way out or on the way home, from the middle or from elsewhere: all are right.
TEST(Learner, mayTakeAnyWayThatCanBeFinished) {
  const char* const kHome =
      "6+ 5- 4+ 3- 2+ 1- s 1- h 1- 2+ h 2+ s 2+ 3- s 3- 4+ s 4+ 5- s 5- 6+ 7- 8+ 9- 10+ 11- t 11- "
      "s "
      "11- 10+ t 10+ s 10+ 9- s 9- 8+ s 8+ 7- s 7- 6+ s knot 6+";
  EXPECT_TRUE(judge(hiveDiary(), tokens(kHome)).isDone);
  const Judged second = judge(hiveDiary(), tokens("2+ 1- s 1- h 1- 2+"));
  EXPECT_FALSE(second.slip.has_value());
  EXPECT_FALSE(second.isDone);
}

TEST(SewToken, isReadAsItIsWritten) {
  EXPECT_FALSE(sewToken("6").has_value());
  EXPECT_FALSE(sewToken("0+").has_value());
  EXPECT_FALSE(sewToken("+").has_value());
  EXPECT_FALSE(sewToken("99999999999999999999+").has_value());
  EXPECT_FALSE(sewToken("5.0+").has_value());
  EXPECT_EQ(textOf(sewToken("h").value()), "head");
  for (const char* text : {"6+", "11-", "spine", "tail", "knot"})
    EXPECT_EQ(textOf(sewToken(text).value()), text);
}

// Any pattern: what a learner is asked has the answer that it says, by the judge or by sewing on.
RC_GTEST_PROP(AnyDrill, hasItsAnswer, ()) {
  const StitchGraph graph = *anyPattern(9, true);
  const auto start =
      static_cast<std::size_t>(*rc::gen::inRange(0, static_cast<int>(graph.holes.size())));
  const Trail plain = sewAll(graph, start, Hand::Right, Finish::Buried);
  const std::vector<SewToken> whole = tokensOf(plain.steps);
  RC_ASSERT(judge(graph, whole).isDone);
  RC_ASSERT(stepsOf(graph, whole).size() == writtenSteps(whole).size());
  const auto seed = *rc::gen::arbitrary<std::uint32_t>();
  if (const auto drill = makeDrill(graph, plain, Drill::Kind::FindSlip, seed)) {
    const Judged judged = judge(graph, drill->tokens);
    RC_ASSERT(judged.slip.has_value());
    RC_ASSERT(judged.sound == drill->slip);
    RC_ASSERT(drill->slip + 1 < drill->tokens.size());
    RC_ASSERT(makeDrill(graph, plain, Drill::Kind::FindSlip, seed)->tokens == drill->tokens);
  }
  if (const auto drill = makeDrill(graph, plain, Drill::Kind::MissingWrap, seed)) {
    RC_ASSERT(!judge(graph, drill->tokens).isDone);
    // With that wrap and no other it would be sewn.
    StitchGraph without = graph;
    std::erase(without.wraps, drill->missing);
    RC_ASSERT(without.wraps.size() + 1 == graph.wraps.size());
    RC_ASSERT(judge(without, drill->tokens).isDone);
  }
  if (const auto drill = makeDrill(graph, plain, Drill::Kind::GoOn, seed)) {
    Learner learner(graph);
    for (const SewToken& token : drill->tokens) {
      RC_ASSERT(!learner.slipOf(token).has_value());
      learner.take(token);
    }
    RC_ASSERT(!learner.isDone());
  }
}

}  // namespace
}  // namespace drapery::test
