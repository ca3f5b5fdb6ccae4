// What the binder says in place of the rules: values, and pieces as they really are.
#pragma once

#include <map>
#include <optional>
#include <string>
#include <vector>

#include "core/plan/plan.h"

namespace drapery {

/// A piece as it was cut; a side that was not said is cut to the rule in hand.
struct CutSides {
  std::optional<Length> width, height;
};

struct Overrides {
  /// Values by id, in their own unit: all that depends on one follows, and the plan keeps what its
  /// rule gives beside it.
  std::map<std::string, double, std::less<>> fixed;
  /// Pieces by id: in the trial they take the place of the cut sizes.
  std::map<std::string, CutSides, std::less<>> asCut;
  /// Inputs by id that count as not said, whatever the job says.
  std::vector<std::string> unsaid;

  [[nodiscard]] bool empty() const { return fixed.empty() && asCut.empty() && unsaid.empty(); }
};

/// All that was settled in a plan by then: pieces as cut, and values whose rules say so. With them
/// the case is tried on another book.
Overrides settledBy(Moment moment, const Plan& plan);

}  // namespace drapery
