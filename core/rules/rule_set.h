// What a rule file and its bases say, read and checked: a binding method, or the ground of several.
// Immutable once loaded and shared by all threads; plans point into it.
#pragma once

#include <cstdint>
#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

#include "core/rules/choosing.h"
#include "core/rules/dependents.h"
#include "core/rules/section/artwork.h"
#include "core/rules/section/derive.h"
#include "core/rules/section/finding.h"
#include "core/rules/section/input.h"
#include "core/rules/section/mark.h"
#include "core/rules/section/part.h"
#include "core/rules/section/series.h"
#include "core/rules/section/start.h"
#include "core/rules/section/step.h"
#include "core/rules/section/stitches.h"
#include "core/rules/section/summary.h"
#include "core/rules/section/template.h"
#include "core/rules/section/verdict.h"
#include "core/rules/section/view.h"
#include "core/rules/section/way.h"
#include "core/rules/sewing_rule.h"

namespace drapery {

/// One number: an input, a derived value, a part's size or cut size, how many a series has; and
/// what else is known of one of these, as far as some formula asks for it: a choice's column, the
/// largest of a measure's readings and their spread, whether the binder said it (1 or 0), the kind
/// of material named for it, its tolerance; of a series' column the first, the last, the sum, the
/// least and the most; and the rule in hand.
struct ValueNode {
  enum class Source {
    Input,
    Derived,
    PartSize,
    CutSize,
    Column,
    Largest,
    Spread,
    Said,
    Tolerance,  // only for marks and findings: known when all else is
    SeriesCount,
    SeriesFirst,
    SeriesLast,
    SeriesSum,
    SeriesLeast,
    SeriesMost,
    Resolution,
    IsKind  // whether the material named for an input is of the kind, 1 or 0
  };
  // What evaluation reads, close together.
  Source source = Source::Derived;
  Rounding rounding = Rounding::Nearest;  // CutSize, and of what is marked
  bool isMarked = false;                  // rounded to the rule in hand, though no piece's size
  Moment settles = Moment::Never;
  bool isTried = false;     // tells of the trial: depends on a piece as cut
  bool feedsTrial = false;  // and some value of the trial depends on it
  std::size_t rule = 0;     // index into inputs, derived, parts or series
  std::size_t column = 0;   // of the input or the series; IsKind: which kind
  Formula::Code code, inchCode, whenCode, otherwiseCode;  // of the formulas below, once linked
  std::vector<std::size_t> uses, usedBy;                  // nodes that it reads; that read it

  std::string name;  // "board_width", "board.width", "board.cut_width", "text_height.spread"
  Unit unit = Unit::Millimetre;
  Quantity quantity;
  const Formula* formula = nullptr;    // an input's is its fallback; none for a cut size
  const Formula* inches = nullptr;     // in its place for books in inches; none: the same
  const Formula* when = nullptr;       // where it counts; none: always
  const Formula* otherwise = nullptr;  // its value elsewhere
};

/// Names looked up without making a string of them.
struct NameHash {
  using is_transparent = void;
  std::size_t operator()(std::string_view name) const {
    return std::hash<std::string_view>()(name);
  }
};
template <class Value>
using ByName = std::unordered_map<std::string, Value, NameHash, std::equal_to<>>;

struct RuleSet {
  RuleSet() = default;
  RuleSet(const RuleSet&) = delete;  // numbers point to the rules' formulas
  RuleSet& operator=(const RuleSet&) = delete;
  RuleSet(RuleSet&&) = default;
  RuleSet& operator=(RuleSet&&) = default;
  ~RuleSet() = default;

  std::string id;
  std::uint64_t fingerprint = 0;  // of all texts that it was read from
  /// The same as a word of 16 signs, for jobs to keep.
  [[nodiscard]] std::string version() const;
  std::vector<std::string> bases;
  LocalText title;
  LocalText about;
  std::string structure;            // methods of one are told side by side: "case"; may be empty
  LocalText suits;                  // what such a book is for; may be empty
  LocalText never;                  // what it can never do; may be empty
  std::vector<std::string> serves;  // some of kBookUses
  LeavesRule leaves;                // how it is made of given leaves
  bool isBase = false;  // shared ground for others, not a method of its own; may use what these add
  std::vector<std::string> wants;  // a base's: names that each method on it must supply
  std::vector<InputRule> inputs;
  std::vector<DerivedRule> derived;
  std::vector<PartRule> parts;
  std::vector<SeriesRule> series;
  std::vector<MarkRule> marks;
  std::vector<FindingRule> findings;
  std::vector<StepRule> steps;
  std::vector<ViewRule> views;
  std::vector<VerdictRule> verdicts;
  std::vector<SummaryRule> summaries;
  std::vector<WayRule> ways;
  std::vector<StartRule> starts;
  std::vector<TemplateRule> templates;
  std::vector<ArtworkRule> artworks;
  SewingRule sewing;  // how such a book is sewn; of no kind where it is not
  // Of a pattern of sewing alone.
  bool isPattern = false;
  std::vector<HoleRule> holes;
  std::vector<StretchRule> stretches;
  std::vector<WrapRule> wraps;
  std::vector<std::string> startRows;  // in which the sewing may begin

  std::vector<ValueNode> nodes;         // every number
  std::vector<std::size_t> order;       // nodes, each after all that it uses
  std::vector<std::size_t> inputNodes;  // those of inputs
  ByName<std::size_t> index;            // node by name
  ByName<double> options;               // choice options as constants
  Dependents dependents;

  [[nodiscard]] std::optional<std::size_t> find(std::string_view name) const;
  [[nodiscard]] const InputRule* input(std::string_view id) const;
  [[nodiscard]] const WayRule* way(std::string_view id) const;
  [[nodiscard]] const LocalText& titleOf(std::size_t node) const;
  [[nodiscard]] bool isInput(std::size_t node) const {
    return nodes[node].source == ValueNode::Source::Input;
  }
  /// Whether the node is a choice of the binder's.
  [[nodiscard]] bool isChoice(std::size_t node) const {
    return isInput(node) && inputs[nodes[node].rule].kind == InputKind::Choice;
  }
};

using RuleSetPtr = std::shared_ptr<const RuleSet>;

}  // namespace drapery
