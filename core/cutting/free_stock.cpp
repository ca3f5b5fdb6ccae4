#include "core/cutting/free_stock.h"

#include <algorithm>
#include <limits>
#include <numeric>

namespace drapery {

namespace {

/// Square metres of a sheet, or of a metre of a roll.
double sizeOf(const CutStock& stock) {
  const double along = stock.form == StockForm::Roll ? 1e6 : double(stock.along);
  return double(stock.across) * along / 1e12;
}

}  // namespace

WeighedStock weighed(const CutProblem& problem) {
  constexpr double kHardly = 1e-10;  // of what costs least, all free stock together
  const double pieces = std::accumulate(
      problem.pieces.begin(), problem.pieces.end(), 1.0,
      [](double sum, const CutPiece& piece) { return sum + std::max(0, piece.count); });
  std::map<std::string, double> paid, size;  // the least price; of all free stock that can be used
  for (const CutStock& stock : problem.stocks) {
    if (stock.cost > 0) {
      double& least = paid.try_emplace(stock.material, stock.cost).first->second;
      least = std::min(least, stock.cost);
      continue;
    }
    const double metres = stock.form == StockForm::Roll ? double(stock.along) / 1e6 : 1.0;
    size[stock.material] +=
        sizeOf(stock) * metres * (stock.count ? std::min(pieces, double(*stock.count)) : pieces);
  }
  WeighedStock result{problem, {}};
  for (CutStock& stock : result.problem.stocks) {
    if (stock.cost > 0) continue;
    const auto least = paid.find(stock.material);
    const double all = size[stock.material];
    const double weight = least == paid.end() ? all : kHardly * least->second;
    result.weight[stock.material] = weight;
    stock.cost = all > 0 ? sizeOf(stock) * weight / all : 0.0;
  }
  return result;
}

}  // namespace drapery
