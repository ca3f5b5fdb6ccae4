// Ties the formulas of a rule set together: names to numbers, the order of computing, circles.
#pragma once

#include <functional>
#include <string>
#include <vector>

#include "core/expr/check_dimensions.h"
#include "core/rules/rule_set.h"
#include "core/toml/issue_placer.h"

namespace drapery {

/// Whether each formula's quantities are checked while loading. Files that ship with the program
/// are checked by the tests, so a start need not do it again.
enum class FormulaCheck { Full, NamesOnly };

class Linker {
 public:
  Linker(RuleSet& rules, IssuePlacer& placer, FormulaCheck check)
      : rules_(rules), placer_(placer), check_(check) {}

  /// Fills nodes, index, options and order; every mistake goes to the placer.
  void run();

  // What the sections call.

  void declareOptions(const InputRule& rule);
  /// Adds a number, under its former names too; a name that is taken is a mistake.
  void declare(ValueNode node, const SourcePosition& at, const std::vector<std::string>& was = {});
  static ValueNode nodeOf(std::string name, ValueNode::Source source, std::size_t rule,
                          const Dimension& dimension);

  using Uses = std::vector<std::size_t>;
  /// Ties the names of a formula to their numbers and checks that it comes to `wanted`. Within a
  /// series its index and columns can be named. Adds the nodes that it reads to `uses`.
  void link(RuleFormula& formula, const Dimension& wanted, Uses* uses = nullptr);
  void linkIn(const SeriesRule* series, RuleFormula& formula, const Dimension& wanted,
              Uses* uses = nullptr);
  void linkPoint(const SeriesRule* series, RulePoint& point);
  /// The same for one that may come to anything; tells what.
  Quantity linkAny(const SeriesRule* series, RuleFormula& formula, Uses* uses = nullptr);
  void linkWords(RuleWords& words, const SeriesRule* series = nullptr);
  /// The series that the entry stands for each of; null when it stands there once.
  const SeriesRule* seriesOf(struct Repeated& repeated);
  /// The node's uses are what its formulas read.
  void linkNode(const std::string& name,
                const std::vector<std::pair<RuleFormula*, std::optional<Dimension>>>& all);
  void linkSeries(std::size_t index);
  /// From now on tolerances can be asked for: all numbers are tied.
  void numbersAreLinked() { areNumbersLinked_ = true; }
  [[nodiscard]] bool knows(std::string_view name) { return nodeNamed(name).has_value(); }
  [[nodiscard]] IssuePlacer& placer() { return placer_; }

 private:
  std::optional<std::size_t> nodeNamed(std::string_view name);
  std::optional<std::size_t> aspect(std::string_view name);
  std::optional<std::size_t> inputAspect(const std::string& name, std::size_t of,
                                         std::string_view asked);
  std::optional<std::size_t> seriesAspect(const std::string& name, std::string_view of,
                                          std::string_view asked);
  [[nodiscard]] NameMeaning meaningOf(std::string_view name, const SeriesRule* series);
  void tie(const SeriesRule* series, RuleFormula& formula, Uses* uses);
  void complainName(const RuleFormula& formula, std::size_t offset, std::string_view name);
  void complain(const std::vector<FormulaFault>& faults, const RuleFormula& formula);
  /// The place of a byte of a formula.
  [[nodiscard]] SourcePosition placeIn(const RuleFormula& formula, std::size_t offset) const;
  [[nodiscard]] std::string chainOf(const std::vector<std::size_t>& circle) const;
  [[nodiscard]] KnownNames knownNames(const SeriesRule* series);
  [[nodiscard]] SourcePosition placeOf(std::size_t node) const;
  void checkWants();
  void order();
  void findCode();
  void findTried();

  RuleSet& rules_;
  IssuePlacer& placer_;
  FormulaCheck check_;
  int guesses_ = 0;
  bool areNumbersLinked_ = false;  // tolerances can be asked for
};

}  // namespace drapery
