#include "core/cutting/stock_mixes.h"

#include <algorithm>
#include <cmath>
#include <numeric>
#include <utility>

namespace drapery {

namespace {

constexpr double kSame = 1e-9;

class StockMixes {
 public:
  StockMixes(const MaterialJob& job, double below, double needed)
      : below_(below - kSame), needed_(needed), often_(job.stocks.size(), 0) {
    const double pieces = std::accumulate(job.counts.begin(), job.counts.end(), 0.0);
    for (std::size_t s = 0; s < job.stocks.size(); ++s) {
      const CutStock& stock = job.stock(s);
      if (stock.form != StockForm::Sheet || stock.count == 0) continue;
      const double there = stock.count ? std::min(pieces, double(*stock.count)) : pieces;
      lots_.push_back({s, stock.cost, roomOf(stock), static_cast<int>(there)});
    }
    std::stable_sort(lots_.begin(), lots_.end(), [](const Lot& a, const Lot& b) {
      return a.room * b.cost > b.room * a.cost;  // the most room for its cost
    });
  }

  std::vector<std::vector<std::size_t>> find() {
    constexpr std::size_t kMost = 48;
    search(0, below_, 0.0);
    std::stable_sort(found_.begin(), found_.end(),
                     [](const auto& a, const auto& b) { return a.first > b.first; });
    if (found_.size() > kMost) found_.resize(kMost);
    std::vector<std::vector<std::size_t>> mixes;
    mixes.reserve(found_.size());
    for (auto& [room, mix] : found_) mixes.push_back(std::move(mix));
    return mixes;
  }

 private:
  struct Lot {
    std::size_t stock = 0;
    double cost = 0.0, room = 0.0;
    int count = 0;
    /// How many more may be paid for.
    [[nodiscard]] int most(double left, int used) const {
      if (cost <= 0) return count - used;
      return static_cast<int>(std::min(double(count - used), std::floor(left / cost)));
    }
  };

  void search(std::size_t from, double left, double room) {
    if (--tries_ <= 0) return;
    if (from == lots_.size()) return keep(left, room);
    const Lot& lot = lots_[from];
    // None that follows has more room for its cost.
    if (lot.cost > 0 && room + left / lot.cost * lot.room < needed_) return;
    for (int n = lot.most(left, 0); n >= 0 && tries_ > 0; --n) {
      often_[lot.stock] = n;
      search(from + 1, left - n * lot.cost, room + n * lot.room);
    }
    often_[lot.stock] = 0;
  }

  void keep(double left, double room) {
    if (room < needed_) return;
    for (const Lot& lot : lots_)
      if (lot.most(left, often_[lot.stock]) > 0) return;
    std::vector<std::size_t> mix;
    for (const Lot& lot : lots_)
      mix.insert(mix.end(), static_cast<std::size_t>(often_[lot.stock]), lot.stock);
    found_.emplace_back(room, std::move(mix));
  }

  double below_, needed_;
  std::vector<Lot> lots_;
  std::vector<int> often_;  // of each stock of the job
  std::vector<std::pair<double, std::vector<std::size_t>>> found_;
  int tries_ = 20'000;
};

}  // namespace

std::vector<std::vector<std::size_t>> cheaperMixes(const MaterialJob& job, double below,
                                                   double needed) {
  return StockMixes(job, below, needed).find();
}

}  // namespace drapery
