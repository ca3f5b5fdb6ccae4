// What stands in a list of a rule file once, or once for each member of a series.
#pragma once

#include <cstddef>
#include <optional>
#include <string>

#include "core/diag/issue.h"

namespace drapery {

struct Repeated {
  std::string each;                   // the series; empty: it stands there once
  SourcePosition eachAt;              // where that is said
  std::optional<std::size_t> series;  // once linked: which of the rule set's
};

}  // namespace drapery
