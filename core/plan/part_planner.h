// The pieces of a plan: how many, of what, how large, in which shape and where they lie.
#pragma once

#include <utility>
#include <vector>

#include "core/plan/bound_formula.h"
#include "core/plan/evaluation.h"
#include "core/plan/plan.h"

namespace drapery {

class PartPlanner {
 public:
  explicit PartPlanner(const Method& method);

  /// Adds the pieces that the plan's values give. One without a positive size is no piece; one
  /// whose outline cannot be computed is a rectangle.
  void plan(Plan& plan, Evaluation& evaluation);

 private:
  using BoundPoint = std::pair<BoundFormula, BoundFormula>;
  struct BoundPart {
    BoundPart(const Method& method, const PartRule& rule);
    const PartRule* rule;
    BoundFormula count, when;
    std::size_t width, height, cutWidth, cutHeight;  // nodes
    std::vector<BoundFormula> materials;
    std::vector<BoundPoint> outline, places;
    std::vector<std::pair<BoundPoint, BoundPoint>> slits;
  };
  static BoundPoint bound(const PointRule& point);
  static std::string_view materialOf(BoundPart& bound, Evaluation& evaluation);
  static void shape(PlannedPart& part, BoundPart& bound, Evaluation& evaluation);

  std::vector<BoundPart> parts_;
};

}  // namespace drapery
