#include "core/cutting/exact_cheaper.h"

#include <algorithm>
#include <cmath>
#include <utility>

#include "core/cutting/count_index.h"
#include "core/cutting/most_room.h"

namespace drapery {

namespace {

constexpr double kMostPairs = 2e8;
constexpr double kMostTakings = 2e6;  // with a roll, where few are left to be joined
constexpr double kMostOfAll = 8e6;    // of them, each as often as there are stocks: 350 MB
constexpr double kSame = 1e-9;

}  // namespace

bool canTryCheaper(const MaterialJob& job, const Counts& wanted) {
  if (CountIndex::pairsOf(wanted) <= kMostPairs) return true;
  const double takings = CountIndex::sizeOf(wanted);
  return takings <= kMostTakings && takings * double(job.stocks.size()) <= kMostOfAll &&
         rollsOf(job) == 1;
}

ExactCheaper exactCheaper(const MaterialJob& job, std::uint64_t& work, double least,
                          const std::function<double()>& known,
                          const std::function<bool()>& isEnough) {
  constexpr double kFirst = 0.1, kLeast = 0.02;  // of what is between
  constexpr double kTimes = 3.0;                 // as much work as the step before
  constexpr double kHardly = 1.1;                // more of it
  constexpr double kSlowest = 0.3;               // of a step
  ExactCheaper result{least, {}};
  if (!canTryCheaper(job, job.counts)) return result;
  // Where nothing costs less than that, it is more; where something does, the least is among it.
  // What leaves as much room as all that is cheaper than what is known narrows nothing down.
  // On one roll little is left to be joined at first, and work grows ever faster.
  const double fastest = isOneRoll(job) ? 2.0 : 5.0;
  double step = kFirst * (known() - least), worked = 0.0;
  while (!result.isAll) {
    const double most = known(), whole = mostRoom(job, most);
    step = std::max(step, kLeast * (most - least));
    double below = result.bound + step;
    while (below < most && mostRoom(job, below) >= whole) below += step;
    const bool isLast = below >= most - step / 2;  // also where it is less than a bound by now
    if (isLast) below = most;
    const std::uint64_t before = work;
    ExactBelow found = exactBelow(job, {below, mostRoom(job, below)}, work, isEnough);
    if (!found.isAll) break;
    result.isAll = found.laid || isLast;
    result.bound =
        found.laid ? found.laid->cost : std::max(result.bound, below - (isLast ? 0.0 : kSame));
    result.laid = std::move(found.laid);
    const auto works = double(before - work);
    if (worked > 0.0) {
      const double times = std::log(kTimes) / std::log(std::max(works / worked, kHardly));
      step *= std::clamp(times, kSlowest, fastest);
    } else if (!isOneRoll(job)) {
      step *= fastest;
    }
    worked = works;
  }
  return result;
}

}  // namespace drapery
