// drapery-cli cut, and a plan handed on to it.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <fstream>
#include <map>
#include <nlohmann/json.hpp>

#include "store/cut_json.h"
#include "tests/support/command.h"
#include "tests/support/judge.h"

namespace drapery::test {
namespace {

using nlohmann::json;
using ::testing::HasSubstr;

const std::string kCli = std::string(DRAPERY_BIN_DIR) + "/drapery-cli";
const std::string kSource = DRAPERY_SOURCE_DIR;

Finished cli(std::vector<std::string> arguments, const std::string& input = {}) {
  arguments.insert(arguments.begin(), kCli);
  return run(arguments, input);
}

json problem() {
  return json::parse(
      R"({"schema": "drapery-cut/1", "name": "few", "objective": "min_cost", "units": "mm",
    "stocks": [{"id": "sheet", "material": "board", "form": "sheet", "W": 700, "L": 1000, "grain": "L", "count": null,
                "trim": {"left": 2, "right": 0, "bottom": 0, "top": 0}, "kerf": 0.4, "cost": 1}],
    "parts": [{"id": "board", "material": "board", "w": 140, "h": 216, "qty": 2, "grain": "h"},
              {"id": "stiffener", "material": "board", "w": 23, "h": 216, "qty": 1, "grain": "h"}]})");
}

TEST(CliCut, laysOutAndTellsWhatIsProven) {
  const Finished done = cli({"cut", "-"}, problem().dump());
  ASSERT_EQ(done.code, 0) << done.err;
  const json result = json::parse(done.out);
  EXPECT_EQ(result["instance"], "few");
  EXPECT_EQ(result["solver"], "drapery");
  EXPECT_EQ(result["bounds"]["board"], (json{{"cost", 1}, {"bound", 1}, {"proven", true}}));
  ASSERT_EQ(result["sheets"].size(), 1U);
  EXPECT_EQ(result["sheets"][0]["placements"].size(), 3U);
  EXPECT_TRUE(result["sheets"][0].contains("cuts"));
  EXPECT_GE(result["sheets"][0]["placements"][0]["x"], 2);
}

// Sixteenths of an inch end in half a micrometre: 9 15/16 and 1 1/16 in. Others round it so too
// (IEEE 754, roundTiesToEven).
TEST(CliCut, halfAMicrometreGoesToTheEvenOne) {
  json inches = problem();
  inches["parts"][0]["h"] = 252.4125;
  inches["parts"][1]["w"] = 26.9875;
  const Finished done = cli({"cut", "-"}, inches.dump());
  ASSERT_EQ(done.code, 0) << done.err;
  const json result = json::parse(done.out);
  for (const json& placed : result["sheets"][0]["placements"]) {
    const bool isBoard = placed["part"] == "board";
    EXPECT_EQ(placed[isBoard ? "height_on_sheet" : "width_on_sheet"], isBoard ? 252.412 : 26.988);
  }
}

TEST(CliCut, stepsGiveTheSameToTheByte) {
  json large = problem();
  for (int i = 0; i < 30; ++i)
    large["parts"].push_back({{"id", "p" + std::to_string(i)},
                              {"material", "board"},
                              {"w", 90 + 7 * i},
                              {"h", 300 - 5 * i},
                              {"qty", 2},
                              {"grain", "free"}});
  const auto laid = [&](const char* seed) {
    return cli({"cut", "-", "--steps", "50", "--seed", seed}, large.dump()).out;
  };
  EXPECT_EQ(laid("3"), laid("3"));
  EXPECT_NE(laid("3"), "");
}

TEST(CliCut, whatLiesNowhereIsToldWithItsReason) {
  json few = problem();
  few["parts"].push_back(
      {{"id", "panel"}, {"material", "board"}, {"w", 710}, {"h", 400}, {"qty", 1}, {"grain", "h"}});
  few["parts"].push_back(
      {{"id", "liner"}, {"material", "felt"}, {"w", 10}, {"h", 10}, {"qty", 1}, {"grain", "h"}});
  const Finished done = cli({"cut", "-", "--format", "text"}, few.dump());
  EXPECT_EQ(done.code, 1);
  EXPECT_THAT(done.out, HasSubstr("panel: needs 12 mm more across the grain than sheet has"));
  EXPECT_THAT(done.out, HasSubstr("liner: there is no stock of felt"));
  few["stocks"][0]["count"] = 0;
  EXPECT_THAT(cli({"cut", "-", "--format", "text"}, few.dump()).out,
              HasSubstr("board: there is not enough of sheet"));
}

// Two of 400 x 300 on 1 m of a roll, which is 100 mm wider than both.
TEST(CliCut, whatIsTakenOfARollAndKeptOfItIsTold) {
  json roll = problem();
  roll["parts"] = {
      {{"id", "side"}, {"material", "board"}, {"w", 400}, {"h", 300}, {"qty", 2}, {"grain", "h"}}};
  roll["stocks"][0].update({{"form", "roll"},
                            {"W", 900},
                            {"L", 5000},
                            {"count", 1},
                            {"kerf", 0},
                            {"trim", {{"left", 0}, {"right", 0}, {"bottom", 0}, {"top", 0}}}});
  const std::string told = cli({"cut", "-", "--format", "text"}, roll.dump()).out;
  EXPECT_THAT(told, HasSubstr("sheet 1: 300 mm of sheet, 900 mm wide, 5 m long: 2 x side"));
  EXPECT_THAT(told, HasSubstr("kept of sheet 1: 100 × 300 mm"));
}

struct Wrong {
  const char* at;
  const char* value;
  const char* told;
};

// Each mistake has its message, with the value and what is allowed.
TEST(CliCut, badInputIsRefusedWithItsPlace) {
  for (const Wrong& wrong :
       {Wrong{"/stocks", "[]", "stocks is empty; name one to cut from"},
        Wrong{"/stocks/0/W", "0", "stocks[0].W: 0 mm is not allowed; from 0.001 mm to 1000000 mm"},
        Wrong{"/stocks/0/kerf", "701", "a kerf of 701 mm is wider than the stock"},
        Wrong{"/stocks/0/trim/left", "700", "nothing is left of it between its trimmed edges"},
        Wrong{"/stocks/0/count", "-1", "stocks[0].count: -1 is not allowed; from 0"},
        Wrong{"/stocks/0/grain", "\"D\"", "allowed: L, W"},
        Wrong{"/parts/0/grain", "\"across\"", "allowed: h, w, free"},
        Wrong{"/parts/0/qty", "20001", "20002 pieces are not allowed; at most 20000"},
        Wrong{"/parts/0/qty", "1.5", "parts[0].qty"},
        Wrong{"/parts/0/w", "\"wide\"", "expected a number"},
        Wrong{"/parts/1/id", "\"board\"", "\"board\" is used twice"},
        Wrong{"/stocks/0/trim", "2", "stocks[0].trim: 2 is not allowed; expected an object"},
        Wrong{"/units", "\"in\"", "units: \"in\" is not allowed; allowed: mm"},
        Wrong{"/stocks/0/kerff", "0.4", "did you mean \"kerf\"?"},
        Wrong{"/parts/0/grian", "\"w\"", "did you mean \"grain\"?"},
        Wrong{"/parts", "7", "expected a list"}}) {
    json few = problem();
    few[json::json_pointer(wrong.at)] = json::parse(wrong.value);
    const Finished done = cli({"cut", "-"}, few.dump());
    EXPECT_EQ(done.code, 2) << wrong.at;
    EXPECT_THAT(done.err, HasSubstr(wrong.told)) << wrong.at;
    EXPECT_THAT(done.err, HasSubstr("<stdin>:1:"));
    EXPECT_EQ(done.out, "");
  }
  EXPECT_EQ(cli({"cut", "-"}, R"({"stocks": [], "parts": [{"w": NaN}]})").code, 2);
}

// What others write beside it is theirs.
TEST(CliCut, foreignKeysAreLeftToOthers) {
  json few = problem();
  few["colour"] = "blue";
  few["nodes"] = 3;
  few["parts"][0]["side"] = "front";
  few["stocks"][0]["supplier"] = "nobody";
  EXPECT_EQ(cli({"cut", "-"}, few.dump()).code, 0);
}

// Papers that are others than the plain ones are cut from their own.
TEST(CliCut, aPieceIsCutFromTheStockThatIsCalledLikeIt) {
  const Finished plan = cli({"plan", kSource + "/demo/lantern-log.json", "--as", "cut", "--stock",
                             kSource + "/demo/stock/shelf.json"});
  ASSERT_EQ(plan.code, 0) << plan.err;
  std::map<std::string, std::string> materials;
  const json read = json::parse(plan.out);
  for (const json& part : read["parts"]) materials[part["id"]] = part["material"];
  EXPECT_EQ(materials["jacket"], "jacket");
  EXPECT_EQ(materials["side"], "side");
  EXPECT_EQ(materials["endpaper"], "paper");
  EXPECT_EQ(materials["board"], "board");
  EXPECT_THAT(plan.err, HasSubstr("2 rectangles for 4 × Corner are cut in two"));
}

// A roll has as many rows as it has; its cuts are written without end, but not without measure.
TEST(CliCut, aRollOfManyRowsIsWritten) {
  json rows = problem();
  rows["stocks"][0]["form"] = "roll";
  rows["stocks"][0]["L"] = 1000000;
  rows["stocks"][0]["count"] = 1;
  rows["parts"] = {
      {{"id", "row"}, {"material", "board"}, {"w", 650}, {"h", 50}, {"qty", 5000}, {"grain", "h"}}};
  const Finished done = cli({"cut", "-", "--steps", "0"}, rows.dump());
  EXPECT_EQ(done.code, 0);
  EXPECT_LT(done.out.size(), 5000U * 400);
}

TEST(CliCut, whatIsWorthMostIsNotCalledCheap) {
  const auto valued = [](int width, int wider, int height, int lower, int count) {
    json worth = problem();
    worth["objective"] = "max_value";
    worth["stocks"][0]["count"] = 1;
    worth["parts"].clear();
    for (int i = 0; i < 30; ++i)
      worth["parts"].push_back({{"id", "p" + std::to_string(i)},
                                {"material", "board"},
                                {"w", width + wider * i},
                                {"h", height - lower * i},
                                {"qty", count},
                                {"grain", "h"},
                                {"value", 10 + i * 11 % 29}});
    return worth.dump();
  };
  // Of a hundred and eighty pieces there is too much to try.
  const std::string many = valued(61, 3, 190, 4, 6);
  const json bounds = json::parse(cli({"cut", "-", "--steps", "3"}, many).out)["bounds"]["board"];
  EXPECT_GT(bounds["value"], 0);
  EXPECT_GE(bounds["bound"], bounds["value"]);
  EXPECT_FALSE(bounds["proven"]);
  EXPECT_THAT(cli({"cut", "-", "--steps", "3", "--format", "text"}, many).out,
              HasSubstr("; nothing is worth more than "));
  EXPECT_THAT(cli({"cut", "-", "--steps", "3", "--format", "text"}, valued(150, 7, 300, 5, 3)).out,
              HasSubstr("worth 430; nothing is worth more\n"));
}

TEST(CliCut, whatIsWorthNothingIsNotCut) {
  json worthless = problem();
  worthless["objective"] = "max_value";
  EXPECT_THAT(cli({"cut", "-", "--steps", "3", "--format", "text"}, worthless.dump()).out,
              HasSubstr("board: nothing is cut, worth 0; nothing is worth more"));
}

TEST(CliCut, whereValueIsSoughtPinsAreRefused) {
  json worth = problem();
  worth["objective"] = "max_value";
  worth["pins"] = {{{"part", worth["parts"][0]["id"]},
                    {"stock", worth["stocks"][0]["id"]},
                    {"sheet", 1},
                    {"x", 0},
                    {"y", 0}}};
  const Finished done = cli({"cut", "-"}, worth.dump());
  EXPECT_EQ(done.code, 2);
  EXPECT_THAT(done.err, HasSubstr("pins are not kept"));
}

// A book, a class set and an edition from the shelf of the demo.
TEST(CliCut, aPlanIsHandedOn) {
  for (const int copies : {1, 24, 60}) {
    json job = json::parse(std::ifstream(kSource + "/demo/tide-ledger.json"));
    job["copies"] = copies;
    const Finished plan = cli(
        {"plan", "-", "--as", "cut", "--stock", kSource + "/demo/stock/shelf.json"}, job.dump());
    ASSERT_EQ(plan.code, 0) << plan.err;
    const auto read = readCutProblem(plan.out, "plan");
    ASSERT_TRUE(std::holds_alternative<CutProblem>(read));
    EXPECT_EQ(std::get<CutProblem>(read).pieces.at(0).count, 2 * copies);
    const Finished cut = cli({"cut", "-", "--steps", "300"}, plan.out);
    EXPECT_EQ(cut.code, 0) << cut.out << cut.err;
  }
  // With a book that is cut together with it, found beside the job's own file.
  const test::TemporaryFolder folder;
  json job = json::parse(std::ifstream(kSource + "/demo/tide-ledger.json"));
  job["cutting"]["with"] = {"other.json"};
  const std::string path = folder.write("job.json", job.dump());
  const auto plan = [&] {
    return cli({"plan", path, "--as", "cut", "--stock", kSource + "/demo/stock/shelf.json"});
  };
  EXPECT_EQ(plan().code, 2);
  EXPECT_THAT(plan().err, HasSubstr("other.json"));
  folder.write("other.json", "{\"given\": ");
  EXPECT_THAT(plan().err, HasSubstr("other.json:1:"));
  job.erase("cutting");
  job["title"] = "The other";
  folder.write("other.json", job.dump());
  EXPECT_THAT(plan().out, HasSubstr("\"The other: board\""));
  // What lies there in another thickness only, and what was cut in another size, is told.
  EXPECT_EQ(plan().err, "");
  job["given"]["board_thickness"] = 5.5;
  job["cutting"]["done"] = {{{"stock", "grey board 700 x 1000"},
                             {"pieces", {{"board", 2}}},
                             {"sizes", {{"board", {100, 200}}}}}};
  folder.write("job.json", job.dump());
  EXPECT_THAT(plan().err,
              AllOf(HasSubstr("Board was cut "), HasSubstr("is reckoned 5.5 mm thick; "
                                                           "grey board 700 x 1000 is 2.4 mm.")));
  // Two layers of it do.
  job["given"]["board_thickness"] = 4.8;
  job["cutting"].erase("done");
  folder.write("job.json", job.dump());
  EXPECT_THAT(plan().err, AllOf(HasSubstr("Board is reckoned 4.8 mm thick: 2 layers of grey board "
                                          "700 x 1000 come to 4.8 mm."),
                                HasSubstr("Paste layers together edge to edge")));
  EXPECT_EQ(nlohmann::json::parse(plan().out)["parts"][0]["qty"], 4);
  const Finished none = cli({"plan", kSource + "/demo/tide-ledger.json", "--as", "cut"});
  EXPECT_EQ(none.code, 2);
}

// Corners that cross on a small landscape book, also where it is cut together with another.
TEST(CliCut, aPlanWithAStopTellsWhy) {
  const test::TemporaryFolder folder;
  json job = json::parse(std::ifstream(kSource + "/demo/tide-ledger.json"));
  const auto plan = [&](const json& of) {
    return cli({"plan", folder.write("job.json", of.dump()), "--as", "cut", "--stock",
                kSource + "/demo/stock/shelf.json"});
  };
  EXPECT_EQ(plan(job).err, "");
  json small = job;
  small["title"] = "Gull";
  small["allowances"]["covering_style"] = "half";
  small["given"]["text_height"] = 48;
  small["given"]["text_width"] = 70;
  const Finished alone = plan(small);
  EXPECT_EQ(alone.code, 1);
  EXPECT_THAT(alone.err, HasSubstr("Gull, stop: At the fore-edge the corners take "));
  EXPECT_TRUE(std::holds_alternative<CutProblem>(readCutProblem(alone.out, "plan")));
  folder.write("gull.json", small.dump());
  job["cutting"]["with"] = {"gull.json"};
  const Finished both = plan(job);
  EXPECT_EQ(both.code, 1);
  EXPECT_THAT(both.err, HasSubstr("Gull, stop: "));
}

}  // namespace
}  // namespace drapery::test
