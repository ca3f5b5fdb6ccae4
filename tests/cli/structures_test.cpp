// Two structures that are no case, from a rule file each and nothing else: planned, told and put on
// a slip like any other.
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
  Structures() {
    std::filesystem::create_directories(data_.path() + "/drapery/methods");
    for (const char* id : {"stab-plain", "concertina"})
      data_.write("drapery/methods/" + std::string(id) + ".toml",
                  projectFile("tests/structures/" + std::string(id) + ".toml"));
  }
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

// 8 x 10 in, the spine along 8: 7 holes an inch apart, ends an inch in. Common practice.
TEST_F(Structures, aRowOfHolesIsASeries) {
  const std::string book = job("stab-plain", R"("text_height": "7 7/8 in", "text_width": "9 7/8 in",
    "text_thickness": 9)");
  const Finished done = cli({"plan", book});
  ASSERT_EQ(done.code, 0) << done.err;
  const json plan = json::parse(done.out);
  ASSERT_EQ(plan["series"].size(), 1U);
  const json& holes = plan["series"][0];
  EXPECT_EQ(holes["count"], 7);
  EXPECT_NEAR(holes["at"][1]["y"].get<double>() - holes["at"][0]["y"].get<double>(), 25.4, 0.01);
  EXPECT_NEAR(holes["at"][6]["y"].get<double>(), 203.2 - 25.4, 0.03);
  const json& cover = plan["parts"][0];
  EXPECT_EQ(cover["outline"].size(), 4U);
  EXPECT_EQ(cover["places"][0]["mirrored"], false);
  EXPECT_EQ(cover["places"][1]["mirrored"], true);
  EXPECT_THAT(cli({"plan", book, "--format", "text"}).out,
              AllOf(HasSubstr("2 Cover"), HasSubstr("7 holes 25.4"), HasSubstr("Hole 7:"),
                    HasSubstr("It can never lie flat")));
  // One step for all, one for each hole, and none that only a fat book needs.
  ASSERT_EQ(plan["steps"].size(), 8U);
  EXPECT_EQ(plan["steps"][0]["hands"], 10);
  EXPECT_THAT(plan["steps"][7]["does"].get<std::string>(), HasSubstr("Hole 7:"));
  EXPECT_FALSE(plan["steps"][7].contains("wait"));
  const std::string fat = job("stab-plain", R"("text_height": 200, "text_width": 250,
    "text_thickness": 30)");
  EXPECT_EQ(json::parse(cli({"plan", fat}).out)["steps"].back()["wait"], 720);
  EXPECT_THAT(cli({"plan", fat, "--format", "text"}).out,
              HasSubstr("press. (15 min; then leave for 12 h)"));
  const std::string pdf = data_.path() + "/slip.pdf";
  ASSERT_EQ(cli({"export", book, "--what", "slip", "--as", "pdf", "-o", pdf}).code, 0);
  EXPECT_THAT(run({"pdftotext", "-layout", pdf, "-"}).out,
              AllOf(HasSubstr("Stab sewing, plain"), HasSubstr("Leaves 200"), HasSubstr("Hole 3:"),
                    HasSubstr("an adult drills")));
}

// 9 pictures on both faces: 6 panels, 5 folds, every second one the other way.
TEST_F(Structures, panelsAndFoldsAreSeries) {
  const Finished done =
      cli({"plan", job("concertina", R"("page_height": 140, "page_width": 100, "pictures": 9)")});
  ASSERT_EQ(done.code, 0) << done.err;
  const json plan = json::parse(done.out);
  EXPECT_EQ(plan["series"][0]["count"], 6);
  EXPECT_EQ(plan["values"]["strip_length"]["value"], 600);
  const json& folds = plan["series"][1];
  ASSERT_EQ(folds["count"], 5);
  for (std::size_t i = 0; i < 5; ++i) EXPECT_EQ(folds["at"][i]["is_valley"], i % 2 == 0 ? 1 : 0);
  EXPECT_EQ(plan["marks"].size(), 5U);
}

TEST_F(Structures, areSound) {
  for (const char* id : {"stab-plain", "concertina"}) {
    const Finished done = cli(
        {"check-method", std::string(DRAPERY_SOURCE_DIR) + "/tests/structures/" + id + ".toml"});
    EXPECT_EQ(done.code, 0) << done.err;
  }
}

// Outside check, ezdxf: each hole of the plan is a closed line on CUT, at its place on the cover.
TEST_F(Structures, theirHolesAreOnTheirTemplates) {
  const std::string book = job("stab-plain", R"("text_height": 200, "text_width": 140,
    "text_thickness": 9)");
  const std::string dxf = data_.path() + "/holes.dxf", pdf = data_.path() + "/holes.pdf";
  ASSERT_EQ(cli({"export", book, "--what", "templates", "--as", "dxf", "--only", "piece/cover",
                 "-o", dxf})
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
  ASSERT_EQ(cli({"export", book, "--what", "templates", "--as", "pdf", "--only", "piece/cover",
                 "--only", "label/cover/1", "-o", pdf})
                .code,
            0);
  EXPECT_THAT(run({"pdftotext", pdf, "-"}).out,
              AllOf(HasSubstr("Cover"), HasSubstr("head"), HasSubstr("2 of card")));
  EXPECT_EQ(cli({"export", book, "--what", "jacket", "--as", "pdf", "-o", pdf}).code, 2);
}

}  // namespace
}  // namespace drapery::test
