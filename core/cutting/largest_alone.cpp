#include "core/cutting/largest_alone.h"

#include <algorithm>

#include "core/cutting/count_index.h"
#include "core/cutting/exact_cheaper.h"

namespace drapery {

namespace {

constexpr double kSame = 1e-9;
constexpr double kGrowth = 2.0;       // of the work, at least, from each set to the next
constexpr double kOfWork = 1.0 / 16;  // of all pieces' at most: those are to be tried themselves
constexpr double kOfArea = 0.5;       // of all pieces', that the largest must come to

/// Sets of the largest pieces, each of the next and more; not all pieces.
std::vector<Counts> largestSets(const MaterialJob& job) {
  std::vector<std::size_t> pieces = piecesOf(job.counts);
  const auto areaOf = [&](std::size_t kind) { return leastAreaOf(job, kind); };
  std::stable_sort(pieces.begin(), pieces.end(),
                   [&](std::size_t a, std::size_t b) { return areaOf(a) > areaOf(b); });
  const double most = kOfWork * CountIndex::pairsOf(job.counts);
  double all = 0.0, taken = 0.0, work = 1.0;
  for (const std::size_t kind : pieces) all += areaOf(kind);
  std::vector<Counts> sets;
  Counts wanted(job.counts.size(), 0);
  for (std::size_t i = 0; i + 1 < pieces.size(); ++i) {
    ++wanted[pieces[i]];
    const double pairs = CountIndex::pairsOf(wanted);
    if (!canTryCheaper(job, wanted) || pairs > most) break;
    taken += areaOf(pieces[i]);
    if (pairs < kGrowth * work) continue;
    work = pairs;
    sets.push_back(wanted);
  }
  if (taken < kOfArea * all) sets.clear();
  return sets;
}

}  // namespace

bool isAnyLarge(const MaterialJob& job) { return !largestSets(job).empty(); }

double boundOfLargest(const MaterialJob& job, std::uint64_t& work, double least,
                      const std::function<double()>& known, const std::function<bool()>& isEnough) {
  std::vector<std::size_t> kinds;
  for (const Counts& set : largestSets(job)) {
    if (least >= known() - kSame || isEnough()) break;
    const ExactCheaper found =
        exactCheaper(onlyWanted(job, set, kinds), work, least, known, isEnough);
    least = std::max(least, found.bound);
    if (!found.isAll) break;
  }
  return least;
}

}  // namespace drapery
