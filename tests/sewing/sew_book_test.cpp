// A whole book sewn: what its job says over what its plan has, and what the slip says of it.
#include "core/sewing/strip_measures.h"
#include "core/sewing/thread_parts.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <boost/geometry.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <cmath>

#include "tests/support/books.h"
#include "words/issue_words.h"
#include "words/sewing_text.h"
#include "words/sewing_words.h"

namespace drapery::test {
namespace {

using ::testing::ElementsAre;
using ::testing::HasSubstr;

const PatternLibrary& patterns() {
  static const PatternLibrary kPatterns;
  return kPatterns;
}

SewnBook sewn(const Job& job) { return sewBook(job, planOf(job).plan, patterns()); }

Job slotted() {
  Job job = plainJob("soft-slotted");
  job.given["sections_wanted"] = {5.0, {}};
  job.given["leaf_caliper"] = {0.12, {}};
  return job;
}

// Any of the sewn structures: moves in order, each with words; thread from nothing to all of it.
RC_GTEST_PROP(AnySewnBook, isToldFromTheFirstMoveToTheLast, ()) {
  const Job job = *anyJob(
      *rc::gen::element<std::string>("stab-boarded", "stab-plain", "spring-back", "soft-slotted"));
  const SewnBook book = sewn(job);
  const std::vector<std::size_t> moves = sewMoves(book);
  RC_ASSERT(moves.empty() == (book.plan() == nullptr));
  if (moves.empty()) {
    RC_ASSERT(!book.issues.empty() || !planOf(job).issues.empty());
    return;
  }
  RC_ASSERT(moves.front() == 0);
  // The thread's parts come to what the plan says, and the last of them is the last move's.
  const auto parts = threadParts(book);
  double thread = 0.0;
  std::size_t last = 0;
  for (const auto& piece : parts)
    for (const ThreadPart& part : piece) {
      RC_ASSERT(part.length > 0.0);
      RC_ASSERT(part.from >= last);
      last = part.from;
      thread += part.length;
    }
  // Where tapes lie on one another no thread runs between them.
  if (!book.plan()->has(Severity::Stop))
    RC_ASSERT(std::abs(thread - book.plan()->number("thread_needed").value_or(0.0)) < 1e-6);
  for (std::size_t i = 0; i < moves.size(); ++i) {
    const std::string says = moveWords(book, moves[i], {});
    RC_ASSERT(!says.empty());
    RC_ASSERT(says.find('{') == std::string::npos);
    if (i > 0) RC_ASSERT(moves[i] > moves[i - 1]);
  }
  RC_ASSERT(last >= moves.back());
  for (const std::string& line : sewingLines(book, {}))
    RC_ASSERT(!line.empty() && line.find('{') == std::string::npos);
}

// Any pattern on any book: what is measured on the strip is as long as its value says, lies on it,
// and every land is the paper that its value says is left.
RC_GTEST_PROP(AnyStrip, isMeasuredWhereItsHolesLie, ()) {
  Job job = *anyJob(*rc::gen::element<std::string>("stab-boarded", "stab-plain"));
  const std::string pattern = *rc::gen::element<std::string>("", "row", "row-four", "row-corner",
                                                             "zigzag", "half-hexagon", "leaf");
  if (!pattern.empty()) job.sewing = JobSewing{"stab", pattern, {}, {}, {}, {}, {}};
  const SewnBook book = sewn(job);
  const auto* stab = std::get_if<SewnStab>(&book.sewn);
  if (stab == nullptr) return;  // told why, above
  const bool isSound = !stab->plan.has(Severity::Stop);
  const StitchGraph& graph = stab->graph;
  std::set<std::string> seen;
  for (const StripMeasure& measure : stripMeasures(*stab)) {
    RC_ASSERT(seen.insert(measure.value).second);
    const double long_ = std::hypot(measure.to.x - measure.from.x, measure.to.y - measure.from.y);
    if (measure.isLine()) RC_ASSERT(std::abs(long_ - *stab->plan.number(measure.value)) < 1e-6);
    for (const Point& end : {measure.from, measure.to}) {
      if (!isSound) break;  // holes may lie over the crease
      RC_ASSERT(end.x >= -1e-6 && end.x <= graph.spineLength + 1e-6);
      RC_ASSERT(end.y <= graph.stripWidth + 1e-6);
    }
  }
  for (const char* value : {"spine_length", "strip_width", "sewn_thickness", "end"})
    RC_ASSERT(seen.contains(value));
  for (const StripLand& land : stripLands(*stab)) {
    RC_ASSERT(std::abs(land.left - *stab->plan.number(land.value)) < 1e-6);
    const double long_ = std::hypot(land.to.x - land.from.x, land.to.y - land.from.y);
    RC_ASSERT(std::abs(long_ - land.left) < 1e-6);
    const char* near = land.value == "land_edge"     ? "hole-near-edge"
                       : land.value == "land_crease" ? "hole-near-crease"
                                                     : "holes-close";
    const bool isTold = land.severity.has_value();
    RC_ASSERT(isTold == hasFinding(stab->plan, near));
  }
}

// Any pattern: holes are numbered from the head, and what is left of paper is the least there is
// over every hole and every two of them.
RC_GTEST_PROP(AnyStrip, leavesWhatIsLeastOverAllItsHoles, ()) {
  Job job = plainJob("stab-boarded");
  job.given["text_height"] = {double(*rc::gen::inRange(90, 420)), {}};
  job.sewing = JobSewing{"stab",
                         *rc::gen::element<std::string>("row", "row-four", "row-corner", "zigzag",
                                                        "half-hexagon", "leaf"),
                         {},
                         {},
                         {},
                         {},
                         {}};
  for (const char* inset : {"leaf_inset_spine", "leaf_inset_ends"})
    job.sewing->allowances[inset] = {*rc::gen::inRange(0, 30) / 10.0, {}};
  job.sewing->allowances["hole_said"] = {*rc::gen::inRange(8, 60) / 10.0, {}};
  const SewnBook book = sewn(job);
  const auto* stab = std::get_if<SewnStab>(&book.sewn);
  const bool isSewn = stab != nullptr;
  RC_PRE(isSewn);
  const auto number = [&](const char* name) { return stab->plan.number(name).value(); };
  const double rim = number("punch_diameter") / 2, ends = number("leaf_inset_ends");
  const auto& holes = stab->graph.holes;
  double edge = 1e9, crease = 1e9, between = 1e9;
  for (std::size_t i = 0; i < holes.size(); ++i) {
    const StitchHole& hole = holes[i];
    for (const double room : {hole.across - number("leaf_inset_spine"), hole.along - ends,
                              number("spine_length") - hole.along - ends})
      edge = std::min(edge, room - rim);
    crease = std::min(crease, number("strip_width") - hole.across - rim);
    for (std::size_t j = 0; j < i; ++j)
      between =
          std::min(between, std::hypot(hole.along - holes[j].along, hole.across - holes[j].across) -
                                2 * rim);
    if (i == 0) continue;
    const bool isLevel = std::abs(hole.along - holes[i - 1].along) < 1e-6;
    const bool isAfter =
        isLevel ? hole.across > holes[i - 1].across : hole.along > holes[i - 1].along;
    RC_ASSERT(isAfter);
  }
  std::map<std::string, double> lands;
  for (const StripLand& land : stripLands(*stab)) lands[land.value] = land.left;
  for (const auto& [value, least] :
       {std::pair("land_edge", edge), {"land_crease", crease}, {"land_between", between}}) {
    RC_ASSERT(std::abs(number(value) - least) < 1e-6);
    const bool isThere = lands.contains(value);
    RC_ASSERT(isThere == (least > 0.0));
    if (least > 0.0) RC_ASSERT(std::abs(lands[value] - least) < 1e-6);
  }
}

// Each thread begins and ends with its tails and one knot, whatever it is joined from; what goes
// through, along and round is the plan's, with ease.
RC_GTEST_PROP(AnyStrip, hasItsThreadFromTailToTail, ()) {
  Job job = plainJob("stab-boarded");
  job.given["text_height"] = {double(*rc::gen::inRange(90, 420)), {}};
  job.sewing = JobSewing{
      "stab", *rc::gen::element<std::string>("row", "row-corner", "zigzag"), {}, {}, {}, {}, {}};
  job.sewing->finish = *rc::gen::element<std::string>("buried", "glued", "ornament");
  job.sewing->allowances["thread_longest"] = {double(*rc::gen::inRange(600, 4000)), {}};
  const SewnBook book = sewn(job);
  const auto* stab = std::get_if<SewnStab>(&book.sewn);
  const bool isSewn = stab != nullptr;
  RC_PRE(isSewn);
  const auto number = [&](const char* name) { return stab->plan.number(name).value(); };
  const auto pieces = threadParts(book);
  const double threads = number("thread_ends"), joins = number("join_count");
  RC_ASSERT(double(pieces.size()) == threads + joins);
  const auto of = [&](ThreadPart::What what) {
    return threadByKind(pieces)[static_cast<std::size_t>(what)];
  };
  const double tails = threads * (number("start_tail") + number("end_tail"));
  RC_ASSERT(std::abs(of(ThreadPart::What::Tail) - tails - 2 * joins * number("join_tail")) < 1e-6);
  RC_ASSERT(std::abs(of(ThreadPart::What::Knot) - threads * number("knot")) < 1e-6);
  const double ease = 1 + number("ease");
  RC_ASSERT(std::abs(of(ThreadPart::What::Along) - ease * number("stretch_length")) < 1e-6);
  RC_ASSERT(std::abs(of(ThreadPart::What::Round) - ease * number("wrap_length")) < 1e-6);
  RC_ASSERT(std::abs(of(ThreadPart::What::Through) - ease * number("pass_length")) < 1e-6);
  for (std::size_t i = 0; i < pieces.size(); ++i) {
    RC_ASSERT(pieces[i].front().what == ThreadPart::What::Tail);
    RC_ASSERT(pieces[i].back().what == ThreadPart::What::Tail);
    if (i == 0) RC_ASSERT(pieces[i].front().length == number("start_tail"));
  }
}

// Holes at the ends lie nearer to them than the middle of the spine.
TEST(SewnBook, refusesEndsThatMeet) {
  Job job = plainJob("stab-boarded");
  job.sewing = JobSewing{"stab", "row", {}, {}, {}, {}, {}};
  job.sewing->given["spine_length"] = {182.0, {}};
  job.sewing->allowances["end"] = {90.9, {}};
  EXPECT_TRUE(sewn(job).issues.empty());
  job.sewing->allowances["end"] = {91.0, {}};
  ASSERT_EQ(sewn(job).issues.size(), 1U);
  EXPECT_EQ(sewn(job).issues.front().id, IssueId("sewing-ends"));
  EXPECT_THAT(issueWords(sewn(job).issues.front(), {}), HasSubstr("91"));
}

// What a piece of thread is told as is what it takes, or a little more, in either unit.
RC_GTEST_PROP(AnyThread, isNeverToldShort, ()) {
  const double mm = *rc::gen::inRange(1, 900000) / 100.0;
  for (const auto& [units, step] :
       {std::pair(Units::Millimetres, 5.0), {Units::Inches, kMmPerInch / 4}}) {
    const std::string words = threadWords(mm, {units});
    double inches = 0.0, told = 0.0;
    if (units == Units::Millimetres) {
      told = std::stod(words);
    } else {  // "72 3/4 in"
      int whole = 0, upper = 0, lower = 1;
      if (std::sscanf(words.c_str(), "%d %d/%d", &whole, &upper, &lower) != 3) {
        lower = 1;
        if (std::sscanf(words.c_str(), "%d/%d", &upper, &lower) == 2)
          whole = 0;
        else
          upper = 0;
      }
      inches = whole + double(upper) / lower;
      told = inches * kMmPerInch;
    }
    RC_ASSERT(told >= mm - 1e-6);
    RC_ASSERT(told < mm + step + 1e-6);
  }
}

TEST(SewnBook, standsOnTheSlip) {
  EXPECT_THAT(sewingLines(sewn(plainJob("stab-boarded")), {}),
              ElementsAre(HasSubstr("7 holes of"), HasSubstr("Thread 1625 mm."), ::testing::_));
  EXPECT_THAT(sewingLines(sewn(slotted()), {}).front(),
              HasSubstr("thread 605 mm for the row at the head, 605 mm for the row at the tail."));
  EXPECT_TRUE(sewingLines(sewn(plainJob("concertina")), {}).empty());
  EXPECT_TRUE(sewingLines(sewn(plainJob()), {}).empty());
}

// The cloth that is cut for the spaces between the tapes is as high as the spaces that are sewn;
// what is trimmed off at head and tail lies beyond.
RC_GTEST_PROP(AnySewnBook, hasItsSpineClothBetweenItsTapes, ()) {
  Job job = plainJob("spring-back");
  job.given["text_height"] = {double(*rc::gen::inRange(180, 420)), {}};
  job.given["tape_count"] = {double(*rc::gen::inRange(2, 6)), {}};
  job.given["sewing_tape_width"] = {double(*rc::gen::inRange(6, 20)), {}};
  if (*rc::gen::arbitrary<bool>())
    job.given["tape_from_end"] = {double(*rc::gen::inRange(20, 60)), {}};
  for (const char* trim : {"trim_head", "trim_tail"})
    job.allowances[trim] = {double(*rc::gen::inRange(0, 5)), {}};
  job.given["pages_wanted"] = {double(*rc::gen::inRange(40, 400)), {}};
  job.given["leaf_caliper"] = {0.12, {}};
  const Plan plan = planOf(job).plan;
  const SewnBook book = sewn(job);
  const auto* tapes = std::get_if<SewnTapes>(&book.sewn);
  const auto end = plan.number("clothing_end_height"), mid = plan.number("clothing_mid_height");
  const bool isSewn = tapes != nullptr && mid.value_or(0.0) > 0.0 && end.value_or(0.0) > 0.0;
  RC_PRE(isSewn);
  RC_ASSERT(tapes->strips.size() >= 3U);
  for (std::size_t i = 0; i < tapes->strips.size(); ++i) {
    const auto& [from, to] = tapes->strips[i];
    const double there = i == 0                          ? *end + *plan.number("trim_head")
                         : i + 1 == tapes->strips.size() ? *end + *plan.number("trim_tail")
                                                         : *mid;
    RC_ASSERT(std::abs(to - from - there) < 1e-6);
  }
}

// How near thread comes to a hole that is not its own, against Boost.Geometry over all pairs.
RC_GTEST_PROP(AnySewnBook, knowsHowNearItsThreadComesToOtherHoles, ()) {
  namespace bg = boost::geometry;
  using Place = bg::model::d2::point_xy<double>;
  using Line = bg::model::segment<Place>;
  Job job = plainJob("stab-boarded");
  job.given["text_height"] = {double(*rc::gen::inRange(100, 400)), {}};
  job.sewing.emplace();
  job.sewing->kind = "stab";
  job.sewing->pattern =
      *rc::gen::element<std::string>("row", "row-corner", "zigzag", "half-hexagon", "leaf");
  job.sewing->allowances["thread_diameter"] = {0.5, {}};
  const SewnBook book = sewn(job);
  const auto* stab = std::get_if<SewnStab>(&book.sewn);
  const bool isSewn = stab != nullptr;
  RC_PRE(isSewn);
  const StitchGraph& graph = stab->graph;
  const auto place = [&](std::size_t hole) {
    return Place(graph.holes[hole].along, graph.holes[hole].across);
  };
  double off = 1e9;
  const auto pass = [&](std::size_t a, std::size_t b, const Place& end) {
    for (std::size_t hole = 0; hole < graph.holes.size(); ++hole)
      if (hole != a && hole != b)
        off = std::min(off, bg::distance(place(hole), Line(place(a), end)));
  };
  for (const auto& [a, b] : graph.stretches) pass(a, b, place(b));
  for (const StitchWrap& wrap : graph.wraps) {
    Place edge = place(wrap.hole);
    if (wrap.round == Round::Spine) edge.y(0.0);
    if (wrap.round == Round::Head) edge.x(0.0);
    if (wrap.round == Round::Tail) edge.x(graph.spineLength);
    pass(wrap.hole, wrap.hole, edge);
  }
  RC_ASSERT(std::abs(stab->plan.number("thread_off").value_or(0.0) - off) < 1e-9);
}

TEST(SewnBook, saysWhatIsStillToBeMeasured) {
  Job job = plainJob("spring-back");
  EXPECT_THAT(sewingLines(sewn(job), {}),
              ElementsAre("Still to be measured, to sew it: Sections, One leaf."));
  job.given["leaf_caliper"] = {0.12, {}};
  EXPECT_THAT(sewingLines(sewn(job), {}),
              ElementsAre("Still to be measured, to sew it: Sections."));
  job.given["pages_wanted"] = {144.0, {}};
  EXPECT_THAT(sewingLines(sewn(job), {}),
              ElementsAre(HasSubstr("9 sections"), HasSubstr("Thread")));
}

// By the title that stands beside it; and a small book of three holes is sewn as its rules say.
TEST(SewnBook, namesWhatIsRefusedByItsTitle) {
  Job job = plainJob("stab-boarded");
  job.sewing = JobSewing();
  job.sewing->kind = "stab";
  job.sewing->pattern = "zigzag";
  job.sewing->allowances["count"] = {3.0, {}};
  job.sewing->allowances["count_least"] = {5.0, {}};
  const SewnBook refused = sewn(job);
  ASSERT_EQ(refused.issues.size(), 1U);
  EXPECT_THAT(issueWords(refused.issues.front(), {}), HasSubstr("Holes: 3 is not allowed"));
  job.sewing.reset();
  job.given["text_height"] = {70.0, {}};
  const SewnBook small = sewn(job);
  ASSERT_TRUE(std::holds_alternative<SewnStab>(small.sewn));
  EXPECT_EQ(std::get<SewnStab>(small.sewn).graph.holes.size(), 3U);
}

// A size of the one pattern that the book's rules name waits while they name the other; what
// neither knows is told.
TEST(SewnBook, letsASizeWaitForItsPattern) {
  Job job = plainJob("stab-boarded");
  job.sewing = JobSewing();
  job.sewing->kind = "stab";
  job.sewing->allowances["corner_holes"] = {1.0, {}};  // of two rows
  EXPECT_TRUE(sewn(job).issues.empty());
  job.allowances["row_kind"] = {std::string("single_row"), {}};
  const SewnBook row = sewn(job);
  ASSERT_TRUE(row.issues.empty());
  EXPECT_EQ(row.job.pattern, "row");
  job.sewing->allowances["corner_hole"] = {1.0, {}};
  ASSERT_EQ(sewn(job).issues.size(), 1U);
  EXPECT_EQ(sewn(job).issues.front().id, IssueId("key-unknown"));
}

TEST(SewnBook, saysWhyItCannotBeSewn) {
  Job job = plainJob("stab-boarded");
  job.sewing = JobSewing();
  job.sewing->kind = "stab";
  job.sewing->pattern = "leef";
  const SewnBook book = sewn(job);
  ASSERT_EQ(book.issues.size(), 1U);
  EXPECT_EQ(book.issues.front().id, IssueId("pattern-unknown"));
  EXPECT_THAT(sewingLines(book, {}),
              ElementsAre(::testing::AllOf(HasSubstr("cannot be sewn so"), HasSubstr("leef"),
                                           HasSubstr("did you mean leaf?"))));
  job.sewing->pattern = "row-four";
  job.sewing->start = 9;
  EXPECT_THAT(sewingLines(sewn(job), {}), ElementsAre(HasSubstr("hole 9: this pattern has 4")));
}

}  // namespace
}  // namespace drapery::test
