#include "core/plan/reshape.h"

#include "core/plan/job_field.h"
#include "core/plan/job_inputs.h"

namespace drapery {

namespace {

Entry times(const Entry& entry, const InputRule& rule, double factor,
            const MaterialCatalogue& catalogue) {
  const auto figure = [&](const Written& written) {
    const auto read = readEntry({written, {}}, rule, catalogue);
    const double* number = std::get_if<double>(&read);
    return number != nullptr ? Written(*number * factor) : written;
  };
  Entry scaled = entry;
  scaled.value = figure(entry.value);
  for (Reading& reading : scaled.readings) reading.value = figure(reading.value);
  return scaled;
}

}  // namespace

std::optional<Job> rescaled(const Job& job, const Planner& planner, const std::string& id,
                            double value) {
  const RuleSet& rules = *planner.rules();
  const InputRule* main = rules.input(id);
  const auto present = planner.plan(job).plan.number(id);
  if (main == nullptr || !main->scales || !present || !(*present > 0.0)) return std::nullopt;
  const double factor = value / *present;
  Job other = job;
  for (const InputRule& rule : rules.inputs) {
    const FieldValue said = fieldValue(job, fieldOf(rule));
    if (rule.scales && said && said->material.empty())
      setField(other, fieldOf(rule), times(*said, rule, factor, planner.catalogue()));
  }
  setField(other, fieldOf(*main), Entry{value, {}});
  return other;
}

std::optional<Job> likeModel(const Job& job, const Planner& planner,
                             const std::map<std::string, double>& model, const std::string& id,
                             double value) {
  const auto main = model.find(id);
  if (main == model.end() || !(main->second > 0.0)) return std::nullopt;
  Job other = job;
  for (const auto& [name, figure] : model) {
    const InputRule* rule = planner.rules()->input(name);
    if (rule == nullptr || !rule->scales) continue;
    setField(other, fieldOf(*rule), Entry{name == id ? value : value * figure / main->second, {}});
  }
  return other;
}

}  // namespace drapery
