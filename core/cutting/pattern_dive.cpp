#include "core/cutting/pattern_dive.h"

#include <algorithm>
#include <cmath>

#include "core/cutting/chance.h"
#include "core/cutting/pattern_sheets.h"

namespace drapery {

namespace {

constexpr double kMostly = 0.9;   // of a sheet's area is still wanted
constexpr double kAtOnce = 0.15;  // of the sheets that are left, while there are many
constexpr double kNearly = 0.4;   // whole

/// In the order in which they are tried: the one that would be used most first, or as chance has
/// it.
void order(std::vector<PatternUse>& uses, std::mt19937_64* chance) {
  constexpr double kLeast = 0.3;
  std::vector<std::pair<double, std::size_t>> keys;
  for (std::size_t i = 0; i < uses.size(); ++i)
    keys.emplace_back(uses[i].often * (chance ? kLeast + drawnPart(*chance) : 1.0), i);
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
    if (drawnPart(*chance) < kLess) use.often = std::max(0.0, use.often - 1.0);
  return uses;
}

}  // namespace

void joinRolls(const MaterialJob& job, LaidInPart& laid) {
  std::vector<Bin> bins = std::move(laid.bins);
  std::vector<std::optional<std::size_t>> rolls(job.stocks.size());  // which bin it is
  laid.bins.clear();
  laid.used.assign(job.stocks.size(), 0);
  for (Bin& bin : bins) {
    if (job.stock(bin.stock).form == StockForm::Sheet) {
      ++laid.used[bin.stock];
      laid.bins.push_back(std::move(bin));
      continue;
    }
    auto& roll = rolls[bin.stock];
    if (!roll) {
      ++laid.used[bin.stock];
      roll = laid.bins.size();
      laid.bins.push_back(emptyBin(job, bin.stock));
    }
    Bin& whole = laid.bins[*roll];
    const auto room = openEnd(job, whole);
    if (room && whole.parts[*room].along >= bin.end)
      takeSlab(job, whole, {0.0, std::move(bin.parts)}, *room);
    else
      for (const std::size_t kind : bin.holds) ++laid.wanted[kind];
  }
}

PatternDive::PatternDive(const MaterialJob& job, const Patterns& patterns, double effort,
                         std::mt19937_64* chance, std::function<bool()> isOver)
    : job_(job),
      effort_(effort),
      chance_(chance),
      isOver_(std::move(isOver)),
      known_(patterns.known),
      laid_{{}, std::vector<int>(job.stocks.size(), 0), job.counts} {
  addWhole(job, fewer(patterns.uses, chance), laid_.bins, laid_.used, laid_.wanted);
}

bool PatternDive::step() {
  if (isOver_() || !isAnyWanted()) return false;
  MaterialJob left = job_;
  left.counts = laid_.wanted;
  Patterns found = properPatterns(left, laid_.used, std::move(known_), effort_, isOver_);
  known_ = std::move(found.known);
  const std::size_t before = laid_.bins.size();
  if (addWhole(job_, found.uses, laid_.bins, laid_.used, laid_.wanted)) return true;
  order(found.uses, chance_);
  double sheets = 0.0;
  for (const PatternUse& use : found.uses) sheets += use.often;
  const auto enough = before + 1 + static_cast<std::size_t>(sheets * kAtOnce);
  for (const PatternUse& use : found.uses)
    if (laid_.bins.size() == before || (laid_.bins.size() < enough && use.often >= kNearly))
      addPattern(job_, use, kMostly, laid_.bins, laid_.used, laid_.wanted);
  return laid_.bins.size() > before;
}

double PatternDive::left() const { return areaOf(job_, laid_.wanted) / areaOf(job_, job_.counts); }

bool PatternDive::isAnyWanted() const {
  return std::any_of(laid_.wanted.begin(), laid_.wanted.end(), [](int count) { return count > 0; });
}

}  // namespace drapery
