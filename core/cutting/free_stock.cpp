#include "core/cutting/free_stock.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace drapery {

namespace {

/// Square metres of a sheet, or of a metre of a roll.
double sizeOf(const CutStock& stock) {
  const double along = stock.form == StockForm::Roll ? 1e6 : double(stock.along);
  return double(stock.across) * along / 1e12;
}

struct Prices {
  double least = 0.0, most = 0.0;  // of what is paid for; 0: nothing is
  double free = 0.0;               // square metres of all free stock that can be used
};

std::map<std::string, Prices> pricesOf(const CutProblem& problem) {
  const double pieces = std::accumulate(
      problem.pieces.begin(), problem.pieces.end(), 1.0,
      [](double sum, const CutPiece& piece) { return sum + std::max(0, piece.count); });
  std::map<std::string, Prices> prices;
  for (const CutStock& stock : problem.stocks) {
    Prices& price = prices[stock.material];
    if (stock.cost > 0) {
      price.least = price.most > 0 ? std::min(price.least, stock.cost) : stock.cost;
      price.most = std::max(price.most, stock.cost);
      continue;
    }
    const double metres = stock.form == StockForm::Roll ? double(stock.along) / 1e6 : 1.0;
    price.free +=
        sizeOf(stock) * metres * (stock.count ? std::min(pieces, double(*stock.count)) : pieces);
  }
  return prices;
}

}  // namespace

double WeighedStock::costOf(const std::string& material, double weight) const {
  const auto found = weighings.find(material);
  const Weighing weighing = found == weighings.end() ? Weighing() : found->second;
  return (weight - weighing.free) * weighing.unit;
}

WeighedStock weighed(const CutProblem& problem) {
  constexpr double kHardly = 1e-10;  // of what costs least; no more than passes for the same cost
  WeighedStock result{problem, {}};
  std::map<std::string, double> metre;  // what a square metre of free stock weighs
  for (const auto& [material, price] : pricesOf(problem)) {
    WeighedStock::Weighing& weighing = result.weighings[material];
    weighing.free = price.free;
    if (price.most > 0) {
      weighing.unit = std::exp2(std::floor(std::log2(price.most)));  // loses no digits
      if (price.free > 0) weighing.free = kHardly * std::min(1.0, price.least / weighing.unit);
    }
    metre[material] = price.free > 0 ? weighing.free / price.free : 0.0;
  }
  for (CutStock& stock : result.problem.stocks) {
    const double unit = result.weighings[stock.material].unit;
    stock.cost = stock.cost > 0 ? stock.cost / unit : sizeOf(stock) * metre[stock.material];
  }
  return result;
}

}  // namespace drapery
