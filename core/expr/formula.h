// One formula of a rule file as a tree: read once, then printed, linked, checked, explained and
// evaluated from it. Immutable once it is linked, and for any number of threads.
//
//   a ? b : c    ||    &&    == != < <= > >=    + -    * /    - !    ^    f(a, b)    (a)
//
// weakest first; all go from left to right but ? : and ^. Literals are plain (2.5) or carry a unit:
// `3 mm`, `1/8 in`, `7 3/16 in`, `1.5 cm`, `90 deg`.
#pragma once

#include <cstdint>
#include <functional>
#include <optional>
#include <string>
#include <string_view>
#include <utility>
#include <variant>
#include <vector>

#include "core/diag/issue.h"
#include "core/expr/dimension.h"
#include "core/expr/functions.h"
#include "core/expr/program.h"

namespace drapery {

/// What is wrong with a formula: an issue's id and arguments, and where in the text.
struct FormulaFault {
  IssueId id;  // "formula-syntax", "formula-assigns" ...
  IssueArguments arguments;
  std::size_t offset = 0;  // byte of the formula, from 0
};

/// What a name of a formula stands for: a number of the table, a local one, or a constant.
struct NameMeaning {
  enum class Kind : std::uint8_t { Unknown, Slot, Local, Constant };
  Kind kind = Kind::Unknown;
  std::size_t slot = 0;  // Slot and Local
  double constant = 0.0;
};

class Formula {
 public:
  enum class Op : std::uint8_t {
    Number,
    Name,
    Call,  // leaves and functions
    Negative,
    Not,  // of one
    Plus,
    Minus,
    Times,
    Over,
    Power,
    Is,
    IsNot,
    Below,
    AtMost,
    Above,
    AtLeast,
    And,
    Or,     // of two
    Choose  // of three: condition, result, else
  };

  /// A node and, right before it, its operands: the tree in the order in which it is evaluated.
  struct Node {
    Op op = Op::Number;
    NameMeaning::Kind meaning = NameMeaning::Kind::Unknown;  // Name
    std::uint8_t operands = 0;
    std::uint32_t begin = 0;  // first node of its subtree
    std::uint32_t slot = 0;   // Name: of its number. Call: which of the functions
    double number = 0.0;      // Number; Name: of a constant
  };
  /// What evaluation does not need of a node.
  struct Place {
    std::uint32_t offset = 0, length = 0;  // in the text: its literal, name or sign
    Dimension dimension = {};              // Number
  };
  using Index = std::size_t;  // of a node

  static constexpr std::size_t kLongest = 4000;  // bytes
  static constexpr std::size_t kDeepest = 128;   // numbers that wait for an operation

  /// All that evaluation needs of a linked formula, without the way round over the rest of it.
  /// Points into the formula.
  struct Code {
    const ProgramStep* steps = nullptr;
    explicit operator bool() const { return steps != nullptr; }
    [[nodiscard]] double evaluate(const NumberTable& table) const { return run(steps, table); }
  };
  [[nodiscard]] Code code() const { return {steps_.data()}; }

  Formula() = default;
  /// The first fault when the text is no formula; names may be any.
  static std::variant<Formula, FormulaFault> parse(std::string_view text);
  /// A number with its dimension.
  static Formula literal(double number, const Dimension& dimension);

  [[nodiscard]] bool empty() const { return nodes_.empty(); }
  [[nodiscard]] const std::string& text() const { return text_; }
  [[nodiscard]] const std::vector<Node>& nodes() const { return nodes_; }
  [[nodiscard]] const Place& place(Index node) const { return places_[node]; }
  [[nodiscard]] const FormulaFunction& function(Index node) const {
    return formulaFunctions()[nodes_[node].slot];
  }
  [[nodiscard]] Index root() const { return nodes_.size() - 1; }
  /// The node's n-th operand.
  [[nodiscard]] Index operand(Index node, int n) const;
  /// The node's own literal, name or sign as it is written.
  [[nodiscard]] std::string_view written(Index node) const {
    return std::string_view(text_).substr(places_[node].offset, places_[node].length);
  }
  /// Whether it is a name and nothing else.
  [[nodiscard]] bool isName() const { return nodes_.size() == 1 && nodes_[0].op == Op::Name; }

  /// Visits each name once for every place where it stands, in the order of the text.
  void eachName(const std::function<void(Index, std::string_view)>& visit) const;

  /// Settles what the names stand for: `lookup(name)` gives a NameMeaning. Unknown ones stay so,
  /// have no number, and go to `unknown(offset, name)`.
  template <class Lookup, class OnUnknown>
  void link(const Lookup& lookup, const OnUnknown& unknown) {
    for (Index i = 0; i < nodes_.size(); ++i)
      if (nodes_[i].op == Op::Name && !settle(i, lookup(written(i))))
        unknown(std::size_t{places_[i].offset}, written(i));
    if (!nodes_.empty()) steps_ = compiled(root());
  }

  /// What is missing spreads: an operation on a number that is not there has none either. `has(x)`
  /// asks; a branch that is not taken does not count; `a && b` is 0 when either is, `a || b` is 1
  /// when either is. NaN when there is no finite result (a root of a negative number, a division
  /// by 0).
  [[nodiscard]] double evaluate(const NumberTable& table) const;
  [[nodiscard]] double evaluate(const NumberTable& table, Index node) const;
  /// A condition: met when it has a result other than 0. An empty one is always met.
  [[nodiscard]] bool holds(const NumberTable& table) const;
  /// The branch that gives the result: below every ? : at the top whose condition can be told.
  [[nodiscard]] Index taken(const NumberTable& table) const;

 private:
  friend class FormulaReading;
  bool settle(Index name, const NameMeaning& meaning);
  [[nodiscard]] std::vector<ProgramStep> compiled(Index root) const;

  std::string text_;
  std::vector<Node> nodes_;
  std::vector<Place> places_;
  std::vector<ProgramStep> steps_;  // once it is linked
};

}  // namespace drapery
