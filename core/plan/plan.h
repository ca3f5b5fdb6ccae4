// What follows from a job: every number with its way there, the pieces, the findings. A pure value,
// thrown away and computed again at each change.
#pragma once

#include <optional>
#include <string_view>
#include <vector>

#include "core/geometry/point.h"
#include "core/method/method.h"
#include "core/quantity/length.h"

namespace drapery {

struct PlannedPart {
  const PartRule* rule = nullptr;
  Length width, height;        // exact
  Length cutWidth, cutHeight;  // rounded to the rule in hand
  Length corner;               // leg cut off each corner, 0 for none
  std::vector<Point> places;   // lower left corners in the flat case, exact
};

/// A finding that applies, with the figures for its words in the order of their expressions.
struct PlannedFinding {
  const FindingRule* rule = nullptr;
  std::vector<Figure> says;
  std::vector<Figure> remedy;
};

struct Plan {
  MethodPtr method;
  Units units = Units::Millimetres;
  Length mark;                 // the rule in hand
  std::vector<double> values;  // one for each of the method's nodes; NaN where there is none
  std::vector<bool> entered;   // whether the binder said it (an input's node)
  std::vector<PlannedPart> parts;
  std::vector<PlannedFinding> findings;  // stop before mind before note

  [[nodiscard]] std::optional<double> number(std::string_view name) const;
  [[nodiscard]] std::optional<Length> length(std::string_view name) const;
  /// The option chosen for a choice ("flat"); empty when there is no such choice.
  [[nodiscard]] std::string_view choice(std::string_view name) const;
  [[nodiscard]] const PlannedPart* part(std::string_view id) const;
  [[nodiscard]] bool has(Severity severity) const;
};

}  // namespace drapery
