// A formula written out from its tree, with no more brackets than it needs.
#pragma once

#include <string>

#include "core/expr/formula.h"

namespace drapery {

/// How the pieces are written. As it stands: as rule files write them.
class FormulaWriting {
 public:
  FormulaWriting() = default;
  FormulaWriting(const FormulaWriting&) = default;
  FormulaWriting& operator=(const FormulaWriting&) = default;
  virtual ~FormulaWriting() = default;
  [[nodiscard]] virtual std::string name(const Formula& formula, Formula::Index node) const;
  [[nodiscard]] virtual std::string number(const Formula& formula, Formula::Index node) const;
  [[nodiscard]] virtual std::string function(const FormulaFunction& function) const;
  /// Of a sign between two, without blanks; "?" and ":" by the flag.
  [[nodiscard]] virtual std::string sign(Formula::Op op, bool isElse = false) const;
};

/// The subtree at `node`. Parses back to the same tree when written as rule files are.
std::string printFormula(const Formula& formula, Formula::Index node,
                         const FormulaWriting& writing = {});

}  // namespace drapery
