// The worked examples beside the rule files: a binder can add one without knowing C++.
#include <gtest/gtest.h>

#include <filesystem>
#include <sstream>

#include "core/plan/job_field.h"
#include "core/plan/job_inputs.h"
#include "core/quantity/parse_length.h"
#include "tests/support/books.h"
#include "tests/support/command.h"

namespace drapery::test {
namespace {

struct Expectation {
  std::string text;
  int line = 0;
};

struct Example {
  std::string name;
  Job job;
  std::vector<Expectation> expected;
};

void say(Example& example, const std::string& id, const std::string& value) {
  if (id == "method" || id == "units" || id == "round") {
    setField(example.job, id, Entry{value, {}});
    return;
  }
  const RuleSetPtr method = shippedMethod(example.job.method);
  const InputRule* rule = method->input(id);
  ASSERT_NE(rule, nullptr) << example.name << ": no input " << id;
  setField(example.job, fieldOf(*rule), entryOf(value));
}

std::vector<Example> readExamples(const std::string& file, const std::string& method) {
  std::vector<Example> all;
  std::istringstream in(readFile(file));
  std::string line;
  for (int number = 1; std::getline(in, line); ++number) {
    if (line.empty() || line[0] == '#') continue;
    if (line[0] == '[') {
      all.push_back({line.substr(1, line.size() - 2), {}, {}});
      all.back().job.id = "case";
      all.back().job.method = method;
    } else if (line.starts_with("=> ")) {
      all.back().expected.push_back({line.substr(3), number});
    } else {
      const auto equals = line.find(" = ");
      say(all.back(), line.substr(0, equals), line.substr(equals + 3));
    }
  }
  return all;
}

double figure(const std::string& text) {
  const auto parsed = parseLength(text, Units::Millimetres);
  EXPECT_TRUE(std::holds_alternative<Length>(parsed)) << text;
  return std::get<Length>(parsed).mm();
}

/// "board = 2 of 140 x 216"
void expectCut(const Plan& plan, const std::string& text) {
  const auto equals = text.find(" = "), of = text.find(" of "), by = text.find(" x ");
  const PlannedPart* part = plan.part(text.substr(0, equals));
  ASSERT_NE(part, nullptr) << text;
  EXPECT_EQ(std::to_string(part->count), text.substr(equals + 3, of - equals - 3)) << text;
  EXPECT_NEAR(part->cutWidth.mm(), figure(text.substr(of + 4, by - of - 4)), 1e-6) << text;
  EXPECT_NEAR(part->cutHeight.mm(), figure(text.substr(by + 3)), 1e-6) << text;
}

void expect(const Plan& plan, const std::string& text) {
  const auto after = [&](const char* prefix) { return text.substr(std::string(prefix).size()); };
  if (text.starts_with("finding ")) {
    EXPECT_TRUE(hasFinding(plan, after("finding ")));
  } else if (text.starts_with("no finding ")) {
    ASSERT_TRUE(std::any_of(plan.rules->findings.begin(), plan.rules->findings.end(),
                            [&](const auto& f) { return f.id == after("no finding "); }))
        << "no such finding";
    EXPECT_FALSE(hasFinding(plan, after("no finding ")));
  } else if (text.starts_with("no value ")) {
    ASSERT_TRUE(plan.rules->find(after("no value ")));
    EXPECT_FALSE(plan.number(after("no value ")).has_value());
  } else if (text.starts_with("tolerance ")) {
    const auto equals = text.find(" = ");
    EXPECT_NEAR(plan.tolerance(text.substr(10, equals - 10)), figure(text.substr(equals + 3)),
                0.0005);
  } else if (text.starts_with("no part ")) {
    ASSERT_TRUE(plan.rules->find(after("no part ") + ".width"));
    EXPECT_EQ(plan.part(after("no part ")), nullptr);
  } else if (text.starts_with("mark ") || text.starts_with("no mark ")) {
    const std::string id = text.substr(text.find("mark ") + 5);
    ASSERT_TRUE(std::any_of(plan.rules->marks.begin(), plan.rules->marks.end(),
                            [&](const MarkRule& rule) { return rule.id == id; }));
    const bool isThere = std::any_of(plan.marks.begin(), plan.marks.end(),
                                     [&](const PlannedMark& m) { return m.rule->id == id; });
    EXPECT_EQ(isThere, text.starts_with("mark "));
  } else if (text.starts_with("cut ")) {
    expectCut(plan, after("cut "));
  } else {
    const auto equals = text.find(" = ");
    EXPECT_NEAR(valueOf(plan, text.substr(0, equals)), figure(text.substr(equals + 3)), 0.001);
  }
}

class Cases : public ::testing::TestWithParam<std::string> {};

TEST_P(Cases, hold) {
  const std::string file = GetParam();
  const std::string method = std::filesystem::path(file).stem().string();
  const auto examples = readExamples(file, method);
  ASSERT_FALSE(examples.empty()) << file;
  for (const Example& example : examples) {
    const auto outcome = planOf(example.job);
    EXPECT_TRUE(outcome.issues.empty()) << example.name << ": " << outcome.issues.front().id;
    EXPECT_FALSE(example.expected.empty()) << example.name << " expects nothing";
    for (const Expectation& expected : example.expected) {
      SCOPED_TRACE(file + ":" + std::to_string(expected.line) + ": [" + example.name + "] " +
                   expected.text);
      expect(outcome.plan, expected.text);
    }
  }
}

std::vector<std::string> caseFiles() {
  std::vector<std::string> files;
  for (const auto& entry :
       std::filesystem::directory_iterator(std::string(DRAPERY_SOURCE_DIR) + "/methods"))
    if (entry.path().extension() == ".cases") files.push_back(entry.path().string());
  std::sort(files.begin(), files.end());
  return files;
}

INSTANTIATE_TEST_SUITE_P(Files, Cases, ::testing::ValuesIn(caseFiles()), [](const auto& each) {
  std::string name = std::filesystem::path(each.param).stem().string();
  std::replace(name.begin(), name.end(), '-', '_');
  return name;
});

}  // namespace
}  // namespace drapery::test
