// Structures that are no case, from a rule file each: planned, told and put on a slip like any
// other.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <filesystem>
#include <nlohmann/json.hpp>
#include <sstream>

#include "tests/support/command.h"

namespace drapery::test {
namespace {

using nlohmann::json;
using ::testing::AllOf;
using ::testing::HasSubstr;

class Structures : public ::testing::Test {
 protected:
  Finished cli(std::vector<std::string> arguments) const {
    arguments.insert(arguments.begin(),
                     {"env", "XDG_DATA_HOME=" + data_.path(), DRAPERY_BIN_DIR "/drapery-cli"});
    return run(arguments);
  }
  std::string job(const std::string& method, const std::string& given) const {
    return data_.write(
        method + ".json", R"({"schema": "drapery-job/1", "id": "x", "title": "Knot log",
      "method": ")" + method + R"(", "given": {)" +
                              given + "}}");
  }

  TemporaryFolder data_;
};

const char* const kNotebook =
    R"("text_height": 200, "text_width": 140, "text_thickness": 9, "board_thickness": 1.4)";

// Their sums were written down a second time, in Python, and give the same for random books of
// each; so do the conditions of what is found, and the places of holes.
TEST_F(Structures, comeToTheSameByASecondWriting) {
  const std::string script = std::string(DRAPERY_SOURCE_DIR) + "/tests/cli/second_structures.py";
  const std::string command = std::string(DRAPERY_BIN_DIR) + "/drapery-cli";
  for (const char* seed : {"1", "2", "3"}) {
    const Finished done =
        run({"env", "XDG_DATA_HOME=" + data_.path(), "python3", script, command, seed, "60"});
    EXPECT_EQ(done.code, 0) << done.out << done.err;
    EXPECT_THAT(done.out, HasSubstr("covered-board: 60 books"));
  }
}

// 8 x 10 in, the spine along 8, squares as they are usual: common practice.
TEST_F(Structures, aRowOfHolesIsASeries) {
  const std::string book = job("stab-plain", R"("text_height": 200, "text_width": "9 7/8 in",
    "text_thickness": 9, "board_thickness": 1.4)");
  const Finished done = cli({"plan", book});
  ASSERT_EQ(done.code, 0) << done.err;
  const json plan = json::parse(done.out);
  ASSERT_EQ(plan["series"].size(), 1U);
  const json& holes = plan["series"][0];
  EXPECT_EQ(holes["count"], 7);
  EXPECT_NEAR(holes["at"][0]["y"].get<double>() - holes["at"][1]["y"].get<double>(), 25.4, 0.01);
  EXPECT_NEAR(holes["at"][0]["y"].get<double>(), 203.2 - 25.4, 1e-9);  // the first is at the head
  EXPECT_NEAR(holes["at"][0]["x"].get<double>(), 25.4 - 6.35, 1e-9);   // and at the crease
  EXPECT_NEAR(holes["at"][1]["x"].get<double>(), 3.2, 1e-9);
  EXPECT_THAT(cli({"plan", book, "--format", "text"}).out,
              AllOf(HasSubstr("2 Board"), HasSubstr("7 holes 25.4"), HasSubstr("Hole 7:"),
                    HasSubstr("It never lies flat"), HasSubstr("(20 min)")));
  const std::string pdf = data_.path() + "/slip.pdf";
  ASSERT_EQ(cli({"export", book, "--what", "slip", "--as", "pdf", "-o", pdf}).code, 0);
  EXPECT_THAT(run({"pdftotext", "-layout", pdf, "-"}).out,
              AllOf(HasSubstr("Stab binding, plain"), HasSubstr("Leaves 200"), HasSubstr("Hole 3:"),
                    HasSubstr("an adult punches")));
}

// A house's own step, once for each hole.
TEST_F(Structures, aHouseMayStandOnOne) {
  std::filesystem::create_directories(data_.path() + "/drapery/methods");
  data_.write("drapery/methods/our-stab.toml", R"(schema = "drapery-method/1"
id = "our-stab"
base = "stab-plain"
title = "Our stab"
[[step]]
id = "each-hole"
each = "hole"
does = "Hole {i:1}: {hole.below_head} down."
hands = "2 min"
)");
  const json plan = json::parse(cli({"plan", job("our-stab", kNotebook)}).out);
  std::vector<std::string> holes;
  for (const json& step : plan["steps"])
    if (step["does"].get<std::string>().starts_with("Hole ")) holes.push_back(step["does"]);
  EXPECT_EQ(static_cast<int>(holes.size()), plan["series"][0]["count"].get<int>());
  EXPECT_EQ(holes.front(), "Hole 1: 25.4 mm down.");
  EXPECT_FALSE(plan["steps"].back().contains("wait"));
}

// 9 pictures on both faces: 6 panels, 5 folds, every second one the other way; of strips that
// three panels give, the second begins where the first one's third fold is.
TEST_F(Structures, panelsAndFoldsAreSeries) {
  const json plan = json::parse(
      cli({"plan", job("concertina", R"("page_height": 140, "page_width": 100, "pictures": 9,
        "board_thickness": 2)")})
          .out);
  const json& folds = plan["series"][0];
  ASSERT_EQ(folds["count"], 5);
  for (std::size_t i = 0; i < 5; ++i) EXPECT_EQ(folds["at"][i]["is_valley"], i % 2 == 0 ? 1 : 0);
  const json joined = json::parse(
      cli({"plan", job("concertina", R"("page_height": 140, "page_width": 100, "pictures": 9,
        "board_thickness": 2, "stock_length": 420)")})
          .out);
  EXPECT_EQ(joined["values"]["strips"]["value"], 2);
  EXPECT_EQ(joined["values"]["strips_alike"]["value"], 0);
  EXPECT_EQ(joined["series"][0]["count"], 3);
  EXPECT_EQ(joined["series"][1]["at"][0]["is_valley"], 0);
}

// Outside check, ezdxf: each hole of the plan is a closed line on CUT, at its place on the cover.
TEST_F(Structures, theirHolesAreOnTheirTemplates) {
  const std::string book = job("stab-plain", kNotebook);
  const std::string dxf = data_.path() + "/holes.dxf", pdf = data_.path() + "/holes.pdf";
  ASSERT_EQ(cli({"export", book, "--what", "templates", "--as", "dxf", "--only",
                 "piece/hole_template", "-o", dxf})
                .code,
            0);
  const std::string script = data_.write("read.py", R"(
import sys, ezdxf
for line in ezdxf.readfile(sys.argv[1]).modelspace().query('LWPOLYLINE[layer=="CUT"]'):
    points = [(p[0], p[1]) for p in line.get_points()]
    xs, ys = [p[0] for p in points], [p[1] for p in points]
    print(len(points), (min(xs) + max(xs)) / 2, (min(ys) + max(ys)) / 2, min(xs), min(ys))
)");
  const Finished read = run({"/usr/bin/python3", script, dxf});
  ASSERT_EQ(read.code, 0) << read.err;
  std::istringstream lines(read.out);
  std::vector<std::pair<double, double>> holes;
  double left = 0.0, bottom = 0.0;
  int points = 0;
  for (double x = 0, y = 0, least = 0, low = 0; lines >> points >> x >> y >> least >> low;) {
    if (points > 4) {
      holes.emplace_back(x, y);
    } else {
      left = least;
      bottom = low;
    }
  }
  const json plan = json::parse(cli({"plan", book}).out);
  const json& series = plan["series"][0]["at"];
  ASSERT_EQ(holes.size(), series.size());
  for (std::size_t i = 0; i < holes.size(); ++i) {
    EXPECT_NEAR(holes[i].first - left, series[i]["x"].get<double>(), 1e-6);
    EXPECT_NEAR(holes[i].second - bottom, series[i]["y"].get<double>(), 1e-6);
  }
  ASSERT_EQ(cli({"export", book, "--what", "templates", "--as", "pdf", "--only",
                 "piece/hole_template", "--only", "label/hole_template/1", "-o", pdf})
                .code,
            0);
  EXPECT_THAT(run({"pdftotext", pdf, "-"}).out,
              AllOf(HasSubstr("Hole template"), HasSubstr("head"), HasSubstr("1 of card")));
  EXPECT_EQ(cli({"export", book, "--what", "jacket", "--as", "pdf", "-o", pdf}).code, 2);
}

}  // namespace
}  // namespace drapery::test
