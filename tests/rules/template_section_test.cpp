// Templates and what is printed on, as rule files say them: every mistake at its place.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include "core/drawing/true_size.h"
#include "core/plan/planner.h"
#include "core/rules/load_rules.h"
#include "words/finding_words.h"
#include "words/issue_words.h"

namespace drapery {
namespace {

using ::testing::ElementsAre;
using ::testing::HasSubstr;
using ::testing::IsEmpty;

const std::string kGround = R"(schema = "drapery-method/1"
id = "small"
title = "Small"

[[given]]
id = "height"
title = "Height"
range = ["20 mm", "1200 mm"]

[[given]]
id = "holes"
kind = "count"
title = "Holes"
range = [0, 40]

[[part]]
id = "cover"
title = "Cover"
material = "card"
size = ["height / 2", "height"]

[[series]]
id = "hole"
title = "Hole"
kind = "hole"
part = "cover"
count = "holes"
x = "5 mm"
y = "i * 10 mm"

)";

LoadedRules loaded(const std::string& entry) {
  return loadRules({"small.toml", kGround + entry},
                   [](std::string_view) { return std::optional<TomlFile>(); });
}

std::string mistakes(const std::string& entry) {
  std::string all;
  for (const Issue& issue : loaded(entry).issues) all += placedWords(issue, {}) + "\n";
  return all;
}

Plan planned(const RuleSetPtr& rules, double height, double holes) {
  Job job;
  job.method = "small";
  job.given = {{"height", {height, {}}}, {"holes", {holes, {}}}};
  return Planner(rules).plan(job).plan;
}

const std::string kTemplate =
    "[[template]]\nid = \"strip\"\ntitle = \"Strip\"\nsays = \"{height}\"\n";
const std::string kArtwork =
    "[[artwork]]\nid = \"wrap\"\ntitle = \"Wrapper\"\nstage = \"jacket\"\nheight = \"height\"\n";

TEST(TemplateSection, everyMistakeIsToldAtItsPlace) {
  EXPECT_THAT(mistakes("[[template]]\nid = \"strip\"\n"), HasSubstr("title"));
  EXPECT_THAT(mistakes("[[template]]\nid = \"strip\"\ntitle = \"Strip\"\n"), HasSubstr("says"));
  EXPECT_THAT(mistakes(kTemplate + "outline = [[\"height\"]]"), HasSubstr("small.toml:"));
  EXPECT_THAT(mistakes(kTemplate + "outline = [[\"heigth\", \"0 mm\"]]"), HasSubstr("height"));
  EXPECT_THAT(mistakes(kTemplate + "gives = \"holes\""), HasSubstr("length"));
  EXPECT_THAT(mistakes(kTemplate + "lines = [{ kind = \"slash\", path = [[\"0 mm\", \"0 mm\"]] }]"),
              HasSubstr("crease"));
  EXPECT_THAT(
      mistakes(kTemplate +
               "lines = [{ kind = \"fold\", turns = \"inward\", path = [[\"0 mm\", \"0 mm\"]] }]"),
      HasSubstr("toward"));
  EXPECT_THAT(mistakes(kTemplate + "labels = [{ at = [\"0 mm\", \"0 mm\"] }]"), HasSubstr("says"));
  EXPECT_THAT(mistakes(kTemplate + "outline = [{ at = [\"0 mm\", \"0 mm\"], each = \"hol\" }]"),
              HasSubstr("hol"));
  EXPECT_THAT(mistakes(kTemplate + "outlin = 3"), HasSubstr("outline"));
  EXPECT_THAT(mistakes(kTemplate + "lay_out = 3"), HasSubstr("lay_out"));
}

TEST(TemplateSection, artworksAreCheckedAlike) {
  EXPECT_THAT(mistakes("[[artwork]]\nid = \"wrap\"\n"), HasSubstr("panels"));
  EXPECT_THAT(mistakes(kArtwork + "panels = [{ id = \"a\", title = \"a\" }]"), HasSubstr("width"));
  EXPECT_THAT(mistakes(kArtwork + "panels = [{ id = \"a\", title = \"a\", width = \"2\" }]"),
              HasSubstr("length"));
  EXPECT_THAT(
      mistakes(kArtwork +
               "part = \"covr\"\npanels = [{ id = \"a\", title = \"a\", width = \"height\" }]"),
      HasSubstr("covr"));
  EXPECT_THAT(mistakes(kArtwork + "part = \"cover\"\npanels = [{ id = \"a\", title = \"a\", width "
                                  "= \"height\", spine = true }]"),
              IsEmpty());
}

// Corners, lines and words once for each hole; a fold tells which way it turns.
TEST(TemplateSection, seriesRunThroughEdgeLinesAndWords) {
  const LoadedRules rules = loaded(kTemplate + R"(gives = "height / 4"
outline = [["0 mm", "0 mm"], ["20 mm", "0 mm"], { at = ["20 mm + i * i * 1 mm", "hole.y"], each = "hole" }, ["0 mm", "height"]]
lines = [{ kind = "hole", path = [["hole.x", "hole.y"]], size = "2 mm", each = "hole" },
         { kind = "crease", turns = "toward", path = [["0 mm", "height / 2"], ["10 mm", "height / 2"]] },
         { kind = "mark", when = "height > 500 mm", path = [["0 mm", "0 mm"], ["1 mm", "1 mm"]] }]
labels = [{ at = ["hole.x", "hole.y"], says = "{i:1}: {hole.y}", each = "hole" }]
)");
  ASSERT_THAT(rules.issues, IsEmpty()) << placedWords(rules.issues.front(), {});
  const Plan plan = planned(rules.rules, 120.0, 3.0);
  const auto all = trueSizes(plan);
  ASSERT_FALSE(all.empty());
  const TrueSize& strip = all.front();
  EXPECT_EQ(strip.id, "strip");
  EXPECT_EQ(strip.gives->mm(), 30.0);
  EXPECT_EQ(strip.drawing.shapes.front().points.size(), 6U);  // three of them from the series
  EXPECT_EQ(std::count_if(strip.drawing.shapes.begin(), strip.drawing.shapes.end(),
                          [](const Shape& shape) { return shape.line == LineKind::Hole; }),
            3);
  const auto crease =
      std::find_if(strip.drawing.shapes.begin(), strip.drawing.shapes.end(),
                   [](const Shape& shape) { return shape.line == LineKind::Crease; });
  ASSERT_NE(crease, strip.drawing.shapes.end());
  EXPECT_EQ(crease->turns, Turns::Toward);
  EXPECT_TRUE(std::none_of(strip.drawing.shapes.begin(), strip.drawing.shapes.end(),
                           [](const Shape& shape) { return shape.line == LineKind::Mark; }));
  std::vector<std::string> words;
  for (const TrueSizeLabel& label : strip.labels)
    words.push_back(filledWords(*label.says, label.figures, {}));
  EXPECT_THAT(words, ElementsAre("1: 10 mm", "2: 20 mm", "3: 30 mm"));
}

// No edge that crosses itself or is none is ever printed.
TEST(TemplateSection, anEdgeThatIsNoneIsLeftOut) {
  const auto ids = [](const std::string& entry, double height) {
    const LoadedRules rules = loaded(entry);
    EXPECT_THAT(rules.issues, IsEmpty());
    const Plan plan = planned(rules.rules, height, 0.0);
    std::vector<std::string> all;
    for (const TrueSize& thing : trueSizes(plan)) all.push_back(thing.id);
    return all;
  };
  const std::string crossed = kTemplate +
                              "outline = [[\"0 mm\", \"0 mm\"], [\"9 mm\", \"9 mm\"], [\"9 mm\", "
                              "\"0 mm\"], [\"0 mm\", \"9 mm\"]]\n";
  EXPECT_THAT(ids(crossed, 100.0), ElementsAre("piece/cover", "label/cover/1"));
  const std::string flat = kTemplate + "outline = [[\"0 mm\", \"0 mm\"], [\"9 mm\", \"0 mm\"]]\n";
  EXPECT_THAT(ids(flat, 100.0), ElementsAre("piece/cover", "label/cover/1"));
  const std::string none = kTemplate +
                           "gives = \"height - 100 mm\"\noutline = [[\"0 mm\", \"0 mm\"], [\"9 "
                           "mm\", \"0 mm\"], [\"9 mm\", \"9 mm\"]]\n";
  EXPECT_THAT(ids(none, 100.0), ElementsAre("piece/cover", "label/cover/1"));
  EXPECT_THAT(ids(none, 101.0), ElementsAre("strip", "piece/cover", "label/cover/1"));
  const std::string wrap =
      kArtwork +
      "part = \"cover\"\nreversed = \"height > 500 mm\"\npanels = [{ id = \"a\", title = \"left\", "
      "width = \"height\" }, { id = \"b\", title = \"right\", width = \"height - 50 mm\" }]\n";
  EXPECT_THAT(ids(wrap, 100.0),
              ElementsAre("folds/wrap", "label/cover/1"));  // in the piece's place
  EXPECT_THAT(ids(wrap, 40.0), ElementsAre("piece/cover", "label/cover/1"));
}

TEST(TemplateSection, whatHasNoSizeIsNamed) {
  const LoadedRules rules =
      loaded(kArtwork +
             "when = \"height > 30 mm\"\npanels = [{ id = \"a\", title = \"left\", width = "
             "\"height\" }, { id = \"b\", title = \"right\", width = \"height - 50 mm\" }]\n");
  ASSERT_THAT(rules.issues, IsEmpty());
  const ArtworkRule& wrap = rules.rules->artworks.front();
  const Plan small = planned(rules.rules, 40.0, 0.0), none = planned(rules.rules, 25.0, 0.0),
             whole = planned(rules.rules, 100.0, 0.0);
  EXPECT_EQ(sizelessOf(wrap, small), "right");
  EXPECT_EQ(sizelessOf(wrap, none), "");
  EXPECT_EQ(sizelessOf(wrap, whole), "");
  EXPECT_EQ(artworkOn(wrap, whole)->closes(), 50.0);  // its halves are not alike
}

}  // namespace
}  // namespace drapery
