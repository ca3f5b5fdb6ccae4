// Stock that costs nothing is not wasted either: it is weighed by its size.
#pragma once

#include <map>
#include <string>

#include "core/cutting/cut_problem.h"

namespace drapery {

struct WeighedStock {
  CutProblem problem;
  /// By material: what all of its free stock weighs. Beside stock that is paid for that is so
  /// little that what costs least by weight costs least.
  std::map<std::string, double> weight;
};

/// Free stock costs as many as it has square metres, or hardly anything where other stock of the
/// material has to be paid for.
WeighedStock weighed(const CutProblem& problem);

}  // namespace drapery
