// What a binder may begin with, and what follows from saying it: [[start]].
#pragma once

#include <string>
#include <utility>
#include <vector>

#include "core/rules/section.h"
#include "core/toml/sourced.h"

namespace drapery {

struct StartRule {
  std::string id;
  LocalText title;  // what is there, or wanted: "a finished block"
  LocalText says;   // what to do then
  /// Values to be said, in order: inputs, and computed ones that `solves` names.
  std::vector<std::string> asks;
  /// What must be planned so that a computed one comes to what was said: value, input.
  std::vector<std::pair<std::string, std::string>> solves;
  SourcePosition at;

  /// Empty for a value that is said as it is.
  [[nodiscard]] std::string plannedFor(const std::string& value) const;
};

class StartSection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "start"; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  [[nodiscard]] std::vector<Described> describe(const RuleSet& rules) const override;
  void link(RuleSet& rules, Linker& linker) const override;
};

}  // namespace drapery
