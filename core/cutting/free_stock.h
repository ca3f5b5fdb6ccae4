// Prices as they are reckoned with, whatever the money. Stock that costs nothing is not wasted
// either: it is weighed by its size.
#pragma once

#include <map>
#include <string>

#include "core/cutting/cut_problem.h"

namespace drapery {

struct WeighedStock {
  struct Weighing {
    double unit = 1.0;  // of prices: the dearest stock weighs 1 to 2
    double free = 0.0;  // what all free stock weighs; so little that, beside stock that is paid
                        // for, what costs least by weight costs least
  };
  CutProblem problem;
  std::map<std::string, Weighing> weighings;  // by material

  /// What a lay-out costs at least that weighs so much.
  [[nodiscard]] double costOf(const std::string& material, double weight) const;
};

/// Free stock weighs as much as it has square metres, or hardly anything where other stock of the
/// material has to be paid for.
WeighedStock weighed(const CutProblem& problem);

}  // namespace drapery
