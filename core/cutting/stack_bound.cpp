#include "core/cutting/stack_bound.h"

#include "core/cutting/exact_lay_out.h"
#include "core/cutting/slice_cover.h"

namespace drapery {

double stackBound(const MaterialJob& job, double least, double known,
                  const std::function<bool()>& isOver) {
  constexpr double kHardly = 5e-4, kRounding = 1e-9;
  if (!isOneRoll(job) || job.stock(0).cost <= 0) return least;
  const std::vector<double> wanted(job.counts.begin(), job.counts.end());
  const auto across = double(usableOf(job.stock(0)).across);
  for (double most = known; most > least * (1 + kHardly) && !isOver();) {
    const double cost = (least + most) / 2;
    SliceValues stacks(job, 0, alongBelow(job.stock(0), cost));
    const bool isTooWide =
        coverBySlices(job, wanted, stacks, 0.0, isOver).least > across * (1 + kRounding);
    (isTooWide ? least : most) = cost;
  }
  return least;
}

}  // namespace drapery
