#include "core/cutting/least_sum.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <map>
#include <numeric>
#include <optional>

#include "core/cutting/exact_lay_out.h"

namespace drapery {

namespace {

/// What costs least of all stock that covers all: so many sheets, and of a roll as much as is left.
class LeastSum {
 public:
  LeastSum(const MaterialJob& job, double bound, const std::vector<StockCover>& covers) {
    int rolls = 0;
    StockCover cost{{}, bound}, area{{}, 0.0};
    for (std::size_t s = 0; s < job.stocks.size(); ++s) {
      const CutStock& stock = job.stock(s);
      const UsableSize usable = usableOf(stock);
      const bool isRoll = stock.form == StockForm::Roll;
      const double each = isRoll ? stock.cost / 1e6 : stock.cost;
      cost.values.push_back(each);
      area.values.push_back(double(usable.across) * (isRoll ? 1.0 : double(usable.along)));
      if (stock.count == 0) continue;
      isApt_ = isApt_ && stock.cost > 0 && (!isRoll || (stock.count == 1 && ++rolls == 1));
      Stock one{each, stock.count.value_or(std::numeric_limits<int>::max()), isRoll, s};
      if (isRoll) {
        one.before = each * double(stock.bottom - stock.kerf);
        one.least = leastAlong(job, s);
      }
      stocks_.push_back(one);
    }
    for (std::size_t kind = 0; kind < job.kinds.size(); ++kind)
      area.all += job.counts[kind] * leastAreaOf(job, kind);
    covers_ = {cost, area};
    covers_.insert(covers_.end(), covers.begin(), covers.end());
    // The roll last: how much of it is used follows from the sheets.
    std::stable_sort(stocks_.begin(), stocks_.end(), [](const Stock& a, const Stock& b) {
      return std::pair(a.isRoll, -a.cost) < std::pair(b.isRoll, -b.cost);
    });
  }

  /// @returns none where it is not apt or there is too much to try.
  std::optional<double> find() {
    constexpr double kLess = 1e-9;  // for rounding
    if (!isApt_) return std::nullopt;
    std::vector<double> left;
    for (const StockCover& cover : covers_) left.push_back(cover.all * (1 - kLess));
    search(0, 0.0, left);
    return tries_ > 0 && std::isfinite(least_) ? std::optional(least_) : std::nullopt;
  }

 private:
  struct Stock {
    double cost = 0.0;  // of a roll for a micrometre
    int count = 0;
    bool isRoll = false;
    std::size_t which = 0;
    double before = 0.0;  // of a roll: what it costs more than what its pieces take
    double least = 0.0;   // of a roll: no less of it is used, if any
  };

  static double leastAlong(const MaterialJob& job, std::size_t stock) {
    Micrometres least = std::numeric_limits<Micrometres>::max();
    for (const auto& ways : job.sizes[stock])
      for (const LyingSize& size : ways) least = std::min(least, size.along);
    return double(least);
  }
  /// How many of it would cover what is left, as far as it can.
  /// @param from the first cover that counts.
  [[nodiscard]] double needed(const Stock& stock, const std::vector<double>& left,
                              std::size_t from) const {
    double most = 0.0;
    for (std::size_t k = from; k < left.size(); ++k)
      if (const double each = covers_[k].values[stock.which]; left[k] > 0 && each > 0)
        most = std::max(most, left[k] / each);
    return most;
  }
  /// What these and those after them cost at least for what is left.
  [[nodiscard]] double atLeast(std::size_t from, const std::vector<double>& left) const {
    double most = 0.0;
    for (std::size_t k = 0; k < left.size(); ++k) {
      if (left[k] <= 0) continue;
      double least = std::numeric_limits<double>::infinity();
      for (std::size_t s = from; s < stocks_.size(); ++s)
        least = std::min(least, stocks_[s].cost / covers_[k].values[stocks_[s].which]);
      most = std::max(most, left[k] * least);
    }
    double before = 0.0;
    for (std::size_t s = from; s < stocks_.size(); ++s) before += std::min(0.0, stocks_[s].before);
    return most + before;
  }

  void search(std::size_t from, double sum, const std::vector<double>& left) {
    if (--tries_ <= 0 || sum + atLeast(from, left) >= least_) return;
    if (std::all_of(left.begin(), left.end(), [](double each) { return each <= 0; })) {
      least_ = sum;
      return;
    }
    if (from == stocks_.size()) return;
    const Stock& stock = stocks_[from];
    if (stock.isRoll) {
      const double used = std::max(needed(stock, left, kCost + 1), stock.least);
      least_ =
          std::min(least_, sum + std::max({0.0, left[kCost], used * stock.cost + stock.before}));
      return;
    }
    const double most = std::min(std::ceil(needed(stock, left, kCost)), double(stock.count));
    for (double n = most; n >= 0 && tries_ > 0; --n) {
      std::vector<double> rest = left;
      for (std::size_t k = 0; k < rest.size(); ++k) rest[k] -= n * covers_[k].values[stock.which];
      search(from + 1, sum + n * stock.cost, rest);
    }
  }

  /// The first cover is the bound that is known: what is used costs as much, all told.
  static constexpr std::size_t kCost = 0;

  bool isApt_ = true;
  int tries_ = 200'000;
  double least_ = std::numeric_limits<double>::infinity();
  std::vector<Stock> stocks_;
  std::vector<StockCover> covers_;
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

double leastSumFrom(const MaterialJob& job, double bound, const std::vector<StockCover>& covers) {
  if (isOneRoll(job)) return leastEndFrom(job, bound);
  return std::max(bound, LeastSum(job, bound, covers).find().value_or(bound));
}

}  // namespace drapery
