// A piece that is printed on before it is cut and folded, such as a jacket: [[artwork]]. Its panels
// from the left, outside up.
#pragma once

#include <string>
#include <vector>

#include "core/rules/section.h"
#include "core/rules/section/drawn_line.h"
#include "core/toml/sourced.h"

namespace drapery {

struct ArtworkPanel {
  std::string id;
  LocalText title;
  RuleFormula width;
  RuleFormula when;      // empty: always
  bool isSpine = false;  // its title is centred, and told where it comes near a fold
};

struct ArtworkRule {
  static constexpr std::size_t kMostPanels = 40;

  std::string id;
  LocalText title;
  RuleFormula when;      // empty: always
  std::string stage;     // where it is designed
  std::string part;      // the piece that is printed on; may be empty
  RuleFormula height;    // head to tail
  RuleFormula bleed;     // what the print goes on beyond the edge; empty: none
  RuleFormula clear;     // the least from a spine's title to its folds; empty: none
  RuleFormula reversed;  // whether the panels stand the other way round; empty: not
  std::vector<ArtworkPanel> panels;
  SourcePosition at;
};

class ArtworkSection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "artwork"; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  [[nodiscard]] std::vector<Described> describe(const RuleSet& rules) const override;
  void link(RuleSet& rules, Linker& linker) const override;
};

}  // namespace drapery
