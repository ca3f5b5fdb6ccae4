// The plan of each demo book as it was: every value, piece, mark and finding. A change that is
// meant is taken over by `./dev golden`, and the difference read.
#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <nlohmann/json.hpp>

#include "tests/support/command.h"

namespace drapery::test {
namespace {

using Json = nlohmann::ordered_json;

/// To a millionth, so that another machine's last digit is no difference.
Json rounded(const Json& json) {
  if (json.is_number_float()) return std::round(json.get<double>() * 1e6) / 1e6 + 0.0;
  if (!json.is_structured()) return json;
  Json all = json.is_array() ? Json::array() : Json::object();
  for (const auto& [key, value] : json.items())
    if (json.is_array())
      all.push_back(rounded(value));
    else
      all[key] = rounded(value);
  return all;
}

/// Without the reasons, which stand in docs/methods.md: one figure to a value.
std::string golden(const std::string& plan) {
  Json json = rounded(Json::parse(plan));
  for (auto& [id, value] : json["values"].items()) value = Json(value["value"]);
  return json.dump(1) + "\n";
}

class Golden : public ::testing::TestWithParam<std::string> {};

TEST_P(Golden, planOfADemoBookIsWhatItWas) {
  const std::string name = GetParam();
  const std::string file = std::string(DRAPERY_SOURCE_DIR) + "/tests/golden/" + name + ".json";
  const Finished done = run({DRAPERY_BIN_DIR "/drapery-cli", "plan",
                             std::string(DRAPERY_SOURCE_DIR) + "/demo/" + name + ".json"});
  ASSERT_LE(done.code, 1) << done.err;
  const std::string now = golden(done.out);
  if (std::getenv("DRAPERY_RENEW_GOLDEN") != nullptr) std::ofstream(file) << now;
  std::istringstream was(readFile(file)), is(now);
  std::string before, after;
  for (int line = 1; std::getline(is, after); ++line) {
    std::getline(was, before);
    ASSERT_EQ(after, before) << file << ":" << line << " (./dev golden renews it)";
  }
  EXPECT_FALSE(std::getline(was, before)) << before;
}

std::vector<std::string> demoBooks() {
  std::vector<std::string> names;
  for (const auto& entry :
       std::filesystem::directory_iterator(std::string(DRAPERY_SOURCE_DIR) + "/demo"))
    if (entry.path().extension() == ".json") names.push_back(entry.path().stem().string());
  std::sort(names.begin(), names.end());
  return names;
}

/// Books whose jobs the first version wrote.
std::vector<std::string> formerBooks() {
  constexpr std::string_view kEnd = "-as-first-written.json";
  std::vector<std::string> names;
  for (const auto& entry :
       std::filesystem::directory_iterator(std::string(DRAPERY_SOURCE_DIR) + "/tests/former")) {
    const std::string file = entry.path().filename().string();
    if (file.ends_with(kEnd)) names.push_back(file.substr(0, file.size() - kEnd.size()));
  }
  std::sort(names.begin(), names.end());
  return names;
}

class Former : public ::testing::TestWithParam<std::string> {};

/// Jobs as the first version wrote them plan like those of today: `tests/former`.
TEST_P(Former, plansAsItDoesToday) {
  const std::string name = GetParam();
  const auto planned = [](const std::string& file) {
    const Finished done = run({DRAPERY_BIN_DIR "/drapery-cli", "plan", file});
    EXPECT_LE(done.code, 1) << done.err;
    return done.out;
  };
  const std::string root = DRAPERY_SOURCE_DIR;
  EXPECT_EQ(planned(root + "/tests/former/" + name + "-as-first-written.json"),
            planned(root + "/demo/" + name + ".json"));
}

INSTANTIATE_TEST_SUITE_P(Demo, Golden, ::testing::ValuesIn(demoBooks()), [](const auto& each) {
  std::string name = each.param;
  std::replace(name.begin(), name.end(), '-', '_');
  return name;
});
INSTANTIATE_TEST_SUITE_P(FirstWritten, Former, ::testing::ValuesIn(formerBooks()),
                         [](const auto& each) {
                           std::string name = each.param;
                           std::replace(name.begin(), name.end(), '-', '_');
                           return name;
                         });

}  // namespace
}  // namespace drapery::test
