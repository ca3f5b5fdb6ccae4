#include "core/cutting/pattern_dive.h"

#include <algorithm>
#include <cmath>
#include <numeric>

#include "core/cutting/pattern_sheets.h"

namespace drapery {

namespace {

constexpr double kEffort = 0.05;  // of what goes into a bound, each time
constexpr double kMostly = 0.9;   // of a sheet's area is still wanted
constexpr double kAtOnce = 0.15;  // of the sheets that are left, while there are many
constexpr double kNearly = 0.4;   // whole

double part(std::mt19937_64& chance) {
  return static_cast<double>(chance() >> 11) / 9007199254740992.0;
}

/// In the order in which they are tried: the one that would be used most first, or as chance has
/// it.
void order(std::vector<PatternUse>& uses, std::mt19937_64* chance) {
  constexpr double kLeast = 0.3;
  std::vector<std::pair<double, std::size_t>> keys;
  for (std::size_t i = 0; i < uses.size(); ++i)
    keys.emplace_back(uses[i].often * (chance ? kLeast + part(*chance) : 1.0), i);
  std::stable_sort(keys.begin(), keys.end(),
                   [](const auto& a, const auto& b) { return a.first > b.first; });
  std::vector<PatternUse> ordered;
  ordered.reserve(uses.size());
  for (const auto& [key, i] : keys) ordered.push_back(std::move(uses[i]));
  uses = std::move(ordered);
}

/// By chance now and then one of them less, so that not every try begins alike.
std::vector<PatternUse> fewer(std::vector<PatternUse> uses, std::mt19937_64* chance) {
  constexpr double kLess = 0.15;
  if (chance == nullptr) return uses;
  for (PatternUse& use : uses)
    if (part(*chance) < kLess) use.often = std::max(0.0, use.often - 1.0);
  return uses;
}

}  // namespace

void addByPatterns(const MaterialJob& job, const Patterns& patterns, std::mt19937_64* chance,
                   const std::function<bool()>& isOver, std::vector<Bin>& bins,
                   std::vector<int>& used, Counts& wanted) {
  addWhole(job, fewer(patterns.uses, chance), bins, used, wanted);
  std::vector<PatternUse> known = patterns.known;
  MaterialJob left = job;
  while (!isOver() && std::accumulate(wanted.begin(), wanted.end(), 0) > 0) {
    left.counts = wanted;
    Patterns found = properPatterns(left, std::move(known), kEffort, isOver);
    known = std::move(found.known);
    const std::size_t before = bins.size();
    if (addWhole(job, found.uses, bins, used, wanted)) continue;
    order(found.uses, chance);
    double sheets = 0.0;
    for (const PatternUse& use : found.uses) sheets += use.often;
    const auto enough = before + 1 + static_cast<std::size_t>(sheets * kAtOnce);
    for (const PatternUse& use : found.uses)
      if (bins.size() == before || (bins.size() < enough && use.often >= kNearly))
        addPattern(job, use, kMostly, bins, used, wanted);
    if (bins.size() == before) return;
  }
}

}  // namespace drapery
