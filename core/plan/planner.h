// Computes plans of one method. Holds compiled formulas: one planner per thread.
#pragma once

#include <memory>
#include <vector>

#include "core/plan/job.h"
#include "core/plan/job_inputs.h"
#include "core/plan/plan.h"

namespace drapery {

/// How much one millimetre more in an input moves a value.
struct Influence {
  std::size_t input = 0;  // node
  double change = 0.0;    // in the value's unit
};

class Planner {
 public:
  /// The method must have been loaded without issues.
  explicit Planner(MethodPtr method);
  ~Planner();
  Planner(Planner&&) noexcept;
  Planner& operator=(Planner&&) noexcept;

  struct Outcome {
    Plan plan;      // all that can be computed, also when there are issues
    Issues issues;  // entries that were refused, measures that are missing
  };
  Outcome plan(const Job& job);

  /// One millimetre added to each length that the binder said or the method supposes, one at a
  /// time; inputs that do not move the value are left out. The largest first.
  std::vector<Influence> influences(const Plan& plan, std::size_t node);

  [[nodiscard]] const MethodPtr& method() const;

 private:
  class Impl;
  std::unique_ptr<Impl> impl_;
};

}  // namespace drapery
