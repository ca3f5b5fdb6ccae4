// A formula of a rule file and the place of its first character there.
#pragma once

#include <string>

#include "core/diag/issue.h"
#include "core/expr/formula.h"

namespace drapery {

struct RuleFormula {
  Formula formula;
  SourcePosition at;
  [[nodiscard]] bool empty() const { return formula.empty(); }
  [[nodiscard]] const std::string& text() const { return formula.text(); }
};

}  // namespace drapery
