// A formula of a rule file and its place there.
#pragma once

#include <cstddef>
#include <string>

#include "core/diag/issue.h"
#include "core/expr/formula.h"

namespace drapery {

struct RuleFormula {
  Formula formula;
  SourcePosition at;      // of the first character of the text that it stands in
  std::size_t begin = 0;  // where in that text, as it was read
  [[nodiscard]] bool empty() const { return formula.empty(); }
  [[nodiscard]] const std::string& text() const { return formula.text(); }
};

}  // namespace drapery
