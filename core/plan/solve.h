// Runs a plan backwards: what an input must be for a value that follows from it to be what the
// binder wants.
#pragma once

#include <string>
#include <variant>
#include <vector>

#include "core/plan/planner.h"

namespace drapery {

/// "setback, so that board_width is 139": the ids and the wanted figure, mm for a length.
struct Wanted {
  std::string change;
  std::string soThat;
  double figure = 0.0;
};

/// One figure, or all from one to another (a plateau, where the value is the same throughout).
struct Solution {
  double from = 0.0, to = 0.0;
  [[nodiscard]] bool isPlateau() const { return from < to; }
};

struct Solved {
  Wanted wanted;
  double value = 0.0;            // of the input: of all solutions the nearest to what it was
  Solution nearest;              // that one
  std::vector<Solution> others;  // all others in the input's range, ascending
};

struct SolvedJob {
  Job job;  // with all inputs changed
  std::vector<Solved> solved;
};

/// Solves the pairs in their order, each on what the former made of the job. The way from input to
/// value is followed over the input's whole range: looked at in 600 places and closer about the
/// present figure, and bisected wherever it passes the wanted one, to 1e-9. What it does between
/// two places side by side without passing it is not seen. Refused, with an issue: an input or a
/// value that is not known, one that goes in steps (counts, choices, what is cut or marked, the
/// trial), no effect, and a figure that nothing in the range gives, with the nearest that
/// something does.
std::variant<SolvedJob, Issue> solve(const Job& job, const Planner& planner,
                                     const std::vector<Wanted>& wanted);

}  // namespace drapery
