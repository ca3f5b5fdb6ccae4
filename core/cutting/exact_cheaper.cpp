#include "core/cutting/exact_cheaper.h"

#include <algorithm>
#include <utility>

#include "core/cutting/count_index.h"
#include "core/cutting/most_room.h"

namespace drapery {

namespace {

constexpr double kMostPairs = 2e8;
constexpr double kMostTakings = 2e6;
constexpr double kSame = 1e-9;

}  // namespace

bool canTryCheaper(const MaterialJob& job, const Counts& wanted) {
  return CountIndex::pairsOf(wanted) <= kMostPairs ||
         (isOneRoll(job) && CountIndex::sizeOf(wanted) <= kMostTakings);
}

ExactCheaper exactCheaper(const MaterialJob& job, std::uint64_t& work, double least, double known,
                          const std::function<bool()>& isEnough) {
  constexpr double kFirst = 0.2, kLeast = 0.02;  // of what is between
  constexpr double kMuch = 3.0, kLittle = 1.5, kSlower = 0.5, kFaster = 1.5;
  ExactCheaper result{least, {}};
  if (!canTryCheaper(job, job.counts)) return result;
  // Where nothing costs less than that, it is more; where something does, the least is among it.
  // What leaves as much room as all that is cheaper than what is known narrows nothing down.
  const double whole = mostRoom(job, known);
  double step = kFirst, worked = 0.0;
  for (double part = step; !result.isAll; part += step) {
    const bool isLast = part >= 1.0 - kLeast;
    const double below = isLast ? known : least + part * (known - least);
    const double room = isLast ? whole : mostRoom(job, below);
    if (!isLast && room >= whole) continue;
    const std::uint64_t before = work;
    ExactBelow found = exactBelow(job, {below, room}, work, isEnough);
    if (!found.isAll) break;
    result.isAll = found.laid || isLast;
    result.bound = found.laid ? found.laid->cost : below - (isLast ? 0.0 : kSame);
    result.laid = std::move(found.laid);
    const auto works = double(before - work);
    if (worked > 0.0 && works > kMuch * worked) step = std::max(kLeast, kSlower * step);
    if (works < kLittle * worked) step *= kFaster;
    worked = works;
  }
  return result;
}

}  // namespace drapery
