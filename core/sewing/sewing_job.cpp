#include "core/sewing/sewing_job.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

namespace drapery {

namespace {

constexpr std::array<std::string_view, 15> kFound{
    "stretch_count", "wrap_count", "knot_passes",  "thread_ends",  "join_count",
    "stretch_once",  "wrap_once",  "hole_passes",  "start_passes", "others_passes",
    "across_least",  "end_least",  "crease_least", "apart_least",  "thread_off"};

void fill(Entries& entries, const std::string& name, double value) {
  if (!std::isnan(value)) entries.try_emplace(name, Entry{value, {}});
}

const std::string* wordFor(const std::vector<WordWhere>& words, const Plan& plan) {
  for (const WordWhere& each : words)
    if (each.when.formula.holds(plan.table())) return &each.word;
  return nullptr;
}

}  // namespace

std::set<std::string> bookValuesFor(const SewingJob& job, const Plan& plan, const RuleSet& rules,
                                    const std::string& name) {
  const SewingRule& mapped = plan.rules->sewing;
  const InputRule* input = rules.input(name);
  if (input == nullptr) return {};
  std::set<std::string> values;
  const auto take = [&](const auto& list) {
    for (const auto& [key, formula] : list)
      if (key == name)
        formula.formula.eachName([&](auto, std::string_view word) {
          values.emplace(word.substr(0, word.find('.')));  // "hole_diameter.said"
        });
  };
  if (mapped.kind == nameOf(job.kind)) {
    take(input->role == InputRole::Given ? mapped.given : mapped.allowances);
    if (job.kind == SewingKind::Stab && rules.id == patternFor(plan)) take(mapped.holes);
  }
  if (values.empty() && input->role == InputRole::Given && plan.rules->find(name))
    values.insert(name);
  return values;
}

bool isFoundBySewing(std::string_view name) {
  return std::find(kFound.begin(), kFound.end(), name) != kFound.end();
}

SewingJob sewingOf(const JobSewing& said, const Job& job) {
  SewingJob sewing;
  sewing.title = job.title;
  sewing.units = job.units;
  sewing.round = job.round;
  sewing.kind = sewingKind(said.kind);
  if (!said.pattern.empty()) sewing.pattern = said.pattern;
  sewing.given = said.given;
  sewing.allowances = said.allowances;
  if (said.start) sewing.start = static_cast<std::size_t>(*said.start - 1);
  sewing.finish = said.finish == "glued"      ? Finish::Glued
                  : said.finish == "ornament" ? Finish::Ornament
                                              : Finish::Buried;
  sewing.hand = said.hand == "left" ? Hand::Left : Hand::Right;
  return sewing;
}

JobSewing byPattern(JobSewing said, const RuleSet& pattern) {
  said.kind = nameOf(SewingKind::Stab);
  said.pattern = pattern.id;
  said.start.reset();
  for (Entries* entries : {&said.given, &said.allowances})
    std::erase_if(*entries,
                  [&](const auto& entry) { return pattern.input(entry.first) == nullptr; });
  return said;
}

Job planningJob(const SewingJob& said, const RuleSet& rules) {
  Job job;
  job.method = rules.id;
  job.title = said.title;
  job.units = said.units;
  job.round = said.round;
  job.given = said.given;
  job.allowances = said.allowances;
  return job;
}

std::string patternFor(const Plan& plan) {
  const std::string* word = wordFor(plan.rules->sewing.pattern, plan);
  return word != nullptr ? *word : std::string();
}

void fillFromPlan(SewingJob& job, const Plan& plan, const RuleSet& rules) {
  const SewingRule& mapped = plan.rules->sewing;
  const bool isSameKind = mapped.kind == nameOf(job.kind);
  if (isSameKind)
    for (const auto& [name, formula] : mapped.given)
      if (rules.input(name) != nullptr)
        fill(job.given, name, formula.formula.evaluate(plan.table()));
  for (const InputRule& input : rules.inputs)
    if (input.role == InputRole::Given && !isFoundBySewing(input.id))
      fill(job.given, input.id,
           plan.number(input.id).value_or(std::numeric_limits<double>::quiet_NaN()));
  if (!isSameKind) return;
  for (const auto& [name, formula] : mapped.allowances)
    if (rules.input(name) != nullptr)
      fill(job.allowances, name, formula.formula.evaluate(plan.table()));
  // Rows and their distances are those of the pattern that the rules name, and of no other.
  if (job.kind != SewingKind::Stab || rules.id != patternFor(plan)) return;
  for (const auto& [name, formula] : mapped.holes)
    if (rules.input(name) != nullptr)
      fill(job.allowances, name, formula.formula.evaluate(plan.table()));
  for (const auto& [name, words] : mapped.choices)
    if (const std::string* word = wordFor(words, plan);
        word != nullptr && rules.input(name) != nullptr)
      job.allowances.try_emplace(name, Entry{*word, {}});
}

}  // namespace drapery
