// drapery-cli as other programs use it: what the contract promises, through the real program.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <chrono>
#include <filesystem>
#include <nlohmann/json.hpp>

#include "tests/support/command.h"

namespace drapery::test {
namespace {

using nlohmann::json;
using ::testing::AllOf;
using ::testing::EndsWith;
using ::testing::HasSubstr;
using ::testing::IsEmpty;
using ::testing::Not;
using ::testing::StartsWith;

const std::string kCli = std::string(DRAPERY_BIN_DIR) + "/drapery-cli";
const std::string kDemo = std::string(DRAPERY_SOURCE_DIR) + "/demo/";

Finished cli(std::vector<std::string> arguments, const std::string& input = {}) {
  arguments.insert(arguments.begin(), kCli);
  return run(arguments, input);
}

std::string job(const std::string& given, const std::string& rest = "") {
  return R"({"schema": "drapery-job/1", "id": "x", "title": "T", "method": "case-sunk-joint", )" +
         rest + R"("given": {)" + given + "}}";
}

const char* const kPlain =
    R"("text_height": 210, "text_width": 144, "text_thickness": 25, "board_thickness": 2.4)";

TEST(CliPlan, isJsonUnlessAskedOtherwise) {
  const Finished done = cli({"plan", "-"}, job(kPlain));
  ASSERT_EQ(done.code, 0) << done.err;
  EXPECT_THAT(done.err, IsEmpty());
  const json plan = json::parse(done.out);
  EXPECT_EQ(plan["schema"], "drapery-plan/1");
  EXPECT_EQ(plan["method"], "case-sunk-joint");
  const json& width = plan["values"]["board_width"];
  EXPECT_DOUBLE_EQ(width["value"], 140.0);
  EXPECT_EQ(width["unit"], "mm");
  EXPECT_EQ(width["formula"], "text_width - setback + square_fore_edge");
  EXPECT_EQ(width["with"], (json{{"text_width", 144}, {"setback", 7}, {"square_fore_edge", 3}}));
  EXPECT_FALSE(width["because"].get<std::string>().empty());
  EXPECT_DOUBLE_EQ(plan["values"]["opening_angle"]["value"], 180.0);
  for (const json& part : plan["parts"])
    if (part["id"] == "board") {
      EXPECT_EQ(part["count"], 2);
      EXPECT_EQ(part["cut_width"], 140.0);
      EXPECT_EQ(part["grain"], "height");
    }
  EXPECT_EQ(cli({"plan", "-", "--format", "json"}, job(kPlain)).out, done.out);
}

TEST(CliPlan, everyValueOfTheContractIsThere) {
  const json values = json::parse(cli({"plan", "-"}, job(kPlain)).out)["values"];
  for (const char* name : {"shoulder_height",
                           "spine_span",
                           "round_depth",
                           "spine_arc",
                           "stiffener_width",
                           "stiffener_height",
                           "edge_height",
                           "setback",
                           "joint_gap",
                           "gap_taut",
                           "gap_to_open",
                           "gap_formed",
                           "gap_pressed",
                           "opening_angle",
                           "board_height",
                           "board_width",
                           "square_fore_edge_tried",
                           "case_width",
                           "covering_width",
                           "covering_height",
                           "corner_distance",
                           "corner_leg",
                           "jacket_height",
                           "jacket_cover",
                           "jacket_spine",
                           "jacket_flap",
                           "jacket_width"})
    EXPECT_TRUE(values.contains(name)) << name;
}

TEST(CliPlan, textIsForReading) {
  const Finished done = cli({"plan", kDemo + "tide-ledger.json", "--format", "text"});
  EXPECT_EQ(done.code, 0);
  EXPECT_THAT(done.out, HasSubstr("2 Board            140 × 216.5 mm"));
  const Finished inches =
      cli({"plan", kDemo + "tide-ledger.json", "--format", "text", "--units", "in"});
  EXPECT_THAT(inches.out, HasSubstr("Board's width                                ≈5 1/2 in"));
}

// What is still to be trimmed, and what that does to the pieces.
TEST(CliPlan, tellsPiecesAsTheyWouldBeUntrimmed) {
  std::string text = job(kPlain);
  text.insert(text.size() - 1, R"(, "allowances": {"trim_fore_edge": 4})");
  const json plan = json::parse(cli({"plan", "-"}, text).out);
  EXPECT_EQ(plan["parts"][0]["cut_width"], 136.0);
  EXPECT_EQ(plan["parts"][0]["before_trimming"]["cut_width"], 140.0);
  EXPECT_EQ(plan["parts"][0]["moves"]["text_width"], (json{{"width", 1.0}, {"height", 0.0}}));
  EXPECT_FALSE(plan["parts"][1].contains("before_trimming"));  // the stiffener
  EXPECT_THAT(
      cli({"plan", "-", "--format", "text"}, text).out,
      HasSubstr("136 × 216 mm               board, grain head to tail; untrimmed 140 × 216 mm"));
}

/// The hive diary with a gap that does not reach from the stiffener to the board.
std::string stoppedJob() {
  std::string text = projectFile("demo/hive-diary.json");
  for (const auto& [from, to] : {std::pair<std::string, std::string>{"\"1/4 in\"", "\"1/16 in\""},
                                 {"\"flush\"", "\"spine\""}})
    text.replace(text.find(from), from.size(), to);
  return text;
}

TEST(CliPlan, aStopFindingIsToldByTheExitCode) {
  const Finished done = cli({"plan", "-"}, stoppedJob());
  EXPECT_EQ(done.code, 1);
  EXPECT_THAT(done.err, IsEmpty());
  const json plan = json::parse(done.out);
  EXPECT_EQ(plan["findings"][0]["id"], "gap-too-short");
  EXPECT_EQ(plan["findings"][0]["severity"], "stop");
  EXPECT_THAT(plan["findings"][0]["says"].get<std::string>(), HasSubstr("1/16 in"));
  EXPECT_FALSE(plan["values"].contains("board_width"));
  EXPECT_TRUE(plan["values"].contains("board_height"));
}

struct BadJob {
  const char* name;
  std::string text;
  const char* message;
  friend void PrintTo(const BadJob& each, std::ostream* out) { *out << each.name; }
};

class CliRefuses : public ::testing::TestWithParam<BadJob> {};

// One line per mistake on standard error, nothing on standard output, exit code 2.
TEST_P(CliRefuses, withALineThatSaysWhy) {
  const Finished done = cli({"plan", "-"}, GetParam().text);
  EXPECT_EQ(done.code, 2);
  EXPECT_THAT(done.out, IsEmpty());
  EXPECT_THAT(done.err,
              AllOf(StartsWith("<stdin>:"), HasSubstr(GetParam().message), EndsWith("\n")));
  EXPECT_EQ(std::count(done.err.begin(), done.err.end(), '\n'), 1) << done.err;
  EXPECT_LT(done.err.size(), 300U);
}

INSTANTIATE_TEST_SUITE_P(
    Jobs, CliRefuses,
    ::testing::Values(
        BadJob{"empty", "", "not JSON"}, BadJob{"notJson", "{\"schema\": ", "not JSON"},
        BadJob{"wrongSchema",
               R"({"schema": "drapery-job/7", "id": "x", "method": "case-sunk-joint", "given": {)" +
                   std::string(kPlain) + "}}",
               "allowed: drapery-job/1"},
        BadJob{"deep", std::string(100'000, '['), "nested deeper than 64"},
        BadJob{"notUtf8", "{\"schema\": \"\xFF\"}", "not UTF-8"},
        BadJob{
            "zero",
            job(R"("text_height": 0, "text_width": 144, "text_thickness": 25, "board_thickness": 2.4)"),
            "1:108: text_height: 0 is not allowed; from 20 mm to 1200 mm"},
        BadJob{
            "negative",
            job(R"("text_height": -210, "text_width": 144, "text_thickness": 25, "board_thickness": 2.4)"),
            "text_height: -210 is not allowed"},
        BadJob{
            "absurd",
            job(R"("text_height": "4000 cm", "text_width": 144, "text_thickness": 25, "board_thickness": 2.4)"),
            "text_height: 4000 cm is not allowed"},
        BadJob{
            "exponent",
            job(R"("text_height": "1e400", "text_width": 144, "text_thickness": 25, "board_thickness": 2.4)"),
            "has an exponent"},
        BadJob{
            "largeNumber",
            job(R"("text_height": 1e400, "text_width": 144, "text_thickness": 25, "board_thickness": 2.4)"),
            "1e400 is too large"},
        BadJob{"digits",
               job(R"("text_height": )" + std::string(3'900'000, '9') + R"(, "text_width": 144)"),
               "is too large"},
        BadJob{"eightMillion", job(R"("text_height": )" + std::string(8'000'000, '9')),
               "larger than 4 MB"},
        BadJob{
            "nan",
            job(R"("text_height": "NaN", "text_width": 144, "text_thickness": 25, "board_thickness": 2.4)"),
            "\"NaN\" is not a length"},
        BadJob{
            "misspelt",
            job(R"("text_height": 210, "text_widht": 144, "text_thickness": 25, "board_thickness": 2.4)"),
            "did you mean \"text_width\"?"},
        BadJob{"noMethod",
               R"({"schema": "drapery-job/1", "id": "x", "method": "", "given": {)" +
                   std::string(kPlain) + "}}",
               "1:50: method: \"\" is not known; allowed: case-sunk-joint"},
        BadJob{"missing", job(R"("text_height": 210, "text_width": 144, "text_thickness": 25)"),
               "1:92: board_thickness is missing"}),
    [](const auto& each) { return each.param.name; });

TEST(CliRefusesFiles, thatAreNotThere) {
  const Finished none = cli({"plan", "/no/such/job.json"});
  EXPECT_EQ(none.code, 2);
  EXPECT_THAT(none.err, AllOf(StartsWith("/no/such/job.json: "), HasSubstr("cannot be read")));
  const TemporaryFolder folder;
  EXPECT_EQ(cli({"plan", folder.path()}).code, 2);
  EXPECT_EQ(cli({"check-method", "/no/such.toml"}).code, 2);
}

TEST(CliRefusesArguments, withTwo) {
  for (const std::vector<std::string>& arguments :
       {std::vector<std::string>{},
        {"bind"},
        {"plan"},
        {"plan", "-", "--format", "xml"},
        {"plan", "-", "--units", "cm"},
        {"plan", "-", "--colour"},
        {"plan", "-", "extra"},
        {"check-method"},
        {"export", "x.json"},
        {"export", "x.json", "--what", "jacket", "--as", "pdf", "-o", "x"},
        {"export", "x.json", "--what", "slip", "--as", "gif", "-o", "x"}}) {
    const Finished done = cli(arguments, job(kPlain));
    EXPECT_EQ(done.code, 2) << ::testing::PrintToString(arguments);
    EXPECT_THAT(done.out, IsEmpty());
    EXPECT_THAT(done.err, Not(IsEmpty()));
  }
}

TEST(Cli, tellsItsVersionAndHelps) {
  EXPECT_THAT(cli({"--version"}).out, StartsWith("drapery-cli "));
  EXPECT_EQ(cli({"--version"}).code, 0);
  EXPECT_THAT(cli({"--help"}).out, HasSubstr("check-method"));
}

TEST(CliMethods, listsWhatAJobMayName) {
  const Finished done = cli({"methods"});
  EXPECT_EQ(done.code, 0);
  EXPECT_THAT(done.out, AllOf(HasSubstr("case-sunk-joint"), HasSubstr("case-fixed-gap"),
                              Not(HasSubstr("Case binding"))));
}

// Worked examples without a build: a house can hold its own rules against its own figures.
TEST(CliCheckMethod, triesWorkedExamples) {
  const std::string methods = std::string(DRAPERY_SOURCE_DIR) + "/methods/";
  const Finished sound =
      cli({"check-method", methods + "case-card.toml", "--cases", methods + "case-card.cases"});
  EXPECT_EQ(sound.code, 0) << sound.err;
  EXPECT_THAT(sound.out, HasSubstr("worked examples hold"));
  const TemporaryFolder folder;
  const std::string rules = folder.write(
      "ours.toml",
      "schema = \"drapery-method/1\"\nid = \"ours\"\nbase = \"case-sunk-joint\"\ntitle = "
      "\"Ours\"\n[[allowance]]\nid = \"setback\"\ndefault = \"5 mm\"\n");
  const std::string book =
      "[a]\ntext_height = 210\ntext_width = 144\ntext_thickness = 25\nboard_thickness = 2.4\n";
  const std::string right = folder.write("a.cases", book + "=> board_width = 142\n");
  const std::string wrong = folder.write("b.cases", book + "=> board_width = 140\n");
  EXPECT_EQ(cli({"check-method", rules, "--cases", right}).code, 0);
  const Finished fell = cli({"check-method", rules, "--cases", wrong});
  EXPECT_EQ(fell.code, 2);
  EXPECT_EQ(fell.err, wrong + ":6:1: expected \"board_width = 140\", found 142\n");
  EXPECT_EQ(cli({"check-method", rules, "--cases", folder.path() + "/none"}).code, 2);
}

TEST(CliCheckMethod, acceptsTheShippedAndShowsMistakesWithACaret) {
  const std::string methods = std::string(DRAPERY_SOURCE_DIR) + "/methods/";
  for (const char* file : {"case.toml", "case-sunk-joint.toml", "case-fixed-gap.toml"}) {
    const Finished sound = cli({"check-method", methods + file});
    EXPECT_EQ(sound.code, 0) << sound.err;
    EXPECT_THAT(sound.out, HasSubstr("sound"));
  }
  const TemporaryFolder folder;
  std::string text = projectFile("methods/case-sunk-joint.toml");
  const std::size_t at = text.find("formula = \"gap_formed\"");
  text.replace(at, 22, "formula = \"gap_fromed\"");
  const auto line =
      std::to_string(1 + std::count(text.begin(), text.begin() + static_cast<long>(at), '\n'));
  const std::string path = folder.write("case-sunk-joint.toml", text);
  const Finished wrong = cli({"check-method", path, "--explain"});
  EXPECT_EQ(wrong.code, 2);
  EXPECT_THAT(wrong.out, IsEmpty());
  EXPECT_THAT(wrong.err,
              AllOf(StartsWith(path + ":" + line +
                               ":12: \"gap_fromed\" is not known; did you mean \"gap_formed\"?\n"),
                    HasSubstr("\n  formula = \"gap_fromed\"\n             ^\n")));
  // To a file one mistake is one line.
  const std::string lines = cli({"check-method", path}).err;
  EXPECT_EQ(std::count(lines.begin(), lines.end(), '\n'), 1);
}

TEST(CliExport, writesTheSlipTrueAndWhole) {
  const TemporaryFolder folder;
  const std::string pdf = folder.path() + "/slip.pdf";
  const Finished done =
      cli({"export", kDemo + "tide-ledger.json", "--what", "slip", "--as", "pdf", "-o", pdf});
  ASSERT_EQ(done.code, 0) << done.err;
  // Outside check: poppler reads the page and the words on it.
  const std::string info = run({"pdfinfo", pdf}).out;
  EXPECT_THAT(info, AllOf(HasSubstr("Pages:           1"), HasSubstr("(A4)"),
                          HasSubstr("Tide ledger, east quay")));
  const std::string text = run({"pdftotext", "-layout", pdf, "-"}).out;
  for (const char* words :
       {"140 × 216.5 mm", "359.5 × 252.5 mm", "23 × 216.5 mm", "2 Board", "grain head to tail",
        "Gap between stiffener and board, both sides: 10 mm", "Corners: cut at 45 degrees, 3.5 mm",
        "Knife: stand"})
    EXPECT_THAT(text, HasSubstr(words));
  EXPECT_THAT(folder.names(), ::testing::ElementsAre("slip.pdf"));
}

TEST(CliExport, aStopStandsOnTheSlip) {
  const TemporaryFolder folder;
  const std::string pdf = folder.path() + "/slip.pdf";
  const std::string job = folder.write("stopped.json", stoppedJob());
  const Finished done = cli({"export", job, "--what", "slip", "--as", "pdf", "--output", pdf});
  EXPECT_EQ(done.code, 1) << done.err;
  EXPECT_THAT(run({"pdftotext", pdf, "-"}).out, HasSubstr("Stop: do not cut"));
  EXPECT_THAT(run({"pdfinfo", pdf}).out, HasSubstr("(letter)"));
}

TEST(CliExport, whatCannotBeWrittenIsSaid) {
  const TemporaryFolder folder;
  std::filesystem::create_directory(folder.path() + "/slip.pdf");
  const Finished done = cli({"export", kDemo + "tide-ledger.json", "--what", "slip", "--as", "pdf",
                             "-o", folder.path() + "/slip.pdf"});
  EXPECT_EQ(done.code, 2);
  EXPECT_THAT(done.err, HasSubstr("cannot be written"));
  EXPECT_EQ(
      cli({"export", "/none.json", "--what", "slip", "--as", "pdf", "-o", folder.path() + "/x.pdf"})
          .code,
      2);
  EXPECT_THAT(folder.names(), ::testing::ElementsAre("slip.pdf"));
}

const std::string kBareJob =
    R"({"schema": "drapery-job/1", "given": {"text_height": 210, "text_width": 144,)"
    R"( "text_thickness": 25, "board_thickness": 2.4}})";

/// The bare one with values said instead, pieces as they are and three copies.
std::string saidJob() {
  std::string text = kBareJob;
  text.insert(text.size() - 1, R"(, "copies": 3, "fixed": {"board_width": "5 1/2 in"},)"
                               R"( "as_cut": {"board": {"height": 213}})");
  return text;
}

TEST(CliPlan, takesABareJob) {
  const json plan = json::parse(cli({"plan", "-"}, kBareJob).out);
  EXPECT_EQ(plan["title"], "untitled");
  EXPECT_EQ(plan["method"], "case-sunk-joint");
  EXPECT_EQ(plan["copies"], 1);
  const TemporaryFolder folder;
  const std::string path = folder.write("gull songs.json", kBareJob);
  EXPECT_EQ(json::parse(cli({"plan", path}).out)["title"], "gull songs");
}

TEST(CliPlan, tellsWhatWasSaidInsteadAndTheTrialOfRealPieces) {
  const json plan = json::parse(cli({"plan", "-"}, saidJob()).out);
  EXPECT_EQ(plan["copies"], 3);
  EXPECT_EQ(plan["values"]["board_width"]["value"], 139.7);
  EXPECT_EQ(plan["values"]["board_width"]["by_rule"], 140.0);
  EXPECT_EQ(plan["parts"][0]["count"], 2);  // for one book
  EXPECT_EQ(plan["parts"][0]["cut_height"], 213.0);
  // Squares of 1.5 where 3 were wanted: not under the least.
  EXPECT_EQ(plan["trial"]["verdict"], "fits");
  std::string lower = saidJob();
  lower.replace(lower.find("213"), 3, "212");
  const json trimmed = json::parse(cli({"plan", "-"}, lower).out)["trial"];
  EXPECT_EQ(trimmed["verdict"], "trim");
  EXPECT_EQ(trimmed["trim"], (json{{"head", 2.0}, {"tail", 2.0}, {"fore_edge", 0.0}}));
  EXPECT_THAT(cli({"plan", "-", "--format", "text"}, saidJob()).out,
              AllOf(HasSubstr("for 3 books"), HasSubstr("6 Board"), HasSubstr("already cut")));
}

TEST(CliCompare, setsTheMethodsSideBySide) {
  const json all = json::parse(cli({"compare", "-"}, kBareJob).out);
  ASSERT_EQ(all["methods"].size(), 5U);
  EXPECT_EQ(all["methods"][0]["method"], "case-sunk-joint");
  EXPECT_EQ(all["methods"][0]["house"], false);
  EXPECT_EQ(all["methods"][3]["values"]["setback"]["value"], -2.4);
  const std::string text = cli({"compare", "-", "--format", "text"}, kBareJob).out;
  EXPECT_THAT(text, AllOf(HasSubstr("A  Sunk joint, computed"), HasSubstr("What differs")));
  EXPECT_EQ(cli({"compare", "nowhere.json"}).code, 2);
}

TEST(CliSolve, runsAJobBackwards) {
  const Finished done =
      cli({"solve", "-", "--change", "setback", "--so-that", "board_width=5 1/2 in", "--change",
           "square_head", "--so-that", "board_height=217"},
          kBareJob);
  ASSERT_EQ(done.code, 0) << done.err;
  const json solved = json::parse(done.out);
  EXPECT_EQ(solved["change"], "square_head");
  EXPECT_NEAR(solved["value"].get<double>(), 4.0, 1e-9);
  EXPECT_NEAR(solved["solved"][0]["value"].get<double>(), 7.3, 1e-9);
  EXPECT_NEAR(solved["plan"]["values"]["board_width"]["value"].get<double>(), 139.7, 1e-9);
  const Finished none =
      cli({"solve", "-", "--change", "setback", "--so-that", "board_width=90"}, kBareJob);
  EXPECT_EQ(none.code, 2);
  EXPECT_THAT(none.out, IsEmpty());
  EXPECT_THAT(none.err, HasSubstr("nearest is 25 mm, which gives 122 mm"));
  EXPECT_EQ(cli({"solve", "-", "--change", "setback"}, kBareJob).code, 2);
  EXPECT_EQ(cli({"solve", "-", "--change", "setback", "--so-that", "board_width"}, kBareJob).code,
            2);
}

// Outside check: python3-jsonschema holds the demo jobs and their plans against the published
// schemas.
TEST(Schemas, holdForTheDemoJobsAndTheirPlans) {
  int casesSolved = 0;
  const TemporaryFolder folder;
  std::vector<std::string> arguments;
  for (const auto& entry : std::filesystem::directory_iterator(kDemo)) {
    if (entry.path().extension() != ".json") continue;
    const Finished done = cli({"plan", entry.path().string()});
    ASSERT_LE(done.code, 1) << done.err;
    const std::string name = entry.path().filename().string();
    arguments.insert(
        arguments.end(),
        {"job", entry.path().string(), "plan", folder.write(name, done.out), "compare",
         folder.write("compare-" + name, cli({"compare", entry.path().string()}).out)});
    // Only of a case it is told what it measures outside.
    const Finished solved = cli({"solve", entry.path().string(), "--change", "text_width",
                                 "--so-that", "outside_width=165"});
    if (solved.code == 2) continue;
    ++casesSolved;
    arguments.insert(arguments.end(), {"solve", folder.write("solve-" + name, solved.out)});
  }
  arguments.insert(
      arguments.end(),
      {"job", folder.write("bare.json", kBareJob), "job", folder.write("said.json", saidJob()),
       "plan", folder.write("said-plan.json", cli({"plan", "-"}, saidJob()).out)});
  EXPECT_EQ(casesSolved, 4);
  std::string sewn = kBareJob;
  sewn.insert(sewn.rfind('}'), R"(, "sewing": {"kind": "stab", "pattern": "row", "start": 2,
    "given": {"strip_width": "1 in"}, "allowances": {"count": 5}, "finish": "glued", "hand": "left"})");
  arguments.insert(arguments.end(), {"job", folder.write("sewn.json", sewn)});
  ASSERT_GE(arguments.size(), 24U);
  std::string cutting = kBareJob;
  cutting.insert(cutting.rfind('}'), R"(, "cutting": {"first": "off-cuts", "mock_up": "kraft",
    "with": ["other.json"], "pins": [{"piece": "board", "stock": "grey", "sheet": 1, "x": 2.5, "y": 0, "turned": true}],
    "kept": [{"name": "A", "pins": []}], "done": [{"stock": "grey", "pieces": {"board": 2}}]})");
  EXPECT_EQ(cli({"plan", "-"}, cutting).code, 0);
  arguments.insert(arguments.end(),
                   {"job", folder.write("cutting.json", cutting), "stock",
                    std::string(DRAPERY_SOURCE_DIR) + "/demo/stock/shelf.json", "shop",
                    folder.write("shop.json", R"({"schema": "drapery-shop/1",
    "gauges": [{"name": "rule", "wide": 30}], "printers": [{"name": "hall", "across": 0.99, "along": 1}]})")});
  const std::string check = folder.write("check.py", R"(
import json, sys, jsonschema
root = sys.argv[1]
schemas = {k: json.load(open(f"{root}/docs/schemas/{k}.schema.json")) for k in ("job", "plan", "compare", "solve", "stock", "shop")}
for s in schemas.values():
    jsonschema.Draft202012Validator.check_schema(s)
for kind, path in zip(sys.argv[2::2], sys.argv[3::2]):
    document = json.load(open(path))
    jsonschema.Draft202012Validator(schemas[kind]).validate(document)
    broken = dict(document, schema="other")
    assert not jsonschema.Draft202012Validator(schemas[kind]).is_valid(broken)
)");
  std::vector<std::string> command{"/usr/bin/python3", check, DRAPERY_SOURCE_DIR};
  command.insert(command.end(), arguments.begin(), arguments.end());
  const Finished checked = run(command);
  EXPECT_EQ(checked.code, 0) << checked.err;
}

// A comma locale must not reach the files, and the program must be running in one for this to mean
// anything.
TEST(Cli, writesPointsUnderACommaLocale) {
  const CommaLocale comma;
  std::vector<std::string> command{"env"};
  for (const std::string& variable : comma.environment()) command.push_back(variable);
  const auto under = [&](std::vector<std::string> rest) {
    rest.insert(rest.begin(), command.begin(), command.end());
    return run(rest);
  };
  ASSERT_THAT(under({"locale", "decimal_point"}).out, StartsWith(","));
  const Finished done = under({kCli, "plan", kDemo + "tide-ledger.json"});
  EXPECT_EQ(done.code, 0);
  EXPECT_DOUBLE_EQ(
      json::parse(done.out)["values"]["joint_gap"]["value"].get<double>(),
      json::parse(cli({"plan", kDemo + "tide-ledger.json"}).out)["values"]["joint_gap"]["value"]);
  const std::string pdf = comma.folder() + "/slip.pdf";
  const Finished exported = under(
      {kCli, "export", kDemo + "tide-ledger.json", "--what", "slip", "--as", "pdf", "-o", pdf});
  EXPECT_EQ(exported.code, 0) << exported.err;
  EXPECT_THAT(run({"pdftotext", "-layout", pdf, "-"}).out, HasSubstr("140 × 216.5 mm"));
}

}  // namespace
}  // namespace drapery::test
