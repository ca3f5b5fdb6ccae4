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

/// What of this role stands in the other table: nobody means anything else by its name.
void takeFrom(Entries& other, Entries& entries, InputRole role, const RuleSet& rules) {
  for (const InputRule& rule : rules.inputs) {
    if (rule.role != role || entries.contains(rule.id)) continue;
    if (auto entry = other.extract(rule.id); !entry.empty()) entries.insert(std::move(entry));
  }
}

}  // namespace

void takePresentNames(Entries& entries, InputRole role, const RuleSet& rules) {
  for (const InputRule& rule : rules.inputs) {
    if (rule.role != role) continue;
    renameKeys(entries, rule);
    renameOption(entries, rule);
  }
}

void takePresentNames(Job& job, const RuleSet& rules) {
  takePresentNames(job.given, InputRole::Given, rules);
  takePresentNames(job.allowances, InputRole::Allowance, rules);
  takeFrom(job.allowances, job.given, InputRole::Given, rules);
  takeFrom(job.given, job.allowances, InputRole::Allowance, rules);
}

}  // namespace drapery
