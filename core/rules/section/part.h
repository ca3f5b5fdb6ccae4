// A piece to cut: [[part]].
#pragma once

#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "core/geometry/placement.h"
#include "core/quantity/grammage_band.h"
#include "core/quantity/length.h"
#include "core/quantity/rule.h"
#include "core/rules/cut_when.h"
#include "core/rules/entry_reader.h"
#include "core/rules/repeated.h"
#include "core/rules/section.h"
#include "core/rules/section/common.h"
#include "core/rules/section/drawn_label.h"
#include "core/rules/section/part_findings.h"
#include "core/toml/sourced.h"

namespace drapery {

enum class Grain { Height, Width, Any };

/// Where one piece lies: mirrored first, then turned, then moved until the lower left corner of
/// the box around it stands at the point.
struct PlaceRule : Repeated {
  RulePoint at;
  RuleFormula turn;         // degrees counter-clockwise; empty: none
  RuleFormula mirrored;     // left for right, where it holds; empty: not
  bool isMirrored = false;  // always
  RuleFormula when;         // empty: always
};
struct OutlineRule : Repeated {
  RulePoint at;
};
struct SlitRule : Repeated {
  RulePoint from, to;
};

struct PartRule {
  static constexpr int kMostPieces = 10000;
  static constexpr double kLongest = 100'000;  // mm: no sheet is longer
  static constexpr int kMostCorners = 2000;    // of an outline, before it is tidied

  std::string id;
  LocalText title;
  RuleFormula count;
  RuleFormula when;                  // where there is such a part; empty: always
  std::vector<WordWhere> materials;  // the first that applies
  std::string materialOf;            // the input whose named material it is cut from; empty: none
  std::optional<std::size_t> materialInput;  // the same, once linked
  std::vector<WordWhere> cutWhen;            // names of CutWhen
  RuleFormula width;
  RuleFormula height;
  Grain grain = Grain::Height;
  Rounding rounding = Rounding::Nearest;
  std::vector<OutlineRule> outline;  // from its lower left corner, going round; empty: a rectangle
  std::vector<SlitRule> slits;       // cuts inside the outline
  std::vector<PlaceRule> places;     // in the flat drawing
  std::vector<DrawnLabel> labels;    // words on it, wherever it is drawn by itself or lying flat
  std::optional<GrammageBand> grammage;
  bool isApart = false;  // it is seen: seldom of the stuff that others are cut from
  RuleFormula top;       // where it has a top, to be marked; empty: nowhere
  LocalText note;
  SourcePosition at;
  std::size_t firstNode = 0;  // width, height, cut_width, cut_height
  PartFindings findings;      // when the rule in hand is too coarse for it
};

struct PlannedPart {
  const PartRule* rule = nullptr;
  int count = 1;
  std::string material;  // its kind: that of the material named for it, else the rule's
  std::string named;     // the title of the material named for it; empty: none was
  CutWhen cutWhen = CutWhen::AfterTrimming;
  bool hasTop = false;
  bool isUncut = false;        // its cuts would cross one another: given as its rectangle
  Length width, height;        // exact
  Length cutWidth, cutHeight;  // rounded to the rule in hand, or as the binder cut it
  /// Its shape as it is cut, from its lower left corner and counter-clockwise, exact: a rectangle
  /// with four points, or more. No point stands twice and none on the line between its neighbours.
  std::vector<Point> outline;
  std::vector<std::pair<Point, Point>> slits;  // cuts inside the outline
  std::vector<Placement> places;               // at most one for each piece
};

class PartSection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "part"; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  [[nodiscard]] std::vector<Described> describe(const RuleSet& rules) const override;
  void declare(RuleSet& rules, Linker& linker) const override;
  void link(RuleSet& rules, Linker& linker) const override;
  /// One without a positive size is no piece; one whose outline cannot be computed is a rectangle;
  /// one of which the rule in hand leaves nothing is told as a stop, and is no piece.
  void plan(const RuleSet& rules, const Evaluation& evaluation,
            PlannedEntries& planned) const override;
};

}  // namespace drapery
