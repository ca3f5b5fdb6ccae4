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
    : index_(index), costs_(costs), limits_(std::move(limits)), fits_(costs.size()) {
  for (std::size_t s = 0; s < costs_.size(); ++s)
    for (std::size_t set = 1; limits_[s] && set < index_.size(); ++set)
      if (costs_[s][set] < kNone) fits_[s].push_back(set);
}

double SharingOut::work() const {
  double work = 0.0;
  for (std::size_t s = 0; s < costs_.size(); ++s)
    for (const std::size_t set : fits_[s])
      work += *limits_[s] * double(index_.partsOf(index_.all() - set));
  return work;
}

const std::vector<double>* SharingOut::reckon(std::optional<std::size_t> without,
                                              const std::function<bool()>& isEnough) {
  rounds_.clear();
  least_.assign(1, {});
  if (!reckonUnlimited(isEnough)) return nullptr;
  Asking asking(isEnough);
  for (std::size_t s = 0; s < costs_.size(); ++s) {
    const int gone = without == s ? 1 : 0;
    for (int i = gone; limits_[s] && i < *limits_[s]; ++i) {
      rounds_.push_back(s);
      least_.push_back(least_.back());
      const std::vector<double>& before = least_[least_.size() - 2];
      std::vector<double>& after = least_.back();
      for (const std::size_t set : fits_[s]) {
        const std::size_t others = index_.all() - set;
        if (asking.isEnoughBefore(index_.partsOf(others))) return nullptr;
        index_.eachPartOf(others, [&](std::size_t rest) {
          after[rest + set] = std::min(after[rest + set], before[rest] + costs_[s][set]);
        });
      }
    }
  }
  return &least_.back();
}

/// What has room on one more beside all that can be shared out already.
bool SharingOut::reckonUnlimited(const std::function<bool()>& isEnough) {
  std::vector<double>& least = least_.front();
  least.assign(index_.size(), kNone);
  least[0] = 0.0;
  std::vector<double> alone(index_.size(), kNone);
  for (std::size_t s = 0; s < costs_.size(); ++s)
    for (std::size_t set = 1; !limits_[s] && set < index_.size(); ++set)
      alone[set] = std::min(alone[set], costs_[s][set]);
  if (std::all_of(limits_.begin(), limits_.end(), [](const auto& limit) { return limit; }))
    return true;
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
  std::optional<Share> found;
  index_.eachPartOf(set, [&](std::size_t part) {
    if (part == 0 || found || costs_[s][part] == kNone) return;
    if (costs_[s][part] + least_[round][set - part] == least_[round + 1][set]) found = {s, part};
  });
  return found;
}

std::optional<SharingOut::Share> SharingOut::shareUnlimited(std::size_t set) const {
  std::optional<Share> found;
  const std::vector<double>& least = least_.front();
  index_.eachPartOf(set, [&](std::size_t part) {
    if (part == 0) return;
    for (std::size_t s = 0; s < costs_.size() && !found; ++s)
      if (!limits_[s] && costs_[s][part] + least[set - part] == least[set]) found = {s, part};
  });
  return found;
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
