#include "core/cutting/stock_losses.h"

#include <algorithm>
#include <numeric>

#include "core/cutting/stock_prices.h"

namespace drapery {

StockLosses::StockLosses(const MaterialJob& job, const std::vector<Micrometres>& alongs,
                         double below, const PiecePrices* prices)
    : job_(job), alongs_(alongs), below_(below), prices_(prices) {
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) {
    Measures one{leastAreaOf(job, kind), {}};
    if (prices != nullptr) one.worths = prices->kinds[kind];
    for (int i = 0; i < job.counts[kind]; ++i) wanted_ += one;
  }
  rooms_.whole.resize(job.stocks.size());
  for (std::size_t s = 0; s < job.stocks.size(); ++s) {
    const auto across = double(usableOf(job.stock(s)).across);
    if (job.stock(s).form == StockForm::Roll)
      rooms_.roll = [across](Micrometres along) { return across * double(along); };
    else
      rooms_.whole[s] = across * double(alongs[s]);
  }
  for (std::size_t which = 0; prices != nullptr && which < kPrices; ++which)
    worths_.push_back(stockWorths(job, alongs_, *prices, which));
  reckon();
  takeRollWhole();
}

void StockLosses::takeRollWhole() {
  constexpr double kHardly = 0.02;  // more is lost so
  if (!rooms_.roll) return;
  Micrometres along = 0;
  for (std::size_t s = 0; s < alongs_.size(); ++s)
    if (job_.stock(s).form == StockForm::Roll) along = alongs_[s];
  const auto whole = [along](StockWorths worths) {
    worths.roll = [most = worths.roll(along)](Micrometres) { return most; };
    return worths;
  };
  const double room = mostWorth(job_, below_, whole(rooms_));
  isRollWhole_ = room - wanted_.area <= (1 + kHardly) * spare_.area;
  if (!isRollWhole_) return;
  rooms_ = whole(rooms_);
  for (StockWorths& worths : worths_) worths = whole(worths);
  reckon();
}

void StockLosses::reckon() {
  constexpr double kRounded = 1e-9;
  Measures most{mostWorth(job_, below_, rooms_), {}};
  for (std::size_t which = 0; which < worths_.size(); ++which)
    most.worths[which] = mostWorth(job_, below_, worths_[which]) * (1 + kRounded);
  spare_ = most - wanted_;
}

std::vector<std::size_t> StockLosses::order() const {
  std::vector<std::size_t> order(job_.stocks.size());
  std::iota(order.begin(), order.end(), 0);
  std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
    const auto of = [&](std::size_t s) {
      return std::pair(job_.stock(s).form == StockForm::Roll, rooms_.whole[s]);
    };
    return of(a) < of(b);
  });
  return order;
}

void StockLosses::holdsNoMore(std::size_t stock, const Measures& than) {
  constexpr double kRounded = 1e-12;
  if (job_.stock(stock).form == StockForm::Roll) return;
  const auto lower = [&](double& most, double to) { most = std::min(most, to * (1 + kRounded)); };
  lower(rooms_.whole[stock], than.area);
  for (std::size_t which = 0; which < worths_.size(); ++which)
    lower(worths_[which].whole[stock], than.worths[which]);
  reckon();
}

Measures StockLosses::lostOn(std::size_t stock, Micrometres along, const Measures& holds) const {
  const UsableSize usable = usableOf(job_.stock(stock));
  const bool isRoll = job_.stock(stock).form == StockForm::Roll;
  const Micrometres used = !isRoll ? usable.along : isRollWhole_ ? alongs_[stock] : along;
  Measures whole{double(usable.across) * double(used), {}};
  if (prices_ != nullptr) whole.worths = prices_->stocks[stock].most(usable.across, used);
  return whole - holds;
}

}  // namespace drapery
