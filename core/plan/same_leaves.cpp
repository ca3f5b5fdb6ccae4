#include "core/plan/same_leaves.h"

#include <algorithm>

namespace drapery {

namespace {

/// Null for an entry that is no measure of leaves.
template <class Measured>
auto* measureOf(Measured& leaves, const std::string& word) {
  return word == kLeafMeasures[0]   ? &leaves.height
         : word == kLeafMeasures[1] ? &leaves.width
         : word == kLeafMeasures[2] ? &leaves.thickness
                                    : nullptr;
}

bool servesFor(const RuleSet& rules, const std::vector<std::string>& uses) {
  return std::all_of(uses.begin(), uses.end(), [&](const std::string& use) {
    return std::find(rules.serves.begin(), rules.serves.end(), use) != rules.serves.end();
  });
}

}  // namespace

Leaves leavesOf(const Plan& plan) {
  Leaves leaves;
  for (const auto& [input, word, at] : plan.rules->leaves)
    if (Length* measure = measureOf(leaves, word))
      if (const auto known = plan.number(input); known && *known > 0.0)
        *measure = Length::fromMm(*known);
  return leaves;
}

Job jobOfLeaves(const RuleSet& rules, const Leaves& leaves) {
  Job job;
  job.method = rules.id;
  for (const auto& [id, word, at] : rules.leaves) {
    const InputRule* input = rules.input(id);
    if (input == nullptr) continue;
    Entries& entries = input->role == InputRole::Given ? job.given : job.allowances;
    if (const Length* measure = measureOf(leaves, word))
      entries[id] = {measure->mm(), {}};
    else
      entries[id] = {word, {}};
  }
  return job;
}

Entries leavesSaid(const Entries& given, const RuleSet& rules, const RuleSet& others) {
  Entries said;
  for (const auto& [id, word, at] : rules.leaves)
    for (const auto& [other, same, there] : others.leaves)
      if (const auto entry = given.find(id);
          word == same && entry != given.end() && others.input(other) != nullptr &&
          std::find(kLeafMeasures.begin(), kLeafMeasures.end(), word) != kLeafMeasures.end())
        said[other] = entry->second;
  return said;
}

std::vector<KindOfBook> kindsOfBooks(const RuleLibrary& library,
                                     const std::vector<std::string>& uses) {
  std::vector<KindOfBook> kinds;
  std::vector<std::string> structures;
  for (const std::string& id : library.ids()) {
    const std::string structure = library.structure(id);
    const LoadedRules loaded = library.load(id);
    if (loaded.rules == nullptr || structure.empty() || library.isHouse(id)) continue;
    const auto known = std::find(structures.begin(), structures.end(), structure);
    KindOfBook kind{loaded.rules, servesFor(*loaded.rules, uses)};
    if (known == structures.end()) {
      structures.push_back(structure);
      kinds.push_back(std::move(kind));
    } else if (KindOfBook& first = kinds[static_cast<std::size_t>(known - structures.begin())];
               !first.serves && kind.serves) {
      first = std::move(kind);
    }
  }
  return kinds;
}

}  // namespace drapery
