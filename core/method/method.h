// A binding method: what a rule file says, read and checked. Immutable; plans point into it.
#pragma once

#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

#include "core/diag/issue.h"
#include "core/quantity/rule.h"
#include "core/quantity/units.h"
#include "core/toml/sourced.h"

namespace drapery {

enum class InputRole { Given, Allowance };
enum class InputKind { Length, Ratio, Count, Choice };

/// Figures that go with the options of a choice, as a sheet's width goes with its name: read in
/// formulas as "sheet.width".
struct ChoiceColumn {
  std::string id;
  Unit unit = Unit::Millimetre;
  std::vector<double> figures;  // one for each option
};

/// What the binder says: a measure taken (given) or a decision with a usual value (allowance).
struct InputRule {
  std::string id;
  InputRole role = InputRole::Given;
  InputKind kind = InputKind::Length;
  LocalText title;
  LocalText ask;      // the question to a newcomer while nothing was said; may be empty
  LocalText measure;  // how to measure or choose it
  std::string practice;
  double least = 0.0;  // mm for a length
  double most = 0.0;
  Sourced fallback;                     // formula of the usual value; empty: none
  bool optional = false;                // may be left out, also when nothing else supplies it
  Sourced when;                         // where it counts; empty: always
  Sourced otherwise;                    // its value where it does not; empty: none
  bool isCompared = false;              // pieces are also told as they would be without it
  std::vector<std::string> materials;   // kinds of material that a job may name for it
  std::string property;                 // what of the material it takes: "thickness"
  std::vector<std::string> options;     // Choice
  std::vector<LocalText> optionTitles;  // one for each option
  std::vector<ChoiceColumn> columns;
  SourcePosition at;
};

struct DerivedRule {
  std::string id;
  Unit unit = Unit::Millimetre;
  LocalText title;
  Sourced when;  // where it exists; empty: always
  Sourced formula;
  LocalText because;
  std::string practice;
  bool isHeld = false;   // settled with the pieces: stays when the case is tried on another book
  bool isQuiet = false;  // a step on the way, not told in lists for reading
  SourcePosition at;
};

enum class Grain { Height, Width, Any };

/// A part's material, and where it is that one.
struct PartMaterial {
  std::string material;
  Sourced when;  // empty: always
};

using PointRule = std::pair<Sourced, Sourced>;  // x and y

struct PartRule {
  std::string id;
  LocalText title;
  Sourced count;
  Sourced when;                         // where there is such a part; empty: always
  std::vector<PartMaterial> materials;  // the first that applies
  Sourced width;
  Sourced height;
  Grain grain = Grain::Height;
  Rounding rounding = Rounding::Nearest;
  std::vector<PointRule> outline;  // from its lower left corner, going round; empty: a rectangle
  std::vector<std::pair<PointRule, PointRule>> slits;  // cuts inside the outline
  std::vector<PointRule> places;                       // lower left corners in the flat case
  bool isTurned = false;    // the second half of its places holds it mirrored head to tail
  bool isMirrored = false;  // every second one is the first one's mirror image, left to right
  LocalText note;
  SourcePosition at;
};

enum class Severity { Stop, Mind, Note };

/// Words with figures in them: "opens to {opening_angle}".
struct WordsTemplate {
  struct Piece {
    std::string literal;
    Sourced expression;  // empty: the literal alone
    std::optional<Unit> unit;
  };
  std::vector<Piece> pieces;
};

struct FindingRule {
  std::string id;
  Severity severity = Severity::Mind;
  Sourced when;
  WordsTemplate says;
  WordsTemplate remedy;
  std::vector<std::string> touches;
  SourcePosition at;
};

/// What is marked out on a piece or told about it, not cut: a gap, a margin.
struct MarkRule {
  std::string id;
  Sourced when;  // empty: always
  WordsTemplate says;
  SourcePosition at;
};

/// One number of the method: an input, a derived value, a part's size or cut size; and what else is
/// known of one of these, as far as some formula asks for it: a choice's column, the largest of a
/// measure's readings and their spread, whether the binder said it (1 or 0), its tolerance.
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
    Tolerance,  // only for findings: known when all else is
  };
  std::string name;  // "board_width", "board.width", "board.cut_width", "text_height.spread"
  Source source = Source::Derived;
  Unit unit = Unit::Millimetre;
  Sourced formula;                        // an input's is its fallback; may be empty there
  Sourced when;                           // where it counts; empty: always
  Sourced otherwise;                      // its value elsewhere; empty: none
  std::size_t rule = 0;                   // index into inputs, derived or parts
  std::size_t column = 0;                 // Column: of the input
  Rounding rounding = Rounding::Nearest;  // CutSize
  bool isHeld = false;
  std::vector<std::size_t> uses;  // nodes that it reads
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

struct Method {
  std::string id;
  std::vector<std::string> bases;
  LocalText title;
  LocalText about;
  bool isBase = false;  // shared ground for others, not a method of its own; may use what these add
  std::vector<std::string> wants;  // a base's: names that each method on it must supply
  std::vector<InputRule> inputs;
  std::vector<DerivedRule> derived;
  std::vector<PartRule> parts;
  std::vector<MarkRule> marks;
  std::vector<FindingRule> findings;

  std::vector<ValueNode> nodes;    // every number
  std::vector<std::size_t> order;  // nodes, each after all that it uses
  ByName<std::size_t> index;       // node by name
  ByName<double> options;          // choice options as constants

  [[nodiscard]] std::optional<std::size_t> find(std::string_view name) const;
  [[nodiscard]] const InputRule* input(std::string_view id) const;
  [[nodiscard]] const LocalText& titleOf(std::size_t node) const;
};

using MethodPtr = std::shared_ptr<const Method>;

/// The formula with which a node is explained: a cut size's is "nearest(board.width)".
std::string explainedFormula(const Method& method, std::size_t node);

}  // namespace drapery
