#include "tests/support/books.h"

#include <gtest/gtest.h>

#include <cmath>
#include <map>
#include <regex>

namespace drapery::test {

namespace {

/// A tenth of a millimetre's grid keeps failing books readable.
rc::Gen<double> within(double least, double most) {
  return rc::gen::map(rc::gen::inRange(0, 100001),
                      [=](int part) { return least + (most - least) * part / 100000.0; });
}

/// Like a real book five times in six: a fifth of the range from its foot.
rc::Gen<double> likely(double least, double most) {
  return rc::gen::weightedOneOf<double>(
      {{5, within(least, least + (most - least) / 5)}, {1, within(least, most)}});
}

}  // namespace

const std::vector<std::string> kSchools{"case-sunk-joint", "case-fixed-gap", "case-strip-set",
                                        "case-board-gap", "case-card"};

const std::vector<std::string> kStructures{"stab-boarded",      "stab-plain",  "concertina",
                                           "paperback-wrapper", "spring-back", "soft-slotted",
                                           "covered-board"};

const std::vector<std::string> kMethods = [] {
  std::vector<std::string> all = kSchools;
  all.insert(all.end(), kStructures.begin(), kStructures.end());
  return all;
}();

Job plainJob(const std::string& method) {
  using Figures = std::vector<std::pair<const char*, double>>;
  static const std::map<std::string, Figures> kAsked{
      {"stab-boarded",
       {{"text_height", 182}, {"text_width", 131}, {"text_thickness", 12}, {"board_thickness", 2}}},
      {"stab-plain",
       {{"text_height", 165},
        {"text_width", 223},
        {"text_thickness", 10},
        {"board_thickness", 1.4}}},
      {"concertina",
       {{"page_height", 106}, {"page_width", 136}, {"pictures", 11}, {"board_thickness", 1.8}}},
      {"paperback-wrapper", {{"text_height", 186}, {"text_width", 124}, {"text_thickness", 12}}},
      {"spring-back",
       {{"text_height", 262},
        {"text_width", 208},
        {"text_thickness", 34},
        {"spine_thickness", 36},
        {"board_thickness", 2}}},
      {"soft-slotted", {{"text_height", 176}, {"text_width", 112}, {"spine_thickness", 9.6}}},
      {"covered-board", {{"cover_height", 214}, {"cover_width", 158}, {"board_thickness", 1.9}}}};
  static const Figures kCase{
      {"text_height", 210}, {"text_width", 144}, {"text_thickness", 25}, {"board_thickness", 2.4}};
  Job job;
  job.id = "2f9f6b6e-53a5-4a0e-9d6e-0d1b2c3a4e5f";
  job.title = "A plain book";
  job.method = method;
  const auto asked = kAsked.find(method);
  for (const auto& [id, figure] : asked != kAsked.end() ? asked->second : kCase)
    job.given[id] = {figure, {}};
  return job;
}

RuleSetPtr shippedMethod(const std::string& id) {
  static const RuleLibrary kLibrary;  // keeps what it has loaded, so that rules outlive the call
  const LoadedRules loaded = kLibrary.load(id);
  EXPECT_NE(loaded.rules, nullptr) << id;
  return loaded.rules;
}

RuleSetPtr rulesWithoutRanges(const std::string& id) {
  static const RuleLibrary kLibrary;
  static std::map<std::string, RuleSetPtr> loaded;
  if (RuleSetPtr& known = loaded[id]; known != nullptr) return known;
  const auto wide = [](std::string_view name) {
    static const std::regex kRange("\nrange = [^\n]*");
    const std::string text(kLibrary.source(name)->text.view());
    return TomlFile{std::string(name) + ".toml",
                    std::regex_replace(text, kRange, "\nrange = [-1000000000, 1000000000]")};
  };
  const LoadedRules rules = loadRules(wide(id), wide);
  EXPECT_NE(rules.rules, nullptr) << id;
  return loaded[id] = rules.rules;
}

rc::Gen<Job> anyJob(const std::string& method) {
  return rc::gen::exec([method] {
    Job job = plainJob(method);
    const RuleSetPtr rules = shippedMethod(method);
    for (const InputRule& rule : rules->inputs) {
      Entries& entries = rule.role == InputRole::Given ? job.given : job.allowances;
      const bool isNeeded = entries.count(rule.id) != 0;
      if (!isNeeded && *rc::gen::inRange(0, 3) != 0) continue;
      if (rule.kind == InputKind::Choice) {
        entries[rule.id] = {*rc::gen::elementOf(rule.options), {}};
      } else if (rule.kind == InputKind::Count) {
        const int least = static_cast<int>(rule.least);
        const int most = std::min(static_cast<int>(rule.most), least + 40);
        entries[rule.id] = {double(*rc::gen::inRange(least, most + 1)), {}};
      } else {
        entries[rule.id] = {*likely(rule.least, rule.most), {}};
      }
    }
    job.units = *rc::gen::element(Units::Millimetres, Units::Inches);
    return job;
  });
}

PlanOutcome planOf(const Job& job) { return Planner(shippedMethod(job.method)).plan(job); }

double valueOf(const Plan& plan, const std::string& name) {
  const auto value = plan.number(name);
  EXPECT_TRUE(value.has_value()) << name << " has no value";
  return value.value_or(std::nan(""));
}

bool hasFinding(const Plan& plan, const std::string& id) {
  for (const PlannedFinding& finding : plan.findings)
    if (finding.rule->id == id) return true;
  return false;
}

}  // namespace drapery::test
