#include "core/cutting/least_sum.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <map>
#include <numeric>

#include "core/cutting/exact_lay_out.h"

namespace drapery {

namespace {

constexpr double kSame = 1e-9;

/// The least sum from `bound` on of so many of each price, the dearest first.
class LeastSum {
 public:
  LeastSum(const MaterialJob& job, double bound) : bound_(bound) {
    for (std::size_t s = 0; s < job.stocks.size(); ++s) {
      const double cost = job.stock(s).cost;
      if (job.stock(s).form != StockForm::Sheet || cost <= 0) {
        isApt_ = false;
        continue;
      }
      prices_.emplace_back(cost, job.stock(s).count.value_or(std::numeric_limits<int>::max()));
    }
    std::sort(prices_.rbegin(), prices_.rend());
  }
  double find() {
    if (!isApt_ || bound_ <= 0) return bound_;
    search(0, 0.0);
    return tries_ > 0 && std::isfinite(least_) ? std::max(least_, bound_) : bound_;
  }

 private:
  void search(std::size_t which, double sum) {
    if (sum >= bound_ - kSame * std::max(1.0, bound_)) {
      least_ = std::min(least_, sum);
      return;
    }
    if (which == prices_.size() || --tries_ <= 0) return;
    const auto& [cost, count] = prices_[which];
    const double needed = std::ceil((bound_ - sum) / cost - kSame);
    for (double n = std::min(needed, double(count)); n >= 0 && tries_ > 0; --n)
      search(which + 1, sum + n * cost);
  }

  double bound_;
  bool isApt_ = true;
  int tries_ = 200'000;
  double least_ = std::numeric_limits<double>::infinity();
  std::vector<std::pair<double, int>> prices_;
};

/// A sum of lengths, each taken as often as there are pieces of it, from the bound on.
double leastEndFrom(const MaterialJob& job, double bound) {
  constexpr double kMostSums = 2e8;
  const CutStock& roll = job.stock(0);
  if (roll.cost <= 0 || bound <= 0) return bound;
  std::map<Micrometres, int> lengths;
  Micrometres step = 0;
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
    for (const LyingSize& size : job.sizes[0][kind]) {
      lengths[size.along] += job.counts[kind];
      step = std::gcd(step, size.along);
    }
  const double from = bound / roll.cost * 1e6 - double(roll.bottom) + double(roll.kerf) - 0.5;
  double most = 0.0;  // a sum that is far enough, if there is one at all
  for (const auto& [length, count] : lengths) most = std::max(most, double(length));
  const double room = (from + most) / double(std::max<Micrometres>(step, 1)) + 1;
  double shares = 0.0;
  for (const auto& [length, count] : lengths) shares += std::log2(count + 1.0) + 1;
  if (room * shares > kMostSums) return bound;
  std::vector<char> isSum(static_cast<std::size_t>(room) + 1, 0);
  isSum[0] = 1;
  for (const auto& [length, count] : lengths)
    for (int left = count, often = 1; left > 0; left -= often, often = std::min(2 * often, left)) {
      const auto by = static_cast<std::size_t>(length / step) * static_cast<std::size_t>(often);
      for (std::size_t i = isSum.size(); i-- > by;)
        if (isSum[i - by] != 0) isSum[i] = 1;
    }
  for (std::size_t i = 0; i < isSum.size(); ++i)
    if (isSum[i] != 0 && double(i) * double(step) >= from)
      return std::max(bound, costOf(roll, static_cast<Micrometres>(i) * step));
  return bound;
}

}  // namespace

double leastSumFrom(const MaterialJob& job, double bound) {
  return isOneRoll(job) ? leastEndFrom(job, bound) : LeastSum(job, bound).find();
}

}  // namespace drapery
