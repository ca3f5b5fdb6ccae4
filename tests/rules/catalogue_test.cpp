// Materials that a job may name, and the packed form of files that ship.
#include "core/material/material_catalogue.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include "core/plan/job_field.h"
#include "core/toml/node_pack.h"
#include "core/toml/toml_node.h"
#include "tests/support/books.h"
#include "tests/support/command.h"
#include "words/issue_words.h"

namespace drapery {
namespace {

using ::testing::ElementsAre;
using ::testing::HasSubstr;
using ::testing::IsEmpty;

TEST(Catalogue, whatShipsIsSound) {
  const MaterialCatalogue catalogue(shippedMaterials());
  EXPECT_THAT(catalogue.issues(), IsEmpty());
  for (const Material& material : catalogue.all()) {
    EXPECT_TRUE(material.caliper().has_value()) << material.id;
    EXPECT_FALSE(material.sheets.empty()) << material.id;
    EXPECT_FALSE(material.practice.empty()) << material.id;
  }
}

TEST(Catalogue, aBindersOwnFigureReplacesTheShippedOne) {
  const test::TemporaryFolder folder;
  folder.write("ours.toml",
               "schema = \"drapery-materials/1\"\n[[material]]\nid = \"grey-board-24\"\nkind = "
               "\"board\"\ntitle = \"Ours\"\nthickness = \"2.45 mm\"\n");
  EXPECT_DOUBLE_EQ(makeCatalogue(folder.path())->find("grey-board-24")->thickness->mm(), 2.45);
}

TEST(Catalogue, mistakesArePlacedAndTheRestStays) {
  const std::vector<TomlFile> files{
      {"ours.toml",
       "schema = \"drapery-materials/1\"\n"
       "[[material]]\nid = \"a\"\nkind = \"bord\"\ntitle = \"A\"\n"
       "[[material]]\nid = \"b\"\nkind = \"board\"\ntitle = \"B\"\nthickness = -1\n"
       "[[material]]\nid = \"c\"\nkind = \"board\"\ntitle = \"C\"\nthickness = 3\n"}};
  const MaterialCatalogue catalogue(files);
  ASSERT_EQ(catalogue.all().size(), 1U);
  EXPECT_EQ(catalogue.all().front().id, "c");
  ASSERT_EQ(catalogue.issues().size(), 2U);
  EXPECT_THAT(placedWords(catalogue.issues()[0], {}), HasSubstr("ours.toml:4:8: kind: \"bord\""));
  EXPECT_THAT(
      placedWords(catalogue.issues()[1], {}),
      HasSubstr("ours.toml:10:13: thickness: \"-1\" is not allowed; allowed: lengths above 0"));
}

TEST(Catalogue, aFigureIsRefusedWithWhatIsAllowed) {
  for (const auto& [line, message] :
       {std::pair{"thickness = \"2 ells\"", "thickness: \"2 ells\" is not allowed"},
        {"grammage = 9000", "grammage: \"9000\" is not allowed; allowed: numbers above 0, to 5000"},
        {"bulk = [1]", "bulk: a list is not allowed"}}) {
    const std::string text =
        std::string("schema = \"drapery-materials/1\"\n[[material]]\nid = \"x\"\n") +
        "kind = \"board\"\ntitle = \"X\"\n" + line + "\n";
    const std::vector<TomlFile> files{{"x.toml", text}};
    const MaterialCatalogue catalogue(files);
    ASSERT_EQ(catalogue.issues().size(), 1U) << line;
    EXPECT_THAT(placedWords(catalogue.issues().front(), {}), HasSubstr(message));
    EXPECT_THAT(catalogue.all(), IsEmpty());
  }
}

TEST(JobMaterial, itsThicknessOrWeightCounts) {
  Job job = test::plainJob();
  setField(job, "given/board_thickness", test::entryOf("material mill-board-20"));
  setField(job, "given/text_grammage", test::entryOf("material copy-paper-80"));
  const auto outcome = test::planOf(job);
  EXPECT_THAT(outcome.issues, IsEmpty());
  EXPECT_DOUBLE_EQ(test::valueOf(outcome.plan, "board_thickness"), 2.0);
  EXPECT_DOUBLE_EQ(test::valueOf(outcome.plan, "text_grammage"), 80.0);
}

TEST(JobMaterial, whatCannotStandHereIsSaid) {
  const auto wordsOf = [](const char* field, const char* id) {
    Job job = test::plainJob();
    setField(job, field, test::entryOf(std::string("material ") + id));
    const auto issues = test::planOf(job).issues;
    return issues.size() == 1 ? placedWords(issues.front(), {}) : std::string("not one issue");
  };
  EXPECT_THAT(wordsOf("given/board_thickness", "grey-bord-24"),
              HasSubstr("\"grey-bord-24\" is not known; did you mean grey-board-24?"));
  EXPECT_THAT(wordsOf("given/board_thickness", "buckram"), HasSubstr("is a cloth"));
  EXPECT_THAT(wordsOf("given/text_height", "buckram"), HasSubstr("no material"));
}

// What the build packed is what the file says.
TEST(NodePack, ofFilesThatShipIsWhatTheySay) {
  for (const auto* files : {&shippedRules(), &shippedMaterials()})
    for (const TomlFile& file : *files) {
      const auto packed = unpackNode(file.packed, 0);
      const auto parsed = parseToml(file.text, 0);
      ASSERT_TRUE(std::holds_alternative<Node>(packed)) << file.file;
      EXPECT_EQ(packNode(std::get<Node>(packed)), packNode(std::get<Node>(parsed))) << file.file;
    }
}

RC_GTEST_PROP(NodePack, brokenBytesAreAnIssueNotACrash, ()) {
  std::string bytes(shippedMaterials().front().packed);
  const auto at = static_cast<std::size_t>(*rc::gen::inRange(0, static_cast<int>(bytes.size())));
  if (*rc::gen::arbitrary<bool>())
    bytes.resize(at);
  else
    bytes[at] = static_cast<char>(*rc::gen::inRange(0, 256));
  const auto node = unpackNode(bytes, 0);
  if (const auto* issue = std::get_if<Issue>(&node)) RC_ASSERT(issue->id.text() == "pack-broken");
}

}  // namespace
}  // namespace drapery
