// What follows from a job: every number with its way there, the pieces, the findings. A pure value,
// thrown away and computed again at each change.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/geometry/point.h"
#include "core/method/method.h"
#include "core/plan/job_inputs.h"
#include "core/quantity/length.h"

namespace drapery {

struct PlannedPart {
  const PartRule* rule = nullptr;
  int count = 1;
  std::string_view material;   // of the rule's, the one that applies
  Length width, height;        // exact
  Length cutWidth, cutHeight;  // rounded to the rule in hand
  /// Its shape as it is cut, from its lower left corner and counter-clockwise, exact: a rectangle
  /// with four points, or more. No point stands twice and none on the line between its neighbours.
  std::vector<Point> outline;
  std::vector<std::pair<Point, Point>> slits;  // cuts inside the outline
  std::vector<Point> places;                   // lower left corners in the flat case, exact
  [[nodiscard]] bool isRectangle() const { return outline.size() == 4; }
};

/// A finding that applies, with the figures for its words in the order of their expressions.
struct PlannedFinding {
  const FindingRule* rule = nullptr;
  std::vector<Figure> says;
  std::vector<Figure> remedy;
};

/// A mark that applies, with its figures.
struct PlannedMark {
  const MarkRule* rule = nullptr;
  std::vector<Figure> says;
};

struct Plan {
  MethodPtr method;
  Units units = Units::Millimetres;
  Length mark;                 // the rule in hand
  std::vector<double> values;  // one for each of the method's nodes; NaN where there is none
  std::vector<bool> entered;   // by node: whether the binder said it (an input's)
  std::vector<bool> counts;    // by node: whether it has a place on this book; 'entered' may not
  std::vector<std::size_t> taken;  // by node: which branch of its formula
  std::vector<Readings> readings;  // one for each of the method's inputs
  /// One for each node: how far the readings' spread lets it be off, either way; 0 where no
  /// spread reaches it, NaN where there is no value. See Planner::plan.
  std::vector<double> tolerances;
  std::vector<PlannedPart> parts;
  std::vector<PlannedMark> marks;
  std::vector<PlannedFinding> findings;  // stop before mind before note

  [[nodiscard]] std::optional<double> number(std::string_view name) const;
  [[nodiscard]] std::optional<Length> length(std::string_view name) const;
  /// 0 when no spread reaches the value or there is none.
  [[nodiscard]] double tolerance(std::string_view name) const;
  /// The option chosen for a choice ("flat"); empty when there is no such choice.
  [[nodiscard]] std::string_view choice(std::string_view name) const;
  /// The formula that gave the node its value on this book: of several branches the one taken.
  [[nodiscard]] std::string formula(std::size_t node) const;
  [[nodiscard]] const PlannedPart* part(std::string_view id) const;
  [[nodiscard]] bool has(Severity severity) const;
};

}  // namespace drapery
