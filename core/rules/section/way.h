// A way of measuring, and what it misses: [[way]].
#pragma once

#include <string>

#include "core/rules/rule_words.h"
#include "core/rules/section.h"
#include "core/toml/sourced.h"

namespace drapery {

struct WayRule {
  std::string id;  // as readings say it: "caliper"
  LocalText title;
  LocalText misses;
  std::string practice;
  bool isPlan = false;  // no measuring at all: the thing is not there yet
  SourcePosition at;
};

class WaySection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "way"; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  [[nodiscard]] std::vector<Described> describe(const RuleSet& rules) const override;
  void link(RuleSet& rules, Linker& linker) const override;
};

}  // namespace drapery
