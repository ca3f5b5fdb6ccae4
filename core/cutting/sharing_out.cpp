#include "core/cutting/sharing_out.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace drapery {

namespace {

constexpr double kNone = std::numeric_limits<double>::infinity();

/// Asks now and then, however much there is to look at between.
class Asking {
 public:
  explicit Asking(const std::function<bool()>& isEnough) : isEnough_(isEnough) {}
  /// @param looks what is looked at next, in steps of some nanoseconds.
  bool isEnoughBefore(std::size_t looks) {
    constexpr std::size_t kLook = 1 << 18;  // a millisecond or so
    looked_ += looks;
    if (looked_ < kLook) return false;
    looked_ = 0;
    return isEnough_();
  }

 private:
  const std::function<bool()>& isEnough_;
  std::size_t looked_ = 0;
};

}  // namespace

SharingOut::SharingOut(const CountIndex& index, const Costs& costs,
                       std::vector<std::optional<int>> limits)
    : index_(index), costs_(costs), limits_(std::move(limits)) {}

std::vector<std::size_t> SharingOut::roundsWithout(std::optional<std::size_t> without) const {
  std::vector<std::size_t> rounds;
  for (std::size_t s = 0; s < costs_.size(); ++s)
    if (limits_[s])
      rounds.insert(rounds.end(),
                    static_cast<std::size_t>(std::max(0, *limits_[s] - (without == s ? 1 : 0))), s);
  std::stable_sort(rounds.begin(), rounds.end(), [&](std::size_t a, std::size_t b) {
    return costs_[a].size() < costs_[b].size();
  });
  return rounds;
}

double SharingOut::workOf(bool isOfAll) const {
  const auto all = double(index_.size());
  const bool isAnyEndless =
      std::any_of(limits_.begin(), limits_.end(), [](const auto& limit) { return !limit; });
  double work = 0.0, reached = isAnyEndless ? all : 1.0;
  const std::vector<std::size_t> rounds = roundsWithout(std::nullopt);
  for (std::size_t i = 0; i < rounds.size(); ++i) {
    const std::vector<Fit>& fits = costs_[rounds[i]];
    if (isOfAll && i + 1 == rounds.size()) return work + double(fits.size());
    work += all;
    for (const Fit& fit : fits)
      work += std::min(reached, double(index_.partsOf(index_.all() - fit.set)));
    reached = std::min(all, reached * (1.0 + double(fits.size())));
  }
  return work;
}

const std::vector<double>* SharingOut::reckon(std::optional<std::size_t> without,
                                              const std::function<bool()>& isEnough) {
  rounds_.clear();
  least_.assign(1, {});
  if (!reckonUnlimited(isEnough)) return nullptr;
  for (const std::size_t s : roundsWithout(without))
    if (!takeRound(s, false, isEnough)) return nullptr;
  return &least_.back();
}

std::optional<double> SharingOut::leastOfAll(const std::function<bool()>& isEnough) {
  rounds_.clear();
  least_.assign(1, {});
  if (!reckonUnlimited(isEnough)) return std::nullopt;
  const std::vector<std::size_t> rounds = roundsWithout(std::nullopt);
  for (std::size_t i = 0; i < rounds.size(); ++i)
    if (!takeRound(rounds[i], i + 1 == rounds.size(), isEnough)) return std::nullopt;
  return least_.back().back();
}

bool SharingOut::takeRound(std::size_t stock, bool isLast, const std::function<bool()>& isEnough) {
  rounds_.push_back(stock);
  least_.push_back(least_.back());
  const std::vector<double>& before = least_[least_.size() - 2];
  std::vector<double>& after = least_.back();
  const auto join = [&](std::size_t rest, const Fit& fit) {
    after[rest + fit.set] = std::min(after[rest + fit.set], before[rest] + fit.cost);
  };
  if (isLast) {
    for (const Fit& fit : costs_[stock]) join(index_.all() - fit.set, fit);
    return true;
  }
  std::vector<std::size_t> reached;
  for (std::size_t set = 0; set < before.size(); ++set)
    if (before[set] < kNone) reached.push_back(set);
  Asking asking(isEnough);
  for (const Fit& fit : costs_[stock]) {
    const std::size_t others = index_.all() - fit.set;
    const std::uint64_t parts = index_.partsOf(others);
    if (asking.isEnoughBefore(std::min<std::uint64_t>(parts, reached.size()))) return false;
    if (reached.size() > parts) {
      index_.eachPartOf(others, [&](std::size_t rest) { join(rest, fit); });
      continue;
    }
    for (const std::size_t rest : reached)
      if (index_.isThere(rest, fit.set)) join(rest, fit);
  }
  return true;
}

/// What has room on one more beside all that can be shared out already.
bool SharingOut::reckonUnlimited(const std::function<bool()>& isEnough) {
  std::vector<double>& least = least_.front();
  least.assign(index_.size(), kNone);
  least[0] = 0.0;
  if (std::all_of(limits_.begin(), limits_.end(), [](const auto& limit) { return limit; }))
    return true;
  std::vector<double> alone(index_.size(), kNone);
  for (std::size_t s = 0; s < costs_.size(); ++s)
    if (!limits_[s])
      for (const Fit& fit : costs_[s]) alone[fit.set] = std::min(alone[fit.set], fit.cost);
  Asking asking(isEnough);
  for (std::size_t rest = 0; rest < index_.size(); ++rest) {
    const std::size_t others = index_.all() - rest;
    const bool isAny = least[rest] < kNone;  // mostly none, where all is to be full
    if (asking.isEnoughBefore(isAny ? index_.partsOf(others) : 1)) return false;
    if (!isAny) continue;
    index_.eachPartOf(others, [&](std::size_t part) {
      if (alone[part] < kNone)
        least[rest + part] = std::min(least[rest + part], alone[part] + least[rest]);
    });
  }
  return true;
}

/// Sums are found again to the last digit, as they were reckoned.
std::optional<SharingOut::Share> SharingOut::shareIn(std::size_t round, std::size_t set) const {
  const std::size_t s = rounds_[round];
  if (least_[round][set] == least_[round + 1][set]) return std::nullopt;
  for (const Fit& fit : costs_[s])
    if (index_.isPartOf(fit.set, set) &&
        fit.cost + least_[round][set - fit.set] == least_[round + 1][set])
      return Share{s, fit.set};
  return std::nullopt;
}

std::optional<SharingOut::Share> SharingOut::shareUnlimited(std::size_t set) const {
  const std::vector<double>& least = least_.front();
  for (std::size_t s = 0; s < costs_.size(); ++s)
    if (!limits_[s])
      for (const Fit& fit : costs_[s])
        if (index_.isPartOf(fit.set, set) && fit.cost + least[set - fit.set] == least[set])
          return Share{s, fit.set};
  return std::nullopt;
}

std::vector<SharingOut::Share> SharingOut::sharesOf(std::size_t set) const {
  std::vector<Share> shares;
  const auto take = [&](const std::optional<Share>& share) {
    if (!share) return false;
    shares.push_back(*share);
    set -= share->second;
    return true;
  };
  for (std::size_t round = rounds_.size(); round-- > 0;) take(shareIn(round, set));
  while (set != 0 && take(shareUnlimited(set))) {
  }
  return shares;
}

}  // namespace drapery
