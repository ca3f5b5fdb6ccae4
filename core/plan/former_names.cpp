#include "core/plan/former_names.h"

namespace drapery {

namespace {

void renameKeys(Entries& entries, const InputRule& rule) {
  for (const std::string& former : rule.was) {
    auto entry = entries.extract(former);
    if (entry.empty()) continue;
    if (!entries.contains(rule.id)) entry.key() = rule.id;
    entries.insert(std::move(entry));
  }
}

void renameOption(Entries& entries, const InputRule& rule) {
  const auto entry = entries.find(rule.id);
  if (entry == entries.end()) return;
  auto* option = std::get_if<std::string>(&entry->second.value);
  if (option == nullptr) return;
  for (const auto& [former, now] : rule.optionsWere)
    if (*option == former) {
      *option = now;
      return;
    }
}

}  // namespace

void takePresentNames(Entries& allowances, const RuleSet& rules) {
  for (const InputRule& rule : rules.inputs) {
    if (rule.role == InputRole::Given) continue;
    renameKeys(allowances, rule);
    renameOption(allowances, rule);
  }
}

void takePresentNames(Job& job, const RuleSet& rules) {
  for (const InputRule& rule : rules.inputs) {
    Entries& entries = rule.role == InputRole::Given ? job.given : job.allowances;
    renameKeys(entries, rule);
    renameOption(entries, rule);
  }
}

}  // namespace drapery
