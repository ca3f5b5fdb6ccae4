#include "core/plan/job_overrides.h"

#include <algorithm>
#include <cmath>

#include "core/diag/nearest_name.h"
#include "core/plan/job_inputs.h"
#include "core/quantity/format_length.h"

namespace drapery {

namespace {

constexpr double kMostCopies = 10000.0, kMostCount = 100000.0, kMostAngle = 360.0;
constexpr std::string_view kFixed = "fixed/", kAsCut = "as_cut/";

/// Whether the value is a piece's width or height, as it is.
bool isSizeOfPiece(const RuleSet& rules, std::string_view id) {
  return std::any_of(rules.parts.begin(), rules.parts.end(), [&](const PartRule& part) {
    return (part.width.formula.isName() && part.width.text() == id) ||
           (part.height.formula.isName() && part.height.text() == id);
  });
}

Issue unknown(std::string_view key, const char* section, std::string_view field,
              const std::vector<std::string>& known) {
  return {"key-unknown",
          {{"key", shortened(key)},
           {"section", std::string(section)},
           {"nearest", nearestName(std::string(key), known)}},
          std::string(field),
          {},
          {}};
}

std::vector<std::string> derivedIds(const RuleSet& rules) {
  std::vector<std::string> ids;
  for (const DerivedRule& rule : rules.derived) ids.push_back(rule.id);
  return ids;
}

InputKind kindOf(const Dimension& dimension) {
  if (dimension == Dimension::length()) return InputKind::Length;
  return dimension == Dimension::angle() ? InputKind::Angle : InputKind::Ratio;
}

/// How a figure for the derived value is read.
InputRule ruleOf(const DerivedRule& derived) {
  InputRule rule;
  rule.id = derived.id;
  rule.kind = kindOf(derived.dimension);
  rule.most = rule.kind == InputKind::Length  ? DerivedRule::kMostSaid
              : rule.kind == InputKind::Angle ? kMostAngle
                                              : kMostCount;
  if (derived.range) std::tie(rule.least, rule.most) = *derived.range;
  return rule;
}

std::variant<double, Issue> figure(const Written& written, const InputRule& rule,
                                   std::string_view field, bool isAboveZero) {
  auto value = readFigure(written, rule);
  if (auto* issue = std::get_if<Issue>(&value)) {
    issue->field = field;
    return std::move(*issue);
  }
  if (isAboveZero && !(std::get<double>(value) > 0.0))
    return Issue{"value-not-above",
                 {{"name", rule.id},
                  {"value", Amount{std::get<double>(value), Unit::Millimetre}},
                  {"most", Amount{rule.most, Unit::Millimetre}}},
                 std::string(field),
                 {},
                 {}};
  return value;
}

std::variant<double, Issue> readFixed(std::string_view field, const Written& written,
                                      const RuleSet& rules) {
  const std::string_view id = field.substr(kFixed.size());
  for (const DerivedRule& derived : rules.derived)
    if (derived.id == id)
      return figure(written, ruleOf(derived), field, !derived.range && isSizeOfPiece(rules, id));
  if (const InputRule* input = rules.input(id))
    return Issue{"fixed-is-input",
                 {{"name", input->id}, {"section", tableOf(input->role)}},
                 std::string(field),
                 {},
                 {}};
  return unknown(id, "fixed", field, derivedIds(rules));
}

std::variant<double, Issue> readAsCut(std::string_view field, const Written& written,
                                      const RuleSet& rules) {
  const std::string_view rest = field.substr(kAsCut.size());
  const std::size_t slash = rest.find('/');
  const std::string_view part = rest.substr(0, slash);
  const std::string_view side = slash == std::string_view::npos ? "" : rest.substr(slash + 1);
  std::vector<std::string> parts;
  for (const PartRule& each : rules.parts) parts.push_back(each.id);
  if (std::find(parts.begin(), parts.end(), part) == parts.end())
    return unknown(part, "as_cut", field, parts);
  if (side != "width" && side != "height")
    return unknown(side, "as_cut", field, {"width", "height"});
  InputRule rule;
  rule.id = std::string(part) + "." + std::string(side);
  rule.most = DerivedRule::kMostSaid;
  return figure(written, rule, field, true);
}

/// A plain number or text; readings and materials have no place here.
const Written* plainly(const Entry& entry, const std::string& field, Issues& issues) {
  if (entry.readings.empty() && entry.material.empty()) return &entry.value;
  issues.push_back({"job-type-wrong",
                    {{"key", shortened(field)},
                     {"value", std::string("{...}")},
                     {"expected", std::string("number or text")}},
                    field,
                    {},
                    {}});
  return nullptr;
}

}  // namespace

std::variant<double, Issue> readSaid(std::string_view field, const Written& written,
                                     const RuleSet& rules) {
  return field.starts_with(kFixed) ? readFixed(field, written, rules)
                                   : readAsCut(field, written, rules);
}

void restateFixed(Job& job, const RuleSet& rules) {
  for (auto fixed = job.fixed.begin(); fixed != job.fixed.end();) {
    const InputRule* input = rules.input(fixed->first);
    if (input == nullptr) {
      ++fixed;
      continue;
    }
    Entries& entries = input->role == InputRole::Given ? job.given : job.allowances;
    entries.emplace(input->id, std::move(fixed->second));
    fixed = job.fixed.erase(fixed);
  }
}

std::vector<std::pair<std::string, double>> supposedWithTwins(const Plan& plan) {
  std::vector<std::pair<std::string, double>> all;
  for (std::size_t i = 0; i < plan.values.size(); ++i) {
    if (!plan.rules->isInput(i) || plan.entered[i] || !plan.counts[i] || std::isnan(plan.values[i]))
      continue;
    const InputRule& rule = plan.rules->inputs[plan.rules->nodes[i].rule];
    if (!rule.inchFallback.empty()) all.emplace_back(fieldOf(rule), plan.values[i]);
  }
  return all;
}

std::variant<int, Issue> readCopies(const Job& job) {
  if (!job.copies) return 1;
  InputRule rule;
  rule.id = "copies";
  rule.kind = InputKind::Count;
  rule.least = 1.0;
  rule.most = kMostCopies;
  auto value = readFigure(*job.copies, rule);
  if (auto* issue = std::get_if<Issue>(&value)) {
    issue->field = "copies";
    return std::move(*issue);
  }
  return static_cast<int>(std::get<double>(value));
}

SaidOverrides readOverrides(const Job& job, const RuleSet& rules) {
  SaidOverrides said;
  const auto read = [&](const std::string& field, const Entry& entry) -> std::optional<double> {
    const Written* written = plainly(entry, field, said.issues);
    if (written == nullptr) return std::nullopt;
    auto value = readSaid(field, *written, rules);
    if (const double* number = std::get_if<double>(&value)) return *number;
    said.issues.push_back(std::move(std::get<Issue>(value)));
    return std::nullopt;
  };
  for (const auto& [id, entry] : job.fixed)
    if (const auto value = read(std::string(kFixed) + id, entry)) said.overrides.fixed[id] = *value;
  for (const auto& [part, sides] : job.asCut)
    for (const auto& [side, entry] : sides) {
      std::string field(kAsCut);
      field.append(part).append("/").append(side);
      const auto value = read(field, entry);
      if (!value) continue;
      CutSides& cut = said.overrides.asCut[part];
      (side == "width" ? cut.width : cut.height) = Length::fromMm(*value);
    }
  auto copies = readCopies(job);
  if (auto* issue = std::get_if<Issue>(&copies))
    said.issues.push_back(std::move(*issue));
  else
    said.copies = std::get<int>(copies);
  return said;
}

}  // namespace drapery
