#include "core/plan/job_inputs.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/diag/nearest_name.h"
#include "core/plan/job_field.h"
#include "core/quantity/format_length.h"
#include "core/quantity/parse_length.h"

namespace drapery {

namespace {

constexpr Length kFinestResolution = Length::fromMm(0.01);
constexpr Length kCoarsestResolution = Length::fromInches(1.0);
const double kNone = std::numeric_limits<double>::quiet_NaN();

IssueId faultId(LengthFault fault) {
  switch (fault) {
    case LengthFault::Empty:
      return "length-empty";
    case LengthFault::NotALength:
      return "length-not-one";
    case LengthFault::TooLong:
      return "length-too-long";
    case LengthFault::TwoUnits:
      return "length-two-units";
    case LengthFault::UnknownUnit:
      return "length-unknown-unit";
    case LengthFault::Exponent:
      return "length-exponent";
    case LengthFault::Thousands:
      return "length-thousands";
    case LengthFault::ZeroDenominator:
      return "length-zero-denominator";
    case LengthFault::ImproperFraction:
      return "length-improper-fraction";
  }
  return "length-not-one";
}

std::string shown(const Written& written) {
  if (const auto* text = std::get_if<std::string>(&written)) return shortened(*text);
  return formatNumber(std::get<double>(written), 6);
}

Issue issueOf(const InputRule& rule, IssueId id, const Written& written) {
  return {id, {{"name", rule.id}, {"value", shown(written)}}, fieldOf(rule), {}, {}};
}

void addRange(Issue& issue, const InputRule& rule) {
  const Unit unit = rule.kind == InputKind::Length ? Unit::Millimetre : Unit::One;
  issue.arguments.push_back({"least", Amount{rule.least, unit}});
  issue.arguments.push_back({"most", Amount{rule.most, unit}});
}

std::variant<double, Issue> inRange(double value, const InputRule& rule, const Written& written) {
  if (rule.kind == InputKind::Count && value != std::floor(value))
    return issueOf(rule, "count-not-whole", written);
  const double dust = 1e-9 * std::max(1.0, std::abs(rule.most));
  if (value >= rule.least - dust && value <= rule.most + dust) return value;
  Issue issue = issueOf(rule, "value-out-of-range", written);
  addRange(issue, rule);
  return issue;
}

std::variant<double, Issue> fault(const InputRule& rule, LengthFault what, const Written& written) {
  const bool isNoNumber = rule.kind != InputKind::Length &&
                          (what == LengthFault::NotALength || what == LengthFault::UnknownUnit ||
                           what == LengthFault::TwoUnits);
  Issue issue = issueOf(rule, isNoNumber ? "number-not-one" : faultId(what), written);
  addRange(issue, rule);
  return issue;
}

std::variant<double, Issue> readNumber(const Written& written, const InputRule& rule) {
  if (const double* number = std::get_if<double>(&written)) return inRange(*number, rule, written);
  const std::string& text = std::get<std::string>(written);
  if (rule.kind != InputKind::Length) {
    const auto parsed = parseRatio(text);
    if (const auto* what = std::get_if<LengthFault>(&parsed)) return fault(rule, *what, written);
    return inRange(std::get<double>(parsed), rule, written);
  }
  const auto parsed = parseLength(text, Units::Millimetres);
  if (const auto* what = std::get_if<LengthFault>(&parsed)) return fault(rule, *what, written);
  return inRange(std::get<Length>(parsed).mm(), rule, written);
}

std::variant<double, Issue> readChoice(const Written& written, const InputRule& rule) {
  for (std::size_t i = 0; i < rule.options.size(); ++i)
    if (written == Written(rule.options[i])) return static_cast<double>(i);
  Issue issue = issueOf(rule, "choice-unknown", written);
  std::string allowed;
  for (const std::string& option : rule.options) allowed += (allowed.empty() ? "" : ", ") + option;
  issue.arguments.push_back({"allowed", allowed});
  return issue;
}

std::variant<Readings, Issue> readReadings(const std::vector<Reading>& all, const InputRule& rule) {
  if (rule.kind == InputKind::Choice)
    return issueOf(rule, "readings-of-choice", Written(std::string("readings")));
  Readings readings;
  double sum = 0.0;
  for (const Reading& reading : all) {
    auto value = readNumber(reading.value, rule);
    if (auto* issue = std::get_if<Issue>(&value)) return std::move(*issue);
    const double number = std::get<double>(value);
    readings.smallest = readings.count == 0 ? number : std::min(readings.smallest, number);
    readings.largest = readings.count == 0 ? number : std::max(readings.largest, number);
    sum += number;
    ++readings.count;
  }
  readings.mean = sum / readings.count;
  return readings;
}

bool isOfKind(const Material& material, const InputRule& rule) {
  return std::find(rule.materials.begin(), rule.materials.end(), material.kind) !=
         rule.materials.end();
}

std::string idsFor(const InputRule& rule, const MaterialCatalogue& catalogue) {
  std::string ids;
  for (const Material* material : materialsFor(rule, catalogue))
    ids += (ids.empty() ? "" : ", ") + material->id;
  return ids;
}

/// The thickness, grammage or bulk of the material that was named for the input.
std::variant<double, Issue> readMaterial(const std::string& id, const InputRule& rule,
                                         const MaterialCatalogue& catalogue) {
  const auto issue = [&](IssueId what) { return issueOf(rule, what, Written(id)); };
  if (rule.materials.empty()) return issue("material-not-here");
  const Material* material = catalogue.find(id);
  if (material == nullptr || !isOfKind(*material, rule)) {
    Issue wrong =
        issue(material == nullptr ? IssueId("material-unknown") : IssueId("material-wrong-kind"));
    std::vector<std::string> known;
    for (const Material& each : catalogue.all()) known.push_back(each.id);
    wrong.arguments.push_back({"nearest", material == nullptr ? nearestName(id, known) : ""});
    wrong.arguments.push_back({"kind", material == nullptr ? std::string() : material->kind});
    wrong.arguments.push_back({"allowed", idsFor(rule, catalogue)});
    return wrong;
  }
  if (const auto value = material->property(rule.property)) return inRange(*value, rule, {id});
  Issue lacking = issue("material-lacks");
  lacking.arguments.push_back({"property", rule.property});
  return lacking;
}

bool knows(const RuleSet& rules, std::string_view key, InputRole role) {
  const InputRule* rule = rules.input(key);
  return rule != nullptr && rule->role == role && rule->id == key;
}

/// Names the first of them; a file of nothing but such keys gets one sentence for the rest.
void findUnknownKeys(const Entries& entries, InputRole role, const RuleSet& rules, Issues& issues) {
  constexpr std::size_t kMostNamed = 50;
  const InputRole other = role == InputRole::Given ? InputRole::Allowance : InputRole::Given;
  const std::string section = tableOf(role);
  const std::string prefix = section + "/";
  std::vector<std::string> known;  // once it is asked for
  std::size_t count = 0;
  for (const auto& [key, entry] : entries) {
    if (knows(rules, key, role) || ++count > kMostNamed) continue;
    for (const InputRule& rule : rules.inputs)
      if (count == 1 && rule.role == role) known.push_back(rule.id);
    const bool isElsewhere = knows(rules, key, other);
    issues.push_back({"key-unknown",
                      {{"key", shortened(key)},
                       {"section", section},
                       {"elsewhere", isElsewhere ? tableOf(other) : std::string()},
                       {"nearest", isElsewhere ? std::string() : nearestName(key, known)}},
                      prefix + key,
                      {},
                      {}});
  }
  if (count > kMostNamed)
    issues.push_back({"keys-unknown",
                      {{"count", std::to_string(count - kMostNamed)}, {"section", section}},
                      section,
                      {},
                      {}});
}

/// Once something is measured what was planned for it counts no more. The readings are sound.
void takeReadings(const Entry& entry, std::size_t input, const RuleSet& rules, SaidNumbers& said) {
  const InputRule& rule = rules.inputs[input];
  const auto isPlan = [&](const Reading& reading) {
    const WayRule* way = rules.way(reading.by);
    return way != nullptr && way->isPlan;
  };
  const bool isMeasured = !std::all_of(entry.readings.begin(), entry.readings.end(), isPlan);
  std::vector<Reading> counted;
  const std::vector<std::string> names = readingNames(entry);
  for (std::size_t k = 0; k < names.size(); ++k) {
    const Reading& reading = entry.readings[k];
    const bool counts = !isMeasured || !isPlan(reading);
    said.each.push_back(
        {input, names[k], reading.by, std::get<double>(readNumber(reading.value, rule)), counts});
    if (counts) counted.push_back(reading);
  }
  said.readings[input] = std::get<Readings>(readReadings(counted, rule));
  said.values[input] = said.readings[input].mean;
}

}  // namespace

std::vector<const Material*> materialsFor(const InputRule& rule,
                                          const MaterialCatalogue& catalogue) {
  std::vector<const Material*> all;
  for (const Material& material : catalogue.all()) {
    const auto value = isOfKind(material, rule) ? material.property(rule.property) : std::nullopt;
    if (value && *value >= rule.least && *value <= rule.most) all.push_back(&material);
  }
  return all;
}

std::variant<double, Issue> readFigure(const Written& written, const InputRule& rule) {
  return readNumber(written, rule);
}

std::string tableOf(InputRole role) { return role == InputRole::Given ? "given" : "allowances"; }

std::string fieldOf(const InputRule& rule) { return tableOf(rule.role) + "/" + rule.id; }

std::variant<double, Issue> readEntry(const Entry& entry, const InputRule& rule,
                                      const MaterialCatalogue& catalogue) {
  if (!entry.material.empty()) return readMaterial(entry.material, rule, catalogue);
  if (!entry.readings.empty()) {
    auto readings = readReadings(entry.readings, rule);
    if (auto* issue = std::get_if<Issue>(&readings)) return std::move(*issue);
    return std::get<Readings>(readings).mean;
  }
  return rule.kind == InputKind::Choice ? readChoice(entry.value, rule)
                                        : readNumber(entry.value, rule);
}

bool couldBecomeSound(const Issue& issue, std::string_view text) {
  if (issue.id != "value-out-of-range") return couldBecomeLength(text);
  double value = kNone, least = kNone;
  for (const auto& [key, argument] : issue.arguments) {
    const auto* figure = std::get_if<Amount>(&argument);
    const auto* written = std::get_if<std::string>(&argument);
    if (key == "least" && figure != nullptr) least = figure->value;
    if (key != "value" || written == nullptr) continue;
    const auto length = parseLength(*written, Units::Millimetres);
    if (const auto* read = std::get_if<Length>(&length)) value = read->mm();
  }
  return value >= 0.0 && value < least;
}

std::variant<Length, Issue> readResolution(const Job& job) {
  if (!job.round) return usualResolution(job.units);
  static const InputRule kRule = [] {
    InputRule rule;
    rule.id = "round";
    rule.least = kFinestResolution.mm();
    rule.most = kCoarsestResolution.mm();
    return rule;
  }();
  auto value = readNumber(*job.round, kRule);
  if (auto* issue = std::get_if<Issue>(&value)) {
    issue->field = "round";
    return std::move(*issue);
  }
  return Length::fromMm(std::get<double>(value));
}

JobInputs readInputs(const Job& job, const RuleSet& rules, const MaterialCatalogue& catalogue) {
  JobInputs inputs;
  inputs.said.values.assign(rules.inputs.size(), kNone);
  inputs.said.readings.resize(rules.inputs.size());
  inputs.said.units = job.units;
  findUnknownKeys(job.given, InputRole::Given, rules, inputs.issues);
  findUnknownKeys(job.allowances, InputRole::Allowance, rules, inputs.issues);
  for (std::size_t i = 0; i < rules.inputs.size(); ++i) {
    const InputRule& rule = rules.inputs[i];
    const Entries& entries = rule.role == InputRole::Given ? job.given : job.allowances;
    const auto entry = entries.find(rule.id);
    if (entry == entries.end()) continue;
    auto value = readEntry(entry->second, rule, catalogue);
    if (auto* issue = std::get_if<Issue>(&value)) {
      inputs.issues.push_back(std::move(*issue));
      continue;
    }
    inputs.said.values[i] = std::get<double>(value);
    if (!entry->second.material.empty()) {
      inputs.said.materials.resize(rules.inputs.size());
      inputs.said.materials[i] = catalogue.find(entry->second.material);
    }
    const bool isRead = !entry->second.readings.empty() && entry->second.material.empty();
    if (!isRead) continue;
    takeReadings(entry->second, i, rules, inputs.said);
  }
  auto resolution = readResolution(job);
  if (auto* issue = std::get_if<Issue>(&resolution)) inputs.issues.push_back(std::move(*issue));
  const auto* length = std::get_if<Length>(&resolution);
  inputs.said.resolution = length != nullptr ? *length : usualResolution(job.units);
  return inputs;
}

}  // namespace drapery
