// Many jobs at once, house rules begun as copies, and the reference, by the program itself.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>
#include <map>
#include <nlohmann/json.hpp>
#include <sstream>

#include "tests/support/command.h"

namespace drapery::test {
namespace {

using nlohmann::json;
using ::testing::AllOf;
using ::testing::ElementsAre;
using ::testing::HasSubstr;
using ::testing::IsEmpty;
using ::testing::StartsWith;

const std::string kCli = std::string(DRAPERY_BIN_DIR) + "/drapery-cli";

std::string job(int height, const std::string& more = "") {
  return R"({"schema": "drapery-job/1", "id": "x", "title": "Book )" + std::to_string(height) +
         R"(", "method": "case-sunk-joint", "given": {"text_height": )" + std::to_string(height) +
         R"(, "text_width": 144, "text_thickness": 25, "board_thickness": 2.4)" + more + "}}";
}

/// The program with the XDG data folder set.
Finished cli(const TemporaryFolder& data, std::vector<std::string> arguments) {
  arguments.insert(arguments.begin(), {"env", "XDG_DATA_HOME=" + data.path(), kCli});
  return run(arguments);
}

std::vector<json> lines(const std::string& out) {
  std::vector<json> all;
  std::istringstream in(out);
  for (std::string line; std::getline(in, line);) all.push_back(json::parse(line));
  return all;
}

TEST(CliBatch, plansEachJobInTheOrderOfNames) {
  const TemporaryFolder data, jobs;
  // More than may wait for one another, so that the window is passed too.
  for (int i = 0; i < 600; ++i) jobs.write("b" + std::to_string(1000 + i) + ".json", job(100 + i));
  jobs.write("notes.txt", "no job");
  const Finished done = cli(data, {"plan", "--batch", jobs.path()});
  EXPECT_EQ(done.code, 0) << done.err;
  EXPECT_THAT(done.err, AllOf(StartsWith("60 of 600\n"), HasSubstr("\n600 of 600\n")));
  const auto plans = lines(done.out);
  ASSERT_EQ(plans.size(), 600U);
  for (int i = 0; i < 600; ++i) {
    const json& line = plans[static_cast<std::size_t>(i)];
    EXPECT_EQ(line["file"], "b" + std::to_string(1000 + i) + ".json");
    EXPECT_EQ(line["plan"]["values"]["board_height"]["value"], 106 + i);
  }
  // One core or two: the same; and the same as each alone.
  EXPECT_EQ(cli(data, {"plan", "--batch", jobs.path(), "--threads", "1"}).out, done.out);
  const Finished alone = cli(data, {"plan", jobs.path() + "/b1007.json"});
  EXPECT_EQ(json::parse(alone.out), plans[7]["plan"]);
}

TEST(CliBatch, aMistakeIsToldAndKeepsNoOtherBack) {
  const TemporaryFolder data, jobs;
  jobs.write("a.json", job(210));
  jobs.write("b.json", job(5));
  jobs.write("c.json", "{");
  jobs.write("d.json", job(210, R"(, "spine_shape": "rounded", "round_depth": 14)"));
  const Finished done = cli(data, {"plan", "--batch", jobs.path()});
  EXPECT_EQ(done.code, 2);
  EXPECT_THAT(done.err, AllOf(HasSubstr(jobs.path() + "/b.json:1:"),
                              HasSubstr("text_height: 5 is not allowed"),
                              HasSubstr(jobs.path() + "/c.json:1:"), HasSubstr("4 of 4\n")));
  const auto plans = lines(done.out);
  ASSERT_EQ(plans.size(), 2U);
  EXPECT_EQ(plans[1]["file"], "d.json");
  EXPECT_EQ(plans[1]["plan"]["findings"][0]["id"], "round-past-half");
  std::filesystem::remove(jobs.path() + "/b.json");
  std::filesystem::remove(jobs.path() + "/c.json");
  EXPECT_EQ(cli(data, {"plan", "--batch", jobs.path()}).code, 1);
}

TEST(CliBatch, aFolderWithoutJobsIsRefused) {
  const TemporaryFolder data;
  const Finished none = cli(data, {"plan", "--batch", data.path()});
  EXPECT_EQ(none.code, 2);
  EXPECT_THAT(none.err, HasSubstr("no job in it"));
  EXPECT_EQ(cli(data, {"plan", "--batch", data.path() + "/none"}).code, 2);
  EXPECT_EQ(cli(data, {"plan", "x.json", "--batch", data.path()}).code, 2);
  EXPECT_EQ(cli(data, {"plan", "x.json", "--threads", "2"}).code, 2);
  EXPECT_EQ(cli(data, {"plan", "--batch", data.path(), "--format", "text"}).code, 2);
}

// RFC 4180; read by Python's csv module.
TEST(CliCsv, isATableOfThePieces) {
  const TemporaryFolder data, jobs;
  std::string text = job(210);
  text.replace(text.find("Book 210"), 8, "=Tide, \\\"east\\\"");
  const std::string path = jobs.write("a.json", text);
  const Finished done = cli(data, {"plan", path, "--format", "csv"});
  EXPECT_EQ(done.code, 0) << done.err;
  const std::string script =
      "import csv,sys,json; print(json.dumps(list(csv.DictReader(open(sys.argv[1], newline='')))))";
  const json rows =
      json::parse(run({"/usr/bin/python3", "-c", script, jobs.write("t.csv", done.out)}).out);
  EXPECT_EQ(rows[0]["part"], "board");
  EXPECT_EQ(rows[0]["title"], "'=Tide, \"east\"");
  EXPECT_EQ(rows[0]["count"], "2");
  EXPECT_EQ(rows[0]["cut_height_mm"], "216.0000");
  EXPECT_EQ(cli(data, {"plan", "--batch", jobs.path(), "--format", "csv"}).out, done.out);
}

TEST(CliMethodsCopy, isFoundCheckedAndExplainedLikeTheShipped) {
  const TemporaryFolder data, jobs;
  const Finished copied = cli(data, {"methods", "--copy", "case-sunk-joint"});
  ASSERT_EQ(copied.code, 0) << copied.err;
  const std::string path = data.path() + "/drapery/methods/case-sunk-joint-house.toml";
  EXPECT_THAT(copied.out, StartsWith(path + "\n"));
  EXPECT_THAT(cli(data, {"methods"}).out, HasSubstr("case-sunk-joint-house"));
  EXPECT_EQ(cli(data, {"check-method", path}).code, 0);
  std::string text = job(210);
  text.replace(text.find("case-sunk-joint"), 15, "case-sunk-joint-house");
  const std::string book = jobs.write("a.json", text);
  const json same = json::parse(cli(data, {"plan", book}).out);
  EXPECT_EQ(same["method"], "case-sunk-joint-house");
  EXPECT_EQ(
      same["values"]["joint_gap"]["value"],
      json::parse(
          cli(data, {"plan", jobs.write("b.json", job(210))}).out)["values"]["joint_gap"]["value"]);
  // A house's own set-back and nothing else: all the rest comes from the school.
  std::string rules = readFile(path);
  rules.resize(rules.find("[[allowance]]"));
  std::ofstream(path) << rules << "[[allowance]]\nid = \"setback\"\ndefault = \"5 mm\"\n";
  const json ours = json::parse(cli(data, {"plan", book}).out);
  EXPECT_EQ(ours["values"]["setback"]["value"], 5.0);
  EXPECT_EQ(ours["values"]["board_width"]["value"], 142.0);
  EXPECT_EQ(ours["values"]["board_width"]["because"], same["values"]["board_width"]["because"]);
  // Never over what is there.
  const Finished again = cli(data, {"methods", "--copy", "case-sunk-joint"});
  EXPECT_EQ(again.code, 2);
  EXPECT_THAT(again.err, HasSubstr("is there already"));
  EXPECT_EQ(cli(data, {"methods", "--copy", "case-sunk-joint-house"}).code, 0);
}

// Two files of a house with one id inside would be taken for one another: refused by name, and the
// books of the other are planned by their own rules.
TEST(CliHouseRules, ofOneIdAreNotTakenForOneAnother) {
  const TemporaryFolder data, jobs;
  const auto rules = [&](const std::string& file, const std::string& id, int setback) {
    data.write("drapery/methods/" + file,
               "schema = \"drapery-method/1\"\nid = \"" + id +
                   "\"\nbase = \"case-sunk-joint\"\ntitle = \"Ours\"\n[[allowance]]\nid = "
                   "\"setback\"\ndefault = \"" +
                   std::to_string(setback) + " mm\"\n");
  };
  const auto book = [&](const char* name, const char* method) {
    std::string text = job(210);
    text.replace(text.find("case-sunk-joint"), 15, method);
    jobs.write(name, text);
  };
  std::filesystem::create_directories(data.path() + "/drapery/methods");
  rules("one.toml", "one", 5);
  rules("two.toml", "two", 9);
  rules("three.toml", "one", 6);
  rules("case-card.toml", "case-card", 6);
  book("a.json", "one");
  book("b.json", "two");
  book("c.json", "three");
  book("d.json", "case-card");
  const Finished done = cli(data, {"plan", "--batch", jobs.path()});
  EXPECT_EQ(done.code, 2);
  EXPECT_THAT(done.err, HasSubstr("three.toml:2:6: the id \"one\" is not the file's name"));
  EXPECT_THAT(done.err,
              HasSubstr("case-card.toml: left out: rules with the id \"case-card\" ship"));
  std::istringstream lines(done.out);
  std::map<std::string, double> width;
  for (std::string line; std::getline(lines, line);) {
    const json one = json::parse(line);
    const json& values = one["plan"]["values"];
    width[one["file"]] = values.contains("board_width") ? values["board_width"]["value"] : json(0);
  }
  EXPECT_EQ(width.at("a.json"), 142);
  EXPECT_EQ(width.at("b.json"), 138);
  EXPECT_FALSE(width.contains("c.json"));
  const Finished listed = cli(data, {"methods"});
  EXPECT_EQ(listed.code, 2);
  EXPECT_THAT(listed.err,
              AllOf(HasSubstr("three.toml:2:6"), HasSubstr("case-card.toml: left out")));
}

TEST(CliMethodsCopy, everySchoolAndNothingElse) {
  const TemporaryFolder data;
  for (const char* id :
       {"case-sunk-joint", "case-fixed-gap", "case-strip-set", "case-board-gap", "case-card"})
    EXPECT_EQ(cli(data, {"methods", "--copy", id}).code, 0) << id;
  const Finished wrong = cli(data, {"methods", "--copy", "case-sunk-jiont"});
  EXPECT_EQ(wrong.code, 2);
  EXPECT_THAT(wrong.err, HasSubstr("did you mean case-sunk-joint?"));
  EXPECT_EQ(cli(data, {"methods", "--copy", "case"}).code, 2);
  EXPECT_EQ(cli(data, {"methods", "--copy", ""}).code, 2);  // a variable that was not set
  EXPECT_EQ(cli(data, {"methods", "--copy", "case-card", "--reference"}).code, 2);
}

// docs/methods.md is what the program says today; `./dev reference` renews it.
TEST(CliMethodsReference, isWhatStandsInTheDocs) {
  const TemporaryFolder data;
  const Finished done = cli(data, {"methods", "--reference"});
  EXPECT_EQ(done.code, 0);
  EXPECT_TRUE(done.out == projectFile("docs/methods.md")) << "run ./dev reference";
  for (const char* words :
       {"## Text block", "`corner_distance`, mm: `max(corner_ratio * edge_thickness",
        "## Card cover", "`grey-board-24`", "`formed_gap(setback"})
    EXPECT_THAT(done.out, HasSubstr(words));
}

}  // namespace
}  // namespace drapery::test
