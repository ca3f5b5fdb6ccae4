#include "core/cutting/slice_bound.h"

#include <algorithm>

#include "core/cutting/slice_cover.h"

namespace drapery {

double sliceBound(const MaterialJob& job, double known, const std::function<bool()>& isOver) {
  constexpr double kHardly = 5e-4;
  if (!isOneRoll(job) || job.stock(0).cost <= 0) return 0.0;
  const CutStock& roll = job.stock(0);
  const double unpaid = double(roll.kerf) - double(roll.bottom), perUm = roll.cost / 1e6;
  SliceValues slices(job, 0);
  const SliceCover cover = coverBySlices(job, {job.counts.begin(), job.counts.end()}, slices,
                                         known * (1 + kHardly) / perUm + unpaid, isOver);
  return std::max(0.0, perUm * (cover.least - unpaid));
}

}  // namespace drapery
