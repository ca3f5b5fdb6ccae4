// A drawing of the book at some stage: a figure bound to values, its caption, and the tags that
// hang on it: [[view]].
#pragma once

#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "core/figure/figure_spec.h"
#include "core/rules/entry_reader.h"
#include "core/rules/section.h"
#include "core/rules/section/drawn_label.h"
#include "core/rules/section/drawn_line.h"
#include "core/rules/subject.h"
#include "core/toml/sourced.h"

namespace drapery {

enum class Side { Left, Right, Above, Below };

/// Hangs at a spot of the figure, at a point, or on a measuring line from one point to another.
struct ViewTag {
  Subject subject;   // a value, or the job's field "method"
  std::string spot;  // of the figure; empty: at the points
  Side side = Side::Above;
  std::optional<RulePoint> at, to;  // with `to` a measuring line
  RuleFormula when;                 // empty: always
  SourcePosition where;
};

struct ViewRule {
  std::string id;
  std::string stage;  // "measure", "case"
  std::string figure;
  const FigureSpec* spec = nullptr;
  LocalText caption;                                  // may be empty
  double share = 1.0;                                 // of the stage's height
  std::vector<RuleFormula> bound;                     // one for each of the figure's inputs
  std::vector<std::pair<std::string, Subject>> show;  // a thing of the figure: what it is
  std::vector<std::string> layers;                    // parts, for figures that show a list of them
  std::vector<ViewTag> tags;                          // in the order of the work
  std::vector<DrawnLine> lines;
  std::vector<DrawnLabel> labels;
  RuleFormula when;  // empty: always
  /// The view that this is a closer look at, taken when it is asked for; empty: it stands by
  /// itself.
  std::string detailOf;
  LocalText asks;  // what asks for it: "more about the corner"; not where it is asked for at a tag
  /// The measure whose places it shows, one under the other; opened at that one's tag.
  std::string readingsOf;
  /// Two corners of what is seen of the figure; none: all of it.
  std::optional<std::pair<RulePoint, RulePoint>> window;
  SourcePosition at;

  /// What a thing of the figure shows; none where that is not said.
  [[nodiscard]] Subject subject(std::string_view thing) const;
};

class ViewSection : public Section {
 public:
  [[nodiscard]] std::string_view key() const override { return "view"; }
  void read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const override;
  void link(RuleSet& rules, Linker& linker) const override;
};

}  // namespace drapery
