#include "core/cutting/exact_cheaper.h"

#include <algorithm>

#include "core/cutting/count_index.h"
#include "core/cutting/most_room.h"

namespace drapery {

namespace {

constexpr double kMostPairs = 2e8;
constexpr double kSame = 1e-9;

}  // namespace

bool canTryCheaper(const Counts& wanted) { return CountIndex::pairsOf(wanted) <= kMostPairs; }

ExactCheaper exactCheaper(const MaterialJob& job, std::uint64_t& work, double least, double known,
                          const std::function<bool()>& isEnough, const std::vector<double>& parts) {
  ExactCheaper result{least, {}};
  if (!canTryCheaper(job.counts)) return result;
  // Where nothing costs less than that, it is more; where something does, the least is among it.
  // What leaves as much room as all that is cheaper than what is known narrows nothing down.
  const double whole = mostRoom(job, known);
  for (const double part : parts) {
    const double below = part < 1.0 ? least + part * (known - least) : known;
    const double room = part < 1.0 ? mostRoom(job, below) : whole;
    if (part < 1.0 && room >= whole) continue;
    ExactBelow found = exactBelow(job, {below, room}, work, isEnough);
    if (!found.isAll) break;
    result.bound = below - (part < 1.0 ? kSame : 0.0);
    result.isAll = found.laid || part == 1.0;
    if (!found.laid) continue;
    result.laid = std::move(found.laid);
    result.bound = result.laid->cost;
    break;
  }
  return result;
}

}  // namespace drapery
