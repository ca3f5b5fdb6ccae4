// Plans books by one rule set. Holds no state of its own beside it: one planner for all threads.
#pragma once

#include <optional>
#include <vector>

#include "core/material/material_catalogue.h"
#include "core/plan/job.h"
#include "core/plan/overrides.h"
#include "core/plan/plan.h"
#include "core/rules/evaluation.h"

namespace drapery {

/// How much one millimetre more in an input moves a value.
struct Influence {
  std::size_t input = 0;  // node
  double change = 0.0;    // in the value's unit
};

/// How much one millimetre more in a reading moves a piece.
struct PartMove {
  std::size_t part = 0;   // index into the plan's parts
  std::size_t input = 0;  // node of the measure
  double width = 0.0;     // mm
  double height = 0.0;    // mm
};

struct PlanOutcome {
  Plan plan;      // all that can be computed, also when there are issues
  Issues issues;  // entries that were refused, measures that are missing
};

/// The plan's numbers, to move from there.
Evaluation recalled(const Plan& plan);

class Planner {
 public:
  /// Without a catalogue the shipped materials count.
  explicit Planner(RuleSetPtr rules, CataloguePtr catalogue = nullptr);

  /// A measure whose readings differ is uncertain by half their spread; each value's tolerance is
  /// T = sqrt(sum of (c h)^2), with h that half and c h the change of the value from the readings'
  /// mean to the end that changes it more: first order, the measures independent. At a kink, where
  /// both ends differ, that is on the safe side. JCGM 100:2008 (GUM) 5.1.2; both sides carry the
  /// same factor sqrt 3 of the rectangular distribution (4.3.7). Values of the trial (that depend
  /// on a piece as cut) move with the book alone: the pieces are cut.
  [[nodiscard]] PlanOutcome plan(const Job& job, const Overrides& overrides = {}) const;

  /// One millimetre added to each length that the binder said or the method supposes, one at a
  /// time; inputs that do not move the value are left out. The largest first. A measure moves the
  /// values of the trial as a mistake in it would: the pieces are cut.
  [[nodiscard]] std::vector<Influence> influences(const Plan& plan, std::size_t node) const;

  /// The same for all pieces, by the measures that the binder said.
  [[nodiscard]] std::vector<PartMove> partMoves(const Plan& plan) const;

  /// What is told beside a plan that is written down.
  struct Detail {
    std::vector<PartMove> moves = {};
    /// With nothing trimmed yet, where something is still to be.
    std::optional<Plan> before = {};
  };
  [[nodiscard]] Detail detail(const Job& job, const Plan& plan) const;

  [[nodiscard]] const RuleSetPtr& rules() const { return rules_; }
  [[nodiscard]] const MaterialCatalogue& catalogue() const { return *catalogue_; }

 private:
  RuleSetPtr rules_;
  CataloguePtr catalogue_;
};

}  // namespace drapery
