// drapery-cli sew, patterns and check-pattern: the whole way from a job to the knot.
#include <fmt/format.h>
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <cmath>
#include <filesystem>
#include <nlohmann/json.hpp>

#include "tests/support/command.h"

namespace drapery::test {
namespace {

using nlohmann::json;
using ::testing::AllOf;
using ::testing::HasSubstr;
using ::testing::Not;

class SewCommand : public ::testing::Test {
 protected:
  Finished cli(std::vector<std::string> arguments) const {
    arguments.insert(arguments.begin(),
                     {"env", "XDG_DATA_HOME=" + data_.path(), DRAPERY_BIN_DIR "/drapery-cli"});
    return run(arguments);
  }
  std::string job(const std::string& sewing) const {
    return data_.write("job.json", R"({"schema": "drapery-job/1", "title": "Hive diary",
      "sewing": {)" + sewing + "}}");
  }
  json sewn(const std::string& sewing, std::vector<std::string> more = {}) const {
    more.insert(more.begin(), {"sew", job(sewing)});
    const Finished done = cli(more);
    EXPECT_NE(done.code, 2) << done.err;
    return json::parse(done.out);
  }
  std::string refused(const std::string& sewing) const {
    const Finished done = cli({"sew", job(sewing)});
    EXPECT_EQ(done.code, 2) << done.out;
    EXPECT_TRUE(done.out.empty());
    return done.err;
  }
  std::vector<std::string> findings(const json& plan) const {
    std::vector<std::string> ids;
    for (const json& finding : plan["findings"]) ids.push_back(finding["id"]);
    return ids;
  }

  TemporaryFolder data_;
};

const std::string kDiary =
    R"("kind": "stab", "pattern": "zigzag", "given": {"spine_length": 180, "strip_width": 22,
    "text_thickness": 9, "cover_thickness": 1.9})";
const std::string kDiaryHoles =
    kDiary + R"(, "allowances": {"count": 11, "end": 10, "near": 6, "crease_distance": 7})";

/// "6+ 5- spine"
std::string pathOf(const json& plan) {
  std::string path;
  for (const json& step : plan["path"]) {
    if (step["do"] == "stretch") continue;
    path += path.empty() ? "" : " ";
    if (step["do"] == "pass")
      path += std::to_string(step["hole"].get<int>()) + (step["to"] == "front" ? "+" : "-");
    else
      path += step["do"] == "wrap" ? step["round"].get<std::string>().substr(0, 1)
                                   : step["do"].get<std::string>();
  }
  return path;
}

// Worked by hand: 10 stretches of 18.3576 on either face, 15 wraps, 36 passes of 12.35.
TEST_F(SewCommand, sewsTheHiveDiary) {
  const json plan = sewn(kDiaryHoles + R"(, "start": 6)");
  EXPECT_EQ(plan["schema"], "drapery-sewing/1");
  const auto value = [&](const char* id) { return plan["values"][id]["value"].get<double>(); };
  EXPECT_NEAR(value("sewn_thickness"), 12.35, 1e-9);
  EXPECT_EQ(value("passes"), 36);
  EXPECT_EQ(value("most_passes"), 4);
  EXPECT_NEAR(value("stretch_length"), 367.15, 0.005);
  EXPECT_NEAR(value("wrap_length"), 551.25, 0.005);
  EXPECT_NEAR(value("pass_length"), 444.60, 0.005);
  EXPECT_NEAR(value("thread_path"), 1363.00, 0.005);
  EXPECT_NEAR(value("thread_needed"), 1670.26, 0.005);
  EXPECT_NEAR(value("thread_rule"), 2275, 1e-9);
  EXPECT_NEAR(value("hole_for_threads"), 1.931, 0.0005);
  EXPECT_NEAR(value("hole_for_needle"), 2.536, 0.0005);
  EXPECT_EQ(plan["turns"], json::parse(R"({"value": 2, "bound": 2, "proven": true})"));
  EXPECT_EQ(pathOf(plan),
            "6+ 5- s 5- 4+ s 4+ 3- s 3- 2+ s 2+ h 2+ 1- s 1- h 1- 2+ 3- 4+ 5- 6+ 7- s 7- 8+ s 8+ "
            "9- s 9- 10+ s 10+ t 10+ 11- s 11- t 11- 10+ 9- 8+ 7- 6+ s knot 6+");
  ASSERT_EQ(plan["pieces"].size(), 1U);
  EXPECT_EQ(plan["pieces"][0]["to"], 72);
  EXPECT_NEAR(plan["pieces"][0]["length"].get<double>(), value("thread_needed"), 1e-6);
  EXPECT_EQ(plan["ties"][0], json::parse(R"({"hole": 6, "off_before": 1})"));
  EXPECT_THAT(
      cli({"sew", job(kDiaryHoles + R"(, "start": 6)"), "--format", "text"}).out,
      HasSubstr("Tie the stack at holes 1, 6, 11; each tie comes off before its hole's first"));
  EXPECT_EQ(plan["path"].back()["hides"], true);
  for (const json& step : plan["path"]) {
    const std::string says = step["says"];
    EXPECT_TRUE(says.size() >= 3 && says.size() <= 240) << says;
    if (step["do"] == "pass" || step["do"] == "wrap") {
      EXPECT_THAT(says, HasSubstr(std::to_string(step["hole"].get<int>())));
    }
  }
  // The last piece of the rule of thumb: it runs short from T = 24.0.
  EXPECT_THAT(findings(plan), Not(::testing::Contains("rule-short")));
  std::string thick = kDiaryHoles;
  thick.replace(thick.find("\"text_thickness\": 9"), 19, "\"text_thickness\": 21.3");
  EXPECT_THAT(findings(sewn(thick)), ::testing::Contains("rule-short"));
  thick.replace(thick.find("21.3"), 4, "21.2");
  EXPECT_THAT(findings(sewn(thick)), Not(::testing::Contains("rule-short")));
  EXPECT_THAT(cli({"sew", job(kDiaryHoles), "--format", "text", "--units", "in"}).out,
              AllOf(HasSubstr("On the front to hole 5, and through it to the back."),
                    HasSubstr("draw the knot in")));
  const double needed = value("thread_needed");
  EXPECT_THAT(cli({"sew", job(kDiaryHoles), "--format", "text"}).out,
              HasSubstr(fmt::format("Thread: {:.0f} mm;", std::ceil(needed / 5.0) * 5.0)));
}

// Holes, thread and least holes were written down a second time, in Python, which follows each way
// from its first pass to the knot as well; random books of the three kinds.
TEST_F(SewCommand, comesToTheSameByASecondWriting) {
  const std::string script = std::string(DRAPERY_SOURCE_DIR) + "/tests/cli/second_sewing.py";
  const std::string command = std::string(DRAPERY_BIN_DIR) + "/drapery-cli";
  const Finished done =
      run({"env", "XDG_DATA_HOME=" + data_.path(), "python3", script, command, "1", "60"});
  EXPECT_EQ(done.code, 0) << done.out << done.err;
  EXPECT_THAT(done.out, HasSubstr("tapes: 60 books sewn"));
}

// Passes by the pattern: holes m in the row, the knot's counted.
TEST_F(SewCommand, passesFollowThePattern) {
  for (const int m : {4, 5, 7})
    for (const auto& [pattern, passes] :
         std::vector<std::pair<std::string, int>>{{"row", 3 * m + 1},
                                                  {"row-corner", 3 * m + 9},
                                                  {"zigzag", 3 * m + 3},
                                                  {"half-hexagon", 9 * m + 3},
                                                  {"leaf", 16 * m - 4}}) {
      if (pattern == "zigzag" && m == 4) continue;  // five at the least
      const json plan = sewn(fmt::format(
          R"("kind": "stab", "pattern": "{}", "given": {{"spine_length": {}, "strip_width": 30,
          "text_thickness": 9, "cover_thickness": 1.9}}, "allowances": {{"count": {}}})",
          pattern, 60 * m, m));
      EXPECT_EQ(plan["values"]["passes"]["value"], passes) << pattern << " " << m;
      EXPECT_EQ(plan["turns"]["proven"], true) << pattern;
    }
  const json four = sewn(R"("kind": "stab", "pattern": "row-four", "given": {"spine_length": 90,
      "strip_width": 20, "text_thickness": 4, "cover_thickness": 0.4})");
  EXPECT_EQ(four["holes"].size(), 4U);
}

TEST_F(SewCommand, judgesALearner) {
  const json sound = sewn(kDiaryHoles, {"--tried", "6+ 5- spine 5-"})["tried"];
  EXPECT_TRUE(sound["slip"].is_null());
  EXPECT_EQ(sound["stands"], json::parse(R"([5, "back"])"));
  EXPECT_EQ(sound["next"], json::parse(R"(["4+"])"));
  EXPECT_EQ(cli({"sew", job(kDiaryHoles), "--tried", "6+ 5- spine 5-"}).code, 0);
  const json slip = sewn(kDiaryHoles, {"--tried", "6+ 4- s 4- 3+"})["tried"];
  EXPECT_EQ(slip["slip"]["kind"], "hole-skipped");
  EXPECT_EQ(slip["slip"]["at"], 2);
  EXPECT_EQ(slip["slip"]["hole"], 5);
  EXPECT_EQ(slip["sound"], 1);
  EXPECT_EQ(slip["passes"], 4);
  EXPECT_EQ(slip["unpick"], 3);
  EXPECT_EQ(slip["next"], json::parse(R"(["5-", "7-", "spine"])"));
  EXPECT_THAT(slip["slip"]["do"].get<std::string>(), HasSubstr("Draw out of 3 holes: 3, 4, 4."));
  EXPECT_EQ(cli({"sew", job(kDiaryHoles), "--tried", "6+ 4-"}).code, 1);
  const Finished wrong = cli({"sew", job(kDiaryHoles), "--tried", "6+ 5x knott 12-"});
  EXPECT_EQ(wrong.code, 2);
  EXPECT_THAT(wrong.err, AllOf(HasSubstr("\"5x\" is no step"), HasSubstr("did you mean knot?"),
                               HasSubstr("hole 12: this pattern has 11")));
}

struct Stitched {
  const char* finding;
  std::string sewing;
};

// Each finding is brought up by some book; a stop makes the command's code 1.
TEST_F(SewCommand, findsWhatIsWrong) {
  const auto stab = [](const char* pattern, const char* allowances) {
    return fmt::format(R"("kind": "stab", "pattern": "{}", "given": {{"spine_length": 180,
      "strip_width": 22, "text_thickness": 9, "cover_thickness": 1.9}}, "allowances": {{{}}})",
                       pattern, allowances);
  };
  const auto link = [](const char* more) {
    return fmt::format(R"("kind": "link", "given": {{"sections": 6, "folios": 4, "caliper": 0.1,
      "leaf_height": 140, "card_thickness": 0.4, {}}})",
                       more);
  };
  const std::string tapes = R"("kind": "tapes", "given": {"sections": 5, "folios": 4,
      "caliper": 0.1, "leaf_height": 100, "tapes": 6, "tape_width": 12})";
  const std::vector<Stitched> all{
      {"hole-full", stab("zigzag", R"("hole_said": 2)")},
      {"hole-outside", stab("zigzag", R"("near": 1)")},
      {"hole-over-crease", stab("zigzag", R"("crease_distance": 1)")},
      {"holes-run-together", stab("row", R"("count": 80)")},
      {"thread-over-hole", stab("zigzag", R"("count": 150)")},
      {"hole-near-edge", stab("zigzag", R"("near": 3)")},
      {"hole-near-crease", stab("zigzag", R"("crease_distance": 3)")},
      {"holes-close", stab("row", R"("count": 40)")},
      {"ends-on-two-rows", stab("zigzag", R"("count": 8)")},
      {"thread-in-pieces", stab("zigzag", R"("thread_longest": 900)")},
      {"start-hole-fullest", stab("row", R"("count": 5)")},
      {"rule-long", stab("row-four", "")},
      {"never-flat", stab("row", "")},
      {"rebind", stab("row", "")},
      {"layers", stab("row", "")},
      {"awl-care", stab("row", "")},
      {"slot-gone", link(R"("slot_head": 70, "slot_tail": 70)")},
      {"spine-narrow", link(R"("slot_head": 30, "slot_tail": 30, "spine_width": 3)")},
      {"thread-past-arm", link(R"("slot_head": 60, "slot_tail": 60)")},
      {"tapes-touch", tapes},
      {"tape-on-kettle", R"("kind": "tapes", "given": {"sections": 5, "folios": 4, "caliper": 0.1,
          "leaf_height": 200, "tapes": 3, "tape_width": 12, "tape_from_end": 14})"}};
  for (const Stitched& each : all) {
    const Finished done = cli({"sew", job(each.sewing)});
    ASSERT_NE(done.code, 2) << each.finding << done.err;
    const json plan = json::parse(done.out);
    EXPECT_THAT(findings(plan), ::testing::Contains(each.finding));
    bool isStop = false;
    for (const json& finding : plan["findings"]) {
      isStop = isStop || finding["severity"] == "stop";
      for (const char* words : {"says", "do"}) {
        EXPECT_THAT(finding[words].get<std::string>(), Not(HasSubstr("–")));
        EXPECT_THAT(finding[words].get<std::string>(), Not(HasSubstr(" -")));
      }
    }
    EXPECT_EQ(done.code, isStop ? 1 : 0) << each.finding;
  }
  const json calm = sewn(kDiaryHoles);
  for (const json& finding : calm["findings"]) EXPECT_EQ(finding["severity"], "note");
}

// A star: eleven stretches meet in one hole.
TEST_F(SewCommand, aHoleMayBeTooFull) {
  const std::string star = data_.write("star.toml", R"(schema = "drapery-pattern/1"
id = "star"
title = "Star"
[[hole]]
id = "middle"
along = "spine_length / 2"
across = "strip_width / 2"
[[hole]]
id = "round"
for = ["1", "11"]
along = "spine_length * k / 12"
across = "strip_width / 2 + (k - 6) * (k - 6) / 5 - 1"
spine = false
[[stretch]]
for = ["1", "11"]
from = "middle"
to = "round[k]"
)");
  const Finished done = cli({"sew", job(kDiary), "--pattern", star});
  ASSERT_EQ(done.code, 1) << done.err;
  const json plan = json::parse(done.out);
  EXPECT_THAT(findings(plan), ::testing::Contains("hole-crowded"));
  EXPECT_FALSE(plan["values"].contains("hole_diameter"));
}

TEST_F(SewCommand, tellsEveryMistakeAtOnce) {
  EXPECT_THAT(refused(R"("kind": "stab", "pattern": "zigzag", "given": {"spine_length": 30,
        "strip_width": 22, "text_thicknes": 9, "cover_thickness": 1.9}, "start": 3,
        "finish": "buired", "hand": "lefty")"),
              AllOf(HasSubstr("sewing.finish: \"buired\" is not allowed; did you mean buried?"),
                    HasSubstr("sewing.hand: \"lefty\"")));
  EXPECT_THAT(
      refused(R"("kind": "stab", "given": {"spine_length": 30, "strip_width": 22,
        "text_thicknes": 9, "cover_thickness": 1.9}, "allowances": {"passes": 3})"),
      AllOf(HasSubstr("job.json:2:60: spine_length: 30 is not allowed; from 40 mm to 1200 mm"),
            HasSubstr("\"text_thicknes\" is not known"), HasSubstr("text_thickness"),
            HasSubstr("\"passes\" is not known in allowances")));
  EXPECT_THAT(refused(R"("kind": "stabb")"), HasSubstr("did you mean stab?"));
  EXPECT_THAT(refused(kDiary + R"(, "pattern2": 1)"), HasSubstr("did you mean \"pattern\"?"));
  EXPECT_THAT(refused(R"("kind": "stab", "pattern": "zigzagg", "given": {})"),
              HasSubstr("did you mean zigzag?"));
  EXPECT_THAT(refused(kDiary + R"(, "start": 14, "allowances": {"count": 11})"),
              HasSubstr("hole 14: this pattern has 11"));
  EXPECT_THAT(refused(kDiary + R"(, "allowances": {"end": 90})"),
              HasSubstr("end: twice 90 mm is not allowed; less than the spine, 180 mm, is needed"));
  EXPECT_THAT(refused(kDiary + R"(, "allowances": {"count": 3})"),
              HasSubstr("count: 3 is not allowed; at least 5"));
  EXPECT_THAT(refused(R"("kind": "link", "start": 3, "given": {})"),
              HasSubstr("start can be said of stab sewing only"));
  EXPECT_THAT(refused(kDiary + R"(, "given2": {"stretch_count": 3})"), HasSubstr("given2"));
  const Finished none = cli({"sew", data_.write("none.json", R"({"schema": "drapery-job/1"})")});
  EXPECT_EQ(none.code, 2);
  EXPECT_THAT(none.err,
              HasSubstr("sewing is missing; it says what is sewn, and how: its kind is one of"));
  EXPECT_THAT(cli({"sew", std::string(DRAPERY_SOURCE_DIR) + "/demo/seed-list.json"}).err,
              HasSubstr("a book by \"paperback-wrapper\" tells of no sewing"));
  EXPECT_THAT(refused(R"("kind": "link", "given": {"knot": 15})"),
              HasSubstr("\"knot\" is not known in given; it belongs in allowances"));
  // An ornament goes round the spine, at a hole that is wrapped there.
  const std::string bare = data_.write("bare.toml", R"(schema = "drapery-pattern/1"
id = "bare"
base = "row"
title = "Bare"
[[hole]]
id = "main"
spine = false
)");
  const Finished ornament =
      cli({"sew", job(kDiary + R"(, "finish": "ornament")"), "--pattern", bare});
  EXPECT_THAT(ornament.err, HasSubstr("wrapped round the spine, and hole 3 is not"))
      << ornament.out;
  const Finished plain = cli({"sew", job(kDiary), "--pattern", bare});
  EXPECT_EQ(plain.code, 0) << plain.err;
}

TEST_F(SewCommand, checksPatterns) {
  for (const auto& entry :
       std::filesystem::directory_iterator(std::string(DRAPERY_SOURCE_DIR) + "/patterns")) {
    const Finished done = cli({"check-pattern", entry.path().string()});
    EXPECT_EQ(done.code, 0) << done.err;
    EXPECT_THAT(done.out, HasSubstr("sound"));
  }
  const auto wrong = [&](const std::string& text) {
    const Finished done = cli({"check-pattern", data_.write("wrong.toml",
                                                            "schema = \"drapery-pattern/1\"\n"
                                                            "id = \"wrong\"\ntitle = \"Wrong\"\n" +
                                                                text)});
    EXPECT_EQ(done.code, 2) << done.out;
    return done.err;
  };
  const std::string row =
      "[[hole]]\nid = \"inner\"\nfor = [\"1\", \"5\"]\nalong = \"20 * k\"\n"
      "across = \"8\"\n";
  const std::string joined =
      "[[stretch]]\nfor = [\"1\", \"4\"]\nfrom = \"inner[k]\"\n"
      "to = \"inner[k + 1]\"\n";
  EXPECT_THAT(
      wrong(row + "[[stretch]]\nfor = [\"1\", \"5\"]\nfrom = \"inner[k]\"\n"
                  "to = \"inner[k + 1]\"\n"),
      AllOf(HasSubstr("wrong.toml:12:"), HasSubstr("6 is none of the row; k runs from 1 to 5")));
  EXPECT_THAT(wrong(row + joined + "[[stretch]]\nfrom = \"inner[2]\"\nto = \"inner[2]\"\n"),
              HasSubstr("leads from inner[2] to itself"));
  EXPECT_THAT(wrong(row + joined + "[[stretch]]\nfrom = \"inner[3]\"\nto = \"inner[2]\"\n"),
              HasSubstr("is there twice"));
  EXPECT_THAT(wrong(row + joined + "[[wrap]]\nhole = \"inner[2]\"\nround = \"spine\"\n"),
              HasSubstr("wrapped round the spine twice"));
  EXPECT_THAT(wrong(row), HasSubstr("in parts: holes 1, 2, 3, 4 and 5 are not joined"));
  EXPECT_THAT(wrong(row + "[[stretch]]\nfrom = \"iner[1]\"\nto = \"inner[2]\"\n"),
              HasSubstr("did you mean inner?"));
  EXPECT_THAT(wrong(row + "[[stretch]]\nfrom = \"inner\"\nto = \"inner[2]\"\n"),
              HasSubstr("must be written as inner[k]"));
  EXPECT_THAT(wrong("[[hole]]\nid = \"a\"\nalong = \"-3\"\nacross = \"8\"\n"),
              HasSubstr("a: -3 mm is no place for a hole"));
  EXPECT_THAT(wrong("[[hole]]\nid = \"a\"\nalong = \"1 / 0\"\nacross = \"8\"\n"),
              HasSubstr("a is no place for a hole; a number from 0 is needed"));
  EXPECT_THAT(wrong("[[hole]]\nid = \"a\"\nalong = \"8 + spine_lenght\"\nacross = \"8\"\n"),
              HasSubstr("spine_length"));
  EXPECT_THAT(wrong("[[hole]]\nid = \"a\"\nalong = \"sine(8)\"\nacross = \"8\"\n"),
              HasSubstr("sine"));
  EXPECT_THAT(wrong("[[derive]]\nid = \"a\"\nformula = \"b\"\nbecause = \"x\"\n[[derive]]\n"
                    "id = \"b\"\nformula = \"a\"\nbecause = \"x\"\n" +
                    row + joined),
              HasSubstr("in a circle"));
  EXPECT_THAT(wrong("[[hole]]\nid = \"a\"\nfor = [\"1\", \"2\"]\nalong = \"8 + k / 1000\"\n"
                    "across = \"8\"\n"),
              HasSubstr("apart; at least 0.01"));
  EXPECT_THAT(wrong("[[hole]]\nid = \"a\"\nfor = [\"1\", \"401\"]\nalong = \"k / 3\"\n"
                    "across = \"8\"\n"),
              HasSubstr("401 is not allowed in for"));
  EXPECT_THAT(wrong("[[hole]]\nid = \"a\"\nfor = [\"1\", \"399\"]\nalong = \"k / 3\"\n"
                    "across = \"8\"\n[[hole]]\nid = \"b\"\nfor = [\"1\", \"2\"]\n"
                    "along = \"k / 3\"\nacross = \"9\"\n"),
              HasSubstr("401 holes are too many; at most 400"));
  EXPECT_THAT(wrong("start = [\"iner\"]\n" + row + joined), HasSubstr("is no row of this pattern"));
  EXPECT_THAT(wrong("[[part]]\nid = \"x\"\n" + row + joined), HasSubstr("\"part\""));
}

// What a job's own plan has is what is sewn; its table [sewing] says under which names.
TEST_F(SewCommand, takesWhatThePlanHas) {
  const std::string book = data_.write("book.json", R"({"schema": "drapery-job/1",
    "title": "Hive diary", "method": "stab-boarded", "given": {"text_height": 182,
    "text_width": 131, "text_thickness": 12, "board_thickness": 2.2}})");
  const json plan = json::parse(cli({"plan", book}).out);
  const Finished done = cli({"sew", book});
  ASSERT_NE(done.code, 2) << done.err;
  const json sewn = json::parse(done.out);
  EXPECT_EQ(sewn["pattern"], "zigzag");
  const json& holes = plan["series"][0]["at"];
  ASSERT_EQ(sewn["holes"].size(), holes.size());
  for (std::size_t i = 0; i < holes.size(); ++i) {
    EXPECT_NEAR(sewn["holes"][i]["along"].get<double>(), holes[i]["below_head"].get<double>(),
                1e-9);
    EXPECT_NEAR(sewn["holes"][i]["across"].get<double>(), holes[i]["x"].get<double>(), 1e-9);
  }
  const std::string soft = data_.write("soft.json", R"({"schema": "drapery-job/1",
    "method": "soft-slotted", "given": {"text_height": 176, "text_width": 112,
    "sections_wanted": 5, "leaf_caliper": 0.12}})");
  const json link = json::parse(cli({"sew", soft}).out);
  EXPECT_EQ(link["kind"], "link");
  EXPECT_EQ(link["rows"][1]["order"], json::parse("[5, 4, 3, 2, 1]"));
  const std::string ledger = data_.write("ledger.json", R"({"schema": "drapery-job/1",
    "method": "spring-back", "given": {"text_height": 262, "text_width": 208, "text_thickness": 34,
    "spine_thickness": 36, "board_thickness": 2, "tape_count": 3, "sheets": 48,
    "leaf_caliper": 0.12}})");
  const Finished tapes = cli({"sew", ledger});
  ASSERT_EQ(tapes.code, 0) << tapes.err;
  EXPECT_EQ(json::parse(tapes.out)["strips"].size(), 4U);
}

// Six sections of four, 38 above the slot: 0.68 m a row, the arm's length that is usually taken.
TEST_F(SewCommand, linksSections) {
  const json plan = sewn(R"("kind": "link", "given": {"sections": 6, "folios": 4, "caliper": 0.1,
    "leaf_height": 140, "card_thickness": 0.4, "slot_head": 38, "slot_tail": 38})");
  EXPECT_NEAR(plan["values"]["thread_head"]["value"].get<double>(), 680, 5);
  EXPECT_EQ(plan["path"][7]["do"], "link");
  EXPECT_EQ(plan["path"][7]["under"], json::parse("[1, 2]"));
}

TEST_F(SewCommand, listsPatternsAHousesOwnAmongThem) {
  std::filesystem::create_directories(data_.path() + "/drapery/patterns");
  data_.write("drapery/patterns/our-row.toml", R"(schema = "drapery-pattern/1"
id = "our-row"
base = "row"
title = "Our row"
[[allowance]]
id = "pitch"
default = "30 mm"
)");
  const Finished done = cli({"patterns"});
  EXPECT_EQ(done.code, 0) << done.err;
  EXPECT_THAT(done.out,
              AllOf(HasSubstr("zigzag"), HasSubstr("half-hexagon"), HasSubstr("Our row")));
  const json ours = sewn(R"("kind": "stab", "pattern": "our-row", "given": {"spine_length": 200,
    "strip_width": 20, "text_thickness": 9, "cover_thickness": 1.9})");
  EXPECT_EQ(ours["holes"].size(), 7U);
}

// The thread to cut is the same on the slip, as text and as pages, as the sewing itself says.
TEST_F(SewCommand, standsOnTheSlipOfEachDemoBook) {
  for (const char* name : {"hive-book-stabbed", "ferry-accounts", "tide-pocket-book"}) {
    const std::string book = std::string(DRAPERY_SOURCE_DIR) + "/demo/" + name + ".json";
    const json plan = json::parse(cli({"sew", book}).out);
    const char* const key = plan["kind"] == "link" ? "thread_head" : "thread_needed";
    const double needed = plan["values"][key]["value"];
    const std::string thread = fmt::format("hread {:.0f} mm", std::ceil(needed / 5.0) * 5.0);
    EXPECT_THAT(cli({"plan", book, "--format", "text"}).out, HasSubstr(thread)) << name;
    const std::string pdf = data_.path() + "/" + name + ".pdf";
    ASSERT_NE(cli({"export", book, "--what", "slip", "--as", "pdf", "-o", pdf}).code, 2);
    EXPECT_THAT(run({"pdftotext", "-layout", pdf, "-"}).out, HasSubstr(thread)) << name;
  }
}

// A base leads to no other folder.
TEST_F(SewCommand, aPatternsBaseLiesBesideItOrInTheLibrary) {
  std::filesystem::create_directories(data_.path() + "/a");
  const std::string ground = R"(schema = "drapery-pattern/1"
id = "ground"
base = "row"
title = "Ground"
)";
  const auto ours = [&](const std::string& base) {
    return data_.write("a/ours.toml", "schema = \"drapery-pattern/1\"\nid = \"ours\"\nbase = \"" +
                                          base + "\"\ntitle = \"Ours\"\n");
  };
  data_.write("ground.toml", ground);
  data_.write("a/ground.toml", ground);
  EXPECT_EQ(cli({"check-pattern", ours("ground")}).code, 0);
  EXPECT_EQ(cli({"check-pattern", ours("../ground")}).code, 2);
  EXPECT_EQ(cli({"check-pattern", ours("row-four")}).code, 0);
}

}  // namespace
}  // namespace drapery::test
