// A lay-out as it is cut at the bench, with its settings of the gauge.
#pragma once

#include <map>
#include <string>
#include <vector>

#include "core/cutting/cut_order.h"
#include "core/cutting/edge_cuts.h"

namespace drapery {

struct BenchWork {
  CutLayout layout;
  std::map<std::string, std::vector<GaugeStep>> steps;  // by material

  /// None where nothing of it is cut.
  [[nodiscard]] const std::vector<GaugeStep>& stepsOf(const std::string& material) const;
  /// Whether they are of several sheets: then one of these has perhaps not all of them.
  [[nodiscard]] bool areSeveralSheets(const std::string& material) const;
};

/// `forBench` and `cutOrder` of each material.
/// @param longest cut of the shear or mat, 0: any
BenchWork benchWork(const CutProblem& problem, const CutLayout& layout, const UsableLeft& usable,
                    Micrometres longest = 0);

}  // namespace drapery
