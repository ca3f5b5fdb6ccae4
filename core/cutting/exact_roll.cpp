#include "core/cutting/exact_roll.h"

#include <algorithm>

#include "core/cutting/box_fronts.h"
#include "core/cutting/sheet_builder.h"

namespace drapery {

ExactRoll exactRoll(const MaterialJob& job, double effort, double least, Micrometres known,
                    const std::function<bool()>& isEnough) {
  constexpr double kMostPairs = 2e7;
  // Joins of boxes: some seconds.
  auto work = static_cast<std::uint64_t>(effort * 2e8);
  ExactRoll result;
  if (!isOneRoll(job) || !job.pinned.empty() || CountIndex::pairsOf(job.counts) > kMostPairs)
    return result;
  const CutStock& roll = job.stock(0);
  const CountIndex index(job.counts);
  double area = 0.0;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) {
    const LyingSize& size = job.sizes[0][kind].front();
    area += job.counts[kind] * double(size.across) * double(size.along);
  }
  const auto across = double(usableOf(job.stock(0)).across);
  const double from = std::max(area / across, least / std::max(roll.cost, 1e-12) * 1e6 -
                                                  double(roll.bottom) + double(roll.kerf));
  // Where nothing lies within some length, it is more; where something does, the least is among it.
  for (const double part : {0.25, 0.5, 0.75, 1.0}) {
    const auto most =
        std::min(known - 1, static_cast<Micrometres>(from + part * (double(known) - from)));
    const BoxFronts fronts(job, 0, index, work, isEnough, {most, across * double(most) - area});
    if (!fronts.isWhole()) return result;
    const auto& front = fronts.of(index.all());
    if (front.empty()) {
      result.bound = costOf(roll, most + 1);
      continue;
    }
    MaterialLayOut found;
    found.cost = found.bound = result.bound = costOf(roll, front.back().along);
    SheetBuilder builder(job, 0);
    const CutRegion whole = builder.whole(front.back().along - roll.kerf);
    found.sheets.push_back(
        builder.finish(builder.box(fronts, index.all(), front.size() - 1, whole)));
    result.laid = std::move(found);
    return result;
  }
  return result;
}

}  // namespace drapery
