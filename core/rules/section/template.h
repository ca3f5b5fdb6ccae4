// A paper template or gauge at its true size: [[template]]. Cut out, it is laid on the work instead
// of measuring.
#pragma once

#include <string>
#include <vector>

#include "core/rules/repeated.h"
#include "core/rules/rule_words.h"
#include "core/rules/section.h"
#include "core/rules/section/drawn_label.h"
#include "core/rules/section/drawn_line.h"
#include "core/toml/sourced.h"

namespace drapery {

/// A point of the edge; repeated for each of a series where it says so.
struct TemplateCorner : Repeated {
  RulePoint at;
};

struct TemplateRule {
  std::string id;
  LocalText title;
  RuleFormula when;   // empty: always
  RuleWords says;     // what it is for, and at which sizes
  RuleFormula gives;  // the one length that it gives; empty: it is no gauge
  RuleWords block;    // how it is built of scraps instead; may be empty
  /// Every piece in its place with the running marks, instead of an edge.
  bool isLayOut = false;
  std::vector<TemplateCorner> outline;  // cut out along it; mm, y up
  std::vector<DrawnLine> lines;
  std::vector<DrawnLabel> labels;
  SourcePosition at;
};

class TemplateSection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "template"; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  [[nodiscard]] std::vector<Described> describe(const RuleSet& rules) const override;
  void link(RuleSet& rules, Linker& linker) const override;
};

}  // namespace drapery
