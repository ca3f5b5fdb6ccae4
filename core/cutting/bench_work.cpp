#include "core/cutting/bench_work.h"

#include <limits>
#include <set>

#include "core/cutting/for_bench.h"

namespace drapery {

const std::vector<GaugeStep>& BenchWork::stepsOf(const std::string& material) const {
  static const std::vector<GaugeStep> kNone;
  const auto found = steps.find(material);
  return found == steps.end() ? kNone : found->second;
}

bool BenchWork::areSeveralSheets(const std::string& material) const {
  std::set<std::size_t> sheets;
  for (const GaugeStep& step : stepsOf(material))
    for (const OrderedCut& cut : step.cuts) sheets.insert(cut.sheet);
  return sheets.size() > 1;
}

BenchWork benchWork(const CutProblem& problem, const CutLayout& layout, const UsableLeft& usable,
                    Micrometres longest) {
  BenchWork work;
  work.layout = forBench(problem, layout, usable,
                         longest > 0 ? longest : std::numeric_limits<Micrometres>::max());
  for (const MaterialCost& cost : work.layout.materials)
    work.steps[cost.material] = cutOrder(problem, work.layout, cost.material);
  return work;
}

}  // namespace drapery
