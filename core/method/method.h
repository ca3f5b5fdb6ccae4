// A binding method: what a rule file says, read and checked. Immutable; plans point into it.
#pragma once

#include <map>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/diag/issue.h"
#include "core/quantity/rule.h"
#include "core/quantity/units.h"

namespace drapery {

/// A text from a rule file and where it stands there.
struct Sourced {
  std::string text;
  SourcePosition at;
  [[nodiscard]] bool empty() const { return text.empty(); }
};

/// A text in the file's first language and in others (`says`, `says.de`).
struct LocalText {
  std::string text;
  std::map<std::string, std::string> other;
  [[nodiscard]] const std::string& in(const std::string& language) const;
};

enum class InputRole { Given, Allowance };
enum class InputKind { Length, Ratio, Choice };

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
  bool optional = false;                // without a fallback it may still be left out
  std::vector<std::string> options;     // Choice
  std::vector<LocalText> optionTitles;  // one for each option
  SourcePosition at;
};

struct DerivedRule {
  std::string id;
  Unit unit = Unit::Millimetre;
  LocalText title;
  Sourced formula;
  LocalText because;
  std::string practice;
  SourcePosition at;
};

enum class Grain { Height, Width, Any };

struct PartRule {
  std::string id;
  LocalText title;
  int count = 1;
  std::string material;
  Sourced width;
  Sourced height;
  Grain grain = Grain::Height;
  Rounding rounding = Rounding::Nearest;
  Sourced corner;  // leg of the triangle cut off each corner; may be empty
  std::vector<std::pair<Sourced, Sourced>> places;  // lower left corner in the flat case, x and y
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

/// One number of the method: an input, a derived value, a part's size or a part's cut size.
struct ValueNode {
  enum class Source { Input, Derived, PartSize, CutSize };
  std::string name;  // "board_width", "board.width", "board.cut_width"
  Source source = Source::Derived;
  Unit unit = Unit::Millimetre;
  Sourced formula;                        // an input's is its fallback; may be empty there
  std::size_t rule = 0;                   // index into inputs, derived or parts
  Rounding rounding = Rounding::Nearest;  // CutSize
  std::vector<std::size_t> uses;          // nodes that the formula reads
};

struct Method {
  std::string id;
  std::string base;
  LocalText title;
  LocalText about;
  bool isBase = false;             // shared ground for others, not a method of its own
  std::vector<std::string> wants;  // a base's: names that each method on it must supply
  std::vector<InputRule> inputs;
  std::vector<DerivedRule> derived;
  std::vector<PartRule> parts;
  std::vector<FindingRule> findings;

  std::vector<ValueNode> nodes;                           // every number
  std::vector<std::size_t> order;                         // nodes, each after all that it uses
  std::map<std::string, std::size_t, std::less<>> index;  // node by name
  std::map<std::string, double, std::less<>> options;     // choice options as constants

  [[nodiscard]] std::optional<std::size_t> find(std::string_view name) const;
  [[nodiscard]] const InputRule* input(std::string_view id) const;
  [[nodiscard]] const LocalText& titleOf(std::size_t node) const;
};

using MethodPtr = std::shared_ptr<const Method>;

/// The formula with which a node is explained: a cut size's is "nearest(board.width)".
std::string explainedFormula(const Method& method, std::size_t node);

}  // namespace drapery
